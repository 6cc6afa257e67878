package chalktrace.core.between;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Which strokes of a drawing touch, or lie closest to, which others, and where. */
final class Attachments {

    /** Up to this share of the drawing's size two strokes belong together. */
    private static final double TOUCHING = 0.03;

    /** How fast a stroke's hold on another fades with their distance, in shares of the drawing's size. */
    private static final double FADES = 0.1;

    private static final int MOST = 8;
    private static final int LEAST = 3;

    /**
     * @param other stroke
     * @param at the point of this stroke that is closest to the other
     * @param there the point of the other
     * @param distance between both, in pixels
     * @param weight 1 where they touch, less the farther they lie apart
     */
    record Link(int other, int at, int there, double distance, double weight) {}

    private Attachments() {}

    /** For each stroke its closest others, the closest first. @param size of the drawing, in pixels */
    static List<List<Link>> of(List<Polyline> lines, double size) {
        int n = lines.size();
        List<List<Link>> all = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            all.add(new ArrayList<>());
        }
        for (int i = 0; i < n; i++) {
            for (int k = i + 1; k < n; k++) {
                Link link = closest(lines.get(i), lines.get(k), k, size);
                all.get(i).add(link);
                all.get(k).add(new Link(i, link.there, link.at, link.distance, link.weight));
            }
        }
        for (List<Link> links : all) {
            links.sort(Comparator.comparingDouble(Link::distance));
            int keep = LEAST;
            while (keep < Math.min(MOST, links.size()) && links.get(keep).distance < TOUCHING * size) {
                keep++;
            }
            links.subList(Math.min(links.size(), keep), links.size()).clear();
        }
        return all;
    }

    private static Link closest(Polyline a, Polyline b, int other, double size) {
        double least = Double.MAX_VALUE;
        int at = 0;
        int there = 0;
        for (int p = 0; p < a.count(); p++) {
            for (int q = 0; q < b.count(); q++) {
                double dx = a.x()[p] - b.x()[q];
                double dy = a.y()[p] - b.y()[q];
                double squared = dx * dx + dy * dy;
                if (squared < least) {
                    least = squared;
                    at = p;
                    there = q;
                }
            }
        }
        double distance = Math.sqrt(least);
        double beyond = Math.max(0, distance - TOUCHING * size);
        return new Link(other, at, there, distance, Math.exp(-beyond / (FADES * size)));
    }
}
