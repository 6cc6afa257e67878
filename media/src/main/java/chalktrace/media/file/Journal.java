package chalktrace.media.file;

import chalktrace.core.shot.Shot;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;

/**
 * Keeps unsaved work of one session: what has changed since the shot was opened or saved is appended to a file and forced to the disk, part by
 * part, on top of the file as it was then. It costs what changed and not the shot. Each session has a folder of its own that no other
 * touches while its process runs. Lives on one thread.
 */
public final class Journal implements AutoCloseable {

    static final String SESSION = "session.json";

    /** A journal that is large is folded when less than this part of it still counts. */
    private static final int STILL_COUNTS = 4;

    private static final ObjectMapper JSON = new ObjectMapper();

    /** Where bytes go; tests put a full disk or one that forgets what was not forced here. */
    interface Disk {
        Disk REAL = new Disk() {};

        default void write(FileChannel channel, ByteBuffer bytes) throws IOException {
            while (bytes.hasRemaining()) {
                channel.write(bytes);
            }
        }

        /** From how many bytes on a journal is folded. */
        default long large() {
            return 32L << 20;
        }

        default void force(FileChannel channel) throws IOException {
            channel.force(true);
        }
    }

    private final Disk disk;
    private final Path folder;
    private final Optional<Path> shotFile;
    private final String since = Instant.now().toString();
    private final Map<String, Integer> lengths = new HashMap<>();
    private Optional<Shot> last;
    private int generation;
    private FileChannel channel;
    private long end;
    private long counting;
    private boolean saved = true;

    private Journal(Disk disk, Path folder, Optional<Path> shotFile, Optional<Shot> opened) {
        this.disk = disk;
        this.folder = folder;
        this.shotFile = shotFile;
        this.last = opened;
    }

    /**
     * Starts one for a shot that was opened from a file, beside that file; where it can't be written there, in another folder.
     *
     * @param opened the shot as it stands in the file
     * @param otherwise the folder for sessions of files whose own folder can't be written to
     */
    public static Journal of(Path shotFile, Shot opened, Path otherwise) throws IOException {
        return of(Disk.REAL, shotFile, opened, otherwise);
    }

    static Journal of(Disk disk, Path shotFile, Shot opened, Path otherwise) throws IOException {
        Path file = shotFile.toAbsolutePath();
        IOException beside;
        if (!Files.exists(file)) {
            // Its folder may have been moved, and is never made anew: what is drawn is kept as that of a shot without a
            // file.
            return begun(new Journal(disk, newFolder(otherwise), Optional.empty(), Optional.empty()));
        }
        try {
            return begun(new Journal(disk, newFolder(parent(file)), Optional.of(file), Optional.of(opened)));
        } catch (IOException e) {
            beside = e;
        }
        try {
            return begun(new Journal(disk, newFolder(otherwise), Optional.of(file), Optional.of(opened)));
        } catch (IOException e) {
            e.addSuppressed(beside);
            throw e;
        }
    }

    /** Starts one for a shot that has no file yet. */
    public static Journal untitled(Path folder) throws IOException {
        return begun(new Journal(Disk.REAL, newFolder(folder), Optional.empty(), Optional.empty()));
    }

    /** The folder in which sessions of a shot file are kept. */
    static Path parent(Path shotFile) {
        return shotFile.toAbsolutePath().resolveSibling("." + shotFile.getFileName() + ".recovery");
    }

    private static Path newFolder(Path parent) {
        return parent.toAbsolutePath().resolve(UUID.randomUUID().toString());
    }

    private static Journal begun(Journal journal) throws IOException {
        Files.createDirectories(journal.folder);
        Path parent = journal.folder.getParent();
        WholeFiles.forceFolder(parent);
        WholeFiles.forceFolder(parent.getParent());
        try {
            journal.begin();
        } catch (IOException e) {
            journal.discard();
            throw e;
        }
        return journal;
    }

    /** Links the file as it is now, starts an empty journal on it, and only then names both in the session's document. */
    private void begin() throws IOException {
        int next = generation + 1;
        if (shotFile.isPresent()) {
            Path base = folder.resolve("base-" + next);
            Files.deleteIfExists(base);
            try {
                Files.createLink(base, shotFile.get().toRealPath());
            } catch (UnsupportedOperationException | IOException e) {
                WholeFiles.copy(shotFile.get(), base);
            }
        }
        FileChannel fresh = append(folder.resolve("journal-" + next));
        try {
            disk.force(fresh);
            WholeFiles.forceFolder(folder);
            name(next);
        } catch (IOException e) {
            fresh.close();
            throw e;
        }
        if (channel != null) {
            channel.close();
        }
        channel = fresh;
        end = 0;
        counting = 0;
        lengths.clear();
        saved = true;
        int old = generation;
        generation = next;
        Files.deleteIfExists(folder.resolve("journal-" + old));
        Files.deleteIfExists(folder.resolve("base-" + old));
    }

    private void name(int number) throws IOException {
        ObjectNode session = ProcessMark.own().write(JSON.createObjectNode());
        session.put("shot", shotFile.map(Path::toString).orElse(null))
                .put("since", since)
                .put("generation", number)
                .put("base", shotFile.isPresent());
        if (shotFile.isPresent()) {
            session.put(
                    "baseModified", Files.getLastModifiedTime(shotFile.get()).toMillis());
        }
        Path temporary = folder.resolve("." + SESSION);
        try (FileChannel out = FileChannel.open(
                temporary, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            write(out, JSON.writeValueAsBytes(session));
            out.force(true);
        }
        WholeFiles.moveIntoPlace(temporary, folder.resolve(SESSION));
    }

    /**
     * Keeps the shot as it is now; when this returns, it is on the disk.
     *
     * @param isSaved whether it is what stands in the file, so that nothing is to be recovered
     * @throws IOException when it could not be written; what was kept before stays
     */
    public void keep(Shot shot, boolean isSaved) throws IOException {
        if (isSaved == saved && (last.isEmpty() || last.get() == shot)) {
            return;
        }
        Map<String, Optional<byte[]>> changed = ShotParts.changed(last, shot, path());
        int bytes = 0;
        Map<String, byte[]> records = new HashMap<>();
        for (Map.Entry<String, Optional<byte[]>> part : changed.entrySet()) {
            byte[] record = JournalRecords.record(
                    part.getValue().isPresent() ? JournalRecords.Kind.PART : JournalRecords.Kind.GONE,
                    part.getKey(),
                    part.getValue().orElse(new byte[0]));
            records.put(part.getKey(), record);
            bytes = Math.addExact(bytes, record.length);
        }
        byte[] commit = JournalRecords.record(
                isSaved ? JournalRecords.Kind.SAVED : JournalRecords.Kind.COMMIT, "", new byte[0]);
        ByteBuffer all = ByteBuffer.allocate(Math.addExact(bytes, commit.length));
        records.values().forEach(all::put);
        append(all.put(commit).array());
        records.forEach((key, record) -> {
            Integer before = lengths.put(key, record.length);
            counting += record.length - (before == null ? 0 : before);
        });
        last = Optional.of(shot);
        saved = isSaved;
        if (end > disk.large() && end > STILL_COUNTS * counting) {
            fold();
        }
    }

    /** The shot was saved like this: from now on the file is what changes are changes of. */
    public void saved(Shot shot) throws IOException {
        begin();
        last = Optional.of(shot);
    }

    private void append(byte[] bytes) throws IOException {
        try {
            write(channel, bytes);
            disk.force(channel);
            end += bytes.length;
        } catch (IOException e) {
            // Half a record would hide what comes after it from a reader that stops there.
            channel.truncate(end);
            throw e;
        }
    }

    /** Writes what still counts to a journal of its own and goes on there. */
    private void fold() throws IOException {
        Path now = folder.resolve("journal-" + generation);
        Path folded = folder.resolve(".folded");
        JournalRecords.Held held = JournalRecords.read(Files.readAllBytes(now));
        Files.deleteIfExists(folded);
        FileChannel out = append(folded);
        long written = 0;
        try {
            for (Map.Entry<String, JournalRecords.Held.Part> part : held.parts().entrySet()) {
                byte[] bytes = part.getValue().bytes();
                written += write(
                        out,
                        JournalRecords.record(
                                bytes == null ? JournalRecords.Kind.GONE : JournalRecords.Kind.PART,
                                part.getKey(),
                                bytes == null ? new byte[0] : bytes));
            }
            written += write(
                    out,
                    JournalRecords.record(
                            saved ? JournalRecords.Kind.SAVED : JournalRecords.Kind.COMMIT, "", new byte[0]));
            disk.force(out);
            WholeFiles.moveIntoPlace(folded, now);
        } catch (IOException e) {
            out.close();
            Files.deleteIfExists(folded);
            throw e;
        }
        channel.close();
        channel = out;
        end = written;
        counting = written;
    }

    private static FileChannel append(Path file) throws IOException {
        return FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.APPEND);
    }

    private int write(FileChannel out, byte[] bytes) throws IOException {
        disk.write(out, ByteBuffer.wrap(bytes));
        return bytes.length;
    }

    private UnaryOperator<String> path() {
        Path beside = shotFile.orElse(folder);
        return path -> MediaPaths.toFile(path, beside);
    }

    Path folder() {
        return folder;
    }

    /** Ends it and leaves what it holds. */
    @Override
    public void close() throws IOException {
        channel.close();
    }

    /** Ends it and removes what it holds: the work was saved, or is to be forgotten. */
    public void discard() {
        try {
            if (channel != null) {
                channel.close();
            }
        } catch (IOException e) {
            // It goes anyway.
        }
        Leftover.remove(folder);
    }
}
