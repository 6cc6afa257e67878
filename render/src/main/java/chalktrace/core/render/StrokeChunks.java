package chalktrace.core.render;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Cuts full drawings into pieces that stay the same objects while the drawing changes elsewhere, so that a stroke more or
 * less costs the rasterising of its piece and not of all. Where a piece ends is decided by the stroke that it ends with, and
 * by counting only where it would grow too long: what is added or taken out moves few other ends (as in content-defined
 * chunking; Muthitacharoen, Chen, Mazieres, "A Low-bandwidth Network File System", 2001). Safe for threads.
 */
final class StrokeChunks {

    /** Smaller drawings are quick to rasterise whole. */
    private static final int WORTH_IT = 48;

    /** One in so many strokes ends a piece. */
    private static final int MEAN_LENGTH = 16;

    /** Whoever draws waits for the piece that grows, so that none becomes much longer than the others. */
    static final int LONGEST = 32;

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
        List<DrawingItem> items = drawing.items();
        int start = 0;
        while (start < items.size()) {
            boolean line = items.get(start) instanceof DrawingItem.Line;
            int end = start;
            boolean ends = false;
            // Runs of lines are cut at some of them; what lies between such runs stays together.
            while (end < items.size() && !ends && items.get(end) instanceof DrawingItem.Line == line) {
                end++;
                ends = line && (end - start == LONGEST || endsPiece(((DrawingItem.Line) items.get(end - 1)).stroke()));
            }
            all.add(piece(items.subList(start, end)));
            start = end;
        }
        return all;
    }

    /**
     * What pieces begin with, all but the last of them together, once that is asked for a second time: whoever draws adds to the last piece, and what
     * comes before it needs to be laid together only once.
     */
    Optional<Drawing> start(List<Drawing> pieces) {
        if (pieces.size() < 3) {
            // They begin with a piece, which is kept by itself.
            return Optional.empty();
        }
        List<DrawingItem> items = pieces.subList(0, pieces.size() - 1).stream()
                .flatMap(piece -> piece.items().stream())
                .toList();
        boolean known;
        synchronized (this) {
            known = this.pieces.containsKey(new Key(items));
        }
        Drawing start = piece(items);
        return known ? Optional.of(start) : Optional.empty();
    }

    private static boolean endsPiece(Stroke stroke) {
        return Math.floorMod(System.identityHashCode(stroke), MEAN_LENGTH) == 0;
    }

    private synchronized Drawing piece(List<DrawingItem> items) {
        return pieces.computeIfAbsent(new Key(List.copyOf(items)), key -> Drawing.of(1, key.items));
    }

    /** Items by the identity of what they hold: comparing curves would take as long as drawing them. */
    private static final class Key {
        private final List<DrawingItem> items;
        private final Object[] held;
        private final int hash;

        Key(List<DrawingItem> items) {
            this.items = items;
            held = new Object[items.size()];
            int sum = 1;
            for (int i = 0; i < held.length; i++) {
                DrawingItem item = items.get(i);
                held[i] = item instanceof DrawingItem.Line
                        ? ((DrawingItem.Line) item).stroke()
                        : item instanceof DrawingItem.Paint
                                ? ((DrawingItem.Paint) item).fill()
                                : ((DrawingItem.Picture) item).picture();
                sum = 31 * sum + System.identityHashCode(held[i]);
            }
            this.hash = sum;
        }

        @Override
        public boolean equals(Object other) {
            if (!(other instanceof Key) || ((Key) other).held.length != held.length) {
                return false;
            }
            for (int i = 0; i < held.length; i++) {
                if (held[i] != ((Key) other).held[i]) {
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
