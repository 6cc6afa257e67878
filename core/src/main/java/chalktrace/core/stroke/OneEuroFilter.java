package chalktrace.core.stroke;

/**
 * The 1 Euro filter for one noisy value in time: steady when it changes slowly, quick when it changes fast. After Casiez,
 * Roussel, Vogel, "1 Euro Filter: A Simple Speed-based Low-pass Filter for Noisy Input in Interactive Systems", CHI 2012.
 * One filter serves one stroke.
 */
public final class OneEuroFilter {

    /** The cutoff for the speed itself, as in the paper, in hertz. */
    static final double SPEED_CUTOFF = 1.0;

    private final double minCutoff;
    private final double beta;
    private double value = Double.NaN;
    private double speed;
    private double lastSeconds;

    /**
     * @param minCutoff in hertz: lower is steadier at rest
     * @param beta in hertz per unit a second: higher follows fast movement more closely
     */
    public OneEuroFilter(double minCutoff, double beta) {
        this.minCutoff = minCutoff;
        this.beta = beta;
    }

    /** One in the same state, that goes on by itself. */
    OneEuroFilter copy() {
        OneEuroFilter copy = new OneEuroFilter(minCutoff, beta);
        copy.value = value;
        copy.speed = speed;
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
        speed += smoothing(SPEED_CUTOFF, elapsed) * (rawSpeed - speed);
        value += smoothing(minCutoff + beta * Math.abs(speed), elapsed) * (raw - value);
        return value;
    }

    static double smoothing(double cutoff, double elapsed) {
        double timeConstant = 1 / (2 * Math.PI * cutoff);
        return 1 / (1 + timeConstant / elapsed);
    }
}
