package chalktrace.core.version;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelsPart;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotPart;
import chalktrace.core.shot.ShotParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * What differs between two states of a shot.
 *
 * @param parts that differ, beside the levels
 * @param levels those that differ, those that are there now in their order, then those that have gone
 * @param inAnotherOrder whether levels that are in both lie in another order
 */
public record ShotDifference(List<ShotPart<?>> parts, List<OfLevel> levels, boolean inAnotherOrder) {

    /** What has become of a level. */
    public enum Fate {
        ADDED,
        REMOVED,
        CHANGED
    }

    /**
     * What differs on a level.
     *
     * @param name as it is now, or was where it has gone
     * @param drawings the numbers of those that were drawn, changed or removed, rising; of a level that came or went all of it
     * @param timing whether other drawings show when
     * @param settings whether its name, style or visibility is another one
     */
    public record OfLevel(
            String id, String name, Fate fate, List<Integer> drawings, boolean timing, boolean settings) {}

    /** @param then an earlier state of the shot, @param now a later one */
    public static ShotDifference between(Shot then, Shot now) {
        List<ShotPart<?>> parts = ShotParts.ALL.stream()
                .filter(part -> part != LevelsPart.LEVELS && !now.isSame(part, then))
                .toList();
        List<OfLevel> levels = new ArrayList<>();
        for (Level level : now.levels()) {
            Optional<Level> was = then.level(level.id());
            if (was.isEmpty()) {
                levels.add(whole(level, Fate.ADDED));
            } else if (!was.get().equals(level)) {
                levels.add(changed(was.get(), level));
            }
        }
        for (Level level : then.levels()) {
            if (now.level(level.id()).isEmpty()) {
                levels.add(whole(level, Fate.REMOVED));
            }
        }
        return new ShotDifference(parts, levels, !common(then, now).equals(common(now, then)));
    }

    private static List<String> common(Shot shot, Shot other) {
        return shot.levels().stream()
                .map(Level::id)
                .filter(id -> other.level(id).isPresent())
                .toList();
    }

    private static OfLevel whole(Level level, Fate fate) {
        List<Integer> all = level.drawings().stream().map(Drawing::number).toList();
        return new OfLevel(
                level.id(), level.name(), fate, all, !level.exposures().runs().isEmpty(), true);
    }

    private static OfLevel changed(Level then, Level now) {
        Set<Integer> numbers = new TreeSet<>();
        Stream.concat(then.drawings().stream(), now.drawings().stream())
                .map(Drawing::number)
                .filter(number -> !isSame(then.drawing(number), now.drawing(number)))
                .forEach(numbers::add);
        return new OfLevel(
                now.id(),
                now.name(),
                Fate.CHANGED,
                List.copyOf(numbers),
                !then.exposures().equals(now.exposures()),
                !settings(then).equals(settings(now)));
    }

    /** Drawings that were not touched are the same objects, or at least equal. */
    private static boolean isSame(Optional<Drawing> one, Optional<Drawing> other) {
        return one.isPresent() && other.isPresent() && one.get() == other.get() || Objects.equals(one, other);
    }

    private static List<Object> settings(Level level) {
        return List.of(level.name(), level.visible(), level.locked(), level.opacity(), level.style());
    }

    public boolean isNothing() {
        return parts.isEmpty() && levels.isEmpty() && !inAnotherOrder;
    }
}
