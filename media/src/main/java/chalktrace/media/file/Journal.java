package chalktrace.media.file;

import chalktrace.core.shot.Shot;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * Keeps unsaved work of one session: what has changed since the shot was opened or saved is appended to a file and forced to the disk, part by
 * part, on top of the file as it was then. It costs what changed and not the shot. Each session has a folder of its own that no other
 * touches while its program lives. Lives on one thread.
 */
public final class Journal implements AutoCloseable {

    static final String SESSION = "session.json";

    /** Its lock is held as long as the session lives. */
    static final String HERE = "here";

    /** In the state folder, says where a session lies that is kept beside its shot. */
    static final String WHERE = ".where";

    static final String RECOVERY = ".recovery";

    private static final Logger LOG = Logger.getLogger(Journal.class.getName());
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JournalFile.Disk disk;
    private final Path folder;
    private final Optional<Path> shotFile;

    /** In the state folder, what says where this session is; empty for one that is in there itself. */
    private final Optional<Path> where;

    private final String since = Instant.now().toString();
    private Presence presence;

    /** The shot as it is kept; empty where nothing is kept yet and there is no file under it. */
    private Optional<Shot> last = Optional.empty();

    private int generation;
    private JournalFile file;
    private boolean saved = true;

    private Journal(JournalFile.Disk disk, Path parent, Optional<Path> shotFile, Optional<Path> stateFolder) {
        this.disk = disk;
        this.shotFile = shotFile;
        String name = UUID.randomUUID().toString();
        folder = parent.toAbsolutePath().resolve(name);
        where = stateFolder.map(state -> state.toAbsolutePath().resolve(name + WHERE));
    }

    /** Starts one beside the file of its shot, or where that can't be written to, in the state folder for unsaved work. */
    public static Journal of(Path shotFile, SavedShot opened, Path otherwise) throws IOException {
        return of(JournalFile.Disk.REAL, shotFile, opened, otherwise);
    }

    static Journal of(JournalFile.Disk disk, Path shotFile, SavedShot opened, Path otherwise) throws IOException {
        IOException beside;
        try {
            return beside(disk, shotFile, opened, otherwise);
        } catch (IOException e) {
            beside = e;
        }
        try {
            return apart(disk, shotFile, opened, otherwise);
        } catch (IOException e) {
            e.addSuppressed(beside);
            throw e;
        }
    }

    /**
     * Starts one for a shot that was opened from a file, beside that file.
     *
     * @param opened the shot as it stands in the file
     * @param otherwise the state folder for unsaved work, where it is written down where this is
     * @throws IOException when the file has gone, or nothing can be written there
     */
    public static Journal beside(Path shotFile, SavedShot opened, Path otherwise) throws IOException {
        return beside(JournalFile.Disk.REAL, shotFile, opened, otherwise);
    }

    private static Journal beside(JournalFile.Disk disk, Path shotFile, SavedShot opened, Path otherwise)
            throws IOException {
        Path file = shotFile.toAbsolutePath();
        Journal journal = new Journal(disk, parent(file), Optional.of(file), Optional.of(otherwise));
        return journal.begun(() -> journal.begin(Optional.of(opened), opened.shot(), true));
    }

    /** Starts one for a shot whose own folder can't be written to or has gone, in the state folder for unsaved work. */
    public static Journal apart(Path shotFile, SavedShot opened, Path otherwise) throws IOException {
        return apart(JournalFile.Disk.REAL, shotFile, opened, otherwise);
    }

    private static Journal apart(JournalFile.Disk disk, Path shotFile, SavedShot opened, Path otherwise)
            throws IOException {
        Journal journal = new Journal(disk, otherwise, Optional.of(shotFile.toAbsolutePath()), Optional.empty());
        return journal.begun(() -> journal.begin(Optional.of(opened), opened.shot(), false));
    }

    /** Starts one for a shot that has no file yet. */
    public static Journal untitled(Path otherwise) throws IOException {
        Journal journal = new Journal(JournalFile.Disk.REAL, otherwise, Optional.empty(), Optional.empty());
        return journal.begun(() -> journal.begin(Optional.empty(), null, false));
    }

    /**
     * Goes on with what a session left, which stays as it is: its files are copied, and nothing is written anew.
     *
     * @param recovered all that was left, as {@link Leftover#recover} gave it
     * @throws IOException when it is damaged, or can't be written
     */
    public static Journal continuing(Leftover left, Shot recovered, Path otherwise) throws IOException {
        return continuing(JournalFile.Disk.REAL, left, recovered, otherwise);
    }

    static Journal continuing(JournalFile.Disk disk, Leftover left, Shot recovered, Path otherwise) throws IOException {
        boolean apart = left.folder().getParent().equals(otherwise.toAbsolutePath());
        Journal journal = new Journal(
                disk, left.folder().getParent(), left.shotFile(), apart ? Optional.empty() : Optional.of(otherwise));
        return journal.begun(() -> journal.goOn(left, recovered));
    }

    /** The folder in which sessions of a shot file are kept. */
    static Path parent(Path shotFile) {
        Path real = WholeFiles.real(shotFile);
        return real.resolveSibling("." + real.getFileName() + RECOVERY);
    }

    private interface Step {
        void run() throws IOException;
    }

    private Journal begun(Step begin) throws IOException {
        Path parent = folder.getParent();
        try {
            createIn(parent);
        } catch (NoSuchFileException e) {
            // The last one in it ended just now and took it along.
            createIn(parent);
        }
        WholeFiles.forceFolder(parent);
        WholeFiles.forceFolder(parent.getParent());
        try {
            presence = Presence.take(Drive.REAL, folder.resolve(HERE), false)
                    .mine()
                    .orElseThrow(() -> new IOException("another program is in " + folder));
            begin.run();
        } catch (IOException e) {
            discard();
            throw e;
        }
        sayWhere();
        return this;
    }

    /** What a person draws is nobody else's business. */
    private void createIn(Path parent) throws IOException {
        if (where.isEmpty()) {
            Files.createDirectories(parent);
        } else if (!Files.isDirectory(parent)) {
            // The folder of a shot that was moved away meanwhile is never made anew.
            Files.createDirectory(parent);
        }
        WholeFiles.createPrivate(folder);
    }

    private void sayWhere() {
        where.ifPresent(says -> {
            try {
                Files.createDirectories(says.getParent());
                Files.writeString(says, folder.toString());
            } catch (IOException e) {
                // It is found beside the shot all the same, if that stays.
                LOG.log(Level.INFO, "it is not written down where " + folder + " is", e);
            }
        });
    }

    /**
     * Copies the file as it is now, starts a journal on it that holds what came since, and only when both are on the disk names them in
     * the session's document: until then what was kept before counts. A link would change with what others write into the file.
     *
     * @param needsFile whether the file has to be readable; else all of the shot is kept where it is not
     */
    private void begin(Optional<SavedShot> inTheFile, Shot now, boolean needsFile) throws IOException {
        int next = generation + 1;
        boolean based = inTheFile.isPresent() && copyFile(inTheFile.get().mark(), next, needsFile);
        Optional<Shot> under = based ? inTheFile.map(SavedShot::shot) : Optional.empty();
        boolean isSaved = inTheFile.isEmpty() || inTheFile.get().shot() == now;
        Map<String, JournalParts.Change> first =
                isSaved ? Map.of() : JournalParts.changed(under, now, path(), key -> 1);
        JournalFile fresh = JournalFile.begin(disk, folder.resolve("journal-" + next), first);
        try {
            WholeFiles.forceFolder(folder);
            name(next, based);
        } catch (IOException e) {
            fresh.close();
            throw e;
        }
        if (file != null) {
            file.close();
        }
        file = fresh;
        saved = isSaved;
        last = isSaved ? under : Optional.of(now);
        int old = generation;
        generation = next;
        Files.deleteIfExists(folder.resolve("journal-" + old));
        Files.deleteIfExists(folder.resolve("base-" + old));
    }

    /** @return whether the file is as it should be, and was copied */
    private boolean copyFile(Optional<FileMark> expected, int next, boolean needed) throws IOException {
        Path copy = folder.resolve("base-" + next);
        try {
            WholeFiles.copy(shotFile.orElseThrow(), copy);
            if (expected.isEmpty() || expected.get().equals(FileMark.of(copy))) {
                return true;
            }
        } catch (IOException e) {
            if (needed) {
                throw e;
            }
            LOG.log(Level.INFO, "unsaved work is kept without the file under it", e);
        }
        // Another program has written into the file: what is kept are not changes of that.
        Files.deleteIfExists(copy);
        return false;
    }

    private void goOn(Leftover left, Shot recovered) throws IOException {
        Leftover.Parts of = left.files();
        if (of.base().isPresent()) {
            WholeFiles.copy(of.base().get(), folder.resolve("base-1"));
        }
        Path journal = folder.resolve("journal-1");
        WholeFiles.copy(of.journal(), journal);
        file = JournalFile.goOn(disk, journal);
        WholeFiles.forceFolder(folder);
        ObjectNode session = of.session().deepCopy();
        write(session.put("generation", 1).put("since", since));
        generation = 1;
        saved = false;
        last = Optional.of(recovered);
    }

    private void name(int number, boolean based) throws IOException {
        ObjectNode session = JSON.createObjectNode();
        session.put("shot", shotFile.map(Path::toString).orElse(null))
                .put("since", since)
                .put("generation", number)
                .put("base", based);
        if (based) {
            Path base = folder.resolve("base-" + number);
            FileMark mark = FileMark.of(base);
            session.put("baseModified", modified(base))
                    .put("baseBytes", mark.bytes())
                    .put("baseSum", mark.sum())
                    .put("baseKey", WholeFiles.key(shotFile.orElseThrow()).orElse(null));
        }
        write(session);
    }

    /** When the shot file was last saved; where that has gone, its copy. */
    private long modified(Path copy) throws IOException {
        try {
            return Files.getLastModifiedTime(shotFile.orElseThrow()).toMillis();
        } catch (IOException e) {
            return Files.getLastModifiedTime(copy).toMillis();
        }
    }

    private void write(ObjectNode session) throws IOException {
        Path temporary = folder.resolve("." + SESSION);
        try (FileChannel out = FileChannel.open(
                temporary, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            disk.write(out, ByteBuffer.wrap(JSON.writeValueAsBytes(session)));
            out.force(true);
        }
        WholeFiles.moveIntoPlace(temporary, folder.resolve(SESSION));
    }

    /**
     * Keeps the shot as it is now; when this returns, it is on the disk.
     *
     * @param isSaved whether it is what stands in the file, so that nothing is to be recovered
     * @throws IOException when it could not be written, or its folder was removed; what was kept before stays
     */
    public void keep(Shot shot, boolean isSaved) throws IOException {
        if (isSaved == saved && (last.isEmpty() || last.get() == shot)) {
            return;
        }
        file.append(JournalParts.changed(last, shot, path(), file::nextStep), isSaved);
        last = Optional.of(shot);
        saved = isSaved;
    }

    /**
     * The file was saved: from now on it is what changes are changes of. What came since it began to be saved is on the disk before
     * what was kept until now goes.
     *
     * @param shot as it stands in the file
     * @param now as it is by now
     */
    public void saved(SavedShot shot, Shot now) throws IOException {
        begin(Optional.of(shot), now, where.isPresent());
    }

    private UnaryOperator<String> path() {
        Path beside = shotFile.orElse(folder);
        return path -> MediaPaths.toFile(path, beside);
    }

    /** Whether it is kept beside its shot if that has a file, and not in the state folder. */
    public boolean isWhereItBelongs() {
        return where.isPresent() || shotFile.isEmpty();
    }

    /** In which it is kept. */
    public Path folder() {
        return folder;
    }

    /** Ends it and leaves what it holds. */
    @Override
    public void close() throws IOException {
        try {
            file.close();
        } finally {
            presence.close();
        }
    }

    /** Ends it and removes what it holds: the work was saved, or is to be forgotten. */
    public void discard() {
        try {
            if (file != null) {
                file.close();
            }
        } catch (IOException e) {
            // It goes anyway.
        }
        // Without its document it is none that was left, also before all of it has gone.
        Leftover.removeQuietly(folder.resolve(SESSION));
        if (presence != null) {
            presence.close();
        }
        Leftover.remove(folder);
        where.ifPresent(Leftover::removeQuietly);
    }
}
