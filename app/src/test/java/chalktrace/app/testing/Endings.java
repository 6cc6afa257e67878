package chalktrace.app.testing;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.work.Workers;
import java.time.Duration;

/** Work that was ended goes on until it is done; a program waits for that at its end, and a test where it looks at what is left. */
public final class Endings {

    private static final Duration LONGEST = Duration.ofSeconds(20);

    private Endings() {}

    public static void await() {
        try {
            assertThat(Workers.awaitEnding(LONGEST))
                    .as("ended; living: " + Workers.living())
                    .isTrue();
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }
}
