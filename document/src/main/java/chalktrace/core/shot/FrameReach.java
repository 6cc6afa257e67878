package chalktrace.core.shot;

import java.util.Collection;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a change of frames moves.
 *
 * @param levels whose drawings, marks, cycles and ties do, by their ids
 * @param shot whether the shot's own marks do
 * @param sound whether words, mouths, cues and sounds do
 * @param footage whether references do
 */
public record FrameReach(Set<String> levels, boolean shot, boolean sound, boolean footage) {

    public FrameReach {
        levels = Set.copyOf(levels);
    }

    /** All levels, locked ones too, and the shot's marks. */
    public static FrameReach whole(Shot shot, boolean sound, boolean footage) {
        return new FrameReach(shot.levels().stream().map(Level::id).collect(Collectors.toSet()), true, sound, footage);
    }

    /** Some levels only. */
    public static FrameReach of(Collection<String> levels) {
        return new FrameReach(Set.copyOf(levels), false, false, false);
    }

    /** Whether it moves what belongs to a level, or to the shot when none is named. */
    public boolean covers(Optional<String> level) {
        return level.map(levels::contains).orElse(shot);
    }
}
