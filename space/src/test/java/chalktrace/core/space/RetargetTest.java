package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class RetargetTest {

    /** name, the one it hangs on, and where from there, with the arms held out level. */
    private static final Object[][] BODY = {
        {"hips", -1, 0.0, 1.0, 0.0},
        {"spine", 0, 0.0, 0.3, 0.0},
        {"neck", 1, 0.0, 0.3, 0.05},
        {"head", 2, 0.0, 0.2, 0.0},
        {"left arm", 1, 0.2, 0.2, 0.0},
        {"left forearm", 4, 0.3, 0.0, 0.0},
        {"left hand", 5, 0.25, 0.0, 0.0},
        {"right arm", 1, -0.2, 0.2, 0.0},
        {"right forearm", 7, -0.3, 0.0, 0.0},
        {"right hand", 8, -0.25, 0.0, 0.0},
        {"left thigh", 0, 0.1, -0.1, 0.0},
        {"left shin", 10, 0.0, -0.45, 0.0},
        {"left foot", 11, 0.0, -0.45, 0.0},
        {"right thigh", 0, -0.1, -0.1, 0.0},
        {"right shin", 13, 0.0, -0.45, 0.0},
        {"right foot", 14, 0.0, -0.45, 0.0}
    };

    private static final Quaternion LYING = Quaternion.about(new Point3(1, 0, 0), 90);

    private static final List<JointPair> PAIRS = Arrays.stream(BODY)
            .map(joint -> new JointPair((String) joint[0], (String) joint[0]))
            .toList();

    private static Point3 offset(Object[] joint) {
        return new Point3((double) joint[2], (double) joint[3], (double) joint[4]);
    }

    /** A lender whose joints swing at random about where they rest, walking along z; with z up if so made. */
    private static Figure lender(long seed, boolean zUp) {
        SplittableRandom random = new SplittableRandom(seed);
        StickFigure figure = new StickFigure();
        List<Channel> channels = new ArrayList<>();
        float[] seconds = {0, 0.5f, 1};
        for (int j = 0; j < BODY.length; j++) {
            Point3 at = offset(BODY[j]);
            figure.add((String) BODY[j][0], (int) BODY[j][1], zUp ? turn(LYING, at) : at);
            float[] turns = new float[12];
            for (int k = 0; k < 3; k++) {
                Point3 axis = new Point3(
                                random.nextDouble() - 0.5, random.nextDouble() - 0.5, random.nextDouble() - 0.5)
                        .unit();
                Quaternion q = Quaternion.about(axis, 70 * random.nextDouble());
                System.arraycopy(
                        new float[] {(float) q.x(), (float) q.y(), (float) q.z(), (float) q.w()}, 0, turns, 4 * k, 4);
            }
            channels.add(new Channel(j, Channel.Property.TURN, Channel.Way.LINEAR, seconds, turns));
        }
        float[] walk = new float[9];
        for (int k = 0; k < 3; k++) {
            Point3 at = new Point3(0.05, 1, 0.7 * k);
            at = zUp ? turn(LYING, at) : at;
            System.arraycopy(new float[] {(float) at.x(), (float) at.y(), (float) at.z()}, 0, walk, 3 * k, 3);
        }
        channels.add(new Channel(0, Channel.Property.MOVE, Channel.Way.LINEAR, seconds, walk));
        return new Figure(figure.model(List.of(new Motion("walk", channels)), List.of()));
    }

    /**
     * Twice as large, arms hanging down by 40 degrees, each joint with axes of its own, all under a node that turns, scales and moves as exporters
     * write it, a joint more in the arm.
     */
    private static Figure own(long seed) {
        return own(seed, 2);
    }

    /** @param arms how many times longer than the lender's they are; all else is twice as long */
    private static Figure own(long seed, double arms) {
        SplittableRandom random = new SplittableRandom(seed + 99);
        List<Node> nodes = new ArrayList<>();
        Quaternion lie = Quaternion.about(new Point3(1, 0, 0), -90);
        nodes.add(
                Node.of("armature", -1, new Stance(new Point3(3, 0, 0), lie, new Point3(0.01, 0.01, 0.01)), List.of()));
        Matrix4[] places = new Matrix4[BODY.length + 1];
        places[0] = Matrix4.of(nodes.get(0).stance());
        Point3[] at = new Point3[BODY.length];
        for (int j = 0; j < BODY.length; j++) {
            String name = (String) BODY[j][0];
            boolean arm = name.contains("arm") || name.contains("hand");
            Point3 offset = offset(BODY[j]).times(arm ? arms : 2);
            if (name.contains("forearm") || name.contains("hand")) {
                double down = name.startsWith("left") ? -40 : 40;
                offset = turn(Quaternion.about(new Point3(0, 0, 1), down), offset);
            }
            int parent = (int) BODY[j][1];
            at[j] = parent < 0 ? offset.plus(new Point3(3, 0, 0)) : at[parent].plus(offset);
            Quaternion axes = Quaternion.about(
                    new Point3(random.nextDouble() - 0.5, random.nextDouble() - 0.5, random.nextDouble() - 0.5).unit(),
                    180 * random.nextDouble());
            Matrix4 place = Matrix4.of(new Stance(at[j], axes, new Point3(0.01, 0.01, 0.01)));
            Matrix4 above = places[parent + 1];
            nodes.add(Node.of(name, parent + 1, above.inverse().times(place).stance(), List.of()));
            places[j + 1] = place;
        }
        return new Figure(new Model(nodes, List.of(), List.of(), List.of(), List.of(), "", List.of()));
    }

    private static Point3 turn(Quaternion by, Point3 point) {
        return Matrix4.of(new Stance(Point3.ZERO, by, new Point3(1, 1, 1))).point(point);
    }

    private static Pose lent(Figure own, Figure lender, List<JointPair> pairs, double seconds) {
        Figure on = new Borrowed("f", "walk", pairs).on(own, false, lender);
        return on.pose(on.model().motions().stream().findFirst(), seconds);
    }

    private static Point3 limb(Pose pose, String name) {
        Model model = pose.figure().model();
        int node = model.node(name);
        return pose.joint(node)
                .minus(pose.joint(model.nodes().get(node).parent()))
                .unit();
    }

    /** What counts to the eye: each limb with one below points where the lender's does, at keys and in between. */
    @Property(tries = 60)
    void limbsPointWhereTheLendersDo(@ForAll long seed, @ForAll boolean zUp) {
        Figure lender = lender(seed, zUp);
        Figure own = own(seed);
        for (double seconds : new double[] {0, 0.25, 0.5, 0.8, 1}) {
            Pose theirs = lender.pose(lender.model().motion("walk"), seconds);
            Pose mine = lent(own, lender, PAIRS, seconds);
            for (String name : List.of("left hand", "right hand", "left forearm", "left shin", "right foot", "head")) {
                Point3 wanted = limb(theirs, name);
                Point3 upright = zUp ? turn(LYING.inverse(), wanted) : wanted;
                assertThat(limb(mine, name).minus(upright).length())
                        .as(name + " at " + seconds)
                        .isLessThan(seconds == 0.25 || seconds == 0.8 ? 0.01 : 1e-4);
            }
        }
    }

    /** Twice the legs make twice the way, from where the model stands. */
    @Property(tries = 20)
    void itWalksAsFarAsItsLegsAreLong(@ForAll long seed, @ForAll boolean zUp) {
        Figure lender = lender(seed, zUp);
        Figure own = own(seed);
        Point3 start = lent(own, lender, PAIRS, 0).joint(1);
        Point3 end = lent(own, lender, PAIRS, 1).joint(1);
        assertThat(start.x()).isCloseTo(own.rest().joint(1).x(), within(1e-4));
        assertThat(start.z()).isCloseTo(own.rest().joint(1).z(), within(1e-4));
        assertThat(end.minus(start).length()).isCloseTo(2 * 1.4, within(1e-3));
    }

    @Property(tries = 20)
    void itsLowestJointTouchesTheFloorOnWhichItRests(@ForAll long seed) {
        Figure lender = lender(seed, false);
        Figure own = own(seed);
        double floor = lowest(own.rest());
        double reached = 1e9;
        for (int i = 0; i <= 24; i++) {
            reached = Math.min(reached, lowest(lent(own, lender, PAIRS, i / 24.0)));
        }
        assertThat(reached).isCloseTo(floor, within(1e-3));
    }

    /** Two who lie on their backs, set upright: what is true of one that was made upright is true of it. */
    @Property(tries = 10)
    void whatWasMadeLyingIsSetOnItsFloorWhenRaised(@ForAll long seed) {
        Figure lying = new Figure(lender(seed, true).model());
        Figure on = new Borrowed("f", "walk", PAIRS).on(lying, true, lender(seed + 1, false));
        Motion lent = on.model().motion("f: walk").orElseThrow();
        double reached = 1e9;
        for (int i = 0; i <= 24; i++) {
            reached = Math.min(
                    reached, lowest(on.raised().pose(on.raised().model().motion(lent.name()), i / 24.0)));
        }
        Pose stand = lying.raised().pose(lying.raised().model().motion("walk"), 0);
        assertThat(reached).isCloseTo(lowest(stand), within(1e-3));
    }

    /** Legs that follow nobody hang on the hips, and are what it stands on all the same. */
    @Property(tries = 20)
    void itStandsOnLegsThatFollowNobody(@ForAll long seed) {
        List<JointPair> arms = PAIRS.stream()
                .filter(pair -> !pair.joint().matches(".*(thigh|shin|foot)"))
                .toList();
        Figure own = own(seed);
        double reached = 1e9;
        for (int i = 0; i <= 24; i++) {
            reached = Math.min(reached, lowest(lent(own, lender(seed, false), arms, i / 24.0)));
        }
        assertThat(reached).isCloseTo(lowest(own.rest()), within(1e-3));
    }

    private static double lowest(Pose pose) {
        double low = 1e9;
        for (int n = 1; n < pose.figure().model().nodes().size(); n++) {
            low = Math.min(low, pose.joint(n).y());
        }
        return low;
    }

    @Test
    void withoutPairsItRestsAndAJointThatIsNotPairedKeepsToTheOneAbove() {
        Figure lender = lender(5, false);
        Figure own = own(5);
        assertThat(lent(own, lender, List.of(), 0.5).joint(7))
                .isEqualTo(own.rest().joint(7));
        List<JointPair> noHand = new Borrowed("f", "walk", PAIRS)
                .with("left forearm", Optional.empty())
                .pairs();
        Pose pose = lent(own, lender, noHand, 0.5);
        int upper = own.model().node("left arm");
        Matrix4 atRest = own.rest().place(upper).inverse().times(own.rest().place(upper + 1));
        Matrix4 now = pose.place(upper).inverse().times(pose.place(upper + 1));
        for (int i = 0; i < 12; i++) {
            assertThat(now.at(i / 4, i % 4)).isCloseTo(atRest.at(i / 4, i % 4), within(1e-6));
        }
    }

    /** Davenport's problem with a known answer: a turn is found again from what it did, also one of 180 degrees. */
    @Property(tries = 200)
    void aTurnIsFoundFromWhatItDid(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Quaternion turn = Quaternion.about(
                new Point3(random.nextDouble() - 0.5, random.nextDouble() - 0.5, random.nextDouble() - 0.5).unit(),
                random.nextInt(4) == 0 ? 180 : 360 * random.nextDouble());
        List<Point3> from = new ArrayList<>();
        List<Point3> to = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Point3 axis = new Point3(i == 0 ? 1 : 0, i == 1 ? 1 : 0.1, i == 2 ? 1 : 0).unit();
            from.add(axis);
            to.add(turn(turn, axis));
        }
        assertThat(Math.abs(Directions.turn(from, to).dot(turn))).isCloseTo(1, within(1e-6));
    }

    /** A long-armed figure walks as far as its legs carry it. */
    @Test
    void theWayIsAsMuchLongerAsTheLegsAreWhateverTheArms() {
        Figure lender = lender(4, false);
        Figure own = own(4, 6);
        int hips = own.model().node((String) BODY[0][0]);
        int theirs = lender.model().node((String) BODY[0][0]);
        double way = lent(own, lender, PAIRS, 1)
                .joint(hips)
                .minus(lent(own, lender, PAIRS, 0).joint(hips))
                .length();
        double lent = lender.pose(lender.model().motions().stream().findFirst(), 1)
                .joint(theirs)
                .minus(lender.pose(lender.model().motions().stream().findFirst(), 0)
                        .joint(theirs))
                .length();
        assertThat(way / lent).isCloseTo(2, within(0.1));
    }
}
