package chalktrace.core.motion;

import java.util.stream.IntStream;

/**
 * Where each place of a picture has gone in another: dense inverse search from coarse to fine (T. Kroeger, R. Timofte, D. Dai, L. Van Gool, "Fast optical flow using
 * dense inverse search", ECCV 2016), with patches of equal mean and without the refinement by variations that follows there. Immutable.
 */
public final class Flow {

    /** It is as fine as the first size of the picture whose longer side has no more px. */
    private static final int FINEST_SIDE = 512;

    private static final int SIDE = 8;
    private static final int STRIDE = 4;
    private static final int AREA = SIDE * SIDE;
    private static final int MOST_STEPS = 12;
    private static final float STILL_PX = 0.03f;

    /** A patch that changes less than this along some direction, in grey levels a px, stays where it was guessed. */
    private static final float LEAST_CHANGE = 0.8f;

    private final int width;
    private final int height;
    private final double scale;
    private final float[] right;
    private final float[] down;
    private final float[] sure;

    private Flow(int width, int height, double scale, float[] right, float[] down, float[] sure) {
        this.width = width;
        this.height = height;
        this.scale = scale;
        this.right = right;
        this.down = down;
        this.sure = sure;
    }

    /** From a picture to another of the same size. Cost: by the picture at its finest size, on all cores. */
    public static Flow between(Pyramid from, Pyramid to) {
        int finest = 0;
        while (finest < from.levels() - 1
                && Math.max(from.level(finest).width(), from.level(finest).height()) > FINEST_SIDE) {
            finest++;
        }
        Flow flow = null;
        for (int level = from.levels() - 1; level >= finest; level--) {
            flow = new Search(from.level(level), to.level(level), 1 << level, flow).flow();
        }
        return flow;
    }

    /** How far a place has gone to the right, in px of the whole picture. */
    public double right(double x, double y) {
        return scale * at(right, x, y);
    }

    /** And how far down. */
    public double down(double x, double y) {
        return scale * at(down, x, y);
    }

    /** 1 where it was seen; 0 where what lies there is too even, and only goes along with what is around. */
    double sure(double x, double y) {
        return at(sure, x, y);
    }

    /** Of the pictures' pyramids, the size at which it is known. */
    int level() {
        return Math.getExponent(scale);
    }

    /** How large its smallest parts are, in px of the whole picture. */
    double grain() {
        return scale;
    }

    private double at(float[] values, double x, double y) {
        double inX = Math.max(0, Math.min(width - 1, (x + 0.5) / scale - 0.5));
        double inY = Math.max(0, Math.min(height - 1, (y + 0.5) / scale - 0.5));
        int left = Math.min(width - 2, (int) inX);
        int top = Math.min(height - 2, (int) inY);
        double u = inX - left;
        double v = inY - top;
        int at = top * width + left;
        return (values[at] * (1 - u) + values[at + 1] * u) * (1 - v)
                + (values[at + width] * (1 - u) + values[at + width + 1] * u) * v;
    }

    /** At one size. */
    private static final class Search {
        private final Luma from;
        private final Luma to;
        private final double scale;
        private final Flow coarser;
        private final int columns;
        private final int rows;
        private final float[] patchRight;
        private final float[] patchDown;
        private final float[] errors;
        private final boolean[] seen;

        /** @param scale of this size, in px of the whole picture @param coarser null in the coarsest */
        Search(Luma from, Luma to, double scale, Flow coarser) {
            this.from = from;
            this.to = to;
            this.scale = scale;
            this.coarser = coarser;
            this.columns = count(from.width());
            this.rows = count(from.height());
            this.patchRight = new float[columns * rows];
            this.patchDown = new float[columns * rows];
            this.errors = new float[columns * rows * AREA];
            this.seen = new boolean[columns * rows];
        }

        private static int count(int side) {
            return (side - SIDE + STRIDE - 1) / STRIDE + 1;
        }

        private static int start(int n, int side) {
            return Math.min(n * STRIDE, side - SIDE);
        }

        Flow flow() {
            IntStream.range(0, rows).parallel().forEach(row -> {
                Patch patch = new Patch(from, to);
                for (int column = 0; column < columns; column++) {
                    search(patch, column, row);
                }
            });
            int width = from.width();
            int height = from.height();
            float[] right = new float[width * height];
            float[] down = new float[width * height];
            float[] sure = new float[width * height];
            IntStream.range(0, height).parallel().forEach(y -> spread(y, right, down, sure));
            return new Flow(width, height, scale, right, down, sure);
        }

        private void search(Patch patch, int column, int row) {
            int left = start(column, from.width());
            int top = start(row, from.height());
            patch.look(left, top);
            float right = 0;
            float down = 0;
            if (coarser != null) {
                double x = (left + SIDE / 2.0) * scale - 0.5;
                double y = (top + SIDE / 2.0) * scale - 0.5;
                right = (float) (coarser.right(x, y) / scale);
                down = (float) (coarser.down(x, y) / scale);
            }
            patch.search(right, down);
            int at = row * columns + column;
            patchRight[at] = patch.right;
            patchDown[at] = patch.down;
            seen[at] = patch.isDistinct();
            System.arraycopy(patch.error, 0, errors, at * AREA, AREA);
        }

        /** Each pixel moves as the patches over it do, the more of each the less it differs. */
        private void spread(int y, float[] right, float[] down, float[] sure) {
            int width = from.width();
            float[] weights = new float[width];
            int at = y * width;
            for (int row = Math.max(0, (y - SIDE) / STRIDE); row < rows; row++) {
                int top = start(row, from.height());
                if (y < top || y >= top + SIDE) {
                    continue;
                }
                for (int column = 0; column < columns; column++) {
                    int patch = row * columns + column;
                    int left = start(column, width);
                    int errorAt = patch * AREA + (y - top) * SIDE;
                    for (int i = 0; i < SIDE; i++) {
                        float off = Math.abs(errors[errorAt + i]);
                        float weight = 1 / Math.max(1, off);
                        int x = left + i;
                        weights[x] += weight;
                        right[at + x] += weight * patchRight[patch];
                        down[at + x] += weight * patchDown[patch];
                        sure[at + x] += seen[patch] ? weight : 0;
                    }
                }
            }
            for (int x = 0; x < width; x++) {
                right[at + x] /= weights[x];
                down[at + x] /= weights[x];
                sure[at + x] /= weights[x];
            }
        }
    }

    /** One small square that is looked for. */
    private static final class Patch {
        private final Luma from;
        private final Luma to;
        private final float[] look = new float[AREA];
        private final float[] gradX = new float[AREA];
        private final float[] gradY = new float[AREA];
        private final float[] error = new float[AREA];
        private int left;
        private int top;
        private float right;
        private float down;
        private float xx;
        private float xy;
        private float yy;

        Patch(Luma from, Luma to) {
            this.from = from;
            this.to = to;
        }

        void look(int left, int top) {
            this.left = left;
            this.top = top;
            float sum = 0;
            float sumX = 0;
            float sumY = 0;
            for (int i = 0; i < AREA; i++) {
                int x = left + i % SIDE;
                int y = top + i / SIDE;
                look[i] = pixel(from, x, y);
                gradX[i] = (pixel(from, x + 1, y) - pixel(from, x - 1, y)) / 2;
                gradY[i] = (pixel(from, x, y + 1) - pixel(from, x, y - 1)) / 2;
                sum += look[i];
                sumX += gradX[i];
                sumY += gradY[i];
            }
            xx = 0;
            xy = 0;
            yy = 0;
            for (int i = 0; i < AREA; i++) {
                look[i] -= sum / AREA;
                // What all of the patch has in common is light, and not movement.
                gradX[i] -= sumX / AREA;
                gradY[i] -= sumY / AREA;
                xx += gradX[i] * gradX[i];
                xy += gradX[i] * gradY[i];
                yy += gradY[i] * gradY[i];
            }
        }

        private static float pixel(Luma picture, int x, int y) {
            int inX = Math.max(0, Math.min(picture.width() - 1, x));
            int inY = Math.max(0, Math.min(picture.height() - 1, y));
            return picture.values()[inY * picture.width() + inX] & 0xFF;
        }

        boolean isDistinct() {
            double least = (xx + yy - Math.sqrt((xx - yy) * (xx - yy) + 4 * xy * xy)) / 2;
            return least > LEAST_CHANGE * LEAST_CHANGE * AREA;
        }

        void search(float guessRight, float guessDown) {
            right = guessRight;
            down = guessDown;
            float before = compare();
            if (!isDistinct()) {
                return;
            }
            float det = xx * yy - xy * xy;
            for (int step = 0; step < MOST_STEPS; step++) {
                float bx = 0;
                float by = 0;
                for (int i = 0; i < AREA; i++) {
                    bx += gradX[i] * error[i];
                    by += gradY[i] * error[i];
                }
                float moveX = (yy * bx - xy * by) / det;
                float moveY = (xx * by - xy * bx) / det;
                right -= moveX;
                down -= moveY;
                float now = compare();
                boolean astray = Math.hypot(right - guessRight, down - guessDown) > SIDE;
                if (now > before || astray) {
                    right += moveX;
                    down += moveY;
                    compare();
                    return;
                }
                before = now;
                if (Math.abs(moveX) + Math.abs(moveY) < STILL_PX) {
                    return;
                }
            }
        }

        /** What lies where it is thought to be, less what lay here. @return the sum of squares */
        private float compare() {
            float x = left + right;
            float y = top + down;
            int wide = to.width();
            int atX = (int) Math.floor(x);
            int atY = (int) Math.floor(y);
            float u = x - atX;
            float v = y - atY;
            float sum = 0;
            if (atX >= 0 && atY >= 0 && atX + SIDE < wide && atY + SIDE < to.height()) {
                byte[] values = to.values();
                float a = (1 - u) * (1 - v);
                float b = u * (1 - v);
                float c = (1 - u) * v;
                float d = u * v;
                for (int row = 0, i = 0; row < SIDE; row++) {
                    int at = (atY + row) * wide + atX;
                    for (int column = 0; column < SIDE; column++, i++, at++) {
                        float value = a * (values[at] & 0xFF)
                                + b * (values[at + 1] & 0xFF)
                                + c * (values[at + wide] & 0xFF)
                                + d * (values[at + wide + 1] & 0xFF);
                        error[i] = value;
                        sum += value;
                    }
                }
            } else {
                for (int i = 0; i < AREA; i++) {
                    error[i] = (float) to.at(x + i % SIDE, y + i / SIDE);
                    sum += error[i];
                }
            }
            float mean = sum / AREA;
            float squares = 0;
            for (int i = 0; i < AREA; i++) {
                error[i] -= mean + look[i];
                squares += error[i] * error[i];
            }
            return squares;
        }
    }
}
