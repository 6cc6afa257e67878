package chalktrace.media.file;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Reads the fields of a JSON object, and says exactly which field is wrong. */
final class JsonFields {

    /** A field that is missing or has no sense; the message names it. */
    static final class WrongField extends Exception {

        private static final long serialVersionUID = 1;

        WrongField(String message, Throwable cause) {
            super(message, cause);
        }
    }

    /** Makes a value of fields; an {@link IllegalArgumentException} of it becomes a {@link WrongField}. */
    interface Maker<T> {
        T from(JsonFields fields) throws WrongField;
    }

    private static final int MOST_ITEMS = 2_000_000;

    private final JsonNode node;
    private final String place;

    private JsonFields(JsonNode node, String place) {
        this.node = node;
        this.place = place;
    }

    static JsonFields root(JsonNode node) {
        return new JsonFields(node, "");
    }

    boolean has(String name) {
        return node.hasNonNull(name);
    }

    JsonFields object(String name) throws WrongField {
        JsonNode value = node.get(name);
        if (value == null || !value.isObject()) {
            throw wrong(name, "should be an object");
        }
        return new JsonFields(value, at(name));
    }

    List<JsonFields> items(String name) throws WrongField {
        JsonNode value = node.get(name);
        if (value == null || !value.isArray() || value.size() > MOST_ITEMS) {
            throw wrong(name, "should be a list");
        }
        List<JsonFields> out = new ArrayList<>(value.size());
        for (int i = 0; i < value.size(); i++) {
            out.add(new JsonFields(value.get(i), at(name) + "[" + i + "]"));
        }
        return out;
    }

    <T> List<T> list(String name, Maker<T> maker) throws WrongField {
        List<T> out = new ArrayList<>();
        for (JsonFields item : items(name)) {
            out.add(maker.from(item));
        }
        return out;
    }

    <T> T make(Maker<T> maker) throws WrongField {
        try {
            return maker.from(this);
        } catch (IllegalArgumentException e) {
            throw new WrongField((place.isEmpty() ? "" : "\"" + place + "\": ") + e.getMessage(), e);
        }
    }

    String text(String name) throws WrongField {
        JsonNode value = node.get(name);
        if (value == null || !value.isTextual()) {
            throw wrong(name, "should be a text");
        }
        return value.textValue();
    }

    List<String> texts(String name) throws WrongField {
        List<String> out = new ArrayList<>();
        for (JsonFields item : items(name)) {
            if (!item.node.isTextual()) {
                throw wrong(name, "should be a list of texts");
            }
            out.add(item.node.textValue());
        }
        return out;
    }

    List<Double> numbers(String name) throws WrongField {
        JsonNode value = node.get(name);
        if (value == null || !value.isArray() || value.size() > MOST_ITEMS) {
            throw wrong(name, "should be a list of numbers");
        }
        List<Double> out = new ArrayList<>(value.size());
        for (JsonNode item : value) {
            if (!item.isNumber()) {
                throw wrong(name, "should be a list of numbers");
            }
            out.add(item.doubleValue());
        }
        return out;
    }

    double number(String name) throws WrongField {
        JsonNode value = node.get(name);
        if (value == null || !value.isNumber()) {
            throw wrong(name, "should be a number");
        }
        return value.doubleValue();
    }

    int whole(String name) throws WrongField {
        JsonNode value = node.get(name);
        if (value == null || !value.isNumber() || !value.canConvertToInt() || !value.canConvertToExactIntegral()) {
            throw wrong(name, "should be a whole number");
        }
        return value.intValue();
    }

    boolean flag(String name) throws WrongField {
        JsonNode value = node.get(name);
        if (value == null || !value.isBoolean()) {
            throw wrong(name, "should be true or false");
        }
        return value.booleanValue();
    }

    <E extends Enum<E>> E oneOf(String name, Class<E> kind) throws WrongField {
        String written = text(name);
        for (E value : kind.getEnumConstants()) {
            if (value.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(written)) {
                return value;
            }
        }
        throw wrong(name, "has the unknown value \"" + written + "\"");
    }

    private WrongField wrong(String name, String what) {
        return new WrongField("\"" + at(name) + "\" " + what, null);
    }

    private String at(String name) {
        return place.isEmpty() ? name : place + "." + name;
    }
}
