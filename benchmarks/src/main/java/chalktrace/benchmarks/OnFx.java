package chalktrace.benchmarks;

import java.util.concurrent.Callable;
import java.util.concurrent.FutureTask;
import javafx.application.Platform;

/** What has to be asked on the window's thread. */
final class OnFx {

    private OnFx() {}

    /** Waits for the answer. */
    static <T> T get(Callable<T> call) throws Exception {
        FutureTask<T> task = new FutureTask<>(call);
        Platform.runLater(task);
        return task.get();
    }
}
