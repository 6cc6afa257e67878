package chalktrace.core.between;

/**
 * Blends two lines by their lengths and directions instead of their places, so that a limb that turns keeps its length. After
 * Sederberg, Gao, Wang, Mu, "2-D Shape Blending: An Intrinsic Solution to the Vertex Path Problem", 1993, about the turn that the
 * line as a whole makes, with what is left of a closing error spread along the line.
 */
final class TurnedBlend {

    private TurnedBlend() {}

    /**
     * The line at a share of the way; at 0 and 1 the lines themselves. Its middle goes straight.
     *
     * @param turn of the line as a whole from a to b, in radians
     */
    static Polyline at(Polyline a, Polyline b, double turn, double share) {
        int n = a.count();
        Polyline out = new Polyline(new double[n], new double[n], new double[n]);
        double turned = turn;
        double x = 0;
        double y = 0;
        for (int i = 0; i < n; i++) {
            out.pressure()[i] = a.pressure()[i] + share * (b.pressure()[i] - a.pressure()[i]);
            if (i > 0) {
                double ax = a.x()[i] - a.x()[i - 1];
                double ay = a.y()[i] - a.y()[i - 1];
                double bx = b.x()[i] - b.x()[i - 1];
                double by = b.y()[i] - b.y()[i - 1];
                double piece = Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
                // About the line's own turn, so that no piece goes the other way round.
                turned = turn + Math.IEEEremainder(piece - turn, 2 * Math.PI);
                double lengthA = Math.hypot(ax, ay);
                double lengthB = Math.hypot(bx, by);
                double angle = Math.atan2(ay, ax) + share * turned;
                double length = lengthA + share * (lengthB - lengthA);
                x += length * Math.cos(angle);
                y += length * Math.sin(angle);
            }
            out.x()[i] = x;
            out.y()[i] = y;
        }
        double toX = a.middleX() + share * (b.middleX() - a.middleX()) - out.middleX();
        double toY = a.middleY() + share * (b.middleY() - a.middleY()) - out.middleY();
        return close(out.moved(new Similarity(1, 0, toX, toY)), a, b, turn, share);
    }

    /** Where both lines are closed, the blend is closed too. */
    private static Polyline close(Polyline line, Polyline a, Polyline b, double turn, double share) {
        int last = line.count() - 1;
        if (!a.isClosed() || !b.isClosed()) {
            return line;
        }
        double cos = Math.cos(turn * share);
        double sin = Math.sin(turn * share);
        double backCos = Math.cos(turn * (share - 1));
        double backSin = Math.sin(turn * (share - 1));
        double ax = a.x()[last] - a.x()[0];
        double ay = a.y()[last] - a.y()[0];
        double bx = b.x()[last] - b.x()[0];
        double by = b.y()[last] - b.y()[0];
        double wantedX = (1 - share) * (cos * ax - sin * ay) + share * (backCos * bx - backSin * by);
        double wantedY = (1 - share) * (sin * ax + cos * ay) + share * (backSin * bx + backCos * by);
        double gapX = wantedX - (line.x()[last] - line.x()[0]);
        double gapY = wantedY - (line.y()[last] - line.y()[0]);
        for (int i = 0; i <= last; i++) {
            double part = i / (double) last - 0.5;
            line.x()[i] += part * gapX;
            line.y()[i] += part * gapY;
        }
        return line;
    }
}
