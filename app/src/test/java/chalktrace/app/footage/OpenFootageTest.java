package chalktrace.app.footage;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.footage.OpenSource.Found;
import chalktrace.app.footage.OpenSource.Origin;
import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.testing.Patience;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.Progress;
import chalktrace.media.export.PngFiles;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.ProxyMaker;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import chalktrace.media.testing.Clips;
import java.lang.reflect.InvocationHandler;
import java.lang.reflect.Method;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

@ExtendWith(ApplicationExtension.class)
class OpenFootageTest {

    @TempDir
    Path folder;

    private OpenFootage footage;
    private Proxy proxy;

    @AfterEach
    void close() {
        if (proxy != null) {
            proxy.close();
        }
    }

    private static <T> T onFx(Callable<T> call) throws Exception {
        return WaitForAsyncUtils.asyncFx(call).get(Patience.seconds(), TimeUnit.SECONDS);
    }

    private Optional<Found> find(int n, boolean atRest, boolean running) throws Exception {
        return onFx(() -> footage.find(null, n, atRest, running));
    }

    private Found await(int n, boolean atRest, boolean running, Origin origin) throws Exception {
        WaitForAsyncUtils.waitFor(Patience.seconds(), TimeUnit.SECONDS, () -> find(n, atRest, running)
                .filter(found -> found.origin() == origin)
                .isPresent());
        return find(n, atRest, running).orElseThrow();
    }

    private void open(Path clip) throws Exception {
        Reference reference = References.open(clip);
        footage = onFx(() -> new OpenFootage(reference, new FrameCache(1 << 26), () -> {}));
    }

    @Test
    void aStepShowsTheProxyAndARestTheFootagesOwnPicture() throws Exception {
        Path clip = Clips.numbered(folder.resolve("clip.mp4"), 400, FrameRate.FILM, -1);
        open(clip);
        try (Reference source = References.open(clip)) {
            proxy = Proxy.open(folder.resolve("clip.proxy"), source);
            ProxyMaker.make(source, proxy, Progress.NONE);
        }
        onFx(() -> {
            footage.use(proxy, new FrameCache(1 << 26));
            return null;
        });
        assertThat(onFx(footage::hasProxy)).isTrue();
        Found stepped = await(300, false, false, Origin.PROXY);
        assertThat(Clips.number(stepped.picture())).isEqualTo(300);
        Found rested = await(300, true, false, Origin.SOURCE);
        assertThat(Clips.number(rested.picture())).isEqualTo(300);
        assertThat(find(300, false, true).orElseThrow().origin())
                .as("frames that run are all of one kind")
                .isEqualTo(Origin.PROXY);
        onFx(footage::end).join();
    }

    @Test
    void whereTheProxyHasNoPictureYetTheSourceIsAskedAtOnce() throws Exception {
        Path clip = Clips.numbered(folder.resolve("clip.mp4"), 60, FrameRate.FILM, -1);
        open(clip);
        try (Reference source = References.open(clip)) {
            proxy = Proxy.open(folder.resolve("half.proxy"), source);
            ProxyMaker.make(source, proxy, (done, total) -> done < 10);
        }
        onFx(() -> {
            footage.use(proxy, new FrameCache(1 << 26));
            return null;
        });
        assertThat(Clips.number(await(40, false, false, Origin.SOURCE).picture()))
                .isEqualTo(40);
        onFx(footage::end).join();
    }

    @Test
    void forAMissingPictureTheOneBeforeStandsInAndSaysWhy() throws Exception {
        for (int n : new int[] {1, 2, 4}) {
            PngFiles.write(Clips.picture(n), Clips.SIZE, folder.resolve("run." + n + ".png"));
        }
        open(folder.resolve("run.1.png"));
        Found found = await(2, true, false, Origin.NEIGHBOUR);
        assertThat(Clips.number(found.picture())).isEqualTo(2);
        assertThat(found.why()).contains("number 3");
        Files.delete(folder.resolve("run.4.png"));
        onFx(footage::end).join();
    }

    /** A reference of one picture, whose decoder takes as long as it is held. */
    private static final class Held implements InvocationHandler {

        private final CountDownLatch reads = new CountDownLatch(1);
        private final CountDownLatch may = new CountDownLatch(1);
        private final AtomicBoolean closed = new AtomicBoolean();

        @Override
        public Object invoke(Object proxy, Method method, Object[] arguments) {
            return switch (method.getName()) {
                case "times" -> PictureTimes.even(FrameRate.FILM, 1);
                case "has" -> (int) arguments[0] == 0;
                case "picture" -> {
                    reads.countDown();
                    awaitStubbornly();
                    assertThat(closed).isFalse();
                    yield new ArgbPicture(new PictureSize(1, 1), new int[1]);
                }
                case "close" -> {
                    closed.set(true);
                    yield null;
                }
                case "doubt" -> Optional.empty();
                case "hashCode" -> 1;
                case "equals" -> proxy == arguments[0];
                default -> null;
            };
        }

        /** Native code hears of no interrupt. */
        private void awaitStubbornly() {
            while (may.getCount() > 0) {
                try {
                    may.await();
                } catch (InterruptedException e) {
                    continue;
                }
            }
        }
    }

    @Test
    void theSourceIsClosedWhenItsDecoderHasEndedAndTheWindowWaitsForNeither() throws Exception {
        Held held = new Held();
        Reference reference = (Reference) java.lang.reflect.Proxy.newProxyInstance(
                Reference.class.getClassLoader(), new Class<?>[] {Reference.class}, held);
        footage = onFx(() -> new OpenFootage(reference, new FrameCache(1 << 20), () -> {}));
        find(0, true, false);
        held.reads.await();
        CompletableFuture<Void> end = onFx(footage::end);
        assertThat(end).isNotDone();
        assertThat(held.closed).isFalse();
        held.may.countDown();
        end.join();
        assertThat(held.closed).isTrue();
    }
}
