package chalktrace.app.footage;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.footage.OpenSource.Found;
import chalktrace.app.footage.OpenSource.Origin;
import chalktrace.core.testing.Patience;
import chalktrace.core.time.FrameRate;
import chalktrace.media.Progress;
import chalktrace.media.export.PngFiles;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.ProxyMaker;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import chalktrace.media.testing.Clips;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
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
        onFx(() -> {
            footage.close();
            return null;
        });
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
        onFx(() -> {
            footage.close();
            return null;
        });
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
        onFx(() -> {
            footage.close();
            return null;
        });
    }
}
