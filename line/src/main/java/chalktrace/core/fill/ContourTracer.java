package chalktrace.core.fill;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * The edges of the set pixels of a bitmap as closed lines: followed along the cracks between pixels, thinned, outer edges one
 * way round and holes the other. Cost: linear in the edge.
 */
public final class ContourTracer {

    /** Steps of a crack stray half a pixel from the edge that they stand for. */
    private static final double THINNING_PX = 0.75;

    private static final int[] STEP_X = {1, 0, -1, 0};
    private static final int[] STEP_Y = {0, 1, 0, -1};

    private final Bitmap bitmap;
    private final BitSet seen = new BitSet();

    private ContourTracer(Bitmap bitmap) {
        this.bitmap = bitmap;
    }

    /**
     * @param scale pixels of the bitmap for one of the result
     * @param originX of the bitmap in the result, which may start elsewhere than at 0
     * @param originY as {@code originX}
     * @return the edges; those of regions of less than {@code smallestArea} pixels of the bitmap are left out
     */
    public static Contours trace(Bitmap bitmap, double scale, double originX, double originY, double smallestArea) {
        List<double[]> rings = new ArrayList<>();
        for (double[] ring : new ContourTracer(bitmap).rings(smallestArea)) {
            double[] out = new double[ring.length];
            for (int i = 0; i < ring.length; i += 2) {
                out[i] = ring[i] / scale + originX;
                out[i + 1] = ring[i + 1] / scale + originY;
            }
            rings.add(out);
        }
        return Contours.of(rings);
    }

    private List<double[]> rings(double smallestArea) {
        List<double[]> rings = new ArrayList<>();
        for (int y = 0; y < bitmap.height; y++) {
            // Each edge has a crack on top of a set pixel that runs to the right.
            for (int x = differs(0, y); x < bitmap.width; x = differs(x + 1, y)) {
                if (bitmap.at(x, y) && !seen.get(crack(x, y))) {
                    double[] ring = follow(x, y);
                    if (Math.abs(area(ring)) >= smallestArea) {
                        double[] thin = thinned(ring);
                        if (thin.length >= 6) {
                            rings.add(thin);
                        }
                    }
                }
            }
        }
        return rings;
    }

    /** The first column from one on that is not as the one above it; the width when there is none. */
    private int differs(int from, int y) {
        int row = crack(0, y);
        if (y == 0) {
            return bitmap.nextOn(from, bitmap.width);
        }
        int above = row - bitmap.width;
        int other = Arrays.mismatch(bitmap.on, row + from, row + bitmap.width, bitmap.on, above + from, row);
        return other < 0 ? bitmap.width : from + other;
    }

    /** Follows an edge with the set pixels on its right hand. */
    private double[] follow(int startX, int startY) {
        List<Integer> corners = new ArrayList<>();
        int x = startX;
        int y = startY;
        int direction = 0;
        do {
            if (direction == 0) {
                seen.set(crack(x, y));
            }
            x += STEP_X[direction];
            y += STEP_Y[direction];
            int turn = turn(x, y, direction);
            if (turn != 0) {
                corners.add(x);
                corners.add(y);
            }
            direction = Math.floorMod(direction + turn, 4);
        } while (x != startX || y != startY || direction != 0);
        return corners.stream().mapToDouble(Integer::doubleValue).toArray();
    }

    /** At a corner: 1 to the right round a pixel, -1 to the left into a bay, 0 straight on. Pixels that touch at a corner stay apart. */
    private int turn(int x, int y, int direction) {
        boolean right = ahead(x, y, direction, true);
        boolean left = ahead(x, y, direction, false);
        if (!right) {
            return 1;
        }
        return left ? -1 : 0;
    }

    /** Whether the pixel ahead of a corner, on the right or left of the way, is set. */
    private boolean ahead(int x, int y, int direction, boolean right) {
        return switch (direction) {
            case 0 -> bitmap.at(x, right ? y : y - 1);
            case 1 -> bitmap.at(right ? x - 1 : x, y);
            case 2 -> bitmap.at(x - 1, right ? y - 1 : y);
            default -> bitmap.at(right ? x : x - 1, y - 1);
        };
    }

    private int crack(int x, int y) {
        return y * bitmap.width + x;
    }

    private static double area(double[] ring) {
        double doubled = 0;
        for (int i = 0; i < ring.length; i += 2) {
            int j = (i + 2) % ring.length;
            doubled += ring[i] * ring[j + 1] - ring[j] * ring[i + 1];
        }
        return doubled / 2;
    }

    /** The middles of the cracks, which lie on the edge that the pixels stand for, thinned after Douglas and Peucker. */
    private static double[] thinned(double[] corners) {
        List<double[]> middles = new ArrayList<>();
        int count = corners.length / 2;
        for (int i = 0; i < count; i++) {
            int j = (i + 1) % count;
            double length =
                    Math.abs(corners[2 * i] - corners[2 * j]) + Math.abs(corners[2 * i + 1] - corners[2 * j + 1]);
            if (length > 2) {
                // A long straight piece keeps both its ends, half a pixel in.
                double dx = Math.signum(corners[2 * j] - corners[2 * i]) / 2;
                double dy = Math.signum(corners[2 * j + 1] - corners[2 * i + 1]) / 2;
                middles.add(new double[] {corners[2 * i] + dx, corners[2 * i + 1] + dy});
                middles.add(new double[] {corners[2 * j] - dx, corners[2 * j + 1] - dy});
            } else {
                middles.add(new double[] {
                    (corners[2 * i] + corners[2 * j]) / 2, (corners[2 * i + 1] + corners[2 * j + 1]) / 2
                });
            }
        }
        return ClosedLine.thinned(middles, THINNING_PX);
    }
}
