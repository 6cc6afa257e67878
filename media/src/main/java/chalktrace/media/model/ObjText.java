package chalktrace.media.model;

import chalktrace.core.picture.Srgb;
import chalktrace.media.UnreadableException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.StringTokenizer;

/** What the lines of an OBJ say (Wavefront, "Object Files", version 3.0), each checked as it is read, so that what is wrong is named by its line. */
final class ObjText {

    private static final int MOST_CORNERS = 2000;

    /**
     * A polygon.
     *
     * @param corners three numbers each: place, texture coordinate and normal, counted from 0; -1 for none
     * @param material number among those that are used; -1 for none
     */
    record Face(int[] corners, int material) {

        int count() {
            return corners.length / 3;
        }

        boolean has(int part) {
            for (int k = part; k < corners.length; k += 3) {
                if (corners[k] < 0) {
                    return false;
                }
            }
            return true;
        }
    }

    private final ModelFolder folder;
    private final byte[] text;
    private int at;
    private int line;

    final Numbers places = new Numbers();

    /** Linear light and opacity of each place; white for those that name no colour. */
    final Numbers colors = new Numbers();

    boolean colored;
    final Numbers texels = new Numbers();
    final Numbers normals = new Numbers();
    final List<Face> faces = new ArrayList<>();
    final List<String> libraries = new ArrayList<>();
    final List<String> materials = new ArrayList<>();
    final Set<String> notes = new LinkedHashSet<>();

    private final Map<String, Integer> numberOf = new HashMap<>();
    private int material = -1;

    /** @throws UnreadableException naming the line that is no OBJ, a face with what is not there, or one of more than 2000 corners */
    ObjText(ModelFolder folder) throws UnreadableException {
        this.folder = folder;
        this.text = folder.text();
        for (String next = next(); next != null; next = next()) {
            String said = next.strip();
            if (!said.isEmpty() && said.charAt(0) != '#') {
                take(said);
            }
        }
    }

    /** The next line, with those that a backslash joins to it; null at the end. */
    private String next() {
        if (at >= text.length) {
            return null;
        }
        StringBuilder joined = new StringBuilder();
        boolean goesOn = true;
        while (goesOn && at < text.length) {
            int from = at;
            while (at < text.length && text[at] != '\n' && text[at] != '\r') {
                at++;
            }
            int to = at;
            at += at + 1 < text.length && text[at] == '\r' && text[at + 1] == '\n' ? 2 : 1;
            line++;
            goesOn = to > from && text[to - 1] == '\\';
            joined.append(new String(text, from, (goesOn ? to - 1 : to) - from, StandardCharsets.UTF_8));
        }
        return joined.toString();
    }

    private void take(String said) throws UnreadableException {
        StringTokenizer words = new StringTokenizer(said);
        String word = words.nextToken();
        switch (word) {
            case "v" -> place(words);
            case "vt" -> {
                float[] read = numbers(words, 1, "a texture coordinate");
                texels.add(read[0], 1 - (read.length > 1 ? read[1] : 0));
            }
            case "vn" -> {
                float[] read = numbers(words, 3, "a normal");
                normals.add(read[0], read[1], read[2]);
            }
            case "f", "fo" -> face(words);
            case "usemtl" -> {
                String name = said.substring(word.length()).strip();
                material = numberOf.computeIfAbsent(name, added -> {
                    materials.add(added);
                    return materials.size() - 1;
                });
            }
            case "mtllib" -> libraries.add(said.substring(word.length()).strip());
            case "p", "l" -> notes.add("Points and lines of a mesh are not shown.");
            case "curv", "curv2", "surf" -> notes.add("Curved surfaces are not read.");
            default -> {
                // Groups, names, smoothing and the like change nothing of what is shown.
            }
        }
    }

    private void place(StringTokenizer words) throws UnreadableException {
        float[] read = numbers(words, 3, "a vertex");
        places.add(read[0], read[1], read[2]);
        if (read.length < 6) {
            colors.add(1, 1, 1, 1);
            return;
        }
        colored = true;
        double full = read[3] > 1 || read[4] > 1 || read[5] > 1 ? 255 : 1;
        colors.add(light(read[3] / full), light(read[4] / full), light(read[5] / full), 1);
    }

    private static double light(double part) {
        return Srgb.light(Math.max(0, Math.min(1, part)));
    }

    private float[] numbers(StringTokenizer words, int least, String what) throws UnreadableException {
        float[] out = new float[Math.min(7, words.countTokens())];
        if (out.length < least) {
            throw broken(what + " has " + out.length + " numbers and not " + least);
        }
        for (int i = 0; i < out.length; i++) {
            String word = words.nextToken();
            if (word.charAt(0) == '#') {
                return Arrays.copyOf(out, i);
            }
            out[i] = number(word);
        }
        return out;
    }

    private float number(String word) throws UnreadableException {
        float read;
        try {
            read = Float.parseFloat(word);
        } catch (NumberFormatException e) {
            throw broken("\"" + Shown.of(word) + "\" stands where a number should");
        }
        if (!Float.isFinite(read)) {
            throw broken("it has a number that is not finite");
        }
        return read;
    }

    private void face(StringTokenizer words) throws UnreadableException {
        int count = words.countTokens();
        if (count > MOST_CORNERS) {
            throw folder.wrong(
                    "has a face of " + count + " corners in line " + line + "; " + MOST_CORNERS + " can be shown",
                    "Cut it into triangles.");
        }
        int[] corners = new int[3 * count];
        for (int k = 0; k < count; k++) {
            String word = words.nextToken();
            int from = 0;
            for (int part = 0; part < 3; part++) {
                int slash = word.indexOf('/', from);
                int to = slash < 0 ? word.length() : slash;
                corners[3 * k + part] = from >= to && part > 0 ? -1 : index(word, from, to, part);
                from = slash < 0 ? word.length() : slash + 1;
            }
        }
        if (count >= 3) {
            faces.add(new Face(corners, material));
            folder.checkTriangles(faces.size());
        }
    }

    /** Counted from 1, or from the last one backwards. */
    private int index(String word, int from, int to, int part) throws UnreadableException {
        int count = part == 0 ? places.count() / 3 : part == 1 ? texels.count() / 2 : normals.count() / 3;
        String what = part == 0 ? "vertex" : part == 1 ? "texture coordinate" : "normal";
        int read;
        try {
            read = Integer.parseInt(word, from, to, 10);
        } catch (NumberFormatException e) {
            throw broken("\"" + Shown.of(word) + "\" is no corner of a face");
        }
        int index = read < 0 ? count + read : read - 1;
        if (index < 0 || index >= count) {
            throw broken("a face names " + what + " " + read + " of " + count);
        }
        return index;
    }

    private UnreadableException broken(String what) {
        return folder.broken("in line " + line + ", " + what);
    }
}
