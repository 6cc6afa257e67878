package chalktrace.demo.film;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.demo.scene.Performance;
import java.util.SplittableRandom;

/** What a microphone at the stall hears: water under the pier, the pour, the clink of the cup, the kettle set down. */
public final class PierSounds {

    private static final int RATE = ShotMix.SAMPLE_RATE;

    private final float[] samples = new float[(int) (Performance.FRAMES / 24.0 * RATE)];
    private final SplittableRandom random = new SplittableRandom(99);

    private PierSounds() {}

    /** The whole scene's sound, one channel at 48 kHz. */
    public static PcmBuffer make() {
        PierSounds sounds = new PierSounds();
        sounds.water();
        sounds.pour(seconds(Performance.POUR_START), seconds(Performance.POUR_END));
        sounds.strike(seconds(Performance.LIFT), 0.05, 0.10, 420, 910, 1480);
        sounds.strike(seconds(Performance.CLINK), 0.30, 0.09, 2150, 3480, 5120, 7300);
        sounds.strike(seconds(Performance.KETTLE_DOWN), 0.16, 0.14, 180, 560, 1130, 1790);
        return new PcmBuffer(RATE, 1, sounds.samples);
    }

    private static double seconds(int frame) {
        return frame / 24.0;
    }

    private void water() {
        double slow = 0;
        double slower = 0;
        for (int i = 0; i < samples.length; i++) {
            slow += 0.02 * (random.nextDouble() - 0.5 - slow);
            slower += 0.006 * (slow - slower);
            double swell = 0.6 + 0.4 * Math.sin(2 * Math.PI * 0.23 * i / RATE);
            samples[i] += (float) (0.5 * swell * slower + 0.06 * slow * swell);
        }
    }

    /** Noise through a resonance that rises as the cup fills. */
    private void pour(double from, double to) {
        double low = 0;
        double band = 0;
        int first = (int) (from * RATE);
        int last = (int) (to * RATE);
        for (int i = first; i < last; i++) {
            double share = (double) (i - first) / (last - first);
            double pitch = 480 + 900 * share * share;
            double f = 2 * Math.sin(Math.PI * pitch / RATE);
            double gargle = 0.65 + 0.35 * Math.sin(2 * Math.PI * (11 + 4 * Math.sin(9 * share)) * i / RATE);
            double noise = (random.nextDouble() - 0.5) * gargle;
            low += f * band;
            band += f * (noise - low - 0.12 * band);
            double edge = Math.min(1, Math.min(share, 1 - share) * 14);
            samples[i] += (float) (0.10 * edge * band + 0.02 * edge * noise);
        }
    }

    /** Something hard is struck: its partials start at once and die away, the high ones first. */
    private void strike(double at, double loudness, double decaySeconds, double... partials) {
        int first = (int) Math.round(at * RATE);
        for (int i = first; i < Math.min(samples.length, first + RATE); i++) {
            double t = (double) (i - first) / RATE;
            double sum = 0;
            for (int p = 0; p < partials.length; p++) {
                sum += Math.cos(2 * Math.PI * partials[p] * t) * Math.exp(-t / decaySeconds * (1 + 0.6 * p)) / (1 + p);
            }
            samples[i] += (float) (loudness * sum);
        }
    }
}
