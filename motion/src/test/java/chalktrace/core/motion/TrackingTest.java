package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.testing.MovingClip;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class TrackingTest {

    private static final int FRAMES = 40;

    /** A moving clip as a source, lying on its side; pictures from a cut on are of another clip, and one may be unreadable. */
    private static final class Clip implements PictureSource {
        private final MovingClip clip;
        private final MovingClip afterCut;
        private final int cut;
        private final int unreadable;
        private final Map<Integer, Picture> made = new HashMap<>();

        /** A bar passes in it. */
        Clip(long seed, double fastest, int coveredFrom) {
            clip = new MovingClip(seed, FRAMES, fastest, false, coveredFrom);
            afterCut = clip;
            cut = FRAMES;
            unreadable = -1;
        }

        Clip(long seed, int cut, int unreadable) {
            clip = new MovingClip(seed, FRAMES, 8, false, -1);
            afterCut = new MovingClip(seed + 100, FRAMES, 8, false, -1);
            this.cut = cut;
            this.unreadable = unreadable;
        }

        @Override
        public PictureSize displaySize() {
            return new PictureSize(MovingClip.HEIGHT, MovingClip.WIDTH);
        }

        @Override
        public PictureTimes times() {
            return PictureTimes.even(FrameRate.of(24), FRAMES);
        }

        @Override
        public int turnDegrees() {
            return 90;
        }

        @Override
        public Picture picture(int n) throws PictureUnavailableException {
            if (n == unreadable) {
                throw new PictureUnavailableException("It is damaged.");
            }
            return made.computeIfAbsent(n, frame -> grey((frame < cut ? clip : afterCut).picture(frame)));
        }

        /** As it is seen: turned counter-clockwise, the first pixel's corner at 0, 0. */
        double[] truth(double u, double v, int frame) {
            double[] stored = clip.truth(u, v, frame);
            return new double[] {stored[1] + 0.5, MovingClip.WIDTH - stored[0] - 0.5};
        }
    }

    private static Picture grey(Luma luma) {
        int[] argb = new int[luma.values().length];
        for (int i = 0; i < argb.length; i++) {
            argb[i] = 0xFF000000 | 0x010101 * (luma.values()[i] & 0xFF);
        }
        return new ArgbPicture(new PictureSize(luma.width(), luma.height()), argb);
    }

    /** What goes to the right dissolves into something that goes to the left. */
    private record Dissolve(List<Pyramid> pictures) implements PictureSource {

        static Dissolve of(long seed) {
            PointTrackerTest.Waves first = new PointTrackerTest.Waves(seed);
            PointTrackerTest.Waves second = new PointTrackerTest.Waves(seed + 100);
            return new Dissolve(IntStream.range(0, 26)
                    .mapToObj(frame -> PointTrackerTest.dissolving(first, second, frame, seed % 2 == 0 ? 1 : 2))
                    .toList());
        }

        @Override
        public PictureSize displaySize() {
            return new PictureSize(
                    pictures.get(0).whole().width(), pictures.get(0).whole().height());
        }

        @Override
        public PictureTimes times() {
            return PictureTimes.even(FrameRate.of(24), pictures.size());
        }

        @Override
        public int turnDegrees() {
            return 0;
        }

        @Override
        public Picture picture(int n) {
            return grey(pictures.get(n).whole());
        }
    }

    @Test
    void placesThatDoNotLeadBackAreNotInThePathAndTheLossIsSaidWhereTheyBegin() throws Exception {
        int given = 0;
        for (long seed = 1; seed <= 4; seed++) {
            Dissolve clip = Dissolve.of(seed);
            TrackPath path = Tracking.follow(
                            clip, List.of(new Tracking.Start(0, 90.5, 60.5, 14)), 0, 26, (done, total) -> true)
                    .get(0);
            PointTracker tracker = new PointTracker(clip.pictures().get(0), 90, 60, 14);
            int right = PointTrackerTest.followed(tracker, clip.pictures()).size();
            assertThat(path.places()).hasSize(right + 1);
            if (right < 25) {
                given++;
                assertThat(path.lost()).singleElement().satisfies(loss -> assertThat(loss.picture())
                        .isEqualTo(right + 1));
            }
        }
        assertThat(given).isPositive();
    }

    /** Nearly half of them are, where it is sure; and what is found is that point. */
    @Test
    void whatComesOutFromBehindABarIsFoundAgain() throws Exception {
        long fresh = new Random().nextLong();
        System.out.println("TrackingTest: fresh seed of what is covered " + fresh);
        int cameOut = 0;
        int found = 0;
        int wrong = 0;
        int places = 0;
        for (long seed : new long[] {1, 2, 3, 4, 5, 6, 7, 8, fresh, fresh + 1, fresh + 2, fresh + 3}) {
            Clip clip = new Clip(seed, 12.0, 14);
            double half = 0.45 * clip.clip.size();
            double[][] spots = {{0, 0}, {half, 0}, {-half, 0}, {0, half}, {0, -half}};
            List<Tracking.Start> starts = Arrays.stream(spots)
                    .map(spot -> clip.truth(spot[0], spot[1], 0))
                    .map(at -> new Tracking.Start(0, at[0], at[1], 10))
                    .toList();
            List<TrackPath> paths = Tracking.follow(clip, starts, 0, FRAMES, (done, total) -> true);
            for (int k = 0; k < spots.length; k++) {
                double[] spot = spots[k];
                int last = IntStream.range(0, FRAMES)
                        .filter(frame -> clip.clip.covers(spot[0], spot[1], frame))
                        .max()
                        .orElse(FRAMES);
                boolean comesOut = last < FRAMES - 8 && !clip.clip.covers(spot[0], spot[1], 0);
                cameOut += comesOut ? 1 : 0;
                found += comesOut && paths.get(k).lastPicture() > last ? 1 : 0;
                for (TrackPath.Place place : paths.get(k).places()) {
                    double[] truth = clip.truth(spot[0], spot[1], place.picture());
                    places++;
                    wrong += clip.clip.covers(spot[0], spot[1], place.picture())
                                    || Math.hypot(place.x() - truth[0], place.y() - truth[1]) > 5
                            ? 1
                            : 0;
                }
            }
        }
        assertThat(found / (double) cameOut).isGreaterThan(0.25);
        assertThat(wrong / (double) places).isLessThan(0.03);
    }

    private static TrackPath follow(Clip clip, int touched) throws PictureUnavailableException {
        double[] at = clip.truth(0, 0, touched);
        return Tracking.follow(
                        clip, List.of(new Tracking.Start(touched, at[0], at[1], 0)), 0, FRAMES, (done, total) -> true)
                .get(0);
    }

    @Test
    void aPointIsFollowedToBothEndsInPxOfTheSourceAsItIsSeen() throws Exception {
        Clip clip = new Clip(1, FRAMES, -1);
        TrackPath path = follow(clip, 20);
        assertThat(path.places()).hasSize(FRAMES);
        assertThat(path.lost()).isEmpty();
        double beside = 0;
        double below = 0;
        for (TrackPath.Place place : path.places()) {
            double[] truth = clip.truth(0, 0, place.picture());
            beside += (place.x() - truth[0]) / FRAMES;
            below += (place.y() - truth[1]) / FRAMES;
            assertThat(place.x()).as("x on " + place.picture()).isCloseTo(truth[0], within(0.6));
            assertThat(place.y()).as("y on " + place.picture()).isCloseTo(truth[1], within(0.6));
        }
        // A place that was half a pixel off for all would show here.
        assertThat(beside).isCloseTo(0, within(0.2));
        assertThat(below).isCloseTo(0, within(0.2));
        assertThat(path.at(20).orElseThrow().origin()).isEqualTo(TrackPath.Origin.HAND);
    }

    /** The clip turns and grows as it goes: a patch tells how much, from the place on which it was set. */
    @Test
    void aPatchOfAnotherSizeIsFollowedAnewFromTheSamePlacesByHand() throws Exception {
        Clip clip = new Clip(1, FRAMES, -1);
        TrackPath usual = follow(clip, 20);
        double[] late = clip.truth(0, 0, 32);
        TrackPath corrected =
                Correction.of(clip, usual, TrackPath.Place.byHand(32, late[0], late[1]), 0, (done, total) -> true);
        TrackPath wide = Correction.anew(clip, corrected, 26, (done, total) -> true);
        assertThat(wide.byHand()).isEqualTo(corrected.byHand()).hasSize(2);
        assertThat(wide).isNotEqualTo(corrected);
        for (TrackPath.Place place : wide.places()) {
            double[] truth = clip.truth(0, 0, place.picture());
            assertThat(Math.hypot(place.x() - truth[0], place.y() - truth[1]))
                    .as("picture " + place.picture())
                    .isLessThan(0.6);
        }
        assertThat(Correction.anew(clip, TrackPath.NONE, 26, (done, total) -> true))
                .isEqualTo(TrackPath.NONE);
    }

    @Test
    void itStopsAtACutAndSaysSo() throws Exception {
        TrackPath path = follow(new Clip(1, 25, -1), 10);
        assertThat(path.lastPicture()).isEqualTo(24);
        assertThat(path.lost()).containsExactly(new TrackPath.Lost(25, Tracking.CUT));
    }

    @Test
    void itStopsBeforeAPictureThatCantBeRead() throws Exception {
        TrackPath path = follow(new Clip(1, FRAMES, 30), 10);
        assertThat(path.lastPicture()).isEqualTo(29);
        assertThat(path.lost()).containsExactly(new TrackPath.Lost(30, Tracking.UNREADABLE));
    }

    @Test
    void aPointThatWasTouchedOnSuchAPictureIsAnError() {
        assertThatThrownBy(() -> follow(new Clip(1, FRAMES, 10), 10)).isInstanceOf(PictureUnavailableException.class);
    }

    @Test
    void aPointOutsideThePictureOrTheRangeIsSaid() throws Exception {
        Clip clip = new Clip(1, FRAMES, -1);
        TrackPath outside = Tracking.follow(
                        clip, List.of(new Tracking.Start(3, -20, 10, 0)), 0, 10, (done, total) -> true)
                .get(0);
        assertThat(outside.lost()).containsExactly(new TrackPath.Lost(3, Tracking.OUTSIDE));
        assertThatThrownBy(() ->
                        Tracking.follow(clip, List.of(new Tracking.Start(12, 5, 5, 0)), 0, 10, (done, total) -> true))
                .hasMessageContaining("picture 12, which is not among 0 to 9");
    }

    @Test
    void beforeAnEvenPlaceABetterOneNearItIsOffered() throws Exception {
        byte[] values = new byte[300 * 200];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (i % 300 > 150 && i / 300 > 100 ? 200 : 60);
        }
        Clip clip = new Clip(1, 0, -1);
        for (int n = 0; n < FRAMES; n++) {
            int[] argb = new int[values.length];
            Arrays.setAll(argb, i -> 0xFF000000 | 0x010101 * (values[i] & 0xFF));
            clip.made.put(n, new ArgbPicture(new PictureSize(300, 200), argb));
        }
        // As it is seen, turned and as large as the clip: the corner at (150, 100) of 300x200 is the middle.
        Tracking.Start even = new Tracking.Start(3, 108, 213, 0);
        assertThat(Tracking.follow(clip, List.of(even), 0, 10, (done, total) -> true)
                        .get(0)
                        .lost())
                .containsExactly(new TrackPath.Lost(3, Tracking.EVEN));
        assertThat(Tracking.betterNear(clip, even)).hasValueSatisfying(at -> {
            assertThat(at.getX()).isCloseTo(135, within(12.0));
            assertThat(at.getY()).isCloseTo(240, within(12.0));
        });
        assertThat(Tracking.betterNear(clip, new Tracking.Start(3, 135, 240, 0)))
                .isEmpty();
    }

    @Test
    void itEndsWhenItIsCancelled() {
        assertThatThrownBy(() -> Tracking.follow(
                        new Clip(1, FRAMES, -1),
                        List.of(new Tracking.Start(0, 100, 100, 0)),
                        0,
                        FRAMES,
                        (done, total) -> done < 5))
                .isInstanceOf(CancellationException.class);
    }

    @Test
    void betweenTwoPlacesSetByHandThePathMeetsBothAndTheRestStays() throws Exception {
        Clip clip = new Clip(1, FRAMES, -1);
        TrackPath path = follow(clip, 8);
        double[] at = clip.truth(0, 0, 24);
        TrackPath.Place hand = TrackPath.Place.byHand(24, at[0] + 3, at[1]);
        TrackPath right = Correction.of(clip, path, hand, 0, (done, total) -> true);
        assertThat(right.at(24)).contains(hand);
        assertThat(right.at(8)).isEqualTo(path.at(8));
        assertThat(right.at(3)).isEqualTo(path.at(3));
        for (int n = 9; n < 24; n++) {
            double[] truth = clip.truth(0, 0, n);
            double share = (n - 8) / 16.0;
            // The place that was set lies 3 px beside the point: it counts the more, the nearer it is.
            assertThat(right.at(n).orElseThrow().x()).as("x on " + n).isCloseTo(truth[0] + 3 * share, within(0.8));
        }
        assertThat(right.lastPicture()).isEqualTo(FRAMES - 1);
        assertThat(right.byHand()).hasSize(2);
    }

    @Test
    void aGapIsBridgedOnlyWhenItIsAskedForAndSaysThatItIsAGuess() {
        TrackPath path =
                TrackPath.of(List.of(TrackPath.Place.byHand(2, 10, 10), TrackPath.Place.byHand(6, 50, 30)), List.of());
        assertThat(path.at(4)).isEmpty();
        assertThat(path.bridged(5).at(4)).contains(new TrackPath.Place(4, 30, 20, 1, 0, 0, TrackPath.Origin.GUESSED));
        assertThat(path.bridged(2)).isEqualTo(path);
    }
}
