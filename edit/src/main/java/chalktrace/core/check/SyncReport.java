package chalktrace.core.check;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Shot;
import java.util.List;

/** How well each cue that is tied to a drawing or a mark meets it. */
public final class SyncReport {

    /** Sound earlier or later than the picture by more than this is noticed (ITU-R BT.1359-1, detectability). */
    public static final double NOTICED_EARLY_MILLIS = 45;

    public static final double NOTICED_LATE_MILLIS = 125;

    /** By more than this it is not acceptable (ITU-R BT.1359-1, acceptability). */
    public static final double ACCEPTED_EARLY_MILLIS = 90;

    public static final double ACCEPTED_LATE_MILLIS = 185;

    /** What a viewer makes of it. */
    public enum Verdict {
        GOOD,
        NOTICED,
        OFF
    }

    /**
     * A cue and what it is tied to.
     *
     * @param pictureSeconds when the frame is seen
     * @param differenceSeconds how much later than meant the sound is: after the intended lead is taken off; negative for
     *     early
     */
    public record Row(Cue cue, Cue.Tie tie, double pictureSeconds, double differenceSeconds, Verdict verdict) {

        public double millis() {
            return 1000 * differenceSeconds;
        }
    }

    private SyncReport() {}

    /** In the order of the cues. */
    public static List<Row> of(Shot shot) {
        return shot.cues().stream()
                .filter(cue -> cue.tie().isPresent())
                .map(cue -> row(shot, cue, cue.tie().orElseThrow()))
                .toList();
    }

    private static Row row(Shot shot, Cue cue, Cue.Tie tie) {
        double picture = shot.setup().rate().seconds(tie.frame());
        double lead = tie.leadFrames() / shot.setup().rate().framesPerSecond();
        double late = cue.seconds() + lead - picture;
        return new Row(cue, tie, picture, late, verdict(1000 * late));
    }

    /** @param millis how much later than the picture the sound is */
    public static Verdict verdict(double millis) {
        double late = Math.round(millis * 1000) / 1000.0;
        if (late >= -NOTICED_EARLY_MILLIS && late <= NOTICED_LATE_MILLIS) {
            return Verdict.GOOD;
        }
        return late >= -ACCEPTED_EARLY_MILLIS && late <= ACCEPTED_LATE_MILLIS ? Verdict.NOTICED : Verdict.OFF;
    }
}
