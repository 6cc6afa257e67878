package chalktrace.media.file;

import chalktrace.core.shot.Shot;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.function.UnaryOperator;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * Keeps unsaved work of one session: what has changed since the shot was opened or saved is appended to a file and forced to the disk, part by
 * part, on top of the file as it was then. It costs what changed and not the shot. Each session has a folder of its own that no other
 * touches while its process runs. Lives on one thread.
 */
public final class Journal implements AutoCloseable {

    static final String SESSION = "session.json";

    private static final Logger LOG = Logger.getLogger(Journal.class.getName());
    private static final ObjectMapper JSON = new ObjectMapper();

    /** Where bytes go; tests put a full disk or one that forgets what was not forced here. */
    interface Disk {
        Disk REAL = new Disk() {};

        default void write(FileChannel channel, ByteBuffer bytes) throws IOException {
            while (bytes.hasRemaining()) {
                channel.write(bytes);
            }
        }

        /** Runs what is done beside the keeping. */
        default Executor beside() {
            return FOLDER;
        }

        /** From how many bytes on a journal is folded. */
        default long large() {
            return 32L << 20;
        }

        /** A journal that is large is folded when it is so many times as long as what still counts of it. */
        default int timesWhatCounts() {
            return 4;
        }

        default void force(FileChannel channel) throws IOException {
            channel.force(true);
        }
    }

    /** Folds journals beside what is kept meanwhile. */
    private static final Executor FOLDER = Executors.newSingleThreadExecutor(run -> {
        Thread thread = new Thread(run, "fold unsaved work");
        thread.setDaemon(true);
        return thread;
    });

    /** What still counts of the first bytes of the journal, in a file of its own. */
    private record Folded(Path file, FileChannel channel, long bytes, long ofFirst) {}

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

    /** What is being folded at present; null for nothing. */
    private CompletableFuture<Folded> folding;

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

    private static final String RECOVERY = ".recovery";

    /** The folder in which sessions of a shot file are kept. */
    static Path parent(Path shotFile) {
        Path real = WholeFiles.real(shotFile);
        return real.resolveSibling("." + real.getFileName() + RECOVERY);
    }

    private static Path newFolder(Path parent) {
        return parent.toAbsolutePath().resolve(UUID.randomUUID().toString());
    }

    private static Journal begun(Journal journal) throws IOException {
        Path parent = journal.folder.getParent();
        if (parent.getFileName().toString().endsWith(RECOVERY)) {
            // A shot's own folder that was moved away meanwhile is never made anew.
            if (!Files.isDirectory(parent)) {
                Files.createDirectory(parent);
            }
            Files.createDirectory(journal.folder);
        } else {
            Files.createDirectories(journal.folder);
        }
        WholeFiles.forceFolder(parent);
        WholeFiles.forceFolder(parent.getParent());
        try {
            journal.begin(journal.last, journal.last);
        } catch (IOException e) {
            journal.discard();
            throw e;
        }
        return journal;
    }

    /**
     * Copies the file as it is now, starts a journal on it that holds what came since, and only when both are on the disk names them in
     * the session's document: until then what was kept before counts. A link would change with what others write into the file.
     */
    private void begin(Optional<Shot> inTheFile, Optional<Shot> now) throws IOException {
        dropFolding();
        int next = generation + 1;
        if (shotFile.isPresent()) {
            WholeFiles.copy(shotFile.get(), folder.resolve("base-" + next));
        }
        boolean isSaved = inTheFile.isEmpty() || inTheFile.get() == now.get();
        Records since = isSaved ? Records.NONE : Records.of(ShotParts.changed(inTheFile, now.get(), path()), false);
        Path journal = folder.resolve("journal-" + next);
        // One of an attempt that failed would be added to.
        Files.deleteIfExists(journal);
        FileChannel fresh = append(journal);
        try {
            write(fresh, since.all);
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
        end = since.all.length;
        counting = 0;
        lengths.clear();
        count(since);
        saved = isSaved;
        last = now;
        int old = generation;
        generation = next;
        Files.deleteIfExists(folder.resolve("journal-" + old));
        Files.deleteIfExists(folder.resolve("base-" + old));
    }

    /**
     * What a journal holds of changed parts.
     *
     * @param lengths of each part's record
     * @param all of them, and the one that makes them count
     */
    private record Records(Map<String, Integer> lengths, byte[] all) {

        static final Records NONE = new Records(Map.of(), new byte[0]);

        static Records of(Map<String, Optional<byte[]>> changed, boolean isSaved) {
            int bytes = 0;
            Map<String, Integer> lengths = new HashMap<>();
            List<byte[]> records = new ArrayList<>();
            for (Map.Entry<String, Optional<byte[]>> part : changed.entrySet()) {
                byte[] record = JournalRecords.record(
                        part.getValue().isPresent() ? JournalRecords.Kind.PART : JournalRecords.Kind.GONE,
                        part.getKey(),
                        part.getValue().orElse(new byte[0]));
                records.add(record);
                lengths.put(part.getKey(), record.length);
                bytes = Math.addExact(bytes, record.length);
            }
            byte[] commit = JournalRecords.record(
                    isSaved ? JournalRecords.Kind.SAVED : JournalRecords.Kind.COMMIT, "", new byte[0]);
            ByteBuffer all = ByteBuffer.allocate(Math.addExact(bytes, commit.length));
            records.forEach(all::put);
            return new Records(lengths, all.put(commit).array());
        }
    }

    private void count(Records records) {
        records.lengths.forEach((key, length) -> {
            Integer before = lengths.put(key, length);
            counting += length - (before == null ? 0 : before);
        });
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
        Records records = Records.of(ShotParts.changed(last, shot, path()), isSaved);
        append(records.all);
        count(records);
        last = Optional.of(shot);
        saved = isSaved;
        if (folding != null && folding.isDone()) {
            goOnInFolded();
        } else if (folding == null && end > disk.large() && end > disk.timesWhatCounts() * counting) {
            Path now = folder.resolve("journal-" + generation);
            long first = end;
            folding = CompletableFuture.supplyAsync(() -> folded(now, first), disk.beside());
        }
    }

    /**
     * The file was saved: from now on it is what changes are changes of. What came since it began to be saved is on the disk before
     * what was kept until now goes.
     *
     * @param shot as it stands in the file
     * @param now as it is by now
     */
    public void saved(Shot shot, Shot now) throws IOException {
        begin(Optional.of(shot), Optional.of(now));
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

    /** Writes what still counts of a journal's first bytes to a file of its own. */
    private Folded folded(Path journal, long first) {
        Path file = folder.resolve(".folded");
        try (FileChannel in = FileChannel.open(journal, StandardOpenOption.READ)) {
            JournalRecords.Held held = JournalRecords.read(bytes(in, 0, first));
            Files.deleteIfExists(file);
            FileChannel out = append(file);
            try {
                long written = 0;
                for (Map.Entry<String, JournalRecords.Held.Part> part :
                        held.parts().entrySet()) {
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
                                held.saved() ? JournalRecords.Kind.SAVED : JournalRecords.Kind.COMMIT,
                                "",
                                new byte[0]));
                disk.force(out);
                return new Folded(file, out, written, first);
            } catch (IOException e) {
                out.close();
                Files.deleteIfExists(file);
                throw e;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Adds what was kept while it was folded, and goes on there. */
    private void goOnInFolded() throws IOException {
        Path now = folder.resolve("journal-" + generation);
        Folded folded;
        try {
            folded = folding.join();
        } catch (CompletionException e) {
            // The long journal is whole, and goes on.
            LOG.log(Level.INFO, "unsaved work is not folded", e);
            return;
        } finally {
            folding = null;
        }
        long tail = end - folded.ofFirst;
        try (FileChannel in = FileChannel.open(now, StandardOpenOption.READ)) {
            write(folded.channel, bytes(in, folded.ofFirst, tail));
            disk.force(folded.channel);
            WholeFiles.moveIntoPlace(folded.file, now);
        } catch (IOException e) {
            folded.channel.close();
            Files.deleteIfExists(folded.file);
            throw e;
        }
        channel.close();
        channel = folded.channel;
        end = folded.bytes + tail;
        counting = end;
    }

    private void dropFolding() throws IOException {
        if (folding == null) {
            return;
        }
        try {
            Folded folded = folding.join();
            folded.channel.close();
            Files.deleteIfExists(folded.file);
        } catch (CompletionException e) {
            LOG.log(Level.INFO, "unsaved work is not folded", e);
        }
        folding = null;
    }

    private static byte[] bytes(FileChannel in, long from, long count) throws IOException {
        ByteBuffer all = ByteBuffer.allocate(Math.toIntExact(count));
        while (all.hasRemaining() && in.read(all, from + all.position()) >= 0) {
            continue;
        }
        return all.array();
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
        dropFolding();
        channel.close();
    }

    /** Ends it and removes what it holds: the work was saved, or is to be forgotten. */
    public void discard() {
        try {
            dropFolding();
            if (channel != null) {
                channel.close();
            }
        } catch (IOException e) {
            // It goes anyway.
        }
        Leftover.remove(folder);
    }
}
