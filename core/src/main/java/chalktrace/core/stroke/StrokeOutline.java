package chalktrace.core.stroke;

import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The area that a line of changing width covers: the union of one quadrilateral for each straight piece, a disc at each
 * end and a disc where the line turns sharply. All parts run the same way round, so that the non-zero rule joins them
 * without seams or holes however the line crosses itself.
 */
public final class StrokeOutline {

    private static final double TOLERANCE_PX = 0.08;

    /** Turns sharper than this (about 26 degrees) would show the corner of a quadrilateral. */
    private static final double SHARP_COSINE = 0.9;

    /** Steps of opacity that the eye does not tell apart. */
    static final int BANDS = 32;

    private final Path2D.Double path = new Path2D.Double(Path2D.WIND_NON_ZERO);
    private final Flattened line;
    private final double detail;

    private StrokeOutline(Flattened line, double detail) {
        this.line = line;
        this.detail = detail;
    }

    /**
     * @param shape how thick the line is
     * @param scale device pixels for a shot pixel: the outline is as fine as that needs
     * @return the outline in shot pixels, winding non-zero; a dot gives a disc
     */
    public static Path2D of(Curve curve, LineShape shape, double scale) {
        double detail = TOLERANCE_PX / Math.max(scale, 1e-3);
        StrokeOutline outline = new StrokeOutline(Flattened.of(curve, shape, detail), detail);
        outline.build();
        return outline.path;
    }

    /** A piece of a line, of one opacity. @param opacity the share of the chalk's, 0 to 1 */
    public record Band(Path2D path, double opacity) {}

    /**
     * The outline of a line that pressure fades, in pieces of nearly one opacity, the faintest first: laid over each other
     * in place of what is there, they make one line without seams.
     */
    public static List<Band> bands(Curve curve, LineShape shape, double scale) {
        double detail = TOLERANCE_PX / Math.max(scale, 1e-3);
        Flattened line = Flattened.of(curve, shape, detail);
        List<Band> bands = new ArrayList<>();
        int start = 0;
        for (int i = 1; i <= line.count(); i++) {
            if (i == line.count() || band(line, i) != band(line, start)) {
                // A piece reaches to the next one's start, so that nothing is left out between them.
                StrokeOutline outline = new StrokeOutline(line.between(start, Math.min(i, line.count() - 1)), detail);
                outline.build();
                bands.add(new Band(outline.path, band(line, start) / (double) BANDS));
                start = i;
            }
        }
        bands.sort(Comparator.comparingDouble(Band::opacity));
        return bands;
    }

    private static long band(Flattened line, int point) {
        return Math.round(line.opacity()[point] * BANDS);
    }

    private void build() {
        int last = line.count() - 1;
        disc(0);
        if (last == 0) {
            return;
        }
        disc(last);
        double[] normalX = new double[last + 1];
        double[] normalY = new double[last + 1];
        for (int i = 0; i <= last; i++) {
            double inX = i == 0 ? 0 : directionX(i - 1);
            double inY = i == 0 ? 0 : directionY(i - 1);
            double outX = i == last ? 0 : directionX(i);
            double outY = i == last ? 0 : directionY(i);
            boolean inner = i > 0 && i < last;
            boolean sharp = inner && inX * outX + inY * outY < SHARP_COSINE;
            if (sharp) {
                disc(i);
            }
            double sumX = inX + outX;
            double sumY = inY + outY;
            double length = Math.hypot(sumX, sumY);
            normalX[i] = length < 1e-9 ? 0 : -sumY / length;
            normalY[i] = length < 1e-9 ? 0 : sumX / length;
        }
        for (int i = 0; i < last; i++) {
            quad(i, normalX, normalY);
        }
    }

    private void quad(int i, double[] normalX, double[] normalY) {
        int j = i + 1;
        double[] corners = {
            line.x()[i] + normalX[i] * line.radius()[i],
            line.y()[i] + normalY[i] * line.radius()[i],
            line.x()[i] - normalX[i] * line.radius()[i],
            line.y()[i] - normalY[i] * line.radius()[i],
            line.x()[j] - normalX[j] * line.radius()[j],
            line.y()[j] - normalY[j] * line.radius()[j],
            line.x()[j] + normalX[j] * line.radius()[j],
            line.y()[j] + normalY[j] * line.radius()[j]
        };
        boolean forward = doubledArea(corners) >= 0;
        path.moveTo(corners[0], corners[1]);
        for (int corner = 1; corner < 4; corner++) {
            int at = 2 * (forward ? corner : 4 - corner);
            path.lineTo(corners[at], corners[at + 1]);
        }
        path.closePath();
    }

    private void disc(int i) {
        double radius = line.radius()[i];
        int corners = discCorners(radius);
        for (int c = 0; c < corners; c++) {
            double angle = 2 * Math.PI * c / corners;
            double x = line.x()[i] + radius * Math.cos(angle);
            double y = line.y()[i] + radius * Math.sin(angle);
            if (c == 0) {
                path.moveTo(x, y);
            } else {
                path.lineTo(x, y);
            }
        }
        path.closePath();
    }

    /** A polygon of k corners strays from its circle by radius x (1 - cos(pi / k)). */
    private int discCorners(double radius) {
        double halfAngle = Math.acos(Math.max(0, 1 - detail / Math.max(radius, detail)));
        return (int) Math.max(6, Math.min(48, Math.ceil(Math.PI / halfAngle)));
    }

    private double directionX(int piece) {
        return (line.x()[piece + 1] - line.x()[piece]) / length(piece);
    }

    private double directionY(int piece) {
        return (line.y()[piece + 1] - line.y()[piece]) / length(piece);
    }

    private double length(int piece) {
        return Math.max(
                1e-12, Math.hypot(line.x()[piece + 1] - line.x()[piece], line.y()[piece + 1] - line.y()[piece]));
    }

    private static double doubledArea(double[] corners) {
        double area = 0;
        for (int a = 0; a < 8; a += 2) {
            int b = (a + 2) % 8;
            area += corners[a] * corners[b + 1] - corners[b] * corners[a + 1];
        }
        return area;
    }
}
