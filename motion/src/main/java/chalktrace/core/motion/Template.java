package chalktrace.core.motion;

import java.util.Arrays;

/**
 * What lies around a spot, kept as it was first seen, and fitted into later pictures by an affine map: Lucas and Kanade in its inverse compositional form
 * (S. Baker, I. Matthews, "Lucas-Kanade 20 years on", IJCV 56, 2004), with equal mean and deviation. A pixel that keeps differing, because it lies on
 * what is behind and not on the thing itself, loses its weight.
 */
final class Template {

    private static final int PARAMETERS = 6;

    /** So many of them are the shape's; the others move it. */
    private static final int SHAPE = 4;

    private static final int MOST_STEPS = 25;
    private static final double STILL_PX = 0.01;

    /** How much a shape usually changes from picture to picture: 2 degrees, or 3 percent. */
    private static final double SHAPE_CHANGE = 0.03;

    /** How fast a pixel's usual difference follows. */
    private static final double MEMORY = 0.15;

    /** The share of the radius that is the middle. */
    private static final double MIDDLE = 0.5;

    private final Luma source;
    private final Warp place;
    private final int radius;
    private final int side;
    private final double[] bell;
    private final double[] look;
    private final double[][] descent;
    private final double[] weights;
    private final double[] middle;
    private final double[] usual;

    /**
     * How well a map fits.
     *
     * @param whole the likeness of all of it, -1 to 1
     * @param middleError how much its inner part differs: the mean square where the whole has a deviation of 1
     */
    record Fit(Warp warp, double whole, double middleError) {}

    /** @param warp of the template into the picture */
    Template(Luma picture, Warp warp, int radius) {
        this(picture, warp, radius, Smear.NONE, null);
    }

    /** @param as has learned which pixels count, and goes on to learn; null for none */
    private Template(Luma picture, Warp warp, int radius, Smear smear, Template as) {
        this.source = picture;
        this.place = warp;
        this.radius = radius;
        this.side = 2 * radius + 1;
        this.bell = as == null ? Shift.bell(radius) : as.bell;
        this.weights = as == null ? bell.clone() : as.weights;
        this.look = new double[side * side];
        this.descent = new double[side * side][PARAMETERS];
        this.usual = as == null ? new double[side * side] : as.usual;
        this.middle = as == null ? new double[side * side] : as.middle;
        for (int i = 0; i < middle.length && as == null; i++) {
            middle[i] = Math.hypot(px(i), py(i)) <= Math.max(2, MIDDLE * radius) ? 1 : 0;
        }
        sample(picture, warp, smear, look, null);
        double deviation = Shift.normalise(look, bell);
        int wide = side + 2;
        double[] around = new double[wide * wide];
        for (int i = 0; i < around.length; i++) {
            around[i] = seen(picture, warp, smear, i % wide - radius - 1, i / wide - radius - 1);
        }
        for (int i = 0; i < look.length; i++) {
            int at = (i / side + 1) * wide + i % side + 1;
            double dx = (around[at + 1] - around[at - 1]) / 2 / deviation;
            double dy = (around[at + wide] - around[at - wide]) / 2 / deviation;
            double[] row = descent[i];
            row[0] = dx * px(i);
            row[1] = dx * py(i);
            row[2] = dy * px(i);
            row[3] = dy * py(i);
            row[4] = dx;
            row[5] = dy;
        }
    }

    /** The same, as it looks while it moves by so much; what is learned with it is learned for both. */
    Template smeared(Smear smear) {
        return new Template(source, place, radius, smear, this);
    }

    private static double seen(Luma picture, Warp warp, Smear smear, double x, double y) {
        return smear.at(picture, warp.x(x, y), warp.y(x, y));
    }

    private double px(int i) {
        return i % side - radius;
    }

    private double py(int i) {
        return i / side - radius;
    }

    /** @param within takes 1 for what lies in the picture, else 0; may be null */
    private void sample(Luma picture, Warp warp, Smear smear, double[] out, double[] within) {
        for (int i = 0; i < out.length; i++) {
            double x = warp.x(px(i), py(i));
            double y = warp.y(px(i), py(i));
            out[i] = smear.at(picture, x, y);
            if (within != null) {
                within[i] = x >= 0 && y >= 0 && x <= picture.width() - 1 && y <= picture.height() - 1 ? 1 : 0;
            }
        }
    }

    /**
     * The map that fits best near a guess. Where the patch says little about its shape, that stays as in the guess.
     *
     * @param smear of the picture, which is looked at so
     * @param noise the usual mean square by which a pixel differs, where the whole has a deviation of 1
     */
    Fit fit(Luma picture, Smear smear, Warp guess, double noise) {
        return fit(picture, smear, guess, 0, noise / (SHAPE_CHANGE * SHAPE_CHANGE));
    }

    /** As {@link #fit}, with the guess's turn, size and slant kept. */
    Fit moved(Luma picture, Smear smear, Warp guess) {
        return fit(picture, smear, guess, SHAPE, 0);
    }

    /**
     * @param first of the parameters that are free; those before it stay
     * @param stiffness what a change of the shape costs
     */
    private Fit fit(Luma picture, Smear smear, Warp guess, int first, double stiffness) {
        int free = PARAMETERS - first;
        double[][] hessian = new double[free][free];
        for (int i = 0; i < look.length; i++) {
            for (int a = 0; a < free; a++) {
                double part = weights[i] * descent[i][first + a];
                for (int b = 0; b <= a; b++) {
                    hessian[a][b] += part * descent[i][first + b];
                }
            }
        }
        for (int a = 0; a < free; a++) {
            for (int b = a + 1; b < free; b++) {
                hessian[a][b] = hessian[b][a];
            }
            hessian[a][a] += first + a < SHAPE ? stiffness : 0;
        }
        double[][] inverse = Inverse.of(hessian).orElse(null);
        Warp warp = guess;
        double[] seen = new double[look.length];
        double[] within = new double[look.length];
        for (int step = 0; step < MOST_STEPS && inverse != null; step++) {
            Warp next = improved(picture, smear, warp, pull(guess, warp, stiffness), inverse, seen, within);
            double moved = Math.hypot(next.tx() - warp.tx(), next.ty() - warp.ty()) + radius * next.shapeDistance(warp);
            warp = next;
            if (moved < STILL_PX || !(warp.determinant() > 0.1)) {
                break;
            }
        }
        return fitOf(picture, smear, warp);
    }

    /** What draws the shape back to that of the guess. */
    private static double[] pull(Warp guess, Warp warp, double stiffness) {
        Warp changed = guess.inverse().after(warp);
        return new double[] {
            stiffness * (changed.a() - 1),
            stiffness * changed.b(),
            stiffness * changed.c(),
            stiffness * (changed.d() - 1),
            0,
            0
        };
    }

    private Warp improved(
            Luma picture, Smear smear, Warp warp, double[] pull, double[][] inverse, double[] seen, double[] within) {
        sample(picture, warp, smear, seen, within);
        for (int i = 0; i < within.length; i++) {
            within[i] *= weights[i];
        }
        Shift.normalise(seen, within);
        int first = PARAMETERS - inverse.length;
        double[] sum = Arrays.copyOfRange(pull, first, PARAMETERS);
        for (int i = 0; i < seen.length; i++) {
            double error = within[i] * (seen[i] - look[i]);
            for (int k = 0; k < sum.length && error != 0; k++) {
                sum[k] += descent[i][first + k] * error;
            }
        }
        double[] p = new double[PARAMETERS];
        for (int a = 0; a < sum.length; a++) {
            for (int b = 0; b < sum.length; b++) {
                p[first + a] += inverse[a][b] * sum[b];
            }
        }
        Warp step = new Warp(1 + p[0], p[1], p[2], 1 + p[3], p[4], p[5]);
        return Math.abs(step.determinant()) < 0.1 ? warp : warp.after(step.inverse());
    }

    private Fit fitOf(Luma picture, Smear smear, Warp warp) {
        double[] seen = new double[look.length];
        double[] within = new double[look.length];
        sample(picture, warp, smear, seen, within);
        for (int i = 0; i < within.length; i++) {
            within[i] *= weights[i];
        }
        if (Arrays.stream(within).sum() < 1e-3) {
            return new Fit(warp, -1, Double.MAX_VALUE);
        }
        double[] kept = look.clone();
        Shift.normalise(kept, within);
        Shift.normalise(seen, within);
        double error = 0;
        double all = 0;
        for (int i = 0; i < seen.length; i++) {
            if (middle[i] > 0 && within[i] > 0) {
                error += (seen[i] - kept[i]) * (seen[i] - kept[i]);
                all++;
            }
        }
        return new Fit(warp, Shift.product(kept, seen, within), all == 0 ? Double.MAX_VALUE : error / all);
    }

    /** Learns from a map that was accepted which pixels belong to the thing. */
    void learn(Luma picture, Smear smear, Warp warp) {
        double[] seen = new double[look.length];
        sample(picture, warp, smear, seen, null);
        Shift.normalise(seen, weights);
        for (int i = 0; i < seen.length; i++) {
            double error = seen[i] - look[i];
            usual[i] += MEMORY * (error * error - usual[i]);
        }
        double[] sorted = usual.clone();
        Arrays.sort(sorted);
        double typical = Math.max(0.15, 4 * sorted[sorted.length / 2]);
        for (int i = 0; i < weights.length; i++) {
            double far = usual[i] / typical;
            weights[i] = bell[i] / (1 + far * far);
        }
    }
}
