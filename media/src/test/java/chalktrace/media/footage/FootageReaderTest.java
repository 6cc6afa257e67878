package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntPredicate;
import org.junit.jupiter.api.Test;

class FootageReaderTest {

    private static final PictureSize SIZE = new PictureSize(32, 32);
    private static final Picture PICTURE = new ArgbPicture(SIZE, new int[32 * 32]);
    private static final int COUNT = 400;

    /** A source of 400 pictures that counts how many were read, of which one breaks its decoder. */
    private static final class Counted implements PictureSource {

        private final AtomicInteger read = new AtomicInteger();
        private final int broken;

        Counted(int broken) {
            this.broken = broken;
        }

        @Override
        public PictureSize displaySize() {
            return SIZE;
        }

        @Override
        public PictureTimes times() {
            return PictureTimes.even(FrameRate.FILM, COUNT);
        }

        @Override
        public int turnDegrees() {
            return 0;
        }

        @Override
        public Picture picture(int n) {
            read.incrementAndGet();
            if (n == broken) {
                throw new OutOfMemoryError("of the decoder");
            }
            return PICTURE;
        }
    }

    private static FootageReader reader(Counted source, FrameCache cache, BlockingQueue<String> heard) {
        return new FootageReader(source, cache, new FootageReader.Listener() {
            @Override
            public void arrived(int n) {
                heard.add("arrived " + n);
            }

            @Override
            public void missing(int n, String why) {
                heard.add("missing " + n);
            }
        });
    }

    private static void awaitHeard(BlockingQueue<String> heard, String wanted) throws InterruptedException {
        String one;
        do {
            one = heard.poll(20, TimeUnit.SECONDS);
            assertThat(one).as("waiting for " + wanted).isNotNull();
        } while (!one.equals(wanted));
    }

    /** Each would fill the whole cache alone: together they would push each other out and read for ever. */
    @Test
    void twoThatShareACacheComeToRest() throws Exception {
        FrameCache cache = new FrameCache(60L * (PICTURE.bytes() + PICTURE.bytes() / 3));
        Counted one = new Counted(-1);
        Counted two = new Counted(-1);
        BlockingQueue<String> heard = new LinkedBlockingQueue<>();
        try (FootageReader first = reader(one, cache, heard);
                FootageReader second = reader(two, cache, heard)) {
            for (int n = 100; n <= 300; n += 50) {
                first.want(n);
                second.want(n);
                while (heard.poll(1, TimeUnit.SECONDS) != null) {
                    assertThat(one.read.get() + two.read.get()).isLessThan(600);
                }
            }
            assertThat(first.atHand(300)).isPresent();
            assertThat(second.atHand(300)).isPresent();
        }
    }

    @Test
    void aPictureThatBreaksItsDecoderIsMissingAndTheNextIsRead() throws Exception {
        BlockingQueue<String> heard = new LinkedBlockingQueue<>();
        try (FootageReader reader = reader(new Counted(7), new FrameCache(1 << 20), heard)) {
            reader.want(7);
            awaitHeard(heard, "missing 7");
            reader.want(200);
            awaitHeard(heard, "arrived 200");
        }
    }

    /** Of one group from its first picture on: each look back decodes all before it. */
    private static final class OneGroup implements PictureSource {

        private final AtomicInteger looks = new AtomicInteger();

        @Override
        public PictureSize displaySize() {
            return SIZE;
        }

        @Override
        public PictureTimes times() {
            return PictureTimes.even(FrameRate.FILM, COUNT);
        }

        @Override
        public int turnDegrees() {
            return 0;
        }

        @Override
        public Picture picture(int n) {
            return picture(n, other -> false, (other, picture) -> {});
        }

        @Override
        public Picture picture(int n, IntPredicate wanted, Sink sink) {
            looks.incrementAndGet();
            for (int before = 0; before < n; before++) {
                if (wanted.test(before)) {
                    sink.take(before, PICTURE);
                }
            }
            return PICTURE;
        }
    }

    /** Room for 97, as 400 MB have for pictures of 1080p: back through 300 in a few looks, and not in one for each step. */
    @Test
    void stepsBackLookFarBackNowAndThen() throws Exception {
        FrameCache cache = new FrameCache(97L * (PICTURE.bytes() + PICTURE.bytes() / 3));
        OneGroup source = new OneGroup();
        BlockingQueue<Integer> came = new LinkedBlockingQueue<>();
        try (FootageReader reader = new FootageReader(source, cache, new FootageReader.Listener() {
            @Override
            public void arrived(int n) {
                came.add(n);
            }

            @Override
            public void missing(int n, String why) {
                throw new AssertionError(why);
            }
        })) {
            for (int n = 350; n >= 50; n--) {
                reader.want(n);
                while (reader.atHand(n).isEmpty()) {
                    assertThat(came.poll(20, TimeUnit.SECONDS)).isNotNull();
                }
            }
        }
        assertThat(source.looks.get()).isLessThan(20);
    }
}
