package chalktrace.core.stroke;

import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.PriorityQueue;

/**
 * The cheapest way between two places over an edge map: the live wire of Mortensen and Barrett (1995), by Dijkstra's
 * algorithm. Only pixels near both places are looked at. Cost: n log n in these.
 */
public final class LiveWire {

    /** How far around the two places the way may go, in pixels. */
    private static final int MARGIN = 24;

    private record Reached(float cost, int pixel) implements Comparable<Reached> {
        @Override
        public int compareTo(Reached other) {
            return Float.compare(cost, other.cost);
        }
    }

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
        float[] costs = new float[w * h];
        int[] before = new int[w * h];
        boolean[] done = new boolean[w * h];
        Arrays.fill(costs, Float.MAX_VALUE);
        int start = (startY - top) * w + startX - left;
        int end = (endY - top) * w + endX - left;
        costs[start] = 0;
        before[start] = -1;
        PriorityQueue<Reached> next = new PriorityQueue<>();
        next.add(new Reached(0, start));
        while (!next.isEmpty() && !done[end]) {
            int here = next.poll().pixel;
            if (done[here]) {
                continue;
            }
            done[here] = true;
            int x = here % w;
            int y = here / w;
            for (int dy = -1; dy <= 1; dy++) {
                for (int dx = -1; dx <= 1; dx++) {
                    int nx = x + dx;
                    int ny = y + dy;
                    if (nx < 0 || ny < 0 || nx >= w || ny >= h || done[ny * w + nx]) {
                        continue;
                    }
                    float cost = costs[here] + edges.cost(x + left, y + top, nx + left, ny + top);
                    if (cost < costs[ny * w + nx]) {
                        costs[ny * w + nx] = cost;
                        before[ny * w + nx] = here;
                        next.add(new Reached(cost, ny * w + nx));
                    }
                }
            }
        }
        List<Point2D> way = new ArrayList<>();
        for (int at = end; at >= 0; at = before[at]) {
            way.add(new Point2D.Double(at % w + left, at / w + top));
        }
        Collections.reverse(way);
        return way;
    }

    private static int held(double place, int size) {
        return (int) Math.max(0, Math.min(size - 1, Math.round(place)));
    }
}
