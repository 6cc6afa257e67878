package chalktrace.media.file;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashMap;
import java.util.Map;

/** Carries fields that this version does not know from the document that was read into the one that is written. */
final class UnknownFields {

    private UnknownFields() {}

    /** Adds to {@code written} each field of {@code read} that it lacks; items of lists are matched by id or number. */
    static void carry(ObjectNode read, ObjectNode written) {
        read.fields().forEachRemaining(field -> {
            JsonNode mine = written.get(field.getKey());
            if (mine == null) {
                written.set(field.getKey(), field.getValue());
            } else if (mine instanceof ObjectNode inner && field.getValue() instanceof ObjectNode other) {
                carry(other, inner);
            } else if (mine instanceof ArrayNode items && field.getValue() instanceof ArrayNode others) {
                carryItems(others, items);
            }
        });
    }

    private static void carryItems(ArrayNode read, ArrayNode written) {
        Map<String, ObjectNode> byName = new HashMap<>();
        for (JsonNode item : read) {
            if (item instanceof ObjectNode object && name(object) != null) {
                byName.put(name(object), object);
            }
        }
        for (JsonNode item : written) {
            if (item instanceof ObjectNode object && byName.containsKey(String.valueOf(name(object)))) {
                carry(byName.get(name(object)), object);
            }
        }
    }

    private static String name(ObjectNode item) {
        JsonNode id = item.has("id") ? item.get("id") : item.get("number");
        return id == null ? null : id.asText();
    }
}
