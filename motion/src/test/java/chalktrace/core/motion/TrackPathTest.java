package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Paths brought onto another source of the same moments. */
class TrackPathTest {

    private static TrackPath even(int first, int last) {
        List<TrackPath.Place> places = new ArrayList<>();
        for (int n = first; n <= last; n++) {
            places.add(new TrackPath.Place(n, 10 * n, 5, 1, 2 * n, 1, TrackPath.Origin.FOLLOWED));
        }
        return TrackPath.of(places, List.of(new TrackPath.Lost(last + 1, PointTracker.LEFT)));
    }

    private static PictureTimes times(int rate, int count) {
        return PictureTimes.even(FrameRate.of(rate), count);
    }

    @Test
    void onACopyOfTheSameRateEveryPlaceStaysOnItsPicture() {
        TrackPath path = even(3, 8);
        assertThat(path.onto(times(24, 20), times(24, 20), 1, 1)).isEqualTo(path);
    }

    @Test
    void onALargerFasterCopyItIsScaledAndFilledBetween() {
        TrackPath onto = even(3, 8).onto(times(24, 20), times(48, 40), 2, 3);
        assertThat(onto.firstPicture()).isEqualTo(6);
        assertThat(onto.at(7).orElseThrow().x()).isCloseTo(2 * 35, within(1e-9));
        assertThat(onto.at(7).orElseThrow().y()).isCloseTo(15, within(1e-9));
        assertThat(onto.at(7).orElseThrow().degrees()).isCloseTo(7, within(1e-9));
        assertThat(onto.lost()).containsExactly(new TrackPath.Lost(18, PointTracker.LEFT));
    }

    @Test
    void whereEitherShowsNothingThereIsNoPlace() {
        assertThat(even(3, 8).onto(times(24, 20), times(24, 5), 1, 1).lastPicture())
                .isEqualTo(4);
        assertThat(even(3, 8).onto(times(24, 9), times(24, 40), 1, 1).lastPicture())
                .isEqualTo(8);
        assertThat(even(30, 38).onto(times(24, 40), times(24, 5), 1, 1).isEmpty())
                .isTrue();
    }

    /** Whatever the rates, a point of even speed is where that speed takes it as the picture starts. */
    @Property(tries = 100)
    void anEvenMovementStaysOneAtAnyRate(
            @ForAll @IntRange(min = 8, max = 60) int rate, @ForAll @IntRange(min = 8, max = 60) int other) {
        PictureTimes onto = times(other, 2 * other);
        TrackPath path = even(0, 2 * rate - 1).onto(times(rate, 2 * rate), onto, 1, 1);
        assertThat(path.firstPicture()).isZero();
        for (TrackPath.Place place : path.places()) {
            double exact = 10.0 * rate * onto.seconds(place.picture());
            // After the last picture's start the point is only known to be where it was last.
            assertThat(place.x()).isCloseTo(Math.min(exact, 10.0 * (2 * rate - 1)), within(1e-6));
        }
    }

    @Test
    void aLossSaysWhereThePointWasFoundAgainForwardsAndBackwards() {
        TrackPath.Lost onwards = new TrackPath.Lost(3, PointTracker.COVERED);
        TrackPath.Lost back = new TrackPath.Lost(6, PointTracker.COVERED);
        TrackPath.Lost atTheEnd = new TrackPath.Lost(9, PointTracker.LEFT);
        TrackPath path = TrackPath.of(
                IntStream.of(1, 2, 7, 8)
                        .mapToObj(picture -> TrackPath.Place.byHand(picture, picture, 0))
                        .toList(),
                List.of(onwards, back, atTheEnd));
        assertThat(path.foundAgain(onwards)).contains(7);
        assertThat(path.foundAgain(back)).contains(2);
        assertThat(path.foundAgain(atTheEnd)).isEmpty();
    }
}
