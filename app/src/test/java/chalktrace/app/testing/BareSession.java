package chalktrace.app.testing;

import chalktrace.app.session.Session;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Patience;
import chalktrace.media.sound.SilentOut;
import chalktrace.media.sound.SoundOut;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.testfx.util.WaitForAsyncUtils;

/** A session without a window, on the FX thread. */
public final class BareSession implements AutoCloseable {

    public final Session session;

    public BareSession(Path stateFolder, Shot shot) {
        this(stateFolder, shot, new SilentOut());
    }

    public BareSession(Path stateFolder, Shot shot, SoundOut device) {
        session = get(() -> new Session(() -> device, stateFolder));
        run(() -> session.document().apply(new Edit("a shot for a test", before -> shot)));
    }

    public Shot shot() {
        return get(session::shot);
    }

    public void run(Runnable call) {
        get(() -> {
            call.run();
            return null;
        });
    }

    public <T> T get(Callable<T> call) {
        try {
            return WaitForAsyncUtils.asyncFx(call).get(Patience.seconds(), TimeUnit.SECONDS);
        } catch (InterruptedException | ExecutionException | TimeoutException e) {
            throw new AssertionError(e);
        }
    }

    /** Waits until something is so, as seen on the FX thread. */
    public void await(Callable<Boolean> condition) {
        try {
            WaitForAsyncUtils.waitFor(Patience.seconds(), TimeUnit.SECONDS, () -> get(condition));
        } catch (TimeoutException e) {
            throw new AssertionError(
                    "waited in vain; notice: "
                            + get(() -> session.notices().latestProperty().get()),
                    e);
        }
    }

    @Override
    public void close() {
        run(session::close);
        Endings.await();
    }
}
