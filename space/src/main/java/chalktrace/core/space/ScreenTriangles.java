package chalktrace.core.space;

import java.util.Arrays;

/**
 * Triangles on the screen, cut off where they come too near the camera: for each of its corners x, y in px and 1 / depth, which goes straight
 * along the screen, and what it is a piece of.
 */
final class ScreenTriangles {

    /** Nine numbers a triangle. */
    private float[] corners = new float[9 * 1024];

    private int[] pieceOf = new int[1024];
    private int count;

    int count() {
        return count;
    }

    float[] corners() {
        return corners;
    }

    /** What a triangle is a piece of: an id above 0. */
    int id(int triangle) {
        return pieceOf[triangle];
    }

    /** The vertices of triangles that have three of their own each. */
    static int[] ascending(int triangles) {
        int[] out = new int[3 * triangles];
        Arrays.setAll(out, i -> i);
        return out;
    }

    void add(
            int id, double ax, double ay, double aw, double bx, double by, double bw, double cx, double cy, double cw) {
        grow(count + 1);
        int at = 9 * count;
        corners[at] = (float) ax;
        corners[at + 1] = (float) ay;
        corners[at + 2] = (float) aw;
        corners[at + 3] = (float) bx;
        corners[at + 4] = (float) by;
        corners[at + 5] = (float) bw;
        corners[at + 6] = (float) cx;
        corners[at + 7] = (float) cy;
        corners[at + 8] = (float) cw;
        pieceOf[count++] = id;
    }

    private void grow(int wanted) {
        if (wanted > pieceOf.length) {
            int room = Math.max(wanted, pieceOf.length * 3 / 2);
            pieceOf = Arrays.copyOf(pieceOf, room);
            corners = Arrays.copyOf(corners, 9 * room);
        }
    }
}
