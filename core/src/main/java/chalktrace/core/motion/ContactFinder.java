package chalktrace.core.motion;

import java.util.ArrayList;
import java.util.List;

/**
 * Finds the frames on which a point comes down and stays: a foot, a cup. It is in the air, comes down to the level on which it rests, and rests there. The level is
 * a floor line that was given, or the lowest that it keeps coming back to.
 */
final class ContactFinder {

    /** It has to rise so high before it can come down again, against the whole range of its heights. */
    private static final double LIFT = 0.25;

    /** So near the floor it stands, against the same. */
    private static final double NEAR = 0.06;

    private static final double FLOOR_SHARE = 0.92;

    /** It stays for so many frames. */
    private static final int STAYS = 3;

    private ContactFinder() {}

    static List<Integer> of(MovingPoint point, StudySettings settings) {
        double noise = point.noise();
        MovingPoint smooth = point.smoothed(noise > 0.3 ? 1 : 0);
        List<Double> heights = new ArrayList<>();
        for (int frame = point.firstFrame(); frame <= point.lastFrame(); frame++) {
            if (point.knows(frame)) {
                heights.add(smooth.y(frame));
            }
        }
        heights.sort(null);
        double range = heights.get(heights.size() - 1) - heights.get(0);
        if (range < Math.max(8 * noise, 0.02 * settings.heightPx())) {
            return List.of();
        }
        double floor = settings.floorY().orElse(heights.get((int) (FLOOR_SHARE * (heights.size() - 1))));
        double near = Math.max(3 * noise, NEAR * range);
        List<Integer> out = new ArrayList<>();
        for (MovingPoint.Stretch stretch : point.stretches()) {
            boolean lifted = false;
            for (int frame = stretch.first(); frame <= stretch.last(); frame++) {
                double above = floor - smooth.y(frame);
                lifted |= above > LIFT * range;
                if (lifted && above <= near && stays(smooth, frame, stretch.last(), floor, near)) {
                    out.add(frame);
                    lifted = false;
                }
            }
        }
        return out;
    }

    private static boolean stays(MovingPoint point, int frame, int last, double floor, double near) {
        for (int next = frame; next < frame + STAYS && next <= last; next++) {
            if (floor - point.y(next) > near) {
                return false;
            }
        }
        return frame + STAYS - 1 <= last;
    }
}
