package chalktrace.media.testing;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.time.FrameRate;
import chalktrace.media.codec.MovieEncoder;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;

/**
 * Clips for tests whose pictures carry their own number as eleven black and white blocks, and whose sound has a click on
 * one frame, on which the picture flashes.
 */
public final class Clips {

    public static final PictureSize SIZE = new PictureSize(352, 96);

    private static final int BITS = 11;
    private static final int BLOCK = 32;
    private static final int BACKGROUND = 0xFF406080;

    private Clips() {}

    /** Writes an MP4 of numbered pictures. @param clickFrame the frame with the click; negative for no sound */
    public static Path numbered(Path file, int frames, FrameRate rate, int clickFrame) throws IOException {
        try (MovieEncoder encoder = new MovieEncoder(file, SIZE, rate, clickFrame >= 0)) {
            for (int n = 0; n < frames; n++) {
                encoder.add(picture(n), sound(rate, n, clickFrame));
            }
            encoder.finish();
        }
        return file;
    }

    /** Writes an MP4, silent, of one picture again and again. */
    public static Path still(Path file, int frames, FrameRate rate) throws IOException {
        try (MovieEncoder encoder = new MovieEncoder(file, SIZE, rate, false)) {
            for (int n = 0; n < frames; n++) {
                encoder.add(picture(5), sound(rate, n, -1));
            }
            encoder.finish();
        }
        return file;
    }

    /** Opaque words of the picture of a number. */
    public static int[] picture(int number) {
        int[] words = new int[SIZE.width() * SIZE.height()];
        Arrays.fill(words, BACKGROUND);
        for (int bit = 0; bit < BITS; bit++) {
            int word = (number >> bit & 1) == 1 ? 0xFFFFFFFF : 0xFF000000;
            for (int y = 0; y < 64; y++) {
                Arrays.fill(words, y * SIZE.width() + bit * BLOCK, y * SIZE.width() + (bit + 1) * BLOCK, word);
            }
        }
        return words;
    }

    /** The number that a picture carries. */
    public static int number(Picture picture) {
        return number(picture.toArgb(), picture.size().width());
    }

    /** The number that words, row after row, carry. */
    public static int number(int[] words, int width) {
        int number = 0;
        for (int bit = 0; bit < BITS; bit++) {
            int word = words[32 * width + bit * BLOCK + BLOCK / 2];
            number |= ((word >> 8 & 255) > 127 ? 1 : 0) << bit;
        }
        return number;
    }

    private static float[] sound(FrameRate rate, int frame, int clickFrame) {
        int from = (int) Math.round(rate.seconds(frame) * ShotMix.SAMPLE_RATE);
        int to = (int) Math.round(rate.seconds(frame + 1) * ShotMix.SAMPLE_RATE);
        float[] stereo = new float[2 * (to - from)];
        if (frame == clickFrame) {
            Arrays.fill(stereo, 0, 2 * 48, 0.9f);
        }
        return stereo;
    }
}
