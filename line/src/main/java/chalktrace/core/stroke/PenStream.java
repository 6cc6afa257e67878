package chalktrace.core.stroke;

import java.util.Optional;

/**
 * Puts a pen's samples right before anything is made of them, as devices and drivers send nonsense now and then: a sample
 * with a number that is none is left out, pressure out of range is brought back to it, and time that stands still or goes
 * back goes on by a little. One stream serves one stroke.
 */
public final class PenStream {

    /** As far apart as the samples of a usual tablet, 200 a second. */
    private static final double STEP_SECONDS = 0.005;

    private double lastSeconds = Double.NaN;
    private double offset;

    /** The sample put right; empty when it can't be used. */
    public Optional<PenSample> take(PenSample sample) {
        if (!Double.isFinite(sample.x()) || !Double.isFinite(sample.y())) {
            return Optional.empty();
        }
        double pressure = Double.isNaN(sample.pressure()) ? 0 : Math.max(0, Math.min(1, sample.pressure()));
        double seconds = sample.seconds() + offset;
        if (!Double.isFinite(seconds)) {
            seconds = Double.isNaN(lastSeconds) ? 0 : lastSeconds + STEP_SECONDS;
        } else if (seconds <= lastSeconds) {
            // A clock that was set back stays so: what follows is counted from here.
            offset += lastSeconds + STEP_SECONDS - seconds;
            seconds = lastSeconds + STEP_SECONDS;
        }
        lastSeconds = seconds;
        return Optional.of(new PenSample(sample.x(), sample.y(), pressure, seconds));
    }
}
