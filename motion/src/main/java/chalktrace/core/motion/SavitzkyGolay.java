package chalktrace.core.motion;

/**
 * Smooths evenly spaced values by fitting a polynomial to each one's neighbours: A. Savitzky, M. Golay, "Smoothing and differentiation of data by simplified
 * least squares procedures", Analytical Chemistry 36, 1964. At the ends the polynomial of the last whole window goes on.
 */
public final class SavitzkyGolay {

    private SavitzkyGolay() {}

    /**
     * @param half so many neighbours to each side; fewer where there are fewer values
     * @param degree of the polynomial
     */
    public static double[] smoothed(double[] values, int half, int degree) {
        int reach = Math.min(half, (values.length - 1) / 2);
        if (2 * reach < degree + 1) {
            return values.clone();
        }
        double[] out = new double[values.length];
        double[][] at = new double[2 * reach + 1][];
        for (int offset = -reach; offset <= reach; offset++) {
            at[offset + reach] = weights(reach, degree, offset);
        }
        for (int i = 0; i < values.length; i++) {
            int middle = Math.max(reach, Math.min(values.length - 1 - reach, i));
            double[] weights = at[i - middle + reach];
            for (int k = -reach; k <= reach; k++) {
                out[i] += weights[k + reach] * values[middle + k];
            }
        }
        return out;
    }

    /** What each value of a window counts in the fitted value at a place of it, such as (-3, 12, 17, 12, -3) / 35. @param offset of the place from the middle */
    static double[] weights(int reach, int degree, int offset) {
        int terms = degree + 1;
        double[][] normal = new double[terms][terms];
        for (int k = -reach; k <= reach; k++) {
            for (int a = 0; a < terms; a++) {
                for (int b = 0; b < terms; b++) {
                    normal[a][b] += Math.pow(k, a + b);
                }
            }
        }
        double[][] inverse = Inverse.of(normal).orElseThrow();
        double[] out = new double[2 * reach + 1];
        for (int k = -reach; k <= reach; k++) {
            for (int a = 0; a < terms; a++) {
                for (int b = 0; b < terms; b++) {
                    out[k + reach] += Math.pow(offset, a) * inverse[a][b] * Math.pow(k, b);
                }
            }
        }
        return out;
    }
}
