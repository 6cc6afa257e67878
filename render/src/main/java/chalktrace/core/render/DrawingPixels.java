package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Shot;
import java.awt.Rectangle;
import java.awt.geom.AffineTransform;

/** A drawing alone as pixels with opacity, for other programs. */
public final class DrawingPixels {

    private DrawingPixels() {}

    /** @return pixels of the shot's size, clear where nothing is drawn; what lies outside the picture is cut off */
    public static Pixels of(Drawing drawing, Shot shot) {
        PictureSize size = shot.setup().size();
        Rectangle whole = new Rectangle(0, 0, size.width(), size.height());
        int[] words = StrokePainter.paint(drawing, shot::chalk, InkLook.CHALK, new AffineTransform(), whole)
                .alone(new PixelTile(new int[0], 0, size.width(), 0, 0, size.width(), size.height()));
        for (int i = 0; i < words.length; i++) {
            words[i] = straight(words[i]);
        }
        return new Pixels(size, words);
    }

    private static int straight(int premultiplied) {
        int alpha = premultiplied >>> 24;
        if (alpha == 0 || alpha == 255) {
            return premultiplied;
        }
        int out = alpha << 24;
        for (int shift = 0; shift <= 16; shift += 8) {
            out |= Math.min(255, ((premultiplied >> shift & 255) * 255 + alpha / 2) / alpha) << shift;
        }
        return out;
    }
}
