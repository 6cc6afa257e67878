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

    /** What is forgotten leaves room for as much. */
    @Test
    void picturesAfterOneAreForgotten() {
        FrameCache cache = new FrameCache(10L * (PICTURE.bytes() + PICTURE.bytes() / 3));
        Counted one = new Counted(-1);
        Counted two = new Counted(-1);
        for (int n = 0; n < 8; n++) {
            cache.put(one, n, PICTURE);
        }
        cache.put(two, 7, PICTURE);
        cache.forgetAfter(one, 3);
        for (int n = 10; n < 15; n++) {
            cache.put(two, n, PICTURE);
        }
        for (int n = 0; n < 8; n++) {
            assertThat(cache.has(one, n)).as("picture %d", n).isEqualTo(n <= 3);
        }
        assertThat(cache.has(two, 7)).isTrue();
    }
}
