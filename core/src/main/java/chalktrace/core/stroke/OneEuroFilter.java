package chalktrace.core.stroke;

/**
 * The 1 Euro filter for one noisy value in time: steady when it changes slowly, quick when it changes fast. After Casiez,
 * Roussel, Vogel, "1 Euro Filter: A Simple Speed-based Low-pass Filter for Noisy Input in Interactive Systems", CHI 2012.
 * One filter serves one stroke.
 */
public final class OneEuroFilter {

    /** The cutoff for the speed itself, as in the paper, in hertz. */
    private static final double SPEED_CUTOFF = 1.0;

    private final double minCutoff;
    private final double beta;
    private double value = Double.NaN;
    private double speed;
    private boolean atFullSpeed;
    private double lastSeconds;

    /**
     * @param minCutoff in hertz: lower is steadier at rest
     * @param beta in hertz per unit a second: higher follows fast movement more closely
     */
    public OneEuroFilter(double minCutoff, double beta) {
        this.minCutoff = minCutoff;
        this.beta = beta;
    }

    /**
     * One that takes the first step's speed as it is. A fast hand is fast from its first step: the paper's start from rest would
     * hold its line back by tens of pixels.
     */
    static OneEuroFilter startingAtFullSpeed(double minCutoff, double beta) {
        OneEuroFilter filter = new OneEuroFilter(minCutoff, beta);
        filter.atFullSpeed = true;
        return filter;
    }

    /** One in the same state, that goes on by itself. */
    OneEuroFilter copy() {
        OneEuroFilter copy = new OneEuroFilter(minCutoff, beta);
        copy.value = value;
        copy.speed = speed;
        copy.atFullSpeed = atFullSpeed;
        copy.lastSeconds = lastSeconds;
        return copy;
    }

    /** The filtered value; a time that does not advance gives the last one again. */
    public double filter(double raw, double seconds) {
        if (Double.isNaN(value)) {
            value = raw;
            lastSeconds = seconds;
            return value;
        }
        double elapsed = seconds - lastSeconds;
        if (elapsed <= 0) {
            return value;
        }
        lastSeconds = seconds;
        double rawSpeed = (raw - value) / elapsed;
        speed = atFullSpeed ? rawSpeed : speed + smoothing(SPEED_CUTOFF, elapsed) * (rawSpeed - speed);
        atFullSpeed = false;
        value += smoothing(minCutoff + beta * Math.abs(speed), elapsed) * (raw - value);
        return value;
    }

    private static double smoothing(double cutoff, double elapsed) {
        double timeConstant = 1 / (2 * Math.PI * cutoff);
        return 1 / (1 + timeConstant / elapsed);
    }
}
