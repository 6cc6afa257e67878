package chalktrace.core.shot;

import java.util.List;

/**
 * Levels that are shown, faded, locked and moved together. Being in a group changes no timing.
 *
 * @param retimed whether holding a drawing of one of its levels longer or shorter does so on all of them
 */
public record LevelGroup(
        String id, String name, List<String> levels, boolean visible, boolean locked, double opacity, boolean retimed) {

    public LevelGroup {
        levels = List.copyOf(levels);
        if (!(opacity >= 0 && opacity <= 1)) {
            throw new IllegalArgumentException("The opacity of group \"" + name + "\" must be 0 to 1.");
        }
    }

    public LevelGroup withName(String newName) {
        return new LevelGroup(id, newName, levels, visible, locked, opacity, retimed);
    }

    public LevelGroup withLevels(List<String> newLevels) {
        return new LevelGroup(id, name, newLevels, visible, locked, opacity, retimed);
    }

    /** Without one of its levels. */
    public LevelGroup without(String level) {
        return withLevels(levels.stream().filter(id -> !id.equals(level)).toList());
    }

    public LevelGroup withVisible(boolean shown) {
        return new LevelGroup(id, name, levels, shown, locked, opacity, retimed);
    }

    public LevelGroup withLocked(boolean lock) {
        return new LevelGroup(id, name, levels, visible, lock, opacity, retimed);
    }

    public LevelGroup withOpacity(double newOpacity) {
        return new LevelGroup(id, name, levels, visible, locked, newOpacity, retimed);
    }

    public LevelGroup withRetimed(boolean together) {
        return new LevelGroup(id, name, levels, visible, locked, opacity, together);
    }
}
