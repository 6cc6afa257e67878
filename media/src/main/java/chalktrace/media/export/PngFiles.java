package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;

/** Pictures as PNG. */
public final class PngFiles {

    private PngFiles() {}

    /** Writes opaque words, row after row. */
    public static void write(int[] argb, PictureSize size, Path file) throws IOException {
        try (OutputStream out = Files.newOutputStream(file)) {
            write(argb, size, out);
        }
    }

    static void write(int[] argb, PictureSize size, OutputStream out) throws IOException {
        BufferedImage image = new BufferedImage(size.width(), size.height(), BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, size.width(), size.height(), argb, 0, size.width());
        ImageIO.write(image, "png", out);
    }
}
