package chalktrace.core.edit.mouth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.between.PartMotion;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.render.MouthLayer;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Speaker;
import chalktrace.core.shot.Word;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class MouthLevelsTest {

    private static final MouthPlace PLACE = new MouthPlace(400, 300, 60, true);

    private static Shot speaking() {
        Word map = new Word("word-1", "map", 0.5, 1.1);
        return AfterEdits.after(Shots.empty(), SpeechEdits.addWord(map), MouthLevels.make(PLACE));
    }

    private static Level level(Shot shot) {
        return MouthLevels.find(shot).orElseThrow();
    }

    private static String seenAt(Shot shot, int frame) {
        return MouthLevels.seen(shot).stream()
                .filter(span -> span.range().contains(frame))
                .findFirst()
                .map(MouthSpan::shape)
                .orElse("");
    }

    @Test
    void theLevelShowsTheMouthsAndHasThemFromThreeSides() {
        Shot shot = speaking();
        assertThat(level(shot).drawings()).hasSize(30);
        assertThat(MouthLevels.seen(shot)).isEqualTo(shot.mouths());
        int closed = MouthChart.TEN.drawing(MouthChart.CLOSED, MouthChart.Side.FRONT);
        assertThat(level(shot).exposures().showing(closed)).hasSize(2);
    }

    @Test
    void whatIsChangedOnTheLevelStaysWhenTheWordsAreSetAnew() {
        Shot shot = speaking();
        int round = MouthChart.TEN.drawing(MouthChart.ROUND, MouthChart.Side.FRONT);
        Shot edited = shot.withLevel(level(shot).id(), l -> l.with(l.exposures().with(Exposure.of(2, 3, round))));
        Shot again = AfterEdits.after(edited, SpeechEdits.changeWord("move", "word-1", w -> w.withTimes(0.6, 1.2)));
        assertThat(seenAt(again, 3)).isEqualTo(MouthChart.ROUND);
        assertThat(again.mouthAt(3)).matches(span -> span.orElseThrow().byHand());
        assertThat(MouthLevels.seen(again)).isEqualTo(again.mouths());
    }

    @Test
    void aDrawingOfTheArtistsOwnIsKeptToo() {
        Shot shot = speaking();
        Shot edited = shot.withLevel(level(shot).id(), l -> l.with(Drawing.empty(31))
                .with(l.exposures().with(Exposure.of(2, 3, 31))));
        Shot again = AfterEdits.after(edited, SpeechEdits.changeWord("move", "word-1", w -> w.withTimes(0.6, 1.2)));
        assertThat(level(again).exposures().at(3).map(Exposure::drawing)).hasValue(31);
        assertThat(again.mouthAt(3)).hasValue(new MouthSpan(FrameRange.of(2, 3), "", 31, true));
    }

    @Test
    void mouthsAreSeenFromAnotherSideAndFollowAHead() {
        Shot shot = AfterEdits.after(speaking(), MouthLevels.turn(FrameRange.of(12, 60), MouthChart.Side.SIDE));
        assertThat(level(shot).exposures().at(14).orElseThrow().drawing()).isGreaterThan(20);
        List<Placement> way = IntStream.range(0, shot.setup().length())
                .mapToObj(f -> Placement.AS_IS.withPosition(f, 0))
                .toList();
        Shot moved = AfterEdits.after(
                shot, MouthLevels.follow(way), SpeechEdits.changeWord("move", "word-1", w -> w.withTimes(0.6, 1.2)));
        assertThat(level(moved).exposures().at(20).map(run -> run.placement().x()))
                .hasValue(20.0);
        assertThat(level(moved).exposures().at(20).orElseThrow().drawing()).isGreaterThan(20);
    }

    @Test
    void anotherChartGetsALevelOfItsOwnAndNothingIsLost() {
        Shot shot = AfterEdits.after(speaking(), SpeechEdits.rules("six", speech -> speech.withChart(MouthChart.SIX)));
        assertThat(level(shot).drawings()).hasSize(18);
        assertThat(shot.levels()).extracting(Level::name).contains("mouths, before");
        assertThat(MouthLevels.seen(shot)).isEqualTo(shot.mouths());
    }

    @Test
    void aDrawnHeadThatTurnsAndGrowsIsFollowed() {
        Stroke ear = Strokes.line(0, 0, 100, 0);
        Stroke nose = Strokes.line(0, 0, 30, 60);
        AffineTransform move = AffineTransform.getTranslateInstance(50, 20);
        move.rotate(Math.toRadians(30));
        move.scale(1.5, 1.5);
        List<Stroke> moved = Stream.of(ear, nose)
                .map(stroke -> stroke.withCurve(stroke.curve().transformed(move)))
                .toList();
        Level head = new Level(
                "level-1",
                "head",
                true,
                false,
                1,
                LevelStyle.ROUGH,
                List.of(new Drawing(1, List.of(ear, nose)), new Drawing(2, moved)),
                Exposures.of(Exposure.of(0, 5, 1), Exposure.of(5, 5, 2)));
        List<Placement> way = PartMotion.follow(head, "", 0, 10, 960, 540).orElseThrow();
        assertThat(way.get(2).transform(960, 540).transform(new Point2D.Double(30, 60), null))
                .matches(p -> p.distance(30, 60) < 0.5);
        Point2D expected = move.transform(new Point2D.Double(30, 60), null);
        assertThat(way.get(7).transform(960, 540).transform(new Point2D.Double(30, 60), null))
                .matches(p -> p.distance(expected) < 0.5);
        assertThat(way.get(7).degrees()).isCloseTo(30, within(0.1));
    }

    @Test
    void mouthsThatFollowAHeadGoOnFollowingWhenTheyArePutElsewhere() {
        List<Placement> way = IntStream.range(0, 48)
                .mapToObj(f -> new Placement(f, 0, 1, f * 2, 1))
                .toList();
        Shot following = AfterEdits.after(speaking(), MouthLevels.follow(way));
        Placement lower = new Placement(0, 12, 1.5, 0, 1);
        Shot put = AfterEdits.after(following, MouthLevels.place(FrameRange.of(10, 20), lower));
        for (int f = 0; f < 48; f++) {
            Placement wanted = f >= 10 && f < 30 ? lower.then(way.get(f)) : way.get(f);
            assertThat(MouthLevels.placementAt(put, f)).isEqualTo(wanted);
        }
        assertThat(MouthLevels.seen(put)).isEqualTo(MouthLevels.seen(following));
    }

    @Test
    void paintedMouthsArePutWhereTheyAreDragged() {
        Shot shot = AfterEdits.after(Shots.empty(), SpeechEdits.placeMouths(PLACE));
        Shot put = AfterEdits.after(shot, MouthLevels.place(shot.setup().frames(), new Placement(30, -20, 1, 0, 1)));
        assertThat(put.mouthPlace()).hasValue(new MouthPlace(430, 280, 60, true));
    }

    /** Two who speak in turn, both with mouth levels; the first is worked on. */
    private static Shot inTurn() {
        Word map = new Word("word-1", "map", 0.25, 0.75).withSpeaker("Ada");
        Word bob = new Word("word-2", "bob", 1.0, 1.5).withSpeaker("Bo");
        return AfterEdits.after(
                Shots.empty(),
                SpeechEdits.addWord(map),
                SpeechEdits.addWord(bob),
                MouthLevels.make(PLACE),
                SpeechEdits.speaker("Ada"),
                SpeechEdits.speaker("Bo"),
                MouthLevels.make(new MouthPlace(700, 300, 60, true)),
                SpeechEdits.speaker("Ada"));
    }

    private static boolean moves(Shot shot, double fromSeconds, double toSeconds) {
        return MouthLevels.seen(shot).stream()
                .anyMatch(span -> !span.shape().equals(MouthChart.REST)
                        && span.range().start() >= fromSeconds * 24
                        && span.range().end() <= toSeconds * 24);
    }

    @Test
    void eachWhoSpeaksHasMouthsThatMoveWithTheirWordsAlone() {
        Shot ada = inTurn();
        assertThat(level(ada).name()).isEqualTo("mouths");
        assertThat(moves(ada, 0, 0.9)).isTrue();
        assertThat(moves(ada, 0.9, 2)).isFalse();
        Shot bo = AfterEdits.after(ada, SpeechEdits.speaker("Bo"));
        assertThat(level(bo).name()).isEqualTo("mouths of Bo");
        assertThat(moves(bo, 0, 0.8)).isFalse();
        assertThat(moves(bo, 0.8, 2)).isTrue();
    }

    @Test
    void paintedMouthsOfAllWhoSpeakAreSeen() {
        Shot shot = AfterEdits.after(
                Shots.empty(),
                SpeechEdits.addWord(new Word("word-1", "map", 0.25, 0.75).withSpeaker("Ada")),
                SpeechEdits.addWord(new Word("word-2", "bob", 1.0, 1.5).withSpeaker("Bo")),
                SpeechEdits.placeMouths(PLACE),
                SpeechEdits.speaker("Ada"),
                SpeechEdits.speaker("Bo"),
                SpeechEdits.placeMouths(new MouthPlace(700, 300, 60, true)));
        assertThat(mouthsSeen(shot, 8)).isEqualTo(2);
        Shot hidden = AfterEdits.after(shot, SpeechEdits.placeMouths(new MouthPlace(700, 300, 60, false)));
        assertThat(mouthsSeen(hidden, 8)).isEqualTo(1);
    }

    private static long mouthsSeen(Shot shot, int frame) {
        SceneOptions options = new SceneOptions(true, Optional.empty(), Optional.empty(), Optional.empty());
        return Scenes.of(shot, frame, options, (footage, at) -> Optional.empty()).layers().stream()
                .filter(MouthLayer.class::isInstance)
                .count();
    }

    @Test
    void aMovedWordMovesTheMouthsOfTheOneWhoSaysItAndLeavesHandsEditsOfBoth() {
        Shot shot = AfterEdits.after(
                inTurn(),
                SpeechEdits.setMouth(FrameRange.of(40, 4), MouthChart.ROUND),
                SpeechEdits.speaker("Bo"),
                SpeechEdits.setMouth(FrameRange.of(2, 4), MouthChart.WIDE),
                SpeechEdits.speaker("Ada"));
        Shot moved =
                AfterEdits.after(shot, SpeechEdits.changeWord("move", "word-2", word -> word.withTimes(1.25, 1.75)));
        assertThat(level(moved).exposures()).isEqualTo(level(shot).exposures());
        assertThat(seenAt(moved, 41)).isEqualTo(MouthChart.ROUND);
        Shot bo = AfterEdits.after(moved, SpeechEdits.speaker("Bo"));
        assertThat(seenAt(bo, 3)).isEqualTo(MouthChart.WIDE);
        assertThat(moves(bo, 0.8, 1.15)).isFalse();
        assertThat(moves(bo, 1.15, 2)).isTrue();
        assertThat(bo.speech().others()).extracting(Speaker::name).containsExactly("Ada");
    }
}
