package chalktrace.core.speech;

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
    private final int streams;
    private final int densities;
    private final int length;
    private final float[] means;
    private final float[] precisions;
    private final float[] offsets;
    private final float[] weights;
    private final float[] transitions;

    private AcousticModel(DataInputStream in) throws IOException {
        int count = in.readInt();
        phones = new String[count];
        filler = new boolean[count];
        for (int i = 0; i < count; i++) {
            phones[i] = in.readUTF();
            filler[i] = in.readBoolean();
        }
        streams = in.readInt();
        densities = in.readInt();
        length = in.readInt();
        skipLengths(in);
        int books = count * streams * densities;
        means = turned(floats(in, books * length));
        in.readInt();
        in.readInt();
        in.readInt();
        skipLengths(in);
        offsets = new float[books];
        precisions = turned(gaussians(floats(in, books * length)));
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

    /** Variances as what distances are weighed with. */
    private float[] gaussians(float[] variances) {
        for (int b = 0; b < offsets.length; b++) {
            double log = 0;
            for (int i = b * length; i < (b + 1) * length; i++) {
                float variance = Math.max(LEAST_VARIANCE, variances[i]);
                log += Math.log(2 * Math.PI * variance);
                variances[i] = 0.5f / variance;
            }
            offsets[b] = (float) (-0.5 * log);
        }
        return variances;
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

    /** The logarithm of how likely it is to go from a part of a phone to another; to part 3 is to leave it. */
    float transition(int phone, int from, int to) {
        return transitions[(phone * STATES + from) * (STATES + 1) + to];
    }

    /** Listens to one moment after the other. Not for several threads. */
    final class Listener {

        private final float[] near = new float[NEAREST];
        private final int[] which = new int[NEAREST];
        private final float[] likely = new float[densities];

        /**
         * The logarithms of how likely the parts of all phones sound so.
         *
         * @param feature three streams of 13 values
         * @param out 3 x phones values
         */
        void score(float[] feature, float[] out) {
            for (int phone = 0; phone < phones.length; phone++) {
                Arrays.fill(out, phone * STATES, (phone + 1) * STATES, 0);
                for (int stream = 0; stream < streams; stream++) {
                    nearest(feature, phone, stream);
                    for (int state = 0; state < STATES; state++) {
                        out[phone * STATES + state] += mixed(((phone * STATES + state) * streams + stream) * densities);
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

        /** The most likely Gaussians of a code book. */
        private void nearest(float[] feature, int phone, int stream) {
            int book = phone * streams + stream;
            System.arraycopy(offsets, book * densities, likely, 0, densities);
            for (int i = 0; i < length; i++) {
                subtract(likely, feature[stream * length + i], (book * length + i) * densities);
            }
            Arrays.fill(near, Float.NEGATIVE_INFINITY);
            for (int d = 0; d < densities; d++) {
                float log = likely[d];
                if (log > near[NEAREST - 1]) {
                    int k = NEAREST - 1;
                    while (k > 0 && near[k - 1] < log) {
                        near[k] = near[k - 1];
                        which[k] = which[k - 1];
                        k--;
                    }
                    near[k] = log;
                    which[k] = d;
                }
            }
        }

        /** One value's share for all Gaussians of a book: a loop that the compiler does eight at a time. */
        private void subtract(float[] from, float value, int at) {
            for (int d = 0; d < from.length; d++) {
                float away = value - means[at + d];
                from[d] -= away * away * precisions[at + d];
            }
        }
    }

    /** Laid out so that one value of all Gaussians of a book lies together. */
    private float[] turned(float[] values) {
        float[] out = new float[values.length];
        for (int i = 0; i < values.length; i++) {
            int book = i / (densities * length);
            int density = i / length % densities;
            out[(book * length + i % length) * densities + density] = values[i];
        }
        return out;
    }
}
