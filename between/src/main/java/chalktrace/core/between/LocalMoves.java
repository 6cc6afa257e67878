package chalktrace.core.between;

import java.util.List;

/**
 * How a drawing moves about a place: the rigid move that lays the lines near it onto their partners best (weighted least squares, the
 * nearer the more). A single line says little of its own turn, above all a short or a closed one; those about it say it together. Cost: linear in the
 * lines for each question.
 */
final class LocalMoves {

    /** The weight of lines falls with their distance as a bell of this width, in shares of the drawing's size. */
    private static final double NEAR = 0.05;

    /** So little counts what lies far away: it decides where nothing is near. */
    private static final double FAR = 1e-6;

    /** For each line the sums that a fit needs: weight, places before and after, and their products. */
    private record Sums(double weight, double x, double y, double u, double v, double dot, double cross) {

        static final Sums NONE = new Sums(0, 0, 0, 0, 0, 0, 0);

        static Sums of(Polyline from, Polyline to) {
            Sums sum = NONE;
            for (int p = 0; p < from.count(); p++) {
                double x = from.x()[p];
                double y = from.y()[p];
                double u = to.x()[p];
                double v = to.y()[p];
                sum = sum.plus(1, new Sums(1, x, y, u, v, x * u + y * v, x * v - y * u));
            }
            return sum;
        }

        Sums plus(double times, Sums other) {
            return new Sums(
                    weight + times * other.weight,
                    x + times * other.x,
                    y + times * other.y,
                    u + times * other.u,
                    v + times * other.v,
                    dot + times * other.dot,
                    cross + times * other.cross);
        }
    }

    private final List<Polyline> lines;
    private final Sums[] sums;
    private final double[] trust;
    private final double size;
    private final double growth;

    /**
     * @param lines of the first drawing
     * @param moved where each comes to, point by point; null for one without a partner
     * @param trust of each, 0 to 1
     * @param size of the drawing, in pixels
     * @param growth by how much lines grow
     */
    LocalMoves(List<Polyline> lines, List<Polyline> moved, double[] trust, double size, double growth) {
        this.lines = lines;
        this.trust = trust;
        this.size = size;
        this.growth = growth;
        sums = new Sums[lines.size()];
        for (int k = 0; k < sums.length; k++) {
            sums[k] = moved.get(k) == null ? null : Sums.of(lines.get(k), moved.get(k));
        }
    }

    /** The move about a line, told by all others but one. @param except the number of that one, -1 for none */
    Similarity about(Polyline line, int except) {
        Sums all = Sums.NONE;
        for (int k = 0; k < sums.length; k++) {
            if (k != except && sums[k] != null) {
                double away = gap(line, lines.get(k)) / (NEAR * size);
                all = all.plus(trust[k] * (Math.exp(-away * away / 2) + FAR), sums[k]);
            }
        }
        if (all.weight <= 0) {
            return Similarity.NONE;
        }
        double fx = all.x / all.weight;
        double fy = all.y / all.weight;
        double tx = all.u / all.weight;
        double ty = all.v / all.weight;
        double real = all.dot - all.weight * (fx * tx + fy * ty);
        double imaginary = all.cross - all.weight * (fx * ty - fy * tx);
        double length = Math.hypot(real, imaginary);
        double ax = length < 1e-12 ? growth : growth * real / length;
        double ay = length < 1e-12 ? 0 : growth * imaginary / length;
        return new Similarity(ax, ay, tx - (ax * fx - ay * fy), ty - (ay * fx + ax * fy));
    }

    private static double gap(Polyline a, Polyline b) {
        double least = Double.MAX_VALUE;
        for (int p = 0; p < a.count(); p += 3) {
            least = Math.min(least, b.squaredDistance(a.x()[p], a.y()[p]));
        }
        return Math.sqrt(least);
    }
}
