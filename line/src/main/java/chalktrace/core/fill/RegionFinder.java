package chalktrace.core.fill;

import java.util.Optional;

/**
 * Finds the region that lines bound around a place. Gaps in the lines up to a set width count as closed: lines are
 * thickened by half of it, the region is found, and grown back by as much wherever no line stands. Then it grows under the
 * line, so that no gap shows between paint and line, but not beyond the line's middle.
 */
public final class RegionFinder {

    private final Bitmap lines;
    private final double gap;

    /**
     * @param lines where lines are
     * @param gap the widest opening that counts as closed, in pixels; 0 for none
     */
    public RegionFinder(Bitmap lines, double gap) {
        this.lines = lines;
        this.gap = gap;
    }

    /**
     * A region.
     *
     * @param pixels of it, grown under its lines
     * @param open whether it reaches the edge of the picture, as it does where the lines leave it open by more than the gap
     */
    public record Region(Bitmap pixels, boolean open) {}

    /**
     * The region around a place.
     *
     * @param grow how far it goes under the line, in pixels
     * @return empty when the place lies on a line
     */
    public Optional<Region> around(int x, int y, double grow) {
        if (x < 0 || y < 0 || x >= lines.width() || y >= lines.height() || lines.at(x, y)) {
            return Optional.empty();
        }
        Bitmap barrier = Dilation.by(lines, gap / 2);
        int start = nearestFree(x, y, barrier);
        if (start < 0) {
            // So narrow that closing gaps fills it up: it is taken as its lines leave it.
            Bitmap region = Flood.from(x, y, lines);
            return Optional.of(new Region(UnderLine.grown(region, lines, grow), touchesEdge(region)));
        }
        Bitmap region = Flood.from(start % lines.width(), start / lines.width(), barrier);
        boolean open = touchesEdge(region);
        return Optional.of(new Region(UnderLine.grown(backToTheLines(region), lines, grow), open));
    }

    /** All that lies within the outermost lines, the lines themselves taken along, grown by some pixels or shrunk. */
    public Bitmap silhouette(double grow) {
        int w = lines.width();
        int h = lines.height();
        Bitmap barrier = Dilation.by(lines, gap / 2);
        Bitmap outside = new Bitmap(w, h);
        for (int x = 0; x < w; x++) {
            Flood.into(outside, x, 0, barrier);
            Flood.into(outside, x, h - 1, barrier);
        }
        for (int y = 0; y < h; y++) {
            Flood.into(outside, 0, y, barrier);
            Flood.into(outside, w - 1, y, barrier);
        }
        Bitmap inside = backToTheLines(outside).inverted();
        return grow >= 0
                ? Dilation.by(inside, grow)
                : Dilation.by(inside.inverted(), -grow).inverted();
    }

    /** The place of a region that lies farthest from its edge, as x and y; a good place to look for it in another frame. */
    public static int[] deepest(Bitmap region) {
        float[] depth = DistanceTransform.squares(region.inverted());
        int best = 0;
        for (int i = 1; i < depth.length; i++) {
            if (depth[i] > depth[best]) {
                best = i;
            }
        }
        return new int[] {best % region.width(), best / region.width()};
    }

    /** The free pixel nearest to a place among those within reach of the thickening, without crossing a line; -1 for none. */
    private int nearestFree(int x, int y, Bitmap barrier) {
        int w = lines.width;
        if (!barrier.on[y * w + x]) {
            return y * w + x;
        }
        int reach = (int) Math.ceil(gap);
        int best = -1;
        double nearest = Double.MAX_VALUE;
        for (int j = Math.max(0, y - reach); j <= Math.min(lines.height - 1, y + reach); j++) {
            for (int i = Math.max(0, x - reach); i <= Math.min(w - 1, x + reach); i++) {
                double away = Math.hypot(i - x, j - y);
                if (!barrier.on[j * w + i] && away < nearest && isInSight(x, y, i, j)) {
                    nearest = away;
                    best = j * w + i;
                }
            }
        }
        return best;
    }

    private boolean isInSight(int x0, int y0, int x1, int y1) {
        int steps = Math.max(Math.abs(x1 - x0), Math.abs(y1 - y0));
        for (int s = 0; s <= steps; s++) {
            double share = steps == 0 ? 0 : (double) s / steps;
            if (lines.at((int) Math.round(x0 + share * (x1 - x0)), (int) Math.round(y0 + share * (y1 - y0)))) {
                return false;
            }
        }
        return true;
    }

    /**
     * Undoes the thickening: the region grows round corners, but never across a line, as far as the thickening took away.
     * In a right corner that is the diagonal of half a gap.
     */
    private Bitmap backToTheLines(Bitmap region) {
        return gap == 0 ? region : RingGrowth.around(region, lines, gap / 2 * Math.sqrt(2) + 1);
    }

    private static boolean touchesEdge(Bitmap region) {
        for (int x = 0; x < region.width; x++) {
            if (region.on[x] || region.on[(region.height - 1) * region.width + x]) {
                return true;
            }
        }
        for (int y = 0; y < region.height; y++) {
            if (region.on[y * region.width] || region.on[y * region.width + region.width - 1]) {
                return true;
            }
        }
        return false;
    }
}
