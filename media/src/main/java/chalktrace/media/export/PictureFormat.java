package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;

/** A kind of picture file. */
enum PictureFormat {
    PNG(true, ".png"),
    JPEG(false, ".jpg", ".jpeg"),
    TIFF(true, ".tif", ".tiff");

    private static final float JPEG_QUALITY = 0.95f;

    private final boolean clear;
    private final List<String> endings;

    PictureFormat(boolean clear, String... endings) {
        this.clear = clear;
        this.endings = List.of(endings);
    }

    /** Whether it keeps opacity. */
    boolean canBeClear() {
        return clear;
    }

    /** The usual one first. */
    List<String> endings() {
        return endings;
    }

    String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @param isClear whether words have an opacity, which is then straight */
    void write(int[] argb, PictureSize size, boolean isClear, Path file) throws IOException {
        if (this == PNG) {
            try (OutputStream out = Files.newOutputStream(file)) {
                PngFiles.write(argb, size, isClear, out);
            }
            return;
        }
        int type = isClear ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB;
        BufferedImage image = new BufferedImage(size.width(), size.height(), type);
        image.setRGB(0, 0, size.width(), size.height(), argb, 0, size.width());
        ImageWriter writer = ImageIO.getImageWritersByFormatName(word()).next();
        // An image stream of its own would keep what was there behind a shorter picture.
        Files.deleteIfExists(file);
        try (ImageOutputStream out = ImageIO.createImageOutputStream(file.toFile())) {
            if (out == null) {
                throw new IOException("the file can't be made");
            }
            ImageWriteParam param = writer.getDefaultWriteParam();
            if (this == JPEG) {
                param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
                param.setCompressionQuality(JPEG_QUALITY);
            } else if (this == TIFF) {
                param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
                param.setCompressionType("LZW");
            }
            writer.setOutput(out);
            writer.write(null, new IIOImage(image, null, null), param);
        } finally {
            writer.dispose();
        }
    }
}
