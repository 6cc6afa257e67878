package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** More frames than are kept, on two tiles that are not of one size, as at the edge of a board. */
class GroundCacheTest {

    private static final int WIDE = 160;
    private static final int NARROW = 90;
    private static final int HIGH = 100;
    private static final int FRAMES = 14;

    private static final Shot SHOT = Shots.showing(Exposure.of(0, 48, 1))
            .withFootage(List.of(Footage.of(
                    "footage-1", "clip", "/clip.mp4", Conform.whole(0, PictureTimes.even(FrameRate.FILM, 48)))));

    /** About five frames of both tiles. */
    private final GroundCache cache = new GroundCache(5L * (WIDE + NARROW) * HIGH);

    private final RasterCache rasters = new RasterCache(1L << 20);
    private final PixelTile left = new PixelTile(new int[WIDE * HIGH], 0, WIDE, 0, 0, WIDE, HIGH);
    private final PixelTile right = new PixelTile(new int[NARROW * HIGH], 0, NARROW, WIDE, 0, NARROW, HIGH);

    /** Each is equal to itself alone, as decoded ones are. */
    private static final List<FootagePictures.Shown> PICTURES = IntStream.range(0, FRAMES)
            .mapToObj(frame -> {
                int[] words = new int[16 * 9];
                Arrays.fill(words, color(frame));
                PictureSize size = new PictureSize(16, 9);
                return new FootagePictures.Shown(new ArgbPicture(size, words), size, 0);
            })
            .toList();

    private static int color(int frame) {
        return 0xFF000000 | 0x0B0507 * (frame + 1);
    }

    private void paint(int frame, PixelTile... tiles) {
        Scene scene = Scenes.of(SHOT, frame, SceneOptions.export(true), (footage, f) -> Optional.of(PICTURES.get(f)));
        Surface surface = new Surface(scene.size(), Viewpoint.plain(WIDE + NARROW, HIGH), rasters, Haste.NONE);
        for (PixelTile tile : tiles) {
            assertThat(cache.paint(scene, surface, tile))
                    .as("paper and footage")
                    .isEqualTo(2);
        }
    }

    @Test
    void ofMoreFramesThanAreKeptEachShowsItself() {
        Random random = new Random(1);
        for (int step = 0; step < 20 * FRAMES; step++) {
            int frame = random.nextInt(FRAMES);
            paint(frame, left, right);
            assertThat(left.pixels()[WIDE * (HIGH - 1)])
                    .as("left, step %d", step)
                    .isEqualTo(color(frame));
            assertThat(right.pixels()[NARROW * (HIGH - 1)])
                    .as("right, step %d", step)
                    .isEqualTo(color(frame));
        }
    }

    /** What is made anew for each step has to be cleared away again, on the same processor. */
    @Test
    void onceItIsFullAStepMakesNoWordsAnew() {
        for (int frame = 0; frame < FRAMES; frame++) {
            paint(frame, left, right);
        }
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        // Tiles of two threads come in any order.
        for (int frame = 0; frame < FRAMES; frame++) {
            paint(frame, right, left);
        }
        long each = (threads.getCurrentThreadAllocatedBytes() - before) / FRAMES;
        assertThat(each).isLessThan(4L * NARROW * HIGH);
    }
}
