package chalktrace.core.between;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Takes what has no partner of its own along with the lines that have: strokes, paint that lines bound, pictures. */
public final class Carried {

    private static final int POINTS = 16;

    private final List<Polyline> before;
    private final List<Polyline> now;
    private final boolean early;
    private final LocalMoves moves;

    /** @param early whether what is carried comes from the first drawing */
    Carried(List<Polyline> before, List<Polyline> now, boolean early) {
        this.before = before;
        this.now = now;
        this.early = early;
        double[] trust = new double[before.size()];
        Arrays.fill(trust, 1);
        moves = new LocalMoves(before, now, trust, Math.max(1, WholeMove.extent(before)), 1);
    }

    /** Whether it is the first drawing's strokes, paint and pictures that are carried, and not the second's. */
    public boolean early() {
        return early;
    }

    /** A stroke moved as stiffly as the lines about it on the whole. */
    public Stroke stroke(Stroke stroke) {
        if (before.isEmpty()) {
            return stroke;
        }
        Similarity move = moves.about(Polyline.of(stroke.curve(), POINTS), -1);
        return stroke.withCurve(stroke.curve().transformed(move.transform()));
    }

    /** Paint whose every corner follows the line that it is closest to, holes as well. */
    public Fill paint(Fill fill) {
        if (before.isEmpty()) {
            return fill;
        }
        List<double[]> rings = new ArrayList<>();
        List<Polyline> were = new ArrayList<>();
        List<Polyline> are = new ArrayList<>();
        for (int r = 0; r < fill.area().rings(); r++) {
            double[] ring = fill.area().ring(r);
            were.add(corners(ring));
            for (int i = 0; i < ring.length; i += 2) {
                follow(ring, i);
            }
            rings.add(ring);
            are.add(corners(ring));
        }
        // Its colours go along with the area as a whole.
        return new Fill(
                fill.chalk(),
                Contours.of(rings),
                fill.gradient()
                        .map(colours ->
                                colours.transformed(Similarity.fitted(were, are).transform())));
    }

    private static Polyline corners(double[] ring) {
        int count = ring.length / 2;
        Polyline out = new Polyline(new double[count], new double[count], new double[count]);
        for (int i = 0; i < count; i++) {
            out.x()[i] = ring[2 * i];
            out.y()[i] = ring[2 * i + 1];
        }
        return out;
    }

    private void follow(double[] ring, int at) {
        double x = ring[at];
        double y = ring[at + 1];
        int line = 0;
        int point = 0;
        double least = Double.MAX_VALUE;
        for (int k = 0; k < before.size(); k++) {
            Polyline candidate = before.get(k);
            for (int p = 0; p < candidate.count(); p++) {
                double dx = candidate.x()[p] - x;
                double dy = candidate.y()[p] - y;
                double squared = dx * dx + dy * dy;
                if (squared < least) {
                    least = squared;
                    line = k;
                    point = p;
                }
            }
        }
        Polyline was = before.get(line);
        Polyline is = now.get(line);
        int p = Math.max(0, Math.min(was.count() - 2, point));
        double wasX = was.x()[p + 1] - was.x()[p];
        double wasY = was.y()[p + 1] - was.y()[p];
        double isX = is.x()[p + 1] - is.x()[p];
        double isY = is.y()[p + 1] - is.y()[p];
        double turn = Math.atan2(wasX * isY - wasY * isX, wasX * isX + wasY * isY);
        double dx = x - was.x()[point];
        double dy = y - was.y()[point];
        ring[at] = is.x()[point] + Math.cos(turn) * dx - Math.sin(turn) * dy;
        ring[at + 1] = is.y()[point] + Math.sin(turn) * dx + Math.cos(turn) * dy;
    }

    /** A picture moved, turned and sized as the lines are on the whole. */
    public PastedPicture picture(PastedPicture picture) {
        return before.isEmpty()
                ? picture
                : picture.transformed(Similarity.fitted(before, now).transform());
    }
}
