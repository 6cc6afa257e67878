package chalktrace.media.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.logging.Logger;
import java.util.stream.Stream;

/**
 * Unsaved work that sessions left, wherever it lies: beside its shot, also where that has another name by now or has gone, and in the state folder, of
 * shots that were never saved or whose own folder could not be written to. What is discarded lies in a bin for some time.
 */
public final class UnsavedWork {

    private static final Logger LOG = Logger.getLogger(UnsavedWork.class.getName());

    /** For how long what was discarded can be had again. */
    public static final Duration IN_THE_BIN = Duration.ofDays(30);

    private static final String DISCARDED = "discarded";

    private final Path folder;
    private final Path bin;

    /** @param folder of the program's state, in which sessions are that have no other place */
    public UnsavedWork(Path folder) {
        this.folder = folder.toAbsolutePath();
        bin = this.folder.resolveSibling(DISCARDED);
    }

    /** Of a shot file, the latest first; also what was kept while the same file had another name. */
    public List<Leftover> of(Path shotFile) {
        Path file = shotFile.toAbsolutePath();
        Path parent = Journal.parent(file);
        Map<Path, Leftover> all = new LinkedHashMap<>();
        Leftover.in(parent).forEach(left -> all.put(left.folder(), left));
        for (Leftover left : all(session -> !session.startsWith(parent))) {
            boolean here = left.shotFile().filter(file::equals).isPresent();
            if (here || left.fileNow().isEmpty() && left.isNamed(file)) {
                all.put(left.folder(), left);
            }
        }
        return latestFirst(all.values().stream());
    }

    /** Of shots that were never saved, the latest first. */
    public List<Leftover> untitled() {
        return latestFirst(
                Leftover.in(folder).stream().filter(left -> left.shotFile().isEmpty()));
    }

    /** Of all shots, the latest first. */
    public List<Leftover> all() {
        return all(session -> true);
    }

    /** @param looked which sessions beside their shots are looked at: each journal is read whole */
    private List<Leftover> all(Predicate<Path> looked) {
        Map<Path, Leftover> all = new LinkedHashMap<>();
        Leftover.in(folder).forEach(left -> all.put(left.folder(), left));
        for (Path says : whereabouts()) {
            where(says).ifPresent(session -> {
                if (Files.isDirectory(session) && looked.test(session)) {
                    Leftover.read(session).ifPresent(left -> all.put(left.folder(), left));
                }
                if (!Files.exists(session)
                        && Files.isDirectory(session.getParent().getParent())) {
                    // It was saved or put away; one on a drive that is not there just now may come back.
                    Leftover.removeQuietly(says);
                }
            });
        }
        return latestFirst(all.values().stream());
    }

    private List<Path> whereabouts() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(path -> path.getFileName().toString().endsWith(Journal.WHERE))
                    .toList();
        } catch (IOException | UncheckedIOException e) {
            LOG.info(folder + " can't be listed: " + e.getMessage());
            return List.of();
        }
    }

    private Optional<Path> where(Path says) {
        try {
            Path session = folder.getFileSystem().getPath(Files.readString(says).strip());
            boolean isOne = session.isAbsolute()
                    && session.getNameCount() > 2
                    && says.getFileName().toString().equals(session.getFileName() + Journal.WHERE);
            return isOne ? Optional.of(session) : Optional.empty();
        } catch (IOException | InvalidPathException e) {
            LOG.info(says + " can't be read: " + e.getMessage());
            return Optional.empty();
        }
    }

    /** The file of its shot as it is now: where it was, or beside that under another name; empty where it has none or has gone. */
    public Optional<Path> fileOf(Leftover left) {
        Optional<Path> was = left.shotFile();
        if (was.isEmpty() || Files.exists(was.get())) {
            return was;
        }
        try (Stream<Path> beside = Files.list(was.get().toAbsolutePath().getParent())) {
            return beside.filter(file -> file.toString().endsWith(ShotFile.ENDING) && Files.isRegularFile(file))
                    .filter(left::isNamed)
                    .findFirst();
        } catch (IOException | UncheckedIOException e) {
            return Optional.empty();
        }
    }

    /** In the bin, the latest first. */
    public List<Leftover> discarded() {
        return latestFirst(Leftover.in(bin).stream());
    }

    private static List<Leftover> latestFirst(Stream<Leftover> all) {
        return all.sorted(Comparator.comparing(Leftover::lastKept).reversed()).toList();
    }

    /** Puts it into the bin. @throws IOException when that can't be done; it stays where it is */
    public void discard(Leftover left) throws IOException {
        Path to = bin.resolve(left.folder().getFileName().toString());
        Files.createDirectories(bin);
        WholeFiles.createPrivate(to);
        try {
            List<Path> files = new ArrayList<>();
            try (Stream<Path> all = Files.list(left.folder())) {
                all.filter(file -> !file.endsWith(Journal.HERE)).forEach(files::add);
            }
            for (Path file : files) {
                WholeFiles.copy(file, to.resolve(file.getFileName().toString()));
            }
            Files.writeString(to.resolve(DISCARDED), Instant.now().toString());
        } catch (IOException | UncheckedIOException e) {
            Leftover.remove(to);
            throw e instanceof IOException ? (IOException) e : ((UncheckedIOException) e).getCause();
        }
        forget(left);
    }

    /** Removes it for good: it was saved. */
    public void forget(Leftover left) {
        Leftover.remove(left.folder());
        Leftover.removeQuietly(folder.resolve(left.folder().getFileName() + Journal.WHERE));
    }

    /** Removes what has been in the bin for long. @param now by the clock */
    public void emptyBin(Instant now) {
        for (Leftover left : discarded()) {
            if (since(left).plus(IN_THE_BIN).isBefore(now)) {
                Leftover.remove(left.folder());
            }
        }
    }

    private static Instant since(Leftover left) {
        try {
            return Instant.parse(
                    Files.readString(left.folder().resolve(DISCARDED)).strip());
        } catch (IOException | DateTimeParseException e) {
            return Instant.MAX.minus(IN_THE_BIN);
        }
    }
}
