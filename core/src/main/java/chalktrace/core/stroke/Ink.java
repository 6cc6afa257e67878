package chalktrace.core.stroke;

import chalktrace.core.guide.Rail;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;

/**
 * The line that is being drawn: takes the pen's samples, steadies them, and gives the stroke so far and, at the end, the
 * stroke that is kept. One object serves one stroke.
 */
public final class Ink implements StrokeMaker {

    /** How far the kept curve may lie from the steadied samples, in shot pixels (at 100 % zoom, screen pixels). */
    public static final double FIT_TOLERANCE_PX = 0.6;

    /** Samples this close to a straight run add nothing that the fit could show. */
    private static final double THINNING_PX = 0.05;

    /** Half way on the dial from raw to slow. */
    public static final double USUAL_STEADINESS = 0.5;

    /** Hertz at rest, and hertz per pixel a second: found by hand on strokes of 30 to 3,000 pixels a second. */
    private static final double CUTOFF = 8.0;

    /** From one end of the dial to its middle the cutoff changes by this factor. */
    private static final double DIAL_FACTOR = 8.0;

    private static final double BETA = 0.02;

    private final String chalk;
    private final OneEuroFilter steadyX;
    private final OneEuroFilter steadyY;
    private final OneEuroFilter steadyPressure = new OneEuroFilter(CUTOFF, 0);
    private final List<PenSample> steadied = new ArrayList<>();
    private PenSample latest;
    private Rail rail;

    public Ink(String chalk) {
        this(chalk, USUAL_STEADINESS);
    }

    /** @param steadiness 0 for the hand's own line to 1 for a slow, smooth one */
    public Ink(String chalk, double steadiness) {
        this.chalk = chalk;
        double cutoff = CUTOFF * Math.pow(DIAL_FACTOR, 1 - 2 * Math.max(0, Math.min(1, steadiness)));
        double beta = BETA * 2 * (1 - Math.max(0, Math.min(0.95, steadiness)));
        steadyX = new OneEuroFilter(cutoff, beta);
        steadyY = new OneEuroFilter(cutoff, beta);
    }

    /** From now on, and from its start, the line runs along a guide. */
    void follow(Rail along) {
        rail = along;
    }

    @Override
    public void add(PenSample sample) {
        latest = sample;
        steadied.add(new PenSample(
                steadyX.filter(sample.x(), sample.seconds()),
                steadyY.filter(sample.y(), sample.seconds()),
                steadyPressure.filter(sample.pressure(), sample.seconds()),
                sample.seconds()));
    }

    public boolean isEmpty() {
        return steadied.isEmpty();
    }

    /** The samples after steadying, oldest first. */
    public List<PenSample> samples() {
        return List.copyOf(steadied);
    }

    @Override
    public boolean changesAll() {
        return false;
    }

    /** The line so far as straight pieces, cheap enough for every event of the pen. */
    @Override
    public Stroke soFar() {
        return new Stroke(chalk, straight(upToThePen()));
    }

    /** The stroke that is kept: smooth, and reaching to where the pen was lifted. */
    @Override
    public Stroke finish() {
        return new Stroke(
                chalk, SchneiderFit.fit(DouglasPeucker.simplify(upToThePen(), THINNING_PX), FIT_TOLERANCE_PX));
    }

    /** Steadying lags; the last raw place closes the gap, so that a line ends where the pen left the paper. */
    private List<PenSample> upToThePen() {
        List<PenSample> all = new ArrayList<>(steadied);
        PenSample end = steadied.get(steadied.size() - 1);
        if (Math.hypot(end.x() - latest.x(), end.y() - latest.y()) > FIT_TOLERANCE_PX) {
            all.add(new PenSample(latest.x(), latest.y(), end.pressure(), latest.seconds()));
        }
        if (rail == null) {
            return all;
        }
        return all.stream()
                .map(sample -> {
                    Point2D place = rail.nearest(sample.x(), sample.y());
                    return new PenSample(place.getX(), place.getY(), sample.pressure(), sample.seconds());
                })
                .toList();
    }

    private static Curve straight(List<PenSample> samples) {
        double[] values = new double[9 * samples.size() - 6];
        int at = 0;
        for (int i = 0; i < samples.size(); i++) {
            PenSample b = samples.get(i);
            if (i > 0) {
                PenSample a = samples.get(i - 1);
                for (int third = 1; third <= 2; third++) {
                    double share = third / 3.0;
                    values[at++] = a.x() + (b.x() - a.x()) * share;
                    values[at++] = a.y() + (b.y() - a.y()) * share;
                    values[at++] = a.pressure() + (b.pressure() - a.pressure()) * share;
                }
            }
            values[at++] = b.x();
            values[at++] = b.y();
            values[at++] = b.pressure();
        }
        return Curve.of(values);
    }
}
