package chalktrace.app.state;

import chalktrace.media.file.WholeFiles;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * From which folders, outside those of their shots, media may be read: a person chose a file there, or said so. Kept in a file of the state folder, a
 * folder a line. A shot from somebody else could otherwise make the program read whatever it names.
 */
public final class MediaFolders {

    private static final Logger LOG = Logger.getLogger(MediaFolders.class.getName());

    private final Path stateFolder;
    private final Set<Path> allowed = new TreeSet<>();

    /** Where files and folders that are there really lie. */
    private final Map<Path, Path> found = new HashMap<>();

    public MediaFolders(Path stateFolder) {
        this.stateFolder = stateFolder.toAbsolutePath().normalize();
        if (Files.exists(file())) {
            try {
                for (String line : Files.readAllLines(file())) {
                    allowed.add(Path.of(line));
                }
            } catch (IOException | InvalidPathException e) {
                LOG.log(Level.WARNING, "the folders of media can't be read; they will be asked for again", e);
            }
        }
    }

    /** The folder of a file, unless it is that of the shot or below it, the program's own, or an allowed one. */
    public synchronized Optional<Path> heldBack(Path shot, String media) {
        // A link within the shot's folder may lead anywhere: what counts is where a file really lies.
        Path file = real(Path.of(media));
        boolean inside = file.startsWith(real(shot.toAbsolutePath().getParent()));
        return inside
                        || file.startsWith(real(stateFolder))
                        || allowed.stream().anyMatch(folder -> real(folder).equals(file.getParent()))
                ? Optional.empty()
                : Optional.ofNullable(file.getParent());
    }

    /** Drives are asked once; of what is not there yet it may still become something else. */
    private Path real(Path file) {
        Path known = found.get(file);
        if (known != null) {
            return known;
        }
        Path real = WholeFiles.real(file);
        if (Files.exists(real)) {
            found.put(file, real);
        }
        return real;
    }

    /** The folders of the files of a shot that are held back, each once. */
    public List<Path> heldBack(Path shot, Collection<String> media) {
        return media.stream()
                .flatMap(file -> heldBack(shot, file).stream())
                .distinct()
                .sorted()
                .toList();
    }

    public synchronized void allow(Collection<Path> folders) {
        allowed.addAll(folders);
    }

    /** Writes down what is allowed. */
    public synchronized void keep() {
        try {
            Files.createDirectories(stateFolder);
            Files.write(file(), allowed.stream().map(Path::toString).toList());
        } catch (IOException e) {
            LOG.log(Level.WARNING, "the folders of media can't be kept", e);
        }
    }

    /** The folder of a file that somebody chose. */
    public static Path of(Path chosen) {
        return chosen.toAbsolutePath().normalize().getParent();
    }

    private Path file() {
        return stateFolder.resolve("media-folders");
    }
}
