package chalktrace.core.edit.reference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.GuideEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.InsertedFrames;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.RemovedFrames;
import chalktrace.core.shot.Ride;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.function.IntFunction;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** A point that is known from frame 2 to 10, and references and guides that ride on it. */
class RideEditsTest {

    private static final int HERE = 4;
    private static final Guide FLOOR = new Guide("floor", Guide.Kind.FLOOR, List.of(new Guide.Spot(100, 120)));

    private static Footage clip(String id) {
        return Footage.of(id, id, "/clips/" + id + ".mp4", new Conform(0, 0, 48, 1, Conform.Pace.PICTURE_FOR_FRAME));
    }

    private static Track point(String id, String footage) {
        return new Track(id, id, Rgb.WHITE, true, footage, 0, TrackPath.NONE);
    }

    private static Shot shot() {
        return Shots.empty()
                .withFootage(List.of(clip("walk"), clip("still"), clip("other")))
                .withGuides(List.of(FLOOR))
                .withTracks(List.of(point("hip", "walk"), point("rim", "still"), point("lid", "other")));
    }

    private static NavigableMap<Integer, Placement> moves(IntFunction<Placement> at) {
        NavigableMap<Integer, Placement> out = new TreeMap<>();
        for (int f = 2; f <= 10; f++) {
            out.put(f, at.apply(f - HERE));
        }
        return out;
    }

    private static NavigableMap<Integer, Placement> right(double px) {
        return moves(since -> Placement.AS_IS.withPosition(px * since, 0));
    }

    private static Ride ride(String rider, String track, NavigableMap<Integer, Placement> moves) {
        return new Ride(rider, track, HERE, false, moves);
    }

    private static double x(Shot shot, String id, int frame) {
        return shot.lying(shot.footage(id).orElseThrow(), frame).placement().x();
    }

    @Test
    void aReferenceAndAGuideGoAlongAndStayWhereThePointIsNotKnown() {
        Shot after = AfterEdits.after(
                shot(),
                RideEdits.attach(ride("still", "hip", right(5))),
                RideEdits.attach(ride("floor", "hip", right(5))));
        assertThat(x(after, "still", HERE)).isZero();
        assertThat(x(after, "still", 7)).isEqualTo(15);
        assertThat(x(after, "still", 40)).isEqualTo(30);
        assertThat(x(after, "still", 0)).isEqualTo(-10);
        assertThat(x(after, "other", 7)).isZero();
        assertThat(after.guides(7).get(0).point(0).x()).isCloseTo(115, within(1e-9));
        assertThat(after.guides().get(0)).isEqualTo(FLOOR);
    }

    @Test
    void detachedItStaysWhereItWasOnTheFrame() {
        Shot after = AfterEdits.after(
                shot(),
                RideEdits.attach(ride("still", "hip", right(5))),
                RideEdits.attach(ride("floor", "hip", right(5))),
                RideEdits.detach("still", 7),
                RideEdits.detach("floor", 8));
        assertThat(after.rides()).isEmpty();
        assertThat(x(after, "still", 0)).isEqualTo(15);
        assertThat(after.guides().get(0).point(0).x()).isCloseTo(120, within(1e-9));
    }

    @Test
    void aRideTakesThePlaceOfTheOneBeforeWithoutAJumpOnItsFrame() {
        Shot first = AfterEdits.after(shot(), RideEdits.attach(ride("still", "hip", right(5))));
        double before = x(first, "still", HERE);
        Shot after = AfterEdits.after(first, RideEdits.attach(ride("still", "lid", right(-2))));
        assertThat(after.rides()).hasSize(1);
        assertThat(x(after, "still", HERE)).isEqualTo(before);
        assertThat(x(after, "still", 6)).isEqualTo(before - 4);
    }

    @Test
    void itGoesWithItsPointAndWithItself() {
        Shot after = AfterEdits.after(shot(), RideEdits.attach(ride("still", "hip", right(5))));
        assertThat(after.withTracks(List.of(point("lid", "other"))).rides()).isEmpty();
        assertThat(after.withFootage(List.of(clip("walk"))).rides()).isEmpty();
    }

    /** As only a file that was written by hand can say. */
    @Test
    void aReferenceNeverRidesOnItsOwnPoint() {
        assertThat(shot().withRides(List.of(ride("walk", "hip", right(5)))).rides())
                .isEmpty();
    }

    /** Over three references, each on a point of another. */
    @Test
    void nothingCarriesItselfAndCarriersComeFirst() {
        Shot after = AfterEdits.after(
                shot(),
                RideEdits.attach(ride("other", "rim", right(1))),
                RideEdits.attach(ride("still", "hip", right(1))));
        assertThat(RideEdits.fromTheGround(after)).extracting(Ride::rider).containsExactly("still", "other");
        assertThat(RideEdits.carries(after, "walk", point("hip", "walk"))).isTrue();
        assertThat(RideEdits.carries(after, "walk", point("lid", "other"))).isTrue();
        assertThat(RideEdits.carries(after, "still", point("lid", "other"))).isTrue();
        assertThat(RideEdits.carries(after, "other", point("hip", "walk"))).isFalse();
        assertThat(RideEdits.carries(after, "floor", point("lid", "other"))).isFalse();
    }

    /** Put right, the point takes what rides on it elsewhere on other frames; on the ride's own it stays. */
    @Test
    void whatRidesStaysOnItsFrameHoweverThePointIsPutRight() {
        Ride cut = ride("still", "hip", right(5))
                .moved(new RemovedFrames(
                        FrameRange.of(HERE, 2), Shots.empty().setup().rate(), reach(true)))
                .orElseThrow();
        Placement there = cut.at(cut.frame());
        Ride after = cut.follow(right(7));
        assertThat(after.at(after.frame())).isEqualTo(there);
        assertThat(after.at(after.frame() + 2).x()).isEqualTo(there.x() + 14);
    }

    private static FrameReach reach(boolean footage) {
        return FrameReach.whole(Shots.empty(), true, footage);
    }

    @Test
    void framesThatArePutInTakeTheMovementAlongOnlyWithTheFootage() {
        Shot shot = AfterEdits.after(shot(), RideEdits.attach(ride("still", "hip", right(5))));
        var rate = shot.setup().rate();
        Shot with = shot.moved(new InsertedFrames(6, 3, rate, reach(true)));
        assertThat(x(with, "still", 5)).isEqualTo(5);
        assertThat(x(with, "still", 9)).isEqualTo(10);
        assertThat(x(with, "still", 8)).as("held in between").isEqualTo(5);
        assertThat(shot.moved(new InsertedFrames(6, 3, rate, reach(false))).rides())
                .isEqualTo(shot.rides());
    }

    /** Whatever the ride does, a guide that is put somewhere on a frame lies there on that frame. */
    @Property(tries = 200)
    void aGuideThatIsDraggedOnAFrameLiesThere(
            @ForAll @DoubleRange(min = -40, max = 40) double px,
            @ForAll @DoubleRange(min = -60, max = 60) double degrees,
            @ForAll @DoubleRange(min = 0.9, max = 1.1) double scale,
            @ForAll @IntRange(min = 0, max = 20) int frame) {
        Guide line = new Guide("line", Guide.Kind.LINE, List.of(new Guide.Spot(10, 20), new Guide.Spot(90, 40)));
        NavigableMap<Integer, Placement> moves =
                moves(since -> new Placement(px * since, -px * since, Math.pow(scale, since), degrees * since, 1));
        Shot shot = AfterEdits.after(shot().withGuides(List.of(line)), RideEdits.attach(ride("line", "hip", moves)));
        Guide dragged = shot.guides(frame).get(0).withPoint(0, 33, 44);
        Shot after = AfterEdits.after(shot, GuideEdits.change(dragged, frame));
        for (int point = 0; point < 2; point++) {
            Guide.Spot lies = after.guides(frame).get(0).point(point);
            assertThat(Math.hypot(
                            lies.x() - dragged.point(point).x(),
                            lies.y() - dragged.point(point).y()))
                    .isLessThan(1e-6);
        }
    }
}
