package chalktrace.media.file;

import chalktrace.core.work.Workers;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Executor;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * The file of records that a session appends to. Of a long one what no longer counts is left out now and then, beside what is kept
 * meanwhile. Lives on one thread.
 */
final class JournalFile implements AutoCloseable {

    private static final Logger LOG = Logger.getLogger(JournalFile.class.getName());

    /** A drawing whose changes are longer than this and than twice the drawing is written whole again. */
    private static final int LONG_CHANGES_BYTES = 1 << 20;

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
    private static final Executor FOLDER = Workers.one("fold unsaved work");

    /**
     * What was written of a part that still counts.
     *
     * @param whole bytes of it
     * @param steps changes since
     * @param changes bytes of those
     */
    private record Length(int whole, int steps, long changes) {
        static final Length NOTHING = new Length(0, 0, 0);

        Length plus(JournalRecords.Kind kind, int bytes) {
            return kind == JournalRecords.Kind.CHANGE
                    ? new Length(whole, steps + 1, changes + bytes)
                    : new Length(bytes, 0, 0);
        }

        long all() {
            return whole + changes;
        }
    }

    /** What still counts of the first bytes of the journal, in a file of its own. */
    private record Folded(Path file, FileChannel channel, long bytes, long ofFirst) {}

    private final Disk disk;
    private final Path file;
    private final Map<String, Length> lengths = new HashMap<>();
    private FileChannel channel;

    /** By which the file is known again, where the disk gives such keys. */
    private Object key;

    private long end;
    private long counting;

    /** What is being folded at present; null for nothing. */
    private CompletableFuture<Folded> folding;

    /** Whether it was removed while it was written to. */
    private boolean lost;

    private JournalFile(Disk disk, Path file) throws IOException {
        this.disk = disk;
        this.file = file;
        channel = append(file);
    }

    /** Begins one, forced to the disk, with what is in it from the start. */
    static JournalFile begin(Disk disk, Path file, Map<String, JournalParts.Change> first) throws IOException {
        // One of an attempt that failed would be added to.
        Files.deleteIfExists(file);
        JournalFile begun = new JournalFile(disk, file);
        try {
            if (first.isEmpty()) {
                disk.force(begun.channel);
            } else {
                begun.write(first, JournalRecords.Kind.COMMIT);
            }
            begun.key = key(file);
            return begun;
        } catch (IOException e) {
            begun.channel.close();
            throw e;
        }
    }

    /** Goes on in one that is whole. */
    static JournalFile goOn(Disk disk, Path file) throws IOException {
        JournalRecords.Held held = JournalRecords.read(Files.readAllBytes(file));
        if (held.damaged() > 0) {
            throw new IOException(file + " is damaged");
        }
        JournalFile journal = new JournalFile(disk, file);
        journal.key = key(file);
        journal.end = journal.channel.size();
        held.parts().forEach((part, has) -> {
            Length length = new Length(
                    has.bytes().length,
                    has.changes().size(),
                    has.changes().stream().mapToLong(change -> change.length).sum());
            journal.lengths.put(part, length);
            journal.counting += length.all();
        });
        return journal;
    }

    /**
     * Appends what belongs together; when this returns, it is on the disk, and the file is where it was begun.
     *
     * @throws IOException when that can't be said; what was appended before stays
     */
    void append(Map<String, JournalParts.Change> changes, boolean isSaved) throws IOException {
        requireThere();
        write(changes, isSaved ? JournalRecords.Kind.SAVED : JournalRecords.Kind.COMMIT);
        requireThere();
        if (folding != null && folding.isDone()) {
            goOnInFolded();
        } else if (folding == null && end > disk.large() && end > disk.timesWhatCounts() * counting) {
            long first = end;
            folding = CompletableFuture.supplyAsync(() -> folded(first), disk.beside());
        }
    }

    private void write(Map<String, JournalParts.Change> changes, JournalRecords.Kind commit) throws IOException {
        List<byte[]> records = new ArrayList<>();
        int bytes = 0;
        for (Map.Entry<String, JournalParts.Change> change : changes.entrySet()) {
            records.add(JournalRecords.record(
                    change.getValue().kind(), change.getKey(), change.getValue().bytes()));
        }
        records.add(JournalRecords.record(commit, "", new byte[0]));
        for (byte[] record : records) {
            bytes = Math.addExact(bytes, record.length);
        }
        ByteBuffer all = ByteBuffer.allocate(bytes);
        records.forEach(all::put);
        try {
            disk.write(channel, all.flip());
            disk.force(channel);
        } catch (IOException e) {
            // Half a record would hide what comes after it from a reader that stops there.
            channel.truncate(end);
            throw e;
        }
        end += bytes;
        int at = 0;
        for (Map.Entry<String, JournalParts.Change> change : changes.entrySet()) {
            Length before = lengths.getOrDefault(change.getKey(), Length.NOTHING);
            Length now = before.plus(change.getValue().kind(), records.get(at++).length);
            lengths.put(change.getKey(), now);
            counting += now.all() - before.all();
        }
    }

    /** As {@link JournalParts.Steps#next}. */
    int nextStep(String part) {
        Length length = lengths.getOrDefault(part, Length.NOTHING);
        return length.changes > LONG_CHANGES_BYTES && length.changes > 2L * length.whole ? 0 : length.steps + 1;
    }

    /** A file that was removed, or whose folder was, can be written to and is lost all the same. */
    private void requireThere() throws IOException {
        if (lost || !Objects.equals(key, key(file))) {
            // What came last may be in it: changes of what was before that would not fit any more.
            lost = true;
            throw new NoSuchFileException(file.toString(), null, "it was removed or replaced while it was open");
        }
    }

    private static Object key(Path file) throws IOException {
        return Files.readAttributes(file, BasicFileAttributes.class).fileKey();
    }

    /** Writes what still counts of the first bytes to a file of its own. */
    private Folded folded(long first) {
        Path to = file.resolveSibling(".folded");
        try (FileChannel in = FileChannel.open(file, StandardOpenOption.READ)) {
            Files.deleteIfExists(to);
            FileChannel out = append(to);
            try {
                long written = 0;
                for (byte[] record : JournalRecords.read(bytes(in, 0, first)).records()) {
                    disk.write(out, ByteBuffer.wrap(record));
                    written += record.length;
                }
                disk.force(out);
                return new Folded(to, out, written, first);
            } catch (IOException e) {
                out.close();
                Files.deleteIfExists(to);
                throw e;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Adds what was kept while it was folded, and goes on there; where that can't be, the long journal is whole and goes on. */
    private void goOnInFolded() {
        try {
            Folded folded = folding.join();
            try {
                goOnIn(folded);
            } catch (IOException e) {
                folded.channel.close();
                Files.deleteIfExists(folded.file);
                throw e;
            }
        } catch (CompletionException | IOException e) {
            LOG.log(Level.INFO, "unsaved work is not folded", e);
        } finally {
            folding = null;
        }
    }

    private void goOnIn(Folded folded) throws IOException {
        long tail = end - folded.ofFirst;
        Object itsKey = key(folded.file);
        try (FileChannel in = FileChannel.open(file, StandardOpenOption.READ)) {
            disk.write(folded.channel, ByteBuffer.wrap(bytes(in, folded.ofFirst, tail)));
            disk.force(folded.channel);
        }
        WholeFiles.moveIntoPlace(folded.file, file);
        FileChannel old = channel;
        channel = folded.channel;
        key = itsKey;
        end = folded.bytes + tail;
        counting = end;
        try {
            old.close();
        } catch (IOException e) {
            LOG.log(Level.INFO, "the long journal stays open", e);
        }
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

    @Override
    public void close() throws IOException {
        try {
            dropFolding();
        } finally {
            channel.close();
        }
    }
}
