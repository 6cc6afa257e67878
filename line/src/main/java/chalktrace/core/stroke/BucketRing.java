package chalktrace.core.stroke;

import java.util.Arrays;

/**
 * A queue of whole-numbered costs that never differ by as much as its size: a ring of buckets, in which adding and taking cost
 * the same however much it holds (Dial, "Algorithm 360: Shortest-path forest with topological ordering", CACM 1969).
 */
final class BucketRing {

    private final int[][] buckets;
    private final int[] counts;
    private int lowest;

    BucketRing(int size) {
        buckets = new int[size][4];
        counts = new int[size];
    }

    /** @param cost at least that of what was taken last, and less than that plus the size */
    void add(int cost, int item) {
        int bucket = cost % buckets.length;
        if (counts[bucket] == buckets[bucket].length) {
            buckets[bucket] = Arrays.copyOf(buckets[bucket], 2 * counts[bucket]);
        }
        buckets[bucket][counts[bucket]++] = item;
    }

    /** One of the items of the lowest cost; there must be one. */
    int poll() {
        while (counts[lowest % buckets.length] == 0) {
            lowest++;
        }
        int bucket = lowest % buckets.length;
        return buckets[bucket][--counts[bucket]];
    }
}
