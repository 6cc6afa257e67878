package chalktrace.core.motion;

import java.util.OptionalDouble;

/**
 * How a movement is judged.
 *
 * @param coarse 0 for every small turn, 1 for the great ones alone
 * @param heightPx of the picture
 * @param limitPercent of the picture's height: a drawing may be so far from the one before it without a strobe
 * @param floorY where things stand, in px; none to find it
 */
public record StudySettings(double coarse, double heightPx, double limitPercent, OptionalDouble floorY) {

    /** Usual: between fine and coarse. */
    public static final double USUAL_COARSE = 0.5;

    /** In percent of the height, from drawing to drawing: where a movement begins to strobe is judged by eye; this is where the dial starts. */
    public static final double USUAL_LIMIT_PERCENT = 8;

    public StudySettings {
        if (!(coarse >= 0 && coarse <= 1)) {
            throw new IllegalArgumentException("How coarse is 0 to 1, not " + coarse + ".");
        }
        if (!(heightPx > 0) || !(limitPercent > 0)) {
            throw new IllegalArgumentException("A picture's height and the limit are more than 0.");
        }
    }

    public static StudySettings usual(double heightPx) {
        return new StudySettings(USUAL_COARSE, heightPx, USUAL_LIMIT_PERCENT, OptionalDouble.empty());
    }

    public StudySettings withCoarse(double other) {
        return new StudySettings(other, heightPx, limitPercent, floorY);
    }

    public StudySettings withLimitPercent(double other) {
        return new StudySettings(coarse, heightPx, other, floorY);
    }

    public StudySettings withFloorY(OptionalDouble other) {
        return new StudySettings(coarse, heightPx, limitPercent, other);
    }

    /** How far a point has to go back before it has turned, against the whole extent of its movement: 2 to 25 percent. */
    double turnShare() {
        return 0.02 * Math.pow(12.5, coarse);
    }

    /** The share of all movement that the points which turn together must have. */
    double leastShare() {
        return 0.1 + 0.5 * coarse;
    }

    double percent(double px) {
        return 100 * px / heightPx;
    }
}
