package chalktrace.media.file;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Shot;
import chalktrace.core.tree.WrongField;
import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.logging.Logger;
import java.util.stream.Stream;

/**
 * Unsaved work that a session left which ended without saving or discarding it.
 *
 * @param folder in which it is kept
 * @param shotFile of the shot that it belongs to; empty for one that was never saved
 * @param lastKept when it was last written to
 * @param changes how many there are
 * @param fileThen when the shot file had been saved last as the session opened or saved it
 * @param markThen of the shot file as the session opened or saved it
 * @param keyThen by which the disk knew that file, whatever its name; empty where it gives no such keys
 */
public record Leftover(
        Path folder,
        Optional<Path> shotFile,
        Instant lastKept,
        int changes,
        Optional<Instant> fileThen,
        Optional<FileMark> markThen,
        Optional<String> keyThen) {

    private static final Logger LOG = Logger.getLogger(Leftover.class.getName());
    private static final ObjectMapper JSON = new ObjectMapper();

    /** A session that was never named holds nothing; but it may just be beginning. */
    private static final Duration NAMELESS = Duration.ofDays(1);

    /** What could be read. @param missing what could not, in words; empty when it is whole */
    public record Recovered(Shot shot, List<String> missing) {}

    /** What lies in its folder. @param base empty where all of the shot is in the journal */
    record Parts(ObjectNode session, Path journal, Optional<Path> base) {

        static Parts of(Path folder) throws IOException {
            JsonNode session = JSON.readTree(Files.readAllBytes(folder.resolve(Journal.SESSION)));
            if (!(session instanceof ObjectNode)) {
                throw new IOException(folder.resolve(Journal.SESSION) + " is damaged");
            }
            int generation = session.path("generation").asInt();
            return new Parts(
                    (ObjectNode) session,
                    folder.resolve("journal-" + generation),
                    session.path("base").asBoolean()
                            ? Optional.of(folder.resolve("base-" + generation))
                            : Optional.empty());
        }
    }

    /** In the sessions of a folder; never of one that lives. */
    static List<Leftover> in(Path parent) {
        if (!Files.isDirectory(parent)) {
            return List.of();
        }
        try (Stream<Path> sessions = Files.list(parent)) {
            return sessions.filter(Files::isDirectory)
                    .flatMap(folder -> read(folder).stream())
                    .toList();
        } catch (IOException | UncheckedIOException e) {
            LOG.info("sessions in " + parent + " can't be listed: " + e.getMessage());
            return List.of();
        }
    }

    /** What a session left; empty where it lives, or holds nothing: then it goes. */
    public static Optional<Leftover> read(Path folder) {
        try {
            Presence.State owner = Presence.look(Drive.REAL, folder.resolve(Journal.HERE));
            if (owner == Presence.State.LIVES) {
                return Optional.empty();
            }
            Parts files = Parts.of(folder);
            JournalRecords.Held held = JournalRecords.read(Files.readAllBytes(files.journal));
            if (!held.committed() && held.damaged() == 0 || held.saved()) {
                if (owner == Presence.State.ENDED) {
                    remove(folder);
                }
                return Optional.empty();
            }
            ObjectNode session = files.session;
            return Optional.of(new Leftover(
                    folder,
                    Optional.ofNullable(session.path("shot").asText(null))
                            .map(shot -> folder.getFileSystem().getPath(shot)),
                    Files.getLastModifiedTime(files.journal).toInstant(),
                    held.commits(),
                    session.has("baseModified")
                            ? Optional.of(Instant.ofEpochMilli(
                                    session.path("baseModified").asLong()))
                            : Optional.empty(),
                    session.has("baseSum")
                            ? Optional.of(new FileMark(
                                    session.path("baseBytes").asLong(),
                                    session.path("baseSum").asText()))
                            : Optional.empty(),
                    Optional.ofNullable(session.path("baseKey").asText(null))));
        } catch (NoSuchFileException e) {
            removeNameless(folder);
            return Optional.empty();
        } catch (IOException | RuntimeException e) {
            LOG.info("the session in " + folder + " can't be read: " + e.getMessage());
            return Optional.empty();
        }
    }

    private static void removeNameless(Path folder) {
        try {
            Instant made = Files.getLastModifiedTime(folder).toInstant();
            if (!Files.exists(folder.resolve(Journal.SESSION))
                    && made.plus(NAMELESS).isBefore(Instant.now())) {
                remove(folder);
            }
        } catch (IOException e) {
            LOG.info("the session in " + folder + " stays: " + e.getMessage());
        }
    }

    /** Whether another file is the one that the session opened or saved, under another name. */
    boolean isNamed(Path other) {
        return markThen.isPresent() && markThen.equals(FileMark.ifAny(other)) && keyThen.equals(WholeFiles.key(other));
    }

    Parts files() throws IOException {
        return Parts.of(folder);
    }

    /** Whether the shot file was changed by someone else since the session opened or saved it. */
    public boolean fileHasChanged() {
        try {
            return markThen.isPresent()
                    && fileNow().isPresent()
                    && !markThen.get().equals(FileMark.of(shotFile.orElseThrow()));
        } catch (IOException e) {
            return true;
        }
    }

    /** When the shot file was saved last; empty when it is gone. */
    public Optional<Instant> fileNow() {
        try {
            return shotFile.isEmpty() || !Files.exists(shotFile.get())
                    ? Optional.empty()
                    : Optional.of(Instant.ofEpochMilli(
                            Files.getLastModifiedTime(shotFile.get()).toMillis()));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** Puts it together, and leaves out what is damaged. @throws UnreadableException when nothing can be made of it */
    public Recovered recover() throws UnreadableException {
        List<String> missing = new ArrayList<>();
        try {
            Parts files = files();
            JournalRecords.Held held = JournalRecords.read(Files.readAllBytes(files.journal));
            if (held.damaged() > 0) {
                missing.add(held.damaged() + (held.damaged() == 1 ? " change" : " changes") + " that can't be read");
            }
            Path beside = shotFile.orElse(folder);
            if (files.base.isEmpty()) {
                return new Recovered(
                        together(JSON.createObjectNode(), Leftover::none, held.parts(), beside, missing), missing);
            }
            Path base = files.base.get();
            try (ShotArchive archive = ShotArchive.open(base)) {
                ObjectNode root = (ObjectNode) ShotFile.document(base, archive.read(ShotFile.DOCUMENT));
                return new Recovered(
                        together(
                                root,
                                (number, file) -> ShotFile.drawing(archive, number, file),
                                held.parts(),
                                beside,
                                missing),
                        missing);
            }
        } catch (IOException | WrongField | DrawingSvg.BrokenDrawing e) {
            throw UnreadableException.of(
                    folder,
                    "holds unsaved work that can't be read (" + e.getMessage() + ")",
                    "It stays there; open the saved shot.",
                    e);
        }
    }

    private static Shot together(
            ObjectNode root,
            ShotJson.Drawings base,
            Map<String, JournalRecords.Held.Part> parts,
            Path beside,
            List<String> missing)
            throws IOException, WrongField, DrawingSvg.BrokenDrawing {
        return JournalParts.together(root, base, parts, path -> MediaPaths.toMemory(path, beside), missing);
    }

    private static Drawing none(int number, String file) throws DrawingSvg.BrokenDrawing {
        throw new DrawingSvg.BrokenDrawing("is missing (" + file + ")", null);
    }

    static void remove(Path folder) {
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> all = Files.walk(folder, 1)) {
            for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(path);
            }
            Path parent = folder.getParent();
            try (Stream<Path> others = Files.list(parent)) {
                if (others.findAny().isEmpty()) {
                    Files.deleteIfExists(parent);
                }
            }
        } catch (IOException | UncheckedIOException e) {
            LOG.info("the recovery folder " + folder + " stays: " + e.getMessage());
        }
    }

    static void removeQuietly(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.info(file + " stays: " + e.getMessage());
        }
    }
}
