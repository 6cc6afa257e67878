package chalktrace.media.model;

import chalktrace.media.UnreadableException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The elements of a PLY file: what its header declares, and the numbers that follow it in letters or binary. */
final class PlyElements {

    /** Names of types, old and new, and how many bytes each takes. */
    private static final Map<String, Integer> SIZES = Map.ofEntries(
            Map.entry("char", 1),
            Map.entry("int8", 1),
            Map.entry("uchar", 1),
            Map.entry("uint8", 1),
            Map.entry("short", 2),
            Map.entry("int16", 2),
            Map.entry("ushort", 2),
            Map.entry("uint16", 2),
            Map.entry("int", 4),
            Map.entry("int32", 4),
            Map.entry("uint", 4),
            Map.entry("uint32", 4),
            Map.entry("float", 4),
            Map.entry("float32", 4),
            Map.entry("double", 8),
            Map.entry("float64", 8));

    /** @param lengths type of a list's length; empty for a single number */
    private record Property(String name, String type, String lengths) {}

    /** All of one kind, such as vertices. */
    static final class Element {

        private final String name;
        private final int count;
        private final List<Property> properties = new ArrayList<>();
        private final Map<String, float[]> numbers = new HashMap<>();
        private final Map<String, int[][]> lists = new HashMap<>();

        private Element(String name, int count) {
            this.name = name;
            this.count = count;
        }

        int count() {
            return count;
        }

        /** Some of its numbers, those of one vertex side by side; empty when it has not all of them. */
        Optional<float[]> side(String... names) {
            float[] out = new float[names.length * count];
            for (int k = 0; k < names.length; k++) {
                float[] from = numbers.get(names[k]);
                if (from == null) {
                    return Optional.empty();
                }
                for (int i = 0; i < count; i++) {
                    out[names.length * i + k] = from[i];
                }
            }
            return Optional.of(out);
        }

        /** The number that means all of a colour in the type that one of its properties has. */
        double full(String property) {
            return properties.stream()
                    .filter(declared -> declared.name.equals(property))
                    .findFirst()
                    .map(declared -> switch (declared.type) {
                        case "uchar", "uint8", "char", "int8" -> 255.0;
                        case "ushort", "uint16", "short", "int16" -> 65535.0;
                        default -> 1.0;
                    })
                    .orElse(1.0);
        }

        /** The lists of the first of some names that it has; null for none. */
        int[][] lists(String... names) {
            for (String wanted : names) {
                if (lists.containsKey(wanted)) {
                    return lists.get(wanted);
                }
            }
            return null;
        }
    }

    private final ModelFolder folder;
    private final ByteBuffer bytes;
    private final Map<String, Element> elements = new LinkedHashMap<>();
    private boolean inLetters;

    /** @throws UnreadableException when it is no PLY, or ends before all that it declares */
    PlyElements(ModelFolder folder) throws UnreadableException {
        this.folder = folder;
        this.bytes = folder.own();
        header();
        for (Element element : elements.values()) {
            read(element);
        }
    }

    /** Null when there is none of the name. */
    Element of(String name) {
        return elements.get(name);
    }

    private void header() throws UnreadableException {
        if (!line().equals("ply")) {
            throw folder.broken("it is no PLY, as it does not start with \"ply\"");
        }
        Element element = null;
        for (String line = line(); !line.equals("end_header"); line = line()) {
            String[] words = line.split("\\s+");
            switch (words[0]) {
                case "format" -> format(words.length > 1 ? words[1] : "");
                case "element" -> {
                    element = new Element(words.length > 1 ? words[1] : "", declared(words.length > 2 ? words[2] : ""));
                    elements.put(element.name, element);
                }
                case "property" -> property(element, words, line);
                default -> {
                    // Comments and what programs add to them.
                }
            }
        }
    }

    private void format(String name) throws UnreadableException {
        switch (name) {
            case "ascii" -> inLetters = true;
            case "binary_little_endian" -> bytes.order(ByteOrder.LITTLE_ENDIAN);
            case "binary_big_endian" -> bytes.order(ByteOrder.BIG_ENDIAN);
            default -> throw folder.broken("its form \"" + Shown.of(name) + "\" is not known");
        }
    }

    private int declared(String word) throws UnreadableException {
        try {
            int count = Integer.parseInt(word);
            if (count >= 0) {
                return count;
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw folder.broken("\"" + Shown.of(word) + "\" stands in its header where a count should");
    }

    private void property(Element element, String[] words, String line) throws UnreadableException {
        boolean list = words.length == 5 && words[1].equals("list");
        boolean known = element != null
                && (list && SIZES.containsKey(words[2]) && SIZES.containsKey(words[3])
                        || words.length == 3 && SIZES.containsKey(words[1]));
        if (!known) {
            throw folder.broken("\"" + Shown.of(line) + "\" in its header declares no property");
        }
        element.properties.add(
                list ? new Property(words[4], words[3], words[2]) : new Property(words[2], words[1], ""));
    }

    private String line() throws UnreadableException {
        StringBuilder out = new StringBuilder();
        while (bytes.hasRemaining()) {
            char letter = (char) (bytes.get() & 255);
            if (letter == '\n') {
                return out.toString().strip();
            }
            if (out.length() > 1000) {
                throw folder.broken("its header has a line without an end");
            }
            out.append(letter);
        }
        throw folder.broken("it ends within its header");
    }

    private void read(Element element) throws UnreadableException {
        long least = 0;
        for (Property property : element.properties) {
            least += inLetters ? 2 : SIZES.get(property.lengths.isEmpty() ? property.type : property.lengths);
        }
        // The last number in letters may end with the file.
        if (least * element.count > bytes.remaining() + 1L) {
            throw folder.broken("it ends before its " + element.count + " times \"" + Shown.of(element.name) + "\"");
        }
        for (Property property : element.properties) {
            if (property.lengths.isEmpty()) {
                element.numbers.put(property.name, new float[element.count]);
            } else {
                element.lists.put(property.name, new int[element.count][]);
            }
        }
        for (int i = 0; i < element.count; i++) {
            try {
                readOne(element, i);
            } catch (BufferUnderflowException e) {
                throw folder.broken("it ends in " + Shown.of(element.name) + " " + i + " of " + element.count);
            }
        }
    }

    private void readOne(Element element, int i) throws UnreadableException {
        for (Property property : element.properties) {
            String where = Shown.of(element.name) + " " + i;
            if (property.lengths.isEmpty()) {
                element.numbers.get(property.name)[i] = (float) number(property.type, where);
                continue;
            }
            double length = number(property.lengths, where);
            if (length < 0 || length * (inLetters ? 2 : SIZES.get(property.type)) > bytes.remaining() + 1L) {
                throw folder.broken(where + " has a list of " + (long) length + " and ends before");
            }
            int[] list = new int[(int) length];
            for (int k = 0; k < list.length; k++) {
                list[k] = (int) number(property.type, where);
            }
            element.lists.get(property.name)[i] = list;
        }
    }

    private double number(String type, String where) throws UnreadableException {
        double read = inLetters
                ? inLetters(where)
                : switch (type) {
                    case "char", "int8" -> bytes.get();
                    case "uchar", "uint8" -> bytes.get() & 255;
                    case "short", "int16" -> bytes.getShort();
                    case "ushort", "uint16" -> bytes.getShort() & 65535;
                    case "int", "int32" -> bytes.getInt();
                    case "uint", "uint32" -> bytes.getInt() & 0xFFFFFFFFL;
                    case "float", "float32" -> bytes.getFloat();
                    default -> bytes.getDouble();
                };
        if (!Double.isFinite(read)) {
            throw folder.broken(where + " has a number that is not finite");
        }
        return read;
    }

    private double inLetters(String where) throws UnreadableException {
        int letter = bytes.get();
        while (letter <= ' ') {
            letter = bytes.get();
        }
        int from = bytes.position() - 1;
        while (bytes.hasRemaining() && bytes.get(bytes.position()) > ' ') {
            bytes.get();
        }
        String word = new String(bytes.array(), from, bytes.position() - from, StandardCharsets.ISO_8859_1);
        try {
            return Double.parseDouble(word);
        } catch (NumberFormatException e) {
            throw folder.broken(where + " has \"" + Shown.of(word) + "\" where a number should stand");
        }
    }
}
