package chalktrace.media.file;

import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.words.Sentences;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.POJONode;
import com.fasterxml.jackson.databind.util.RawValue;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Set;
import java.util.TreeSet;

/** Parts of a shot that a newer program has written: they go into each copy byte for byte, whatever numbers they hold and however they are set. */
final class UnknownParts {

    /** No name of a part is longer on screen. */
    private static final int LONGEST_NAME = 40;

    private static final Set<String> KNOWN = known();

    private UnknownParts() {}

    private static Set<String> known() {
        ObjectNode all = ShotJson.write(Shot.empty("", ShotSetup.standard()), (level, drawing) -> "", path -> path);
        Set<String> names = new HashSet<>(Set.of(MediaMarks.FIELD));
        all.fieldNames().forEachRemaining(names::add);
        return names;
    }

    /**
     * Puts their text into the place of their values. A single word or number beside the parts is no part.
     *
     * @param root of the document, which is changed
     * @param json the document as it stands in the file
     * @return their names
     */
    static Set<String> keep(ObjectNode root, byte[] json) {
        Set<String> unknown = new TreeSet<>();
        root.fields().forEachRemaining(field -> {
            if (!KNOWN.contains(field.getKey()) && field.getValue().isContainerNode()) {
                unknown.add(field.getKey());
            }
        });
        if (unknown.isEmpty()) {
            return unknown;
        }
        try (JsonParser parser = new ObjectMapper().createParser(json)) {
            parser.nextToken();
            while (parser.nextToken() == JsonToken.FIELD_NAME) {
                String name = parser.currentName();
                parser.nextToken();
                int start = (int) parser.currentTokenLocation().getByteOffset();
                parser.skipChildren();
                int end = (int) parser.currentLocation().getByteOffset();
                if (unknown.contains(name) && start >= 0) {
                    String text = new String(json, start, end - start, StandardCharsets.UTF_8);
                    root.set(name, new POJONode(new RawValue(text)));
                }
            }
        } catch (IOException e) {
            throw new IllegalStateException("It was read a moment ago.", e);
        }
        Set<String> names = new TreeSet<>();
        unknown.forEach(name -> names.add(Sentences.plain(name, LONGEST_NAME)));
        return names;
    }
}
