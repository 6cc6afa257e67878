package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** A folder or a numbered picture as a run; any other picture alone. */
final class PictureKind implements FootageKind {

    /** Two numbered pictures may be two takes; three are a run. */
    private static final int SHORTEST_RUN = 3;

    private static final int LONGEST_RUN = 1_000_000;

    private static final Set<String> PICTURE_ENDINGS =
            Set.of("png", "jpg", "jpeg", "tif", "tiff", "bmp", "webp", "tga", "exr");

    private static final Pattern NUMBERED = Pattern.compile("(.*?)(\\d+)(\\D*)\\.([^.]+)");

    @Override
    public boolean accepts(Path file) {
        return Files.isDirectory(file) || isPicture(file);
    }

    @Override
    public Reference open(Path file) throws UnreadableException {
        SortedMap<Long, Path> run = run(file);
        if (run.isEmpty() && Files.isDirectory(file)) {
            throw UnreadableException.of(
                    file, "is a folder without pictures", "Choose a folder of numbered PNG or JPEG files.");
        }
        return run.isEmpty() ? PictureRun.single(file) : PictureRun.open(run);
    }

    @Override
    public Collection<Path> files(Path file) throws UnreadableException {
        SortedMap<Long, Path> run = run(file);
        return run.isEmpty() && !Files.isDirectory(file) ? List.of(file) : run.values();
    }

    /** The longest of a folder, or the one that a picture belongs to; empty for a picture on its own. */
    private static SortedMap<Long, Path> run(Path file) throws UnreadableException {
        if (Files.isDirectory(file)) {
            return longestRun(file);
        }
        SortedMap<Long, Path> run = runOf(file);
        return run.size() >= SHORTEST_RUN ? run : new TreeMap<>();
    }

    /** Whether the name ends as a picture's does. */
    private static boolean isPicture(Path file) {
        String name = file.getFileName().toString();
        return PICTURE_ENDINGS.contains(
                name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT));
    }

    private static SortedMap<Long, Path> runOf(Path file) throws UnreadableException {
        Matcher parts = NUMBERED.matcher(file.getFileName().toString());
        Path folder = file.toAbsolutePath().getParent();
        return parts.matches() ? runs(folder).getOrDefault(runName(parts), new TreeMap<>()) : new TreeMap<>();
    }

    private static SortedMap<Long, Path> longestRun(Path folder) throws UnreadableException {
        return runs(folder).values().stream()
                .max(Comparator.comparingInt(SortedMap<Long, Path>::size))
                .orElse(new TreeMap<>());
    }

    /** The numbered pictures of a folder, by the name that they share, each run in the order of its numbers. */
    private static Map<String, SortedMap<Long, Path>> runs(Path folder) throws UnreadableException {
        Map<String, SortedMap<Long, Path>> found = new TreeMap<>();
        try (Stream<Path> files = Files.list(folder)) {
            files.filter(PictureKind::isPicture).limit(LONGEST_RUN).forEach(path -> {
                Matcher parts = NUMBERED.matcher(path.getFileName().toString());
                if (parts.matches() && parts.group(2).length() < 18) {
                    found.computeIfAbsent(runName(parts), name -> new TreeMap<>())
                            .put(Long.parseLong(parts.group(2)), path);
                }
            });
        } catch (IOException e) {
            throw UnreadableException.of(
                    folder, "can't be listed (" + e.getMessage() + ")", "Check its permissions.", e);
        }
        return found;
    }

    /** The digits of a numbered picture's number, as they are written. */
    static String digits(Path file) {
        Matcher parts = NUMBERED.matcher(file.getFileName().toString());
        return parts.matches() ? parts.group(2) : "";
    }

    private static String runName(Matcher parts) {
        return parts.group(1) + "#" + parts.group(3) + "." + parts.group(4);
    }
}
