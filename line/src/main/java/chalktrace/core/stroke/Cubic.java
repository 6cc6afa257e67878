package chalktrace.core.stroke;

/** One coordinate of a cubic Bezier segment, whose control points lie three numbers apart in an array. */
final class Cubic {

    private Cubic() {}

    /** @param from where in the array the coordinate of the first control point is, @param t 0 to 1 */
    static double at(double[] values, int from, double t) {
        double s = 1 - t;
        return s * s * s * values[from]
                + 3 * s * s * t * values[from + 3]
                + 3 * s * t * t * values[from + 6]
                + t * t * t * values[from + 9];
    }

    /** Puts the control points of the piece between two parameters, three coordinates each, into another array. */
    static void piece(double[] values, int from, double t0, double t1, double[] out, int to) {
        for (int c = 0; c < 3; c++) {
            for (int k = 0; k < 4; k++) {
                out[to + 3 * k + c] = blossom(values, from + c, k < 3 ? t0 : t1, k < 2 ? t0 : t1, k < 1 ? t0 : t1);
            }
        }
    }

    /** The symmetric three-argument form of a segment, from which the control points of any piece of it come (de Casteljau). */
    private static double blossom(double[] values, int from, double a, double b, double c) {
        double p01 = mix(values[from], values[from + 3], a);
        double p12 = mix(values[from + 3], values[from + 6], a);
        double p23 = mix(values[from + 6], values[from + 9], a);
        return mix(mix(p01, p12, b), mix(p12, p23, b), c);
    }

    private static double mix(double a, double b, double share) {
        return a + (b - a) * share;
    }
}
