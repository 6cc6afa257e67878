package chalktrace.media.codec;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.media.testing.Damage;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Locale;
import java.util.SplittableRandom;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Pictures of the Java library's own writer, and its reader as referee of what shows. */
class JpegScanTest {

    private static byte[] jpeg(int width, int height, boolean grey, float quality, long seed) throws IOException {
        SplittableRandom random = new SplittableRandom(seed);
        BufferedImage image =
                new BufferedImage(width, height, grey ? BufferedImage.TYPE_BYTE_GRAY : BufferedImage.TYPE_INT_RGB);
        double across = 0.02 + random.nextDouble() * 0.3;
        double down = 0.02 + random.nextDouble() * 0.3;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int level = (int) (127 + 100 * Math.sin(x * across) * Math.cos(y * down));
                image.setRGB(x, y, level << 16 | (255 - level) << 8 | (x * 7 + random.nextInt(20)) % 256);
            }
        }
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam param = writer.getDefaultWriteParam();
        param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        param.setCompressionQuality(quality);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        writer.setOutput(ImageIO.createImageOutputStream(bytes));
        writer.write(null, new IIOImage(image, null, null), param);
        writer.dispose();
        return bytes.toByteArray();
    }

    @Property(tries = 60)
    void aSoundPictureIsSound(
            @ForAll @IntRange(min = 1, max = 150) int width,
            @ForAll @IntRange(min = 1, max = 150) int height,
            @ForAll boolean grey,
            @ForAll @IntRange(min = 1, max = 100) int quality,
            @ForAll long seed)
            throws IOException {
        assertThat(JpegScan.isDamaged(jpeg(width, height, grey, quality / 100f, seed)))
                .isFalse();
    }

    @Test
    void mostThatLooksWrongIsKnown() throws IOException {
        long seed = Long.getLong("chalktrace.seed", System.nanoTime());
        System.out.println("seed of spoilt JPEG scans: " + seed);
        SplittableRandom random = new SplittableRandom(seed);
        byte[] whole = jpeg(320, 240, false, 0.8f, 5);
        int[] right = words(whole);
        int wrong = 0;
        int known = 0;
        for (int i = 0; i < 300; i++) {
            byte[] spoilt = Damage.exchanged(whole, 3, random);
            boolean looksWrong;
            try {
                looksWrong = Damage.looksWrong(words(spoilt), right);
            } catch (IOException | RuntimeException e) {
                continue;
            }
            wrong += looksWrong ? 1 : 0;
            known += looksWrong && JpegScan.isDamaged(spoilt) ? 1 : 0;
        }
        System.out.println(String.format(Locale.ROOT, "%d of %d JPEG scans that look wrong are known", known, wrong));
        assertThat(wrong).isGreaterThan(50);
        assertThat(known).isGreaterThan(wrong / 2);
    }

    private static int[] words(byte[] jpeg) throws IOException {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(jpeg));
        return image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
    }
}
