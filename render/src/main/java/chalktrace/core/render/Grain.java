package chalktrace.core.render;

import java.awt.Color;
import java.awt.Paint;
import java.awt.PaintContext;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.TexturePaint;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.SplittableRandom;

/**
 * The grain of the paper, which shows through dry chalk: a piece of noise that repeats, the same on every machine and in
 * every run, and lies still in the shot's own places.
 */
final class Grain {

    private static final int SIZE = 128;
    private static final long SEED = 0x9E3779B97F4A7C15L;

    /** Colours in use are few; of many, as while a colour is being chosen, the latest stay. */
    private static final int MOST = 64;

    private static final Map<Integer, BufferedImage> PIECES =
            Collections.synchronizedMap(new LinkedHashMap<>(MOST, 0.75f, true) {
                @Override
                protected boolean removeEldestEntry(Map.Entry<Integer, BufferedImage> eldest) {
                    return size() > MOST;
                }
            });

    private static final float[] COVER = cover();

    private Grain() {}

    /** @param toDevice from shot pixels, in which the grain is as fine as the pixels, to device pixels */
    static Paint of(Color color, AffineTransform toDevice) {
        BufferedImage piece = PIECES.computeIfAbsent(color.getRGB(), rgb -> piece(color));
        TexturePaint texture = new TexturePaint(piece, new Rectangle2D.Double(0, 0, SIZE, SIZE));
        return new Placed(texture, toDevice);
    }

    private static BufferedImage piece(Color color) {
        BufferedImage image = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_INT_ARGB);
        for (int y = 0; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                int alpha = Math.round(color.getAlpha() * COVER[y * SIZE + x]);
                image.setRGB(x, y, alpha << 24 | color.getRGB() & 0xFFFFFF);
            }
        }
        return image;
    }

    /** Noise, smoothed over neighbours so that grains are a few pixels large, and steepened. */
    private static float[] cover() {
        SplittableRandom random = new SplittableRandom(SEED);
        float[] noise = new float[SIZE * SIZE];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = (float) random.nextDouble();
        }
        float[] out = new float[noise.length];
        for (int y = 0; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                float sum = 0;
                for (int dy = -1; dy <= 1; dy++) {
                    for (int dx = -1; dx <= 1; dx++) {
                        sum += noise[Math.floorMod(y + dy, SIZE) * SIZE + Math.floorMod(x + dx, SIZE)];
                    }
                }
                out[y * SIZE + x] = Math.max(0.05f, Math.min(1, 0.8f + 5 * (sum / 9 - 0.5f)));
            }
        }
        return out;
    }

    /** A texture that is placed by a transform of its own. */
    private record Placed(TexturePaint texture, AffineTransform place) implements Paint {

        @Override
        public PaintContext createContext(
                ColorModel model, Rectangle device, Rectangle2D user, AffineTransform transform, RenderingHints hints) {
            AffineTransform both = new AffineTransform(transform);
            both.concatenate(place);
            return texture.createContext(model, device, user, both, hints);
        }

        @Override
        public int getTransparency() {
            return TRANSLUCENT;
        }
    }
}
