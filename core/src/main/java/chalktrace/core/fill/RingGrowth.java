package chalktrace.core.fill;

import java.util.PriorityQueue;

/**
 * Grows a region pixel by pixel along the shortest ways that touch no barrier: Dijkstra's algorithm on the eight neighbours of
 * each pixel. Cost: n log n in the pixels that are added and in the region's edge.
 */
final class RingGrowth {

    private static final int[] STEP_X = {1, 0, -1, 0, 1, -1, -1, 1};
    private static final int[] STEP_Y = {0, 1, 0, -1, 1, 1, -1, -1};

    private record Reached(float away, int pixel) implements Comparable<Reached> {
        @Override
        public int compareTo(Reached other) {
            return Float.compare(away, other.away);
        }
    }

    private RingGrowth() {}

    /** @param reach the longest way, in pixels */
    static Bitmap around(Bitmap region, Bitmap barrier, double reach) {
        int w = region.width;
        Bitmap out = new Bitmap(w, region.height, region.on.clone());
        PriorityQueue<Reached> next = new PriorityQueue<>();
        for (int y = 0; y < region.height; y++) {
            for (int x = 0; x < w; x++) {
                if (region.isEdge(x, y)) {
                    spread(x, y, 0, reach, out, barrier, next);
                }
            }
        }
        while (!next.isEmpty()) {
            Reached here = next.poll();
            if (!out.on[here.pixel]) {
                out.on[here.pixel] = true;
                spread(here.pixel % w, here.pixel / w, here.away, reach, out, barrier, next);
            }
        }
        return out;
    }

    private static void spread(
            int x, int y, float away, double reach, Bitmap out, Bitmap barrier, PriorityQueue<Reached> next) {
        for (int i = 0; i < 8; i++) {
            int nx = x + STEP_X[i];
            int ny = y + STEP_Y[i];
            boolean inside = nx >= 0 && ny >= 0 && nx < out.width && ny < out.height;
            if (!inside || out.at(nx, ny) || barrier.at(nx, ny)) {
                continue;
            }
            // Between two barrier pixels that touch at a corner there is no way through.
            boolean diagonal = i >= 4;
            if (diagonal && barrier.at(nx, y) && barrier.at(x, ny)) {
                continue;
            }
            float far = away + (diagonal ? 1.4142135f : 1);
            if (far <= reach) {
                next.add(new Reached(far, ny * out.width + nx));
            }
        }
    }
}
