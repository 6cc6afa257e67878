package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.file.FileVisitOption;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Looks for files that were moved or renamed, in a folder and all below it. The same contents count most, whatever the
 * name; then the same name; of several, the one whose folders agree best with the old place is taken.
 */
public final class LostFiles {

    private static final int DEEPEST = 12;
    private static final int MOST_FILES = 500_000;

    private final Collection<Path> lost;
    private final Map<Path, ContentMark> marks;
    private final Map<Path, Match> best = new LinkedHashMap<>();
    private final Map<Path, Optional<ContentMark>> marked = new HashMap<>();

    private record Match(Path file, boolean sameContents, boolean sameName, int agreement) {

        boolean isBetterThan(Match other) {
            if (sameContents != other.sameContents) {
                return sameContents;
            }
            if (sameName != other.sameName) {
                return sameName;
            }
            return agreement > other.agreement;
        }
    }

    private LostFiles(Collection<Path> lost, Map<Path, ContentMark> marks) {
        this.lost = lost;
        this.marks = marks;
    }

    /**
     * Where lost files are now.
     *
     * @param marks of the lost files, as far as they are known
     * @return for each lost file that was found, its new place
     * @throws UnreadableException when the folder can't be looked through
     */
    public static Map<Path, Path> find(Collection<Path> lost, Map<Path, ContentMark> marks, Path folder)
            throws UnreadableException {
        LostFiles search = new LostFiles(lost, marks);
        try {
            search.walk(folder.toAbsolutePath().normalize());
        } catch (IOException e) {
            throw UnreadableException.of(
                    folder, "can't be looked through (" + e.getMessage() + ")", "Choose a folder that is there.", e);
        }
        Map<Path, Path> found = new LinkedHashMap<>();
        search.best.forEach((path, match) -> found.put(path, match.file()));
        return found;
    }

    private void walk(Path folder) throws IOException {
        int[] seen = {0};
        Files.walkFileTree(folder, EnumSet.noneOf(FileVisitOption.class), DEEPEST, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                if (attributes.isRegularFile()) {
                    lost.forEach(path -> compare(path, file, attributes.size()));
                }
                return ++seen[0] < MOST_FILES ? FileVisitResult.CONTINUE : FileVisitResult.TERMINATE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException e) throws IOException {
                // A folder below that may not be read hides what is in it, but not the rest.
                if (file.equals(folder)) {
                    throw e;
                }
                return FileVisitResult.CONTINUE;
            }
        });
    }

    private void compare(Path path, Path file, long bytes) {
        boolean sameName = path.getFileName().equals(file.getFileName());
        ContentMark mark = marks.get(path);
        boolean sameContents = mark != null
                && mark.bytes() == bytes
                && marked.computeIfAbsent(file, ContentMark::of)
                        .filter(mark::equals)
                        .isPresent();
        if (sameName || sameContents) {
            best.merge(
                    path,
                    new Match(file, sameContents, sameName, agreement(path, file)),
                    (before, now) -> now.isBetterThan(before) ? now : before);
        }
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
