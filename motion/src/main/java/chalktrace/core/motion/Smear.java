package chalktrace.core.motion;

/**
 * What a movement within the time of one picture does to it: each place is the mean of a straight piece through it.
 *
 * @param dx how far the piece reaches in all, in px, @param dy likewise
 */
record Smear(double dx, double dy) {

    static final Smear NONE = new Smear(0, 0);

    /** Pieces of a line are so long at most, in px. */
    private static final double STEP_PX = 1.5;

    double length() {
        return Math.hypot(dx, dy);
    }

    Smear times(double share) {
        return new Smear(share * dx, share * dy);
    }

    /** As it is before a map, moves left out. */
    Smear before(Warp warp) {
        Warp back = warp.inverse();
        return new Smear(back.a() * dx + back.b() * dy, back.c() * dx + back.d() * dy);
    }

    /** The mean of a picture about a place. */
    double at(Luma picture, double x, double y) {
        int steps = (int) Math.ceil(length() / STEP_PX);
        if (steps < 2) {
            return picture.at(x, y);
        }
        double sum = 0;
        for (int k = 0; k < steps; k++) {
            double share = (k + 0.5) / steps - 0.5;
            sum += picture.at(x + share * dx, y + share * dy);
        }
        return sum / steps;
    }
}
