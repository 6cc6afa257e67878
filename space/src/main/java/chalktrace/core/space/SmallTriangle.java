package chalktrace.core.space;

/**
 * The light of triangles that are so small in the picture that light found at their corners, mixed along the screen, does for all of each (Gouraud
 * 1971). What was found of the last ones is kept, as a row of pixels comes back to the triangles of the row before: one for each thread.
 */
final class SmallTriangle {

    private static final double SMALL_PX = 12;

    /** Up to this size where the light hardly differs between the corners. */
    private static final double LARGEST_PX = 64;

    private static final double HARDLY = 0.12;

    private final int[] corners;
    private final float[] places;
    private final float[] normals;
    private final float[] screen;
    private final float[] front;
    private final float[] back;

    /** So many are kept; a power of two. */
    private static final int KEPT = 2048;

    /** What is kept of each: its light at the corner of the picture, how much more per px to the right and down, the least and the most. */
    private static final int NUMBERS = 5;

    private final double[] kept = new double[NUMBERS * KEPT];
    private final boolean[] small = new boolean[KEPT];

    /** Which triangle is kept where, counted from 1. */
    private final int[] keptOf = new int[KEPT];

    /** Where the numbers of the one that was turned to are. */
    private int at;

    SmallTriangle(SeenPose seen) {
        corners = seen.pose().figure().triangles();
        places = seen.places();
        normals = seen.normals();
        screen = seen.screen();
        front = seen.frontLight();
        back = seen.backLight();
    }

    /** Turns to another; false when it is too large, too near, or has no normals of its own. */
    boolean turnTo(int triangle) {
        int slot = triangle & KEPT - 1;
        at = NUMBERS * slot;
        if (keptOf[slot] != triangle + 1) {
            keptOf[slot] = triangle + 1;
            small[slot] = find(3 * corners[3 * triangle], 3 * corners[3 * triangle + 1], 3 * corners[3 * triangle + 2]);
        }
        return small[slot];
    }

    private boolean find(int a, int b, int c) {
        double x = screen[a];
        double y = screen[a + 1];
        double x1 = screen[b] - x;
        double y1 = screen[b + 1] - y;
        double x2 = screen[c] - x;
        double y2 = screen[c + 1] - y;
        boolean near = screen[a + 2] == 0 || screen[b + 2] == 0 || screen[c + 2] == 0;
        if (near || isOver(LARGEST_PX, x1, y1) || isOver(LARGEST_PX, x2, y2)) {
            return false;
        }
        double area = x1 * y2 - x2 * y1;
        // What is seen from behind is lit as what is seen; the flat side decides, not the rounded normal.
        float[] lights = agreement(a, b, c) < 0 == area < 0 ? back : front;
        double here = lights[a / 3];
        double more1 = lights[b / 3] - here;
        double more2 = lights[c / 3] - here;
        double to1 = area == 0 ? 0 : 1 / area;
        double perX = (more1 * y2 - more2 * y1) * to1;
        double perY = (more2 * x1 - more1 * x2) * to1;
        double lowest = here + Math.min(0, Math.min(more1, more2));
        double highest = here + Math.max(0, Math.max(more1, more2));
        kept[at] = here - perX * x - perY * y;
        kept[at + 1] = perX;
        kept[at + 2] = perY;
        kept[at + 3] = lowest;
        kept[at + 4] = highest;
        boolean even = highest - lowest < HARDLY;
        return lowest >= 0 && (even || !(isOver(SMALL_PX, x1, y1) || isOver(SMALL_PX, x2, y2)));
    }

    double light(double px, double py) {
        double light = kept[at] + kept[at + 1] * px + kept[at + 2] * py;
        return light < kept[at + 3] ? kept[at + 3] : light > kept[at + 4] ? kept[at + 4] : light;
    }

    /** Whether the first corner's normal lies on the side to which the corners run counter-clockwise. */
    private double agreement(int a, int b, int c) {
        double ux = places[b] - places[a];
        double uy = places[b + 1] - places[a + 1];
        double uz = places[b + 2] - places[a + 2];
        double vx = places[c] - places[a];
        double vy = places[c + 1] - places[a + 1];
        double vz = places[c + 2] - places[a + 2];
        return normals[a] * (uy * vz - uz * vy)
                + normals[a + 1] * (uz * vx - ux * vz)
                + normals[a + 2] * (ux * vy - uy * vx);
    }

    private static boolean isOver(double px, double x, double y) {
        return x < -px || x > px || y < -px || y > px;
    }
}
