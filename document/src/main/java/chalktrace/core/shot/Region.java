package chalktrace.core.shot;

/**
 * A part of a picture, upright as it is seen, in parts of the picture's width and height.
 *
 * @param x of its left edge, 0 to 1
 * @param y of its top edge, 0 to 1
 */
public record Region(double x, double y, double width, double height) {

    public static final Region WHOLE = new Region(0, 0, 1, 1);

    /** A smaller part could not be seen, and would make its pixels huge. */
    public static final double SMALLEST = 0.005;

    private static final double ROUNDING = 1e-9;

    /** @throws IllegalArgumentException when it is no part of a picture, or too small a one */
    public Region {
        boolean inside = x >= 0 && y >= 0 && x + width <= 1 + ROUNDING && y + height <= 1 + ROUNDING;
        if (!inside || !(width >= SMALLEST && height >= SMALLEST)) {
            throw new IllegalArgumentException(
                    "A part of a picture lies within it, from 0 to 1, and is at least half a percent wide and high.");
        }
    }

    /**
     * The part between two corners, in any order; what lies outside the picture is cut off.
     *
     * @throws IllegalArgumentException when too little of it is left
     */
    public static Region between(double x0, double y0, double x1, double y1) {
        double left = Math.max(0, Math.min(x0, x1));
        double top = Math.max(0, Math.min(y0, y1));
        return new Region(left, top, Math.min(1, Math.max(x0, x1)) - left, Math.min(1, Math.max(y0, y1)) - top);
    }

    public boolean isWhole() {
        return equals(WHOLE);
    }
}
