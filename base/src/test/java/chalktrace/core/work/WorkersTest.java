package chalktrace.core.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(60)
class WorkersTest {

    private static final Duration LONG = Duration.ofSeconds(30);

    private final List<String> done = new CopyOnWriteArrayList<>();
    private final CountDownLatch begun = new CountDownLatch(1);
    private final CountDownLatch may = new CountDownLatch(1);

    private void hold() {
        begun.countDown();
        boolean open = false;
        while (!open) {
            try {
                may.await();
                open = true;
            } catch (InterruptedException e) {
                done.add("interrupted");
            }
        }
        done.add("held");
    }

    @Test
    void whatWasGivenIsDoneBeforeTheEndAndNothingAfterIt() throws Exception {
        ExecutorService worker = Workers.one("work to finish");
        worker.execute(this::hold);
        worker.execute(() -> done.add("second"));
        begun.await();
        CompletableFuture<Void> last = Workers.finish(worker).thenRun(() -> done.add("last"));
        worker.execute(() -> done.add("too late"));
        assertThat(last).isNotDone();
        assertThat(Workers.living()).containsEntry("work to finish", 1);
        may.countDown();
        assertThat(Workers.awaitEnding(LONG)).isTrue();
        last.join();
        assertThat(done).containsExactly("held", "second", "last");
    }

    @Test
    void whatRunsIsInterruptedWhatWaitsIsDroppedAndTheLastComesWhenItHasEnded() throws Exception {
        ExecutorService worker = Workers.one("work to stop");
        worker.execute(this::hold);
        worker.execute(() -> done.add("second"));
        begun.await();
        CompletableFuture<Void> last = Workers.stop(worker).thenRun(() -> done.add("last"));
        assertThat(Workers.awaitEnding(Duration.ofMillis(1))).isFalse();
        assertThat(last).isNotDone();
        may.countDown();
        last.join();
        assertThat(done).containsExactly("interrupted", "held", "last");
    }

    @Test
    void whatWasToBeDoneLaterHoldsNoEndUp() throws Exception {
        ScheduledExecutorService clock = Workers.scheduled("clock to finish", Thread.NORM_PRIORITY);
        clock.schedule(() -> done.add("in an hour"), 1, TimeUnit.HOURS);
        clock.scheduleWithFixedDelay(() -> done.add("each hour"), 1, 1, TimeUnit.HOURS);
        clock.execute(() -> done.add("now"));
        Workers.finish(clock).get(LONG.toSeconds(), TimeUnit.SECONDS);
        assertThat(done).containsExactly("now");
    }

    @Test
    void whatTellsOthersToEndIsWaitedForWithThem() throws Exception {
        ExecutorService first = Workers.one("first to end");
        ExecutorService second = Workers.one("second to end");
        CountDownLatch told = new CountDownLatch(1);
        first.submit(() -> {
            told.await();
            return null;
        });
        Workers.finish(first).thenRun(() -> {
            hold();
            second.execute(() -> done.add("second"));
            Workers.finish(second);
        });
        told.countDown();
        begun.await();
        assertThat(Workers.awaitEnding(Duration.ofMillis(1))).isFalse();
        may.countDown();
        assertThat(Workers.awaitEnding(LONG)).isTrue();
        assertThat(done).containsExactly("held", "second");
    }

    @Test
    void loopsAreCountedAsLongAsTheyLive() throws Exception {
        Thread loop = Workers.loop("a loop", this::hold);
        begun.await();
        assertThat(Workers.living()).containsEntry("a loop", 1);
        assertThat(loop.isDaemon()).isTrue();
        may.countDown();
        loop.join();
        assertThat(Workers.living()).doesNotContainKey("a loop");
    }

    @Test
    void othersWorkersAreNotEndedHere() {
        ExecutorService other = Executors.newSingleThreadExecutor();
        assertThatIllegalArgumentException().isThrownBy(() -> Workers.finish(other));
        other.shutdown();
    }
}
