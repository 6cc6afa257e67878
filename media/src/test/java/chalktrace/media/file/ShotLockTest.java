package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Queue;
import java.util.concurrent.BrokenBarrierException;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CyclicBarrier;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ShotLockTest {

    @TempDir
    Path folder;

    private Path shot;
    private Path lock;

    @BeforeEach
    void aShot() throws Exception {
        shot = Files.createFile(folder.resolve("shot.chalk"));
        lock = folder.resolve(".shot.chalk.open");
    }

    @Test
    void aLockThatIsHeldNamesItsHolderAndGoesWhenItIsClosed() {
        ShotLock mine = ShotLock.take(shot).lock().orElseThrow();
        ShotLock.Taken second = ShotLock.take(shot);
        assertThat(second.lock()).isEmpty();
        assertThat(second.holder()).isPresent();
        mine.close();
        assertThat(lock).doesNotExist();
        assertThat(ShotLock.take(shot).lock()).isPresent();
    }

    @Test
    void aLinkToAShotHasTheLockOfTheShot() throws Exception {
        Path link = Files.createSymbolicLink(
                Files.createDirectory(folder.resolve("links")).resolve("link.chalk"), shot);
        ShotLock mine = ShotLock.take(link).lock().orElseThrow();
        assertThat(lock).exists();
        assertThat(ShotLock.take(shot).holder()).isPresent();
        mine.close();
        assertThat(lock).doesNotExist();
    }

    @RepeatedTest(100)
    void ofSeveralWhoTakeALockThatWasLeftOneAloneHasIt() throws Exception {
        // Left by a program that ended before it had written who it is.
        Files.createFile(lock);
        int several = 4;
        CyclicBarrier together = new CyclicBarrier(several);
        Queue<ShotLock.Taken> taken = new ConcurrentLinkedQueue<>();
        List<Thread> threads = IntStream.range(0, several)
                .mapToObj(i -> new Thread(() -> {
                    try {
                        together.await();
                    } catch (InterruptedException | BrokenBarrierException e) {
                        throw new IllegalStateException(e);
                    }
                    taken.add(ShotLock.take(shot));
                }))
                .toList();
        threads.forEach(Thread::start);
        for (Thread thread : threads) {
            thread.join();
        }
        assertThat(taken).filteredOn(one -> one.lock().isPresent()).hasSize(1);
        assertThat(taken).filteredOn(one -> one.holder().isPresent()).hasSize(several - 1);
    }

    @Test
    void whoLostALockDoesNotCloseThatOfAnother() {
        ShotLock first = ShotLock.take(shot).lock().orElseThrow();
        ShotLock second = ShotLock.takeOver(shot).lock().orElseThrow();
        first.close();
        assertThat(lock).exists();
        second.close();
        assertThat(lock).doesNotExist();
    }

    @Test
    void aLockGoesAlongWithItsFolderAndOnlyItsOwnDoes() throws Exception {
        Path before = Files.createDirectory(folder.resolve("before"));
        ShotLock mine = ShotLock.take(before.resolve("shot.chalk")).lock().orElseThrow();
        Path after = Files.move(before, folder.resolve("after"));
        assertThat(mine.movedTo(after.resolve("shot.chalk"))).isPresent();
        assertThat(mine.movedTo(shot)).isEmpty();
    }
}
