package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.reference.AttachEdits;
import chalktrace.core.edit.timing.ShotTimingEdits;
import chalktrace.core.motion.Attached;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.awt.geom.Point2D;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class TrackOnShotTest {

    private static final PictureSize SEEN = new PictureSize(40, 30);
    private static final PictureTimes TIMES = PictureTimes.even(FrameRate.of(12), 10);

    private static TrackOnShot on(Footage clip) {
        Shot shot = Shot.empty("shot", new ShotSetup(FrameRate.of(24), new PictureSize(160, 90), 40, 1, Rgb.WHITE))
                .withFootage(List.of(clip));
        TrackPath path = TrackPath.of(
                List.of(TrackPath.Place.byHand(2, 12.5, 7.5), TrackPath.Place.byHand(3, 20, 15)), List.of());
        return new TrackOnShot(shot, clip, TIMES, SEEN, new Track("t", "t", Rgb.WHITE, true, clip.id(), 0, path));
    }

    private static Footage clip() {
        return Footage.of("clip", "clip", "/a.mp4", new Conform(4, 0, 10, 1, Conform.Pace.KEEP_TIME));
    }

    @Test
    void aPathFollowsTheTimingOfItsFootage() {
        // 12 pictures a second in a shot of 24: picture 2 shows on frames 4 + 4 and 4 + 5.
        TrackOnShot on = on(clip());
        assertThat(on.at(7)).isEmpty();
        assertThat(on.at(8)).isEqualTo(on.at(9)).isPresent();
        MovingPoint movement = on.movement().orElseThrow();
        assertThat(movement.firstFrame()).isEqualTo(8);
        assertThat(movement.lastFrame()).isEqualTo(11);
    }

    /** Against the renderer: the one red pixel of the source comes to lie where the point is said to be. */
    @Test
    void aPointLiesWhereTheRendererPutsItsPixel() {
        for (Footage placed : List.of(
                clip(),
                clip().withMirrored(true),
                clip().withPlacement(new Placement(11, 4, 1.1, 33, 1)),
                clip().withMirrored(true).withPlacement(new Placement(-8, 4, 0.8, -70, 1)))) {
            int[] words = new int[SEEN.width() * SEEN.height()];
            Arrays.fill(words, 0xFF000000);
            words[7 * SEEN.width() + 12] = 0xFFFFFFFF;
            FootageLayer layer =
                    FootageLayer.of(placed, new FootagePictures.Shown(new ArgbPicture(SEEN, words), SEEN, 0));
            int[] drawn = new FrameComposer(new RasterCache(0), new Rgb(0, 0, 0))
                    .composeWhole(new Scene(new PictureSize(160, 90), List.of(layer)));
            double x = 0;
            double y = 0;
            double all = 0;
            for (int i = 0; i < drawn.length; i++) {
                double weight = drawn[i] & 255;
                x += weight * (i % 160 + 0.5);
                y += weight * (i / 160 + 0.5);
                all += weight;
            }
            Point2D said = on(placed).at(8).orElseThrow();
            assertThat(said.getX()).isCloseTo(x / all, within(0.3));
            assertThat(said.getY()).isCloseTo(y / all, within(0.3));
            Point2D back =
                    on(placed).placed(8).toSource(said.getX(), said.getY()).orElseThrow();
            assertThat(back.distance(12.5, 7.5)).isLessThan(1e-9);
        }
    }

    /** Against the renderer: what was drawn over the point on one frame lies over it on the other. */
    @Test
    void aDrawingThatIsAttachedLiesOverThePointOnEachFrame() {
        TrackOnShot on = on(clip());
        Point2D start = on.at(8).orElseThrow();
        Shot shot = Shots.showing(new Exposure(4, 9, 1, Placement.AS_IS))
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(
                                level.exposures().with(new Exposure(4, 9, 1, Placement.AS_IS.withPosition(3, 1)))));
        Shot after = AfterEdits.after(shot, AttachEdits.drawing("t", Shots.LEVEL, 8, false, on.movesSince(8, false)));
        Exposures exposures = Shots.level(after).exposures();
        Point2D moved = on.at(10).orElseThrow();
        assertThat(exposures.at(8).orElseThrow().placement()).isEqualTo(Placement.AS_IS.withPosition(3, 1));
        assertThat(exposures.at(10).orElseThrow().placement().x())
                .isCloseTo(3 + moved.getX() - start.getX(), within(1e-9));
        assertThat(exposures.at(10).orElseThrow().placement().y())
                .isCloseTo(1 + moved.getY() - start.getY(), within(1e-9));
        // Where the point is not known, the drawing stays as it was next to there.
        assertThat(exposures.at(12).orElseThrow().placement())
                .isEqualTo(exposures.at(11).orElseThrow().placement());
        assertThat(exposures.at(4).orElseThrow().placement())
                .isEqualTo(exposures.at(8).orElseThrow().placement());
    }

    /** Placed once more by a point that was put right, it lies as if it had been attached to that from the start; elsewhere nothing changes. */
    @Test
    void anAttachedDrawingIsPlacedAnewFromWhereItWasPutByHand() {
        TrackOnShot on = on(clip());
        TrackOnShot right = new TrackOnShot(
                on.shot(),
                on.footage(),
                TIMES,
                SEEN,
                on.track().withPath(on.track().path().with(TrackPath.Place.byHand(3, 30, 5))));
        Shot shot = Shots.showing(new Exposure(4, 9, 1, Placement.AS_IS), new Exposure(20, 4, 2, Placement.AS_IS))
                .withFootage(List.of(clip()))
                .withTracks(List.of(on.track()));
        Shot wrong = AfterEdits.after(shot, AttachEdits.drawing("t", Shots.LEVEL, 8, false, on.movesSince(8, false)));
        Attached held = wrong.tracks().get(0).attached().get(0);
        assertThat(held).isEqualTo(new Attached(Shots.LEVEL, 1, 8, false));
        Shot anew = AttachEdits.placed(wrong, held, on.movesSince(8, false), right.movesSince(8, false));
        Shot fresh =
                AfterEdits.after(shot, AttachEdits.drawing("t", Shots.LEVEL, 8, false, right.movesSince(8, false)));
        assertThat(Shots.level(anew)).isEqualTo(Shots.level(fresh)).isNotEqualTo(Shots.level(wrong));
        assertThat(AttachEdits.placed(
                        wrong,
                        new Attached(Shots.LEVEL, 2, 8, false),
                        on.movesSince(8, false),
                        right.movesSince(8, false)))
                .as("another drawing shows there")
                .isSameAs(wrong);
        assertThat(AfterEdits.after(wrong, AttachEdits.detach("t", held))
                        .tracks()
                        .get(0)
                        .attached())
                .isEmpty();
    }

    @Test
    void aDrawingGoesAlongWithOnePointAndItsFrameMovesWithItsLevel() {
        TrackOnShot on = on(clip());
        Track other =
                new Track("u", "u", Rgb.WHITE, true, clip().id(), 0, on.track().path());
        Shot shot = Shots.showing(new Exposure(4, 9, 1, Placement.AS_IS))
                .withFootage(List.of(clip()))
                .withTracks(List.of(on.track(), other));
        Shot both = AfterEdits.after(
                shot,
                AttachEdits.drawing("t", Shots.LEVEL, 8, false, on.movesSince(8, false)),
                AttachEdits.drawing("u", Shots.LEVEL, 9, true, on.movesSince(9, true)),
                ShotTimingEdits.insertFrames(2, 3, new ShotTimingEdits.Along(true, true)));
        assertThat(both.tracks().get(0).attached()).isEmpty();
        assertThat(both.tracks().get(1).attached()).containsExactly(new Attached(Shots.LEVEL, 1, 12, true));
    }
}
