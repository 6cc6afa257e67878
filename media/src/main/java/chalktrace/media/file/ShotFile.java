package chalktrace.media.file;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotTree;
import chalktrace.core.tree.WrongField;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.footage.ContentMark;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Collection;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A shot in its file: a ZIP of one JSON document and an SVG for each drawing. The object stays with the open document: it
 * keeps what the file holds beyond what this version knows, and the packed drawings, which the next save takes as they
 * are where they did not change. Lives on one thread at a time.
 */
public final class ShotFile {

    /** The ending of a shot file's name. */
    public static final String ENDING = ".chalk";

    static final String DOCUMENT = "shot.json";

    private static final String SAVING = ".saving";
    private static final int UUID_LENGTH = 36;

    /** The temporary files of saves that run. */
    private static final Set<Path> BEING_WRITTEN = ConcurrentHashMap.newKeySet();

    private static final ObjectMapper JSON = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    /** Opens the file that is written to; tests put a full disk here. */
    interface Opener {
        OutputStream open(Path file) throws IOException;
    }

    private final Opener opener;
    private final PackedDrawings packed = new PackedDrawings();
    private ObjectNode lastRead = JSON.createObjectNode();
    private volatile Map<Path, ContentMark> marks = Map.of();

    /** The file as this program read or wrote it last; empty for one that has not been saved yet. */
    private volatile Optional<FileMark> mark = Optional.empty();

    /** Files outside the shot's folder, of which nobody has said that they may be read. */
    private volatile Set<String> unread = Set.of();

    private ShotFile(Opener opener) {
        this.opener = opener;
    }

    /** What was read from a file. */
    public record Opened(Shot shot, ShotFile file, Optional<String> whyReadOnly) {}

    /** The file of a shot that has not been saved yet. */
    public static ShotFile fresh() {
        return new ShotFile(ShotFile::synced);
    }

    static ShotFile fresh(Opener opener) {
        return new ShotFile(opener);
    }

    /** @throws UnreadableException when the file is missing, cut short, no shot, or wrong in itself */
    public static Opened open(Path path) throws UnreadableException {
        return open(path, path);
    }

    /** @param as the shot file as which it is read: paths of media are relative to that */
    static Opened open(Path path, Path as) throws UnreadableException {
        // Read before all else: a file that is changed meanwhile is another one.
        Optional<FileMark> mark = FileMark.ifAny(path);
        try (ShotArchive archive = ShotArchive.open(path)) {
            byte[] json = archive.read(DOCUMENT);
            JsonNode root = document(path, json);
            int version = root.path("formatVersion").asInt(0);
            requireParts(path, root, archive);
            Shot shot;
            Map<Drawing, ShotArchive.Packed> packed = new IdentityHashMap<>();
            try {
                shot = ShotJson.read(
                        root,
                        (number, file) -> drawing(archive, number, file, packed),
                        written -> MediaPaths.toMemory(written, as));
            } catch (WrongField e) {
                throw version > ShotTree.NEWEST_FORMAT
                        ? tooNew(path, version)
                        : UnreadableException.of(
                                path,
                                "has a mistake in " + DOCUMENT + ": " + e.getMessage(),
                                "Mend it with a text editor, or take an earlier copy.",
                                e);
            } catch (DrawingSvg.BrokenDrawing e) {
                throw UnreadableException.of(path, "has a drawing that " + e.getMessage(), "Take an earlier copy.", e);
            }
            ShotFile file = fresh();
            Set<String> unknown = UnknownParts.keep((ObjectNode) root, json);
            file.lastRead = (ObjectNode) root;
            file.marks = MediaMarks.read(root, written -> MediaPaths.toMemory(written, as));
            file.unread = outside(as, shot);
            file.mark = mark;
            file.packed.put(packed, shot.chalks());
            return new Opened(shot, file, whyReadOnly(path.getFileName(), version, unknown));
        }
    }

    private static Optional<String> whyReadOnly(Path name, int version, Set<String> unknown) {
        if (version <= ShotTree.NEWEST_FORMAT && unknown.isEmpty()) {
            return Optional.empty();
        }
        String holds = unknown.isEmpty()
                ? ""
                : " and holds what this one doesn't know (\"" + String.join("\", \"", unknown) + "\")";
        return Optional.of(name + " was made by a newer version of Chalk Trace" + holds
                + ". It is open for reading only, so that nothing in it is lost.");
    }

    /**
     * Writes the shot whole to a temporary file beside the target, forces it to the disk, then moves it into place: at
     * any moment the target is the old file or the new one.
     *
     * @return the mark of what was written
     * @throws UnwritableException when it can't be written; the old file is untouched
     */
    public FileMark save(Shot shot, Path target) throws UnwritableException {
        ObjectNode root = ShotJson.write(shot, ShotFile::entryOf, path -> MediaPaths.toFile(path, target));
        Map<Path, ContentMark> found = MediaMarks.of(shot.mediaFiles(), marks, unread);
        MediaMarks.write(found, root, path -> MediaPaths.toFile(path, target));
        UnknownFields.carry(lastRead, root);
        // A link stays a link: what it leads to is written.
        Path place = WholeFiles.real(target);
        Path temporary = saving(place);
        BEING_WRITTEN.add(temporary);
        FileMark written;
        try {
            requireWritable(place);
            try (OutputStream out = opener.open(temporary)) {
                packed.write(shot, JSON.writeValueAsBytes(root), out);
            }
            keepMode(place, temporary);
            written = FileMark.of(temporary);
            WholeFiles.moveIntoPlace(temporary, place);
        } catch (IOException e) {
            discard(temporary);
            throw UnwritableException.of(
                    target,
                    "saved",
                    "The file that was there before is whole, and the open shot is as it was: free some space, or save"
                            + " it somewhere else.",
                    e);
        } finally {
            BEING_WRITTEN.remove(temporary);
        }
        lastRead = root;
        marks = found;
        mark = Optional.of(written);
        return written;
    }

    /** The file as this program read or wrote it last. On any thread. */
    public Optional<FileMark> mark() {
        return mark;
    }

    /** Whether another program has written to the file since this one read or wrote it; not where it has gone. */
    public boolean isChangedByOthers(Path path) {
        Optional<FileMark> now = FileMark.ifAny(path);
        return mark.isPresent() && now.isPresent() && !now.equals(mark);
    }

    /**
     * Saves a changed shot over the file that it was opened from, for work without a window.
     *
     * @param earlier takes what the file held until then, to keep or to drop, once it was saved
     * @throws UnwritableException when the file is of a newer version, someone has it open, or another program has changed it since it
     *     was opened; it is untouched
     */
    public static void saveOver(Opened opened, Shot changed, Path path, Consumer<Versions.Before> earlier)
            throws UnwritableException {
        if (opened.whyReadOnly().isPresent()) {
            throw leftAlone(path, "", opened.whyReadOnly().get());
        }
        ShotLock.Taken taken = ShotLock.take(path);
        try {
            if (taken.holder().isPresent()) {
                throw leftAlone(
                        path,
                        ": close it there first",
                        "it is open by " + taken.holder().get());
            }
            if (opened.file().isChangedByOthers(path)) {
                throw leftAlone(path, " left by that: try again", "another program has just written to it");
            }
            Optional<Versions.Before> before = new Versions(path).before();
            try {
                opened.file().save(changed, path);
            } catch (UnwritableException e) {
                before.ifPresent(Versions.Before::drop);
                throw e;
            }
            before.ifPresent(earlier);
        } finally {
            taken.lock().ifPresent(ShotLock::close);
        }
    }

    private static UnwritableException leftAlone(Path path, String mend, String why) {
        return UnwritableException.of(path, "changed", "It is as it was" + mend + ".", new IOException(why));
    }

    /** Each drawing is a part of its own: a file that names one part again and again would be read for ever. */
    private static void requireParts(Path path, JsonNode root, ShotArchive archive) throws UnreadableException {
        long drawings = 0;
        for (JsonNode level : root.path("levels")) {
            drawings += level.path("drawings").size();
        }
        if (drawings > archive.parts()) {
            throw UnreadableException.of(
                    path,
                    "names " + drawings + " drawings but holds " + archive.parts() + " parts",
                    "Take an earlier copy.");
        }
    }

    private static Set<String> outside(Path path, Shot shot) {
        Path folder = WholeFiles.real(path.toAbsolutePath().getParent());
        // A link in the folder may lead anywhere.
        return shot.mediaFiles().stream()
                .filter(file -> !WholeFiles.real(Path.of(file)).startsWith(folder))
                .collect(Collectors.toUnmodifiableSet());
    }

    /** Lets a save look into media outside the shot's folder, for the marks by which they are found again. */
    public void mayRead(Collection<String> media) {
        unread = unread.stream().filter(file -> !media.contains(file)).collect(Collectors.toUnmodifiableSet());
    }

    /** A name of its own: two saves into one file must not write into each other. */
    private static Path saving(Path place) {
        return place.resolveSibling("." + place.getFileName() + "." + UUID.randomUUID() + SAVING);
    }

    /** Removes what saves that were cut short left beside a shot; those of this program that still run keep theirs. */
    public static void tidy(Path shot) {
        Path real = WholeFiles.real(shot);
        try (Stream<Path> beside = Files.list(real.getParent())) {
            beside.filter(file -> isSaving(file, real) && !BEING_WRITTEN.contains(file))
                    .forEach(ShotFile::discard);
        } catch (IOException e) {
            // They are hidden, and harm nobody.
        }
    }

    private static boolean isSaving(Path file, Path shot) {
        String name = file.getFileName().toString();
        String before = "." + shot.getFileName() + ".";
        return name.startsWith(before)
                && name.endsWith(SAVING)
                && name.length() == before.length() + UUID_LENGTH + SAVING.length();
    }

    private static void requireWritable(Path place) throws IOException {
        if (Files.exists(place) && !Files.isWritable(place)) {
            throw new IOException("the file is read-only; save under another name, or make it writable");
        }
    }

    /** Who may read and write the file stays as it was. */
    private static void keepMode(Path before, Path after) throws IOException {
        if (Files.exists(before)
                && Files.getFileStore(before).supportsFileAttributeView(PosixFileAttributeView.class)) {
            Files.setPosixFilePermissions(after, Files.getPosixFilePermissions(before));
        }
    }

    /** What the shot's media files hold, as far as they were there at a save. On any thread. */
    public Map<Path, ContentMark> marks() {
        return marks;
    }

    /** The document of a shot as text, as a recovery folder holds it. */
    static byte[] json(Shot shot, ShotJson.DrawingFiles drawingFiles, Path relativeTo) throws JsonProcessingException {
        return JSON.writeValueAsBytes(ShotJson.write(shot, drawingFiles, path -> MediaPaths.toFile(path, relativeTo)));
    }

    static JsonNode document(Path file, byte[] json) throws UnreadableException {
        JsonNode root;
        try {
            root = JSON.readTree(json);
        } catch (IOException e) {
            String where = e instanceof JsonProcessingException bad && bad.getLocation() != null
                    ? " at line " + bad.getLocation().getLineNr() + ", column "
                            + bad.getLocation().getColumnNr()
                    : "";
            throw UnreadableException.of(
                    file,
                    "has a broken " + DOCUMENT + where,
                    "Mend it with a text editor, or take an earlier copy.",
                    e);
        }
        if (!(root instanceof ObjectNode)
                || !ShotJson.FORMAT.equals(root.path("format").asText())) {
            throw UnreadableException.of(
                    file, "is no shot of Chalk Trace", "Choose a file that was saved as a " + ENDING + " shot.");
        }
        return root;
    }

    static String entryOf(Level level, Drawing drawing) {
        return "drawings/" + level.id() + "/" + drawing.number() + ".svg";
    }

    static Drawing drawing(ShotArchive archive, int number, String file) throws DrawingSvg.BrokenDrawing {
        return drawing(archive, number, file, new IdentityHashMap<>());
    }

    /** @param packed takes how the drawing lies in the file */
    private static Drawing drawing(
            ShotArchive archive, int number, String file, Map<Drawing, ShotArchive.Packed> packed)
            throws DrawingSvg.BrokenDrawing {
        try {
            ShotArchive.Part part = archive.part(file);
            Drawing drawing = DrawingSvg.read(number, part.bytes());
            packed.put(drawing, part.packed());
            return drawing;
        } catch (UnreadableException e) {
            throw new DrawingSvg.BrokenDrawing("is missing or damaged (" + file + ")", e);
        } catch (DrawingSvg.BrokenDrawing e) {
            throw new DrawingSvg.BrokenDrawing(e.getMessage() + " (" + file + ")", e);
        }
    }

    private static UnreadableException tooNew(Path path, int version) {
        return UnreadableException.of(
                path,
                "was made by a newer version of Chalk Trace (format " + version + ")",
                "Open it with that version.");
    }

    private static void discard(Path temporary) {
        try {
            Files.deleteIfExists(temporary);
        } catch (IOException e) {
            // It is a hidden leftover; the sentence about the save matters more.
        }
    }

    /** A stream whose bytes are on the disk when it is closed. */
    private static OutputStream synced(Path file) throws IOException {
        FileChannel channel = FileChannel.open(
                file, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING);
        return new FilterOutputStream(Channels.newOutputStream(channel)) {
            @Override
            public void write(byte[] bytes, int from, int count) throws IOException {
                out.write(bytes, from, count);
            }

            @Override
            public void close() throws IOException {
                // The archive closes what it writes to, and so does its opener.
                if (channel.isOpen()) {
                    try (channel) {
                        flush();
                        channel.force(true);
                    }
                }
            }
        };
    }
}
