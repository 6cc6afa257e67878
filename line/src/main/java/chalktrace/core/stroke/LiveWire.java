package chalktrace.core.stroke;

import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/**
 * The cheapest way between two places over an edge map: the live wire of Mortensen and Barrett (1995), by Dijkstra's
 * algorithm. Only pixels near both places are looked at. Cost: linear in these.
 */
public final class LiveWire {

    /** How far around the two places the way may go, in pixels. */
    private static final int MARGIN = 24;

    /** Costs are counted in this many parts of the dearest step, so that a ring of buckets serves as the queue. */
    private static final int PARTS = 255;

    private LiveWire() {}

    /** From pixel to neighbouring pixel; places outside the map are taken at its edge. */
    public static List<Point2D> between(EdgeMap edges, Point2D from, Point2D to) {
        int startX = held(from.getX(), edges.width());
        int startY = held(from.getY(), edges.height());
        int endX = held(to.getX(), edges.width());
        int endY = held(to.getY(), edges.height());
        int left = Math.max(0, Math.min(startX, endX) - MARGIN);
        int top = Math.max(0, Math.min(startY, endY) - MARGIN);
        int w = Math.min(edges.width() - 1, Math.max(startX, endX) + MARGIN) - left + 1;
        int h = Math.min(edges.height() - 1, Math.max(startY, endY) + MARGIN) - top + 1;
        int start = (startY - top) * w + startX - left;
        int end = (endY - top) * w + endX - left;
        int[] before = search(edges, left, top, w, h, start, end);
        List<Point2D> way = new ArrayList<>();
        for (int at = end; at >= 0; at = before[at]) {
            way.add(new Point2D.Double(at % w + left, at / w + top));
        }
        Collections.reverse(way);
        return way;
    }

    /** For each pixel that was reached, the one before it on its way; -1 at the start. */
    private static int[] search(EdgeMap edges, int left, int top, int w, int h, int start, int end) {
        int[] costs = new int[w * h];
        int[] before = new int[w * h];
        boolean[] done = new boolean[w * h];
        Arrays.fill(costs, Integer.MAX_VALUE);
        costs[start] = 0;
        before[start] = -1;
        BucketRing next = new BucketRing(PARTS + 1);
        next.add(0, start);
        while (!done[end]) {
            int here = next.poll();
            if (done[here]) {
                continue;
            }
            done[here] = true;
            int x = here % w;
            int y = here / w;
            for (int ny = Math.max(0, y - 1); ny <= Math.min(h - 1, y + 1); ny++) {
                for (int nx = Math.max(0, x - 1); nx <= Math.min(w - 1, x + 1); nx++) {
                    int there = ny * w + nx;
                    if (done[there]) {
                        continue;
                    }
                    float step = edges.cost(x + left, y + top, nx + left, ny + top);
                    int cost = costs[here] + Math.max(1, Math.min(PARTS, Math.round(step * PARTS)));
                    if (cost < costs[there]) {
                        costs[there] = cost;
                        before[there] = here;
                        next.add(cost, there);
                    }
                }
            }
        }
        return before;
    }

    private static int held(double place, int size) {
        return (int) Math.max(0, Math.min(size - 1, Math.round(place)));
    }
}
