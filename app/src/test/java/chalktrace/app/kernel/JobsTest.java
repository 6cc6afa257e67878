package chalktrace.app.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.Endings;
import chalktrace.core.testing.Patience;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

@ExtendWith(ApplicationExtension.class)
class JobsTest {

    private final Jobs jobs = new Jobs();

    @AfterEach
    void close() {
        jobs.close();
        Endings.await();
    }

    @Test
    void longWorkStandsStillWhileFramesArePlayed() throws Exception {
        CountDownLatch started = new CountDownLatch(1);
        AtomicInteger steps = new AtomicInteger();
        CountDownLatch ended = new CountDownLatch(1);
        jobs.hold(true);
        onFx(() -> jobs.runLong(
                "count",
                job -> {
                    started.countDown();
                    for (int i = 0; i < 100 && job.at(i, 100); i++) {
                        steps.incrementAndGet();
                    }
                    return steps.get();
                },
                count -> ended.countDown(),
                failed -> {}));
        assertThat(started.await(Patience.seconds(), TimeUnit.SECONDS)).isTrue();
        // Short work is not held, and what it does comes after the long work's first step.
        CountDownLatch shortDone = new CountDownLatch(1);
        onFx(() -> jobs.run("short", job -> job.at(1, 1), done -> shortDone.countDown(), failed -> {}));
        assertThat(steps.get()).isZero();
        assertThat(ended.getCount()).isEqualTo(1);
        jobs.hold(false);
        assertThat(ended.await(Patience.seconds(), TimeUnit.SECONDS)).isTrue();
        assertThat(steps.get()).isEqualTo(100);
        assertThat(shortDone.await(Patience.seconds(), TimeUnit.SECONDS)).isTrue();
    }

    @Test
    void heldWorkThatIsCancelledEnds() throws Exception {
        CountDownLatch ended = new CountDownLatch(1);
        jobs.hold(true);
        Jobs.Job[] job = new Jobs.Job[1];
        onFx(() -> job[0] = jobs.runLong(
                "wait",
                held -> held.at(1, 2),
                went -> {
                    assertThat(went).isFalse();
                    ended.countDown();
                },
                failed -> {}));
        job[0].cancel();
        assertThat(ended.await(Patience.seconds(), TimeUnit.SECONDS)).isTrue();
    }

    private static void onFx(Runnable work) throws Exception {
        WaitForAsyncUtils.asyncFx(work).get(Patience.seconds(), TimeUnit.SECONDS);
    }
}
