package chalktrace.core.stroke;

import java.util.Arrays;

/**
 * Smooths values that come one after another in time, without lag and without shrinking slow bends: of all sequences the one is taken that
 * lies closest to the values and whose third derivative is smallest on the whole, so that parabolas stay as they are. After Whittaker, "On a
 * New Method of Graduation", Proceedings of the Edinburgh Mathematical Society 41, 1923, as in Eilers, "A Perfect Smoother", Analytical
 * Chemistry 75, 2003, with divided differences for times that are not even. A wave of frequency f keeps the share 1 / (1 + (f / cutoff)^6) of its
 * size. The equations have seven diagonals, are eliminated forwards as values come, and solved backwards as far as anything
 * still changes. Cost: constant for each value, and for each that still changes.
 */
final class WhittakerSmoother {

    /** The third derivative at four neighbouring values: so many values a row of the equations spans. */
    static final int ORDER = 3;

    /** What moves by less, in units of the values, stays. */
    private static final double NEGLIGIBLE = 2e-4;

    private final int channels;
    private int count;
    private double[] at = new double[64];
    private double[] weight = new double[64];
    private double[] strength = new double[64];

    /** How much of a value and of the three before it there is in the third derivative, for each row. */
    private double[] share = new double[64 * (ORDER + 1)];

    private final double[][] value;
    private final double[][] smooth;

    /** The factors of the equations: the diagonal, and three numbers left of it for each row. */
    private double[] pivot = new double[64];

    private double[] left = new double[64 * ORDER];
    private final double[][] forward;

    /** @param channels how many values each moment has */
    WhittakerSmoother(int channels) {
        this.channels = channels;
        value = new double[channels][64];
        smooth = new double[channels][64];
        forward = new double[channels][64];
    }

    /**
     * @param seconds later than that of the value before
     * @param values one a channel
     */
    void add(double seconds, double... values) {
        if (count == at.length) {
            grow();
        }
        at[count] = seconds;
        for (int c = 0; c < channels; c++) {
            value[c][count] = values[c];
            smooth[c][count] = values[c];
        }
        weight[count] = 1;
        strength[count] = 0;
        for (int k = 0; k <= ORDER && count >= ORDER; k++) {
            share[(ORDER + 1) * count + k] = difference(count, count - k);
        }
        count++;
    }

    private void grow() {
        int size = 2 * at.length;
        at = Arrays.copyOf(at, size);
        weight = Arrays.copyOf(weight, size);
        strength = Arrays.copyOf(strength, size);
        share = Arrays.copyOf(share, (ORDER + 1) * size);
        pivot = Arrays.copyOf(pivot, size);
        left = Arrays.copyOf(left, ORDER * size);
        for (int c = 0; c < channels; c++) {
            value[c] = Arrays.copyOf(value[c], size);
            smooth[c] = Arrays.copyOf(smooth[c], size);
            forward[c] = Arrays.copyOf(forward[c], size);
        }
    }

    double value(int channel, int i) {
        return smooth[channel][i];
    }

    /** @param factor how much more than others a value counts */
    void weigh(int i, double factor) {
        weight[i] = factor;
    }

    /**
     * @param hertz what is slower stays, between a value and the three before it; infinite where these say nothing of each other
     * @return whether that is another cutoff than before
     */
    boolean cutoff(int i, double hertz) {
        double time = 1 / (2 * Math.PI * hertz);
        double before = strength[i];
        strength[i] = time * time * time * time * time * time;
        return strength[i] != before;
    }

    /** Solves anew after a change. @param from the first value whose weight, cutoff or place in time is new */
    void solve(int from) {
        int first = Math.max(0, from - ORDER);
        for (int i = first; i < count; i++) {
            eliminate(i);
        }
        int calm = 0;
        for (int i = count - 1; i >= 0 && (i >= first || calm <= ORDER); i--) {
            double moved = 0;
            for (int c = 0; c < channels; c++) {
                double sum = forward[c][i];
                for (int k = 1; k <= ORDER && i + k < count; k++) {
                    sum -= left[ORDER * (i + k) + k - 1] * smooth[c][i + k];
                }
                moved = Math.max(moved, Math.abs(sum - smooth[c][i]));
                smooth[c][i] = sum;
            }
            calm = moved < NEGLIGIBLE ? calm + 1 : 0;
        }
    }

    /** One row of the factors L D L'. */
    private void eliminate(int i) {
        double[] row = new double[ORDER];
        for (int k = Math.min(ORDER, i); k >= 1; k--) {
            double sum = entry(i, k);
            for (int m = k + 1; m <= Math.min(ORDER, i); m++) {
                sum -= row[m - 1] * pivot[i - m] * left[ORDER * (i - k) + m - k - 1];
            }
            row[k - 1] = sum / pivot[i - k];
        }
        double diagonal = entry(i, 0);
        for (int k = 1; k <= Math.min(ORDER, i); k++) {
            diagonal -= row[k - 1] * row[k - 1] * pivot[i - k];
            left[ORDER * i + k - 1] = row[k - 1];
        }
        pivot[i] = diagonal;
        for (int c = 0; c < channels; c++) {
            double sum = weight[i] * time(i) * value[c][i];
            for (int k = 1; k <= Math.min(ORDER, i); k++) {
                sum -= row[k - 1] * pivot[i - k] * forward[c][i - k];
            }
            forward[c][i] = sum / diagonal;
        }
    }

    /** Of the equations in row i, k left of the diagonal. */
    private double entry(int i, int k) {
        double sum = k == 0 ? weight[i] * time(i) : 0;
        for (int row = Math.max(i, ORDER); row <= Math.min(count - 1, i - k + ORDER); row++) {
            double span = at[row] - at[row - ORDER];
            int from = (ORDER + 1) * row + row - i;
            sum += strength[row] * span / ORDER * share[from] * share[from + k];
        }
        return sum;
    }

    /** The divided difference of a row, of which a value is part. */
    private double difference(int row, int i) {
        double product = 6;
        for (int other = row - ORDER; other <= row; other++) {
            if (other != i) {
                product /= at[i] - at[other];
            }
        }
        return product;
    }

    /** The time that a value stands for. */
    private double time(int i) {
        double before = i == 0 ? at[Math.min(1, count - 1)] - at[0] : at[i] - at[i - 1];
        double after = i == count - 1 ? before : at[i + 1] - at[i];
        return count == 1 ? 1 : (before + after) / 2;
    }
}
