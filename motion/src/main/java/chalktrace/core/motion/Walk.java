package chalktrace.core.motion;

import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the contacts of feet say of a walk, in the words of gait analysis: a step goes from one foot's contact to the other's, a stride to the next contact of the same foot,
 * cadence is steps a minute.
 *
 * @param contacts in rising order
 * @param stepPx the mean way along the ground from foot to foot; empty with fewer than two feet
 * @param stridePx the mean way of one foot from contact to contact
 * @param cadence steps a minute; of one foot alone, two for each stride
 * @param bouncePx how far the body rises and falls, as the mean of each stride; empty without a point of the body
 */
public record Walk(
        List<Contact> contacts,
        OptionalDouble stepPx,
        OptionalDouble stridePx,
        OptionalDouble cadence,
        OptionalDouble bouncePx) {

    /** A foot meets the ground. */
    public record Contact(int frame, MovingPoint foot) {}

    public Walk {
        contacts = List.copyOf(contacts);
    }

    /**
     * @param contacts as proposed, of points that are feet
     * @param body a point of the hips or the head; the others are feet
     */
    public static Walk of(List<Contact> contacts, Optional<MovingPoint> body, FrameRate rate) {
        List<Contact> all = contacts.stream()
                .sorted(Comparator.comparingInt(Contact::frame))
                .toList();
        List<Double> steps = new ArrayList<>();
        List<Double> strides = new ArrayList<>();
        List<Double> bounces = new ArrayList<>();
        List<Double> frames = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Contact contact = all.get(i);
            if (i > 0 && all.get(i - 1).foot() != contact.foot()) {
                steps.add(apart(all.get(i - 1), contact));
                frames.add((double) contact.frame() - all.get(i - 1).frame());
            }
            for (int k = i - 1; k >= 0; k--) {
                if (all.get(k).foot() == contact.foot()) {
                    strides.add(apart(all.get(k), contact));
                    if (all.stream().allMatch(other -> other.foot() == contact.foot())) {
                        frames.add((contact.frame() - all.get(k).frame()) / 2.0);
                    }
                    int from = all.get(k).frame();
                    body.map(point -> rise(point, from, contact.frame()))
                            .ifPresent(rise -> rise.ifPresent(bounces::add));
                    break;
                }
            }
        }
        OptionalDouble each = mean(frames);
        return new Walk(
                all,
                mean(steps),
                mean(strides),
                each.isPresent() && each.getAsDouble() > 0
                        ? OptionalDouble.of(60 / (each.getAsDouble() * rate.seconds(1)))
                        : OptionalDouble.empty(),
                mean(bounces));
    }

    /** Along the ground, which is level in the picture. */
    private static double apart(Contact a, Contact b) {
        return Math.abs(b.foot().x(b.frame()) - a.foot().x(a.frame()));
    }

    private static OptionalDouble rise(MovingPoint body, int from, int to) {
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (int frame = from; frame <= to; frame++) {
            if (body.knows(frame)) {
                low = Math.min(low, body.y(frame));
                high = Math.max(high, body.y(frame));
            }
        }
        return high < low ? OptionalDouble.empty() : OptionalDouble.of(high - low);
    }

    private static OptionalDouble mean(List<Double> values) {
        return values.stream().mapToDouble(v -> v).average();
    }
}
