package chalktrace.app.bench;

import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.Peaks;
import java.nio.IntBuffer;
import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;

/** The waveform of a sound in strips that are painted once and then only moved, as long as zoom and looks stay. */
final class WaveStrips {

    private static final int STRIP_PX = 256;
    private static final int MOST_STRIPS = 48;

    /** What is never louder than this is no sound: its waveform does not fill the lane. */
    private static final double FAINTEST = 0.02;

    /**
     * What the strips look like.
     *
     * @param secondsPerPx of the lane
     * @param fine how many pixels of the screen a pixel of the lane has
     */
    record Look(Peaks peaks, SoundClip.Trim trim, double secondsPerPx, int height, Color color, int fine) {}

    private final Map<Long, Image> strips = new LinkedHashMap<>(MOST_STRIPS, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Image> eldest) {
            return size() > MOST_STRIPS;
        }
    };

    private Look look;

    /** @param left the sound's second at the left edge, below 0 before it starts @param width of the lane in px */
    void paint(GraphicsContext g, Look wanted, double left, double width) {
        if (!wanted.equals(look)) {
            strips.clear();
            look = wanted;
        }
        long first = Math.round(left / look.secondsPerPx);
        for (long strip = Math.floorDiv(first, (long) STRIP_PX);
                strip <= Math.floorDiv(first + (long) Math.ceil(width) - 1, (long) STRIP_PX);
                strip++) {
            double from = strip * STRIP_PX * look.secondsPerPx;
            if (from < look.peaks.sound().seconds() && from + STRIP_PX * look.secondsPerPx > 0) {
                g.drawImage(
                        strips.computeIfAbsent(strip, this::make), strip * STRIP_PX - first, 0, STRIP_PX, look.height);
            }
        }
    }

    private Image make(long strip) {
        int width = STRIP_PX * look.fine;
        int height = look.height * look.fine;
        double column = look.secondsPerPx / look.fine;
        double middle = height / 2.0;
        // Each waveform fills its lane: it is read for when a sound comes, not for how loud it is.
        double gain = middle / Math.max(FAINTEST, look.peaks.loudest());
        double end = look.peaks.sound().seconds() - look.trim.tailSeconds();
        int ink = 0xFF000000
                | (int) Math.round(255 * look.color.getRed()) << 16
                | (int) Math.round(255 * look.color.getGreen()) << 8
                | (int) Math.round(255 * look.color.getBlue());
        int[] pixels = new int[width * height];
        for (int x = 0; x < width; x++) {
            double from = (strip * width + x) * column;
            if (from + column > look.trim.headSeconds() && from < end) {
                Peaks.Range range = look.peaks.between(from, from + column);
                int top = (int) Math.round(Math.max(0, middle - gain * range.high()));
                int bottom = (int) Math.round(Math.min(height, middle - gain * range.low()));
                for (int y = Math.min(top, height - 1); y < Math.max(bottom, top + look.fine) && y < height; y++) {
                    pixels[y * width + x] = ink;
                }
            }
        }
        return new WritableImage(
                new PixelBuffer<>(width, height, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance()));
    }
}
