package chalktrace.app.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;

class PatientlyTest {

    private static final int LONG_SECONDS = 60;

    @Test
    void aDriveThatHangsIsLeftToItselfAndTheNextOneIsNot() throws Exception {
        Patiently drives = new Patiently();
        CountDownLatch hangs = new CountDownLatch(1);
        assertThatThrownBy(() -> drives.run(0, () -> {
                    hangs.await();
                    return 1;
                }))
                .isInstanceOf(IOException.class);
        assertThat(drives.run(LONG_SECONDS, () -> 2)).isEqualTo(2);
        hangs.countDown();
        assertThatThrownBy(() -> drives.run(LONG_SECONDS, () -> {
                    throw new NoSuchFileException("gone");
                }))
                .isInstanceOf(NoSuchFileException.class);
        drives.close();
    }
}
