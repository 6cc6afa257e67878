package chalktrace.app.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.BareSession;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.media.file.Leftover;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.ShotLock;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

/** Two sessions of one shot, as two windows have it, and what each may do to the other's file and unsaved work. */
@ExtendWith(ApplicationExtension.class)
class ShelfTest {

    @TempDir
    Path folder;

    private Path file;
    private BareSession bare;

    @BeforeEach
    void open() throws Exception {
        file = folder.resolve("shot.chalk");
        ShotFile.fresh().save(Shots.empty(), file);
        bare = new BareSession(folder.resolve("state"), Shots.empty());
        open(bare);
    }

    @AfterEach
    void close() {
        bare.close();
    }

    private void open(BareSession session) {
        session.run(() -> session.session.shelf().open(file, found -> {}));
        session.await(
                () -> file.equals(session.session.document().pathProperty().get()));
    }

    private static void rename(BareSession session, String name) {
        session.run(() -> session.session.document().apply(new Edit("name", shot -> shot.withName(name))));
    }

    private List<Path> journals() throws IOException {
        Path all = folder.resolve(".shot.chalk.recovery");
        if (!Files.exists(all)) {
            return List.of();
        }
        try (Stream<Path> walk = Files.walk(all)) {
            return walk.filter(path -> path.getFileName().toString().startsWith("journal-"))
                    .filter(path -> path.toFile().length() > 0)
                    .toList();
        } catch (UncheckedIOException e) {
            // One went while they were listed.
            return journals();
        }
    }

    private Path recovery() {
        return folder.resolve(".shot.chalk.recovery");
    }

    /** Removes what a shot's sessions keep, as somebody does who tidies up by hand. */
    private void removeRecovery() throws IOException {
        try (Stream<Path> all = Files.walk(recovery())) {
            for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(path);
            }
        }
    }

    @Test
    void whatCanNotBeKeptBesideTheShotIsKeptInTheStateFolderUntilItCan() throws Exception {
        rename(bare, "one");
        bare.await(() -> journals().size() == 1);
        removeRecovery();
        // Nothing can be kept there now.
        Files.createFile(recovery());
        rename(bare, "two");
        bare.await(() -> bare.session.keeping().elsewhereProperty().get() != null);
        Leftover apart = Leftover.read(killed(folder.resolve("state/unsaved"))).orElseThrow();
        assertThat(apart.shotFile()).contains(file);
        assertThat(apart.recover().shot().name()).isEqualTo("two");
        Files.delete(recovery());
        bare.await(() -> bare.session.keeping().elsewhereProperty().get() == null);
        assertThat(Leftover.read(killed(recovery()))
                        .orElseThrow()
                        .recover()
                        .shot()
                        .name())
                .isEqualTo("two");
    }

    /** A copy of the one session in a folder, as it would be after a kill. */
    private Path killed(Path sessions) throws IOException {
        Path copy = Files.createTempDirectory(folder, "killed");
        try (Stream<Path> all = Files.walk(sessions)) {
            for (Path path : all.filter(Files::isRegularFile)
                    .filter(path -> !path.endsWith("here") && !path.toString().endsWith(".where"))
                    .toList()) {
                Files.copy(path, copy.resolve(path.getFileName()));
            }
        }
        return copy;
    }

    @Test
    void aRemovedRecoveryFolderIsMadeAnewWithAllThatWasDrawn() throws Exception {
        rename(bare, "one");
        bare.await(() -> journals().size() == 1);
        removeRecovery();
        bare.run(() -> bare.session
                .document()
                .apply(new Edit("mark", shot -> shot.withMarks(List.of(new Mark(3, Mark.Kind.KEY))))));
        bare.await(() -> journals().size() == 1);
        Shot left = Leftover.read(killed(recovery())).orElseThrow().recover().shot();
        assertThat(left).isEqualTo(bare.shot());
        assertThat(left.name()).isEqualTo("one");
    }

    private List<Shelf.InTheWay> asked() {
        List<Shelf.InTheWay> asked = new ArrayList<>();
        bare.run(() -> bare.session.shelf().asks((changed, then) -> asked.add(changed)));
        return asked;
    }

    @Test
    void whatAnotherProgramHasWrittenIsNotReplacedUnasked() throws Exception {
        List<Shelf.InTheWay> asked = asked();
        Shot theirs = Shots.empty().withName("theirs");
        ShotFile.fresh().save(theirs, file);
        rename(bare, "mine");
        bare.run(() -> bare.session.shelf().save(file, () -> {}));
        awaitIdle(bare);
        assertThat(asked).hasSize(1);
        assertThat(ShotFile.open(file).shot()).isEqualTo(theirs);
        assertThat(bare.<Boolean>get(
                        () -> bare.session.document().unsavedProperty().get()))
                .isTrue();
        bare.run(() -> bare.session.shelf().replace(file, () -> {}));
        awaitIdle(bare);
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("mine");
        rename(bare, "mine again");
        bare.run(() -> bare.session.shelf().save(file, () -> {}));
        awaitIdle(bare);
        assertThat(asked).hasSize(1);
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("mine again");
    }

    @Test
    void aLockThatAnotherTookIsAskedAboutAndOneThatWentIsTakenAgain() throws Exception {
        List<Shelf.InTheWay> asked = asked();
        Path lock = folder.resolve(".shot.chalk.open");
        Files.delete(lock);
        rename(bare, "mine");
        bare.run(() -> bare.session.shelf().save(file, () -> {}));
        awaitIdle(bare);
        assertThat(lock).exists();
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("mine");
        Files.delete(lock);
        try (ShotLock theirs = ShotLock.take(file).lock().orElseThrow()) {
            rename(bare, "mine again");
            bare.run(() -> bare.session.shelf().save(file, () -> {}));
            awaitIdle(bare);
            assertThat(asked).singleElement().matches(other -> other.holder().isPresent());
            assertThat(ShotFile.open(file).shot().name()).isEqualTo("mine");
            assertThat(theirs.holds(file)).isTrue();
        }
    }

    private void awaitIdle(BareSession session) {
        session.await(() -> session.session.jobs().running().isEmpty());
    }

    /** Again and again, as the change may come while the journal of the shot that was just opened begins. */
    @RepeatedTest(12)
    void aChangeIsKeptAndASaveNeedsItNoMore() {
        rename(bare, "one");
        bare.await(() -> journals().size() == 1);
        bare.run(() -> bare.session.shelf().save(file, () -> {}));
        bare.await(() -> journals().isEmpty());
        rename(bare, "two");
        bare.await(() -> journals().size() == 1);
    }

    /** What is in a file once it is no longer written to. */
    private byte[] settled(Path path) throws IOException {
        byte[][] last = {Files.readAllBytes(path)};
        bare.await(() -> {
            byte[] before = last[0];
            last[0] = Files.readAllBytes(path);
            return Arrays.equals(before, last[0]);
        });
        return last[0];
    }

    @Test
    void aSecondWindowThatOnlyLooksTouchesNothingOfTheFirst() throws Exception {
        rename(bare, "mine");
        bare.await(() -> journals().size() == 1);
        Path mine = journals().get(0);
        byte[] kept = settled(mine);
        try (BareSession second = new BareSession(folder.resolve("state"), Shots.empty())) {
            open(second);
            assertThat(second.get(() ->
                            second.session.document().whyReadOnlyProperty().get()))
                    .contains("is open by");
            rename(second, "theirs");
            second.await(() -> journals().size() == 2);
            second.run(() -> second.session.shelf().save(file, () -> {}));
            awaitIdle(second);
            assertThat(ShotFile.open(file).shot().name()).isEqualTo("test");
            assertThat(second.get(() ->
                            second.session.notices().latestProperty().get().problem()))
                    .isTrue();
        }
        assertThat(journals()).containsExactly(mine);
        assertThat(Files.readAllBytes(mine)).isEqualTo(kept);
    }

    @Test
    void aNewShotThatIsStartedWhileTheOldOneIsSavedHasNoPath() throws Exception {
        Shot large = Shots.empty().withLevel(Shots.LEVEL, level -> {
            Drawing drawing = Drawing.empty(1);
            for (int i = 0; i < 3000; i++) {
                drawing = drawing.plus(Strokes.line(i, 1, 2, 3));
            }
            return level.with(drawing);
        });
        bare.run(() -> {
            bare.session.document().apply(new Edit("draw", shot -> large.withName("large")));
            bare.session.shelf().save(file, () -> {});
            bare.session.shelf().startNew(Shots.empty());
        });
        awaitIdle(bare);
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("large");
        assertThat(bare.get(() -> bare.session.document().pathProperty().get())).isNull();
        assertThat(bare.shot().name()).isEqualTo("test");
    }

    @Test
    void aFolderThatWasMovedIsNoticedAndNeverMadeAnew() throws Exception {
        Path here = Files.createDirectory(folder.resolve("here"));
        file = here.resolve("shot.chalk");
        ShotFile.fresh().save(Shots.empty(), file);
        open(bare);
        Files.move(here, folder.resolve("there"));
        bare.await(() -> bare.session.notices().latestProperty().get() != null
                && bare.session.notices().latestProperty().get().text().contains(here + " was moved"));
        Files.createDirectory(here);
        rename(bare, "work");
        bare.run(() -> bare.session.shelf().save(file, () -> {}));
        awaitIdle(bare);
        assertThat(file).as("another folder of that name").doesNotExist();
        assertThat(bare.get(() -> bare.session.document().unsavedProperty().get()))
                .isTrue();
        Path elsewhere = folder.resolve("there/shot.chalk");
        bare.run(() -> bare.session.shelf().save(elsewhere, () -> {}));
        bare.await(() -> elsewhere.equals(bare.session.document().pathProperty().get()));
        assertThat(ShotFile.open(elsewhere).shot().name()).isEqualTo("work");
    }

    @Test
    void aShotGoesByTheNameOfItsFileUntilItIsNamedByHand() throws Exception {
        bare.run(() -> bare.session.shelf().startNew(Shots.empty().withName(Shelf.UNTITLED)));
        saveAs("walk.chalk");
        assertThat(bare.shot().name()).isEqualTo("walk");
        saveAs("run.chalk");
        assertThat(ShotFile.open(folder.resolve("run.chalk")).shot().name()).isEqualTo("run");
        rename(bare, "Pier Nine");
        saveAs("jump.chalk");
        assertThat(ShotFile.open(folder.resolve("jump.chalk")).shot().name()).isEqualTo("Pier Nine");
    }

    private void saveAs(String name) {
        bare.run(() -> bare.session.shelf().save(folder.resolve(name), () -> {}));
        bare.await(() -> folder.resolve(name)
                .equals(bare.session.document().pathProperty().get()));
    }

    @Test
    void workWhoseRestoringWasUndoneIsNotDiscardedByASave() throws Exception {
        Shot work = Shots.empty().withName("left over");
        Path left = Files.createDirectories(folder.resolve("left/session"));
        Leftover leftover = new Leftover(
                left, Optional.of(file), Instant.EPOCH, 1, Optional.empty(), Optional.empty(), Optional.empty());
        bare.run(() -> bare.session
                .shelf()
                .left()
                .restore(new LeftWork.Found(leftover, Optional.of(work), Optional.of(file), "")));
        bare.run(() -> bare.session.document().undo());
        bare.run(() -> bare.session.shelf().save(file, () -> {}));
        awaitIdle(bare);
        assertThat(left).exists();
        bare.run(() -> bare.session
                .shelf()
                .left()
                .restore(new LeftWork.Found(leftover, Optional.of(work), Optional.of(file), "")));
        rename(bare, "more");
        bare.run(() -> bare.session.shelf().save(file, () -> {}));
        awaitIdle(bare);
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("more");
        assertThat(left).doesNotExist();
    }

    /** Whoever wants another shot while this one is being saved waits for that and is asked nothing. */
    @Test
    void whatWaitsForASaveFindsTheShotSaved() {
        rename(bare, "while it is saved");
        List<Boolean> unsavedAfter = new ArrayList<>();
        bare.run(() -> {
            Shelf shelf = bare.session.shelf();
            assertThat(shelf.isSavingAll()).isFalse();
            shelf.save(file, () -> {});
            assertThat(shelf.isSavingAll()).isTrue();
            shelf.whenSavingEnds(() ->
                    unsavedAfter.add(bare.session.document().unsavedProperty().get()));
        });
        bare.await(() -> !unsavedAfter.isEmpty());
        assertThat(unsavedAfter).containsExactly(false);
        assertThat(bare.<Boolean>get(() -> bare.session.shelf().isSavingAll())).isFalse();
    }

    @Test
    void whatIsDrawnDuringASaveIsNotTakenForSaved() {
        rename(bare, "first");
        bare.run(() -> {
            bare.session.shelf().save(file, () -> {});
            bare.session.document().apply(new Edit("more", shot -> shot.withName("second")));
            assertThat(bare.session.shelf().isSavingAll()).isFalse();
        });
        awaitIdle(bare);
        assertThat(bare.<Boolean>get(
                        () -> bare.session.document().unsavedProperty().get()))
                .isTrue();
    }
}
