package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Looks for files that were moved, by their names, in a folder and all below it. */
public final class LostFiles {

    private static final int DEEPEST = 12;
    private static final int MOST_FILES = 500_000;

    private LostFiles() {}

    /**
     * Where lost files are now. Of several files of one name the one whose folders agree best with the old place is
     * taken.
     *
     * @return for each lost file that was found, its new place
     * @throws UnreadableException when the folder can't be looked through
     */
    public static Map<Path, Path> find(Collection<Path> lost, Path folder) throws UnreadableException {
        Map<String, List<Path>> wanted = new HashMap<>();
        for (Path path : lost) {
            wanted.computeIfAbsent(path.getFileName().toString(), name -> new ArrayList<>())
                    .add(path);
        }
        Map<Path, Path> found = new LinkedHashMap<>();
        try (Stream<Path> files = Files.walk(folder.toAbsolutePath().normalize(), DEEPEST)) {
            files.limit(MOST_FILES)
                    .filter(file -> wanted.containsKey(String.valueOf(file.getFileName())))
                    .filter(Files::isRegularFile)
                    .forEach(file -> wanted.get(file.getFileName().toString())
                            .forEach(path -> found.merge(
                                    path, file, (a, b) -> agreement(path, b) > agreement(path, a) ? b : a)));
        } catch (IOException e) {
            throw UnreadableException.of(
                    folder, "can't be looked through (" + e.getMessage() + ")", "Choose a folder that is there.", e);
        }
        return found;
    }

    /** How many names, from the end on, two paths share. */
    private static int agreement(Path a, Path b) {
        int shared = 0;
        while (shared < Math.min(a.getNameCount(), b.getNameCount())
                && a.getName(a.getNameCount() - 1 - shared).equals(b.getName(b.getNameCount() - 1 - shared))) {
            shared++;
        }
        return shared;
    }
}
