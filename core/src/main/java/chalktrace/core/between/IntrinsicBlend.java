package chalktrace.core.between;

/**
 * Blends two lines by their lengths and directions instead of their places, so that a limb that turns keeps its length. After
 * Sederberg, Gao, Wang, Mu, "2-D Shape Blending: An Intrinsic Solution to the Vertex Path Problem", 1993, with what is left of
 * a closing error spread along the line.
 */
final class IntrinsicBlend {

    private IntrinsicBlend() {}

    /** The line at a share of the way; at 0 and 1 the lines themselves. Its middle goes straight. */
    static Polyline at(Polyline a, Polyline b, double share) {
        int n = a.count();
        Polyline out = new Polyline(new double[n], new double[n], new double[n]);
        double turned = 0;
        double x = 0;
        double y = 0;
        for (int i = 0; i < n; i++) {
            out.pressure()[i] = a.pressure()[i] + share * (b.pressure()[i] - a.pressure()[i]);
            if (i > 0) {
                double ax = a.x()[i] - a.x()[i - 1];
                double ay = a.y()[i] - a.y()[i - 1];
                double bx = b.x()[i] - b.x()[i - 1];
                double by = b.y()[i] - b.y()[i - 1];
                // From piece to piece the turn changes little: it is followed, not taken anew each time.
                double turn = Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
                turned = i == 1 ? turn : turned + Math.IEEEremainder(turn - turned, 2 * Math.PI);
                double angle = Math.atan2(ay, ax) + share * turned;
                double length = Math.hypot(ax, ay) + share * (Math.hypot(bx, by) - Math.hypot(ax, ay));
                x += length * Math.cos(angle);
                y += length * Math.sin(angle);
            }
            out.x()[i] = x;
            out.y()[i] = y;
        }
        double toX = a.middleX() + share * (b.middleX() - a.middleX()) - out.middleX();
        double toY = a.middleY() + share * (b.middleY() - a.middleY()) - out.middleY();
        return close(out.moved(new Similarity(1, 0, toX, toY)), a, b, share);
    }

    /** Where both lines are closed, the blend is closed too. */
    private static Polyline close(Polyline line, Polyline a, Polyline b, double share) {
        int last = line.count() - 1;
        double gapX = wantedGap(a.x(), b.x(), share) - (line.x()[last] - line.x()[0]);
        double gapY = wantedGap(a.y(), b.y(), share) - (line.y()[last] - line.y()[0]);
        if (!isClosed(a) || !isClosed(b)) {
            return line;
        }
        for (int i = 0; i <= last; i++) {
            double part = i / (double) last - 0.5;
            line.x()[i] += part * gapX;
            line.y()[i] += part * gapY;
        }
        return line;
    }

    private static double wantedGap(double[] a, double[] b, double share) {
        int last = a.length - 1;
        return (1 - share) * (a[last] - a[0]) + share * (b[last] - b[0]);
    }

    private static boolean isClosed(Polyline line) {
        int last = line.count() - 1;
        return Math.hypot(line.x()[last] - line.x()[0], line.y()[last] - line.y()[0]) < 0.05 * line.length();
    }
}
