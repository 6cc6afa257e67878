package chalktrace.media.file;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Set;
import java.util.logging.Logger;
import java.util.stream.Stream;

/**
 * A folder that holds the open shot as it is now, so that losing power loses seconds: its document, and of its drawings
 * those that changed since they were written here. It is written on one background thread and removed when the shot is
 * saved or put away.
 */
public final class Recovery {

    private static final Logger LOG = Logger.getLogger(Recovery.class.getName());

    private final Path folder;
    private final Map<Drawing, String> written = new IdentityHashMap<>();
    /** Names of one run of the program differ from those that an earlier run left behind. */
    private final String run = Long.toString(System.currentTimeMillis(), Character.MAX_RADIX);

    private int counter;

    private Recovery(Path folder) {
        this.folder = folder;
    }

    /** The folder of a saved shot, beside it. */
    public static Recovery beside(Path shotFile) {
        return new Recovery(shotFile.toAbsolutePath().resolveSibling("." + shotFile.getFileName() + ".recovery"));
    }

    /** A folder of one's own, for a shot that has not been saved. */
    public static Recovery in(Path folder) {
        return new Recovery(folder.toAbsolutePath());
    }

    public boolean exists() {
        return Files.exists(folder.resolve(ShotFile.DOCUMENT));
    }

    /** Writes what changed since the last call; the document comes last, so that it never names what is not there. */
    public void keep(Shot shot) throws IOException {
        Files.createDirectories(folder);
        Set<Drawing> present = Collections.newSetFromMap(new IdentityHashMap<>());
        for (Level level : shot.levels()) {
            for (Drawing drawing : level.drawings()) {
                present.add(drawing);
                if (!written.containsKey(drawing)) {
                    String name = run + "-" + ++counter + ".svg";
                    Files.write(
                            folder.resolve(name),
                            DrawingSvg.write(drawing, shot.setup().size(), shot::chalk));
                    written.put(drawing, name);
                }
            }
        }
        Path temporary = folder.resolve("." + ShotFile.DOCUMENT);
        Files.write(temporary, ShotFile.json(shot, (level, drawing) -> written.get(drawing), document()));
        ShotFile.moveIntoPlace(temporary, document());
        forget(present);
    }

    /** @throws UnreadableException when it is not whole */
    public Shot read() throws UnreadableException {
        try {
            return ShotJson.read(
                    ShotFile.document(document(), Files.readAllBytes(document())),
                    this::drawing,
                    path -> MediaPaths.toMemory(path, document()));
        } catch (IOException | JsonFields.WrongField | DrawingSvg.BrokenDrawing e) {
            throw UnreadableException.of(
                    folder,
                    "holds unsaved work that can't be read (" + e.getMessage() + ")",
                    "Open the saved shot.",
                    e);
        }
    }

    /** Removes the folder. */
    public void discard() {
        written.clear();
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> all = Files.walk(folder, 1)) {
            for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(path);
            }
        } catch (IOException e) {
            LOG.info("the recovery folder " + folder + " stays: " + e.getMessage());
        }
    }

    private Path document() {
        return folder.resolve(ShotFile.DOCUMENT);
    }

    private Drawing drawing(int number, String name) throws DrawingSvg.BrokenDrawing {
        try {
            Path file = folder.resolve(name).normalize();
            if (!file.startsWith(folder)) {
                throw new DrawingSvg.BrokenDrawing("lies outside its folder (" + name + ")", null);
            }
            return DrawingSvg.read(number, Files.readAllBytes(file));
        } catch (IOException e) {
            throw new DrawingSvg.BrokenDrawing("is missing (" + name + ")", e);
        }
    }

    private void forget(Set<Drawing> present) throws IOException {
        for (Drawing gone : new HashSet<>(written.keySet())) {
            if (!present.contains(gone)) {
                Files.deleteIfExists(folder.resolve(written.remove(gone)));
            }
        }
    }
}
