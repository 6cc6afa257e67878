package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.media.export.PngFiles;
import chalktrace.media.testing.Clips;
import chalktrace.media.testing.SequentialDecode;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VideoClipTest {

    @TempDir
    Path folder;

    @Test
    void pictureNIsExactlyPictureNInAnyOrder() throws Exception {
        Path file = Clips.numbered(folder.resolve("clip.mp4"), 120, FrameRate.FILM, -1);
        List<Long> sequential = SequentialDecode.lumaChecksums(file);
        assertThat(sequential).hasSize(120);
        SplittableRandom random = new SplittableRandom(7);
        try (VideoClip clip = VideoClip.open(file)) {
            assertThat(clip.times().count()).isEqualTo(120);
            for (int i = 0; i < 80; i++) {
                int n = random.nextInt(120);
                Picture picture = clip.picture(n);
                assertThat(Clips.number(picture)).isEqualTo(n);
                assertThat(SequentialDecode.lumaChecksum(picture)).isEqualTo(sequential.get(n));
            }
            for (int n = 119; n >= 0; n--) {
                assertThat(Clips.number(clip.picture(n))).isEqualTo(n);
            }
        }
    }

    @Test
    void timesAreTheContainersOwnAtRatesThatAreNoWholeNumbers() throws Exception {
        Path file = Clips.numbered(folder.resolve("ntsc.mp4"), 40, FrameRate.NTSC, -1);
        try (VideoClip clip = VideoClip.open(file)) {
            assertThat(clip.rate()).isEqualTo(FrameRate.NTSC);
            for (int n = 0; n < 40; n++) {
                assertThat(clip.times().seconds(n)).isCloseTo(FrameRate.NTSC.seconds(n), within(1e-4));
            }
        }
    }

    @Test
    void aPictureThatIsNotThereIsRefusedWithItsBounds() throws Exception {
        Path file = Clips.numbered(folder.resolve("short.mp4"), 5, FrameRate.FILM, -1);
        try (VideoClip clip = VideoClip.open(file)) {
            assertThatExceptionOfType(PictureUnavailableException.class)
                    .isThrownBy(() -> clip.picture(5))
                    .withMessageContaining("short.mp4")
                    .withMessageContaining("0 to 4");
        }
    }

    @Test
    void aRunOfPicturesIsFoundFromAnyOneOfThem() throws Exception {
        for (int n = 1; n <= 12; n++) {
            PngFiles.write(Clips.picture(n), Clips.SIZE, folder.resolve(String.format("walk.%04d.png", n)));
        }
        PngFiles.write(Clips.picture(0), Clips.SIZE, folder.resolve("still.png"));
        try (Reference run = References.open(folder.resolve("walk.0007.png"))) {
            assertThat(run.kind()).isEqualTo(Reference.Kind.PICTURE_RUN);
            assertThat(run.times().count()).isEqualTo(12);
            assertThat(Clips.number(run.picture(11))).isEqualTo(12);
            assertThat(Clips.number(run.picture(0))).isEqualTo(1);
        }
        try (Reference still = References.open(folder.resolve("still.png"))) {
            assertThat(still.kind()).isEqualTo(Reference.Kind.PICTURE);
        }
    }

    @Test
    void whereARunHasAGapNumbersAndFramesStillAgree() throws Exception {
        for (int n : new int[] {3, 4, 5, 8, 9}) {
            PngFiles.write(Clips.picture(n), Clips.SIZE, folder.resolve("gap (" + n + ").png"));
        }
        try (Reference run = References.open(folder.resolve("gap (4).png"))) {
            assertThat(run.times().count()).isEqualTo(7);
            assertThat(Clips.number(run.picture(5))).isEqualTo(8);
            assertThat(run.notes()).singleElement().asString().contains("6, 7");
            assertThatExceptionOfType(PictureUnavailableException.class)
                    .isThrownBy(() -> run.picture(3))
                    .withMessageContaining("6");
        }
    }

    @Test
    void numbersWithAndWithoutZerosAreOneRunAndReported() throws Exception {
        for (String number : new String[] {"0001", "0002", "3", "4"}) {
            PngFiles.write(
                    Clips.picture(Integer.parseInt(number)), Clips.SIZE, folder.resolve("mixed_" + number + ".png"));
        }
        try (Reference run = References.open(folder.resolve("mixed_3.png"))) {
            assertThat(run.times().count()).isEqualTo(4);
            assertThat(Clips.number(run.picture(3))).isEqualTo(4);
            assertThat(run.notes()).singleElement().asString().contains("zeros");
        }
    }

    @Test
    void namesMayHaveSpacesQuotesAndOtherScripts() throws Exception {
        Path file = folder.resolve("l'\u00e9t\u00e9 \u8336 \"a\" 100%.mp4");
        Clips.numbered(file, 4, FrameRate.FILM, -1);
        try (VideoClip clip = VideoClip.open(file)) {
            assertThat(Clips.number(clip.picture(3))).isEqualTo(3);
        }
    }

    @Test
    void theReaderBringsWhatIsAskedForAndReadsAheadOnBothSides() throws Exception {
        Path file = Clips.numbered(folder.resolve("clip.mp4"), 200, FrameRate.FILM, -1);
        FrameCache cache = new FrameCache(64 << 20);
        Set<Integer> arrived = ConcurrentHashMap.newKeySet();
        CountDownLatch window = new CountDownLatch(2 * FootageReader.AHEAD + 1);
        try (Reference clip = References.open(file);
                FootageReader reader = new FootageReader(clip, cache, new FootageReader.Listener() {
                    @Override
                    public void arrived(int n) {
                        if (arrived.add(n)) {
                            window.countDown();
                        }
                    }

                    @Override
                    public void missing(int n, String why) {}
                })) {
            reader.want(100);
            assertThat(window.await(60, TimeUnit.SECONDS)).isTrue();
            for (int n = 100 - FootageReader.AHEAD; n <= 100 + FootageReader.AHEAD; n++) {
                assertThat(Clips.number(reader.atHand(n).orElseThrow())).isEqualTo(n);
            }
        }
    }

    @Test
    void theCacheKeepsToItsBudget() throws Exception {
        Path file = Clips.numbered(folder.resolve("clip.mp4"), 30, FrameRate.FILM, -1);
        try (VideoClip clip = VideoClip.open(file)) {
            Picture one = clip.picture(0);
            FrameCache cache = new FrameCache(10 * (one.bytes() + one.bytes() / 3));
            for (int n = 0; n < 30; n++) {
                cache.put(clip, n, clip.picture(n));
            }
            assertThat(IntStream.range(0, 30).filter(n -> cache.has(clip, n)))
                    .containsExactly(20, 21, 22, 23, 24, 25, 26, 27, 28, 29);
        }
    }
}
