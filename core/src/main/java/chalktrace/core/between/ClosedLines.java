package chalktrace.core.between;

import java.util.ArrayList;
import java.util.List;

/** Where a closed line starts is chance: of all starts the one is taken by which it moves along with the strokes about it. */
final class ClosedLines {

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
        if (!a.isEmpty()) {
            Similarity about = Similarity.fitted(a, b);
            turn = Math.atan2(about.ay(), about.ax());
        }
        Similarity move = new Similarity(Math.cos(turn), Math.sin(turn), partner.middleX(), partner.middleY());
        Polyline wanted = line.moved(new Similarity(1, 0, -line.middleX(), -line.middleY()))
                .moved(move);
        Polyline best = partner;
        double least = Double.MAX_VALUE;
        for (Polyline way : List.of(partner, partner.reversed())) {
            for (int start = 0; start < line.count() - 1; start++) {
                Polyline shifted = way.startedAt(start);
                double off = shifted.distance(wanted);
                if (off < least) {
                    least = off;
                    best = shifted;
                }
            }
        }
        return best;
    }
}
