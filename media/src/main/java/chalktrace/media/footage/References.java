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

/** Opens footage by what it is: a folder or a numbered picture as a run, any other picture alone, the rest as video. */
public final class References {

    /** Two numbered pictures may be two takes; three are a run. */
    private static final int SHORTEST_RUN = 3;

    private static final int LONGEST_RUN = 1_000_000;

    private static final Set<String> PICTURE_ENDINGS =
            Set.of("png", "jpg", "jpeg", "tif", "tiff", "bmp", "webp", "tga", "exr");

    private static final Pattern NUMBERED = Pattern.compile("(.*?)(\\d+)(\\D*)\\.([^.]+)");

    private References() {}

    /** @throws UnreadableException when it can't be taken in */
    public static Reference open(Path file) throws UnreadableException {
        if (Files.isDirectory(file)) {
            SortedMap<Long, Path> run = longestRun(file);
            if (run.isEmpty()) {
                throw UnreadableException.of(
                        file, "is a folder without pictures", "Choose a folder of numbered PNG or JPEG files.");
            }
            return PictureRun.open(run);
        }
        if (isPicture(file)) {
            SortedMap<Long, Path> run = runOf(file);
            return run.size() >= SHORTEST_RUN ? PictureRun.open(run) : PictureRun.single(file);
        }
        return VideoClip.open(file);
    }

    /**
     * All files of footage: those of a run, or the one file.
     *
     * @throws UnreadableException when its folder can't be listed
     */
    static Collection<Path> files(Path footage) throws UnreadableException {
        if (Files.isDirectory(footage)) {
            return longestRun(footage).values();
        }
        if (isPicture(footage)) {
            SortedMap<Long, Path> run = runOf(footage);
            return run.size() >= SHORTEST_RUN ? run.values() : List.of(footage);
        }
        return List.of(footage);
    }

    /** Whether the name ends as a picture's does. */
    public static boolean isPicture(Path file) {
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
            files.filter(References::isPicture).limit(LONGEST_RUN).forEach(path -> {
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
