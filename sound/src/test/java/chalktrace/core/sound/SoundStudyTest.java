package chalktrace.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.SpokenLines;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Sounds whose moments and pitches are known because they are made here, sample by sample. */
class SoundStudyTest {

    private static final int RATE = 48_000;

    private final Random random = new Random(11);

    private float[] silence(double seconds) {
        return new float[(int) (seconds * RATE)];
    }

    /** A step on a surface: a burst with a resonance that dies away. */
    private void step(float[] into, double seconds, double hertz, double brightness, double level) {
        int from = (int) Math.round(seconds * RATE);
        double phase = 0;
        for (int i = 0; from + i < into.length && i < RATE / 4; i++) {
            double t = i / (double) RATE;
            phase += 2 * Math.PI * hertz / RATE;
            double body = Math.sin(phase) * Math.exp(-t * 28);
            double grit = random.nextGaussian() * 0.4 * brightness * Math.exp(-t * 70);
            into[from + i] += (float) (level * (body + grit));
        }
    }

    private void river(float[] into, double level) {
        double low = 0;
        for (int i = 0; i < into.length; i++) {
            low = 0.92 * low + 0.08 * random.nextGaussian();
            into[i] += (float) (level * (2.5 * low + 0.3 * random.nextGaussian()));
        }
    }

    private static double fMeasure(List<Onsets.Onset> found, List<Double> truth) {
        long hits = truth.stream()
                .filter(t -> found.stream().anyMatch(onset -> Math.abs(onset.seconds() - t) <= 0.05))
                .count();
        double precision = found.isEmpty() ? 0 : hits / (double) found.size();
        double recall = hits / (double) truth.size();
        return hits == 0 ? 0 : 2 * precision * recall / (precision + recall);
    }

    private List<Double> walk(float[] into) {
        List<Double> truth = new ArrayList<>();
        double[][] surfaces = {{90, 0.4}, {180, 1}, {320, 0.8}, {60, 0.2}, {700, 1.2}};
        for (int i = 0; i < 24; i++) {
            double at = 0.4 + i * 0.43 + random.nextDouble() * 0.08;
            double[] surface = surfaces[i % surfaces.length];
            step(into, at, surface[0], surface[1], 0.15 + 0.3 * random.nextDouble());
            truth.add(at);
        }
        return truth;
    }

    @Test
    void stepsOnManySurfacesAreFoundWithinFiftyMilliseconds() {
        float[] sound = silence(11.5);
        List<Double> truth = walk(sound);
        List<Onsets.Onset> found = Onsets.of(new PcmBuffer(RATE, 1, sound), done -> true);
        assertThat(fMeasure(found, truth)).isGreaterThanOrEqualTo(0.9);
    }

    @Test
    void stepsBesideARiverAreFound() {
        float[] sound = silence(11.5);
        List<Double> truth = walk(sound);
        river(sound, 0.02);
        List<Onsets.Onset> found = Onsets.of(new PcmBuffer(RATE, 1, sound), done -> true);
        assertThat(fMeasure(found, truth)).isGreaterThanOrEqualTo(0.75);
    }

    @Test
    void whatASoundStartsAmidstDoesNotStartThereButAnImpactDoes() {
        float[] amidst = silence(4);
        river(amidst, 0.02);
        step(amidst, 2, 180, 1, 0.4);
        assertThat(Onsets.of(new PcmBuffer(RATE, 1, amidst), done -> true))
                .allSatisfy(onset -> assertThat(onset.seconds()).isCloseTo(2, within(0.05)))
                .isNotEmpty();
        float[] cut = silence(4);
        step(cut, 0, 180, 1, 0.4);
        step(cut, 2, 180, 1, 0.4);
        assertThat(Onsets.of(new PcmBuffer(RATE, 1, cut), done -> true))
                .hasSize(2)
                .first()
                .satisfies(onset -> assertThat(onset.seconds()).isCloseTo(0, within(0.02)));
    }

    @Test
    void clicksAreFoundWithinTwoMilliseconds() {
        float[] sound = silence(3);
        int[] samples = {24_000, 60_123, 100_000};
        for (int at : samples) {
            for (int i = 0; i < 48; i++) {
                sound[at + i] = i % 2 == 0 ? 0.5f : -0.5f;
            }
        }
        List<Onsets.Onset> found = Onsets.of(new PcmBuffer(RATE, 1, sound), done -> true);
        assertThat(found).hasSize(3);
        for (int i = 0; i < 3; i++) {
            assertThat(found.get(i).seconds()).isCloseTo(samples[i] / (double) RATE, within(0.002));
        }
        assertThat(Onsets.of(new PcmBuffer(RATE, 1, silence(1)), done -> true)).isEmpty();
    }

    @Test
    void theBeatOfClicksIsFoundInFramesPerBeat() {
        float[] sound = silence(12);
        for (double at = 0.25; at < 12; at += 0.5) {
            step(sound, at, 400, 1, 0.4);
        }
        Tempo tempo = Tempo.of(Onsets.strength(new PcmBuffer(RATE, 1, sound), done -> true), Onsets.stepSeconds());
        // 120 beats a minute are 12 frames a beat at 24 frames a second (arithmetic).
        assertThat(tempo.beatsPerMinute()).isCloseTo(120, within(0.5));
        assertThat(tempo.firstSeconds()).isCloseTo(0.25, within(0.03));
    }

    @Test
    void breathIsNoVoiceAndItsStartIsNotTheVoices() {
        float[] sound = silence(3);
        for (int i = 0; i < sound.length; i++) {
            double t = i / (double) RATE;
            double breath = t > 0.3 && t < 0.8 ? 0.02 * random.nextGaussian() : 0;
            double voice = 0;
            for (int n = 1; n < 10 && t > 1.2 && t < 2; n++) {
                voice += 0.2 * Math.sin(2 * Math.PI * 130 * n * t) / n;
            }
            sound[i] = (float) (0.0004 * random.nextGaussian() + breath + voice);
        }
        SpeechActivity activity = new SpeechActivity(new PcmBuffer(RATE, 1, sound));
        assertThat(activity.spans()).hasSize(1);
        assertThat(activity.start()).isCloseTo(1.2, within(0.03));
        assertThat(activity.spans().get(0).endSeconds()).isCloseTo(2, within(0.05));
    }

    @Test
    void theVoiceOfASpokenLineStartsWithItsFirstWord() {
        double first = SpokenLines.words("line1-kal").get(0).startSeconds();
        assertThat(new SpeechActivity(SpokenLines.sound("line1-kal")).start()).isCloseTo(first, within(0.06));
    }

    private static float[] sine(double hertz, double seconds, int rate) {
        float[] out = new float[(int) (seconds * rate)];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) (0.5 * Math.sin(2 * Math.PI * hertz * i / rate));
        }
        return out;
    }

    private static double peakHertz(float[] samples, int rate) {
        Spectra spectra = new Spectra(new PcmBuffer(rate, 1, samples), 4096);
        float[] magnitudes = new float[spectra.bins()];
        spectra.at(samples.length / 2, magnitudes);
        int best = 0;
        for (int bin = 1; bin < magnitudes.length; bin++) {
            best = magnitudes[bin] > magnitudes[best] ? bin : best;
        }
        return spectra.hertz(best);
    }

    @Test
    void aSineKeepsItsPitchWhenItIsResampled() {
        for (int from : new int[] {8000, 44_100, 48_000, 192_000}) {
            float[] at16k = Resampler.mono(new PcmBuffer(from, 1, sine(1000, 1, from)), 16_000);
            assertThat(at16k.length).isEqualTo(16_000);
            assertThat(peakHertz(at16k, 16_000)).isCloseTo(1000, within(4.0));
        }
        // What lies above half of the new rate must not come back mirrored: 10 kHz at 16 kHz would be 6 kHz.
        float[] above = Resampler.mono(new PcmBuffer(48_000, 1, sine(10_000, 1, 48_000)), 16_000);
        for (int i = 1000; i < 15_000; i++) {
            assertThat(Math.abs(above[i])).isLessThan(0.001f);
        }
    }

    @Test
    void stretchedSoundKeepsItsPitchAndItsLevel() {
        float[] tone = sine(440, 4, RATE);
        PcmBuffer sound = new PcmBuffer(RATE, 1, tone);
        TimeStretch.Source source = (first, count) -> {
            float[] out = new float[count];
            for (int i = 0; i < count; i++) {
                out[i] = sound.at(first + i, 0);
            }
            return out;
        };
        for (double speed : new double[] {0.5, 0.8, 1.5, 2}) {
            float[] out = new TimeStretch(1, RATE).next(source, i -> Math.round(i * speed), RATE);
            assertThat(peakHertz(out, RATE)).as("at %s", speed).isCloseTo(440, within(12.0));
            double sum = 0;
            for (int i = RATE / 4; i < RATE * 3 / 4; i++) {
                sum += out[i] * out[i];
            }
            // The level of a sine of 0.5 is 0.354 (arithmetic: 0.5 / sqrt 2).
            assertThat(Math.sqrt(sum / (RATE / 2.0))).isCloseTo(0.354, within(0.02));
        }
    }

    @Test
    void aFullSineIsThreeDecibelsBelowItsPeak() {
        float[] tone = sine(1000, 1, RATE);
        // 0.5 is -6.02 dB, its sine 3.01 dB below that (arithmetic).
        assertThat(new Loudness(new PcmBuffer(RATE, 1, tone)).atSeconds(0.5)).isCloseTo(-9.03, within(0.05));
    }

    /** A step of heel and toe, the toe a tenth of a second later and softer, with a scrape before: one event each, met by its heel. */
    @Test
    void heelToeAndScrapeOfAStepAreOneEvent() {
        float[] sound = silence(8);
        List<Double> heels = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            double at = 0.6 + 0.55 * i;
            for (int n = 0; n < RATE * 0.06; n++) {
                sound[(int) ((at - 0.08) * RATE) + n] += (float) (0.006 * random.nextGaussian());
            }
            step(sound, at, 90, 0.6, 0.5);
            step(sound, at + 0.11, 240, 1.2, 0.25);
            heels.add(at);
        }
        PcmBuffer pcm = new PcmBuffer(RATE, 1, sound);
        List<Onsets.Onset> onsets = Onsets.of(pcm, done -> true);
        List<OnsetGroups.Event> events = OnsetGroups.of(pcm, onsets, OnsetGroups.USUAL);
        assertThat(onsets.size()).isGreaterThanOrEqualTo(20);
        assertThat(events).hasSize(12);
        for (int i = 0; i < 12; i++) {
            assertThat(events.get(i).contact().seconds()).isCloseTo(heels.get(i), within(0.02));
            assertThat(events.get(i).parts()).contains(events.get(i).contact());
        }
        assertThat(OnsetGroups.of(pcm, onsets, 0)).as("fine: each alone").hasSameSizeAs(onsets);
    }

    /** A fast run, 3.4 steps a second, whose steps die away between: each stays an event of its own, in a river too. */
    @Test
    void stepsOfARunStayApart() {
        for (double river : new double[] {0, 0.004}) {
            float[] sound = silence(6);
            river(sound, river);
            for (int i = 0; i < 16; i++) {
                step(sound, 0.5 + 0.294 * i, 120, 0.8, 0.5);
            }
            PcmBuffer pcm = new PcmBuffer(RATE, 1, sound);
            // The river itself sets in with the first sample.
            assertThat(OnsetGroups.of(pcm, Onsets.of(pcm, done -> true), OnsetGroups.USUAL).stream()
                            .filter(event -> event.contact().seconds() > 0.3))
                    .hasSize(16);
        }
    }

    @Test
    void silenceHasNoEvents() {
        PcmBuffer pcm = new PcmBuffer(RATE, 1, silence(1));
        assertThat(OnsetGroups.of(pcm, Onsets.of(pcm, done -> true), OnsetGroups.USUAL))
                .isEmpty();
    }

    /** A clink that rings on for a second, and a thud as strong a quarter of a second later: two events. */
    @Test
    void anImpactWithinTheRingOfAnotherIsAnEventOfItsOwn() {
        float[] sound = silence(3);
        for (int i = 0; i < RATE * 2; i++) {
            double t = i / (double) RATE;
            sound[RATE / 2 + i] += (float) (0.3 * Math.sin(2 * Math.PI * 2400 * t) * Math.exp(-t * 1.5));
        }
        step(sound, 0.75, 90, 1.2, 0.6);
        PcmBuffer pcm = new PcmBuffer(RATE, 1, sound);
        assertThat(OnsetGroups.of(pcm, Onsets.of(pcm, done -> true), OnsetGroups.USUAL))
                .hasSize(2)
                .satisfiesOnlyOnce(
                        event -> assertThat(event.contact().seconds()).isCloseTo(0.75, within(0.02)));
    }
}
