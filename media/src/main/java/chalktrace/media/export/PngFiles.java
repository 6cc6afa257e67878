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
            write(argb, size, false, out);
        }
    }

    /** Writes straight-alpha words, row after row, with their opacity. */
    public static void writeClear(int[] argb, PictureSize size, Path file) throws IOException {
        try (OutputStream out = Files.newOutputStream(file)) {
            write(argb, size, true, out);
        }
    }

    /** @param clear whether words have an opacity, which is then straight */
    static void write(int[] argb, PictureSize size, boolean clear, OutputStream out) throws IOException {
        write(argb, size, clear ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB, out);
    }

    private static void write(int[] argb, PictureSize size, int type, OutputStream out) throws IOException {
        BufferedImage image = new BufferedImage(size.width(), size.height(), type);
        image.setRGB(0, 0, size.width(), size.height(), argb, 0, size.width());
        ImageIO.write(image, "png", out);
    }
}
