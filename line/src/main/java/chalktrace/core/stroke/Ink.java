package chalktrace.core.stroke;

import chalktrace.core.guide.Rail;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The line that is being drawn: takes the pen's samples, steadies them, and gives the stroke so far and, at the end, the
 * stroke that is kept. One object serves one stroke.
 */
public final class Ink implements StrokeMaker {

    /** How far the kept curve may lie from the steadied samples, in shot pixels (at 100 % zoom, screen pixels). */
    public static final double FIT_TOLERANCE_PX = 0.6;

    /** Of that tolerance, pieces that are taken for straight stray by this share. */
    private static final double CLOSE = 0.05;

    /** Half way on the dial from raw to slow. */
    public static final double USUAL_STEADINESS = 0.5;

    private final String chalk;
    private final SteadiedLine line;
    private final double tolerance;
    private final double pressureTolerance;
    private Rail rail;

    /** The line up to the pen as it is shown; null until somebody asks after a sample. */
    private Curve shown;

    /** As it was shown before that. */
    private Curve before;

    public Ink(String chalk) {
        this(chalk, USUAL_STEADINESS, 1);
    }

    /**
     * @param steadiness 0 for the hand's own line to 1 for a slow, smooth one
     * @param zoom pixels seen for a pixel of the shot: a line that is drawn enlarged is kept as much finer
     */
    public Ink(String chalk, double steadiness, double zoom) {
        this(chalk, steadiness, zoom, SchneiderFit.PRESSURE_TOLERANCE);
    }

    /** @param pressureTolerance how far the kept pressure may lie from what was pressed, in shares of full pressure, above 0 */
    public Ink(String chalk, double steadiness, double zoom, double pressureTolerance) {
        this.chalk = chalk;
        this.pressureTolerance = pressureTolerance;
        double enlarged = Math.max(1, zoom);
        line = new SteadiedLine(steadiness, enlarged);
        tolerance = FIT_TOLERANCE_PX / enlarged;
    }

    /** From now on, and from its start, the line runs along a guide. */
    void follow(Rail along) {
        rail = along;
    }

    @Override
    public void add(PenSample sample) {
        line.add(sample);
        if (shown != null) {
            before = shown;
        }
        shown = null;
    }

    private Curve shown() {
        if (shown == null) {
            shown = ArcLine.through(upToThePen(), line.corners()).curve();
        }
        return shown;
    }

    /** Around all control points that differ, from the first that does. */
    private static Rectangle2D changedBetween(Curve before, Curve now) {
        int last = now.points() - 1;
        Rectangle2D box = new Rectangle2D.Double(now.x(last), now.y(last), 0, 0);
        int same = 0;
        while (same < Math.min(before.points(), now.points()) && isSame(before, now, same)) {
            same++;
        }
        for (Curve curve : List.of(before, now)) {
            // The segment that ends at the first of them is drawn anew too.
            for (int p = Math.max(0, same - 3); p < curve.points(); p++) {
                box.add(curve.x(p), curve.y(p));
            }
        }
        return box;
    }

    private static boolean isSame(Curve a, Curve b, int point) {
        return a.x(point) == b.x(point) && a.y(point) == b.y(point) && a.pressure(point) == b.pressure(point);
    }

    public boolean isEmpty() {
        return line.isEmpty();
    }

    /** The line after steadying, oldest first, close enough to be taken for straight between: by it, within {@link #FIT_TOLERANCE_PX}, lies what is kept. */
    public List<PenSample> samples() {
        DistinctPlaces distinct = DistinctPlaces.of(upToThePen(), line.corners());
        List<PenSample> places = distinct.places();
        ArcLine arcs = ArcLine.through(places, distinct.corners());
        List<PenSample> out = new ArrayList<>();
        out.add(places.get(0));
        for (int i = 0; i + 1 < places.size(); i++) {
            arcs.addTo(out, i, CLOSE * tolerance, Double.MAX_VALUE);
            out.set(out.size() - 1, places.get(i + 1));
        }
        return out;
    }

    @Override
    public Optional<Rectangle2D> changed() {
        return Optional.of(changedBetween(before == null ? shown() : before, shown()));
    }

    /** The line so far, cheap enough for every event of the pen. */
    @Override
    public Stroke soFar() {
        return new Stroke(chalk, shown());
    }

    /** The stroke that is kept: in few segments, and reaching to where the pen was lifted. */
    @Override
    public Stroke finish() {
        return new Stroke(chalk, SchneiderFit.fit(upToThePen(), line.corners(), tolerance, pressureTolerance));
    }

    private List<PenSample> upToThePen() {
        List<PenSample> all = line.upToThePen();
        if (rail != null) {
            all.replaceAll(sample -> {
                Point2D place = rail.nearest(sample.x(), sample.y());
                return new PenSample(place.getX(), place.getY(), sample.pressure(), sample.seconds());
            });
        }
        return all;
    }
}
