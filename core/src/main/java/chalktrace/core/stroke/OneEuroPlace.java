package chalktrace.core.stroke;

/**
 * The 1 Euro filter for a place: as {@link OneEuroFilter}, but how fast the whole place moves says how closely both its numbers
 * follow, so that a circle stays round, and the first step's speed is taken as it is: a fast hand is fast from its first step, and the paper's
 * start from rest would hold its line back by tens of pixels. A state that does not change.
 */
record OneEuroPlace(
        double minCutoff,
        double beta,
        double x,
        double y,
        double speedX,
        double speedY,
        double seconds,
        boolean moving) {

    /** At rest at a place. @param minCutoff in hertz, @param beta in hertz per pixel a second */
    static OneEuroPlace at(double minCutoff, double beta, double x, double y, double seconds) {
        return new OneEuroPlace(minCutoff, beta, x, y, 0, 0, seconds, false);
    }

    /** After the next place; a time that does not advance changes nothing. */
    OneEuroPlace next(double rawX, double rawY, double at) {
        double elapsed = at - seconds;
        if (elapsed <= 0) {
            return this;
        }
        double smoothing = moving ? OneEuroFilter.smoothing(OneEuroFilter.SPEED_CUTOFF, elapsed) : 1;
        double vx = speedX + smoothing * ((rawX - x) / elapsed - speedX);
        double vy = speedY + smoothing * ((rawY - y) / elapsed - speedY);
        double share = OneEuroFilter.smoothing(minCutoff + beta * Math.hypot(vx, vy), elapsed);
        return new OneEuroPlace(minCutoff, beta, x + share * (rawX - x), y + share * (rawY - y), vx, vy, at, true);
    }
}
