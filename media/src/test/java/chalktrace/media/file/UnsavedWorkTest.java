package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.media.testing.FullShot;
import chalktrace.media.testing.RandomEdits;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Work that was left is found wherever its shot has gone, and goes only when somebody says so. */
class UnsavedWorkTest {

    @TempDir
    Path folder;

    private Path file;
    private Path state;
    private UnsavedWork work;
    private ShotFile.Opened opened;

    @BeforeEach
    void save() throws Exception {
        Files.createDirectories(folder.resolve("work"));
        file = folder.resolve("work/shot.chalk");
        state = folder.resolve("state/unsaved");
        work = new UnsavedWork(state);
        ShotFile.fresh().save(FullShot.of(folder), file);
        opened = ShotFile.open(file);
    }

    private SavedShot inTheFile() {
        return new SavedShot(opened.shot(), opened.file().mark());
    }

    /** A session that draws and is killed. */
    private Shot left(String name) throws IOException {
        Shot drawn = opened.shot().withName(name);
        try (Journal journal = Journal.of(file, inTheFile(), state)) {
            journal.keep(drawn, false);
        }
        return drawn;
    }

    private Leftover only(List<Leftover> left) {
        assertThat(left).hasSize(1);
        return left.get(0);
    }

    @Test
    void ofARenamedShotItIsListedAndFoundUnderTheNewName() throws Exception {
        Shot drawn = left("mine");
        Path renamed = Files.move(file, file.resolveSibling("renamed.chalk"));
        Path copy = Files.copy(renamed, file.resolveSibling("a copy.chalk"));
        assertThat(work.of(copy)).as("it may be somebody's own").isEmpty();
        assertThat(only(work.all()).recover().shot()).isEqualTo(drawn);
        assertThat(work.fileOf(only(work.all()))).contains(renamed);
        assertThat(only(work.of(renamed)).recover().shot()).isEqualTo(drawn);
    }

    @Test
    void ofADeletedShotItIsListed() throws Exception {
        Shot drawn = left("mine");
        Files.delete(file);
        Leftover left = only(work.all());
        assertThat(left.recover().shot()).isEqualTo(drawn);
        assertThat(left.shotFile()).contains(file);
        assertThat(work.fileOf(left)).isEmpty();
        // Another shot under its old name has it too, as somebody may have put an earlier copy back.
        ShotFile.fresh().save(Shots.empty(), file);
        assertThat(only(work.of(file)).fileHasChanged()).isTrue();
    }

    @Test
    void ofAMovedFolderItIsFoundWhenTheShotIsOpenedThere() throws Exception {
        Shot drawn = left("mine");
        Path moved = Files.move(file.getParent(), folder.resolve("moved"));
        assertThat(only(work.of(moved.resolve("shot.chalk"))).recover().shot()).isEqualTo(drawn);
        assertThat(work.all()).isEmpty();
        Files.move(moved, file.getParent());
        assertThat(work.all()).as("the folder is back").hasSize(1);
    }

    @Test
    void ofAnotherShotNothingIsFound() throws Exception {
        left("mine");
        Path other = file.resolveSibling("other.chalk");
        ShotFile.fresh().save(Shots.empty(), other);
        assertThat(work.of(other)).isEmpty();
        Path copy = Files.copy(file, file.resolveSibling("copy.chalk"));
        assertThat(work.of(copy)).as("the shot itself is still there").isEmpty();
    }

    @Test
    void aSessionThatLivesOrHoldsNothingIsNotListed() throws Exception {
        try (Journal lives = Journal.of(file, inTheFile(), state)) {
            lives.keep(opened.shot().withName("mine"), false);
            Journal.of(file, inTheFile(), state).close();
            assertThat(work.all()).isEmpty();
            try (Stream<Path> sessions = Files.list(Journal.parent(file))) {
                assertThat(sessions).as("what held nothing has gone").containsExactly(lives.folder());
            }
        }
        assertThat(work.all()).hasSize(1);
    }

    @Test
    void aSessionWithoutANameGoesAfterADay() throws Exception {
        Path young = Files.createDirectories(state.resolve("young"));
        Path old = Files.createDirectories(state.resolve("old"));
        Files.createFile(old.resolve("journal-1"));
        Files.setLastModifiedTime(old, FileTime.from(Instant.now().minus(Duration.ofHours(25))));
        work.all();
        assertThat(young).exists();
        assertThat(old).doesNotExist();
    }

    @Test
    void whatIsDiscardedLiesInTheBinForAMonth() throws Exception {
        Shot drawn = left("mine");
        work.discard(only(work.all()));
        assertThat(work.all()).isEmpty();
        assertThat(work.of(file)).isEmpty();
        assertThat(only(work.discarded()).recover().shot()).isEqualTo(drawn);
        work.emptyBin(Instant.now().plus(Duration.ofDays(29)));
        assertThat(work.discarded()).hasSize(1);
        work.emptyBin(Instant.now().plus(Duration.ofDays(31)));
        assertThat(work.discarded()).isEmpty();
        assertThat(file).exists();
    }

    @Test
    void whatIsRestoredGoesOnWithoutBeingWrittenAnewAndStaysUntilItIsSaved() throws Exception {
        Shot shot = opened.shot();
        try (Journal journal = Journal.of(file, inTheFile(), state)) {
            for (Shot next : RandomEdits.of(shot, 20)) {
                journal.keep(next, false);
                shot = next;
            }
        }
        Leftover left = only(work.all());
        Shot recovered = left.recover().shot();
        assertThat(recovered).isEqualTo(shot);
        Journal journal = Journal.continuing(left, recovered, state);
        long before = Files.size(journal.folder().resolve("journal-1"));
        assertThat(before).isEqualTo(Files.size(left.files().journal()));
        journal.keep(recovered, false);
        assertThat(Files.size(journal.folder().resolve("journal-1"))).isEqualTo(before);
        Shot later = recovered.withName("drawn on");
        for (Shot next : RandomEdits.of(later, 10)) {
            later = next;
            journal.keep(later, false);
        }
        journal.close();
        assertThat(work.all())
                .hasSize(2)
                .anySatisfy(one -> assertThat(one.recover().shot()).isEqualTo(recovered));
        Leftover again = work.all().stream()
                .filter(one -> one.folder().equals(journal.folder()))
                .findFirst()
                .orElseThrow();
        assertThat(again.recover().missing()).isEmpty();
        assertThat(again.recover().shot()).isEqualTo(later);
        assertThat(again.changes()).isGreaterThan(left.changes());
    }

    @Test
    void nobodyElseReadsWhatWasDrawn() throws Exception {
        try (Journal journal = Journal.of(file, inTheFile(), state)) {
            assertThat(mode(journal.folder())).isEqualTo("rwx------");
        }
        left("mine");
        work.discard(only(work.all()));
        assertThat(mode(only(work.discarded()).folder())).isEqualTo("rwx------");
        for (String may : List.of("rw-------", "rw-r-----", "rw-r--r--")) {
            Path shot = Files.copy(file, file.resolveSibling(may + ".chalk"));
            Files.setPosixFilePermissions(shot, PosixFilePermissions.fromString(may));
            new Versions(shot).before().orElseThrow();
            assertThat(mode(shot.resolveSibling("." + may + ".chalk.versions")).replace('x', '-'))
                    .isEqualTo(may);
        }
    }

    private static String mode(Path folder) throws IOException {
        return PosixFilePermissions.toString(Files.getPosixFilePermissions(folder));
    }

    /** What is under the work is what was opened, or all of the shot is kept. */
    @Test
    void aFileThatAnotherProgramWroteBeforeTheSessionBeganIsNotUnderTheWork() throws Exception {
        ShotFile.fresh().save(Shots.empty().withName("theirs"), file);
        Shot drawn = left("mine");
        assertThat(only(work.all()).recover().shot()).isEqualTo(drawn);
    }

    @Test
    void whereaboutsThatLeadAnywhereAreNotFollowed() throws Exception {
        left("mine");
        Path says;
        try (Stream<Path> all = Files.list(state)) {
            says = all.findFirst().orElseThrow();
        }
        for (String other : List.of("", "/", "not absolute", folder.toString(), "\0")) {
            Files.writeString(says, other);
            assertThat(work.all()).isEmpty();
        }
    }
}
