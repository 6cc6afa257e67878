package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class PairOnShotTest {

    private static final PictureSize SIZE = new PictureSize(160, 90);
    private static final PictureTimes TIMES = PictureTimes.even(FrameRate.of(24), 2);

    private static TrackOnShot on(double x0, double y0, double x1, double y1) {
        Footage clip = Footage.of("clip", "clip", "/a.mp4", new Conform(0, 0, 2, 1, Conform.Pace.KEEP_TIME));
        Shot shot = Shot.empty("shot", new ShotSetup(FrameRate.of(24), SIZE, 2, 1, Rgb.WHITE))
                .withFootage(List.of(clip));
        List<TrackPath.Place> places = new ArrayList<>(List.of(TrackPath.Place.byHand(0, x0, y0)));
        if (!Double.isNaN(x1)) {
            places.add(TrackPath.Place.byHand(1, x1, y1));
        }
        return new TrackOnShot(
                shot,
                clip,
                TIMES,
                SIZE,
                new Track("t", "t", Rgb.WHITE, true, "clip", 0, TrackPath.of(places, List.of())));
    }

    /** A right angle by hand: (3, 4) is 5 long; straight down is 90 degrees, clockwise as y goes down. */
    @Test
    void lengthAndAngleAreThoseOfTheLineBetween() {
        PairOnShot pair = new PairOnShot(on(10, 10, 20, 20), on(13, 14, 20, 27));
        assertThat(pair.length(0).getAsDouble()).isCloseTo(5, within(1e-9));
        assertThat(pair.degrees(1).getAsDouble()).isCloseTo(90, within(1e-9));
        assertThat(pair.degrees(0).getAsDouble()).isCloseTo(Math.toDegrees(Math.atan2(4, 3)), within(1e-9));
    }

    /** What lies on the pair is where the Java library's own transform takes it: moved, turned and grown as both points are. */
    @Property(tries = 200)
    void whatLiesOnAPairGoesWithBothPoints(
            @ForAll @DoubleRange(min = -150, max = 150) double turn,
            @ForAll @DoubleRange(min = 0.3, max = 3) double scale,
            @ForAll @DoubleRange(min = -60, max = 60) double byX,
            @ForAll @DoubleRange(min = -60, max = 60) double byY) {
        AffineTransform moved = AffineTransform.getTranslateInstance(byX, byY);
        moved.rotate(Math.toRadians(turn), 40, 30);
        moved.scale(scale, scale);
        Point2D first = moved.transform(new Point2D.Double(40, 30), null);
        Point2D second = moved.transform(new Point2D.Double(70, 44), null);
        PairOnShot pair =
                new PairOnShot(on(40, 30, first.getX(), first.getY()), on(70, 44, second.getX(), second.getY()));
        Placement placement = pair.movesSince(0).get(1);
        Point2D on = placement.transform(80, 45).transform(new Point2D.Double(55, 12), null);
        Point2D wanted = moved.transform(new Point2D.Double(55, 12), null);
        assertThat(on.distance(wanted)).isLessThan(1e-6);
    }

    @Test
    void whereOneIsNotKnownNothingIsSaid() {
        PairOnShot pair = new PairOnShot(on(10, 10, 20, 20), on(13, 14, Double.NaN, 0));
        assertThat(pair.degrees(1)).isEmpty();
        assertThat(pair.movesSince(0)).containsOnlyKeys(0);
        assertThat(pair.movesSince(1)).isEmpty();
    }

    @Test
    void twoPointsAtOnePlaceTellNoDirection() {
        PairOnShot pair = new PairOnShot(on(10, 10, 20, 20), on(10, 10.5, 40, 20));
        assertThat(pair.degrees(0)).isEmpty();
        assertThat(pair.movesSince(0)).isEmpty();
    }
}
