package chalktrace.media.footage;

import chalktrace.core.picture.Picture;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Decoded pictures within a byte budget, least recently used out first. Safe for threads. */
public final class FrameCache {

    private record Key(Object source, int picture) {}

    private final long budget;
    private final Map<Key, Picture> pictures = new LinkedHashMap<>(64, 0.75f, true);
    private long bytes;
    private int readers;

    public FrameCache(long budgetBytes) {
        this.budget = budgetBytes;
    }

    public synchronized Optional<Picture> get(Object source, int picture) {
        return Optional.ofNullable(pictures.get(new Key(source, picture)));
    }

    synchronized boolean has(Object source, int picture) {
        return pictures.containsKey(new Key(source, picture));
    }

    public synchronized void put(Object source, int n, Picture picture) {
        Picture before = pictures.put(new Key(source, n), picture);
        bytes += cost(picture) - (before == null ? 0 : cost(before));
        Iterator<Picture> oldest = pictures.values().iterator();
        while (bytes > budget && pictures.size() > 1 && oldest.hasNext()) {
            bytes -= cost(oldest.next());
            oldest.remove();
        }
    }

    synchronized void forget(Object source) {
        forgetAfter(source, -1);
    }

    /** Forgets the pictures of a source after one of them. */
    synchronized void forgetAfter(Object source, int last) {
        pictures.entrySet().removeIf(entry -> {
            boolean gone = entry.getKey().source() == source && entry.getKey().picture() > last;
            bytes -= gone ? cost(entry.getValue()) : 0;
            return gone;
        });
    }

    /** One more, or one fewer, fills it. */
    synchronized void share(int more) {
        readers += more;
    }

    /** How many pictures like this one fit into the share of one of those who fill it. */
    synchronized int room(Picture like) {
        return (int) Math.min(Integer.MAX_VALUE, budget / cost(like) / Math.max(1, readers));
    }

    /** A picture and the halves that are made of it when it is shown small. */
    private static long cost(Picture picture) {
        return picture.bytes() + picture.bytes() / 3;
    }
}
