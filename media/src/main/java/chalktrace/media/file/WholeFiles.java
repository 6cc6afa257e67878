package chalktrace.media.file;

import java.io.IOException;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Optional;
import java.util.Set;

/** Puts a file in its place as a whole. */
public final class WholeFiles {

    private WholeFiles() {}

    /** Moves a file that is written and forced to where it belongs: at any moment the old one or the new one is there. */
    static void moveIntoPlace(Path temporary, Path target) throws IOException {
        move(temporary, target);
        forceFolder(target.toAbsolutePath().getParent());
    }

    /** As {@link #moveIntoPlace}, of what can be made anew if the power is cut. */
    static void move(Path temporary, Path target) throws IOException {
        try {
            Files.move(temporary, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(temporary, target, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** Where a file really lies, whatever links lead to it; one that is not there, where it would be. */
    public static Path real(Path file) {
        try {
            return file.toRealPath();
        } catch (IOException e) {
            Path whole = file.toAbsolutePath().normalize();
            return whole.getParent() == null ? whole : real(whole.getParent()).resolve(whole.getFileName());
        }
    }

    /** By what the disk knows a file, whatever its name; empty where it gives no such keys. */
    static Optional<String> key(Path file) {
        try {
            return Optional.ofNullable(Files.readAttributes(file, BasicFileAttributes.class)
                            .fileKey())
                    .map(Object::toString);
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** Copies a file, and forces the copy. */
    static void copy(Path from, Path to) throws IOException {
        try (FileChannel copied = FileChannel.open(
                to, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            Files.copy(from, Channels.newOutputStream(copied));
            copied.force(true);
        }
    }

    /**
     * Forces the names in a folder to the disk: a file that was forced can still be without a name after the power was cut. A system that
     * opens no folders, as Windows does not, keeps names by itself.
     */
    static void forceFolder(Path folder) {
        try (FileChannel names = FileChannel.open(folder, StandardOpenOption.READ)) {
            names.force(true);
        } catch (IOException e) {
            // It can't be done there, and the files in it are as they should be.
        }
    }

    /** Makes a folder that only its user can look into, where the system has such a thing. */
    static void createPrivate(Path folder) throws IOException {
        create(folder, PosixFilePermissions.fromString("rwx------"));
    }

    /** Makes a folder into which those can look who can read a file, where the system has such a thing. */
    static void createLike(Path folder, Path file) throws IOException {
        Set<PosixFilePermission> may = PosixFilePermissions.fromString("rwx------");
        if (file.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Set<PosixFilePermission> reads = Files.getPosixFilePermissions(file);
            if (reads.contains(PosixFilePermission.GROUP_READ)) {
                may.addAll(PosixFilePermissions.fromString("---r-x---"));
            }
            if (reads.contains(PosixFilePermission.OTHERS_READ)) {
                may.addAll(PosixFilePermissions.fromString("------r-x"));
            }
        }
        create(folder, may);
    }

    private static void create(Path folder, Set<PosixFilePermission> may) throws IOException {
        if (folder.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.createDirectory(folder, PosixFilePermissions.asFileAttribute(may));
        } else {
            Files.createDirectory(folder);
        }
    }
}
