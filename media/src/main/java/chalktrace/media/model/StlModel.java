package chalktrace.media.model;

import chalktrace.core.space.Model;
import chalktrace.core.space.Surface;
import chalktrace.media.UnreadableException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Scanner;
import java.util.StringTokenizer;

/** Reads STL, in letters and binary (3D Systems, "StereoLithography Interface Specification", 1989): triangles alone. */
final class StlModel {

    private static final int HEADER = 80;
    private static final int FACET = 50;

    private final ModelFolder folder;
    private final Numbers places = new Numbers();

    private StlModel(ModelFolder folder) {
        this.folder = folder;
    }

    static Model read(ModelFolder folder) throws UnreadableException {
        StlModel model = new StlModel(folder);
        ByteBuffer own = folder.own().order(ByteOrder.LITTLE_ENDIAN);
        // Binary files may start with the word as well: their length tells.
        if (isInLetters(own)) {
            model.letters();
        } else {
            model.binary(own);
        }
        return StillModel.of(
                List.of(StillModel.mesh(model.places.all(), Optional.empty(), Optional.empty(), 0)),
                List.of(Surface.PLAIN),
                List.of());
    }

    private static boolean isInLetters(ByteBuffer own) {
        boolean named = own.capacity() >= 5
                && new String(own.array(), 0, 5, StandardCharsets.ISO_8859_1).equalsIgnoreCase("solid");
        boolean fits = own.capacity() >= HEADER + 4 && own.capacity() == length(own);
        return named && !fits || own.capacity() > 1 && own.getShort(0) == (short) 0xBBEF;
    }

    private static long length(ByteBuffer own) {
        return HEADER + 4 + FACET * (own.getInt(HEADER) & 0xFFFFFFFFL);
    }

    private void binary(ByteBuffer own) throws UnreadableException {
        if (own.capacity() < HEADER + 4) {
            throw folder.broken("it ends within its header");
        }
        long count = own.getInt(HEADER) & 0xFFFFFFFFL;
        folder.checkTriangles(count);
        if (own.capacity() < length(own)) {
            throw folder.broken("it ends after triangle " + (own.capacity() - HEADER - 4) / FACET + " of " + count);
        }
        for (int t = 0; t < count; t++) {
            for (int k = 0; k < 9; k++) {
                float number = own.getFloat(HEADER + 4 + FACET * t + 12 + 4 * k);
                if (!Float.isFinite(number)) {
                    throw folder.broken("triangle " + (t + 1) + " has a number that is not finite");
                }
                places.add(number);
            }
        }
    }

    private void letters() throws UnreadableException {
        int corners = 0;
        int line = 0;
        boolean ended = false;
        try (Scanner lines = new Scanner(new String(folder.text(), StandardCharsets.UTF_8))) {
            while (lines.hasNextLine()) {
                StringTokenizer words = new StringTokenizer(lines.nextLine());
                line++;
                String first = words.hasMoreTokens() ? words.nextToken().toLowerCase(Locale.ROOT) : "";
                switch (first) {
                    case "vertex" -> {
                        for (int k = 0; k < 3; k++) {
                            places.add(number(words, line));
                        }
                        corners++;
                    }
                    case "endfacet" -> {
                        if (corners != 3) {
                            throw folder.broken(
                                    "the facet that ends in line " + line + " has " + corners + " corners and not 3");
                        }
                        corners = 0;
                        folder.checkTriangles(places.count() / 9);
                    }
                    case "endsolid" -> ended = true;
                    default -> ended &= first.isEmpty();
                }
            }
        }
        if (!ended || corners > 0) {
            throw folder.broken("it ends within a solid, in line " + line);
        }
    }

    private float number(StringTokenizer words, int line) throws UnreadableException {
        String word = words.hasMoreTokens() ? words.nextToken() : "";
        try {
            float read = Float.parseFloat(word);
            if (Float.isFinite(read)) {
                return read;
            }
        } catch (NumberFormatException e) {
            throw folder.broken("\"" + Shown.of(word) + "\" stands in line " + line + " where a number should");
        }
        throw folder.broken("line " + line + " has a number that is not finite");
    }
}
