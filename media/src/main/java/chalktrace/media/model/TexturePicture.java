package chalktrace.media.model;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** A texture, PNG or JPEG. */
final class TexturePicture {

    private static final long MOST_PIXELS = 1L << 26;

    private TexturePicture() {}

    /** The same without any holes. */
    static ArgbPicture opaque(ArgbPicture picture) {
        int[] words = picture.toArgb();
        Arrays.setAll(words, i -> words[i] | 0xFF000000);
        return new ArgbPicture(picture.size(), words);
    }

    /** Empty when it can't be read, or has more than 67 million pixels. */
    static Optional<ArgbPicture> read(ByteBuffer bytes) {
        byte[] held = new byte[bytes.remaining()];
        bytes.duplicate().get(held);
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(held))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                return Optional.empty();
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in);
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                if ((long) width * height > MOST_PIXELS) {
                    return Optional.empty();
                }
                BufferedImage image = reader.read(0);
                return Optional.of(new ArgbPicture(
                        new PictureSize(width, height), image.getRGB(0, 0, width, height, null, 0, width)));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            return Optional.empty();
        }
    }
}
