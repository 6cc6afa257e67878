package chalktrace.media.file;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Base64;
import java.util.Iterator;
import java.util.Locale;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Pictures in drawings as PNG, without loss. */
final class PngPixels {

    /** A picture in a drawing is at most this wide and high. */
    static final int LARGEST = 8192;

    /** All pictures of one drawing together have at most as many pixels as the largest. */
    static final long MOST = (long) LARGEST * LARGEST;

    private static final int AFTER_JPEG = 64;

    private PngPixels() {}

    static byte[] write(Pixels pixels) {
        PictureSize size = pixels.size();
        BufferedImage image = new BufferedImage(size.width(), size.height(), BufferedImage.TYPE_INT_ARGB);
        image.setRGB(0, 0, size.width(), size.height(), pixels.toArray(), 0, size.width());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException("writing to memory can't fail", e);
        }
        return out.toByteArray();
    }

    static String base64(Pixels pixels) {
        return Base64.getEncoder().encodeToString(write(pixels));
    }

    /** @throws IllegalArgumentException when it is no PNG, or too large; the message is the rest of a sentence */
    static Pixels read(byte[] png) {
        return of(image(png, "png", MOST), 1);
    }

    /**
     * @param format "png" or "jpeg"
     * @param most pixels that it may have
     * @throws IllegalArgumentException when it is none, damaged or too large; the message is the rest of a sentence
     */
    static BufferedImage image(byte[] bytes, String format, long most) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            if (format.equals("jpeg") && !endsAsJpeg(bytes)) {
                throw new IOException("the end is missing");
            }
            Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName(format);
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                // The size is known before anything is unpacked.
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                if (width > LARGEST || height > LARGEST || (long) width * height > most) {
                    throw new IllegalArgumentException("is " + width + " x " + height + " pixels, and " + LARGEST
                            + " x " + LARGEST + " is the most");
                }
                return reader.read(0);
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            // The reader throws what it likes at damaged files.
            if (e instanceof IllegalArgumentException
                    && String.valueOf(e.getMessage()).startsWith("is ")) {
                throw (IllegalArgumentException) e;
            }
            throw new IllegalArgumentException("holds no whole " + format.toUpperCase(Locale.ROOT) + " picture", e);
        }
    }

    /** Its reader shows grey where a picture was cut off: the marker EOI of ITU-T T.81, with a little behind it at most. */
    private static boolean endsAsJpeg(byte[] bytes) {
        for (int i = bytes.length - 2; i >= Math.max(0, bytes.length - AFTER_JPEG); i--) {
            if (bytes[i] == (byte) 0xFF && bytes[i + 1] == (byte) 0xD9) {
                return true;
            }
        }
        return false;
    }

    /** @param opacity 0 to 1 */
    static Pixels of(BufferedImage image, double opacity) {
        int width = image.getWidth();
        int height = image.getHeight();
        int[] words = image.getRGB(0, 0, width, height, null, 0, width);
        for (int i = 0; opacity < 1 && i < words.length; i++) {
            words[i] = (int) Math.round((words[i] >>> 24) * opacity) << 24 | words[i] & 0xFFFFFF;
        }
        return new Pixels(new PictureSize(width, height), words);
    }
}
