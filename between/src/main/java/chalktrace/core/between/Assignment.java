package chalktrace.core.between;

import java.util.Arrays;

/**
 * The pairing of least total cost between two sets. After Kuhn, "The Hungarian Method for the assignment problem", 1955, in
 * the form with potentials and shortest augmenting paths of Jonker, Volgenant, 1987. Cubic in the larger set.
 */
final class Assignment {

    private Assignment() {}

    /**
     * @param cost of pairing row i with column j; all rows as long
     * @return for each row its column, or -1 where there are more rows than columns and it is left over
     */
    static int[] of(double[][] cost) {
        int rows = cost.length;
        int columns = rows == 0 ? 0 : cost[0].length;
        int[] columnOf = new int[rows];
        Arrays.fill(columnOf, -1);
        if (rows == 0 || columns == 0) {
            return columnOf;
        }
        int n = Math.max(rows, columns);
        // Numbered from 1; a missing row or column costs nothing.
        double[] u = new double[n + 1];
        double[] v = new double[n + 1];
        int[] rowOf = new int[n + 1];
        for (int row = 1; row <= n; row++) {
            int[] way = new int[n + 1];
            double[] least = new double[n + 1];
            boolean[] used = new boolean[n + 1];
            Arrays.fill(least, Double.MAX_VALUE);
            rowOf[0] = row;
            int at = 0;
            do {
                used[at] = true;
                int from = rowOf[at];
                int next = 0;
                double delta = Double.MAX_VALUE;
                for (int j = 1; j <= n; j++) {
                    if (used[j]) {
                        continue;
                    }
                    double own = from <= rows && j <= columns ? cost[from - 1][j - 1] : 0;
                    double reduced = own - u[from] - v[j];
                    if (reduced < least[j]) {
                        least[j] = reduced;
                        way[j] = at;
                    }
                    if (least[j] < delta) {
                        delta = least[j];
                        next = j;
                    }
                }
                for (int j = 0; j <= n; j++) {
                    if (used[j]) {
                        u[rowOf[j]] += delta;
                        v[j] -= delta;
                    } else {
                        least[j] -= delta;
                    }
                }
                at = next;
            } while (rowOf[at] != 0);
            do {
                int before = way[at];
                rowOf[at] = rowOf[before];
                at = before;
            } while (at != 0);
        }
        for (int j = 1; j <= columns; j++) {
            if (rowOf[j] <= rows) {
                columnOf[rowOf[j] - 1] = j - 1;
            }
        }
        return columnOf;
    }
}
