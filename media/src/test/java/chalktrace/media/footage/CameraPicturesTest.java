package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.LightPicture;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.YuvMatrix;
import chalktrace.core.picture.YuvPicture;
import chalktrace.media.UnreadableException;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pictures as cameras and renderers write them: turned by a note, of linear light, of sizes beyond all use. */
class CameraPicturesTest {

    @TempDir
    Path folder;

    /** A JPEG of 32x16 whose upper left quarter is white, with an Exif note of its orientation. */
    private Path turned(String name, int orientation, ByteOrder order) throws Exception {
        BufferedImage image = new BufferedImage(32, 16, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 8; y++) {
            for (int x = 0; x < 16; x++) {
                image.setRGB(x, y, 0xFFFFFF);
            }
        }
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", plain);
        ByteBuffer tiff = ByteBuffer.allocate(26).order(order);
        tiff.putShort((short) (order == ByteOrder.LITTLE_ENDIAN ? 0x4949 : 0x4D4D))
                .putShort((short) 42)
                .putInt(8);
        tiff.putShort((short) 1).putShort((short) 0x0112).putShort((short) 3).putInt(1);
        tiff.putShort((short) orientation).putShort((short) 0).putInt(0);
        ByteBuffer out = ByteBuffer.allocate(plain.size() + 36);
        out.put(plain.toByteArray(), 0, 2).putShort((short) 0xFFE1).putShort((short) (2 + 6 + 26));
        out.put("Exif\0\0".getBytes(StandardCharsets.US_ASCII)).put(tiff.array());
        out.put(plain.toByteArray(), 2, plain.size() - 2);
        return Files.write(folder.resolve(name), out.array());
    }

    /** Exif 2.32 (CIPA DC-008), tag 0x0112: 3 is turned by 180 degrees, 6 wants to be turned clockwise, 8 counter-clockwise. */
    @ParameterizedTest
    @CsvSource({"1, 0", "3, 180", "6, 270", "8, 90", "0, 0", "77, 0"})
    void aJpegStandsAsItsCameraWasHeld(int orientation, int turnDegrees) throws Exception {
        for (ByteOrder order : new ByteOrder[] {ByteOrder.BIG_ENDIAN, ByteOrder.LITTLE_ENDIAN}) {
            try (Reference picture = References.open(turned("turned.jpg", orientation, order))) {
                assertThat(picture.turnDegrees()).isEqualTo(turnDegrees);
                assertThat(picture.displaySize())
                        .isEqualTo(turnDegrees % 180 == 0 ? new PictureSize(32, 16) : new PictureSize(16, 32));
                assertThat(picture.picture(0).argbAt(2, 2) & 255).isGreaterThan(240);
                assertThat(picture.doubt(0)).isEmpty();
            }
        }
    }

    @Test
    void aPictureOfARunThatIsTurnedOtherwiseIsDoubted() throws Exception {
        turned("run1.jpg", 1, ByteOrder.BIG_ENDIAN);
        turned("run2.jpg", 3, ByteOrder.BIG_ENDIAN);
        turned("run3.jpg", 1, ByteOrder.BIG_ENDIAN);
        try (Reference run = References.open(folder.resolve("run1.jpg"))) {
            run.picture(0);
            run.picture(1);
            assertThat(run.doubt(0)).isEmpty();
            assertThat(run.doubt(1))
                    .hasValueSatisfying(words -> assertThat(words).contains("run2.jpg is turned"));
        }
    }

    /** IEC 61966-2-1: linear light of 0.18 is 118 of 255 in sRGB. */
    @Test
    void linearLightIsSeenThroughTheCurveOfSrgb() throws Exception {
        Path file = Path.of("src/test/resources/pictures/linear-018.exr").toAbsolutePath();
        try (Reference picture = References.open(file)) {
            int grey = picture.picture(0).argbAt(4, 4);
            for (int shift : new int[] {0, 8, 16}) {
                assertThat(grey >> shift & 255).isBetween(117, 119);
            }
        }
    }

    /** Light of 0.18 made four times as strong is 0.72, which is 220 of 255 in sRGB; a sixteenth of it is 0.01125, which is 27. */
    @ParameterizedTest
    @CsvSource({"2, 220", "-4, 27"})
    void linearLightIsBroughtIntoRangeByAnExposure(double stops, int part) throws Exception {
        Path file = Path.of("src/test/resources/pictures/linear-018.exr").toAbsolutePath();
        try (Reference picture = References.open(file)) {
            Picture light = picture.picture(0);
            assertThat(light.holdsLight()).isTrue();
            assertThat(light.exposed(stops).argbAt(4, 4) & 255).isCloseTo(part, within(1));
        }
    }

    /** Made by FFmpeg, whose pictures of ProRes say nothing of their colours while the container does. */
    @Test
    void whatOnlyTheContainerSaysOfTheColoursHolds() throws Exception {
        Path file = Path.of("src/test/resources/clips/prores-colr.mov").toAbsolutePath();
        try (Reference clip = References.open(file)) {
            YuvPicture picture = (YuvPicture) clip.picture(0);
            // By its size alone, 64x64, it would be BT.601.
            assertThat(picture.colour().matrix()).isEqualTo(YuvMatrix.BT709);
        }
    }

    @Test
    void lightBeyondWhiteIsNotLost() {
        float[] bright = {4, 0.5f, Float.POSITIVE_INFINITY, Float.NaN};
        Picture picture = new LightPicture(new PictureSize(2, 2), bright, bright, bright, null);
        assertThat(picture.argbAt(0, 0)).isEqualTo(0xFFFFFFFF);
        assertThat(picture.exposed(-3).argbAt(0, 0)).isEqualTo(picture.argbAt(1, 0));
        assertThat(picture.exposed(-3).argbAt(0, 1)).isEqualTo(0xFFFFFFFF);
        assertThat(picture.argbAt(1, 1)).isEqualTo(0xFF000000);
    }

    @Test
    void aPictureThatIsTooLargeIsRefusedWithItsSizeAndTheLimit() throws Exception {
        Path file = folder.resolve("huge.png");
        ImageIO.write(new BufferedImage(10_000, 10_000, BufferedImage.TYPE_BYTE_BINARY), "png", file.toFile());
        assertThatThrownBy(() -> References.open(file))
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining("huge.png has pictures of 10000x10000")
                .hasMessageContaining("at most 50 million");
    }
}
