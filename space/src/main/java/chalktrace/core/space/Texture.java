package chalktrace.core.space;

import chalktrace.core.picture.ArgbPicture;

/**
 * A picture that is laid onto a surface.
 *
 * @param across how it goes on beyond its left and right edge
 * @param down how it goes on beyond its upper and lower edge
 */
public record Texture(ArgbPicture picture, Wrap across, Wrap down) {

    /** What lies beyond an edge of a picture. */
    public enum Wrap {
        REPEAT,
        MIRROR,
        CLAMP;

        /** @param place counted in pictures, @return 0 to 1 */
        private double within(double place) {
            return switch (this) {
                case REPEAT -> place - Math.floor(place);
                case MIRROR -> 1 - Math.abs(Math.IEEEremainder(place - 1, 2));
                case CLAMP -> Math.max(0, Math.min(1, place));
            };
        }
    }

    /** One that repeats. */
    public static Texture of(ArgbPicture picture) {
        return new Texture(picture, Wrap.REPEAT, Wrap.REPEAT);
    }

    /** The word at a place, (0, 0) its upper left, (1, 1) its lower right. */
    int argb(double u, double v) {
        return picture.argbAt(
                across.within(u) * picture.size().width() - 0.5,
                down.within(v) * picture.size().height() - 0.5);
    }
}
