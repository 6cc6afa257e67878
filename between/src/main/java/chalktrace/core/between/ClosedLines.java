package chalktrace.core.between;

import java.util.ArrayList;
import java.util.List;

/**
 * Where a closed line starts is chance: of all starts the one is taken by which its shape fits best, and, of a round one, by which it turns as the strokes
 * about it do.
 */
final class ClosedLines {

    /** A turn of one radian beside what is about it counts as much as this share of the line's length in shape. */
    private static final double TURN = 0.05;

    private ClosedLines() {}

    /** The partner of a stroke as it is, or started elsewhere where both are closed. @param links of the stroke */
    static Polyline turnedOnto(int stroke, List<Polyline> from, List<Polyline> to, List<Attachments.Link> links) {
        Polyline line = from.get(stroke);
        Polyline partner = to.get(stroke);
        if (!line.isClosed() || !partner.isClosed()) {
            return partner;
        }
        List<Polyline> a = new ArrayList<>();
        List<Polyline> b = new ArrayList<>();
        for (Attachments.Link link : links) {
            if (!from.get(link.other()).isClosed() || !to.get(link.other()).isClosed()) {
                a.add(from.get(link.other()));
                b.add(to.get(link.other()));
            }
        }
        double turn = 0;
        double length = Math.max(1, (line.length() + partner.length()) / 2);
        if (!a.isEmpty()) {
            Similarity about = Similarity.fitted(a, b);
            turn = Math.atan2(about.ay(), about.ax());
        }
        Polyline best = partner;
        double least = Double.MAX_VALUE;
        for (Polyline way : List.of(partner, partner.reversed())) {
            for (int start = 0; start < line.count() - 1; start++) {
                Polyline shifted = way.startedAt(start);
                Similarity onto = Similarity.rigid(line, shifted, 1);
                double beside = Math.abs(Math.IEEEremainder(Math.atan2(onto.ay(), onto.ax()) - turn, 2 * Math.PI));
                double off = onto.distance(line, shifted) / length + TURN * beside;
                if (off < least) {
                    least = off;
                    best = shifted;
                }
            }
        }
        return best;
    }
}
