package chalktrace.core.stroke;

/**
 * How a chalk answers to the pen's pressure: a curve from no pressure at (0, 0) to full pressure at (1, 1) with two handles,
 * after the cubic Bezier easing of W3C, "CSS Easing Functions Level 1".
 *
 * @param x1 of the first handle, 0 to 1
 * @param y1 of the first handle, 0 to 1
 * @param x2 of the second handle, 0 to 1
 * @param y2 of the second handle, 0 to 1
 */
public record PressureCurve(double x1, double y1, double x2, double y2) {

    /** What the pen says counts as it is. */
    public static final PressureCurve EVEN = new PressureCurve(0.25, 0.25, 0.75, 0.75);

    private static final int HALVINGS = 24;

    /** @throws IllegalArgumentException when a handle lies outside the unit square */
    public PressureCurve {
        for (double value : new double[] {x1, y1, x2, y2}) {
            if (!(value >= 0 && value <= 1)) {
                throw new IllegalArgumentException("The handles of a pressure curve lie within 0 and 1.");
            }
        }
    }

    /** With the first (0) or second (1) handle elsewhere, kept within the unit square. */
    public PressureCurve withHandle(int handle, double x, double y) {
        double heldX = held(x);
        double heldY = held(y);
        return handle == 0 ? new PressureCurve(heldX, heldY, x2, y2) : new PressureCurve(x1, y1, heldX, heldY);
    }

    public boolean isEven() {
        return x1 == y1 && x2 == y2;
    }

    /** What counts, 0 to 1, for a pressure; a pressure out of range is brought back to it. */
    public double at(double pressure) {
        double wanted = held(pressure);
        if (isEven()) {
            return wanted;
        }
        // Handles within 0 and 1 make the curve rise steadily in x, so that halving finds its place.
        double low = 0;
        double high = 1;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (coordinate(middle, x1, x2) < wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return held(coordinate((low + high) / 2, y1, y2));
    }

    private static double coordinate(double t, double a, double b) {
        double s = 1 - t;
        return 3 * s * s * t * a + 3 * s * t * t * b + t * t * t;
    }

    private static double held(double value) {
        return Math.max(0, Math.min(1, value));
    }
}
