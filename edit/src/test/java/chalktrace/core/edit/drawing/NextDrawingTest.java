package chalktrace.core.edit.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.DrawnOn;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Shots of 48 frames, from 0. */
class NextDrawingTest {

    private static NextDrawing next(Shot shot, int frame, int hold) {
        return NextDrawing.of(drawn(shot, DrawnOn.frames(hold)), Shots.LEVEL, frame)
                .orElseThrow();
    }

    private static Shot drawn(Shot shot, DrawnOn on) {
        return shot.withLevel(
                Shots.LEVEL, level -> level.withStyle(level.style().withDrawnOn(Optional.of(on))));
    }

    @Test
    void fromADrawingOneGoesToTheNextOne() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(6, 4, 2));
        assertThat(next(shot, 0, 2)).isEqualTo(new NextDrawing(NextDrawing.Kind.DRAWN, 6));
        assertThat(next(shot, 3, 2)).isEqualTo(new NextDrawing(NextDrawing.Kind.DRAWN, 6));
    }

    @Test
    void fromTheLastOneGoesToTheEndOfItsHold() {
        Shot shot = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 3, 2));
        assertThat(next(shot, 2, 2)).isEqualTo(new NextDrawing(NextDrawing.Kind.FREE, 5));
        assertThat(next(shot, 4, 2)).isEqualTo(new NextDrawing(NextDrawing.Kind.FREE, 5));
    }

    @Test
    void whereTheLastHoldsToTheEndOneGoesOnWithinItAHoldAtATime() {
        Shot shot = Shots.showing(Exposure.of(41, 7, 1));
        assertThat(next(shot, 41, 3)).isEqualTo(new NextDrawing(NextDrawing.Kind.HELD, 44));
        assertThat(next(shot, 43, 3)).isEqualTo(new NextDrawing(NextDrawing.Kind.HELD, 44));
        assertThat(next(shot, 44, 3)).isEqualTo(new NextDrawing(NextDrawing.Kind.HELD, 47));
        assertThat(next(shot, 47, 3)).isEqualTo(new NextDrawing(NextDrawing.Kind.PAST_END, 48));
    }

    @Test
    void whatLiesBeyondTheEndIsNotGoneTo() {
        Shot shot = Shots.showing(Exposure.of(44, 4, 1), Exposure.of(50, 2, 2));
        assertThat(next(shot, 46, 2)).isEqualTo(new NextDrawing(NextDrawing.Kind.PAST_END, 48));
    }

    @Test
    void onALevelWithoutDrawingsOneGoesAHoldAtATime() {
        assertThat(next(Shots.empty(), 0, 2)).isEqualTo(new NextDrawing(NextDrawing.Kind.FREE, 2));
        assertThat(next(Shots.empty(), 47, 2)).isEqualTo(new NextDrawing(NextDrawing.Kind.PAST_END, 48));
        assertThat(NextDrawing.of(Shots.empty(), "level-9", 0)).isEmpty();
    }

    /** Common practice: on twos, 24 frames have twelve drawings, each on two frames. */
    @Test
    void drawingAndGoingOnFillsAShotOnTwos() {
        Shot shot = Shots.empty();
        NextDrawing place = new NextDrawing(NextDrawing.Kind.FREE, 0);
        while (place.kind() == NextDrawing.Kind.FREE) {
            shot = StrokeLanding.of(shot, Shots.LEVEL, place.frame())
                    .draw(Strokes.line(10, 10, 20, 20))
                    .change()
                    .apply(shot);
            place = next(shot, place.frame(), 2);
        }
        assertThat(place.kind()).isEqualTo(NextDrawing.Kind.PAST_END);
        assertThat(Shots.level(shot).exposures().runs()).hasSize(24).allMatch(run -> run.frames() == 2);
    }

    /** A new drawing has its place, and takes no other's last frame. */
    @Property(tries = 300)
    void aNewDrawingOnItsPlaceLeavesEveryDrawingShown(
            @ForAll List<@IntRange(min = 1, max = 5) Integer> holds,
            @ForAll @IntRange(min = 0, max = 47) int frame,
            @ForAll @IntRange(min = 1, max = 4) int hold) {
        Exposure[] runs = new Exposure[Math.min(8, holds.size())];
        int at = 0;
        for (int i = 0; i < runs.length; i++) {
            runs[i] = Exposure.of(at, holds.get(i), i + 1);
            // A gap now and then.
            at += holds.get(i) + (i % 3 == 2 ? 2 : 0);
        }
        Shot shot = drawn(Shots.showing(runs), DrawnOn.frames(hold));
        StrokeLanding.onItsPlace(shot, Shots.LEVEL, frame).ifPresent(landing -> {
            Level after = Shots.level(landing.make().change().apply(shot));
            assertThat(after.exposures().at(frame).orElseThrow().drawing()).isEqualTo(runs.length + 1);
            assertThat(landing.frames().start() / hold).isEqualTo(frame / hold);
            assertThat(after.drawings())
                    .allMatch(drawing ->
                            !after.exposures().showing(drawing.number()).isEmpty());
        });
    }

    @Test
    void theSecondFrameOfAHoldOnTwosIsThePlaceOfItsDrawing() {
        Shot shot = Shots.showing(Exposure.of(0, 8, 1));
        assertThat(StrokeLanding.onItsPlace(shot, Shots.LEVEL, 5)
                        .orElseThrow()
                        .frames()
                        .start())
                .isEqualTo(4);
        Shot twos = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2));
        // Its place is all that drawing 2 has: it starts here and leaves the first frame.
        assertThat(StrokeLanding.onItsPlace(twos, Shots.LEVEL, 3)
                        .orElseThrow()
                        .frames()
                        .start())
                .isEqualTo(3);
        assertThat(StrokeLanding.onItsPlace(twos, Shots.LEVEL, 2)).isEmpty();
    }

    /** A clean level over a rough one: its drawings begin and end where those do. */
    @Test
    void aLevelThatIsDrawnAsAnotherGoesFromDrawingToDrawingOfThat() {
        Shot rough = Shots.showing(Exposure.of(2, 3, 1), Exposure.of(5, 1, 2), Exposure.of(7, 5, 3));
        Shot shot = LevelEdits.add("level-2", "clean", Shots.LEVEL)
                .change()
                .apply(rough)
                .withLevel(
                        "level-2",
                        level -> level.withStyle(level.style().withDrawnOn(Optional.of(DrawnOn.as(Shots.LEVEL, 2)))));
        List<FrameRange> places = new ArrayList<>();
        for (int frame = 0; frame < 12; ) {
            shot = StrokeLanding.of(shot, "level-2", frame)
                    .draw(Strokes.line(10, 10, 20, 20))
                    .change()
                    .apply(shot);
            places.add(shot.level("level-2")
                    .orElseThrow()
                    .exposures()
                    .at(frame)
                    .orElseThrow()
                    .range());
            frame = NextDrawing.of(shot, "level-2", frame).orElseThrow().frame();
        }
        assertThat(places)
                .containsExactly(
                        FrameRange.of(0, 2),
                        FrameRange.of(2, 3),
                        FrameRange.of(5, 1),
                        FrameRange.of(6, 1),
                        FrameRange.of(7, 5));
        // Drawn in the middle of a place, it is the drawing of that place.
        Shot bare = shot.withLevel("level-2", Level::bare);
        assertThat(StrokeLanding.onItsPlace(bare, "level-2", 10).orElseThrow().frames())
                .isEqualTo(FrameRange.of(7, 5));
        assertThat(StrokeLanding.of(bare, "level-2", 10).frames()).isEqualTo(FrameRange.of(10, 2));
        // The level that set the pace goes: the frames that were said stay.
        Shot alone = LevelEdits.remove(Shots.LEVEL).change().apply(shot);
        assertThat(alone.drawnOn("level-2")).isEqualTo(DrawnOn.frames(2));
    }

    @Test
    void aNewLevelTakesThePaceOfTheOneThatItIsMadeOver() {
        Shot shot =
                LevelEdits.add("level-2", "clean", Shots.LEVEL).change().apply(drawn(Shots.empty(), DrawnOn.frames(3)));
        assertThat(shot.drawnOn("level-2")).isEqualTo(DrawnOn.frames(3));
    }
}
