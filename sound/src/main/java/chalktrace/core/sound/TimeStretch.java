package chalktrace.core.sound;

import java.util.function.LongUnaryOperator;

/**
 * Sound faster or slower at the same pitch: pieces are laid over each other where they fit best (W. Verhelst, M. Roelands, "An
 * overlap-add technique based on waveform similarity (WSOLA)", ICASSP 1993). Gives one stretch after the other; not for several
 * threads.
 */
public final class TimeStretch {

    private static final double PIECE_SECONDS = 0.04;
    private static final double SEARCH_SECONDS = 0.012;
    private static final int SEARCH_STEP = 2;
    private static final int COMPARED_STEP = 3;

    /** Where the sound comes from. */
    @FunctionalInterface
    public interface Source {

        /** @param first of the samples, @param count of moments @return the channels side by side */
        float[] at(long first, int count);
    }

    private final int channels;
    private final int half;
    private final int search;
    private final float[] rise;

    /** The second half of the piece before, which the next one fades into. */
    private float[] tail;

    /** Where that second half lies in the source. */
    private long tailAt;

    private float[] ready = new float[0];
    private int readyAt;

    /** @param channels one or two, side by side, @param rate samples a second */
    public TimeStretch(int channels, int rate) {
        this.channels = channels;
        half = (int) (PIECE_SECONDS * rate / 2);
        search = (int) (SEARCH_SECONDS * rate);
        rise = new float[half];
        for (int i = 0; i < half; i++) {
            rise[i] = (float) (0.5 - 0.5 * Math.cos(Math.PI * (i + 0.5) / half));
        }
    }

    /**
     * The next stretch.
     *
     * @param place of the source that belongs to a sample of this stretch, counted from 0
     * @param count of moments
     * @return the channels side by side
     */
    public float[] next(Source source, LongUnaryOperator place, int count) {
        float[] out = new float[count * channels];
        int filled = 0;
        while (filled < count) {
            if (readyAt == ready.length) {
                ready = piece(source, place.applyAsLong(filled));
                readyAt = 0;
            }
            int some = Math.min((count - filled) * channels, ready.length - readyAt);
            System.arraycopy(ready, readyAt, out, filled * channels, some);
            readyAt += some;
            filled += some / channels;
        }
        return out;
    }

    private float[] piece(Source source, long wanted) {
        long from = tail == null ? wanted : fitting(source, wanted);
        float[] fresh = source.at(from, 2 * half);
        float[] out = new float[half * channels];
        for (int i = 0; i < half; i++) {
            for (int c = 0; c < channels; c++) {
                int at = i * channels + c;
                out[at] = tail == null ? fresh[at] : tail[at] * (1 - rise[i]) + fresh[at] * rise[i];
            }
        }
        tail = new float[half * channels];
        System.arraycopy(fresh, half * channels, tail, 0, tail.length);
        tailAt = from + half;
        return out;
    }

    /** The place near the wanted one where the sound is most like what would go on from the piece before. */
    private long fitting(Source source, long wanted) {
        if (Math.abs(wanted - tailAt) <= 1) {
            return tailAt;
        }
        float[] near = source.at(wanted - search, 2 * search + half);
        int best = search;
        double most = Double.NEGATIVE_INFINITY;
        for (int shift = 0; shift <= 2 * search; shift += SEARCH_STEP) {
            double sum = 0;
            double power = 1e-9;
            for (int i = 0; i < half; i += COMPARED_STEP) {
                float there = near[(shift + i) * channels];
                sum += there * tail[i * channels];
                power += there * there;
            }
            double fit = sum / Math.sqrt(power);
            if (fit > most) {
                most = fit;
                best = shift;
            }
        }
        return wanted - search + best;
    }
}
