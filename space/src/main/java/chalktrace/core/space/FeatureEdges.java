package chalktrace.core.space;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;

/**
 * The edges of a mesh with the triangles on either side, vertices at one place taken as one. From them it is told for each pose and camera
 * which are drawn: outlines (one side seen, the other not), creases (the sides meet at an angle) and borders (one side only).
 */
final class FeatureEdges {

    /** Sides that meet at a larger angle than this make a crease. */
    private static final double CREASE_COSINE = Math.cos(Math.toRadians(40));

    private static final int NO_TRIANGLE = -1;

    /** More than two triangles meet here: always a line. */
    private static final int MANY = -2;

    private final int[] from;
    private final int[] to;
    private final int[] one;
    private final int[] other;

    /** Where the triangles on both sides run along the edge in the same sense, which those of one surface do not. */
    private final boolean[] against;

    private FeatureEdges(int[] from, int[] to, int[] one, int[] other, boolean[] against) {
        this.from = from;
        this.to = to;
        this.one = one;
        this.other = other;
        this.against = against;
    }

    static FeatureEdges of(float[] positions, int[] triangles) {
        int[] welded = welded(positions);
        Map<Long, Integer> known = new HashMap<>(triangles.length);
        int[] from = new int[triangles.length];
        int[] to = new int[triangles.length];
        int[] one = new int[triangles.length];
        int[] other = new int[triangles.length];
        boolean[] against = new boolean[triangles.length];
        int count = 0;
        for (int i = 0; i < triangles.length; i++) {
            int a = triangles[i];
            int b = triangles[i % 3 == 2 ? i - 2 : i + 1];
            if (isThin(welded, triangles, i - i % 3)) {
                continue;
            }
            long low = Math.min(welded[a], welded[b]);
            long high = Math.max(welded[a], welded[b]);
            Integer at = known.putIfAbsent(low << 32 | high, count);
            if (at == null) {
                from[count] = a;
                to[count] = b;
                one[count] = i / 3;
                other[count++] = NO_TRIANGLE;
            } else {
                against[at] = welded[from[at]] == welded[a];
                other[at] = other[at] == NO_TRIANGLE ? i / 3 : MANY;
            }
        }
        return new FeatureEdges(
                Arrays.copyOf(from, count),
                Arrays.copyOf(to, count),
                Arrays.copyOf(one, count),
                Arrays.copyOf(other, count),
                Arrays.copyOf(against, count));
    }

    /** Takes out the triangles of all forms that have a border, meet more than two at an edge, or run against each other. */
    void clearOpen(BitSet triangles) {
        if (triangles.isEmpty()) {
            return;
        }
        int[] form = new int[triangles.length()];
        Arrays.setAll(form, i -> i);
        for (int e = 0; e < from.length; e++) {
            if (other[e] >= 0) {
                form[root(form, one[e])] = root(form, other[e]);
            }
        }
        BitSet open = new BitSet();
        for (int e = 0; e < from.length; e++) {
            if (other[e] < 0 || against[e]) {
                open.set(root(form, one[e]));
            }
        }
        for (int t = 0; t < form.length; t++) {
            if (open.get(root(form, t))) {
                triangles.clear(t);
            }
        }
    }

    private static int root(int[] form, int triangle) {
        int at = triangle;
        while (form[at] != at) {
            form[at] = form[form[at]];
            at = form[at];
        }
        return at;
    }

    int count() {
        return from.length;
    }

    int from(int edge) {
        return from[edge];
    }

    int to(int edge) {
        return to[edge];
    }

    /** Whether an edge is a line, given how its triangles lie: three numbers each (their normals as the camera sees them) and which face it. */
    boolean isLine(int edge, float[] normals, boolean[] facing) {
        int a = one[edge];
        int b = other[edge];
        return b < 0
                || facing[a] != facing[b]
                || normals[3 * a] * normals[3 * b]
                                + normals[3 * a + 1] * normals[3 * b + 1]
                                + normals[3 * a + 2] * normals[3 * b + 2]
                        < CREASE_COSINE;
    }

    /** A triangle with two corners at one place, as at the pole of a ball, has no sides that face anywhere. */
    private static boolean isThin(int[] welded, int[] triangles, int at) {
        int a = welded[triangles[at]];
        int b = welded[triangles[at + 1]];
        int c = welded[triangles[at + 2]];
        return a == b || b == c || c == a;
    }

    /** For each vertex the first one at the same place. */
    private static int[] welded(float[] positions) {
        record Place(float x, float y, float z) {}
        Map<Place, Integer> first = new HashMap<>(positions.length / 3);
        int[] welded = new int[positions.length / 3];
        for (int v = 0; v < welded.length; v++) {
            // 0 and -0 are one place.
            Place place = new Place(positions[3 * v] + 0f, positions[3 * v + 1] + 0f, positions[3 * v + 2] + 0f);
            Integer before = first.putIfAbsent(place, v);
            welded[v] = before == null ? v : before;
        }
        return welded;
    }
}
