package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The pen's samples, steadied as they come. Steadying lags and would cut corners, so a corner ends one steadied run and
 * begins the next: there the line goes through the very place where the hand was. A corner shows only once the pen has left it;
 * what came since is then steadied anew.
 */
final class SteadiedLine {

    /** Hertz at rest, and hertz per pixel a second: found by hand on strokes of 30 to 3,000 pixels a second. */
    private static final double CUTOFF = 6.0;

    /** From one end of the dial to its middle the cutoff changes by this factor. */
    private static final double DIAL_FACTOR = 8.0;

    private static final double BETA = 0.02;

    /** Over so many times of what the filter lags at rest, the line is led over to the pen. */
    private static final double LEAD = 3;

    /** What is smaller than this, in pixels as seen, counts as shaking at the middle of the dial, and at its ends. */
    private static final double CORNER_REACH_PX = 10;

    private static final double REACH_DIAL_FACTOR = 2;

    /** The steadying at one moment of the line. */
    private record State(OneEuroPlace place, OneEuroFilter pressure) {}

    private final double zoom;
    private final double cutoff;
    private final double beta;
    private final double leadSeconds;
    private final Corners corners;
    private final List<PenSample> raw = new ArrayList<>();
    private final List<PenSample> steadied = new ArrayList<>();
    private final List<State> states = new ArrayList<>();
    private int[] used = {};

    /**
     * @param steadiness 0 for the hand's own line to 1 for a slow, smooth one
     * @param zoom pixels seen for a pixel of the shot, at least 1: steadying works on what the hand sees
     */
    SteadiedLine(double steadiness, double zoom) {
        this.zoom = zoom;
        double dial = Math.max(0, Math.min(1, steadiness));
        cutoff = CUTOFF * Math.pow(DIAL_FACTOR, 1 - 2 * dial);
        leadSeconds = LEAD / (2 * Math.PI * cutoff);
        beta = BETA * 2 * (1 - Math.min(0.95, dial));
        corners = new Corners(CORNER_REACH_PX * Math.pow(REACH_DIAL_FACTOR, 2 * dial - 1) / zoom, zoom);
    }

    void add(PenSample sample) {
        raw.add(sample);
        corners.add(sample);
        int from = Arrays.equals(used, corners.found()) ? raw.size() - 1 : firstChanged();
        used = corners.found();
        steadyFrom(from);
    }

    boolean isEmpty() {
        return raw.isEmpty();
    }

    /**
     * The line up to the pen: one sample for each of the pen's, oldest first. Steadying lags, so the latest of them are led over to where
     * the pen really was, the more the later; they settle as the pen goes on.
     *
     * @param from the first sample that is wanted
     */
    List<PenSample> upToThePen(int from) {
        List<PenSample> out = new ArrayList<>(steadied.subList(from, steadied.size()));
        double end = raw.get(raw.size() - 1).seconds();
        for (int i = raw.size() - 1; i >= from && end - raw.get(i).seconds() < leadSeconds; i--) {
            double share = 1 - (end - raw.get(i).seconds()) / leadSeconds;
            // Starts and ends without a bend.
            double part = share * share * (3 - 2 * share);
            PenSample steady = steadied.get(i);
            out.set(
                    i - from,
                    new PenSample(
                            steady.x() + part * (raw.get(i).x() - steady.x()),
                            steady.y() + part * (raw.get(i).y() - steady.y()),
                            steady.pressure(),
                            steady.seconds()));
        }
        return out;
    }

    /** The numbers of the samples that are corners, in rising order. */
    int[] corners() {
        return used;
    }

    /** Samples before this one will stay where they are. */
    int settledBefore() {
        int led = raw.size();
        while (led > 0 && raw.get(raw.size() - 1).seconds() - raw.get(led - 1).seconds() < leadSeconds) {
            led--;
        }
        return Math.min(led, corners.settledBefore());
    }

    private int firstChanged() {
        int[] now = corners.found();
        int same = Arrays.mismatch(used, now);
        int was = same < used.length ? used[same] : raw.size() - 1;
        int is = same < now.length ? now[same] : raw.size() - 1;
        return Math.min(was, is);
    }

    private void steadyFrom(int from) {
        steadied.subList(Math.min(from, steadied.size()), steadied.size()).clear();
        states.subList(Math.min(from, states.size()), states.size()).clear();
        for (int i = from; i < raw.size(); i++) {
            boolean fresh = i == 0 || Arrays.binarySearch(used, i) >= 0;
            OneEuroFilter pressure = i == 0
                    ? new OneEuroFilter(CUTOFF, 0)
                    : states.get(i - 1).pressure().copy();
            PenSample sample = raw.get(i);
            double x = sample.x() * zoom;
            double y = sample.y() * zoom;
            State state = new State(
                    fresh
                            ? OneEuroPlace.at(cutoff, beta, x, y, sample.seconds())
                            : states.get(i - 1).place().next(x, y, sample.seconds()),
                    pressure);
            steadied.add(new PenSample(
                    state.place.x() / zoom,
                    state.place.y() / zoom,
                    state.pressure.filter(sample.pressure(), sample.seconds()),
                    sample.seconds()));
            states.add(state);
        }
    }
}
