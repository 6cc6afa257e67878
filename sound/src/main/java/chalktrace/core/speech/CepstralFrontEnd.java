package chalktrace.core.speech;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.Resampler;
import org.jtransforms.fft.FloatFFT_1D;

/**
 * Speech as the acoustic model hears it: mel frequency cepstra (S. Davis, P. Mermelstein, "Comparison of parametric
 * representations for monosyllabic word recognition", IEEE ASSP 28, 1980) of windows 10 ms apart, with the noise removal of
 * CMU's published front end (C. Kim, R. Stern, "Power-normalized cepstral coefficients for robust speech recognition", ICASSP
 * 2012), and their first and second differences.
 */
final class CepstralFrontEnd {

    static final int SAMPLE_RATE = 16_000;
    static final int STEP = 160;
    static final int CEPSTRA = 13;
    static final int FEATURES = 3 * CEPSTRA;

    private static final int WINDOW = 410;
    private static final int FFT = 512;
    private static final int BANDS = 25;
    private static final double LOWEST_HZ = 130;
    private static final double HIGHEST_HZ = 6800;
    private static final int PIECE_FRAMES = 6000;
    private static final int LIFTER = 22;
    private static final float PRE_EMPHASIS = 0.97f;
    private static final float FULL_SCALE = 32768;

    private static final double POWER_KEPT = 0.7;
    private static final double ENVELOPE_UP = 0.995;
    private static final double ENVELOPE_DOWN = 0.5;
    private static final double MASKING_DECAY = 0.85;
    private static final double MASKED = 0.2;
    private static final double MOST_GAIN = 20;
    private static final int SMOOTHED_BANDS = 4;

    private final FloatFFT_1D fft = new FloatFFT_1D(FFT);
    private final float[] hamming = new float[WINDOW];
    private final double[][] filters;
    private final double[][] cosines = new double[CEPSTRA][BANDS];

    private final double[] power = new double[BANDS];
    private final double[] noise = new double[BANDS];
    private final double[] floor = new double[BANDS];
    private final double[] peak = new double[BANDS];
    private boolean started;

    private CepstralFrontEnd(double warp) {
        for (int i = 0; i < WINDOW; i++) {
            hamming[i] = (float) (0.54 - 0.46 * Math.cos(2 * Math.PI * i / (WINDOW - 1)));
        }
        filters = filters(warp);
        for (int k = 0; k < CEPSTRA; k++) {
            double scale = Math.sqrt((k == 0 ? 1.0 : 2.0) / BANDS);
            double lift = 1 + LIFTER / 2.0 * Math.sin(k * Math.PI / LIFTER);
            for (int b = 0; b < BANDS; b++) {
                cosines[k][b] = scale * lift * Math.cos(Math.PI * k * (b + 0.5) / BANDS);
            }
        }
    }

    /** How many windows a sound has. */
    static int frames(int samples) {
        return samples < WINDOW ? 0 : (samples - WINDOW) / STEP + 1;
    }

    /**
     * The cepstra of a stretch of sound, their mean over it removed.
     *
     * @param sound at any rate
     * @param warp stretches the frequencies of the filter bank: above 1 for voices higher than the model's
     * @param fromSeconds where the stretch starts, @param toSeconds where it ends
     * @return 13 values for each window, the windows 10 ms apart
     */
    static float[] cepstra(PcmBuffer sound, double warp, double fromSeconds, double toSeconds) {
        CepstralFrontEnd front = new CepstralFrontEnd(warp);
        Resampler resampler = new Resampler(sound.sampleRate(), SAMPLE_RATE);
        long first = Math.round(fromSeconds * SAMPLE_RATE);
        long end = Math.min(resampler.length(sound), Math.round(toSeconds * SAMPLE_RATE));
        int frames = frames((int) Math.max(0, end - first));
        float[] out = new float[frames * CEPSTRA];
        for (int piece = 0; piece < frames; piece += PIECE_FRAMES) {
            int last = Math.min(frames, piece + PIECE_FRAMES);
            // One sample before the first window is wanted for the pre-emphasis.
            float[] samples =
                    resampler.mono(sound, first + (long) piece * STEP - 1, (last - piece - 1) * STEP + WINDOW + 1);
            for (int t = piece; t < last; t++) {
                front.cepstra(samples, (t - piece) * STEP + 1, out, t * CEPSTRA);
            }
        }
        removeMean(out, frames);
        return out;
    }

    private static void removeMean(float[] cepstra, int frames) {
        for (int k = 0; k < CEPSTRA; k++) {
            double sum = 0;
            for (int t = 0; t < frames; t++) {
                sum += cepstra[t * CEPSTRA + k];
            }
            float mean = (float) (sum / Math.max(1, frames));
            for (int t = 0; t < frames; t++) {
                cepstra[t * CEPSTRA + k] -= mean;
            }
        }
    }

    /** A window's cepstra with their first and second differences; at the ends the outermost windows are taken again. */
    static void features(float[] cepstra, int t, float[] out) {
        int frames = cepstra.length / CEPSTRA;
        for (int k = 0; k < CEPSTRA; k++) {
            out[k] = at(cepstra, frames, t, k);
            out[CEPSTRA + k] = at(cepstra, frames, t + 2, k) - at(cepstra, frames, t - 2, k);
            float after = at(cepstra, frames, t + 3, k) - at(cepstra, frames, t - 1, k);
            float before = at(cepstra, frames, t + 1, k) - at(cepstra, frames, t - 3, k);
            out[2 * CEPSTRA + k] = after - before;
        }
    }

    private static float at(float[] cepstra, int frames, int t, int k) {
        return cepstra[Math.max(0, Math.min(frames - 1, t)) * CEPSTRA + k];
    }

    private void cepstra(float[] samples, int from, float[] out, int at) {
        float[] spectrum = new float[FFT];
        for (int i = 0; i < WINDOW; i++) {
            spectrum[i] = (samples[from + i] - PRE_EMPHASIS * samples[from + i - 1]) * FULL_SCALE * hamming[i];
        }
        fft.realForward(spectrum);
        double[] bands = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            double sum = 0;
            for (int bin = 1; bin < FFT / 2; bin++) {
                if (filters[b][bin] != 0) {
                    double re = spectrum[2 * bin];
                    double im = spectrum[2 * bin + 1];
                    sum += filters[b][bin] * (re * re + im * im);
                }
            }
            bands[b] = sum;
        }
        removeNoise(bands);
        for (int b = 0; b < BANDS; b++) {
            bands[b] = Math.log(bands[b] + 1e-4);
        }
        for (int k = 0; k < CEPSTRA; k++) {
            double sum = 0;
            for (int b = 0; b < BANDS; b++) {
                sum += cosines[k][b] * bands[b];
            }
            out[at + k] = (float) sum;
        }
    }

    private void removeNoise(double[] bands) {
        if (!started) {
            for (int b = 0; b < BANDS; b++) {
                power[b] = bands[b];
                noise[b] = bands[b] / MOST_GAIN;
                floor[b] = bands[b] / MOST_GAIN;
            }
            started = true;
        }
        double[] gain = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            power[b] = POWER_KEPT * power[b] + (1 - POWER_KEPT) * bands[b];
            noise[b] = lowerEnvelope(noise[b], power[b]);
            double signal = Math.max(1, power[b] - noise[b]);
            floor[b] = lowerEnvelope(floor[b], signal);
            peak[b] *= MASKING_DECAY;
            double heard = signal < MASKING_DECAY * peak[b] ? peak[b] * MASKED : signal;
            peak[b] = Math.max(peak[b], signal);
            heard = Math.max(heard, floor[b]);
            double ratio = heard < MOST_GAIN * power[b] ? heard / power[b] : MOST_GAIN;
            gain[b] = Math.max(1 / MOST_GAIN, ratio);
        }
        for (int b = 0; b < BANDS; b++) {
            int first = Math.max(0, b - SMOOTHED_BANDS);
            int last = Math.min(BANDS - 1, b + SMOOTHED_BANDS);
            double sum = 0;
            for (int k = first; k <= last; k++) {
                sum += gain[k];
            }
            bands[b] *= sum / (last - first + 1);
        }
    }

    private static double lowerEnvelope(double envelope, double value) {
        double kept = value >= envelope ? ENVELOPE_UP : ENVELOPE_DOWN;
        return kept * envelope + (1 - kept) * value;
    }

    /** Triangles evenly spaced in mel, their edges on bins, each of area 1 in hertz. */
    private static double[][] filters(double warp) {
        double[] edges = new double[BANDS + 2];
        double low = mel(LOWEST_HZ);
        double high = mel(HIGHEST_HZ);
        double bin = SAMPLE_RATE / (double) FFT;
        for (int i = 0; i < edges.length; i++) {
            double hertz = hertz(low + (high - low) * i / (BANDS + 1)) * warp;
            edges[i] = Math.min(SAMPLE_RATE / 2.0 - bin, Math.floor(hertz / bin + 0.5) * bin);
        }
        double[][] out = new double[BANDS][FFT / 2];
        for (int b = 0; b < BANDS; b++) {
            double left = edges[b];
            double middle = Math.max(left + bin, edges[b + 1]);
            double right = Math.max(middle + bin, edges[b + 2]);
            for (int k = 1; k < FFT / 2; k++) {
                double hertz = k * bin;
                double rise = (hertz - left) / (middle - left);
                double fall = (right - hertz) / (right - middle);
                out[b][k] = Math.max(0, Math.min(rise, fall)) * 2 / (right - left);
            }
        }
        return out;
    }

    private static double mel(double hertz) {
        return 2595 * Math.log10(1 + hertz / 700);
    }

    private static double hertz(double mel) {
        return 700 * (Math.pow(10, mel / 2595) - 1);
    }
}
