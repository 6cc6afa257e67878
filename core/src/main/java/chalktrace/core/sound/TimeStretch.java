package chalktrace.core.sound;

/**
 * Sound faster or slower at the same pitch: pieces are laid over each other where they fit best (W. Verhelst, M. Roelands, "An
 * overlap-add technique based on waveform similarity (WSOLA)", ICASSP 1993).
 */
public final class TimeStretch {

    private static final double PIECE_SECONDS = 0.04;
    private static final double SEARCH_SECONDS = 0.012;

    private TimeStretch() {}

    /**
     * @param samples one or two channels side by side
     * @param speed 2 for twice as fast
     * @return as many samples as fit the new length, same channels
     * @throws IllegalArgumentException when the speed is not above 0
     */
    public static float[] at(float[] samples, int channels, int rate, double speed) {
        if (!(speed > 0) || Double.isInfinite(speed)) {
            throw new IllegalArgumentException("Sound is stretched by a speed above 0.");
        }
        int length = samples.length / channels;
        int piece = (int) (PIECE_SECONDS * rate) / 2 * 2;
        int half = piece / 2;
        int search = (int) (SEARCH_SECONDS * rate);
        int outLength = (int) Math.round(length / speed);
        float[] out = new float[outLength * channels];
        float[] weights = new float[outLength];
        int taken = 0;
        for (int at = 0; at < outLength; at += half) {
            int wanted = (int) Math.round(at * speed);
            int from = at == 0 ? 0 : fitting(samples, channels, length, wanted, taken + half, search, half);
            taken = from;
            for (int i = 0; i < piece && at + i - half < outLength; i++) {
                int to = at + i - half;
                if (to < 0) {
                    continue;
                }
                float weight = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / piece));
                weights[to] += weight;
                for (int c = 0; c < channels; c++) {
                    out[to * channels + c] += weight * sample(samples, channels, length, from + i - half, c);
                }
            }
        }
        for (int i = 0; i < outLength; i++) {
            for (int c = 0; c < channels && weights[i] > 1e-3; c++) {
                out[i * channels + c] /= weights[i];
            }
        }
        return out;
    }

    /** The place near the wanted one where the sound is most like what would go on from the piece before. */
    private static int fitting(
            float[] samples, int channels, int length, int wanted, int goingOn, int search, int half) {
        int best = wanted;
        double most = Double.NEGATIVE_INFINITY;
        for (int shift = -search; shift <= search; shift += 2) {
            double sum = 0;
            double power = 1e-9;
            for (int i = -half; i < half; i += 3) {
                float there = sample(samples, channels, length, wanted + shift + i, 0);
                sum += there * sample(samples, channels, length, goingOn + i, 0);
                power += there * there;
            }
            double fit = sum / Math.sqrt(power);
            if (fit > most) {
                most = fit;
                best = wanted + shift;
            }
        }
        return best;
    }

    private static float sample(float[] samples, int channels, int length, int at, int channel) {
        return at < 0 || at >= length ? 0 : samples[at * channels + channel];
    }
}
