package chalktrace.media.footage;

import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import java.util.function.LongSupplier;

/** Measures how long footage takes to give a picture out of order. */
public final class ReadSpeed {

    /** What a step may take at most to feel immediate: a frame's time of a screen at 60 frames a second. */
    public static final double IMMEDIATE_SECONDS = 0.016;

    /** Where pictures are tried, as parts of the whole: neither in order nor evenly spaced, so that no pattern helps. */
    private static final double[] TRIED = {0.5, 0.93, 0.21, 0.57, 0.83, 0.37};

    private ReadSpeed() {}

    /**
     * Whether one of a few reads in mixed order takes longer than feels immediate; ends with the first that does. The first
     * read, which also loads what all others need, does not count. Pictures that can't be read do not count either.
     *
     * @param nanos a clock
     */
    public static boolean isSlow(PictureSource source, LongSupplier nanos) {
        int last = source.times().count() - 1;
        for (int i = 0; i < TRIED.length; i++) {
            long before = nanos.getAsLong();
            try {
                source.picture((int) Math.round(TRIED[i] * last));
            } catch (PictureUnavailableException e) {
                continue;
            }
            if (i > 0 && nanos.getAsLong() - before > IMMEDIATE_SECONDS * 1e9) {
                return true;
            }
        }
        return false;
    }
}
