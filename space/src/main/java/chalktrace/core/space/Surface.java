package chalktrace.core.space;

import chalktrace.core.picture.Rgb;
import java.util.Optional;

/**
 * What a mesh looks like.
 *
 * @param color its own, by which the texture is multiplied
 * @param opacity 0 to 1, by which the texture's and that of the vertices is multiplied; counts for all covers but {@link Cover#WHOLE}
 * @param cutout with {@link Cover#HOLES}, below this opacity nothing is seen
 * @param twoSided whether it is seen from behind
 */
public record Surface(
        String name,
        Rgb color,
        double opacity,
        Optional<Texture> texture,
        Cover cover,
        double cutout,
        boolean twoSided) {

    /** What its opacity means: glTF 2.0, 3.9.4. */
    public enum Cover {
        WHOLE,
        HOLES,
        SEE_THROUGH
    }

    public static final Surface PLAIN =
            new Surface("plain", new Rgb(200, 196, 188), 1, Optional.empty(), Cover.WHOLE, 0, true);

    /** The texture's word at a place, multiplied by its own colour and opacity; those alone where there is none. */
    int argb(double u, double v) {
        int word = texture.map(laid -> laid.argb(u, v)).orElse(0xFFFFFFFF);
        int alpha = cover == Cover.WHOLE ? 255 : (int) Math.round((word >>> 24) * opacity);
        return alpha << 24
                | (word >> 16 & 255) * color.red() / 255 << 16
                | (word >> 8 & 255) * color.green() / 255 << 8
                | (word & 255) * color.blue() / 255;
    }
}
