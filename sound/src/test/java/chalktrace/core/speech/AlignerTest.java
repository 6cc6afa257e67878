package chalktrace.core.speech;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.testing.SpokenLines;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class AlignerTest {

    private static final double FRAME = 1 / 24.0;
    private static final Pronunciations DICTIONARY = new Pronunciations(List.of());

    private static Alignment align(PcmBuffer sound, List<String> words, Aligner.Pin... pins) {
        return Aligner.align(sound, 0, sound.seconds(), words, List.of(pins), DICTIONARY, done -> true);
    }

    @ParameterizedTest
    @ValueSource(strings = {"line1-kal", "line3-slt"})
    void wordsStartWithinAFrameOfTheirTrueTimes(String line) {
        List<SpokenLines.Said> truth = SpokenLines.words(line);
        Alignment found = align(SpokenLines.sound(line), SpokenLines.script(line));
        assertThat(found.words()).hasSameSizeAs(truth);
        List<Double> errors = IntStream.range(0, truth.size())
                .mapToObj(i -> Math.abs(
                        found.words().get(i).startSeconds() - truth.get(i).startSeconds()))
                .sorted()
                .toList();
        assertThat(errors.get(errors.size() / 2)).as("the middle error").isLessThan(0.015);
        assertThat(errors.stream().filter(error -> error < FRAME).count())
                .isGreaterThanOrEqualTo(Math.round(0.95 * truth.size()));
        assertThat(found.fits()).isTrue();
        assertThat(found.extra()).isEmpty();
    }

    @Test
    void wordsThatAreNotSaidAreFoundOutAndTheOthersKeepTheirPlaces() {
        List<String> script = new ArrayList<>(SpokenLines.script("line3-slt"));
        List<SpokenLines.Said> truth = SpokenLines.words("line3-slt");
        int map = script.indexOf("map");
        script.add(map, "crocodile");
        Alignment found = align(SpokenLines.sound("line3-slt"), script);
        assertThat(found.words().get(map).heard()).isFalse();
        assertThat(found.words().get(map + 2).startSeconds())
                .isCloseTo(truth.get(map + 1).startSeconds(), within(FRAME));
    }

    @Test
    void speechThatTheScriptDoesNotHaveIsFoundOut() {
        List<String> script = new ArrayList<>(SpokenLines.script("line3-slt"));
        List<SpokenLines.Said> truth = SpokenLines.words("line3-slt");
        // "Put the box [under the bench] please."
        script.subList(3, 6).clear();
        Alignment found = align(SpokenLines.sound("line3-slt"), script);
        assertThat(found.extra()).hasSize(1);
        assertThat(found.extra().get(0).startSeconds()).isCloseTo(truth.get(3).startSeconds(), within(0.15));
        assertThat(found.extra().get(0).endSeconds()).isCloseTo(truth.get(5).endSeconds(), within(0.15));
        assertThat(found.words()).allMatch(AlignedWord::heard);
    }

    @Test
    void wordsThatAreSaidAgainAreToldFromWordsThatAreMadeUp() {
        // "Put the box, put the box under the bench ...": the first words of the recording stand in it twice.
        PcmBuffer once = SpokenLines.sound("line3-slt");
        int upTo = (int) (SpokenLines.words("line3-slt").get(2).endSeconds() * once.sampleRate());
        float[] twice = new float[upTo + once.length()];
        for (int i = 0; i < twice.length; i++) {
            twice[i] = once.at(i < upTo ? i : i - upTo, 0);
        }
        Alignment found = align(new PcmBuffer(once.sampleRate(), 1, twice), SpokenLines.script("line3-slt"));
        assertThat(found.words()).allMatch(AlignedWord::heard);
        assertThat(found.extra()).anyMatch(extra -> extra.endSeconds() - extra.startSeconds() > 0.3);
        assertThat(found.words().get(5).startSeconds())
                .isCloseTo(
                        SpokenLines.words("line3-slt").get(5).startSeconds() + upTo / (double) once.sampleRate(),
                        within(FRAME));
    }

    @Test
    void aWrongScriptIsNoticed() {
        assertThat(align(SpokenLines.sound("line3-slt"), SpokenLines.script("line1-kal"))
                        .fits())
                .isFalse();
    }

    @Test
    void anAccentIsLearntFromTheLineItself() {
        Alignment found = align(SpokenLines.sound("scottish"), SpokenLines.script("scottish"));
        assertThat(found.believed()).isTrue();
        assertThat(found.fits()).isTrue();
        assertStartInPlace(found.words(), SpokenLines.words("scottish"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"line1-kal", "line3-slt"})
    void aVoiceThatAnyScriptCouldMakeUpIsNotBelieved(String other) {
        Alignment found = align(SpokenLines.sound("scottish"), List.copyOf(SpokenLines.script(other)));
        assertThat(found.believed()).isFalse();
        assertThat(found.fits()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"scottish", "line1-kal"})
    void ofAScriptThatIsSpokenInPartTheRestIsOneGapAtEitherEnd(String line) {
        List<String> before = SpokenLines.script("line3-slt").subList(0, 12);
        List<String> after = SpokenLines.script("line3-slt").subList(12, 24);
        List<String> script = new ArrayList<>(before);
        script.addAll(SpokenLines.script(line));
        script.addAll(after);
        Alignment found = align(SpokenLines.sound(line), script);
        assertThat(found.missing())
                .extracting(row -> row.stream().map(AlignedWord::text).toList())
                .containsExactly(before, after);
        assertStartInPlace(found.words().subList(before.size(), script.size() - after.size()), SpokenLines.words(line));
        assertThat(found.fits()).isTrue();
    }

    /** Half a frame more than a frame, as a stop after a pause starts where one likes; and but for one word in ten. */
    private static void assertStartInPlace(List<AlignedWord> words, List<SpokenLines.Said> truth) {
        assertThat(words).hasSameSizeAs(truth);
        List<String> off = IntStream.range(0, truth.size())
                .filter(i -> Math.abs(words.get(i).startSeconds() - truth.get(i).startSeconds()) > 1.5 * FRAME)
                .mapToObj(i -> truth.get(i).text())
                .toList();
        assertThat(off).hasSizeLessThanOrEqualTo(truth.size() / 10);
    }

    @Test
    void aPinnedWordStaysAndTheOthersAreFoundAroundIt() {
        List<SpokenLines.Said> truth = SpokenLines.words("line1-kal");
        SpokenLines.Said looks = truth.get(7);
        Aligner.Pin pin = new Aligner.Pin(7, looks.startSeconds() + 0.05, looks.endSeconds());
        Alignment found = align(SpokenLines.sound("line1-kal"), SpokenLines.script("line1-kal"), pin);
        AlignedWord pinned = found.words().get(7);
        assertThat(pinned.startSeconds()).isEqualTo(pin.startSeconds());
        assertThat(pinned.phones().get(pinned.phones().size() - 1).endSeconds())
                .isCloseTo(pin.endSeconds(), within(1e-9));
        assertThat(found.words().get(10).startSeconds()).isCloseTo(truth.get(10).startSeconds(), within(FRAME));
    }

    @Test
    void aSilentOrTooShortRecordingIsRefusedWithAReason() {
        PcmBuffer silent = new PcmBuffer(48_000, 1, new float[96_000]);
        assertThatThrownBy(() -> align(silent, List.of("now")))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("silent");
        PcmBuffer blip = new PcmBuffer(48_000, 1, noise(9600));
        assertThatThrownBy(() -> align(blip, SpokenLines.script("line1-kal")))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("too short");
        assertThatThrownBy(() -> align(new PcmBuffer(48_000, 1, new float[0]), List.of("now")))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void itCanBeCancelled() {
        PcmBuffer sound = SpokenLines.sound("line1-kal");
        assertThatThrownBy(() -> Aligner.align(
                        sound, 0, sound.seconds(), List.of("now"), List.of(), DICTIONARY, done -> done < 0.2))
                .isInstanceOf(CancellationException.class);
    }

    private static float[] noise(int count) {
        Random random = new Random(7);
        float[] out = new float[count];
        for (int i = 0; i < count; i++) {
            out[i] = random.nextFloat() - 0.5f;
        }
        return out;
    }
}
