package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The pen's samples, steadied as they come, so that what a hand trembles goes and what it draws stays as large as it is. The line up to
 * the pen is smoothed as a whole each time: it does not lag, and what was drawn settles as the pen goes on. Faster movement and bends
 * that go on in one direction are followed more closely than slow straight ones. A corner ends one steadied run and begins the next:
 * there the line goes through the very place where the hand was.
 */
final class SteadiedLine {

    /** Hertz at rest, and hertz per pixel a second: found by hand on strokes of 30 to 3,000 pixels a second. */
    private static final double CUTOFF = 6.0;

    /** From one end of the dial to its middle the cutoff changes by this factor. */
    private static final double DIAL_FACTOR = 8.0;

    private static final double BETA = 0.02;

    /** A bend that goes on is followed at so many times its own frequency: of a circle 0.4 % are lost. */
    private static final double BEND_FACTOR = 2.5;

    /** Whether a bend goes on is seen over so long to both sides, and how tight it is within the shorter of these. */
    private static final double LONG_SECONDS = 0.075;

    private static final double SHORT_SECONDS = 0.02;

    /** A bend goes on when over the longer time no more than this share of its turn is taken back. */
    private static final double GOES_ON = 0.8;

    /** A line that turns one way for this share of its turns bends in one direction, and for no more than this one to and fro. */
    private static final double ONE_WAY = 0.75;

    private static final double TO_AND_FRO = 0.35;

    /** Where a bend turns by more from sample to sample, in radians, there are too few of them to be smoothed: they are gone through. */
    private static final double FEW_TURN = Math.toRadians(15);

    private static final double FEW_FACTOR = 4;

    /** What is smaller than this, in pixels as seen, counts as shaking at the middle of the dial, and at its ends. */
    private static final double SHAKING_PX = 1.5;

    private static final double SHAKING_DIAL_FACTOR = 2;

    /** Times of samples are taken as they are within these bounds, in seconds: devices and queues send some late. */
    private static final double SHORTEST_STEP = 0.001;

    private static final double LONGEST_STEP = 0.05;

    /** Corners and ends stay where the hand was. */
    private static final double PINNED = 1e5;

    private final double zoom;
    private final double cutoff;
    private final double beta;
    private final Corners corners;
    private final List<PenSample> raw = new ArrayList<>();
    private final WhittakerSmoother places = new WhittakerSmoother(2);
    private final WhittakerSmoother pressures = new WhittakerSmoother(1);

    /** Of each sample: when it came, the way up to it in pixels seen, and how far the line has turned up to it in all. */
    private double[] at = new double[64];

    private double[] along = new double[64];
    private double[] turned = new double[64];

    /** And how far to either side, without regard to which. */
    private double[] bent = new double[64];

    private int[] used = {};

    /**
     * @param steadiness 0 for the hand's own line to 1 for a slow, smooth one
     * @param zoom pixels seen for a pixel of the shot, at least 1: steadying works on what the hand sees
     */
    SteadiedLine(double steadiness, double zoom) {
        this.zoom = zoom;
        double dial = Math.max(0, Math.min(1, steadiness));
        cutoff = CUTOFF * Math.pow(DIAL_FACTOR, 1 - 2 * dial);
        beta = BETA * 2 * (1 - Math.min(0.95, dial));
        corners = new Corners(SHAKING_PX * Math.pow(SHAKING_DIAL_FACTOR, 2 * dial - 1) / zoom, zoom);
    }

    void add(PenSample sample) {
        int i = raw.size();
        if (i == at.length) {
            at = Arrays.copyOf(at, 2 * i);
            along = Arrays.copyOf(along, 2 * i);
            turned = Arrays.copyOf(turned, 2 * i);
            bent = Arrays.copyOf(bent, 2 * i);
        }
        if (i > 0) {
            PenSample before = raw.get(i - 1);
            at[i] = at[i - 1] + Math.max(SHORTEST_STEP, Math.min(LONGEST_STEP, sample.seconds() - before.seconds()));
            along[i] = along[i - 1] + zoom * Math.hypot(sample.x() - before.x(), sample.y() - before.y());
        }
        raw.add(sample);
        places.add(at[i], sample.x() * zoom, sample.y() * zoom);
        pressures.add(at[i], sample.pressure());
        corners.add(sample);
        steady(firstChanged());
        if (i >= WhittakerSmoother.ORDER) {
            pressures.cutoff(i, CUTOFF);
        }
        pressures.solve(i - 1);
    }

    boolean isEmpty() {
        return raw.isEmpty();
    }

    /** The line up to the pen: one sample for each of the pen's, oldest first. */
    List<PenSample> upToThePen() {
        List<PenSample> out = new ArrayList<>(raw.size());
        for (int i = 0; i < raw.size(); i++) {
            out.add(new PenSample(
                    places.value(0, i) / zoom,
                    places.value(1, i) / zoom,
                    Math.max(0, Math.min(1, pressures.value(0, i))),
                    raw.get(i).seconds()));
        }
        return out;
    }

    /** The numbers of the samples that are corners, in rising order. */
    int[] corners() {
        return used;
    }

    /** The first sample about which the line now runs otherwise than before the latest came. */
    private int firstChanged() {
        int last = raw.size() - 1;
        int first = Math.max(0, last - 1);
        while (first > 0 && at[last] - at[first - 1] <= LONG_SECONDS) {
            first--;
        }
        Marks marks = corners.marks();
        first = Math.min(first, marks.first(Math.max(0, marks.count() - 3)));
        turn(marks, first);
        int[] now = corners.found();
        int same = Arrays.mismatch(used, now);
        if (same >= 0) {
            int was = same < used.length ? used[same] : last;
            int is = same < now.length ? now[same] : last;
            first = Math.min(first, Math.min(was, is));
        }
        return first;
    }

    private void turn(Marks marks, int from) {
        int mark = marks.count() - 1;
        while (mark > 0 && marks.first(mark) > from) {
            mark--;
        }
        for (; mark < marks.count(); mark++) {
            int first = marks.first(mark);
            int end = marks.first(mark + 1);
            double turn = marks.turn(mark);
            Arrays.fill(turned, first, end, turn + (first == 0 ? 0 : turned[first - 1]));
            Arrays.fill(bent, first, end, Math.abs(turn) + (first == 0 ? 0 : bent[first - 1]));
        }
    }

    /** @param from the first sample whose surroundings have changed */
    private void steady(int from) {
        int last = raw.size() - 1;
        int first = Math.max(0, last - 1);
        if (last > 1 && Arrays.binarySearch(used, last - 1) < 0) {
            places.weigh(last - 1, 1);
        }
        int[] now = corners.found();
        if (used != now) {
            first = Math.min(first, from);
            for (int corner : used) {
                places.weigh(corner, 1);
            }
            for (int corner : now) {
                places.weigh(corner, PINNED);
            }
            used = now;
        }
        places.weigh(0, PINNED);
        places.weigh(last, PINNED);
        for (int i = Math.max(WhittakerSmoother.ORDER, from); i <= last; i++) {
            if (places.cutoff(i, crossesCorner(i) ? Double.POSITIVE_INFINITY : followed(i))) {
                first = Math.min(first, i);
            }
        }
        places.solve(first);
    }

    private boolean crossesCorner(int i) {
        int found = Arrays.binarySearch(used, i - WhittakerSmoother.ORDER + 1);
        int next = found >= 0 ? found : -found - 1;
        return next < used.length && used[next] < i;
    }

    private boolean isNearCorner(int i) {
        int found = Arrays.binarySearch(used, i - 2 * WhittakerSmoother.ORDER);
        int next = found >= 0 ? found : -found - 1;
        return next < used.length && used[next] <= i + WhittakerSmoother.ORDER;
    }

    /** How closely the line follows the pen about a sample, in hertz. */
    private double followed(int i) {
        int before = i - WhittakerSmoother.ORDER;
        double speed = (along[i] - along[before]) / (at[i] - at[before]);
        double middle = (at[i] + at[before]) / 2;
        double turnedLong = turnedAbout(i, middle, LONG_SECONDS);
        double rate = Math.abs(turnedLong) / (2 * LONG_SECONDS);
        double turnedShort = turnedAbout(i, middle, SHORT_SECONDS);
        if (turnedShort * turnedLong > 0 && Math.abs(turnedLong) >= GOES_ON * Math.abs(turnedShort)) {
            rate = Math.max(rate, Math.abs(turnedShort) / (2 * SHORT_SECONDS));
        }
        double step = (at[i] - at[before]) / WhittakerSmoother.ORDER;
        double close = Math.max(cutoff + beta * speed, BEND_FACTOR * rate / (2 * Math.PI));
        return rate * step > FEW_TURN && !isNearCorner(i) ? FEW_FACTOR * close : close;
    }

    /**
     * By how much the line turns from so long before a moment to so long after it, in one direction: less as it turns to and fro, and
     * nothing where that is most of it.
     */
    private double turnedAbout(int i, double middle, double seconds) {
        int from = i;
        while (from > 0 && at[from] > middle - seconds) {
            from--;
        }
        int to = i;
        while (to < raw.size() - 1 && at[to] < middle + seconds) {
            to++;
        }
        double turn = turned[to] - turned[from];
        double all = bent[to] - bent[from];
        double share = all == 0 ? 0 : Math.abs(turn) / all;
        return turn * Math.max(0, Math.min(1, (share - TO_AND_FRO) / (ONE_WAY - TO_AND_FRO)));
    }
}
