package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * Finds where a hand turned a corner, while it draws: a place where the line turns by much more between two arms of a given
 * reach than it does just before and just after, so that a tight but even bend is none. What is smaller than the reach counts
 * as shaking. The measure is the turn between two arms as in Freeman, Davis, "A Corner-Finding Algorithm for Chain-Coded Curves",
 * IEEE Transactions on Computers 26, 1977; the comparison with what lies beside it is our own. Cost: constant for each sample
 * that is some way from the one before.
 */
final class Corners {

    private static final double LEAST_TURN = Math.toRadians(28);

    /** So many times more than beside it a corner turns. */
    private static final double SHARPER = 2;

    /** From here on left and right are one, and what lies beside does not count. */
    private static final double REVERSAL = Math.toRadians(150);

    /** A line that has only begun to leave a corner leaves it at least so far, in parts of the reach. */
    private static final double LEAST_ARM = 0.5;

    private static final double SPACING = 1.0 / 4;

    private static final double WIDEST_SPACING_PX = 2;

    /** The straight way to an arm's end is at least this share of the line's: a trembling hand turns within its arms. */
    private static final double STRAIGHT = 0.85;

    private final double reach;
    private final double spacing;
    private final List<PenSample> marks = new ArrayList<>();
    private final List<Double> along = new ArrayList<>();
    private final List<Integer> samples = new ArrayList<>();
    private final List<Integer> settled = new ArrayList<>();
    private final List<PenSample> line = new ArrayList<>();
    private final List<Double> turns = new ArrayList<>();

    /** Marks before this one are decided for good. */
    private int open;

    private int lastSettled = -1;
    private int[] found = {};

    /**
     * @param reach of an arm, in pixels
     * @param zoom pixels seen for a pixel
     */
    Corners(double reach, double zoom) {
        this.reach = reach;
        spacing = Math.min(reach * SPACING, WIDEST_SPACING_PX / zoom);
    }

    /** The numbers of the samples of a whole line that are corners, in rising order, its ends not among them. */
    static int[] of(List<PenSample> line, double reach) {
        Corners corners = new Corners(reach, 1);
        line.forEach(corners::mark);
        corners.decide();
        return corners.found;
    }

    /** Takes the next sample in. */
    void add(PenSample sample) {
        if (mark(sample)) {
            decide();
        }
    }

    /** The numbers of the samples that are corners as far as the line has come, in rising order. */
    int[] found() {
        return found;
    }

    /** Samples before this one are corners, or none, for good. */
    int settledBefore() {
        // The sample that sticks out may be one before its mark.
        return samples.isEmpty() ? 0 : samples.get(Math.max(0, Math.min(open, samples.size() - 1) - 1));
    }

    private boolean mark(PenSample sample) {
        line.add(sample);
        double step = marks.isEmpty() ? 0 : distance(marks.get(marks.size() - 1), sample);
        if (!marks.isEmpty() && step < spacing) {
            return false;
        }
        along.add(marks.isEmpty() ? 0 : along.get(along.size() - 1) + step);
        marks.add(sample);
        samples.add(line.size() - 1);
        return true;
    }

    private void decide() {
        int count = marks.size();
        turns.subList(Math.min(turns.size(), open), turns.size()).clear();
        for (int m = turns.size(); m < count; m++) {
            turns.add(m == 0 || m == count - 1 ? 0 : cornerTurn(m));
        }
        int closed = open;
        while (closed < count && reachesOn(closed)) {
            closed++;
        }
        List<Integer> now = new ArrayList<>();
        int before = lastSettled;
        for (int m = Math.max(1, open); m < count - 1; m++) {
            if (turns.get(m) > 0 && isSharpest(m, before)) {
                for (int part = m - 1; part <= m + 1; part++) {
                    if (part == m || isOtherHalf(part, m)) {
                        before = part;
                        (m < closed ? settled : now).add(apex(part));
                    }
                }
                lastSettled = m < closed ? before : lastSettled;
            }
        }
        open = closed;
        found = Stream.concat(settled.stream(), now.stream())
                .mapToInt(corner -> corner)
                .sorted()
                .distinct()
                .toArray();
    }

    /** Whether later marks change neither a mark's arms nor those of its neighbours. */
    private boolean reachesOn(int m) {
        int at = m;
        for (int arms = 0; arms < 3; arms++) {
            int next = arm(at, 1);
            if (away(at, next) < reach) {
                return false;
            }
            at = next;
        }
        return true;
    }

    /** The sample about a mark that sticks out most. */
    private int apex(int m) {
        double[] a = armEnd(m, -1);
        double[] b = armEnd(m, 1);
        int best = samples.get(m);
        double most = -1;
        for (int i = samples.get(m - 1) + 1; i < samples.get(m + 1); i++) {
            double out = Segments.distance(line.get(i).x(), line.get(i).y(), a[0], a[1], b[0], b[1]);
            if (out > most) {
                most = out;
                best = i;
            }
        }
        return best;
    }

    /** The turn of a corner at a mark, in radians; 0 where there is none. */
    private double cornerTurn(int m) {
        int back = arm(m, -1);
        int on = arm(m, 1);
        if (away(back, m) < reach * LEAST_ARM
                || away(on, m) < reach * LEAST_ARM
                || !isStraight(m, -1)
                || !isStraight(m, 1)) {
            return 0;
        }
        double turn = turn(m);
        double size = Math.abs(turn);
        if (size < LEAST_TURN) {
            return 0;
        }
        if (size < REVERSAL) {
            double beside = Math.max(sameWay(turn, back), sameWay(turn, on));
            if (size < SHARPER * beside && !isCutCorner(m, turn)) {
                return 0;
            }
        }
        return size;
    }

    private boolean isStraight(int m, int direction) {
        double[] end = armEnd(m, direction);
        double way = Math.min(reach, away(m, arm(m, direction)));
        return Math.hypot(end[0] - marks.get(m).x(), end[1] - marks.get(m).y()) >= STRAIGHT * way;
    }

    /** How much the line turns at another mark in the same direction. */
    private double sameWay(double turn, int m) {
        return Math.max(0, Math.signum(turn) * turn(m));
    }

    /** A fast hand's corner falls between two samples: both turn, and those before and after do not. */
    private boolean isCutCorner(int m, double turn) {
        for (int second : new int[] {m - 1, m}) {
            int a = second - 1;
            int b = second + 2;
            boolean sparse = second > 0 && second + 1 < marks.size() - 1 && away(second, second + 1) >= reach;
            if (sparse
                    && a > 0
                    && b < marks.size() - 1
                    && sameWay(turn, second) > LEAST_TURN / 2
                    && sameWay(turn, second + 1) > LEAST_TURN / 2
                    && sameWay(turn, a) + sameWay(turn, b) < Math.abs(turn) / 2) {
                return true;
            }
        }
        return false;
    }

    /** Where a fast hand's corner falls between two samples, the one beside the sharper turns as well. */
    private boolean isOtherHalf(int m, int corner) {
        if (m < 1 || m >= marks.size() - 1 || away(m, corner) < reach * LEAST_ARM) {
            return false;
        }
        PenSample before = marks.get(m - 1);
        PenSample at = marks.get(m);
        PenSample after = marks.get(m + 1);
        double turn = angle(at.x() - before.x(), at.y() - before.y(), after.x() - at.x(), after.y() - at.y());
        return Math.abs(turn) >= LEAST_TURN && away(m, 2 * m - corner) >= reach * LEAST_ARM;
    }

    /** Of the marks within reach of each other only the one that sticks out most is the corner. */
    private boolean isSharpest(int m, int before) {
        if (arm(m, -1) < before) {
            return false;
        }
        double out = sticksOut(m);
        for (int other = arm(m, -1) + 1; other < Math.min(marks.size() - 1, arm(m, 1)); other++) {
            if (other != m && turns.get(other) > 0 && sticksOut(other) > out) {
                return false;
            }
        }
        return true;
    }

    /** How far a mark lies from the line between the ends of its arms. */
    private double sticksOut(int m) {
        double[] a = armEnd(m, -1);
        double[] b = armEnd(m, 1);
        PenSample at = marks.get(m);
        return Segments.distance(at.x(), at.y(), a[0], a[1], b[0], b[1]);
    }

    /** The place a reach away from a mark along the line, or the line's end. */
    private double[] armEnd(int m, int direction) {
        int far = arm(m, direction);
        PenSample end = marks.get(far);
        if (far == m) {
            return new double[] {end.x(), end.y()};
        }
        PenSample within = marks.get(far - direction);
        double beyond = away(m, far) - reach;
        double share = beyond <= 0 ? 1 : 1 - beyond / away(far, far - direction);
        return new double[] {within.x() + share * (end.x() - within.x()), within.y() + share * (end.y() - within.y())};
    }

    /** The first mark in a direction that is a reach away along the line; the end of the line when none is. */
    private int arm(int m, int direction) {
        int at = m;
        while (at + direction >= 0 && at + direction < marks.size() && away(at, m) < reach) {
            at += direction;
        }
        return at;
    }

    private double turn(int m) {
        PenSample at = marks.get(m);
        double[] from = armEnd(m, -1);
        double[] to = armEnd(m, 1);
        return angle(at.x() - from[0], at.y() - from[1], to[0] - at.x(), to[1] - at.y());
    }

    private static double angle(double ux, double uy, double vx, double vy) {
        return Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
    }

    /** Along the line. */
    private double away(int mark, int other) {
        return Math.abs(along.get(mark) - along.get(other));
    }

    private static double distance(PenSample a, PenSample b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }
}
