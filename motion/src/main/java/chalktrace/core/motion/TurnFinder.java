package chalktrace.core.motion;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * Finds where one point starts, stops and turns. A turn counts only when the point goes back by more than a threshold on both sides of it (hysteresis), so that
 * noise makes none; its frame is the one from which the path falls off best on both sides, each in its own steepness.
 */
final class TurnFinder {

    /** A change of direction from here on is a turn; less is a bend. */
    static final double TURN_DEGREES = 100;

    /** What lies so near each other is one. */
    private static final int SAME_FRAMES = 2;

    private static final int FIT_FRAMES = 5;
    private static final int FARTHEST_FRAMES = 8;

    /** The reach of a rest against the whole movement. */
    private static final double STILL_SHARE = 0.012;

    private static final double STILL_OF_HEIGHT = 0.0015;

    /** Slower than this share of its fast parts, for so many frames, it has come to rest. */
    private static final double SLOW_SHARE = 0.15;

    private static final int SLOW_FRAMES = 9;

    /** A movement is so many times as fast as a rest, somewhere. */
    private static final double FAST_TIMES = 2.5;

    private final MovingPoint raw;
    private final MovingPoint smooth;
    private final double threshold;
    private final double still;

    /** @param threshold in px: a movement back by less is none @param height of the picture, in px */
    TurnFinder(MovingPoint point, double threshold, double height) {
        double noise = point.noise();
        this.raw = point;
        this.smooth = point.smoothed(noise > 0.3 ? 2 : 1);
        this.threshold = Math.max(threshold, 5 * noise);
        this.still = Math.max(
                3.5 * noise,
                Math.max(STILL_SHARE * point.extent(point.firstFrame(), point.lastFrame()), STILL_OF_HEIGHT * height));
    }

    /** In rising order. */
    List<Turn> turns() {
        List<Turn> out = new ArrayList<>();
        for (MovingPoint.Stretch stretch : raw.stretches()) {
            addTurns(stretch, out);
        }
        return out;
    }

    /** Where it rests. */
    List<MovingPoint.Stretch> rests() {
        List<MovingPoint.Stretch> out = new ArrayList<>();
        for (MovingPoint.Stretch stretch : raw.stretches()) {
            out.addAll(Stillness.of(smooth, stretch, still));
        }
        return out;
    }

    private void addTurns(MovingPoint.Stretch stretch, List<Turn> out) {
        List<MovingPoint.Stretch> rests = quiet(stretch);
        List<Turn> found = new ArrayList<>();
        int from = stretch.first();
        for (MovingPoint.Stretch rest : rests) {
            if (rest.first() > from) {
                found.addAll(moving(from, rest.first()));
            }
            if (rest.first() > stretch.first()) {
                found.add(new Turn(rest.first(), Turn.Kind.STOP, 0, 0));
            }
            if (rest.last() < stretch.last()) {
                found.add(new Turn(rest.last(), Turn.Kind.START, 0, 0));
            }
            from = rest.last();
        }
        if (from < stretch.last()) {
            found.addAll(moving(from, stretch.last()));
        }
        boolean restsAtStart = !rests.isEmpty() && rests.get(0).first() == stretch.first();
        boolean restsAtEnd = !rests.isEmpty() && rests.get(rests.size() - 1).last() == stretch.last();
        if (!restsAtStart) {
            found.add(new Turn(stretch.first(), Turn.Kind.FIRST, 0, 0));
        }
        if (!restsAtEnd && stretch.frames() > 1) {
            found.add(new Turn(stretch.last(), Turn.Kind.LAST, 0, 0));
        }
        found.sort(Comparator.comparingInt(Turn::frame));
        List<Turn> kept = merged(found);
        for (int i = 0; i < kept.size(); i++) {
            int frame = kept.get(i).frame();
            double before = i > 0 ? raw.distance(kept.get(i - 1).frame(), frame) : Double.MAX_VALUE;
            double after =
                    i + 1 < kept.size() ? raw.distance(frame, kept.get(i + 1).frame()) : Double.MAX_VALUE;
            double size = Math.min(before, after);
            out.add(kept.get(i).withSize(size == Double.MAX_VALUE ? 0 : size));
        }
    }

    /** Where it rests, or hardly moves against its fast parts, as a thing that stands still before a hand-held camera. */
    private List<MovingPoint.Stretch> quiet(MovingPoint.Stretch stretch) {
        BitSet quiet = new BitSet();
        Stillness.of(smooth, stretch, still).forEach(rest -> quiet.set(rest.first(), rest.last() + 1));
        double slow = SLOW_SHARE * fastest();
        int from = stretch.first();
        for (int frame = from; frame <= stretch.last() + 1; frame++) {
            boolean moves = frame > stretch.last()
                    || frame > stretch.first() && smooth.spacing(frame).orElse(0) > slow;
            if (moves) {
                if (frame - from >= SLOW_FRAMES) {
                    quiet.set(from, frame);
                }
                from = frame;
            }
        }
        // A movement that never gets fast between two rests is none.
        for (int end = quiet.nextClearBit(Math.max(0, quiet.nextSetBit(0)));
                quiet.nextSetBit(end) >= 0;
                end = quiet.nextClearBit(quiet.nextSetBit(end))) {
            int next = quiet.nextSetBit(end);
            if (IntStream.range(end, next + 1).allMatch(f -> smooth.spacing(f).orElse(0) < slow * FAST_TIMES)) {
                quiet.set(end, next);
            }
        }
        List<MovingPoint.Stretch> out = new ArrayList<>();
        for (int first = quiet.nextSetBit(0); first >= 0; first = quiet.nextSetBit(quiet.nextClearBit(first))) {
            out.add(new MovingPoint.Stretch(first, quiet.nextClearBit(first) - 1));
        }
        return out;
    }

    /** The spacing that one frame in twenty exceeds, in px. */
    private double fastest() {
        double[] spacing = IntStream.rangeClosed(smooth.firstFrame(), smooth.lastFrame())
                .mapToDouble(frame -> smooth.spacing(frame).orElse(0))
                .sorted()
                .toArray();
        return spacing[(int) (0.95 * (spacing.length - 1))];
    }

    /** Of two that lie near each other the start, stop or end counts, else the sharper turn. */
    private static List<Turn> merged(List<Turn> sorted) {
        List<Turn> out = new ArrayList<>();
        for (Turn turn : sorted) {
            Turn last = out.isEmpty() ? null : out.get(out.size() - 1);
            boolean bothRests = last != null && last.kind() != Turn.Kind.TURN && turn.kind() != Turn.Kind.TURN;
            if (last == null || turn.frame() - last.frame() > SAME_FRAMES || bothRests) {
                if (last == null || turn.frame() != last.frame()) {
                    out.add(turn);
                }
            } else if (last.kind() == Turn.Kind.TURN
                    && (turn.kind() != Turn.Kind.TURN || turn.degrees() > last.degrees())) {
                out.set(out.size() - 1, turn);
            }
        }
        return out;
    }

    private List<Turn> moving(int from, int to) {
        TreeSet<Integer> candidates = new TreeSet<>();
        // The two axes of the picture and the two between them see every direction.
        for (double degrees : new double[] {0, 45, 90, 135}) {
            double cos = Math.cos(Math.toRadians(degrees));
            double sin = Math.sin(Math.toRadians(degrees));
            candidates.addAll(extremes(from, to, cos, sin));
        }
        List<Turn> out = new ArrayList<>();
        List<Integer> all = List.copyOf(candidates);
        for (int frame : all) {
            if (angle(frame, from, to) >= TURN_DEGREES) {
                int before = all.stream()
                        .filter(f -> f < frame - SAME_FRAMES)
                        .reduce((a, b) -> b)
                        .orElse(from);
                int after = all.stream()
                        .filter(f -> f > frame + SAME_FRAMES)
                        .findFirst()
                        .orElse(to);
                int exact = refined(frame, before, after);
                out.add(new Turn(exact, Turn.Kind.TURN, angle(exact, from, to), 0));
            }
        }
        return out;
    }

    /** Where it goes back by more than the threshold along one direction. */
    private List<Integer> extremes(int from, int to, double cos, double sin) {
        List<Integer> out = new ArrayList<>();
        double low = along(from, cos, sin);
        double high = low;
        int lowAt = from;
        int highAt = from;
        int sense = 0;
        for (int frame = from + 1; frame <= to; frame++) {
            double value = along(frame, cos, sin);
            if (value > high) {
                high = value;
                highAt = frame;
            }
            if (value < low) {
                low = value;
                lowAt = frame;
            }
            if (sense >= 0 && value < high - threshold) {
                if (highAt > from) {
                    out.add(highAt);
                }
                sense = -1;
                low = value;
                lowAt = frame;
                high = value;
                highAt = frame;
            } else if (sense <= 0 && value > low + threshold) {
                if (lowAt > from) {
                    out.add(lowAt);
                }
                sense = 1;
                low = value;
                lowAt = frame;
                high = value;
                highAt = frame;
            }
        }
        return out;
    }

    private double along(int frame, double cos, double sin) {
        return smooth.x(frame) * cos + smooth.y(frame) * sin;
    }

    /** As {@link #angle}; 0 where it hardly moves. */
    double bend(int frame, int from, int to) {
        int before = before(frame, from);
        int after = after(frame, to);
        double shorter = Math.min(smooth.distance(before, frame), smooth.distance(frame, after));
        return shorter < threshold / 2 ? 0 : degrees(before, frame, after);
    }

    /** By how much the direction changes at a frame, between what lies far enough before and after it. */
    private double angle(int frame, int from, int to) {
        return degrees(before(frame, from), frame, after(frame, to));
    }

    private int before(int frame, int from) {
        int before = frame;
        while (before > from && frame - before < FARTHEST_FRAMES && smooth.distance(before, frame) < threshold) {
            before--;
        }
        return before;
    }

    private int after(int frame, int to) {
        int after = frame;
        while (after < to && after - frame < FARTHEST_FRAMES && smooth.distance(frame, after) < threshold) {
            after++;
        }
        return after;
    }

    private double degrees(int before, int frame, int after) {
        double inX = smooth.x(frame) - smooth.x(before);
        double inY = smooth.y(frame) - smooth.y(before);
        double outX = smooth.x(after) - smooth.x(frame);
        double outY = smooth.y(after) - smooth.y(frame);
        double lengths = Math.hypot(inX, inY) * Math.hypot(outX, outY);
        return lengths == 0
                ? 0
                : Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, (inX * outX + inY * outY) / lengths))));
    }

    /** The frame near another from which the path falls off best, as a parabola or straight, to each side on its own. */
    private int refined(int frame, int before, int after) {
        int reachBefore = Math.min(FIT_FRAMES, Math.max(2, (frame - before) / 2));
        int reachAfter = Math.min(FIT_FRAMES, Math.max(2, (after - frame) / 2));
        int low = Math.max(before, frame - reachBefore);
        int high = Math.min(after, frame + reachAfter);
        // The direction in which the turn sticks out.
        double ux = 2 * smooth.x(frame) - smooth.x(low) - smooth.x(high);
        double uy = 2 * smooth.y(frame) - smooth.y(low) - smooth.y(high);
        double length = Math.hypot(ux, uy);
        if (length == 0) {
            return frame;
        }
        int best = frame;
        double least = Double.MAX_VALUE;
        for (int at = Math.max(low + 1, frame - 2); at <= Math.min(high - 1, frame + 2); at++) {
            for (int power = 1; power <= 2; power++) {
                double error = residual(at, low, high, ux / length, uy / length, power);
                if (error < least) {
                    least = error;
                    best = at;
                }
            }
        }
        return best;
    }

    /** What is left when v - L |k|^p is fitted before, and v - R k^p after a frame, with one v. */
    private double residual(int at, int low, int high, double ux, double uy, int power) {
        double[][] normal = new double[3][3];
        double[] right = new double[3];
        double square = 0;
        for (int f = low; f <= high; f++) {
            double s = raw.x(f) * ux + raw.y(f) * uy;
            double far = Math.pow(Math.abs(f - at), power);
            double[] row = {1, f < at ? far : 0, f > at ? far : 0};
            for (int a = 0; a < 3; a++) {
                for (int b = 0; b < 3; b++) {
                    normal[a][b] += row[a] * row[b];
                }
                right[a] += row[a] * s;
            }
            square += s * s;
        }
        double[][] inverse = Inverse.of(normal).orElse(null);
        if (inverse == null) {
            return Double.MAX_VALUE;
        }
        double explained = 0;
        double[] fitted = new double[3];
        for (int a = 0; a < 3; a++) {
            for (int b = 0; b < 3; b++) {
                fitted[a] += inverse[a][b] * right[b];
            }
            explained += fitted[a] * right[a];
        }
        // Falling off on both sides is what makes it a turn.
        return fitted[1] > 0 || fitted[2] > 0 ? Double.MAX_VALUE : square - explained;
    }
}
