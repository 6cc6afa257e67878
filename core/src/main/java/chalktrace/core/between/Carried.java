package chalktrace.core.between;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.List;

/** Takes what has no partner of its own along with the lines that have: strokes, paint that lines bound, pictures. */
public final class Carried {

    private static final int POINTS = 16;

    private final List<Polyline> before;
    private final List<Polyline> now;
    private final boolean early;

    /** @param early whether what is carried comes from the first drawing */
    Carried(List<Polyline> before, List<Polyline> now, boolean early) {
        this.before = before;
        this.now = now;
        this.early = early;
    }

    /** Whether it is the first drawing's strokes, paint and pictures that are carried, and not the second's. */
    public boolean early() {
        return early;
    }

    /** A stroke moved as stiffly as the line that it is closest to. */
    public Stroke stroke(Stroke stroke) {
        if (before.isEmpty()) {
            return stroke;
        }
        Polyline line = Polyline.of(stroke.curve(), POINTS);
        int closest = 0;
        double least = Double.MAX_VALUE;
        for (int k = 0; k < before.size(); k++) {
            for (int p = 0; p < POINTS; p++) {
                double away = before.get(k).squaredDistance(line.x()[p], line.y()[p]);
                if (away < least) {
                    least = away;
                    closest = k;
                }
            }
        }
        return stroke.withCurve(stroke.curve().transformed(moveOf(closest).transform()));
    }

    /** Paint whose every corner follows the line that it is closest to, holes as well. */
    public Fill paint(Fill fill) {
        if (before.isEmpty()) {
            return fill;
        }
        List<double[]> rings = new ArrayList<>();
        for (int r = 0; r < fill.area().rings(); r++) {
            double[] ring = fill.area().ring(r);
            for (int i = 0; i < ring.length; i += 2) {
                follow(ring, i);
            }
            rings.add(ring);
        }
        return new Fill(fill.chalk(), Contours.of(rings));
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

    private Similarity moveOf(int line) {
        return Similarity.rigid(before.get(line), now.get(line), 1);
    }
}
