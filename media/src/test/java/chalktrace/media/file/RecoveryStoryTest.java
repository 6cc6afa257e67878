package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Shot;
import chalktrace.media.UnwritableException;
import chalktrace.media.testing.ForgetfulDisk;
import chalktrace.media.testing.FullShot;
import chalktrace.media.testing.RandomEdits;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Executor;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A session that draws, undoes, saves and saves as, with the process or the power cut after each change of the disk. */
class RecoveryStoryTest {

    private static final String FIRST = "/work/shot.chalk";
    private static final String SECOND = "/work/other/shot again.chalk";
    private static final String STATE = "/home/state";

    /** Of another program, which makes room in the end. */
    private static final String BALLAST = "/home/ballast";

    private static final int BALLAST_BYTES = 1 << 17;

    /** Of the many writes of one save so many are looked at. */
    private static final int SAVES_LOOKED_AT = 12;

    private static final int STEPS = 30;

    /** Of so many things that are kept one is what was left by a session that was killed. */
    private static final int RESTORES_EVERY = 16;

    /** Of so many steps so many keep something new. */
    private static final int KEEPS = 25;

    private final Random random = new Random();
    private ForgetfulDisk disk;
    private ShotFile.Opened opened;
    private Shot shot;
    private Shot saved;
    private Path file;
    private Journal journal;

    /** What may come back at present: what was kept last, or what is just being kept. */
    private final List<Shot> allowed = new ArrayList<>();

    /** What was restored and not saved yet. */
    private final List<Leftover> restored = new ArrayList<>();

    /** Journals are folded soon, each some steps after that was begun. */
    private final Deque<Runnable> waiting = new ArrayDeque<>();

    private final JournalFile.Disk folds = new JournalFile.Disk() {
        @Override
        public Executor beside() {
            return run -> {
                waiting.add(run);
                folded++;
            };
        }

        @Override
        public long large() {
            return 4_000;
        }

        @Override
        public int timesWhatCounts() {
            return 1;
        }
    };

    private int folded;
    private int cuts;
    private int oneOf = 1;

    @RepeatedTest(2)
    void cutAnywhereTheLastThatWasKeptComesBack() throws Exception {
        begin(1L << 30);
        disk.afterEachChange(this::lookAtCuts);
        for (int i = 0; i < 60; i++) {
            step(i);
        }
        assertThat(cuts).isGreaterThan(100);
        assertThat(folded).isPositive();
    }

    @ParameterizedTest
    @ValueSource(ints = {5, 25, 60, 120, 250})
    void onADiskThatIsFullNothingThatWasKeptIsLostAndTheFileStaysWhole(int freeKilobytes) throws Exception {
        begin(1L << 30);
        long used = used();
        disk.close();
        begin(used + freeKilobytes * 1024L);
        int refused = 0;
        for (int i = 0; i < 200 && refused < 20; i++) {
            try {
                step(i);
            } catch (UnwritableException | IOException e) {
                assertThat(e.getMessage()).isNotBlank();
                if (++refused == 10) {
                    Files.delete(disk.getPath(BALLAST));
                }
            }
            assertComesBack(disk.asWritten());
            assertComesBack(disk.afterAPowerCut(null));
            ShotFile.open(file);
        }
        assertThat(refused).isEqualTo(20);
    }

    private void fold() {
        while (!waiting.isEmpty()) {
            waiting.remove().run();
        }
    }

    private void begin(long bytes) throws Exception {
        long seed = System.nanoTime();
        System.out.println("story of seed " + seed);
        random.setSeed(seed);
        disk = new ForgetfulDisk(bytes);
        Files.createDirectories(disk.getPath("/work/other"));
        Files.createDirectories(disk.getPath(STATE));
        for (String folder : List.of("/", "/work", "/work/other", "/home", STATE)) {
            WholeFiles.forceFolder(disk.getPath(folder));
        }
        Files.write(disk.getPath(BALLAST), new byte[BALLAST_BYTES]);
        file = disk.getPath(FIRST);
        ShotFile.fresh().save(FullShot.of(disk.getPath("/work")), file);
        open();
    }

    private long used() throws IOException {
        long all = 0;
        for (var store : disk.getFileStores()) {
            all += store.getTotalSpace() - store.getUsableSpace();
        }
        return all;
    }

    private void open() throws Exception {
        opened = ShotFile.open(file);
        shot = opened.shot();
        saved = shot;
        allowed.clear();
        allowed.add(shot);
        journal = null;
        begun();
    }

    private void step(int i) throws Exception {
        int what = random.nextInt(STEPS);
        if (what > KEEPS || random.nextInt(3) == 0) {
            fold();
        }
        if (what < KEEPS && random.nextInt(RESTORES_EVERY) == 0) {
            restore();
        } else if (what < KEEPS) {
            keep(RandomEdits.next(shot, random, i), false);
        } else if (what < KEEPS + 1) {
            keep(saved, true);
        } else if (what < KEEPS + 3) {
            save(file);
            if (random.nextBoolean()) {
                // Somebody goes on drawing while it is written.
                keep(RandomEdits.next(shot, random, i), false);
                fold();
            }
            begun().saved(saved(), shot);
        } else {
            Path other = disk.getPath(file.toString().equals(FIRST) ? SECOND : FIRST);
            Files.deleteIfExists(other);
            save(other);
            file = other;
            begun().discard();
            journal = null;
            begun();
        }
    }

    /** The session is killed, and another one restores what it left and goes on. */
    private void restore() throws Exception {
        if (journal == null) {
            return;
        }
        fold();
        journal.close();
        journal = null;
        // Of those that were left one takes the latest; they are written so quickly that times do not tell it.
        for (Leftover left : work(disk).of(file)) {
            Leftover.Recovered recovered = left.recover();
            assertThat(recovered.missing()).isEmpty();
            if (allowed.contains(recovered.shot())) {
                shot = recovered.shot();
                restored.add(left);
                journal = Journal.continuing(folds, left, shot, disk.getPath(STATE));
                return;
            }
        }
        assertThat(allowed).contains(saved);
        shot = saved;
        begun();
    }

    private static UnsavedWork work(FileSystem disk) {
        return new UnsavedWork(disk.getPath(STATE));
    }

    /** The journal, or a new one where none could be begun. */
    private Journal begun() throws IOException {
        if (journal == null) {
            journal = Journal.of(folds, file, saved(), disk.getPath(STATE));
        }
        return journal;
    }

    private SavedShot saved() {
        return new SavedShot(saved, opened.file().mark());
    }

    private void keep(Shot next, boolean isSaved) throws IOException {
        allowed.add(next);
        begun().keep(next, isSaved);
        allowed.clear();
        allowed.add(next);
        shot = next;
    }

    private void save(Path to) throws UnwritableException {
        oneOf = SAVES_LOOKED_AT;
        opened.file().save(shot, to);
        restored.forEach(work(disk)::forget);
        restored.clear();
        oneOf = 1;
        saved = shot;
    }

    private void lookAtCuts() {
        if (random.nextInt(oneOf) > 0) {
            return;
        }
        cuts++;
        try {
            assertComesBack(disk.asWritten());
            assertComesBack(disk.afterAPowerCut(null));
            assertComesBack(disk.afterAPowerCut(random));
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    private void assertComesBack(FileSystem left) throws Exception {
        try (left) {
            List<Shot> found = new ArrayList<>();
            for (String name : List.of(FIRST, SECOND)) {
                found.addAll(found(left.getPath(name)));
            }
            assertThat(found).as("cut " + cuts).containsAnyElementsOf(allowed);
        }
    }

    /** What somebody gets who opens a shot there. */
    private static List<Shot> found(Path file) throws Exception {
        List<Shot> found = new ArrayList<>();
        for (Leftover left : work(file.getFileSystem()).of(file)) {
            Leftover.Recovered recovered = left.recover();
            assertThat(recovered.missing()).isEmpty();
            found.add(recovered.shot());
        }
        // What was restored stays on offer while all is undone to what is in the file.
        if (Files.exists(file)) {
            found.add(ShotFile.open(file).shot());
        }
        return found;
    }
}
