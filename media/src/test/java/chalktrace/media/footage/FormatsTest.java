package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.media.sound.SoundFiles;
import chalktrace.media.testing.Clips;
import chalktrace.media.testing.SequentialDecode;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Clips of many kinds, made by Debian's ffmpeg (src/test/clips/make-clips.sh): frame n is frame n in each. */
class FormatsTest {

    /** The picture on which the clips flash and click. */
    private static final int FLASH = 24;

    private static Path clip(String name) {
        return Path.of("src/test/resources/clips", name).toAbsolutePath();
    }

    @ParameterizedTest
    @CsvSource({
        "h264-long-group.mp4, 48",
        "h264-open-group.mkv, 48",
        "h264.ts, 48",
        "hevc.mp4, 48",
        "hevc-10-bit.mkv, 48",
        "vp9.webm, 48",
        "av1.mkv, 48",
        "prores.mov, 14",
        "mjpeg.avi, 48",
        "mpeg4.avi, 48",
        "mpeg2.mpg, 48",
        "interlaced.mpg, 48",
        "animated.gif, 48",
        "variable-rate.mkv, 48",
        "late-start.mkv, 48"
    })
    void everyPictureIsItselfInAnyOrder(String name, int count) throws Exception {
        try (VideoClip clip = VideoClip.open(clip(name))) {
            assertThat(clip.times().count()).isEqualTo(count);
            for (int n = 0; n < count; n++) {
                assertThat(Clips.number(clip.picture(n))).isEqualTo(n);
            }
            for (int n = count - 1; n >= 0; n--) {
                assertThat(Clips.number(clip.picture(n))).isEqualTo(n);
            }
            SplittableRandom random = new SplittableRandom(name.hashCode());
            for (int i = 0; i < 60; i++) {
                int n = random.nextInt(count);
                assertThat(Clips.number(clip.picture(n))).isEqualTo(n);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "h264-long-group.mp4",
                "h264-open-group.mkv",
                "hevc.mp4",
                "vp9.webm",
                "av1.mkv",
                "mpeg4.avi",
                "false-keys.avi",
                "mpeg2.mpg"
            })
    void picturesHoldTheVeryBytesOfFfmpegsOwnSequentialDecode(String name) throws Exception {
        List<Long> sequential = SequentialDecode.lumaChecksums(clip(name));
        try (VideoClip clip = VideoClip.open(clip(name))) {
            assertThat(sequential).hasSize(clip.times().count());
            for (int n = clip.times().count() - 1; n >= 0; n -= 5) {
                assertThat(SequentialDecode.lumaChecksum(clip.picture(n))).isEqualTo(sequential.get(n));
            }
        }
    }

    @Test
    void aCutInsideAGroupShowsWhatItsEditListSays() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("edit-list.mp4"))) {
            assertThat(clip.times().count()).isEqualTo(36);
            for (int n : new int[] {35, 0, 20, 1, 12}) {
                assertThat(Clips.number(clip.picture(n))).isEqualTo(12 + n);
            }
        }
    }

    @Test
    void picturesOfAVariableRateComeAtTheirOwnTimes() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("variable-rate.mkv"))) {
            for (int n = 0; n < 48; n++) {
                assertThat(clip.times().seconds(n)).isCloseTo(n * (n + 1) / 2 / 24.0, within(0.001));
            }
        }
    }

    @Test
    void aPhonesPictureStandsUpright() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("rotated.mp4"))) {
            assertThat(clip.displaySize()).isEqualTo(new PictureSize(96, 352));
            // Checked once against what ffmpeg itself shows of the file.
            assertThat(clip.turnDegrees()).isEqualTo(90);
            assertThat(Clips.number(clip.picture(31))).isEqualTo(31);
        }
    }

    @Test
    void pixelsThatAreNotSquareAreMadeSo() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("wide-pixels.mp4"))) {
            assertThat(clip.displaySize()).isEqualTo(new PictureSize(704, 96));
            assertThat(clip.picture(0).size()).isEqualTo(new PictureSize(352, 96));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "h264-long-group.mp4, 24",
        "h264.ts, 24",
        "vp9.webm, 24",
        "mpeg4.avi, 24",
        "mpeg2.mpg, 24",
        "edit-list.mp4, 12",
        "late-start.mkv, 24"
    })
    void theFlashIsSeenWhenTheClickIsHeardWithinHalfAFrame(String name, int flash) throws Exception {
        Path file = clip(name);
        try (VideoClip clip = VideoClip.open(file)) {
            assertThat(isFlash(clip.picture(flash))).isTrue();
            assertThat(isFlash(clip.picture(flash - 1))).isFalse();
            double heard = firstLoud(SoundFiles.read(file)) / (double) ShotMix.SAMPLE_RATE
                    + SoundFiles.offset(file, clip.startSeconds());
            assertThat(heard).isCloseTo(clip.times().seconds(flash), within(0.5 / FLASH));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"bt709-tv", "bt709-pc", "bt601-tv", "bt601-pc"})
    void coloursAreRightForEachMatrixAndRange(String kind) throws Exception {
        int[] expected = {0xFF0000, 0x00FF00, 0x0000FF, 0xFFFFFF, 0x808080, 0x000000};
        try (VideoClip clip = VideoClip.open(clip("colours-" + kind + ".mp4"))) {
            for (int column = 0; column < expected.length; column++) {
                int word = clip.picture(2).argbAt(column * 32 + 15, 30);
                for (int shift = 0; shift <= 16; shift += 8) {
                    assertThat(word >> shift & 255)
                            .as("column " + column)
                            .isCloseTo(expected[column] >> shift & 255, within(3));
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpg", "tif", "bmp", "webp", "tga", "exr"})
    void picturesOfAllKindsAreRead(String ending) throws Exception {
        try (Reference reference = References.open(clip("five." + ending))) {
            assertThat(reference.kind()).isEqualTo(Reference.Kind.PICTURE);
            assertThat(Clips.number(reference.picture(0))).isEqualTo(5);
        }
    }

    private static boolean isFlash(Picture picture) {
        return (picture.argbAt(176, 80) >> 16 & 255) > 200;
    }

    private static int firstLoud(PcmBuffer sound) {
        for (int i = 0; i < sound.length(); i++) {
            if (Math.abs(sound.at(i, 0)) > 0.2) {
                return i;
            }
        }
        throw new AssertionError("no click in the sound");
    }
}
