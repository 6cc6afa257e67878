package chalktrace.core.motion;

import java.util.Optional;

/** Inverts small matrices. */
final class Inverse {

    private static final double LEAST_PIVOT = 1e-9;

    private Inverse() {}

    /** By Gauss and Jordan with the largest pivot; empty where there is none. Cost: rows to the third. */
    static Optional<double[][]> of(double[][] matrix) {
        int n = matrix.length;
        double[][] left = new double[n][];
        double[][] right = new double[n][n];
        for (int i = 0; i < n; i++) {
            left[i] = matrix[i].clone();
            right[i][i] = 1;
        }
        for (int column = 0; column < n; column++) {
            int pivot = column;
            for (int row = column + 1; row < n; row++) {
                pivot = Math.abs(left[row][column]) > Math.abs(left[pivot][column]) ? row : pivot;
            }
            if (!(Math.abs(left[pivot][column]) >= LEAST_PIVOT)) {
                return Optional.empty();
            }
            swap(left, pivot, column);
            swap(right, pivot, column);
            double scale = left[column][column];
            for (int k = 0; k < n; k++) {
                left[column][k] /= scale;
                right[column][k] /= scale;
            }
            for (int row = 0; row < n; row++) {
                double factor = left[row][column];
                for (int k = 0; k < n && row != column; k++) {
                    left[row][k] -= factor * left[column][k];
                    right[row][k] -= factor * right[column][k];
                }
            }
        }
        return Optional.of(right);
    }

    private static void swap(double[][] rows, int a, int b) {
        double[] row = rows[a];
        rows[a] = rows[b];
        rows[b] = row;
    }
}
