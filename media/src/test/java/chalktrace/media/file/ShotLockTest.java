package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
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
