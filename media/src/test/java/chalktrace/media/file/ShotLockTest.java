package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.media.testing.ChildProcess;
import chalktrace.media.testing.LockingProcess;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Queue;
import java.util.concurrent.BrokenBarrierException;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.CyclicBarrier;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
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
    void whoLostALockKnowsItAndDoesNotRemoveThatOfAnother() throws Exception {
        ShotLock mine = ShotLock.take(shot).lock().orElseThrow();
        assertThat(mine.holds(shot)).isTrue();
        Files.delete(lock);
        Files.writeString(lock, "of another");
        assertThat(mine.holds(shot)).isFalse();
        mine.close();
        assertThat(lock).hasContent("of another");
    }

    @Test
    void aLockThatOneWithoutLocksTookOverIsLost() throws Exception {
        ShotLock mine = ShotLock.take(shot).lock().orElseThrow();
        try (ShotLock theirs = ShotLock.take(new FarDrive("over there"), copyOfTheLock(), true)
                .lock()
                .orElseThrow()) {
            // They came over a network that shows no locks, and wrote into the same file.
            overwrite(lock, Files.readAllBytes(folder.resolve("copy/.shot.chalk.open")));
            assertThat(mine.holds(shot)).isFalse();
            assertThat(theirs.isBySign()).isTrue();
        }
        mine.close();
        assertThat(lock).exists();
    }

    private Path copyOfTheLock() throws IOException {
        return Files.createDirectory(folder.resolve("copy")).resolve("shot.chalk");
    }

    private static void overwrite(Path file, byte[] bytes) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            channel.truncate(0);
            channel.write(ByteBuffer.wrap(bytes));
        }
    }

    /** What its file says of user, machine, clock or process has no part in it: the system knows who lives. */
    @Test
    void aProgramHoldsALockAsLongAsItLivesHoweverItEnds() throws Exception {
        try (ChildProcess other = new ChildProcess(LockingProcess.class, List.of(), shot)) {
            assertThat(other.next()).contains("has it");
            overwrite(lock, Files.readString(lock).replace(Machine.HOST, "quay").getBytes(StandardCharsets.UTF_8));
            for (ShotLock.Taken taken : List.of(ShotLock.take(shot), ShotLock.takeOver(shot))) {
                assertThat(taken.lock()).isEmpty();
                assertThat(taken.holder()).get().asString().endsWith(" on quay");
                assertThat(taken.mayBeLeft()).isFalse();
            }
            other.kill();
            other.awaitEnd();
        }
        assertThat(lock).exists();
        ShotLock mine = ShotLock.take(shot).lock().orElseThrow();
        assertThat(mine.isBySign()).isFalse();
        try (ChildProcess late = new ChildProcess(LockingProcess.class, List.of(), shot)) {
            assertThat(late.next()).contains("has it not");
        }
        mine.close();
        assertThat(lock).doesNotExist();
    }

    @Test
    void anEmptyLockOfAFullDiskIsTakenOver() throws Exception {
        Files.write(lock, new byte[0]);
        try (ShotLock mine = ShotLock.take(shot).lock().orElseThrow()) {
            assertThat(mine.holds(shot)).isTrue();
        }
    }

    /** A drive without locks, as a machine sees it; time goes by when somebody waits. */
    private static class FarDrive implements Drive {
        private final String machine;
        private Runnable meanwhile = () -> {};

        FarDrive(String machine) {
            this.machine = machine;
        }

        @Override
        public boolean lock(FileChannel channel, boolean shared) throws IOException {
            throw new IOException("no locks available");
        }

        @Override
        public boolean isReachedByOthers(Path file) {
            return true;
        }

        @Override
        public String machine() {
            return machine;
        }

        @Override
        public void await(Duration time) {
            meanwhile.run();
        }
    }

    private byte[] left(String machine) throws IOException {
        ShotLock.take(new FarDrive(machine), shot, false).lock().orElseThrow();
        byte[] says = Files.readAllBytes(lock);
        // Its program is another one, which holds the file that was there.
        Files.delete(lock);
        Files.write(lock, says);
        return says;
    }

    @Test
    void onADriveWithoutLocksASignThatIsRenewedTellsWhoLives() throws Exception {
        byte[] says = left("over there");
        FarDrive here = new FarDrive("here");
        here.meanwhile = () -> {
            try {
                says[says.length - 2]++;
                Files.write(lock, says);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        };
        for (boolean evenOfSilent : new boolean[] {false, true}) {
            ShotLock.Taken taken = ShotLock.take(here, shot, evenOfSilent);
            assertThat(taken.lock()).isEmpty();
            assertThat(taken.holder()).isPresent();
            assertThat(taken.mayBeLeft()).isFalse();
        }
    }

    @Test
    void onADriveWithoutLocksAMachineThatIsSilentIsAskedAboutAndThisOneIsNot() throws Exception {
        left("over there");
        FarDrive here = new FarDrive("here");
        ShotLock.Taken taken = ShotLock.take(here, shot, false);
        assertThat(taken.lock()).isEmpty();
        assertThat(taken.mayBeLeft()).isTrue();
        assertThat(ShotLock.take(here, shot, true).lock()).isPresent();
        Files.delete(lock);
        left("here");
        assertThat(ShotLock.take(here, shot, false).lock()).get().matches(ShotLock::isBySign);
    }

    @Test
    @Timeout(60)
    void aDriveThatHangsKeepsNobodyFromOtherFiles() throws Exception {
        CountDownLatch hanging = new CountDownLatch(1);
        CountDownLatch answers = new CountDownLatch(1);
        Drive hangs = new FarDrive("here") {
            @Override
            public boolean lock(FileChannel channel, boolean shared) throws IOException {
                hanging.countDown();
                try {
                    answers.await();
                } catch (InterruptedException e) {
                    throw new IOException(e);
                }
                return true;
            }
        };
        Thread stuck = new Thread(() -> ShotLock.take(hangs, shot, false));
        stuck.start();
        hanging.await();
        Path other = Files.createFile(folder.resolve("other.chalk"));
        ShotLock.take(other).lock().orElseThrow().close();
        answers.countDown();
        stuck.join();
    }

    @Test
    @Timeout(60)
    void aSignIsRenewed() throws Exception {
        FarDrive soon = new FarDrive("here") {
            @Override
            public Duration renewedEvery() {
                return Duration.ofMillis(1);
            }
        };
        try (ShotLock mine = ShotLock.take(soon, shot, false).lock().orElseThrow()) {
            byte[] first = Files.readAllBytes(lock);
            while (Arrays.equals(first, Files.readAllBytes(lock))) {
                Thread.onSpinWait();
            }
            assertThat(mine.holds(shot)).isTrue();
        }
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
