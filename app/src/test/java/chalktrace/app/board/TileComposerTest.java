package chalktrace.app.board;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.Haste;
import chalktrace.core.render.PaperLayer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.render.Viewpoint;
import java.awt.Rectangle;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** A frame that is composed before its time is seen when it is asked for, and no other is taken for it. */
@ExtendWith(ApplicationExtension.class)
class TileComposerTest {

    private static final int SIDE = 64;
    private static final Viewpoint PLAIN = Viewpoint.plain(SIDE, SIDE);
    private static final Rgb NOW = new Rgb(200, 0, 0);
    private static final Rgb NEXT = new Rgb(0, 200, 0);
    private static final Rgb OTHER = new Rgb(0, 0, 200);

    private final TileComposer composer =
            new TileComposer(new FrameComposer(new RasterCache(1 << 20), () -> new Rgb(0, 0, 0)));
    private final Tile tile = new Tile(new Rectangle(0, 0, SIDE, SIDE), 1);
    private final AtomicInteger shown = new AtomicInteger();

    @AfterEach
    void close() {
        composer.close();
    }

    private static <T> T onFx(Callable<T> call) throws Exception {
        return WaitForAsyncUtils.asyncFx(call).get();
    }

    private static Scene paper(Rgb color) {
        return new Scene(new PictureSize(SIDE, SIDE), List.of(new PaperLayer(color)));
    }

    private Rgb seen() {
        int argb = tile.view().getImage().getPixelReader().getArgb(SIDE / 2, SIDE / 2);
        return Rgb.of(argb);
    }

    private void compose(Rgb color) {
        composer.compose(paper(color), PLAIN, Haste.PLAYED, List.of(tile), shown::incrementAndGet);
    }

    private void awaitShown(int times) throws Exception {
        WaitForAsyncUtils.waitFor(10, TimeUnit.SECONDS, () -> onFx(shown::get) == times);
    }

    /** Shows a frame and composes the next before its time, to its end. */
    private void prepared() throws Exception {
        onFx(() -> {
            compose(NOW);
            return null;
        });
        awaitShown(1);
        onFx(() -> {
            composer.prepare(paper(NEXT), PLAIN, Haste.PLAYED, List.of(tile));
            return null;
        });
        WaitForAsyncUtils.waitFor(10, TimeUnit.SECONDS, () -> onFx(composer::isReadyAhead));
    }

    @Test
    void whatIsPreparedIsNotSeenBeforeItIsAskedForAndThenAtOnce() throws Exception {
        prepared();
        assertThat(onFx(this::seen)).isEqualTo(NOW);
        assertThat(onFx(() -> {
                    compose(NEXT);
                    return shown.get();
                }))
                .as("without another turn of the window's thread")
                .isEqualTo(2);
        assertThat(onFx(this::seen)).isEqualTo(NEXT);
    }

    @Test
    void anotherFrameThanThePreparedIsComposed() throws Exception {
        prepared();
        onFx(() -> {
            compose(OTHER);
            return null;
        });
        awaitShown(2);
        assertThat(onFx(this::seen)).isEqualTo(OTHER);
        onFx(() -> {
            compose(NEXT);
            return null;
        });
        awaitShown(3);
        assertThat(onFx(this::seen))
                .as("what was prepared is long painted over")
                .isEqualTo(NEXT);
    }

    @Test
    void whatIsAskedForWhileItIsPreparedComesOnceItIsDone() throws Exception {
        onFx(() -> {
            composer.prepare(paper(NEXT), PLAIN, Haste.PLAYED, List.of(tile));
            compose(NEXT);
            return null;
        });
        awaitShown(1);
        assertThat(onFx(this::seen)).isEqualTo(NEXT);
        assertThat(onFx(shown::get)).isEqualTo(1);
    }
}
