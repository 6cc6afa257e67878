package chalktrace.media.file;

import chalktrace.media.footage.ContentMark;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/** The content marks of a shot's media files, as its file holds them: by these a file that was renamed is known again. */
final class MediaMarks {

    static final String FIELD = "media";

    private MediaMarks() {}

    /** The marks of files as they are now; of those that are not there or may not be read, as they were. */
    static Map<Path, ContentMark> of(Collection<String> files, Map<Path, ContentMark> before, Set<String> unread) {
        Map<Path, ContentMark> marks = new TreeMap<>();
        for (String file : files) {
            Path path = Path.of(file);
            (unread.contains(file) ? Optional.<ContentMark>empty() : ContentMark.of(path))
                    .or(() -> Optional.ofNullable(before.get(path)))
                    .ifPresent(mark -> marks.put(path, mark));
        }
        return Map.copyOf(marks);
    }

    /** What is no mark is left out: a mark only helps to look for a file. */
    static Map<Path, ContentMark> read(JsonNode root, UnaryOperator<String> toMemory) {
        Map<Path, ContentMark> marks = new TreeMap<>();
        for (JsonNode entry : root.path(FIELD)) {
            String file = entry.path("file").asText();
            if (!file.isEmpty()) {
                try {
                    marks.put(
                            Path.of(toMemory.apply(file)),
                            new ContentMark(
                                    entry.path("bytes").asLong(),
                                    entry.path("mark").asText()));
                } catch (IllegalArgumentException e) {
                    continue;
                }
            }
        }
        return Map.copyOf(marks);
    }

    static void write(Map<Path, ContentMark> marks, ObjectNode root, UnaryOperator<String> toFile) {
        ArrayNode all = root.putArray(FIELD);
        new TreeMap<>(marks).forEach((path, mark) -> all.addObject()
                .put("file", toFile.apply(path.toString()))
                .put("bytes", mark.bytes())
                .put("mark", mark.digest()));
    }
}
