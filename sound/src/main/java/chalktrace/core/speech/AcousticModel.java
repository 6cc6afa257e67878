package chalktrace.core.speech;

import chalktrace.core.shot.Phone;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.zip.GZIPInputStream;

/**
 * How likely each part of each phone sounds like a moment of speech: the part of CMU's published en-us model that does not
 * depend on neighbouring sounds. A phone has three parts; each is a weighted sum of 128 Gaussians of the phone's code book, in
 * each of three streams of 13 values (X. Huang, A. Acero, H.-W. Hon, "Spoken Language Processing", 2001, chapter 8: phonetically
 * tied mixtures).
 */
final class AcousticModel {

    static final int STATES = 3;

    private static final float LEAST_VARIANCE = 1e-4f;
    private static final float LEAST_WEIGHT = 1e-7f;

    /** Of the Gaussians of a code book only the nearest few count, as in CMU's decoders. */
    private static final int NEAREST = 4;

    /** Below this logarithm a share of a sum is nothing. */
    private static final float NOTHING = -20;

    private static final class Shipped {
        static final AcousticModel MODEL = load();
    }

    private final String[] phones;
    private final boolean[] filler;
    private final boolean[] vowel;
    private final int streams;
    private final int densities;
    private final int length;
    private final float[][] means;
    private final float[][] precisions;
    private final float[][] offsets;
    private final float[] weights;
    private final float[] transitions;

    private AcousticModel(DataInputStream in) throws IOException {
        int count = in.readInt();
        phones = new String[count];
        filler = new boolean[count];
        vowel = new boolean[count];
        for (int i = 0; i < count; i++) {
            phones[i] = in.readUTF();
            filler[i] = in.readBoolean();
            vowel[i] = Phone.isVowel(phones[i]);
        }
        streams = in.readInt();
        densities = in.readInt();
        length = in.readInt();
        skipLengths(in);
        int books = count * streams * densities;
        means = rows(floats(in, books * length));
        in.readInt();
        in.readInt();
        in.readInt();
        skipLengths(in);
        precisions = rows(floats(in, books * length));
        offsets = new float[streams][count * densities];
        prepareGaussians();
        weights = floats(in, count * STATES * streams * densities);
        prepareWeights();
        transitions = floats(in, count * STATES * (STATES + 1));
        prepareTransitions();
    }

    /** The shipped model; read at the first call. */
    static AcousticModel shipped() {
        return Shipped.MODEL;
    }

    private static AcousticModel load() {
        try (InputStream raw = AcousticModel.class.getResourceAsStream("acoustic-model.bin.gz");
                DataInputStream in = new DataInputStream(new BufferedInputStream(new GZIPInputStream(raw)))) {
            return new AcousticModel(in);
        } catch (IOException e) {
            throw new UncheckedIOException("the speech model that ships with the program can't be read", e);
        }
    }

    private void skipLengths(DataInputStream in) throws IOException {
        for (int s = 1; s < streams; s++) {
            in.readInt();
        }
    }

    private static float[] floats(DataInputStream in, int count) throws IOException {
        float[] out = new float[count];
        for (int i = 0; i < count; i++) {
            out[i] = in.readFloat();
        }
        return out;
    }

    /** A row for each value of a feature, with that value of all Gaussians: loops along it are done many at a time. */
    private float[][] rows(float[] values) {
        float[][] out = new float[streams * length][phones.length * densities];
        for (int i = 0; i < values.length; i++) {
            int book = i / (densities * length);
            int row = book % streams * length + i % length;
            out[row][book / streams * densities + i / length % densities] = values[i];
        }
        return out;
    }

    /** Variances as what distances are weighed with. */
    private void prepareGaussians() {
        for (int row = 0; row < precisions.length; row++) {
            for (int d = 0; d < precisions[row].length; d++) {
                float variance = Math.max(LEAST_VARIANCE, precisions[row][d]);
                offsets[row / length][d] -= (float) (0.5 * Math.log(2 * Math.PI * variance));
                precisions[row][d] = 0.5f / variance;
            }
        }
    }

    private void prepareWeights() {
        for (int row = 0; row < weights.length; row += densities) {
            double sum = 0;
            for (int d = row; d < row + densities; d++) {
                sum += weights[d];
            }
            for (int d = row; d < row + densities; d++) {
                weights[d] = (float) Math.log(Math.max(LEAST_WEIGHT, weights[d] / sum));
            }
        }
    }

    private void prepareTransitions() {
        for (int row = 0; row < transitions.length; row += STATES + 1) {
            double sum = 0;
            for (int i = row; i <= row + STATES; i++) {
                sum += transitions[i];
            }
            for (int i = row; i <= row + STATES; i++) {
                transitions[i] = transitions[i] <= 0 ? Float.NEGATIVE_INFINITY : (float) Math.log(transitions[i] / sum);
            }
        }
    }

    int phones() {
        return phones.length;
    }

    /** The number of a phone, or of silence. @throws IllegalArgumentException when the model has none such */
    int phone(String symbol) {
        for (int i = 0; i < phones.length; i++) {
            if (phones[i].equals(symbol)) {
                return i;
            }
        }
        throw new IllegalArgumentException("\"" + symbol + "\" is no phoneme that can be listened for.");
    }

    String symbol(int phone) {
        return phones[phone];
    }

    /** Whether it is silence or a noise, and no speech. */
    boolean isFiller(int phone) {
        return filler[phone];
    }

    boolean isVowel(int phone) {
        return vowel[phone];
    }

    /** The logarithm of how likely it is to go from a part of a phone to another; to part 3 is to leave it. */
    float transition(int phone, int from, int to) {
        return transitions[(phone * STATES + from) * (STATES + 1) + to];
    }

    /** The means of all Gaussians as a voice says them. */
    float[][] meansOf(Voice voice) {
        float[][] out = new float[means.length][];
        for (int row = 0; row < means.length; row++) {
            out[row] = means[row].clone();
            for (int d = 0; d < out[row].length; d++) {
                out[row][d] += voice.shift(d / densities)[row];
            }
        }
        return out;
    }

    /** Listens to a voice, one moment after the other. Not for several threads. */
    final class Listener {

        private final float[] near = new float[NEAREST];
        private final int[] which = new int[NEAREST];
        private final float[][] likely = new float[streams][phones.length * densities];
        private final float[][] expected;

        /** @param expected the means of the voice */
        Listener(float[][] expected) {
            this.expected = expected;
        }

        /**
         * The logarithms of how likely the parts of all phones sound like a moment.
         *
         * @param feature three streams of 13 values
         * @param out 3 x phones values from a place on
         */
        void score(float[] feature, float[] out, int at) {
            compare(feature);
            for (int phone = 0; phone < phones.length; phone++) {
                Arrays.fill(out, at + phone * STATES, at + (phone + 1) * STATES, 0);
                for (int stream = 0; stream < streams; stream++) {
                    nearest(phone, stream);
                    for (int state = 0; state < STATES; state++) {
                        out[at + phone * STATES + state] +=
                                mixed(((phone * STATES + state) * streams + stream) * densities);
                    }
                }
            }
        }

        /** Adds to sums how far a feature lies from where the model, not the voice, expects parts of phones. */
        void addDistance(float[] feature, int phone, int state, double[] sum) {
            compare(feature);
            for (int stream = 0; stream < streams; stream++) {
                nearest(phone, stream);
                int weight = ((phone * STATES + state) * streams + stream) * densities;
                float all = mixed(weight);
                for (int k = 0; k < NEAREST; k++) {
                    double share = Math.exp(near[k] + weights[weight + which[k]] - all);
                    for (int row = stream * length; row < (stream + 1) * length; row++) {
                        sum[row] += share * (feature[row] - means[row][phone * densities + which[k]]);
                    }
                }
            }
        }

        private float mixed(int row) {
            float best = Float.NEGATIVE_INFINITY;
            for (int k = 0; k < NEAREST; k++) {
                best = Math.max(best, near[k] + weights[row + which[k]]);
            }
            float sum = 0;
            for (int k = 0; k < NEAREST; k++) {
                float less = near[k] + weights[row + which[k]] - best;
                sum += less < NOTHING ? 0 : (float) Math.exp(less);
            }
            return best + (float) Math.log(sum);
        }

        private void compare(float[] feature) {
            for (int row = 0; row < expected.length; row++) {
                float[] all = likely[row / length];
                if (row % length == 0) {
                    System.arraycopy(offsets[row / length], 0, all, 0, all.length);
                }
                subtract(all, feature[row], expected[row], precisions[row]);
            }
        }

        /** The most likely Gaussians of a code book. */
        private void nearest(int phone, int stream) {
            Arrays.fill(near, Float.NEGATIVE_INFINITY);
            float[] logs = likely[stream];
            float least = Float.NEGATIVE_INFINITY;
            int end = (phone + 1) * densities;
            for (int at = phone * densities; at < end; at++) {
                if (logs[at] > least) {
                    int k = NEAREST - 1;
                    while (k > 0 && near[k - 1] < logs[at]) {
                        near[k] = near[k - 1];
                        which[k] = which[k - 1];
                        k--;
                    }
                    near[k] = logs[at];
                    which[k] = at - phone * densities;
                    least = near[NEAREST - 1];
                }
            }
        }
    }

    /** One value's share for all Gaussians. Rows of their own, without an offset, are what the compiler does many at a time. */
    private static void subtract(float[] from, float value, float[] means, float[] precisions) {
        for (int d = 0; d < from.length; d++) {
            float away = value - means[d];
            from[d] -= away * away * precisions[d];
        }
    }
}
