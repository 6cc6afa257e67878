package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.Progress;
import chalktrace.media.UnwritableException;
import chalktrace.media.codec.IntraPacker;
import chalktrace.media.codec.IntraUnpacker;
import chalktrace.media.testing.Clips;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.util.Arrays;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ProxyTest {

    private static final long MUCH = 1L << 40;

    @TempDir
    Path folder;

    private static Path clip(String name) {
        return Path.of("src/test/resources/clips", name).toAbsolutePath();
    }

    private Proxy proxyOf(Reference source) throws Exception {
        return Proxy.open(folder.resolve("one.proxy"), source);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"h264-long-group.mp4", "variable-rate.mkv", "edit-list.mp4", "interlaced.mpg", "prores.mov"})
    void pictureNOfAProxyIsPictureNOfItsSource(String name) throws Exception {
        try (Reference source = References.open(clip(name));
                Proxy proxy = proxyOf(source)) {
            ProxyMaker.make(source, proxy, Progress.NONE);
            assertThat(proxy.isComplete()).isTrue();
            for (int n = source.times().count() - 1; n >= 0; n--) {
                assertThat(Clips.number(proxy.picture(n))).isEqualTo(Clips.number(source.picture(n)));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"bt709-tv", "bt709-pc", "bt601-tv", "bt601-pc"})
    void coloursOfAProxyAreThoseOfItsSource(String kind) throws Exception {
        try (Reference source = References.open(clip("colours-" + kind + ".mp4"));
                Proxy proxy = proxyOf(source)) {
            ProxyMaker.make(source, proxy, Progress.NONE);
            Picture own = source.picture(1);
            Picture small = proxy.picture(1);
            for (int column = 0; column < 6; column++) {
                for (int shift = 0; shift <= 16; shift += 8) {
                    int part = own.argbAt(column * 32 + 15, 30) >> shift & 255;
                    assertThat(small.argbAt(column * 32 + 15, 30) >> shift & 255)
                            .isCloseTo(part, within(5));
                }
            }
        }
    }

    @Test
    void aLargePictureIsMadeSmallAndOneWithOpacityKeepsIt() throws Exception {
        PictureSize size = new PictureSize(1920, 1080);
        int[] words = new int[size.width() * size.height()];
        Arrays.fill(words, 0, words.length / 2, 0x80FF0000);
        Arrays.fill(words, words.length / 2, words.length, 0xFF0000FF);
        try (IntraPacker packer = new IntraPacker(Proxy.LARGEST);
                IntraUnpacker unpacker = new IntraUnpacker()) {
            Picture small = unpacker.unpack(packer.pack(new ArgbPicture(size, words)));
            assertThat(small.size()).isEqualTo(Proxy.LARGEST);
            // The scaler rounds opacity to a level more or less.
            assertThat(small.argbAt(600, 100) & 0xFFFFFF).isEqualTo(0xFF0000);
            assertThat(small.argbAt(600, 100) >>> 24).isBetween(0x7F, 0x81);
            assertThat(small.argbAt(600, 600)).isEqualTo(0xFF0000FF);
        }
    }

    @Test
    void aMakingThatWasBrokenOffIsTakenUpAndATornEndIsMadeAnew() throws Exception {
        try (Reference source = References.open(clip("h264-long-group.mp4"))) {
            try (Proxy half = proxyOf(source)) {
                ProxyMaker.make(source, half, (done, total) -> done < 20);
                assertThat(half.isComplete()).isFalse();
                assertThat(half.has(19)).isTrue();
                assertThat(half.has(20)).isFalse();
            }
            Path file = folder.resolve("one.proxy");
            try (var channel = Files.newByteChannel(file, StandardOpenOption.WRITE)) {
                channel.truncate(Files.size(file) - 5);
            }
            try (Proxy again = proxyOf(source)) {
                assertThat(again.has(18)).isTrue();
                assertThat(again.has(19)).isFalse();
                ProxyMaker.make(source, again, Progress.NONE);
                assertThat(again.isComplete()).isTrue();
                assertThat(Clips.number(again.picture(19))).isEqualTo(19);
                assertThat(Clips.number(again.picture(47))).isEqualTo(47);
            }
        }
    }

    @Test
    void aFileOfAnotherKindInItsPlaceIsMadeAnew() throws Exception {
        Files.write(folder.resolve("one.proxy"), new byte[5000]);
        try (Reference source = References.open(clip("animated.gif"));
                Proxy proxy = proxyOf(source)) {
            assertThat(proxy.has(0)).isFalse();
            ProxyMaker.make(source, proxy, Progress.NONE);
            assertThat(Clips.number(proxy.picture(33))).isEqualTo(33);
        }
    }

    @Test
    void aPictureIsWaitedForUntilItIsMadeOrTheProxyClosed() throws Exception {
        try (Reference source = References.open(clip("mjpeg.avi"));
                Proxy proxy = proxyOf(source)) {
            CompletableFuture<Boolean> waiting = CompletableFuture.supplyAsync(() -> {
                try {
                    return proxy.await(7);
                } catch (InterruptedException e) {
                    return false;
                }
            });
            ProxyMaker.make(source, proxy, (done, total) -> done < 10);
            assertThat(waiting.get()).isTrue();
            CompletableFuture<Boolean> never = CompletableFuture.supplyAsync(() -> {
                try {
                    return proxy.await(40);
                } catch (InterruptedException e) {
                    return true;
                }
            });
            proxy.close();
            assertThat(never.get()).isFalse();
        }
    }

    @Test
    void theShelfNamesProxiesByContentSoThatACopyFindsIt() throws Exception {
        ProxyShelf shelf = new ProxyShelf(folder.resolve("shelf"), MUCH);
        Path copy = Files.copy(clip("h264-long-group.mp4"), folder.resolve("copy.mp4"));
        try (Reference source = References.open(copy);
                Reference other = References.open(clip("hevc.mp4"))) {
            Proxy made = shelf.take(copy, source);
            ProxyMaker.make(source, made, Progress.NONE);
            shelf.putBack(made);
            Proxy found = shelf.take(clip("h264-long-group.mp4"), source);
            assertThat(found.isComplete()).isTrue();
            Proxy another = shelf.take(clip("hevc.mp4"), other);
            assertThat(another.isComplete()).isFalse();
            shelf.putBack(found);
            shelf.putBack(another);
        }
    }

    @Test
    void overTheLimitWhatWasNotUsedForLongestGoesFirstAndWhatIsInUseStays() throws Exception {
        ProxyShelf shelf = new ProxyShelf(folder.resolve("shelf"), MUCH);
        try (Reference a = References.open(clip("h264-long-group.mp4"));
                Reference b = References.open(clip("hevc.mp4"));
                Reference c = References.open(clip("mjpeg.avi"))) {
            Proxy inUse = shelf.take(clip("h264-long-group.mp4"), a);
            Proxy oldest = shelf.take(clip("hevc.mp4"), b);
            Proxy newest = shelf.take(clip("mjpeg.avi"), c);
            for (Proxy proxy : new Proxy[] {inUse, oldest, newest}) {
                ProxyMaker.make(a, proxy, Progress.NONE);
            }
            long each = Files.size(inUse.file());
            shelf.putBack(oldest);
            shelf.putBack(newest);
            Files.setLastModifiedTime(oldest.file(), FileTime.fromMillis(1_000_000));
            assertThat(shelf.bytes()).isEqualTo(3 * each);
            assertThat(shelf.limit(2 * each)).isEqualTo(each);
            assertThat(oldest.file()).doesNotExist();
            assertThat(newest.file()).exists();
            shelf.empty();
            assertThat(newest.file()).doesNotExist();
            assertThat(inUse.file()).exists();
            shelf.putBack(inUse);
        }
    }

    @Test
    void theShelfMovesWithWhatIsOnItAndRefusesAPlaceThatCantBeWrittenTo() throws Exception {
        ProxyShelf shelf = new ProxyShelf(folder.resolve("shelf"), MUCH);
        try (Reference source = References.open(clip("hevc.mp4"))) {
            Proxy proxy = shelf.take(clip("hevc.mp4"), source);
            ProxyMaker.make(source, proxy, Progress.NONE);
            shelf.putBack(proxy);
            shelf.moveTo(folder.resolve("elsewhere"));
            Proxy moved = shelf.take(clip("hevc.mp4"), source);
            assertThat(moved.file())
                    .hasParent(folder.resolve("elsewhere").toFile().toPath());
            assertThat(moved.isComplete()).isTrue();
            shelf.putBack(moved);
            Path occupied = Files.createFile(folder.resolve("a file"));
            assertThatExceptionOfType(UnwritableException.class).isThrownBy(() -> shelf.moveTo(occupied));
            assertThat(shelf.folder()).isEqualTo(folder.resolve("elsewhere"));
        }
    }

    /** A source whose reads take as long as the test says, on a clock of the test. */
    private record Slow(AtomicLong clock, long nanosAfterTheFirst, long nanosOfTheFirst) implements PictureSource {

        @Override
        public PictureSize displaySize() {
            return Clips.SIZE;
        }

        @Override
        public PictureTimes times() {
            return PictureTimes.even(FrameRate.FILM, 100);
        }

        @Override
        public int turnDegrees() {
            return 0;
        }

        @Override
        public Picture picture(int n) throws PictureUnavailableException {
            clock.addAndGet(n == 50 ? nanosOfTheFirst : nanosAfterTheFirst);
            if (n == 82) {
                throw new PictureUnavailableException("damaged");
            }
            return new ArgbPicture(new PictureSize(1, 1), new int[1]);
        }
    }

    @Test
    void howSlowASourceIsIsMeasuredWithoutItsFirstRead() {
        AtomicLong clock = new AtomicLong();
        assertThat(ReadSpeed.isSlow(new Slow(clock, 40_000_000, 900_000_000), clock::get))
                .isTrue();
        assertThat(ReadSpeed.isSlow(new Slow(clock, 3_000_000, 900_000_000), clock::get))
                .isFalse();
    }
}
