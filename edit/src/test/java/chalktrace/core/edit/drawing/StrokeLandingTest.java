package chalktrace.core.edit.drawing;

import static chalktrace.core.testing.Shots.LEVEL;
import static chalktrace.core.testing.Shots.level;
import static chalktrace.core.testing.Shots.showing;
import static chalktrace.core.testing.Strokes.line;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.drawing.StrokeLanding.Kind;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRange;
import java.util.List;
import org.junit.jupiter.api.Test;

class StrokeLandingTest {

    @Test
    void onAFreeFrameANewDrawingIsMadeOnTwos() {
        StrokeLanding landing = StrokeLanding.of(Shots.empty(), LEVEL, 10);
        assertThat(landing.kind()).isEqualTo(Kind.NEW_DRAWING);
        assertThat(landing.frames()).isEqualTo(FrameRange.of(10, 2));
        Shot drawn = landing.draw(line(0, 0, 50, 50)).change().apply(Shots.empty());
        assertThat(level(drawn).exposures()).isEqualTo(Exposures.of(Exposure.of(10, 2, 1)));
        assertThat(level(drawn).drawing(1)).map(Drawing::strokes).hasValue(List.of(line(0, 0, 50, 50)));
    }

    @Test
    void aNewDrawingIsShorterWhereTheNextFrameIsTakenOrTheShotEnds() {
        Shot shot = showing(Exposure.of(11, 4, 1));
        assertThat(StrokeLanding.of(shot, LEVEL, 10).frames()).isEqualTo(FrameRange.of(10, 1));
        assertThat(StrokeLanding.of(Shots.empty(), LEVEL, 47).frames()).isEqualTo(FrameRange.of(47, 1));
    }

    @Test
    void onAHeldFrameTheShownDrawingIsDrawnOnAndItsTiesAreTold() {
        Shot shot = showing(Exposure.of(4, 4, 1), Exposure.of(20, 2, 1));
        StrokeLanding landing = StrokeLanding.of(shot, LEVEL, 6);
        assertThat(landing.kind()).isEqualTo(Kind.ONTO_DRAWING);
        assertThat(landing.frames()).isEqualTo(FrameRange.of(4, 4));
        assertThat(landing.tiedAt()).containsExactly(20);
        Shot drawn = landing.draw(line(1, 1, 2, 2)).change().apply(shot);
        assertThat(level(drawn).drawingAt(21).orElseThrow().strokes()).hasSize(2);
    }

    @Test
    void aNewDrawingOnAHeldFrameEndsTheOneThatShows() {
        Shot shot = showing(Exposure.of(0, 8, 1));
        Shot made = StrokeLanding.afresh(shot, LEVEL, 4).make().change().apply(shot);
        assertThat(level(made).exposures())
                .isEqualTo(Exposures.of(Exposure.of(0, 4, 1), Exposure.of(4, 2, 2), Exposure.of(6, 2, 1)));
    }

    @Test
    void aStrokeStaysUnderThePenWhereTheDrawingIsShownMovedTurnedAndScaled() {
        Placement placement = Placement.AS_IS.withPosition(40, -10).withScale(2).withDegrees(90);
        Shot shot = showing(new Exposure(0, 4, 1, placement));
        Shot drawn = StrokeLanding.of(shot, LEVEL, 0)
                .draw(line(100, 50, 120, 70))
                .change()
                .apply(shot);
        Stroke stored = level(drawn).drawing(1).orElseThrow().strokes().get(1);
        var seen = stored.curve().transformed(placement.transform(160, 90));
        assertThat(seen.x(0)).isCloseTo(100, within(0.01));
        assertThat(seen.y(0)).isCloseTo(50, within(0.01));
        assertThat(seen.x(3)).isCloseTo(120, within(0.01));
    }

    @Test
    void lockedHiddenAndMissingLevelsTakeNoStroke() {
        Shot locked = Shots.empty().withLevel(LEVEL, l -> l.withLocked(true));
        Shot hidden = Shots.empty().withLevel(LEVEL, l -> l.withVisible(false));
        assertThat(StrokeLanding.of(locked, LEVEL, 0).kind()).isEqualTo(Kind.LOCKED);
        assertThat(StrokeLanding.of(hidden, LEVEL, 0).kind()).isEqualTo(Kind.HIDDEN);
        StrokeLanding nowhere = StrokeLanding.of(Shots.empty(), "gone", 0);
        assertThat(nowhere.canDraw()).isFalse();
        assertThat(nowhere.draw(line(0, 0, 1, 1)).change().apply(locked)).isEqualTo(locked);
    }
}
