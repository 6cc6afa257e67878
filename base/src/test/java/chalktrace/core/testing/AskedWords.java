package chalktrace.core.testing;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * What the sources ask of a bundle, beside what it holds.
 *
 * @param missing is asked for and not there
 * @param left is there and never asked for
 */
public record AskedWords(Set<String> missing, Set<String> left) {

    /**
     * @param sources to look through
     * @param words as they name the bundle, such as {@code Words.STUDY}
     * @param more keys that are asked for by a way of their own
     */
    public static AskedWords of(List<Path> sources, String words, Path bundle, Set<String> more) throws IOException {
        Set<String> there = properties(bundle).stringPropertyNames();
        Set<String> left = new TreeSet<>(there);
        Set<String> missing = new TreeSet<>(more);
        // A key as it stands in the sources: whole, or the beginning of one that is put together.
        Pattern asked = Pattern.compile(
                "\\b" + words.replace(".", "\\.") + "\\s*\\.(of|count|ifAny)\\(\\s*\"([^\"]+)\"\\s*(\\+?)");
        for (Path source : sources) {
            Matcher found = asked.matcher(Files.readString(source));
            while (found.find()) {
                String key = found.group(2);
                if (!found.group(3).isEmpty()) {
                    left.removeIf(other -> other.startsWith(key));
                } else if (found.group(1).equals("count")) {
                    missing.addAll(List.of(key + ".one", key + ".other"));
                } else {
                    missing.add(key);
                }
            }
        }
        left.removeAll(missing);
        missing.removeAll(there);
        return new AskedWords(missing, left);
    }

    public static Properties properties(Path bundle) throws IOException {
        Properties out = new Properties();
        try (Reader reader = Files.newBufferedReader(bundle)) {
            out.load(reader);
        }
        return out;
    }

    /** All Java files below a folder. */
    public static List<Path> sources(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(path -> path.toString().endsWith(".java")).toList();
        }
    }
}
