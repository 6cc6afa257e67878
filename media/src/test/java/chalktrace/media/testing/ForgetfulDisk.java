package chalktrace.media.testing;

import com.google.common.jimfs.Configuration;
import com.google.common.jimfs.Jimfs;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.OpenOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileAttribute;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * A disk in memory, of a size of one's choice, that knows what would be left of it when the power is cut: of each file what was forced,
 * under the names that its folder had when that was forced. It can only be reached through paths, not through files of the machine's own
 * disk.
 */
public final class ForgetfulDisk extends WrappedFileSystem {

    private final FileSystem inner;
    private final Map<Object, byte[]> forced = new HashMap<>();

    /** By folder, the names in it and which file or folder each led to, as last forced. */
    private final Map<Object, Map<String, Object>> names = new HashMap<>();

    private final Set<Object> folders = new HashSet<>();
    private Runnable afterEachChange = () -> {};

    public ForgetfulDisk(long bytes) {
        super(memory(bytes));
        this.inner = inner();
        forceFolder(inner.getPath("/"));
    }

    private static FileSystem memory(long bytes) {
        return Jimfs.newFileSystem(Configuration.unix().toBuilder()
                .setMaxSize(bytes)
                .setBlockSize(512)
                .setAttributeViews("basic", "posix")
                .build());
    }

    /** Hears of each change: a piece written, a file forced, moved or removed. */
    public void afterEachChange(Runnable then) {
        afterEachChange = then;
    }

    @Override
    void changed() {
        afterEachChange.run();
    }

    /** What is on it now, as after the end of the process alone. */
    public FileSystem asWritten() {
        FileSystem copy = memory(1L << 30);
        try (Stream<Path> all = Files.walk(inner.getPath("/"))) {
            for (Path path : all.toList()) {
                put(copy, path.toString(), Files.isDirectory(path) ? null : Files.readAllBytes(path));
            }
            return copy;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * What is left when the power is cut now.
     *
     * @param random of each file, whether it has what was written since it was forced as well, all of it or some; null for nothing of it
     */
    public FileSystem afterAPowerCut(Random random) {
        FileSystem copy = memory(1L << 30);
        try {
            Map<Object, byte[]> written = random == null ? Map.of() : contents();
            leave(copy, key(inner.getPath("/")), "", written, random);
            return copy;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void leave(FileSystem to, Object folder, String at, Map<Object, byte[]> written, Random random)
            throws IOException {
        put(to, at + "/", null);
        for (Map.Entry<String, Object> name :
                names.getOrDefault(folder, Map.of()).entrySet()) {
            Object key = name.getValue();
            String path = at + "/" + name.getKey();
            if (folders.contains(key)) {
                leave(to, key, path, written, random);
            } else {
                byte[] safe = forced.getOrDefault(key, new byte[0]);
                byte[] all = written.getOrDefault(key, safe);
                boolean grown =
                        all.length >= safe.length && Arrays.mismatch(safe, 0, safe.length, all, 0, safe.length) < 0;
                int length = random == null || !grown
                        ? safe.length
                        : safe.length + random.nextInt(all.length - safe.length + 1);
                put(to, path, Arrays.copyOf(grown ? all : safe, length));
            }
        }
    }

    private Map<Object, byte[]> contents() throws IOException {
        Map<Object, byte[]> all = new HashMap<>();
        try (Stream<Path> paths = Files.walk(inner.getPath("/"))) {
            for (Path path : paths.filter(Files::isRegularFile).toList()) {
                all.put(key(path), Files.readAllBytes(path));
            }
        }
        return all;
    }

    private static void put(FileSystem to, String path, byte[] bytes) throws IOException {
        Path place = to.getPath(path);
        if (bytes == null) {
            Files.createDirectories(place);
        } else {
            Files.write(place, bytes);
        }
    }

    private static Object key(Path path) throws IOException {
        return Files.readAttributes(path, BasicFileAttributes.class).fileKey();
    }

    private void forceFolder(Path folder) {
        try (Stream<Path> inIt = Files.list(folder)) {
            Map<String, Object> now = new TreeMap<>();
            for (Path path : inIt.toList()) {
                now.put(path.getFileName().toString(), key(path));
                if (Files.isDirectory(path)) {
                    folders.add(key(path));
                }
            }
            folders.add(key(folder));
            names.put(key(folder), now);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    FileChannel open(Path path, Set<? extends OpenOption> options, FileAttribute<?>... attributes) throws IOException {
        if (Files.isDirectory(path)) {
            return new WrappedChannel(null, () -> {}, () -> {
                forceFolder(path);
                changed();
            });
        }
        FileChannel channel = FileChannel.open(path, options, attributes);
        if (options.contains(StandardOpenOption.WRITE) || options.contains(StandardOpenOption.APPEND)) {
            changed();
        }
        Object key = key(path);
        FileChannel reading = FileChannel.open(path, StandardOpenOption.READ);
        return new WrappedChannel(channel, this::changed, () -> {
            ByteBuffer all = ByteBuffer.allocate((int) reading.size());
            reading.read(all, 0);
            forced.put(key, all.array());
            changed();
        });
    }
}
