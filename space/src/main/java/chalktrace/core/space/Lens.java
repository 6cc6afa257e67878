package chalktrace.core.space;

/** A lens before a frame that is 36 mm wide. @param millimetres its focal length */
public record Lens(double millimetres) {

    public static final double FRAME_MM = 36;

    /** Wide and long enough for any shot. */
    public static final double SHORTEST = 4;

    public static final double LONGEST = 2000;

    /** @throws IllegalArgumentException when it is shorter than 4 mm or longer than 2 m */
    public Lens {
        if (!(millimetres >= SHORTEST && millimetres <= LONGEST)) {
            throw new IllegalArgumentException("A lens has 4 to 2000 mm, not " + millimetres + ".");
        }
    }

    /** The lens that sees so much of the height of a picture with these sides, kept within what there is. */
    public static Lens ofHeight(double radians, double aspect) {
        double half = Math.tan(Math.min(Math.max(radians, 1e-3), 3) / 2);
        return new Lens(Math.max(SHORTEST, Math.min(LONGEST, FRAME_MM / 2 / (half * aspect))));
    }

    /** How much it sees of the picture's width: 2 atan(18 / focal length). */
    public double degreesWide() {
        return Math.toDegrees(2 * Math.atan(FRAME_MM / 2 / millimetres));
    }
}
