package chalktrace.core.motion;

import chalktrace.core.picture.Rgb;
import java.util.List;

/**
 * A point of footage that is followed. Its path lies on the pictures of the source, in px of the source as it is seen, so that it stays right
 * however the footage is placed and timed in the shot.
 *
 * @param footage the id of the footage
 * @param attached drawings that go along with it
 * @param partner the id of a second point, with which it tells turn and size; empty for none
 * @param radius of what is looked at around it, in px of the source; 0 for the usual
 */
public record Track(
        String id,
        String name,
        Rgb color,
        boolean visible,
        String footage,
        double radius,
        TrackPath path,
        String partner,
        List<Attached> attached) {

    /** Told apart on any footage: light, far from each other in hue, and from the accent. */
    private static final Rgb[] COLORS = {
        new Rgb(0x6F, 0xE3, 0xFF),
        new Rgb(0xFF, 0x9E, 0xC4),
        new Rgb(0xB6, 0xF2, 0x6B),
        new Rgb(0xFF, 0xC8, 0x6B),
        new Rgb(0xC9, 0xB2, 0xFF),
        new Rgb(0x7C, 0xF0, 0xC0)
    };

    /** Alone, without a second point. */
    public Track(String id, String name, Rgb color, boolean visible, String footage, double radius, TrackPath path) {
        this(id, name, color, visible, footage, radius, path, "", List.of());
    }

    /** @throws IllegalArgumentException when the radius is no size */
    public Track {
        if (!(radius >= 0 && radius <= 10_000)) {
            throw new IllegalArgumentException("The radius of a point is 0 to 10000 px.");
        }
        attached = List.copyOf(attached);
    }

    /** The colour of the n-th point, in turn. */
    public static Rgb color(int n) {
        return COLORS[Math.floorMod(n, COLORS.length)];
    }

    public Track withPath(TrackPath other) {
        return new Track(id, name, color, visible, footage, radius, other, partner, attached);
    }

    /** Whether it is a patch of a chosen size, whose own turn and growth count. */
    public boolean isPatch() {
        return radius > 0;
    }

    /** @param px of the source; 0 for the usual */
    public Track withRadius(double px) {
        return new Track(id, name, color, visible, footage, px, path, partner, attached);
    }

    public Track withName(String other) {
        return new Track(id, other, color, visible, footage, radius, path, partner, attached);
    }

    /** Paired with a second point. @param other its id; empty for none */
    public Track withPartner(String other) {
        return new Track(id, name, color, visible, footage, radius, path, other, attached);
    }

    public Track withAttached(List<Attached> others) {
        return new Track(id, name, color, visible, footage, radius, path, partner, others);
    }

    public Track withVisible(boolean shown) {
        return new Track(id, name, color, shown, footage, radius, path, partner, attached);
    }
}
