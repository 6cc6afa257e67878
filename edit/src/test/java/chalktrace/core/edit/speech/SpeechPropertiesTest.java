package chalktrace.core.edit.speech;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.timing.OntoTwos;
import chalktrace.core.edit.timing.RateEdits;
import chalktrace.core.edit.timing.ShotTimingEdits;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Speaker;
import chalktrace.core.shot.Word;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** Whatever is done in whatever order, what the mouth levels show is what the mouths are, for each who speaks. */
class SpeechPropertiesTest {

    @Provide
    static Arbitrary<List<Edit>> edits() {
        Arbitrary<Double> seconds = Arbitraries.integers().between(0, 40).map(n -> n / 25.0);
        Arbitrary<String> words = Arbitraries.of("map", "bob", "kettle", "of", "you", "fee");
        Arbitrary<String> names = Arbitraries.of("", "Ada", "Bo");
        Arbitrary<String> shapes = Arbitraries.of(MouthChart.ROUND, MouthChart.CLOSED, MouthChart.WIDE);
        Arbitrary<Integer> frames = Arbitraries.integers().between(0, 40);
        Arbitrary<Boolean> flags = Arbitraries.of(true, false);
        Arbitrary<Edit> add = Combinators.combine(words, seconds, names)
                .as((text, at, name) -> new Edit("add", shot -> SpeechEdits.addWord(
                                new Word(shot.newId("word"), text, at, at + 0.3).withSpeaker(name))
                        .change()
                        .apply(shot)));
        Arbitrary<Edit> move = Combinators.combine(seconds, seconds)
                .as((at, length) ->
                        SpeechEdits.changeWord("move", "word-1", word -> word.withTimes(at, at + 0.1 + length / 4)));
        Arbitrary<Edit> hand = Combinators.combine(frames, shapes)
                .as((at, shape) -> SpeechEdits.setMouth(FrameRange.of(at, 3), shape));
        Arbitrary<Edit> insert = Combinators.combine(frames, flags)
                .as((at, sound) -> ShotTimingEdits.insertFrames(at, 3, new ShotTimingEdits.Along(sound, true)));
        Arbitrary<Edit> remove = Combinators.combine(frames, flags)
                .as((at, sound) ->
                        ShotTimingEdits.removeFrames(FrameRange.of(at, 2), new ShotTimingEdits.Along(sound, true)));
        Arbitrary<Edit> rate = Combinators.combine(Arbitraries.of(12, 24, 25), flags)
                .as((fps, keeps) ->
                        keeps ? RateEdits.keepSeconds(FrameRate.of(fps)) : RateEdits.keepFrames(FrameRate.of(fps)));
        return Arbitraries.oneOf(
                        add,
                        add,
                        move,
                        hand,
                        insert,
                        remove,
                        rate,
                        names.map(SpeechEdits::speaker),
                        frames.map(at -> SpeechEdits.releaseMouths(FrameRange.of(at, 6))),
                        frames.map(x -> MouthLevels.make(new MouthPlace(60 + x, 80, 20, true))),
                        flags.map(six -> SpeechEdits.rules(
                                "chart", speech -> speech.withChart(six ? MouthChart.SIX : MouthChart.TEN))),
                        frames.map(at -> OntoTwos.apply(OntoTwos.proposal(List.of(at), 2), true)))
                .list()
                .ofMaxSize(14);
    }

    private static Shot after(Shot shot, Edit edit) {
        try {
            return edit.change().apply(shot);
        } catch (IllegalArgumentException refused) {
            // Said to the person, and nothing is changed.
            return shot;
        }
    }

    @Property(tries = 1500)
    void levelsShowTheMouthsOfEachWhoSpeaks(@ForAll("edits") List<Edit> edits) {
        Shot shot = Shots.empty();
        for (Edit edit : edits) {
            shot = after(shot, edit);
            for (Speaker speaker : shot.speech().speakers()) {
                inOrder(speaker.mouths());
            }
            for (Speaker speaker : shot.speech().speakers()) {
                Shot turned = speaker.equals(shot.speech().speaker()) ? shot : MouthLevels.turnedTo(shot, speaker);
                if (MouthLevels.find(turned).isPresent()) {
                    assertThat(perFrame(turned, MouthLevels.seen(turned)))
                            .as(
                                    "after %s, of \"%s\"",
                                    edits.stream().map(Edit::name).toList(), speaker.name())
                            .isEqualTo(perFrame(turned, turned.mouths()));
                }
            }
        }
    }

    private static void inOrder(List<MouthSpan> mouths) {
        for (int i = 1; i < mouths.size(); i++) {
            assertThat(mouths.get(i).range().start())
                    .isGreaterThanOrEqualTo(mouths.get(i - 1).range().end());
        }
    }

    private static List<String> perFrame(Shot shot, List<MouthSpan> mouths) {
        return IntStream.range(0, shot.setup().length())
                .mapToObj(f -> mouths.stream()
                        .filter(span -> span.range().contains(f))
                        .findFirst()
                        .map(span -> span.shape() + (span.byHand() ? " by hand" : ""))
                        .orElse(""))
                .toList();
    }
}
