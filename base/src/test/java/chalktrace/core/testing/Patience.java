package chalktrace.core.testing;

/**
 * How long a test waits for something to come about before it says that it never will: as much longer as this machine is slower than
 * the one on which the wait was set. Measured once, at the first use.
 */
public final class Patience {

    private static final long USUAL_SECONDS = 30;

    private static final double LONGEST_FACTOR = 12;

    /** What the work below takes on the machine on which the wait was set, with its other core busy. */
    private static final double USUAL_NANOSECONDS = 100e6;

    private static final long SECONDS = measured();

    private Patience() {}

    public static long seconds() {
        return SECONDS;
    }

    private static long measured() {
        long start = System.nanoTime();
        double sum = 0;
        for (int i = 1; i <= 3_000_000; i++) {
            sum += Math.sqrt(i) / (1 + sum * 1e-9);
        }
        double factor = (System.nanoTime() - start + (sum < 0 ? 1 : 0)) / USUAL_NANOSECONDS;
        return Math.round(USUAL_SECONDS * Math.max(1, Math.min(LONGEST_FACTOR, factor)));
    }
}
