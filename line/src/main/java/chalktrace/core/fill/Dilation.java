package chalktrace.core.fill;

import java.util.Arrays;

/**
 * Grows what is set by a disc: every pixel within a distance of a set one. Exact in the Euclidean sense, from pixel middle to
 * pixel middle. Cost: linear in the pixels, and in the edge times the disc's height.
 */
final class Dilation {

    private Dilation() {}

    /** @param radius in pixels; less than 1 changes nothing */
    static Bitmap by(Bitmap bitmap, double radius) {
        Bitmap out = new Bitmap(bitmap.width, bitmap.height, bitmap.on.clone());
        int r = (int) Math.floor(radius);
        if (r < 1) {
            return out;
        }
        int[] half = new int[r + 1];
        for (int dy = 0; dy <= r; dy++) {
            half[dy] = (int) Math.floor(Math.sqrt(radius * radius - dy * dy));
        }
        bitmap.eachEdge((y, start, end) -> stamp(out, y, start, end, half));
        return out;
    }

    /** All within reach of pixels of a row that lie side by side. */
    private static void stamp(Bitmap out, int y, int start, int end, int[] half) {
        int r = half.length - 1;
        for (int dy = Math.max(-r, -y); dy <= Math.min(r, out.height - 1 - y); dy++) {
            int reach = half[Math.abs(dy)];
            int row = (y + dy) * out.width;
            Arrays.fill(out.on, row + Math.max(0, start - reach), row + Math.min(out.width, end + reach), true);
        }
    }
}
