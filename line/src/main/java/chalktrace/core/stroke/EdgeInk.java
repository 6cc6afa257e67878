package chalktrace.core.stroke;

import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A line that is being drawn along the edges of a picture: the wire from the last fixed place to the pen follows the
 * strongest edge; what has become long of it is fixed, so that it does not jump any more. What comes out is a stroke like any
 * other. One object serves one stroke.
 */
public final class EdgeInk implements StrokeMaker {

    /** A wire longer than this is fixed up to half of it. */
    private static final int LONGEST_WIRE = 36;

    /** Steps from pixel to pixel stray by half of one; the fit evens them out. */
    private static final double FIT_TOLERANCE_PX = 1.0;

    private static final int SMOOTHING = 3;

    /** A wire whose pixels are weaker than this on the whole follows no edge: the pen's own way is taken there. */
    private static final double WEAK = 0.06;

    private final String chalk;
    private final EdgeMap edges;
    private final double reach;
    private final List<PenSample> fixed = new ArrayList<>();
    private final List<PenSample> sinceAnchor = new ArrayList<>();
    private List<PenSample> wire = List.of();
    private Point2D anchor;

    /** @param reach how far from the pen an edge is looked for, in pixels */
    public EdgeInk(String chalk, EdgeMap edges, double reach) {
        this.chalk = chalk;
        this.edges = edges;
        this.reach = reach;
    }

    @Override
    public void add(PenSample sample) {
        Point2D aim = edges.snapped(sample.x(), sample.y(), reach);
        if (anchor == null) {
            anchor = aim;
            fixed.add(at(aim, sample));
            return;
        }
        sinceAnchor.add(sample);
        List<Point2D> way = LiveWire.between(edges, anchor, aim);
        boolean followsEdge = meanStrength(way) >= WEAK;
        wire = followsEdge
                ? way.stream().skip(1).map(place -> at(place, sample)).toList()
                : List.copyOf(sinceAnchor);
        if (way.size() > LONGEST_WIRE) {
            fix(followsEdge ? wire.size() / 2 : wire.size());
        }
    }

    private void fix(int count) {
        fixed.addAll(wire.subList(0, count));
        PenSample last = fixed.get(fixed.size() - 1);
        anchor = new Point2D.Double(last.x(), last.y());
        wire = wire.subList(count, wire.size());
        sinceAnchor.clear();
    }

    private double meanStrength(List<Point2D> way) {
        return way.stream()
                .mapToDouble(place -> edges.strength((int) place.getX(), (int) place.getY()))
                .average()
                .orElse(0);
    }

    @Override
    public Stroke finish() {
        return soFar();
    }

    /** The wire to the pen may run anywhere else with the next sample. */
    @Override
    public Optional<Rectangle2D> changed() {
        return Optional.empty();
    }

    @Override
    public Stroke soFar() {
        List<PenSample> all = new ArrayList<>(fixed);
        all.addAll(wire);
        return new Stroke(chalk, SchneiderFit.fit(smoothed(all), FIT_TOLERANCE_PX));
    }

    private static PenSample at(Point2D place, PenSample sample) {
        return new PenSample(place.getX(), place.getY(), sample.pressure(), sample.seconds());
    }

    /** Means over neighbours take the stairs out of the way from pixel to pixel; the ends stay. */
    private static List<PenSample> smoothed(List<PenSample> samples) {
        List<PenSample> out = new ArrayList<>(samples.size());
        for (int i = 0; i < samples.size(); i++) {
            int r = Math.min(SMOOTHING, Math.min(i, samples.size() - 1 - i));
            double x = 0;
            double y = 0;
            double pressure = 0;
            for (int k = i - r; k <= i + r; k++) {
                x += samples.get(k).x();
                y += samples.get(k).y();
                pressure += samples.get(k).pressure();
            }
            int n = 2 * r + 1;
            out.add(new PenSample(x / n, y / n, pressure / n, samples.get(i).seconds()));
        }
        return out;
    }
}
