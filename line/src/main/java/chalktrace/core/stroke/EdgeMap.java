package chalktrace.core.stroke;

import java.awt.geom.Point2D;

/**
 * How much each pixel of a picture looks like an edge: what a line that follows edges pays for going there. The terms and
 * their weights are those of Mortensen, Barrett, "Intelligent Scissors for Image Composition", SIGGRAPH 1995: zero crossings
 * of the Laplacian 0.43, strength of the gradient 0.43, agreement of directions 0.14.
 */
public final class EdgeMap {

    static final float ZERO_CROSSING_WEIGHT = 0.43f;
    static final float GRADIENT_WEIGHT = 0.43f;
    static final float DIRECTION_WEIGHT = 0.14f;

    /** A straight step against a diagonal one. */
    private static final float STRAIGHT = 0.70710678f;

    private static final float TWO_THIRDS_OF_PI = (float) (2 / (3 * Math.PI));

    /** Smoothing before anything is measured: grain is no edge. Five taps of a binomial, run twice. */
    private static final int SMOOTHINGS = 2;

    /** Strengths above this share of all are as strong as it gets, so that one glint does not outdo all else. */
    private static final double STRONGEST_SHARE = 0.98;

    private final int width;
    private final int height;

    /** Gradient of each pixel, of length 0 to 1. */
    private final float[] gradientX;

    private final float[] gradientY;
    /** What a pixel costs whichever way it is reached: the terms of the zero crossing and of the gradient. */
    private final float[] own;

    private EdgeMap(int width, int height, float[] gradientX, float[] gradientY, boolean[] crossing) {
        this.width = width;
        this.height = height;
        this.gradientX = gradientX;
        this.gradientY = gradientY;
        this.own = new float[crossing.length];
        for (int i = 0; i < own.length; i++) {
            float strength = (float) Math.sqrt(gradientX[i] * gradientX[i] + gradientY[i] * gradientY[i]);
            own[i] = (crossing[i] ? 0 : ZERO_CROSSING_WEIGHT) + GRADIENT_WEIGHT * (1 - Math.min(1, strength));
        }
    }

    /**
     * @param argb opaque words, row after row
     * @throws IllegalArgumentException when the words are not as many as the size says
     */
    public static EdgeMap of(int[] argb, int width, int height) {
        if (argb.length != width * height) {
            throw new IllegalArgumentException("A picture has a word for each pixel.");
        }
        float[] light = new float[argb.length];
        for (int i = 0; i < light.length; i++) {
            // Rec. 709 luma.
            light[i] = 0.2126f * (argb[i] >> 16 & 255) + 0.7152f * (argb[i] >> 8 & 255) + 0.0722f * (argb[i] & 255);
        }
        for (int i = 0; i < SMOOTHINGS; i++) {
            light = smoothed(light, width, height);
        }
        float[] gx = new float[light.length];
        float[] gy = new float[light.length];
        float[] laplacian = new float[light.length];
        for (int y = 1; y < height - 1; y++) {
            for (int x = 1; x < width - 1; x++) {
                int i = y * width + x;
                gx[i] = (light[i + 1] - light[i - 1]) / 2;
                gy[i] = (light[i + width] - light[i - width]) / 2;
                laplacian[i] = light[i + 1] + light[i - 1] + light[i + width] + light[i - width] - 4 * light[i];
            }
        }
        normalise(gx, gy);
        return new EdgeMap(width, height, gx, gy, crossings(laplacian, width, height));
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** 0 where nothing changes to 1 at the strongest edges; 0 outside. */
    public double strength(int x, int y) {
        return isInside(x, y) ? Math.hypot(gradientX[y * width + x], gradientY[y * width + x]) : 0;
    }

    /** The strongest edge within reach of a place, nearer ones before those as strong; the place itself where there is none. */
    public Point2D snapped(double px, double py, double reach) {
        int cx = (int) Math.round(px);
        int cy = (int) Math.round(py);
        int r = (int) Math.ceil(reach);
        double best = 0.1;
        Point2D found = new Point2D.Double(px, py);
        for (int y = cy - r; y <= cy + r; y++) {
            for (int x = cx - r; x <= cx + r; x++) {
                double away = Math.hypot(x - px, y - py);
                double worth = strength(x, y) * (1 - 0.5 * away / Math.max(1, reach));
                if (away <= reach && worth > best) {
                    best = worth;
                    found = new Point2D.Double(x, y);
                }
            }
        }
        return found;
    }

    boolean isInside(int x, int y) {
        return x >= 0 && y >= 0 && x < width && y < height;
    }

    /** What one step to a neighbouring pixel costs, by the published formula; the longer diagonal steps cost more. */
    float cost(int fromX, int fromY, int toX, int toY) {
        int p = fromY * width + fromX;
        int q = toY * width + toX;
        boolean diagonal = fromX != toX && fromY != toY;
        float step = diagonal ? 1 : STRAIGHT;
        return (own[q] + DIRECTION_WEIGHT * direction(p, q, toX - fromX, toY - fromY, diagonal)) * step;
    }

    /** 0 where the step runs along the edges at both its ends, 1 where it runs across them. */
    private float direction(int p, int q, int stepX, int stepY, boolean diagonal) {
        float length = diagonal ? STRAIGHT : 1;
        float pn = length(p);
        float qn = length(q);
        if (pn < 1e-6f || qn < 1e-6f) {
            return 0.5f;
        }
        float dp = (gradientY[p] * stepX - gradientX[p] * stepY) * length / pn;
        float dq = (gradientY[q] * stepX - gradientX[q] * stepY) * length / qn;
        float sign = dp >= 0 ? 1 : -1;
        return (arcCosine(sign * dp) + arcCosine(sign * dq)) * TWO_THIRDS_OF_PI;
    }

    private float length(int i) {
        return (float) Math.sqrt(gradientX[i] * gradientX[i] + gradientY[i] * gradientY[i]);
    }

    /** Within 0.0001 of the arc cosine: Abramowitz, Stegun, "Handbook of Mathematical Functions", 1964, 4.4.45. */
    private static float arcCosine(float cosine) {
        float c = Math.min(1, Math.abs(cosine));
        float root = (float) Math.sqrt(1 - c) * (1.5707288f + c * (-0.2121144f + c * (0.0742610f - 0.0187293f * c)));
        return cosine >= 0 ? root : (float) Math.PI - root;
    }

    private static float[] smoothed(float[] in, int width, int height) {
        float[] across = new float[in.length];
        for (int y = 0; y < height; y++) {
            int row = y * width;
            for (int x = 0; x < width; x++) {
                int a = Math.max(0, x - 2);
                int b = Math.max(0, x - 1);
                int c = Math.min(width - 1, x + 1);
                int d = Math.min(width - 1, x + 2);
                across[row + x] =
                        (in[row + a] + 4 * in[row + b] + 6 * in[row + x] + 4 * in[row + c] + in[row + d]) / 16;
            }
        }
        float[] out = new float[in.length];
        for (int y = 0; y < height; y++) {
            int a = Math.max(0, y - 2) * width;
            int b = Math.max(0, y - 1) * width;
            int c = Math.min(height - 1, y + 1) * width;
            int d = Math.min(height - 1, y + 2) * width;
            for (int x = 0; x < width; x++) {
                out[y * width + x] = (across[a + x]
                                + 4 * across[b + x]
                                + 6 * across[y * width + x]
                                + 4 * across[c + x]
                                + across[d + x])
                        / 16;
            }
        }
        return out;
    }

    private static void normalise(float[] gx, float[] gy) {
        int[] counts = new int[512];
        double most = 0;
        for (int i = 0; i < gx.length; i++) {
            most = Math.max(most, Math.hypot(gx[i], gy[i]));
        }
        if (most == 0) {
            return;
        }
        for (int i = 0; i < gx.length; i++) {
            counts[(int) (Math.hypot(gx[i], gy[i]) / most * 511)]++;
        }
        int changing = gx.length - counts[0];
        int seen = 0;
        int top = 511;
        for (int k = 1; k < 512 && seen < STRONGEST_SHARE * changing; k++) {
            seen += counts[k];
            top = k;
        }
        float scale = (float) (511 / (most * Math.max(1, top)));
        for (int i = 0; i < gx.length; i++) {
            float length = (float) Math.hypot(gx[i], gy[i]) * scale;
            float held = length > 1 ? scale / length : scale;
            gx[i] *= held;
            gy[i] *= held;
        }
    }

    /** A pixel whose Laplacian changes its sign to a neighbour and is the nearer of the two to zero. */
    private static boolean[] crossings(float[] laplacian, int width, int height) {
        boolean[] out = new boolean[laplacian.length];
        for (int y = 1; y < height - 1; y++) {
            for (int x = 1; x < width - 1; x++) {
                int i = y * width + x;
                for (int j : new int[] {i + 1, i - 1, i + width, i - width}) {
                    boolean changes = laplacian[i] * laplacian[j] < 0;
                    out[i] |= changes && Math.abs(laplacian[i]) <= Math.abs(laplacian[j]);
                }
            }
        }
        return out;
    }
}
