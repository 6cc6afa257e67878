package chalktrace.core.stroke;

import chalktrace.core.guide.Rail;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Optional;

/**
 * The line that is being drawn: takes the pen's samples, steadies them, and gives the stroke so far and, at the end, the
 * stroke that is kept. One object serves one stroke.
 */
public final class Ink implements StrokeMaker {

    /** How far the kept curve may lie from the steadied samples, in shot pixels (at 100 % zoom, screen pixels). */
    public static final double FIT_TOLERANCE_PX = 0.6;

    /** Half way on the dial from raw to slow. */
    public static final double USUAL_STEADINESS = 0.5;

    private final String chalk;
    private final SteadiedLine line;
    private final double tolerance;
    private Rail rail;
    private Optional<Rectangle2D> changed = Optional.empty();

    public Ink(String chalk) {
        this(chalk, USUAL_STEADINESS, 1);
    }

    /**
     * @param steadiness 0 for the hand's own line to 1 for a slow, smooth one
     * @param zoom pixels seen for a pixel of the shot: a line that is drawn enlarged is kept as much finer
     */
    public Ink(String chalk, double steadiness, double zoom) {
        this.chalk = chalk;
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
        int stays = Math.max(0, line.settledBefore() - 1);
        List<PenSample> before = line.isEmpty() ? List.of() : upToThePen(stays);
        line.add(sample);
        Rectangle2D box = new Rectangle2D.Double(sample.x(), sample.y(), 0, 0);
        reach(box, before);
        reach(box, upToThePen(stays));
        changed = rail == null ? Optional.of(box) : Optional.empty();
    }

    /** Makes a box reach around samples as well. */
    private static void reach(Rectangle2D box, List<PenSample> samples) {
        double left = box.getMinX();
        double right = box.getMaxX();
        double top = box.getMinY();
        double bottom = box.getMaxY();
        for (PenSample sample : samples) {
            left = Math.min(left, sample.x());
            right = Math.max(right, sample.x());
            top = Math.min(top, sample.y());
            bottom = Math.max(bottom, sample.y());
        }
        box.setFrameFromDiagonal(left, top, right, bottom);
    }

    public boolean isEmpty() {
        return line.isEmpty();
    }

    /** The samples after steadying, oldest first: within {@link #FIT_TOLERANCE_PX} of the line through them lies what is kept. */
    public List<PenSample> samples() {
        return List.copyOf(upToThePen(0));
    }

    @Override
    public Optional<Rectangle2D> changed() {
        return changed;
    }

    /** The line so far as straight pieces, cheap enough for every event of the pen. */
    @Override
    public Stroke soFar() {
        return new Stroke(chalk, straight(upToThePen(0)));
    }

    /** The stroke that is kept: smooth, and reaching to where the pen was lifted. */
    @Override
    public Stroke finish() {
        return new Stroke(chalk, SchneiderFit.fit(upToThePen(0), line.corners(), tolerance));
    }

    private List<PenSample> upToThePen(int from) {
        List<PenSample> all = line.upToThePen(from);
        if (rail != null) {
            all.replaceAll(sample -> {
                Point2D place = rail.nearest(sample.x(), sample.y());
                return new PenSample(place.getX(), place.getY(), sample.pressure(), sample.seconds());
            });
        }
        return all;
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
