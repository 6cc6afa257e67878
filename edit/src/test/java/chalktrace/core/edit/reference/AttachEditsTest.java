package chalktrace.core.edit.reference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.selection.Pick;
import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** A point that is known from frame 2 to 10, and what goes along with it. */
class AttachEditsTest {

    private static final int HERE = 4;

    private static Shot shot() {
        Shot shot = Shots.showing(Exposure.of(0, 3, 1), Exposure.of(3, 4, 2), Exposure.of(8, 4, 1));
        return shot.withFootage(List.of(Footage.of(
                        "footage-1",
                        "clip",
                        "/clips/clip.mp4",
                        new Conform(0, 0, 48, 1, Conform.Pace.PICTURE_FOR_FRAME))))
                .withTracks(List.of(new Track("t", "head", Rgb.WHITE, true, "footage-1", 5, TrackPath.NONE)));
    }

    /** Goes by some pixels to the right a frame, and turns about the picture's middle. */
    private static NavigableMap<Integer, Placement> moves(double px, double degrees) {
        NavigableMap<Integer, Placement> out = new TreeMap<>();
        for (int f = 2; f <= 10; f++) {
            out.put(f, new Placement(px * (f - HERE), 0, 1, degrees * (f - HERE), 1));
        }
        return out;
    }

    private static Placement at(Shot shot, int frame) {
        return Shots.level(shot).exposures().at(frame).orElseThrow().placement();
    }

    @Test
    void aWholeLevelGoesAlongWhicheverDrawingItShows() {
        Shot after = AfterEdits.after(shot(), AttachEdits.level("t", Shots.LEVEL, HERE, false, moves(5, 0)));
        assertThat(at(after, 2).x()).isEqualTo(-10);
        assertThat(at(after, HERE)).isEqualTo(Placement.AS_IS);
        assertThat(at(after, 6).x()).isEqualTo(10);
        assertThat(at(after, 9).x()).isEqualTo(25);
        assertThat(at(after, 11).x()).as("no longer known").isEqualTo(30);
        assertThat(after.tracks().get(0).attached())
                .containsExactly(new Attached(Shots.LEVEL, Attached.ALL, HERE, false));
        Shot drawingOnly = AfterEdits.after(after, AttachEdits.drawing("t", Shots.LEVEL, HERE, false, moves(1, 0)));
        assertThat(drawingOnly.tracks().get(0).attached()).containsExactly(new Attached(Shots.LEVEL, 2, HERE, false));
    }

    @Test
    void whatWasMovedByHandStaysBesideItsNewPlace() {
        Shot attached = AfterEdits.after(shot(), AttachEdits.level("t", Shots.LEVEL, HERE, true, moves(5, 10)));
        Placement was = at(attached, 6);
        Shot nudged = attached.withLevel(
                Shots.LEVEL,
                level -> level.with(
                        level.exposures().with(new Exposure(6, 1, 2, was.withPosition(was.x() + 3, was.y() - 2)))));
        Attached held = attached.tracks().get(0).attached().get(0);
        Shot corrected = AttachEdits.placed(nudged, held, moves(5, 10), moves(7, 10));
        assertThat(at(corrected, 5)).isEqualTo(at(AttachEdits.placed(attached, held, moves(5, 10), moves(7, 10)), 5));
        assertThat(at(corrected, 6).x()).isCloseTo(2 * 7 + 3, within(1e-9));
        assertThat(at(corrected, 6).y()).isCloseTo(-2, within(1e-9));
        assertThat(at(corrected, 6).degrees()).isCloseTo(20, within(1e-9));
        Shot again = AttachEdits.placed(corrected, held, moves(7, 10), moves(7, 10));
        assertThat(at(again, 6).x())
                .as("nothing new")
                .isCloseTo(at(corrected, 6).x(), within(1e-9));
    }

    @Test
    void whatIsSelectedBecomesALevelThatGoesAlongAndLooksTheSameHere() {
        Shot shot = shot();
        Pick pick = Pick.all(shot, Shots.LEVEL, HERE).orElseThrow();
        Stroke before = pick.lifted(shot).strokes().get(0);
        Shot after = AfterEdits.after(shot, AttachEdits.piece("t", pick, "eyes", false, moves(5, 0), HERE));
        assertThat(after.levels()).extracting(Level::name).containsExactly("eyes", "rough");
        Level eyes = after.levels().get(0);
        assertThat(Shots.level(after).drawing(2).orElseThrow().strokes()).isEmpty();
        assertThat(eyes.exposures().at(1)).isEmpty();
        assertThat(eyes.exposures().end()).isEqualTo(11);
        assertThat(eyes.drawing(1).orElseThrow().strokes()).containsExactly(before);
        assertThat(eyes.exposures().at(HERE).orElseThrow().placement()).isEqualTo(Placement.AS_IS);
        Point2D moved = eyes.exposures()
                .at(9)
                .orElseThrow()
                .placement()
                .transform(160, 90)
                .transform(new Point2D.Double(50, 60), null);
        assertThat(moved).isEqualTo(new Point2D.Double(75, 60));
    }
}
