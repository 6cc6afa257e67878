package chalktrace.app.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.media.file.Journal;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.SavedShot;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
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
        keeping.close().join();
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
        } catch (UncheckedIOException e) {
            // It was discarded while it was looked at.
            return bytes(place);
        }
    }

    private void awaitKept(String place) throws Exception {
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> bytes(place) > 0);
    }

    private SavedShot asBegun(Shot shot) {
        return new SavedShot(shot, Optional.empty());
    }

    /** A place in a folder of its own, and another one where that can't be. */
    private class TwoPlaces implements KeptPlace {
        private final String name;
        private volatile boolean full;
        private volatile boolean allFull;
        private final CountDownLatch tried = new CountDownLatch(1);

        TwoPlaces(String name) {
            this.name = name;
        }

        @Override
        public Journal begin(SavedShot inTheFile) throws IOException {
            tried.countDown();
            if (full) {
                throw new IOException("No space left on device");
            }
            return Journal.untitled(folder.resolve(name));
        }

        @Override
        public Journal apart(SavedShot inTheFile) throws IOException {
            if (allFull) {
                throw new IOException("No space left on device");
            }
            return Journal.untitled(folder.resolve(name + " apart"));
        }

        @Override
        public Journal continuing(Leftover left, Shot recovered) {
            throw new UnsupportedOperationException();
        }
    }

    @Test
    void theOldPlaceKeepsItUntilTheNewOneDoes() throws Exception {
        keeping.begin(new TwoPlaces("old"), asBegun(opened));
        keeping.note(opened.withName("drawn"), false);
        awaitKept("old");
        TwoPlaces next = new TwoPlaces("new");
        next.full = true;
        next.allFull = true;
        Shot later = opened.withName("drawn while it was saved");
        keeping.moved(next, asBegun(opened.withName("drawn")), later);
        next.tried.await();
        assertThat(bytes("old")).as("nothing is kept anew yet").isPositive();
        next.full = false;
        keeping.note(later, false);
        awaitKept("new");
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> bytes("old") == 0);
    }
}
