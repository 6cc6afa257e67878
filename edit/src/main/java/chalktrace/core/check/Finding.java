package chalktrace.core.check;

import chalktrace.core.shot.SetAside;

/**
 * What a check has found.
 *
 * @param check its id
 * @param level the id of the level on which it is
 * @param frame where it is, from 0; of what shows nowhere the first frame
 * @param drawing which it concerns; {@link chalktrace.core.shot.Exposure#BLANK} for none
 * @param shows whether it can be seen on that frame
 */
public record Finding(String check, String level, int frame, int drawing, boolean shows) {

    /** What is kept of it when it is meant so. */
    public SetAside setAside() {
        return new SetAside(check, level, frame, drawing);
    }

    Finding(String check, String level, int frame, int drawing) {
        this(check, level, frame, drawing, true);
    }
}
