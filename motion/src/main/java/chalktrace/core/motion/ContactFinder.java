package chalktrace.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Finds the frames on which a point meets the floor: a foot that comes down and stays, a ball that springs back. The floor is a line that was given, or the lowest
 * level that it keeps coming back to. What only comes to rest touches nothing by that: it stops at once, or rests at a level where it has rested before, or on the line. The low end of a swing is no contact: like any smooth curve it is near its lowest for about twice as long as it took to get there,
 * and what stays is so for longer; and its ways down and up, drawn on straight, meet far below it, those of what springs back do not.
 */
final class ContactFinder {

    /** It has to rise so high before it can come down again, against the whole range of its heights. */
    private static final double LIFT = 0.25;

    /** So near the floor it stands, against the same. */
    private static final double NEAR = 0.06;

    /** So large a part of its heights lies above the floor: a single low place is none. */
    private static final double FLOOR_SHARE = 0.98;

    /** The share of what it falls in the end that counts as being down. */
    private static final double DOWN = NEAR / LIFT;

    /** So many deviations of noise are no movement. */
    private static final double BAND = 5;

    /** It stays for so many frames. */
    private static final int STAYS = 5;

    /** It is down so many times as long as it came down at least. */
    private static final double STAYS_TIMES = 3;

    /** What is so many deviations of noise is seen clearly, or so large a part of the range; it is looked for over so many frames on either side. */
    private static final double CLEAR = 10;

    private static final double SEEN = 0.1;

    private static final int FARTHEST = 8;

    /** The lines of what springs back meet so far below it at most, against how deep the end of its way is. */
    private static final double SPRINGS_BELOW = 0.7;

    /** It stops from one frame to the next with this share of its greatest fall, where what is led to rest slows down before. */
    private static final double STOPS_AT_ONCE = 0.75;

    /** So often at one level at least, so near each other against the range, it has found a floor by itself. */
    private static final int OFTEN = 3;

    private static final double ONE_LEVEL = 0.03;

    /** What springs back is turned so many times as hard as it is anywhere else. */
    private static final double HARD_TIMES = 3;

    /** Of all frames, from the least turned to the hardest, this one stands for the others. */
    private static final double OTHERS = 0.8;

    /** What tells that it touches something, and did not only come down. */
    enum Sign {
        /** It rests on the floor line that was given. */
        LINE,
        /** It rests where it has rested before. */
        LEVEL,
        /** It comes down and stops at once. */
        STOP,
        /** It comes down and springs back. */
        SPRING
    }

    record Contact(int frame, Sign sign) {}

    private final MovingPoint raw;
    private final MovingPoint smooth;
    private final double noise;
    private final double range;
    private final double floor;

    private final boolean isGiven;

    /** How hard its fall is turned on frames in general, in px a frame and frame. */
    private final double usualTurn;

    private ContactFinder(MovingPoint raw, MovingPoint smooth, double range, double floor, boolean isGiven) {
        this.raw = raw;
        this.smooth = smooth;
        this.noise = raw.noise();
        this.range = range;
        this.floor = floor;
        this.isGiven = isGiven;
        double[] turns = IntStream.range(raw.firstFrame() + 1, raw.lastFrame())
                .mapToDouble(frame -> Math.abs(turn(frame)))
                .filter(turn -> !Double.isNaN(turn))
                .sorted()
                .toArray();
        this.usualTurn = turns.length == 0 ? 0 : turns[(int) (OTHERS * (turns.length - 1))];
    }

    static List<Contact> of(MovingPoint point, StudySettings settings) {
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
        ContactFinder finder =
                new ContactFinder(point, smooth, range, floor, settings.floorY().isPresent());
        List<Contact> out = new ArrayList<>();
        point.stretches().forEach(stretch -> finder.addOf(stretch, out));
        return finder.onFloor(out);
    }

    /** Without those that rest where nothing else does. */
    private List<Contact> onFloor(List<Contact> found) {
        return found.stream()
                .filter(contact -> contact.sign() != Sign.LEVEL
                        || found.stream()
                                        .filter(other -> other.sign() != Sign.SPRING
                                                && Math.abs(level(other) - level(contact))
                                                        < Math.max(BAND * noise, ONE_LEVEL * range))
                                        .count()
                                >= OFTEN)
                .toList();
    }

    /** Where it is once it has come to rest. */
    private double level(Contact contact) {
        return smooth.y(contact.frame() + Math.min(STAYS - 1, raw.lastFrame() - contact.frame()));
    }

    /** By how much its fall changes on a frame, in px a frame; less than 0 where it is braked. */
    private double turn(int frame) {
        return raw.y(frame + 1) - 2 * raw.y(frame) + raw.y(frame - 1);
    }

    /** How much of its greatest fall it loses from one frame to the next about a frame. */
    private double stops(int frame, int from) {
        double fall = 0;
        for (int f = Math.max(raw.firstFrame() + 1, from); f <= frame; f++) {
            fall = Math.max(fall, raw.y(f) - raw.y(f - 1));
        }
        return hardest(frame) / Math.max(1e-9, fall);
    }

    private double hardest(int frame) {
        return IntStream.rangeClosed(
                        Math.max(raw.firstFrame() + 1, frame - 1), Math.min(raw.lastFrame() - 1, frame + 1))
                .mapToDouble(f -> -turn(f))
                .max()
                .orElse(0);
    }

    /** Each time that it is low after it was high. */
    private void addOf(MovingPoint.Stretch stretch, List<Contact> out) {
        boolean wasHigh = false;
        for (int frame = stretch.first(); frame <= stretch.last(); frame++) {
            if (wasHigh && !isHigh(frame)) {
                int end = frame;
                while (end < stretch.last() && !isHigh(end + 1)) {
                    end++;
                }
                contact(frame, end, end == stretch.last()).ifPresent(out::add);
            }
            wasHigh = isHigh(frame);
        }
    }

    private boolean isHigh(int frame) {
        return floor - smooth.y(frame) > LIFT * range;
    }

    /** @param from the first frame on which it is low, @param to the last, @param open whether nothing is known after it */
    private Optional<Contact> contact(int from, int to, boolean open) {
        int lowest = from;
        for (int frame = from; frame <= to; frame++) {
            lowest = smooth.y(frame) > smooth.y(lowest) ? frame : lowest;
        }
        double high = floor - LIFT * range;
        double down = smooth.y(lowest) - Math.max(BAND * noise, DOWN * (smooth.y(lowest) - high));
        int first = end(lowest, from, -1, down);
        int last = end(lowest, to, 1, down);
        if (!leads(first, from - 1, -1)) {
            return Optional.empty();
        }
        double cameDown = crossing(first - 1, down) - crossing(from - 1, high);
        double wasDown = (last == to ? last : crossing(last, down)) - crossing(first - 1, down);
        if (last - first + 1 >= STAYS && wasDown >= STAYS_TIMES * cameDown) {
            boolean isDown = floor - smooth.y(lowest) <= Math.max(BAND * noise, NEAR * range);
            Sign sign = isGiven ? Sign.LINE : stops(first, from) >= STOPS_AT_ONCE ? Sign.STOP : Sign.LEVEL;
            return isDown ? Optional.of(new Contact(first, sign)) : Optional.empty();
        }
        boolean isHard = hardest(lowest) > HARD_TIMES * usualTurn;
        return !open && isHard && leads(last, to + 1, 1) && springs(lowest)
                ? Optional.of(new Contact(lowest, Sign.SPRING))
                : Optional.empty();
    }

    /** The farthest frame, one after the other, on which it is down; a single one on which it is not is noise. */
    private int end(int lowest, int to, int step, double down) {
        int end = lowest;
        int frame = lowest;
        while (frame != to && Math.abs(frame - end) < 2) {
            frame += step;
            if (smooth.y(frame) >= down) {
                end = frame;
            }
        }
        return end;
    }

    /**
     * Whether the ways down and up, drawn on as straight lines, meet about as low as it came, and not far below as those of a smooth curve do.
     *
     * @param lowest the frame on which it was seen lowest
     */
    private boolean springs(int lowest) {
        boolean before = smooth.y(lowest - 1) > smooth.y(lowest + 1);
        for (int reach = 1; reach <= FARTHEST; reach++) {
            int left = lowest - reach - (before ? 1 : 0);
            int right = lowest + reach + (before ? 0 : 1);
            if (!smooth.knows(left - reach) || !smooth.knows(right + reach)) {
                return false;
            }
            double deep = smooth.y(lowest) - (smooth.y(left) + smooth.y(right)) / 2;
            if (deep > Math.min(CLEAR * noise, SEEN * range)) {
                double falls = (smooth.y(left) - smooth.y(left - reach)) / reach;
                double rises = (smooth.y(right) - smooth.y(right + reach)) / reach;
                // Where y(left) + falls t = y(right) + rises (right - left - t).
                double after = (smooth.y(right) - smooth.y(left) + rises * (right - left)) / (falls + rises);
                // Against the shallower of both: where the one way is flat no corner is.
                double shallow = smooth.y(lowest) - Math.max(smooth.y(left), smooth.y(right));
                return smooth.y(left) + falls * after - smooth.y(lowest) < SPRINGS_BELOW * shallow;
            }
        }
        return false;
    }

    /** Whether it only rises from a frame to another, one after the other. */
    private boolean leads(int from, int to, int step) {
        for (int frame = from; frame != to; frame += step) {
            if (smooth.y(frame + step) > smooth.y(frame) + noise) {
                return false;
            }
        }
        return true;
    }

    /** When, between a frame and the next, it passes a height. */
    private double crossing(int frame, double y) {
        double before = smooth.y(frame);
        double after = smooth.y(frame + 1);
        return before == after ? frame : frame + Math.max(0, Math.min(1, (y - before) / (after - before)));
    }
}
