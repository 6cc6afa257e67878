package chalktrace.core.stroke;

/** How pressure becomes thickness: a quarter of the chalk's width at a touch, all of it at full pressure. */
public final class StrokeWidth {

    private static final double AT_A_TOUCH = 0.25;

    private StrokeWidth() {}

    /** Half the line's width in pixels. */
    public static double radius(double chalkWidth, double pressure) {
        double held = Math.max(0, Math.min(1, pressure));
        return chalkWidth / 2 * (AT_A_TOUCH + (1 - AT_A_TOUCH) * held);
    }
}
