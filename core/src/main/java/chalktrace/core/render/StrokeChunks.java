package chalktrace.core.render;

import chalktrace.core.shot.Drawing;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Cuts full drawings into pieces that stay the same objects while the drawing changes elsewhere, so that a stroke more or
 * less costs the rasterising of its piece and not of all. Where a piece ends is decided by the stroke that it ends with, and
 * not by counting: what is added or taken out moves no other end (as in content-defined chunking; Muthitacharoen, Chen,
 * Mazieres, "A Low-bandwidth Network File System", 2001). Safe for threads.
 */
final class StrokeChunks {

    /** Smaller drawings are quick to rasterise whole. */
    private static final int WORTH_IT = 48;

    /** One in so many strokes ends a piece. */
    private static final int MEAN_LENGTH = 16;

    private static final int MOST_REMEMBERED = 4096;

    private final Map<Key, Drawing> pieces = new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Drawing> eldest) {
            return size() > MOST_REMEMBERED;
        }
    };

    /** The pieces of a drawing from back to front; the drawing itself where it is small. */
    List<Drawing> of(Drawing drawing) {
        if (drawing.strokes().size() < WORTH_IT) {
            return List.of(drawing);
        }
        List<Drawing> all = new ArrayList<>();
        if (!drawing.fills().isEmpty() || !drawing.pictures().isEmpty()) {
            all.add(drawing.withStrokes(List.of()));
        }
        List<Stroke> strokes = drawing.strokes();
        int start = 0;
        for (int i = 0; i < strokes.size(); i++) {
            boolean ends = Math.floorMod(System.identityHashCode(strokes.get(i)), MEAN_LENGTH) == 0;
            if (ends || i == strokes.size() - 1) {
                all.add(piece(strokes.subList(start, i + 1)));
                start = i + 1;
            }
        }
        return all;
    }

    private synchronized Drawing piece(List<Stroke> strokes) {
        return pieces.computeIfAbsent(new Key(List.copyOf(strokes)), key -> new Drawing(1, key.strokes));
    }

    /** Strokes by identity: comparing their curves would take as long as drawing them. */
    private static final class Key {
        private final List<Stroke> strokes;
        private final int hash;

        Key(List<Stroke> strokes) {
            this.strokes = strokes;
            int sum = 1;
            for (Stroke stroke : strokes) {
                sum = 31 * sum + System.identityHashCode(stroke);
            }
            this.hash = sum;
        }

        @Override
        public boolean equals(Object other) {
            if (!(other instanceof Key) || ((Key) other).strokes.size() != strokes.size()) {
                return false;
            }
            for (int i = 0; i < strokes.size(); i++) {
                if (strokes.get(i) != ((Key) other).strokes.get(i)) {
                    return false;
                }
            }
            return true;
        }

        @Override
        public int hashCode() {
            return hash;
        }
    }
}
