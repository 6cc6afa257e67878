package chalktrace.media.file;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Locale;
import java.util.Set;

/** What can be told of who else is at a file. Tests put drives without locks and other machines here. */
interface Drive {

    Drive REAL = new Drive() {};

    /** File systems that other machines reach, whose locks may not be seen here. */
    Set<String> REACHED_BY_OTHERS = Set.of(
            "nfs",
            "nfs4",
            "cifs",
            "smb",
            "smb2",
            "smb3",
            "smbfs",
            "9p",
            "afpfs",
            "webdav",
            "afs",
            "ceph",
            "lustre",
            "glusterfs",
            "fuse.sshfs",
            "fuse.rclone",
            "fuse.davfs",
            "fuse.glusterfs");

    /** Behind all that is written: reading is never in the way of a lock. */
    long LOCKED_BYTE = Long.MAX_VALUE - 1;

    /**
     * Takes the lock of a file for as long as the channel is open.
     *
     * @param shared for a channel that only reads
     * @return whether it could be had; not where another has it
     * @throws IOException where the drive has no locks
     */
    default boolean lock(FileChannel channel, boolean shared) throws IOException {
        try {
            FileLock lock = channel.tryLock(LOCKED_BYTE, 1, shared);
            return lock != null;
        } catch (OverlappingFileLockException e) {
            return false;
        } catch (UnsupportedOperationException e) {
            throw new IOException("the drive has no locks", e);
        }
    }

    default boolean isReachedByOthers(Path file) {
        try {
            return REACHED_BY_OTHERS.contains(Files.getFileStore(file).type().toLowerCase(Locale.ROOT));
        } catch (IOException e) {
            return false;
        }
    }

    /** What tells this machine from others. */
    default String machine() {
        return Machine.NAME;
    }

    /** How often a sign is renewed. */
    default Duration renewedEvery() {
        return Duration.ofSeconds(3);
    }

    /** Lets so much time go by. */
    default void await(Duration time) throws InterruptedException {
        Thread.sleep(time.toMillis());
    }
}
