package chalktrace.app.kernel;

import chalktrace.app.words.Words;
import chalktrace.core.work.Workers;
import java.io.IOException;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/** Does things on a drive, and waits for them only so long: one that hangs is left to itself. Lives on one thread. */
final class Patiently {

    private final ExecutorService aside = newHand();
    private ExecutorService hand = newHand();

    private static ExecutorService newHand() {
        return Workers.one(Words.DESK.of("keep-unsaved-work"));
    }

    /** @throws IOException of the work, or when it does not end in time: then it may still end later */
    <T> T run(int seconds, Callable<T> work) throws IOException {
        CompletableFuture<T> done = new CompletableFuture<>();
        hand.execute(() -> {
            try {
                done.complete(work.call());
            } catch (Exception | Error e) {
                done.completeExceptionally(e);
            }
        });
        try {
            return done.get(seconds, TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            Workers.finish(hand);
            hand = newHand();
            throw new IOException(Words.DESK.of("the-drive-does-not-answer"), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(e);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException) {
                throw (IOException) e.getCause();
            }
            throw new IOException(e.getCause());
        }
    }

    /** Does something that nobody waits for, and that may hang. */
    void beside(Runnable work) {
        aside.execute(work);
    }

    /** What was given to it is still done, if its drive answers. */
    void close() {
        Workers.finish(hand);
        Workers.finish(aside);
    }
}
