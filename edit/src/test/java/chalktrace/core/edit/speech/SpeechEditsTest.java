package chalktrace.core.edit.speech;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class SpeechEditsTest {

    /** "kettle" as CMUdict 0.7b has it, each phone of a tenth of a second. */
    private static Word kettle() {
        return new Word("word-1", "kettle", 0.5, 0.9)
                .withSpeaker("Ada")
                .withPhones(List.of(
                        new Phone("K", 0.5, 0.6),
                        new Phone("EH", 0.6, 0.7),
                        new Phone("T", 0.7, 0.8),
                        new Phone("L", 0.8, 0.9)));
    }

    private static Shot after(Edit... edits) {
        return AfterEdits.after(AfterEdits.after(Shots.empty(), SpeechEdits.addWord(kettle())), edits);
    }

    private static List<String> symbols(Word word) {
        return word.phones().stream().map(Phone::symbol).toList();
    }

    @Test
    void aWordCutInTwoSharesItsPhonesOutAndJoinsAgain() {
        Shot cut = after(SpeechEdits.splitWord("word-1", 0.7));
        assertThat(cut.words()).extracting(Word::text).containsExactly("ket", "tle");
        assertThat(symbols(cut.words().get(0))).containsExactly("K", "EH");
        assertThat(symbols(cut.words().get(1))).containsExactly("T", "L");
        assertThat(cut.words()).extracting(Word::speaker).containsExactly("Ada", "Ada");
        Word joined = SpeechEdits.joinWord("word-1").change().apply(cut).words().get(0);
        assertThat(joined.withText("kettle").withPhones(kettle().phones())).isEqualTo(kettle());
        assertThat(joined.phones()).isEqualTo(kettle().phones());
    }

    @Test
    void lettersAreSharedOutAsTheTimeIsAndEachHalfHasOne() {
        for (String[] cut : new String[][] {
            {"0.58", "k", "ettle"}, {"0.62", "ke", "ttle"}, {"0.88", "kettl", "e"}, {"0.52", "k", "ettle"}
        }) {
            Shot shot = after(SpeechEdits.splitWord("word-1", Double.parseDouble(cut[0])));
            assertThat(shot.words())
                    .extracting(Word::text)
                    .as("at %s s", cut[0])
                    .containsExactly(cut[1], cut[2]);
            assertThat(shot.words().get(0).endSeconds()).isEqualTo(Double.parseDouble(cut[0]));
            assertThat(shot.words().get(1).startSeconds()).isEqualTo(Double.parseDouble(cut[0]));
        }
        Shot letter = after(SpeechEdits.addWord(new Word("word-2", "a", 1, 1.4)), SpeechEdits.splitWord("word-2", 1.2));
        assertThat(letter.words()).extracting(Word::text).containsExactly("kettle", "a", "a");
        assertThat(letter.words()).extracting(Word::id).doesNotHaveDuplicates();
        assertThat(after(SpeechEdits.splitWord("word-9", 0.7)).words()).containsExactly(kettle());
    }

    @Test
    void aWordIsNotCutOutsideOfItself() {
        assertThat(after(SpeechEdits.splitWord("word-1", 1.2)).words()).containsExactly(kettle());
    }

    @Test
    void aWordDraggedOverItsNeighbourShortensItAndSwallowsWhatItCovers() {
        Shot shot = after(
                SpeechEdits.addWord(new Word("word-2", "on", 0.9, 1.0)),
                SpeechEdits.addWord(new Word("word-3", "fire", 1.0, 1.4)),
                SpeechEdits.changeWord("move", "word-1", word -> word.withTimes(0.8, 1.2)));
        assertThat(shot.words()).extracting(Word::text).containsExactly("kettle", "fire");
        assertThat(shot.words().get(1).startSeconds()).isEqualTo(1.2);
        assertThat(shot.words().get(1).endSeconds()).isEqualTo(1.4);
    }

    @Test
    void aWordThatIsRemovedTakesItsMouthsAlongAndLeavesItsNeighbourWhole() {
        Shot two = after(SpeechEdits.addWord(new Word("word-2", "map", 0.9, 1.2)
                .withPhones(List.of(new Phone("M", 0.9, 1.0), new Phone("AE", 1.0, 1.1), new Phone("P", 1.1, 1.2)))));
        Shot without = AfterEdits.after(two, SpeechEdits.removeWord("word-1"));
        assertThat(without.words()).containsExactly(two.words().get(1));
        assertThat(without.mouths())
                .isNotEmpty()
                .allSatisfy(span -> assertThat(span.range().end()).isGreaterThan(18));
        assertThat(AfterEdits.after(two, SpeechEdits.removeWord("nobody")).words())
                .isEqualTo(two.words());
    }

    @Test
    void howAWordIsSaidCountsForAllThatAreWrittenSoAndAsItWasSaidLast() {
        Shot shot = after(
                SpeechEdits.addWord(new Word("word-2", "Kettle", 1.0, 1.4)),
                SpeechEdits.addWord(new Word("word-3", "on", 1.5, 1.7)),
                SpeechEdits.say("kettle", List.of("K", "AH")),
                SpeechEdits.say("KETTLE", List.of("K", "IY")));
        assertThat(symbols(shot.words().get(0))).containsExactly("K", "IY");
        assertThat(symbols(shot.words().get(1))).containsExactly("K", "IY");
        assertThat(shot.words().get(1).phones().get(1).endSeconds()).isCloseTo(1.4, within(1e-9));
        assertThat(symbols(shot.words().get(2))).doesNotContain("IY");
        assertThat(shot.speech().sayings()).hasSize(1);
        Shot script = AfterEdits.after(shot, SpeechEdits.script("Kettle on."));
        assertThat(script.speech().script()).isEqualTo("Kettle on.");
        assertThat(script.words()).isEqualTo(shot.words());
    }

    @Test
    void aPhoneIsTypedAsSeveralThatShareItsTime() {
        Word word =
                after(PhoneEdits.type("word-1", 3, List.of("AH", "L"))).words().get(0);
        assertThat(symbols(word)).containsExactly("K", "EH", "T", "AH", "L");
        assertThat(word.phones().get(3).endSeconds()).isCloseTo(0.85, within(1e-9));
        assertThat(word.phones().get(4).endSeconds()).isCloseTo(0.9, within(1e-9));
    }

    @Test
    void aPhoneThatGoesLeavesItsTimeToANeighbour() {
        Word first = after(PhoneEdits.type("word-1", 0, List.of())).words().get(0);
        assertThat(symbols(first)).containsExactly("EH", "T", "L");
        assertThat(first.phones().get(0).startSeconds()).isEqualTo(0.5);
        Word third = after(PhoneEdits.type("word-1", 2, List.of())).words().get(0);
        assertThat(symbols(third)).containsExactly("K", "EH", "L");
        assertThat(third.phones().get(1).endSeconds()).isEqualTo(0.8);
    }

    @Property
    void aPhonesStartStaysBetweenItsNeighbours(
            @ForAll @IntRange(min = 1, max = 3) int index, @ForAll @DoubleRange(min = -5, max = 5) double by) {
        Word word = after(PhoneEdits.moveStart("word-1", index, by)).words().get(0);
        assertThat(symbols(word)).isEqualTo(symbols(kettle()));
        double at = 0.5;
        for (Phone phone : word.phones()) {
            assertThat(phone.startSeconds()).isCloseTo(at, within(1e-9));
            assertThat(phone.endSeconds()).isGreaterThan(phone.startSeconds());
            at = phone.endSeconds();
        }
        assertThat(at).isCloseTo(0.9, within(1e-9));
    }

    @Test
    void typedPhonesChangeTheMouthsOfEveryWordThatIsWrittenSo() {
        Shot shot = after(
                SpeechEdits.addWord(new Word("word-2", "Kettle!", 1.2, 1.6)),
                SpeechEdits.say("kettle", List.of("M", "AA", "M")));
        assertThat(shot.words()).allMatch(word -> symbols(word).equals(List.of("M", "AA", "M")));
        assertThat(shot.mouths().stream().filter(span -> span.shape().equals(MouthChart.CLOSED)))
                .hasSize(4);
    }

    @Test
    void mouthsSetByHandOutliveAChangeOfWordsUntilTheyAreGivenBack() {
        Shot shot = after(
                SpeechEdits.setMouth(FrameRange.of(14, 3), MouthChart.ROUND),
                SpeechEdits.changeWord("rename", "word-1", word -> word.withText("fee")));
        assertThat(shot.mouthAt(15)).map(MouthSpan::shape).hasValue(MouthChart.ROUND);
        Shot given = SpeechEdits.releaseMouths(FrameRange.of(14, 3)).change().apply(shot);
        assertThat(given.mouths()).noneMatch(MouthSpan::byHand);
        assertThat(given.mouthAt(15)).map(MouthSpan::shape).isNotEqualTo(Optional.of(MouthChart.ROUND));
    }

    @Test
    void mouthsFromATableStandWhereTheyStoodInIt() {
        List<MouthSpan> mouths = List.of(new MouthSpan(new FrameRange(3, 9), MouthChart.ROUND, true));
        Shot shot = after(SpeechEdits.takeIn(List.of(new Word("word-1", "map", 1, 1.5)), mouths));
        assertThat(shot.words()).extracting(Word::text).containsExactly("map");
        assertThat(shot.mouths()).isEqualTo(mouths);
    }

    @Test
    void aligningReplacesTheWordsOfItsStretchButNoPinnedOnes() {
        Shot shot = Shots.empty()
                .withWords(List.of(
                        new Word("word-1", "old", 0.2, 0.4),
                        new Word("word-2", "aha", 0.5, 0.7).withPinned(true),
                        new Word("word-3", "later", 3, 3.4)));
        List<Word> found = List.of(new Word("word-1", "now", 0.1, 0.3), new Word("word-2", "hot", 0.6, 0.9));
        Shot aligned = AlignEdits.place(found, 0, 2).change().apply(shot);
        assertThat(aligned.words()).extracting(Word::text).containsExactly("now", "aha", "later");
    }
}
