package chalktrace.app.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.media.file.Journal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** What is kept of a shot that is saved somewhere else while it is drawn on. */
@ExtendWith(ApplicationExtension.class)
class KeepingTest {

    @TempDir
    Path folder;

    private final Keeping keeping = new Keeping(new Notices());
    private final Shot opened = Shots.empty();

    @AfterEach
    void close() {
        keeping.close();
    }

    private long bytes(String place) throws IOException {
        Path all = folder.resolve(place);
        if (!Files.exists(all)) {
            return 0;
        }
        try (Stream<Path> walk = Files.walk(all)) {
            return walk.filter(path -> path.getFileName().toString().startsWith("journal-"))
                    .mapToLong(path -> path.toFile().length())
                    .sum();
        }
    }

    private void awaitKept(String place) throws Exception {
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> bytes(place) > 0);
    }

    @Test
    void theOldPlaceKeepsItUntilTheNewOneDoes() throws Exception {
        keeping.begin(shot -> Journal.untitled(folder.resolve("old")), opened);
        keeping.note(opened.withName("drawn"), false);
        awaitKept("old");
        AtomicBoolean full = new AtomicBoolean(true);
        AtomicBoolean tried = new AtomicBoolean();
        Shot saved = opened.withName("drawn");
        Shot later = opened.withName("drawn while it was saved");
        keeping.moved(
                shot -> {
                    tried.set(true);
                    if (full.get()) {
                        throw new IOException("No space left on device");
                    }
                    assertThat(shot).isSameAs(saved);
                    return Journal.untitled(folder.resolve("new"));
                },
                saved,
                later);
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, tried::get);
        assertThat(bytes("old")).as("nothing is kept anew yet").isPositive();
        full.set(false);
        keeping.note(later, false);
        awaitKept("new");
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> bytes("old") == 0);
    }
}
