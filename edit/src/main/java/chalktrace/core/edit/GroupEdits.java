package chalktrace.core.edit;

import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.Shot;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Edits of groups of levels. A level is in one group at most; a group without levels goes. */
public final class GroupEdits {

    private GroupEdits() {}

    /** A new group of one level, which leaves the group that it was in. */
    public static Edit make(String newId, String name, String levelId) {
        return new Edit(EditWords.TEXTS.of("new-group"), shot -> {
            List<LevelGroup> groups = new ArrayList<>(taken(shot, levelId).groups());
            groups.add(new LevelGroup(newId, name, List.of(levelId), true, false, 1, false));
            return shot.withGroups(groups);
        });
    }

    /** Puts a level into a group, out of the one that it was in. */
    public static Edit put(String levelId, String groupId) {
        return new Edit(EditWords.TEXTS.of("put-a-level-into-a-group"), shot -> {
            boolean there = shot.groups().stream().anyMatch(group -> group.id().equals(groupId));
            if (!there) {
                return shot;
            }
            // The one group may be about to lose its only level to itself.
            boolean already = shot.groupOf(levelId)
                    .filter(group -> group.id().equals(groupId))
                    .isPresent();
            return already
                    ? shot
                    : changed(taken(shot, levelId), groupId, group -> {
                        List<String> levels = new ArrayList<>(group.levels());
                        levels.add(levelId);
                        return group.withLevels(levels);
                    });
        });
    }

    /** Takes a level out of its group. */
    public static Edit take(String levelId) {
        return new Edit(EditWords.TEXTS.of("take-a-level-out-of-its"), shot -> taken(shot, levelId));
    }

    /** Any change of a group's own settings. */
    public static Edit change(String name, String groupId, UnaryOperator<LevelGroup> change) {
        return new Edit(name, shot -> changed(shot, groupId, change));
    }

    /** Moves the levels of a group, side by side, towards the front (negative) or the back by one place. */
    public static Edit reorder(String groupId, int by) {
        return new Edit(EditWords.TEXTS.of("reorder-a-group"), shot -> {
            List<Level> mine = shot.levels().stream()
                    .filter(level -> shot.groupOf(level.id())
                            .filter(group -> group.id().equals(groupId))
                            .isPresent())
                    .toList();
            if (mine.isEmpty()) {
                return shot;
            }
            int first = shot.levels().indexOf(mine.get(0));
            List<Level> others = new ArrayList<>(shot.levels());
            others.removeAll(mine);
            int at = Math.max(0, Math.min(others.size(), first + (by < 0 ? -1 : 1)));
            others.addAll(at, mine);
            return shot.withLevels(others);
        });
    }

    static Shot taken(Shot shot, String levelId) {
        return shot.withGroups(shot.groups().stream()
                .map(group -> group.without(levelId))
                .filter(group -> !group.levels().isEmpty())
                .toList());
    }

    private static Shot changed(Shot shot, String groupId, UnaryOperator<LevelGroup> change) {
        return shot.withGroups(shot.groups().stream()
                .map(group -> group.id().equals(groupId) ? change.apply(group) : group)
                .toList());
    }
}
