package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.testing.HandHeldClip;
import chalktrace.core.testing.MovingClip;
import chalktrace.core.time.PictureTimes;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.function.IntPredicate;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class MovingPartsTest {

    private static final int FRAMES = 60;

    private static final Tracking.Progress ON = (done, total) -> true;

    /** As another source, some of whose pictures can't be read. */
    private record Damaged(PictureSource source, IntPredicate unreadable) implements PictureSource {

        @Override
        public PictureSize displaySize() {
            return source.displaySize();
        }

        @Override
        public PictureTimes times() {
            return source.times();
        }

        @Override
        public int turnDegrees() {
            return source.turnDegrees();
        }

        @Override
        public Picture picture(int n) throws PictureUnavailableException {
            if (unreadable.test(n)) {
                throw new PictureUnavailableException("It is damaged.");
            }
            return source.picture(n);
        }
    }

    /** As another source, laid on its side. */
    private record OnItsSide(PictureSource source) implements PictureSource {

        @Override
        public PictureSize displaySize() {
            return new PictureSize(
                    source.displaySize().height(), source.displaySize().width());
        }

        @Override
        public PictureTimes times() {
            return source.times();
        }

        @Override
        public int turnDegrees() {
            return 90;
        }

        @Override
        public Picture picture(int n) throws PictureUnavailableException {
            return source.picture(n);
        }
    }

    /** On a stand; its pictures are made once. */
    private static final HandHeldClip STEADY = clip(1, 0);

    private static HandHeldClip clip(long seed, double sway) {
        return new HandHeldClip(new MovingClip(seed, FRAMES, 8, false, -1), seed, sway);
    }

    private static List<MovingPart> parts(PictureSource source) throws PictureUnavailableException {
        return MovingParts.of(source, 0, FRAMES, ON);
    }

    private static List<Integer> keys(List<MovingPoint> points, int height) {
        return Study.of(points, 0, FRAMES - 1, StudySettings.usual(height)).keys().stream()
                .map(MotionProposal::frame)
                .toList();
    }

    private static long near(List<Integer> some, List<Integer> others) {
        return some.stream()
                .filter(frame -> others.stream().anyMatch(other -> Math.abs(other - frame) <= 2))
                .count();
    }

    private static MovingPoint middle(MovingClip clip) {
        double[] x = new double[FRAMES];
        double[] y = new double[FRAMES];
        for (int frame = 0; frame < FRAMES; frame++) {
            x[frame] = clip.truth(0, 0, frame)[0];
            y[frame] = clip.truth(0, 0, frame)[1];
        }
        return new MovingPoint("middle", 0, x, y);
    }

    /** The keys of the thing's true way, of which no camera knows. */
    @Test
    void theKeysOfWhatMovesAreFoundWithoutATouchThoughTheCameraIsHeldByHand() throws Exception {
        long fresh = System.nanoTime() % 1_000_000;
        System.out.println("MovingPartsTest: fresh seed " + fresh);
        long found = 0;
        long right = 0;
        int truth = 0;
        int proposed = 0;
        for (long seed : new long[] {1, 2, fresh}) {
            for (double sway : new double[] {0, 4}) {
                MovingClip moving = new MovingClip(seed, FRAMES, sway == 0 ? 20 : 6, false, -1);
                HandHeldClip clip = new HandHeldClip(moving, seed, sway);
                List<MovingPoint> points = new ArrayList<>();
                for (MovingPart part : parts(clip)) {
                    points.add(MovingPoint.of("part " + points.size(), part.steady()));
                }
                List<Integer> keys = keys(points, clip.displaySize().height());
                List<Integer> wanted =
                        keys(List.of(middle(moving)), clip.displaySize().height());
                found += near(wanted, keys);
                truth += wanted.size();
                right += near(keys, wanted);
                proposed += keys.size();
            }
        }
        assertThat((double) found / truth).as("keys that are found").isGreaterThan(0.8);
        assertThat((double) right / proposed).as("keys that are none too many").isGreaterThan(0.7);
    }

    @Test
    void aPartIsWhereItIsSeenAndItsOtherPathKnowsNothingOfTheCamera() throws Exception {
        HandHeldClip clip = clip(2, 4);
        MovingPart first = parts(clip).get(0);
        assertThat(first.seen().firstPicture()).isEqualTo(first.steady().firstPicture());
        List<Double> off = new ArrayList<>();
        for (int n = first.seen().firstPicture() + 1; n <= first.seen().lastPicture(); n++) {
            TrackPath.Place was = first.seen().at(n - 1).orElseThrow();
            TrackPath.Place is = first.seen().at(n).orElseThrow();
            double[] clipWas = clip.clipPlace(was.x() - 0.5, was.y() - 0.5, n - 1);
            double[] clipIs = clip.clipPlace(is.x() - 0.5, is.y() - 0.5, n);
            double steadyX = first.steady().at(n).orElseThrow().x()
                    - first.steady().at(n - 1).orElseThrow().x();
            double steadyY = first.steady().at(n).orElseThrow().y()
                    - first.steady().at(n - 1).orElseThrow().y();
            off.add(Math.hypot(clipIs[0] - clipWas[0] - steadyX, clipIs[1] - clipWas[1] - steadyY));
        }
        assertThat(off).hasSizeGreaterThan(30).allMatch(px -> px < 1);
    }

    @Test
    void pathsLieOnThePictureAsItIsSeen() throws Exception {
        TrackPath stands = MovingParts.of(STEADY, 0, 20, ON).get(0).seen();
        TrackPath lies = MovingParts.of(new OnItsSide(STEADY), 0, 20, ON).get(0).seen();
        TrackPath.Place place = stands.places().get(0);
        TrackPath.Place turned = lies.places().get(0);
        assertThat(turned.x()).isCloseTo(place.y(), within(1e-6));
        assertThat(turned.y()).isCloseTo(STEADY.displaySize().width() - place.x(), within(1e-6));
    }

    @Test
    void whereNothingMovesThereIsNoPart() throws Exception {
        MovingClip still = new MovingClip(4, FRAMES, 8, false, -1);
        Luma picture = still.picture(0);
        assertThat(parts(new HandHeldClip(frame -> picture, FRAMES, 4, 4))).isEmpty();
        assertThat(parts(new HandHeldClip(frame -> picture, FRAMES, 4, 0))).isEmpty();
    }

    @Test
    void nothingIsFollowedAcrossAPictureThatCantBeRead() throws Exception {
        List<MovingPart> parts = parts(new Damaged(STEADY, n -> n == 30));
        assertThat(parts).isNotEmpty();
        assertThat(parts).allSatisfy(part -> assertThat(part.seen().at(30)).isEmpty());
        assertThat(parts)
                .anySatisfy(part -> assertThat(part.seen().firstPicture()).isGreaterThan(30));
        assertThat(parts)
                .anySatisfy(part -> assertThat(part.seen().lastPicture()).isLessThan(30));
        PictureSource unreadable = new Damaged(STEADY, n -> true);
        assertThatThrownBy(() -> parts(unreadable)).isInstanceOf(PictureUnavailableException.class);
    }

    @Test
    void nothingIsFollowedAcrossACut() throws Exception {
        MovingClip other = new MovingClip(9, FRAMES, 8, false, -1);
        MovingClip first = new MovingClip(1, FRAMES, 8, false, -1);
        PictureSource cut = new HandHeldClip(frame -> (frame < 12 ? first : other).picture(frame), 24, 1, 0);
        List<MovingPart> parts = MovingParts.of(cut, 0, 24, ON);
        assertThat(parts).isNotEmpty();
        assertThat(parts)
                .allMatch(part -> part.seen().lastPicture() < 12 || part.seen().firstPicture() >= 12);
    }

    /** A thing that rests for longer than all of its rest is kept, and then goes away. */
    @Test
    void aMoveAfterALongRestIsFoundFromItsStartOn() throws Exception {
        MovingClip moving = new MovingClip(1, FRAMES, 8, false, -1);
        int rest = 260;
        Luma resting = moving.picture(0);
        HandHeldClip clip =
                new HandHeldClip(frame -> frame <= rest ? resting : moving.picture(frame - rest), rest + 20, 1, 0);
        MovingPart first = MovingParts.of(clip, 0, rest + 20, ON).get(0);
        assertThat(first.seen().firstPicture()).isBetween(rest - 250, rest);
        assertThat(first.seen().lastPicture()).isGreaterThan(rest + 10);
        assertThat(first.seen()
                        .at(rest)
                        .orElseThrow()
                        .distance(first.seen().places().get(0)))
                .isLessThan(1);
    }

    @Test
    void pixelsTooFewToSeeAnythingAndPicturesOfAnotherSizeHaveNoParts() throws Exception {
        Particles particles = new Particles();
        Luma small = new Luma(new byte[12], 4, 3);
        particles.move(1, new Pyramid(small), new Pyramid(small));
        Luma large = STEADY.luma(0);
        particles.move(2, new Pyramid(small), new Pyramid(large));
        particles.move(3, new Pyramid(large), new Pyramid(large));
        assertThat(particles.ended()).isEmpty();
    }

    @Test
    void onlyTheRangeIsLookedAtAndTheWorkCanBeCancelled() throws Exception {
        assertThat(MovingParts.of(new Damaged(STEADY, n -> n < 20 || n >= 50), 20, 50, ON))
                .isNotEmpty()
                .allSatisfy(part -> assertThat(part.seen().firstPicture()).isBetween(20, 49));
        assertThatThrownBy(() -> MovingParts.of(STEADY, 0, FRAMES, (done, total) -> done < 5))
                .isInstanceOf(CancellationException.class);
    }

    /** One picture again and again, in fresh grain, its light as it flickers, before a camera on a stand or held by hand. */
    @Property(tries = 6, edgeCases = EdgeCasesMode.NONE)
    void inAStillClipNothingMoves(
            @ForAll long seed, @ForAll @DoubleRange(max = 9) double grain, @ForAll boolean flickers) throws Exception {
        Luma scene = new MovingClip(seed, 1, 0, false, -1).picture(0);
        HandHeldClip still = new HandHeldClip(
                frame -> {
                    Random random = new Random(seed * 31 + frame);
                    double gain = flickers ? 1 + 0.04 * random.nextGaussian() : 1;
                    byte[] out = scene.values().clone();
                    for (int i = 0; i < out.length; i++) {
                        double value = gain * (out[i] & 255) + grain * random.nextGaussian();
                        out[i] = (byte) Math.max(0, Math.min(255, Math.round(value)));
                    }
                    return new Luma(out, scene.width(), scene.height());
                },
                FRAMES,
                seed,
                (seed & 1) * 3);
        List<MovingPoint> points = new ArrayList<>();
        for (MovingPart part : parts(still)) {
            points.add(MovingPoint.of("part " + points.size(), part.steady()));
        }
        assertThat(keys(points, still.displaySize().height())).isEmpty();
    }
}
