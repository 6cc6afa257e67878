package chalktrace.core.fill;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Grows a region under the lines that bound it: a pixel of a line joins when it lies within reach of the region, and no farther from it
 * than from any free place on the line's other side. So paint never comes out beyond a line that is thinner than the reach. Cost:
 * linear in the pixels about the region, and for those of lines in the square of the reach.
 */
final class UnderLine {

    private UnderLine() {}

    /** @param reach in pixels, from pixel middle to pixel middle; less than 1 changes nothing */
    static Bitmap grown(Bitmap region, Bitmap lines, double reach) {
        Bitmap out = new Bitmap(region.width, region.height, region.on.clone());
        int[][] about = about(reach);
        int[] box = box(region, (int) Math.floor(reach));
        for (int y = box[1]; y < box[3]; y++) {
            int row = y * region.width;
            int end = row + box[2];
            for (int i = lines.nextOn(row + box[0], end); i < end; i = lines.nextOn(i + 1, end)) {
                if (!region.on[i] && isOurs(i - row, y, region, lines, about)) {
                    out.on[i] = true;
                }
            }
        }
        return out;
    }

    /** Whether the closest free place about a pixel of a line, or one of the closest, belongs to the region. */
    private static boolean isOurs(int x, int y, Bitmap region, Bitmap lines, int[][] about) {
        int theirs = Integer.MAX_VALUE;
        for (int[] step : about) {
            int nx = x + step[0];
            int ny = y + step[1];
            if (step[2] > theirs) {
                return false;
            }
            if (nx < 0 || ny < 0 || nx >= region.width || ny >= region.height) {
                continue;
            }
            int i = ny * region.width + nx;
            if (region.on[i]) {
                return true;
            }
            if (!lines.on[i]) {
                theirs = step[2];
            }
        }
        return false;
    }

    /** The steps to all pixels within reach, the shortest first, with the squares of their lengths. */
    private static int[][] about(double reach) {
        int r = (int) Math.floor(reach);
        List<int[]> steps = new ArrayList<>();
        for (int dy = -r; dy <= r; dy++) {
            for (int dx = -r; dx <= r; dx++) {
                int squared = dx * dx + dy * dy;
                if (squared > 0 && squared <= reach * reach) {
                    steps.add(new int[] {dx, dy, squared});
                }
            }
        }
        steps.sort(Comparator.comparingInt(step -> step[2]));
        return steps.toArray(int[][]::new);
    }

    /** Left, top, right and bottom of what is set, with a margin, within the picture. */
    private static int[] box(Bitmap region, int margin) {
        int left = region.width;
        int top = region.height;
        int right = -1;
        int bottom = -1;
        for (int y = 0; y < region.height; y++) {
            int row = y * region.width;
            int end = row + region.width;
            int first = region.nextOn(row, end);
            if (first < end) {
                left = Math.min(left, first - row);
                top = Math.min(top, y);
                bottom = y;
            }
            for (int i = region.nextOn(row + right + 1, end); i < end; i = region.nextOn(row + right + 1, end)) {
                right = region.nextOff(i, end) - 1 - row;
            }
        }
        return new int[] {
            Math.max(0, left - margin),
            Math.max(0, top - margin),
            Math.min(region.width, right + 1 + margin),
            Math.min(region.height, bottom + 1 + margin)
        };
    }
}
