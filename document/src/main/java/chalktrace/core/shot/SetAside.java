package chalktrace.core.shot;

import java.util.Optional;

/**
 * A possible mistake of which somebody has said that it is meant. It is looked at anew when it comes to lie elsewhere or concerns another drawing.
 *
 * @param check the id of the check that finds it
 * @param level the id of the level on which it is
 * @param frame where it is
 * @param drawing the number that it concerns; {@link Exposure#BLANK} for none
 */
public record SetAside(String check, String level, int frame, int drawing) implements FrameBound<SetAside> {

    @Override
    public Optional<SetAside> moved(FrameChange change) {
        if (!change.reach().covers(Optional.of(level))) {
            return Optional.of(this);
        }
        return change.removes(frame)
                ? Optional.empty()
                : Optional.of(new SetAside(check, level, change.frame(frame), drawing));
    }
}
