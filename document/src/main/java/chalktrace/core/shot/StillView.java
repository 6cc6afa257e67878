package chalktrace.core.shot;

/**
 * What a still shows from a frame on, until its next view: one picture, or a part of it, such as one view of a turnaround
 * or one pose of a sheet.
 *
 * @param start the shot frame from which it shows
 * @param picture of the source, counted from 0
 */
public record StillView(int start, int picture, Region region) {

    /** @throws IllegalArgumentException when the picture is before the first */
    public StillView {
        if (picture < 0) {
            throw new IllegalArgumentException("Pictures are counted from 0; there is no picture " + picture + ".");
        }
    }
}
