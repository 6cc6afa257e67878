package chalktrace.core.motion;

import java.util.Optional;

/**
 * How well a place of a picture can be followed: by how much the window around it changes when it is moved along the direction in which it changes least
 * (J. Shi, C. Tomasi, "Good features to track", CVPR 1994).
 *
 * @param least how strongly it changes along that direction, in grey levels a px
 * @param most how strongly it changes along the other
 */
public record Spot(double x, double y, double least, double most) {

    /**
     * A change that grain, coding and light alone do not make. Measured on film whose true paths are known: of the weaker places every second wandered by more than
     * 3 px within 40 frames, and looked sure.
     */
    private static final double ENOUGH = 1.3;

    private static final int STEP = 2;

    /** What a place is like. */
    public enum Kind {
        GOOD,
        /** Even: it could be anywhere. */
        FLAT,
        /** Along one edge only: it could be anywhere along it. */
        EDGE
    }

    public static Spot of(Luma picture, double x, double y, int radius) {
        double xx = 0;
        double xy = 0;
        double yy = 0;
        double all = 0;
        double[] bell = Shift.bell(radius);
        int side = 2 * radius + 1;
        for (int i = 0; i < bell.length; i++) {
            double px = x + i % side - radius;
            double py = y + i / side - radius;
            // Over two pixels on each side, so that grain counts little.
            double dx = (picture.at(px + 2, py) - picture.at(px - 2, py)) / 4;
            double dy = (picture.at(px, py + 2) - picture.at(px, py - 2)) / 4;
            xx += bell[i] * dx * dx;
            xy += bell[i] * dx * dy;
            yy += bell[i] * dy * dy;
            all += bell[i];
        }
        double middle = (xx + yy) / 2;
        double half = Math.hypot((xx - yy) / 2, xy);
        return new Spot(x, y, Math.sqrt(Math.max(0, middle - half) / all), Math.sqrt((middle + half) / all));
    }

    public Kind kind() {
        if (least >= ENOUGH) {
            return Kind.GOOD;
        }
        return most < ENOUGH ? Kind.FLAT : Kind.EDGE;
    }

    /** The best place to follow within a reach; empty where there is none that is better and good. */
    public static Optional<Spot> bestNear(Luma picture, double x, double y, int radius, double reach) {
        Spot given = of(picture, x, y, radius);
        // First far apart, then nearer about the best.
        Spot best = bestOf(picture, given, radius, reach, Math.max(STEP, radius / 2.0));
        best = bestOf(picture, best, radius, radius / 2.0, STEP);
        double least = given.least();
        return Optional.of(best).filter(spot -> spot.kind() == Kind.GOOD && spot.least() > least);
    }

    private static Spot bestOf(Luma picture, Spot about, int radius, double reach, double step) {
        Spot best = about;
        for (double dy = -reach; dy <= reach; dy += step) {
            for (double dx = -reach; dx <= reach; dx += step) {
                double x = about.x() + dx;
                double y = about.y() + dy;
                boolean inside = x >= 0 && y >= 0 && x < picture.width() && y < picture.height();
                if (inside && Math.hypot(dx, dy) <= reach) {
                    Spot spot = of(picture, x, y, radius);
                    best = spot.least() > best.least() ? spot : best;
                }
            }
        }
        return best;
    }
}
