package chalktrace.core.space;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Rgb;
import java.util.Optional;

/**
 * What a mesh looks like.
 *
 * @param color its own, by which the texture is multiplied
 * @param opacity 0 to 1
 * @param texture wrapped round at its edges
 * @param cutout below this opacity of the texture nothing is seen; 0 for no holes
 * @param twoSided whether it is seen from behind
 */
public record Surface(
        String name, Rgb color, double opacity, Optional<ArgbPicture> texture, double cutout, boolean twoSided) {

    public static final Surface PLAIN = new Surface("plain", new Rgb(200, 196, 188), 1, Optional.empty(), 0, true);

    /** The texture's word at a place that repeats each 1; its own colour where there is none. */
    int argb(double u, double v) {
        if (texture.isEmpty()) {
            return color.argb();
        }
        ArgbPicture picture = texture.get();
        double x = (u - Math.floor(u)) * picture.size().width() - 0.5;
        double y = (v - Math.floor(v)) * picture.size().height() - 0.5;
        int word = picture.argbAt(x, y);
        return word & 0xFF000000
                | (word >> 16 & 255) * color.red() / 255 << 16
                | (word >> 8 & 255) * color.green() / 255 << 8
                | (word & 255) * color.blue() / 255;
    }
}
