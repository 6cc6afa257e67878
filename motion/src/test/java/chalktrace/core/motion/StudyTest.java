package chalktrace.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.Movements;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class StudyTest {

    private static final StudySettings USUAL = StudySettings.usual(1080);

    private static List<Integer> frames(List<MotionProposal> proposals) {
        return proposals.stream().map(MotionProposal::frame).toList();
    }

    private static List<Integer> keys(MovingPoint point) {
        return frames(Study.of(List.of(point), USUAL).keys());
    }

    /** A path with a place on each frame, straight and eased from knot to knot. */
    private static MovingPoint through(int[] frames, double[][] places) {
        double[] x = new double[frames[frames.length - 1] + 1];
        double[] y = new double[x.length];
        for (int i = 0; i + 1 < frames.length; i++) {
            for (int frame = frames[i]; frame <= frames[i + 1]; frame++) {
                double share = (double) (frame - frames[i]) / (frames[i + 1] - frames[i]);
                x[frame] = places[i][0] + share * (places[i + 1][0] - places[i][0]);
                y[frame] = places[i][1] + share * (places[i + 1][1] - places[i][1]);
            }
        }
        return new MovingPoint("hand", 0, x, y);
    }

    @Test
    void keysAreFoundOnTheTurnsOfMovementsThatNobodyMadeToFit() {
        long fresh = new Random().nextLong();
        System.out.println("StudyTest: fresh seed " + fresh);
        int turns = 0;
        int exact = 0;
        int near = 0;
        int extra = 0;
        for (long seed = 0; seed < 100; seed++) {
            Movements.Known known = Movements.swings(seed < 50 ? seed : fresh + seed, 1);
            List<Integer> found = keys(known.point());
            for (int turn : known.turns().subList(1, known.turns().size() - 1)) {
                turns++;
                exact += found.contains(turn) ? 1 : 0;
                near += found.stream().anyMatch(key -> Math.abs(key - turn) <= 1) ? 1 : 0;
            }
            extra += (int) found.stream()
                    .filter(key -> known.turns().stream().noneMatch(turn -> Math.abs(key - turn) <= 2))
                    .count();
        }
        assertThat(exact / (double) turns).as("on the frame").isGreaterThan(0.95);
        assertThat(near / (double) turns).as("within one frame").isGreaterThan(0.98);
        assertThat(extra / (double) turns).as("keys where nothing turns").isLessThan(0.02);
    }

    /** Common practice: keys 1, 8, 12 and 19 with the breakdowns 5, 10 and 14, counted from 1. */
    @Test
    void theWorkedExampleComesOut() {
        MovingPoint hand = through(
                new int[] {0, 4, 7, 11, 13, 18},
                new double[][] {{100, 500}, {140, 300}, {300, 200}, {120, 420}, {190, 330}, {460, 330}});
        Study study = Study.of(List.of(hand), USUAL);
        assertThat(frames(study.keys())).containsExactly(0, 7, 11, 18);
        assertThat(frames(study.breakdowns())).containsExactly(4, 9, 13);
        assertThat(study.breakdowns().get(1).reason()).isEqualTo("half way between the keys");
    }

    @Test
    void contactsOfWalksAreFoundWithinAFrame() {
        long fresh = new Random().nextLong();
        System.out.println("StudyTest: fresh seed of walks " + fresh);
        int all = 0;
        int near = 0;
        for (long seed = 0; seed < 100; seed++) {
            Movements.Known known = Movements.walkingFoot(seed < 50 ? seed : fresh + seed, 1);
            List<Integer> found = frames(Study.of(List.of(known.point()), USUAL).contacts());
            for (int contact : known.turns()) {
                all++;
                near += found.stream().anyMatch(frame -> Math.abs(frame - contact) <= 1) ? 1 : 0;
            }
            assertThat(found)
                    .as("walk " + seed)
                    .hasSizeLessThanOrEqualTo(known.turns().size() + 1);
        }
        assertThat(near / (double) all).isGreaterThan(0.99);
    }

    @Test
    void aHandThatSwingsTouchesNothing() {
        long fresh = new Random().nextInt();
        System.out.println("StudyTest: fresh seed of swinging hands " + fresh);
        assertThat(contactsOfEachHand(0, 300)).isLessThan(0.4);
        assertThat(contactsOfEachHand(fresh, 100)).isLessThan(0.85);
    }

    /** Each has about five low ends. */
    private static double contactsOfEachHand(long firstSeed, int hands) {
        return LongStream.range(firstSeed, firstSeed + hands)
                .mapToObj(seed -> Movements.swingingHand(seed, 1))
                .mapToInt(hand -> Study.of(List.of(hand), USUAL).contacts().size())
                .average()
                .orElseThrow();
    }

    /**
     * Hands, heads and hips that are led from pose to pose, up and down by turns, and rest there: by the curve of least jerk (Flash and Hogan, "The coordination of arm
     * movements", J. Neurosci. 5, 1985), which comes to rest softly. Each has some seven low places.
     */
    @Test
    void whatIsLedToRestTouchesNothing() {
        long fresh = new Random().nextInt();
        System.out.println("StudyTest: fresh seed of poses " + fresh);
        int contacts = 0;
        for (long seed = 0; seed < 200; seed++) {
            MovingPoint led = Movements.ledFromPoseToPose(seed < 100 ? seed : fresh + seed, 0.5);
            contacts += Study.of(List.of(led), USUAL).contacts().size();
        }
        // Common practice has no number for it: one in ten of what a walk of so many steps would have.
        assertThat(contacts).isLessThan(200 * 7 / 10);
    }

    /** Where the floor is given, what rests on it is a contact however softly it came. */
    @Test
    void whatRestsOnTheFloorLineIsAContact() {
        MovingPoint cup = through(
                new int[] {0, 10, 14, 17, 19, 20, 40},
                new double[][] {{300, 300}, {300, 520}, {300, 570}, {300, 590}, {300, 598}, {300, 600}, {300, 600}});
        StudySettings onFloor = USUAL.withFloorY(OptionalDouble.of(600));
        assertThat(Study.of(List.of(cup), USUAL).contacts()).isEmpty();
        assertThat(Study.of(List.of(cup), onFloor).contacts())
                .singleElement()
                .satisfies(contact -> assertThat(contact.frame()).isBetween(14, 20));
    }

    /** A movement that only just begins as its path ends has two keys next to each other. */
    @Test
    void betweenTwoFramesNothingIsAdvised() {
        int beside = 0;
        for (long seed = 0; seed < 200; seed++) {
            Study study = Study.of(List.of(Movements.ledFromPoseToPose(seed, 0.5)), USUAL.withCoarse(0.3));
            List<Integer> keys = frames(study.keys());
            beside += keys.stream().anyMatch(frame -> keys.contains(frame + 1)) ? 1 : 0;
            assertThat(study.spans()).noneMatch(span -> span.to() - span.from() < 2);
        }
        assertThat(beside).isPositive();
    }

    @Test
    void whereABallSpringsBackIsFoundWithinAFrame() {
        long fresh = new Random().nextLong();
        System.out.println("StudyTest: fresh seed of balls " + fresh);
        int all = 0;
        int near = 0;
        int extra = 0;
        for (long seed = 0; seed < 100; seed++) {
            Movements.Known known = Movements.bouncingBall(seed < 50 ? seed : fresh + seed, 1);
            List<MotionProposal> contacts =
                    Study.of(List.of(known.point()), USUAL).contacts();
            assertThat(contacts)
                    .extracting(MotionProposal::reason)
                    .allMatch(reason -> reason.startsWith("comes down and springs back"));
            List<Integer> found = frames(contacts);
            all += known.turns().size();
            for (int contact : known.turns()) {
                near += found.stream().anyMatch(frame -> Math.abs(frame - contact) <= 1) ? 1 : 0;
            }
            for (int frame : found) {
                extra += known.turns().stream().noneMatch(contact -> Math.abs(frame - contact) <= 1) ? 1 : 0;
            }
        }
        assertThat(near / (double) all).isGreaterThan(0.9);
        assertThat(extra / (double) all).isLessThan(0.02);
    }

    @Test
    void aPathThatIsReversedInTimeHasTheSameKeys() {
        for (long seed = 0; seed < 20; seed++) {
            MovingPoint point = Movements.swings(seed, 0).point();
            int frames = point.lastFrame() + 1;
            double[] x = new double[frames];
            double[] y = new double[frames];
            Arrays.setAll(x, i -> point.x(frames - 1 - i));
            Arrays.setAll(y, i -> point.y(frames - 1 - i));
            List<Integer> back = new ArrayList<>(keys(new MovingPoint("hand", 0, x, y)).stream()
                    .map(frame -> frames - 1 - frame)
                    .toList());
            back.sort(null);
            assertThat(back).as("seed " + seed).isEqualTo(keys(point));
        }
    }

    @Test
    void aLargerPictureHasTheSameKeysAndALargerSpacing() {
        MovingPoint point = Movements.swings(3, 0).point();
        int frames = point.lastFrame() + 1;
        double[] x = new double[frames];
        double[] y = new double[frames];
        Arrays.setAll(x, i -> 2 * point.x(i));
        Arrays.setAll(y, i -> 2 * point.y(i));
        MovingPoint larger = new MovingPoint("hand", 0, x, y);
        assertThat(frames(Study.of(List.of(larger), StudySettings.usual(2160)).keys()))
                .isEqualTo(keys(point));
        assertThat(larger.spacing(5).orElseThrow())
                .isCloseTo(2 * point.spacing(5).orElseThrow(), within(1e-9));
    }

    @Test
    void aPointAtRestInGrainHasNoKeys() {
        Random random = new Random(8);
        double[] x = new double[80];
        double[] y = new double[80];
        Arrays.setAll(x, i -> 300 + random.nextGaussian());
        Arrays.setAll(y, i -> 300 + random.nextGaussian());
        Study study = Study.of(List.of(new MovingPoint("cup", 0, x, y)), USUAL);
        assertThat(study.proposals()).isEmpty();
    }

    @Test
    void aRestBetweenTwoMovesIsAHoldWithAKeyAtEachEnd() {
        MovingPoint hand =
                through(new int[] {0, 10, 30, 40}, new double[][] {{100, 100}, {400, 100}, {400, 100}, {400, 500}});
        Study study = Study.of(List.of(hand), USUAL);
        assertThat(frames(study.keys())).containsExactly(0, 10, 30, 40);
        assertThat(study.spans().get(1)).isEqualTo(new SpanAdvice(10, 30, 20, "nothing moves: a hold"));
        assertThat(frames(study.breakdowns())).noneMatch(frame -> frame > 10 && frame < 30);
    }

    /** Common practice: a short move against the main one before it. */
    @Test
    void aShortMoveBackBeforeTheMainOneIsAnticipation() {
        MovingPoint hand = through(
                new int[] {0, 12, 20, 30, 50},
                new double[][] {{300, 400}, {300, 400}, {240, 400}, {700, 400}, {700, 400}});
        Study study = Study.of(List.of(hand), USUAL);
        assertThat(study.keys()).anySatisfy(key -> {
            assertThat(key.frame()).isEqualTo(20);
            assertThat(key.reason()).contains("anticipation, 60 px against the 460 px");
        });
    }

    @Test
    void slowMovesAreAdvisedOnTwosOrThreesAndFastOnesOnOnes() {
        // 8 percent of 1080 px is 86.4 px from drawing to drawing.
        MovingPoint slow = through(new int[] {0, 24}, new double[][] {{0, 0}, {24 * 9, 0}});
        MovingPoint medium = through(new int[] {0, 24}, new double[][] {{0, 0}, {24 * 40, 0}});
        MovingPoint steady = through(new int[] {0, 24}, new double[][] {{0, 0}, {24 * 20, 0}});
        MovingPoint fast = through(new int[] {0, 24}, new double[][] {{0, 0}, {24 * 50, 0}});
        assertThat(Study.of(List.of(slow), USUAL).spans().get(0).every()).isEqualTo(3);
        // 60 px over three frames would pass for twos, and is too far for threes.
        assertThat(Study.of(List.of(steady), USUAL).spans().get(0).every()).isEqualTo(2);
        assertThat(Study.of(List.of(medium), USUAL).spans().get(0).every()).isEqualTo(2);
        assertThat(Study.of(List.of(fast), USUAL).spans().get(0).every()).isEqualTo(1);
    }

    @Test
    void aJumpOfOneFrameIsASmearCandidateAndItsBreakdownLiesBeforeIt() {
        MovingPoint hand =
                through(new int[] {0, 6, 7, 12}, new double[][] {{0, 500}, {40, 500}, {340, 500}, {380, 500}});
        Study study = Study.of(List.of(hand), USUAL);
        assertThat(study.smears()).singleElement().satisfies(smear -> {
            assertThat(smear.frame()).isEqualTo(7);
            assertThat(smear.reason()).isEqualTo("largest spacing: 300 px, 28 % of the height");
        });
        assertThat(frames(study.breakdowns())).containsExactly(6);
    }

    @Test
    void aMoveBeforeAShakingCameraStartsAndStopsWhereItDoes() {
        double[] x = new double[100];
        double[] y = new double[100];
        for (int frame = 0; frame < x.length; frame++) {
            double share = Math.max(0, Math.min(1, (frame - 40) / 20.0));
            x[frame] = 200 + 400 * share * share * (3 - 2 * share) + 4 * Math.sin(frame / 3.1);
            y[frame] = 300 + 3 * Math.sin(frame / 2.3 + 1);
        }
        Study study = Study.of(List.of(new MovingPoint("cup", 0, x, y)), USUAL);
        assertThat(study.keys()).hasSize(2);
        assertThat(study.keys().get(0).frame()).isBetween(39, 43);
        assertThat(study.keys().get(0).reason()).isEqualTo("starts to move");
        assertThat(study.keys().get(1).frame()).isBetween(57, 61);
    }

    @Test
    void ofTwoPointsTheOneThatMovesMoreDecides() {
        MovingPoint hand = Movements.swings(5, 0).point();
        double[] x = new double[hand.lastFrame() + 1];
        Arrays.setAll(x, i -> 5 * Math.sin(i / 2.0));
        MovingPoint eye = new MovingPoint("eye", 0, x, new double[x.length]);
        List<MotionProposal> both = Study.of(List.of(hand, eye), USUAL).keys();
        assertThat(frames(both)).isEqualTo(keys(hand));
    }

    /** A hand, a head and a foot that move one after the other, and one that hardly does. */
    @Test
    void whatMovesAloneDecidesThoughOthersMoveFartherAtOtherTimes() {
        MovingPoint hand = named("hand", new int[] {0, 10, 30, 200}, new double[] {0, 0, 400, 400});
        MovingPoint head = named("head", new int[] {0, 80, 100, 200}, new double[] {0, 0, 60, 60});
        MovingPoint foot = named("foot", new int[] {0, 130, 150, 200}, new double[] {0, 0, 90, 90});
        MovingPoint breath = named("breath", new int[] {0, 170, 185, 200}, new double[] {0, 0, 12, 12});
        List<MotionProposal> keys =
                Study.of(List.of(hand, head, foot, breath), USUAL).keys();
        assertThat(keys).anySatisfy(key -> assertThat(key.frame()).isBetween(79, 82));
        assertThat(keys).anySatisfy(key -> assertThat(key.frame()).isBetween(98, 101));
        assertThat(keys).anySatisfy(key -> assertThat(key.frame()).isBetween(129, 132));
        assertThat(keys).as("a trifle, though all else rests").noneMatch(key -> key.frame() > 160);
    }

    private static MovingPoint named(String name, int[] frames, double[] x) {
        MovingPoint way = through(
                frames, Arrays.stream(x).mapToObj(px -> new double[] {px, 0}).toArray(double[][]::new));
        double[] places = new double[way.lastFrame() + 1];
        Arrays.setAll(places, way::x);
        return new MovingPoint(name, 0, places, new double[places.length]);
    }

    /** A point that is lost while it rests, and found again much later. */
    @Test
    void ofASpanInWhichNothingIsKnownNothingIsAdvised() {
        MovingPoint way = named("hand", new int[] {0, 10, 30, 120, 140, 160}, new double[] {0, 0, 300, 300, 0, 0});
        double[] x = new double[161];
        Arrays.setAll(x, frame -> frame > 40 && frame < 110 ? Double.NaN : way.x(frame));
        Study study = Study.of(List.of(new MovingPoint("hand", 0, x, new double[x.length])), USUAL);
        assertThat(study.spans()).isNotEmpty().noneMatch(span -> span.from() < 60 && span.to() > 90);
        assertThat(study.breakdowns()).isNotEmpty().noneMatch(breakdown -> Math.abs(breakdown.frame() - 75) < 30);
        assertThat(Study.of(List.of(way), USUAL).spans()).anyMatch(span -> span.from() < 60 && span.to() > 90);
    }

    @Test
    void aGapInThePathMakesNoTurn() {
        double[] x = new double[60];
        Arrays.setAll(x, i -> i < 25 || i >= 35 ? 10.0 * i : Double.NaN);
        Study study = Study.of(List.of(new MovingPoint("hand", 0, x, new double[60])), USUAL);
        assertThat(frames(study.keys())).containsExactly(0, 59);
    }

    /** Two turns so near each other are one key: where the way turns more. */
    @Test
    void ofTwoTurnsAtOnceTheSharperIsTheKey() {
        List<Integer> found = keys(
                through(new int[] {0, 20, 23, 43}, new double[][] {{100, 300}, {400, 300}, {434, 328}, {204, 521}}));
        assertThat(found).contains(23).doesNotContain(20);
        List<Integer> turnedRound = keys(
                through(new int[] {0, 20, 23, 43}, new double[][] {{204, 521}, {434, 328}, {400, 300}, {100, 300}}));
        assertThat(turnedRound).contains(20).doesNotContain(23);
    }

    /** A foot that comes to rest on a box beside the floor has not met the floor. */
    @Test
    void whatRestsAboveTheFloorIsNoContact() {
        MovingPoint foot = through(new int[] {0, 6, 12, 30, 36, 46, 52, 79}, new double[][] {
            {300, 100}, {300, 100}, {300, 440}, {300, 440}, {300, 100}, {300, 100}, {300, 500}, {300, 500}
        });
        List<Integer> found = frames(Study.of(List.of(foot), USUAL.withFloorY(OptionalDouble.of(500)))
                .contacts());
        assertThat(found).hasSize(1);
        assertThat(found.get(0)).isBetween(50, 53);
    }

    @Test
    void theFloorLineDecidesWhatAContactIs() {
        MovingPoint foot = Movements.walkingFoot(4, 0).point();
        StudySettings lower = USUAL.withFloorY(OptionalDouble.of(2000));
        assertThat(Study.of(List.of(foot), lower).contacts()).isEmpty();
    }
}
