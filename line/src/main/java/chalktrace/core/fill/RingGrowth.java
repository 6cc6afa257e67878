package chalktrace.core.fill;

import java.util.Arrays;

/**
 * Grows a region pixel by pixel along the shortest ways that touch no barrier: Dijkstra's algorithm on the eight neighbours of
 * each pixel, with a bucket for each small step of distance (Dial, "Algorithm 360: Shortest-Path Forest with Topological Ordering",
 * 1969). Cost: linear in the pixels that are added and in the region's edge.
 */
final class RingGrowth {

    private static final int[] STEP_X = {1, 0, -1, 0, 1, -1, -1, 1};
    private static final int[] STEP_Y = {0, 1, 0, -1, 1, 1, -1, -1};

    /** Steps beside and diagonally, in hundredths of a pixel. */
    private static final int BESIDE = 100;

    private static final int DIAGONAL = 141;

    private final Bitmap out;
    private final Bitmap barrier;
    private final int[][] buckets;
    private final int[] counts;

    private RingGrowth(Bitmap region, Bitmap barrier, double reach) {
        this.out = new Bitmap(region.width, region.height, region.on.clone());
        this.barrier = barrier;
        int most = (int) Math.floor(reach * BESIDE);
        buckets = new int[Math.max(0, most) + 1][];
        counts = new int[buckets.length];
    }

    /** @param reach the longest way, in pixels */
    static Bitmap around(Bitmap region, Bitmap barrier, double reach) {
        RingGrowth growth = new RingGrowth(region, barrier, reach);
        region.eachEdge((y, start, end) -> {
            for (int x = start; x < end; x++) {
                growth.spread(x, y, 0);
            }
        });
        growth.run();
        return growth.out;
    }

    private void run() {
        for (int away = 0; away < buckets.length; away++) {
            for (int i = 0; i < counts[away]; i++) {
                int pixel = buckets[away][i];
                if (!out.on[pixel]) {
                    out.on[pixel] = true;
                    spread(pixel % out.width, pixel / out.width, away);
                }
            }
        }
    }

    private void spread(int x, int y, int away) {
        for (int i = 0; i < 8; i++) {
            int nx = x + STEP_X[i];
            int ny = y + STEP_Y[i];
            boolean inside = nx >= 0 && ny >= 0 && nx < out.width && ny < out.height;
            if (!inside || out.on[ny * out.width + nx] || barrier.on[ny * out.width + nx]) {
                continue;
            }
            // Between two barrier pixels that touch at a corner there is no way through.
            boolean diagonal = i >= 4;
            if (diagonal && barrier.at(nx, y) && barrier.at(x, ny)) {
                continue;
            }
            int far = away + (diagonal ? DIAGONAL : BESIDE);
            if (far < buckets.length) {
                put(far, ny * out.width + nx);
            }
        }
    }

    private void put(int away, int pixel) {
        if (buckets[away] == null) {
            buckets[away] = new int[64];
        } else if (counts[away] == buckets[away].length) {
            buckets[away] = Arrays.copyOf(buckets[away], 2 * counts[away]);
        }
        buckets[away][counts[away]++] = pixel;
    }
}
