package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * Finds where a hand turned a corner, while it draws. A corner is told from a bend by how the turn is spread: all of it happens at one
 * mark of the line or at two neighbouring ones, and right beside them the line turns no more than it does farther out. At the narrow end
 * of an oval, however tight, the turn falls off from mark to mark instead. Marks are the pen's own samples; where samples lie
 * closer than a hand trembles, one mark stands for all of them within that distance. No other length is compared with, so that a
 * small round shape is as round as a large one. The measure is our own; cost: constant for each mark.
 */
final class Corners {

    /** A corner turns by at least this much, and so do two straight arms about it. */
    private static final double LEAST_TURN = Math.toRadians(24);

    /** With a single piece of the line on one of its sides there is too little to tell a gentle corner from a bend. */
    private static final double LEAST_AT_END = Math.toRadians(60);

    /** How much of a corner's turn may happen beside it, by the count of marks that it takes. */
    private static final double[] BESIDE = {0, 0.2, 0.06};

    /** What trembles turns this much without a reason, and more where marks lie close. */
    private static final double TREMBLE = Math.toRadians(2.5);

    private static final double TREMBLE_PX = 0.3;

    /** From here on left and right are one, and what lies beside does not count. */
    private static final double REVERSAL = Math.toRadians(150);

    /** About a corner a line turns on the whole no more at a mark than this share of the turn at the corner's marks. */
    private static final double SHARPER = 0.08;

    /** On a single side of it no more than this share. */
    private static final double SIDE_SHARPER = 0.5;

    /** A side that turns by no more than this share of the corner is straight. */
    private static final double STRAIGHT = 0.1;

    /** A corner happens at one mark, or, where it falls between two, at both. */
    private static final int MOST_MARKS = 2;

    /** So many marks on each side of a corner are looked at. */
    private static final int AROUND = 4;

    /** A turn of which this share is taken back within so long, and so many spacings of way, is a tremble: a hand does not zigzag on purpose six times a second. */
    private static final double TAKEN_BACK = 0.7;

    private static final double TREMBLING_SECONDS = 0.08;

    private static final int TREMBLING_MARKS = 7;

    /** Marks farther apart than so many times the spacing are the pen's own samples. */
    private static final double SPARSE = 3;

    /** Of a corner that falls between sparse samples each of them turns at least so much. */
    private static final double PART = Math.toRadians(10);

    private final double spacing;
    private final double zoom;
    private final Marks marks;
    private final List<Integer> settled = new ArrayList<>();

    /** Marks before this one are decided for good. */
    private int open = 1;

    /** The last mark of the last corner that is decided for good. */
    private int settledEnd = -2;

    /** The corners that are not decided for good yet. */
    private List<Integer> pending = List.of();

    private int[] found = {};

    /**
     * @param spacing of marks, in pixels: what is smaller counts as trembling
     * @param zoom pixels seen for a pixel
     */
    Corners(double spacing, double zoom) {
        this.spacing = spacing;
        this.zoom = zoom;
        marks = new Marks(spacing);
    }

    /** The numbers of the samples of a whole line that are corners, in rising order, its ends not among them. */
    static int[] of(List<PenSample> line, double spacing) {
        Corners corners = new Corners(spacing, 1);
        line.forEach(corners.marks::add);
        corners.decide();
        return corners.found;
    }

    /** Takes the next sample in. */
    void add(PenSample sample) {
        marks.add(sample);
        decide();
    }

    /** The numbers of the samples that are corners as far as the line has come, in rising order. */
    int[] found() {
        return found;
    }

    Marks marks() {
        return marks;
    }

    private void decide() {
        // The last mark's place, and with it the turn before it, still changes.
        int last = marks.count() - 2;
        int end = settledEnd;
        int settledBefore = settled.size();
        List<Integer> now = new ArrayList<>();
        int decided = open;
        for (int m = open; m <= last; m++) {
            int size = m > end + 1 ? cornerAt(m, last) : 0;
            if (size > 0) {
                now.addAll(samples(m, size));
                end = m + size - 1;
            }
            if (m == decided && last - m >= MOST_MARKS + TREMBLING_MARKS) {
                settled.addAll(now);
                now.clear();
                settledEnd = end;
                decided = m + 1;
            }
        }
        open = decided;
        if (settled.size() != settledBefore || !now.equals(pending)) {
            pending = now;
            found = Stream.concat(settled.stream(), now.stream())
                    .mapToInt(corner -> corner)
                    .sorted()
                    .distinct()
                    .toArray();
        }
    }

    /** How many marks the corner takes that begins at a mark; 0 where none does. */
    private int cornerAt(int m, int last) {
        for (int size = 1; size <= MOST_MARKS && m + size - 1 <= last; size++) {
            if (isCorner(m, m + size - 1)) {
                return size;
            }
        }
        return 0;
    }

    private boolean isCorner(int from, int to) {
        double turn = 0;
        for (int m = from; m <= to; m++) {
            turn += marks.turn(m);
        }
        double size = Math.abs(turn);
        int marksTaken = to - from + 1;
        if (size < LEAST_TURN
                || Math.abs(marks.turn(from)) < PART
                || Math.abs(marks.turn(to)) < PART
                || size < LEAST_AT_END && (from < 2 || to > marks.count() - 3)
                || armTurn(from, to, turn) < LEAST_TURN
                || trembles(from, -1, turn)
                || trembles(to, 1, turn)) {
            return false;
        }
        if (size >= REVERSAL && marksTaken == 1) {
            return true;
        }
        double allowed = BESIDE[marksTaken] * size + tremble(from, to);
        return around(from, to, turn) <= SHARPER * size / marksTaken
                && beside(from, -1, turn, allowed, size / marksTaken)
                && beside(to, 1, turn, allowed, size / marksTaken);
    }

    /** By how much the line turns at a mark about a corner; behind a straight piece the next corner may follow, which is none of its sides' bend. */
    private double around(int from, int to, double turn) {
        double sum = 0;
        for (int side = -1; side <= 1; side += 2) {
            int m = side < 0 ? from : to;
            double next = turnOf(m + side, m + 2 * side, turn);
            double farther = turnOf(m + 3 * side, m + 4 * side, turn);
            sum += next + (next <= STRAIGHT * Math.abs(turn) ? Math.min(farther, next) : farther);
        }
        return sum / (2 * AROUND);
    }

    /** Whether the line turns little on a side of a corner, and no more next to it than farther out. */
    private boolean beside(int m, int side, double turn, double allowed, double perMark) {
        double next = turnOf(m + side, m + 2 * side, turn);
        double usual = Math.max(0, turnOf(m + 3 * side, m + 4 * side, turn));
        return next - usual <= allowed && Math.max(next, usual) / 2 <= SIDE_SHARPER * perMark;
    }

    /** In the direction of a turn. */
    private double turnOf(int a, int b, double turn) {
        return Math.signum(turn) * (marks.turn(a) + marks.turn(b));
    }

    /** Whether a turn is taken back at once, as only a trembling hand does it: within a short time and way. */
    private boolean trembles(int m, int side, double turn) {
        double back = 0;
        double way = 0;
        double moment = marks.sample(marks.first(m)).seconds();
        for (int k = m + side; k > 0 && k < marks.count() - 1; k += side) {
            way += marks.distance(k, k - side);
            if (way > TREMBLING_MARKS * spacing
                    || Math.abs(marks.sample(marks.first(k)).seconds() - moment) > TREMBLING_SECONDS) {
                return false;
            }
            back -= Math.signum(turn) * marks.turn(k);
            if (back > TAKEN_BACK * Math.abs(turn)) {
                return true;
            }
        }
        return false;
    }

    /** By how much a line turns between arms about a corner, in its direction, in radians. */
    private double armTurn(int from, int to, double turn) {
        int back = arm(from, -1);
        int on = arm(to, 1);
        return Math.signum(turn) * marks.angle(back, from, to, on) > 0 || Math.abs(turn) >= REVERSAL
                ? Math.abs(marks.angle(back, from, to, on))
                : 0;
    }

    /** The mark at the end of an arm: two marks on, and some trembles away. */
    private int arm(int m, int side) {
        int at = m + side;
        while (at + side >= 0 && at + side < marks.count() && marks.distance(m, at) < 3 * spacing) {
            at += side;
        }
        return at;
    }

    private double tremble(int from, int to) {
        double px = Math.min(marks.distance(from, from - 1), marks.distance(to, to + 1)) * zoom;
        return TREMBLE + TREMBLE_PX / Math.max(0.1, px);
    }

    /** The samples that stand for a corner: where they lie close, the one that sticks out most, else all that turn. */
    private List<Integer> samples(int m, int size) {
        if (size == 2 && marks.distance(m, m + 1) > SPARSE * spacing) {
            return List.of(marks.first(m), marks.first(m + 1));
        }
        return List.of(apex(m, size));
    }

    private int apex(int m, int size) {
        int best = marks.first(m);
        double most = -1;
        for (int i = marks.first(m - 1) + 1; i < marks.first(m + size); i++) {
            PenSample at = marks.sample(i);
            double out = Segments.distance(
                    at.x(), at.y(), marks.x(m - 1), marks.y(m - 1), marks.x(m + size), marks.y(m + size));
            if (out > most) {
                most = out;
                best = i;
            }
        }
        return best;
    }
}
