package chalktrace.core.shot;

import java.util.List;

/** Levels that are shown, faded and locked together. Being in a group changes no timing. */
public record LevelGroup(String id, String name, List<String> levels, boolean visible, boolean locked, double opacity) {

    public LevelGroup {
        levels = List.copyOf(levels);
        if (!(opacity >= 0 && opacity <= 1)) {
            throw new IllegalArgumentException("The opacity of group \"" + name + "\" must be 0 to 1.");
        }
    }
}
