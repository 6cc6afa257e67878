package chalktrace.core.speech;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthRules;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

/** The rules are common practice among animators; see {@link PhoneMouths}. */
class PhoneMouthsTest {

    private static final int FRAMES = 72;

    /** Phones one after the other from a time on, each so many seconds long. */
    private static Word said(double start, double each, String... symbols) {
        List<Phone> phones = new ArrayList<>();
        for (int i = 0; i < symbols.length; i++) {
            phones.add(new Phone(symbols[i], start + i * each, start + (i + 1) * each));
        }
        return new Word("word-" + start, "x", start, start + symbols.length * each).withPhones(phones);
    }

    private static List<MouthSpan> mouths(MouthRules rules, FrameRate rate, Word... words) {
        return PhoneMouths.of(List.of(words), MouthChart.TEN, rules, rate, FRAMES);
    }

    private static List<MouthSpan> mouths(Word... words) {
        return mouths(MouthRules.STANDARD, FrameRate.FILM, words);
    }

    private static String at(List<MouthSpan> spans, int frame) {
        return spans.stream()
                .filter(span -> span.range().contains(frame))
                .findFirst()
                .orElseThrow()
                .shape();
    }

    private static List<MouthSpan> of(List<MouthSpan> spans, String shape) {
        return spans.stream().filter(span -> span.shape().equals(shape)).toList();
    }

    @Test
    void closedLipsShowForTwoFramesAtTwentyFourAndOneAtTwelveHoweverShortTheyAre() {
        Word map = said(1, 0.03, "AH", "M", "AE", "P", "S");
        assertThat(of(mouths(map), MouthChart.CLOSED))
                .hasSize(2)
                .allMatch(span -> span.range().frames() >= 2);
        assertThat(of(mouths(MouthRules.STANDARD, FrameRate.of(12), map), MouthChart.CLOSED))
                .isNotEmpty()
                .allMatch(span -> span.range().frames() >= 1);
    }

    @Property
    void everyLipSoundIsSeenInWhateverCompany(@ForAll("rows") List<String> phones, @ForAll("rates") FrameRate rate) {
        Word word = said(0.5, 0.045, phones.toArray(String[]::new));
        List<MouthSpan> spans =
                PhoneMouths.of(List.of(word), MouthChart.TEN, MouthRules.STANDARD, rate, rate.nearestFrame(4));
        long runs = IntStream.range(0, phones.size())
                .filter(i -> lips(phones.get(i)) && (i == 0 || !same(phones.get(i), phones.get(i - 1))))
                .count();
        long seen = spans.stream()
                .filter(span ->
                        span.shape().equals(MouthChart.CLOSED) || span.shape().equals(MouthChart.LIP_BITE))
                .peek(span -> assertThat(rate.seconds(span.range().frames())).isGreaterThan(0.075))
                .count();
        assertThat(seen).isEqualTo(runs);
    }

    @Provide
    Arbitrary<List<String>> rows() {
        return Arbitraries.of(Phone.SYMBOLS).list().ofMinSize(1).ofMaxSize(20);
    }

    @Provide
    Arbitrary<FrameRate> rates() {
        return Arbitraries.of(FrameRate.of(12), FrameRate.FILM, FrameRate.of(25), FrameRate.NTSC);
    }

    private static boolean lips(String phone) {
        return MouthChart.TEN.mouthOf(phone).leastMillis() > 0;
    }

    private static boolean same(String a, String b) {
        return MouthChart.TEN.mouthOf(a).equals(MouthChart.TEN.mouthOf(b));
    }

    @Test
    void aMouthIsSeenAFrameBeforeItsSound() {
        List<MouthSpan> spans = mouths(said(1, 0.25, "AA"));
        assertThat(of(spans, MouthChart.OPEN).get(0).range().start()).isEqualTo(23);
        MouthRules without = new MouthRules(0, 83, 160, 120, 1, true);
        assertThat(of(mouths(without, FrameRate.FILM, said(1, 0.25, "AA")), MouthChart.OPEN)
                        .get(0)
                        .range()
                        .start())
                .isEqualTo(24);
    }

    @Property(tries = 200)
    void whatIsSaidAfterALongPauseChangesNothingBefore(
            @ForAll("rows") List<String> first, @ForAll("rows") List<String> second) {
        Word before = said(0.3, 0.045, first.toArray(String[]::new));
        Word after = said(2.1, 0.045, second.toArray(String[]::new));
        List<MouthSpan> alone = mouths(before);
        List<MouthSpan> both = mouths(before, after);
        for (int frame = 0; frame < 36; frame++) {
            assertThat(at(both, frame)).isEqualTo(at(alone, frame));
        }
    }

    @Test
    void nothingFlutters() {
        List<MouthSpan> spans = mouths(said(1, 0.04, "S", "IY", "T", "AA", "L", "EH", "K", "AO", "D", "AE"));
        assertThat(spans).allMatch(span -> span.range().frames() >= 2);
    }

    @Test
    void lipsRoundAheadOfARoundVowelButNotThroughClosedOnes() {
        // "stew" against "boo": the S and T of the one are already round, the B of the other is closed.
        List<MouthSpan> stew = mouths(said(1, 0.1, "T", "UW"));
        assertThat(at(stew, 24)).isEqualTo(MouthChart.PURSED);
        List<MouthSpan> boo = mouths(said(1, 0.1, "B", "UW"));
        assertThat(at(boo, 24)).isEqualTo(MouthChart.CLOSED);
    }

    @Test
    void shortPausesHoldTheMouthAndLongOnesRestIt() {
        Word oh = said(0.5, 0.25, "OW");
        List<MouthSpan> close = mouths(oh, said(0.85, 0.25, "AA"));
        assertThat(at(close, 18)).isEqualTo(MouthChart.ROUND);
        List<MouthSpan> apart = mouths(oh, said(1.5, 0.25, "AA"));
        assertThat(at(apart, 26)).isEqualTo(MouthChart.REST);
        assertThat(at(apart, 0)).isEqualTo(MouthChart.REST);
        assertThat(at(apart, FRAMES - 1)).isEqualTo(MouthChart.REST);
    }

    @Test
    void mouthsOnTwosChangeOnEverySecondFrame() {
        MouthRules twos = new MouthRules(42, 83, 160, 120, 2, true);
        List<MouthSpan> spans = mouths(twos, FrameRate.FILM, said(1, 0.11, "M", "AA", "S", "IY", "P", "OW"));
        assertThat(spans).allMatch(span -> span.range().start() % 2 == 0);
        assertThat(of(spans, MouthChart.CLOSED)).hasSize(2);
    }

    private static Word heard(Word word, double decibels) {
        return word.withPhones(word.phones().stream()
                .map(phone -> phone.withDecibels(decibels))
                .toList());
    }

    @Test
    void faintVowelsHardlyOpenTheMouth() {
        Word loud = heard(said(0.5, 0.2, "AA"), -10);
        Word faint = heard(said(1.2, 0.2, "AA"), -30);
        Word loudToo = heard(said(2, 0.2, "AE"), -10);
        List<MouthSpan> spans = mouths(loud, faint, loudToo);
        assertThat(at(spans, 14)).isEqualTo(MouthChart.OPEN);
        assertThat(at(spans, 30)).isEqualTo(MouthChart.HALF);
    }

    @Test
    void aChartInWhichAPhoneHasTwoMouthsOrNoneIsRefusedByName() {
        List<MouthChart.Mouth> mouths = new ArrayList<>(MouthChart.TEN.mouths());
        mouths.set(5, new MouthChart.Mouth("half", "UH", List.of(), 3, 0));
        assertThatThrownBy(() -> new MouthChart("mine", mouths)).hasMessageContaining("AH");
        mouths.set(5, new MouthChart.Mouth("half", "UH", List.of("AH", "M"), 3, 0));
        assertThatThrownBy(() -> new MouthChart("mine", mouths)).hasMessageContaining("M has two mouths");
        assertThatThrownBy(() -> new MouthChart.Mouth("half", "UH", List.of("XX"), 3, 0))
                .hasMessageContaining("XX");
    }

    @Test
    void aWordWithoutKnownPhonesIsSpelledOut() {
        assertThat(of(mouths(new Word("word-1", "bob", 1, 1.6)), MouthChart.CLOSED))
                .hasSize(2);
        assertThat(mouths(new Word("word-1", "\u2026!", 0, 0.5))).isNotEmpty();
        assertThat(mouths()).isEmpty();
    }
}
