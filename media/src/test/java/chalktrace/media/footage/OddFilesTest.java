package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assumptions.assumeThat;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import chalktrace.media.testing.Clips;
import chalktrace.media.testing.SequentialDecode;
import java.awt.image.BufferedImage;
import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Files that are whole but strange, and files that are broken: a right picture, a doubt that is told, or a sentence. */
class OddFilesTest {

    @TempDir
    Path folder;

    @Test
    void picturesWithoutAKeyBeforeThemAreRefusedOrDoubtedAndAllAfterAreRight() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("no-key-at-start.mkv"))) {
            int count = clip.times().count();
            for (int n = count - 1; n >= 0; n--) {
                assertRightOrTold(clip, n, n + 48 - count);
            }
            assertThat(Clips.number(clip.picture(count - 1))).isEqualTo(47);
            assertThat(clip.doubt(count - 1)).isEmpty();
        }
    }

    @Test
    void aVideoThatGrowsInTheMiddleSaysSoOnTheOddPicturesAndShowsThemAll() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("size-change.ts"))) {
            assertThat(clip.times().count()).isEqualTo(48);
            for (int n : new int[] {0, 23, 24, 47, 30, 10}) {
                Picture picture = clip.picture(n);
                assertThat(picture.size()).isEqualTo(n < 24 ? Clips.SIZE : new PictureSize(704, 192));
                assertThat(clip.doubt(n).isPresent()).isEqualTo(n >= 24);
            }
        }
    }

    /**
     * Half a second of nothing, then frames 12 to 35 of the track, then 48 to 71: x264 with open groups and pyramids of B pictures, so that pictures at the
     * cuts lean on what is left out. Against the same file with its list of edits made unknown, which is decoded from end to end.
     */
    @Test
    void ofSeveralEditsEachPictureIsTheTracksOwn() throws Exception {
        byte[] bytes = Files.readAllBytes(clip("two-edits.mp4"));
        int edits = new String(bytes, StandardCharsets.ISO_8859_1).indexOf("edts");
        System.arraycopy("free".getBytes(StandardCharsets.ISO_8859_1), 0, bytes, edits, 4);
        try (VideoClip clip = VideoClip.open(clip("two-edits.mp4"));
                VideoClip track = VideoClip.open(Files.write(folder.resolve("track.mp4"), bytes))) {
            assertThat(clip.times().count()).isEqualTo(48);
            assertThat(clip.startSeconds()).isCloseTo(0.5, within(1e-6));
            for (int n : new int[] {47, 0, 23, 24, 22, 25, 46, 11, 12, 30}) {
                assertThat(clip.picture(n).toArgb())
                        .as("picture " + n)
                        .isEqualTo(track.picture(n < 24 ? n + 12 : n + 24).toArgb());
                assertThat(clip.doubt(n)).isEmpty();
                assertThat(clip.times().seconds(n)).isCloseTo(n / 24.0, within(1e-6));
            }
        }
    }

    /** A table of contents that was written by nobody: whatever stands in it, the clip opens or is refused with a sentence. */
    @Test
    void spoiltEditListsEndNothing() throws Exception {
        byte[] bytes = Files.readAllBytes(clip("two-edits.mp4"));
        int movie = new String(bytes, StandardCharsets.ISO_8859_1).indexOf("moov");
        long seed = System.nanoTime();
        System.out.println("edit lists of seed " + seed);
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < 150; i++) {
            byte[] spoilt = bytes.clone();
            for (int k = 0; k < 1 + random.nextInt(6); k++) {
                spoilt[movie + random.nextInt(400)] = (byte) random.nextInt(256);
            }
            Path file = Files.write(folder.resolve("spoilt.mp4"), spoilt);
            try (VideoClip clip = VideoClip.open(file)) {
                clip.picture(clip.times().count() / 2);
            } catch (UnreadableException | PictureUnavailableException e) {
                assertThat(e.getMessage()).contains("spoilt.mp4");
            }
        }
    }

    /** Two recordings written one behind the other, each with times from its own start. */
    @Test
    void recordingsThatWereJoinedFollowEachOther() throws Exception {
        byte[] one = Files.readAllBytes(clip("h264.ts"));
        byte[] joined = Arrays.copyOf(one, 2 * one.length);
        System.arraycopy(one, 0, joined, one.length, one.length);
        try (VideoClip clip = VideoClip.open(Files.write(folder.resolve("joined.ts"), joined))) {
            assertThat(clip.times().count()).isEqualTo(96);
            for (int n : new int[] {0, 1, 30, 47, 48, 49, 95, 60, 20, 47, 48}) {
                assertThat(Clips.number(clip.picture(n))).as("picture " + n).isEqualTo(n % 48);
                assertThat(clip.times().seconds(n)).isCloseTo(n / 24.0, within(0.002));
            }
        }
    }

    @Test
    void withoutAnyTimeStampsPicturesFollowTheirOrderAndRate() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("no-times.h264"))) {
            assertThat(clip.times().count()).isEqualTo(48);
            // Its own head states 24, which its encoder was given.
            assertThat(clip.rate()).isEqualTo(FrameRate.FILM);
            assertThat(clip.times().seconds(47)).isCloseTo(47 / 24.0, within(1e-6));
            for (int n : new int[] {0, 47, 24, 13, 12, 46}) {
                assertThat(Clips.number(clip.picture(n))).isEqualTo(n);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"old-encoder.mp4", "bare.mjpeg", "no-times.h264", "packed-b.avi"})
    void aPictureThatIsJumpedToAtOnceIsAsWhenAllBeforeItWereDecoded(String name) throws Exception {
        Path file = clip(name);
        List<Long> inOrder = SequentialDecode.lumaChecksums(file);
        for (int n = inOrder.size() - 1; n > 0; n -= 2) {
            try (VideoClip fresh = VideoClip.open(file)) {
                assertThat(SequentialDecode.lumaChecksum(fresh.picture(n)))
                        .as("picture " + n)
                        .isEqualTo(inOrder.get(n));
                assertThat(fresh.doubt(n)).isEmpty();
            }
        }
    }

    @Test
    void picturesThatFollowEachOtherWithoutAnyRateSaySo() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("bare.mjpeg"))) {
            assertThat(clip.times().count()).isEqualTo(24);
            assertThat(clip.notes()).singleElement().asString().contains("25");
        }
        try (VideoClip clip = VideoClip.open(clip("no-times.h264"))) {
            assertThat(clip.notes()).isEmpty();
        }
    }

    @Test
    void timesThatRepeatOrGoBackLoseNoPictureAndKeepThemInRisingOrder() throws Exception {
        try (VideoClip clip = VideoClip.open(clip("times-repeat.mkv"))) {
            assertThat(clip.times().count()).isEqualTo(48);
            for (int n = 1; n < 48; n++) {
                assertThat(clip.times().seconds(n))
                        .isGreaterThanOrEqualTo(clip.times().seconds(n - 1));
            }
            long different = 0;
            for (int n = 0; n < 48; n++) {
                different |= 1L << Clips.number(clip.picture(n));
            }
            assertThat(different).isEqualTo((1L << 48) - 1);
            // Where two share a time the one that was stored first is seen first.
            assertThat(Clips.number(clip.picture(2))).isEqualTo(2);
            assertThat(Clips.number(clip.picture(3))).isEqualTo(3);
        }
    }

    /**
     * Made with Debian's ffmpeg 5.1 from hevc.mp4: {@code -c:v libxvid -bf 2} packs two pictures into a packet; MXF gives pictures that are
     * exchanged the times of their decoding; {@code -x264-params intra-refresh=1} has keys that mend the picture bit by bit.
     */
    @ParameterizedTest
    @ValueSource(strings = {"packed-b.avi", "same-times.mxf", "intra-refresh.mp4"})
    void picturesComeInTheirOrderWhateverThePacketsSay(String name) throws Exception {
        try (VideoClip clip = VideoClip.open(clip(name))) {
            int count = clip.times().count();
            assertThat(count).isGreaterThanOrEqualTo(46);
            for (int n : new int[] {0, count - 1, 24, 13, 12, 30, 1, 2, 3, 29, 17, 40}) {
                assertThat(Clips.number(clip.picture(n))).as("picture " + n).isEqualTo(n);
                assertThat(clip.doubt(n)).isEmpty();
            }
        }
    }

    @Test
    void hoursOfOnePictureASecondHaveEveryPicture() throws Exception {
        int count = 16_600;
        Path file = Clips.numbered(folder.resolve("hours.mp4"), count, FrameRate.of(1), -1);
        try (VideoClip clip = VideoClip.open(file)) {
            assertThat(clip.times().count()).isEqualTo(count);
            assertThat(clip.times().seconds(count - 1)).isEqualTo(count - 1.0);
            for (int n : new int[] {16_599, 16_001, 0, 10_800, 3}) {
                assertThat(Clips.number(clip.picture(n))).isEqualTo(n & 2047);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"1x1", "16384x8", "7x3000"})
    void picturesOfAnySizeAreRead(String size) throws Exception {
        int width = Integer.parseInt(size.substring(0, size.indexOf('x')));
        int height = Integer.parseInt(size.substring(size.indexOf('x') + 1));
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        image.setRGB(width - 1, height - 1, 0xFFFFFF);
        Path file = folder.resolve("picture.png");
        ImageIO.write(image, "png", file.toFile());
        try (Reference picture = References.open(file)) {
            assertThat(picture.displaySize()).isEqualTo(new PictureSize(width, height));
            assertThat(picture.picture(0).argbAt(width - 1, height - 1)).isEqualTo(0xFFFFFFFF);
        }
    }

    @Test
    void oneDamagedPictureOfARunIsNamedAndTheOthersAreRight() throws Exception {
        List<Path> run = run(6);
        byte[] bytes = Files.readAllBytes(run.get(3));
        Files.write(run.get(3), Arrays.copyOf(bytes, bytes.length / 2));
        try (Reference reference = References.open(run.get(0))) {
            for (int n : new int[] {5, 2, 4, 0}) {
                assertThat(Clips.number(reference.picture(n))).isEqualTo(n);
            }
            try {
                reference.picture(3);
                assertThat(reference.doubt(3)).isPresent();
            } catch (PictureUnavailableException e) {
                assertThat(e.getMessage()).contains("0003");
            }
        }
    }

    @Test
    void aPictureThatVanishesWhileItsRunIsOpenIsNamed() throws Exception {
        List<Path> run = run(4);
        try (Reference reference = References.open(run.get(0))) {
            Files.delete(run.get(2));
            assertThatExceptionOfType(PictureUnavailableException.class)
                    .isThrownBy(() -> reference.picture(2))
                    .withMessageContaining("2");
            assertThat(Clips.number(reference.picture(3))).isEqualTo(3);
        }
    }

    @Test
    void aPathOfThousandsOfLettersIsReadAsAnyOther() throws Exception {
        Path deep = folder;
        for (int i = 0; i < 14; i++) {
            deep = deep.resolve("\u0444\u6f22 '\"& " + "x".repeat(190));
        }
        Files.createDirectories(deep);
        Path file = Files.copy(clip("mjpeg.avi"), deep.resolve("clip.avi"));
        assertThat(file.toString().length()).isGreaterThan(2800);
        try (Reference reference = References.open(file)) {
            assertThat(Clips.number(reference.picture(17))).isEqualTo(17);
        }
    }

    @Test
    @Timeout(10)
    void aPipeIsRefusedBeforeItIsOpened() throws Exception {
        Path pipe = folder.resolve("pipe.mp4");
        assumeThat(new File("/usr/bin/mkfifo")).exists();
        assertThat(new ProcessBuilder("/usr/bin/mkfifo", pipe.toString())
                        .start()
                        .waitFor(10, TimeUnit.SECONDS))
                .isTrue();
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> References.open(pipe).close())
                .withMessageContaining("pipe.mp4")
                .withMessageContaining("is a pipe");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "h264-long-group.mp4",
                "hevc.mp4",
                "vp9.webm",
                "mpeg4.avi",
                "mpeg2.mpg",
                "mjpeg.avi",
                "prores.mov",
                "h264.ts",
                "animated.gif",
                "five.png",
                "five.jpg",
                "five.tif",
                "five.webp",
                "five.exr"
            })
    @Timeout(120)
    void cutOrFlippedFilesGiveRightPicturesOrSayWhatIsWrong(String name) throws Exception {
        byte[] whole = Files.readAllBytes(clip(name));
        SplittableRandom random = new SplittableRandom(name.hashCode());
        Path file = folder.resolve(name);
        for (int i = 0; i < 80; i++) {
            byte[] bad = i < 8 ? Arrays.copyOf(whole, random.nextInt(1, whole.length)) : flipped(whole, i, random);
            Files.write(file, bad);
            try (Reference reference = References.open(file)) {
                int count = reference.times().count();
                for (int n : new int[] {count / 2, count - 1, 0}) {
                    reference.picture(n);
                    reference.doubt(n);
                }
            } catch (UnreadableException | PictureUnavailableException e) {
                assertThat(e.getMessage()).contains(name);
            }
        }
    }

    private static byte[] flipped(byte[] whole, int flips, SplittableRandom random) {
        byte[] bad = whole.clone();
        for (int i = 0; i <= flips % 20; i++) {
            bad[random.nextInt(bad.length)] ^= (byte) (1 << random.nextInt(8));
        }
        return bad;
    }

    private static void assertRightOrTold(VideoClip clip, int n, int number) {
        try {
            Picture picture = clip.picture(n);
            if (clip.doubt(n).isEmpty()) {
                assertThat(Clips.number(picture)).isEqualTo(number);
            }
        } catch (PictureUnavailableException e) {
            assertThat(e.getMessage()).isNotBlank();
        }
    }

    private List<Path> run(int count) throws Exception {
        Path[] files = new Path[count];
        for (int n = 0; n < count; n++) {
            BufferedImage image =
                    new BufferedImage(Clips.SIZE.width(), Clips.SIZE.height(), BufferedImage.TYPE_INT_RGB);
            image.setRGB(0, 0, Clips.SIZE.width(), Clips.SIZE.height(), Clips.picture(n), 0, Clips.SIZE.width());
            files[n] = folder.resolve(String.format(Locale.ROOT, "walk.%04d.png", n));
            ImageIO.write(image, "png", files[n].toFile());
        }
        return List.of(files);
    }

    private static Path clip(String name) throws Exception {
        return Path.of(OddFilesTest.class.getResource("/clips/" + name).toURI());
    }
}
