package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * The folder in which proxies are kept between sessions, within a limit: those that were not used for longest go first. A
 * proxy is named for the contents of its source, so that a moved file finds its own and a changed one does not. Safe for
 * threads.
 */
public final class ProxyShelf {

    private static final String ENDING = ".proxy";

    private final Set<Path> inUse = new HashSet<>();
    private Path folder;
    private long limitBytes;

    public ProxyShelf(Path folder, long limitBytes) {
        this.folder = folder;
        this.limitBytes = limitBytes;
    }

    public synchronized Path folder() {
        return folder;
    }

    public synchronized long limitBytes() {
        return limitBytes;
    }

    /**
     * Opens the proxy of footage, or begins one; it counts as in use until {@link #putBack}.
     *
     * @param footage the file, or one of the files of a run, or its folder
     * @throws UnwritableException when the folder can't be written to
     */
    public synchronized Proxy take(Path footage, Reference reference) throws UnwritableException {
        Path file = folder.resolve(nameFor(footage) + ENDING);
        try {
            Files.createDirectories(folder);
            Proxy proxy = Proxy.open(file, reference);
            Files.setLastModifiedTime(file, FileTime.from(Instant.now()));
            inUse.add(file);
            return proxy;
        } catch (IOException e) {
            throw UnwritableException.of(file, "written", "Choose another folder for proxies.", e);
        }
    }

    /** Closes a proxy that was taken. */
    public synchronized void putBack(Proxy proxy) {
        proxy.close();
        inUse.remove(proxy.file());
    }

    /** What all proxies take on the disk, in bytes. */
    public synchronized long bytes() {
        return kept().stream().mapToLong(ProxyShelf::size).sum();
    }

    /** Throws away all proxies that are not in use. @return how many bytes are free again */
    public synchronized long empty() {
        return throwAway(0);
    }

    /** Sets the limit, and throws away what lies over it. @return how many bytes are free again */
    public synchronized long limit(long bytes) {
        limitBytes = bytes;
        return tidy();
    }

    /** Throws away what lies over the limit. @return how many bytes are free again */
    public synchronized long tidy() {
        return throwAway(limitBytes);
    }

    /**
     * Keeps proxies in another folder from now on, and moves there what is not in use; the rest follows when it is next
     * made.
     *
     * @throws UnwritableException when that folder can't be written to; then nothing is changed
     */
    public synchronized void moveTo(Path other) throws UnwritableException {
        Path target = other.toAbsolutePath().normalize();
        try {
            Files.createDirectories(target);
            Files.delete(Files.createTempFile(target, "proxy", ".try"));
        } catch (IOException e) {
            throw UnwritableException.of(
                    target, "used for proxies", "They stay where they are: choose a folder that can be written to.", e);
        }
        List<Path> before = kept();
        folder = target;
        for (Path file : before) {
            if (!inUse.contains(file)) {
                try {
                    Files.move(file, target.resolve(file.getFileName()), StandardCopyOption.REPLACE_EXISTING);
                } catch (IOException e) {
                    throw UnwritableException.of(
                            target, "filled", "Proxies that were not moved are made anew when they are needed.", e);
                }
            }
        }
    }

    private long throwAway(long downTo) {
        List<Path> oldestFirst = new ArrayList<>(kept());
        oldestFirst.sort(Comparator.comparing(ProxyShelf::lastUsed));
        long all = oldestFirst.stream().mapToLong(ProxyShelf::size).sum();
        long freed = 0;
        for (Path file : oldestFirst) {
            if (all - freed <= downTo) {
                break;
            }
            if (!inUse.contains(file)) {
                long size = size(file);
                try {
                    Files.deleteIfExists(file);
                    freed += size;
                } catch (IOException e) {
                    // Another window may have it open; it is tried again the next time.
                    continue;
                }
            }
        }
        return freed;
    }

    private List<Path> kept() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.getFileName().toString().endsWith(ENDING))
                    .toList();
        } catch (IOException e) {
            return List.of();
        }
    }

    private static String nameFor(Path footage) {
        try {
            return References.cacheKey(footage);
        } catch (UnreadableException e) {
            return "unknown";
        }
    }

    private static long size(Path file) {
        try {
            return Files.size(file);
        } catch (IOException e) {
            return 0;
        }
    }

    private static FileTime lastUsed(Path file) {
        try {
            return Files.getLastModifiedTime(file);
        } catch (IOException e) {
            return FileTime.fromMillis(0);
        }
    }
}
