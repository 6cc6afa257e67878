package chalktrace.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Follows a patch of the picture as it moves, turns and grows, by the method of Lucas and Kanade (1981) in its inverse
 * compositional form (S. Baker, I. Matthews, "Lucas-Kanade 20 years on", IJCV 56, 2004), from coarse to fine. The patch of the
 * first picture is kept, so that nothing drifts; brightness and contrast may change. Pictures have to come in order; not for
 * several threads.
 */
public final class PatchTracker {

    private static final int LEVELS = 3;
    private static final int SIDE = 33;
    private static final int PARAMETERS = 4;
    private static final int MOST_STEPS = 40;
    private static final double STILL = 0.003;

    /** A patch that fits worse than this (normalised correlation) is lost: covered, turned away, or left behind. */
    private static final double LEAST_FIT = 0.6;

    /**
     * Where the patch has come to.
     *
     * @param x of its middle, @param y of its middle, in pixels
     * @param scale 1 for as large as at first
     * @param degrees turned clockwise
     * @param fit -1 to 1: how much it still looks as at first
     */
    public record Place(double x, double y, double scale, double degrees, double fit) {}

    /** A move, turn and scale: a place z of the patch, as a complex number about its middle, comes to a z + t. */
    private record Pose(double ax, double ay, double tx, double ty) {

        double x(double px, double py) {
            return ax * px - ay * py + tx;
        }

        double y(double px, double py) {
            return ay * px + ax * py + ty;
        }

        Pose finer() {
            return new Pose(ax, ay, 2 * tx + 0.5, 2 * ty + 0.5);
        }

        Pose coarser() {
            return new Pose(ax, ay, (tx - 0.5) / 2, (ty - 0.5) / 2);
        }
    }

    /** The patch at one size: what it looks like, how it changes when it is moved a little, and the inverse of how much. */
    private static final class Template {
        private final double spacing;
        private final double[] look = new double[SIDE * SIDE];
        private final double[][] descent = new double[SIDE * SIDE][PARAMETERS];
        private final double[][] inverse;

        Template(Luma picture, double x, double y, double spacing) {
            this.spacing = spacing;
            for (int i = 0; i < look.length; i++) {
                look[i] = picture.at(x + px(i), y + py(i));
            }
            double[] normal = normalised(look);
            double deviation = deviation(look);
            System.arraycopy(normal, 0, look, 0, look.length);
            double[][] hessian = new double[PARAMETERS][PARAMETERS];
            for (int i = 0; i < look.length; i++) {
                double dx =
                        (picture.at(x + px(i) + 1, y + py(i)) - picture.at(x + px(i) - 1, y + py(i))) / 2 / deviation;
                double dy =
                        (picture.at(x + px(i), y + py(i) + 1) - picture.at(x + px(i), y + py(i) - 1)) / 2 / deviation;
                double[] row = descent[i];
                row[0] = dx * px(i) + dy * py(i);
                row[1] = -dx * py(i) + dy * px(i);
                row[2] = dx;
                row[3] = dy;
                for (int a = 0; a < PARAMETERS; a++) {
                    for (int b = 0; b < PARAMETERS; b++) {
                        hessian[a][b] += row[a] * row[b];
                    }
                }
            }
            inverse = Inverse.of(hessian).orElse(null);
        }

        double px(int i) {
            return (i % SIDE - SIDE / 2) * spacing;
        }

        double py(int i) {
            return (i / SIDE - SIDE / 2) * spacing;
        }
    }

    private final List<Template> templates = new ArrayList<>();
    private Pose pose;
    private Pose before;

    /**
     * @param x of the patch's middle, @param y of it, @param radius half of its side, in pixels
     * @throws IllegalArgumentException when there is nothing in the patch that could be followed
     */
    public PatchTracker(Luma first, double x, double y, double radius) {
        Luma picture = first;
        Pose at = new Pose(1, 0, x, y);
        double spacing = Math.max(0.25, 2 * radius / (SIDE - 1));
        for (int level = 0; level < LEVELS; level++) {
            templates.add(new Template(picture, at.tx, at.ty, spacing));
            picture = picture.halved();
            at = at.coarser();
            spacing /= 2;
        }
        pose = new Pose(1, 0, x, y);
        before = pose;
        if (templates.get(0).inverse == null || deviation(patch(first, templates.get(0), pose)) < 1) {
            throw new IllegalArgumentException(
                    "There is nothing to follow there: the picture is even. Choose a place with edges and corners.");
        }
    }

    /** Where the patch is in the next picture; empty when it is lost. */
    public Optional<Place> next(Luma picture) {
        List<Luma> pyramid = new ArrayList<>(List.of(picture));
        for (int level = 1; level < LEVELS; level++) {
            pyramid.add(pyramid.get(level - 1).halved());
        }
        // It is looked for where it would be if it moved on as it did.
        Pose guess = new Pose(pose.ax, pose.ay, 2 * pose.tx - before.tx, 2 * pose.ty - before.ty);
        Pose best = null;
        double most = Double.NEGATIVE_INFINITY;
        for (Pose start : List.of(guess, pose)) {
            Pose found = follow(pyramid, start);
            double fit = fit(picture, found);
            if (fit > most) {
                most = fit;
                best = found;
            }
        }
        if (most < LEAST_FIT) {
            return Optional.empty();
        }
        before = pose;
        pose = best;
        return Optional.of(new Place(
                pose.tx, pose.ty, Math.hypot(pose.ax, pose.ay), Math.toDegrees(Math.atan2(pose.ay, pose.ax)), most));
    }

    private Pose follow(List<Luma> pyramid, Pose start) {
        Pose at = start;
        for (int level = 1; level < LEVELS; level++) {
            at = at.coarser();
        }
        for (int level = LEVELS - 1; level >= 0; level--) {
            Template template = templates.get(level);
            for (int step = 0; step < MOST_STEPS && template.inverse != null; step++) {
                Pose next = improved(pyramid.get(level), template, at);
                double moved = Math.hypot(next.tx - at.tx, next.ty - at.ty)
                        + Math.hypot(next.ax - at.ax, next.ay - at.ay) * SIDE * template.spacing;
                at = next;
                if (moved < STILL) {
                    break;
                }
            }
            at = level > 0 ? at.finer() : at;
        }
        return at;
    }

    private static double[] patch(Luma picture, Template template, Pose pose) {
        double[] out = new double[SIDE * SIDE];
        for (int i = 0; i < out.length; i++) {
            double px = template.px(i);
            double py = template.py(i);
            out[i] = picture.at(pose.x(px, py), pose.y(px, py));
        }
        return out;
    }

    private static Pose improved(Luma picture, Template template, Pose pose) {
        double[] seen = normalised(patch(picture, template, pose));
        double[] sum = new double[PARAMETERS];
        for (int i = 0; i < seen.length; i++) {
            double error = seen[i] - template.look[i];
            for (int k = 0; k < PARAMETERS; k++) {
                sum[k] += template.descent[i][k] * error;
            }
        }
        double[] delta = new double[PARAMETERS];
        for (int a = 0; a < PARAMETERS; a++) {
            for (int b = 0; b < PARAMETERS; b++) {
                delta[a] += template.inverse[a][b] * sum[b];
            }
        }
        // The template was moved by delta: the pose takes on the inverse of that, a complex quotient.
        double dx = 1 + delta[0];
        double dy = delta[1];
        double square = dx * dx + dy * dy;
        double ax = (pose.ax * dx + pose.ay * dy) / square;
        double ay = (pose.ay * dx - pose.ax * dy) / square;
        return new Pose(ax, ay, pose.tx - (ax * delta[2] - ay * delta[3]), pose.ty - (ay * delta[2] + ax * delta[3]));
    }

    private double fit(Luma picture, Pose found) {
        double[] seen = normalised(patch(picture, templates.get(0), found));
        double sum = 0;
        for (int i = 0; i < seen.length; i++) {
            sum += seen[i] * templates.get(0).look[i];
        }
        return sum / seen.length;
    }

    /** With a mean of 0 and a deviation of 1. */
    private static double[] normalised(double[] values) {
        double mean = 0;
        for (double value : values) {
            mean += value / values.length;
        }
        double deviation = deviation(values);
        double[] out = new double[values.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = (values[i] - mean) / deviation;
        }
        return out;
    }

    private static double deviation(double[] values) {
        double mean = 0;
        for (double value : values) {
            mean += value / values.length;
        }
        double square = 0;
        for (double value : values) {
            square += (value - mean) * (value - mean) / values.length;
        }
        return Math.max(1e-6, Math.sqrt(square));
    }
}
