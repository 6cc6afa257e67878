package chalktrace.core.render;

import chalktrace.core.shot.Drawing;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.lang.ref.WeakReference;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * Drawings that have been rasterised, within a byte budget, least recently used out first. A drawing is known by
 * identity and held weakly, so that the cache keeps no undone work alive. Safe for threads; two that ask for the same
 * drawing at once rasterise it once.
 */
public final class RasterCache {

    private final long budget;
    private final Map<Key, Entry> entries = new LinkedHashMap<>(64, 0.75f, true);
    private final StrokeChunks chunks = new StrokeChunks();
    private long bytes;

    public RasterCache(long budgetBytes) {
        this.budget = budgetBytes;
    }

    /**
     * The raster of a drawing, made when it is not at hand.
     *
     * @param look anything with equality that changes the pixels besides the drawing and the transform
     */
    RasterPile get(Drawing drawing, Object look, AffineTransform transform, Supplier<RasterPile> make) {
        Entry entry;
        synchronized (entries) {
            entry = entries.computeIfAbsent(new Key(drawing, look, transform), key -> new Entry());
        }
        synchronized (entry) {
            if (entry.raster == null) {
                entry.raster = make.get();
                count(entry.raster);
            }
            return entry.raster;
        }
    }

    /** The pieces of a drawing, each the same object as long as it stays the same. */
    List<Drawing> pieces(Drawing drawing) {
        return chunks.of(drawing);
    }

    /** All but the last of a drawing's pieces as one, where another drawing has begun so before. */
    Optional<Drawing> start(List<Drawing> pieces) {
        return chunks.start(pieces);
    }

    /** A raster that is at hand, made for another transform. @param change from its places to the wanted ones */
    record Near(RasterPile raster, AffineTransform change) {}

    /** The raster of a drawing as it is wanted, or the latest that was made of it; empty when there is none yet. */
    Optional<Near> near(Drawing drawing, Object look, AffineTransform transform) {
        RasterPile found = null;
        AffineTransform made = null;
        synchronized (entries) {
            for (Map.Entry<Key, Entry> entry : entries.entrySet()) {
                Key key = entry.getKey();
                if (entry.getValue().raster != null && key.isOf(drawing) && key.look.equals(look)) {
                    found = entry.getValue().raster;
                    made = key.transform;
                    if (made.equals(transform)) {
                        break;
                    }
                }
            }
        }
        if (found == null) {
            return Optional.empty();
        }
        try {
            AffineTransform change = new AffineTransform(transform);
            change.concatenate(made.createInverse());
            return Optional.of(new Near(found, made.equals(transform) ? new AffineTransform() : change));
        } catch (NoninvertibleTransformException e) {
            return Optional.empty();
        }
    }

    private void count(RasterPile made) {
        synchronized (entries) {
            bytes += made.bytes();
            Iterator<Entry> oldest = entries.values().iterator();
            while (bytes > budget && oldest.hasNext()) {
                Entry entry = oldest.next();
                if (entry.raster != null && entry.raster != made) {
                    bytes -= entry.raster.bytes();
                    oldest.remove();
                }
            }
        }
    }

    private static final class Entry {
        private volatile RasterPile raster;
    }

    private static final class Key {
        private final WeakReference<Drawing> drawing;
        private final Object look;
        private final AffineTransform transform;
        private final int hash;

        Key(Drawing drawing, Object look, AffineTransform transform) {
            this.drawing = new WeakReference<>(drawing);
            this.look = look;
            this.transform = transform;
            this.hash = 31 * (31 * System.identityHashCode(drawing) + look.hashCode()) + transform.hashCode();
        }

        boolean isOf(Drawing other) {
            return drawing.get() == other;
        }

        @Override
        public boolean equals(Object other) {
            return this == other
                    || other instanceof Key key
                            && drawing.get() != null
                            && drawing.get() == key.drawing.get()
                            && transform.equals(key.transform)
                            && look.equals(key.look);
        }

        @Override
        public int hashCode() {
            return hash;
        }
    }
}
