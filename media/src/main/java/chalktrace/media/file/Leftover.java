package chalktrace.media.file;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
 * @param fileThen when the shot file had been saved last as the session opened or saved it
 */
public record Leftover(Path folder, Optional<Path> shotFile, Instant lastKept, Optional<Instant> fileThen) {

    private static final Logger LOG = Logger.getLogger(Leftover.class.getName());
    private static final ObjectMapper JSON = new ObjectMapper();

    /** What could be read. @param missing what could not, in words; empty when it is whole */
    public record Recovered(Shot shot, List<String> missing) {}

    /** What sessions left of a shot file, the latest first; never of one that still runs. */
    public static List<Leftover> of(Path shotFile, Path otherwise) {
        List<Leftover> all = new ArrayList<>(in(Journal.parent(shotFile)));
        Path file = shotFile.toAbsolutePath();
        in(otherwise).stream()
                .filter(left -> left.shotFile().filter(file::equals).isPresent())
                .forEach(all::add);
        all.sort(Comparator.comparing(Leftover::lastKept).reversed());
        return all;
    }

    /** What sessions left of shots that were never saved, the latest first. */
    public static List<Leftover> untitled(Path folder) {
        return in(folder).stream()
                .filter(left -> left.shotFile().isEmpty())
                .sorted(Comparator.comparing(Leftover::lastKept).reversed())
                .toList();
    }

    private static List<Leftover> in(Path parent) {
        if (!Files.isDirectory(parent)) {
            return List.of();
        }
        try (Stream<Path> sessions = Files.list(parent)) {
            return sessions.filter(Files::isDirectory)
                    .flatMap(folder -> read(folder).stream())
                    .toList();
        } catch (IOException e) {
            LOG.info("sessions in " + parent + " can't be listed: " + e.getMessage());
            return List.of();
        }
    }

    private static Optional<Leftover> read(Path folder) {
        try {
            JsonNode session = JSON.readTree(Files.readAllBytes(folder.resolve(Journal.SESSION)));
            Optional<ProcessMark> owner = ProcessMark.read(session);
            if (owner.isEmpty() || owner.get().state() == ProcessMark.State.RUNS) {
                return Optional.empty();
            }
            Path journal = journal(folder, session);
            JournalRecords.Held held = JournalRecords.read(Files.readAllBytes(journal));
            if (!held.committed() && held.damaged() == 0 || held.saved()) {
                if (owner.get().state() == ProcessMark.State.ENDED) {
                    // Nothing in it was unsaved.
                    remove(folder);
                }
                return Optional.empty();
            }
            return Optional.of(new Leftover(
                    folder,
                    Optional.ofNullable(session.path("shot").asText(null))
                            .map(shot -> folder.getFileSystem().getPath(shot)),
                    Files.getLastModifiedTime(journal).toInstant(),
                    session.has("baseModified")
                            ? Optional.of(Instant.ofEpochMilli(
                                    session.path("baseModified").asLong()))
                            : Optional.empty()));
        } catch (IOException e) {
            LOG.info("the session in " + folder + " can't be read: " + e.getMessage());
            return Optional.empty();
        }
    }

    private static Path journal(Path folder, JsonNode session) {
        return folder.resolve("journal-" + session.path("generation").asInt());
    }

    /** Whether the shot file was changed by someone else since the session opened or saved it. */
    public boolean fileHasChanged() {
        return fileNow().isPresent() && fileThen.isPresent() && !fileNow().equals(fileThen);
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
            JsonNode session = JSON.readTree(Files.readAllBytes(folder.resolve(Journal.SESSION)));
            JournalRecords.Held held = JournalRecords.read(Files.readAllBytes(journal(folder, session)));
            if (held.damaged() > 0) {
                missing.add(held.damaged() + (held.damaged() == 1 ? " change" : " changes") + " that can't be read");
            }
            Path base = folder.resolve("base-" + session.path("generation").asInt());
            Path beside = shotFile.orElse(folder);
            if (!session.path("base").asBoolean()) {
                return new Recovered(
                        together(JSON.createObjectNode(), Leftover::none, held.parts(), beside, missing), missing);
            }
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
        } catch (IOException | JsonFields.WrongField | DrawingSvg.BrokenDrawing e) {
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
            throws IOException, JsonFields.WrongField, DrawingSvg.BrokenDrawing {
        return ShotParts.together(root, base, parts, path -> MediaPaths.toMemory(path, beside), missing);
    }

    private static Drawing none(int number, String file) throws DrawingSvg.BrokenDrawing {
        throw new DrawingSvg.BrokenDrawing("is missing (" + file + ")", null);
    }

    /** Removes it for good; only when the artist says so, or once it is saved. */
    public void discard() {
        remove(folder);
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
        } catch (IOException e) {
            LOG.info("the recovery folder " + folder + " stays: " + e.getMessage());
        }
    }
}
