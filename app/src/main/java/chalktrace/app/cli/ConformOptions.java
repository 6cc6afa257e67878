package chalktrace.app.cli;

import chalktrace.core.time.Conform;
import chalktrace.core.time.PictureTimes;
import java.util.Locale;
import picocli.CommandLine.Option;

/** Which pictures of a source are taken, and at which pace. Pictures are counted from 0; the last is taken too. */
final class ConformOptions {

    @Option(names = "--in", paramLabel = "A", description = "The first picture taken.")
    Integer in;

    @Option(names = "--out", paramLabel = "B", description = "The last picture taken.")
    Integer out;

    @Option(names = "--every", paramLabel = "N", description = "Take every n-th picture.")
    int every = 1;

    @Option(names = "--mode", paramLabel = "MODE", description = "keep-time, picture-for-frame or held.")
    String mode;

    @Option(names = "--speed", paramLabel = "S", description = "With keep-time: 2 for twice as fast.")
    double speed = 1;

    /** @throws IllegalArgumentException with a sentence for the person */
    Conform conform(int startFrame, PictureTimes times) {
        int first = in == null ? 0 : in;
        int last = out == null ? times.count() - 1 : out;
        if (first < 0 || last >= times.count() || last < first) {
            throw new IllegalArgumentException("The source has pictures 0 to " + (times.count() - 1) + ": " + first
                    + " to " + last + " takes none of it.");
        }
        Conform.Pace pace = mode == null ? Conform.whole(0, times).pace() : pace(mode);
        return new Conform(startFrame, first, last + 1, every, pace, speed);
    }

    private static Conform.Pace pace(String written) {
        for (Conform.Pace pace : Conform.Pace.values()) {
            if (pace != Conform.Pace.NEAREST_TIME
                    && pace.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(written)) {
                return pace;
            }
        }
        throw new IllegalArgumentException(
                "\"" + written + "\" is no mode: write keep-time, picture-for-frame or held.");
    }
}
