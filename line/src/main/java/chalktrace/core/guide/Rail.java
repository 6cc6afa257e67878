package chalktrace.core.guide;

import chalktrace.core.guide.Guide.Spot;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a stroke runs along that snaps to a guide: gives the nearest place on it. */
@FunctionalInterface
public interface Rail {

    Point2D nearest(double x, double y);

    /**
     * The rail of a stroke that starts near a guide's own line: the nearest within reach. Guides in perspective have none
     * here; see {@link #towards}.
     *
     * @param reach in shot pixels
     */
    static Optional<Rail> at(List<Guide> guides, double x, double y, double reach) {
        Rail best = null;
        double closest = reach;
        for (Guide guide : guides) {
            Optional<Rail> rail = of(guide);
            double away = rail.map(r -> r.nearest(x, y).distance(x, y)).orElse(Double.MAX_VALUE);
            if (away <= closest) {
                closest = away;
                best = rail.get();
            }
        }
        return Optional.ofNullable(best);
    }

    /**
     * The rail of a stroke that starts anywhere and runs in a direction: the line through its start to the vanishing point
     * (or upright, or level, between two points) that the direction comes closest to. Empty without a guide in perspective,
     * or where the start lies on its point.
     */
    static Optional<Rail> towards(List<Guide> guides, double x, double y, double directionX, double directionY) {
        double length = Math.hypot(directionX, directionY);
        Rail best = null;
        double straightest = 0;
        for (Guide guide : guides) {
            if (length == 0 || guide.kind() != Guide.Kind.ONE_POINT && guide.kind() != Guide.Kind.TWO_POINTS) {
                continue;
            }
            for (double[] way : ways(guide, x, y)) {
                double cosine = Math.abs(way[0] * directionX + way[1] * directionY) / length;
                if (cosine > straightest) {
                    straightest = cosine;
                    best = line(x, y, x + way[0], y + way[1]);
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** The ways that a guide in perspective offers from a place, each of length one. */
    private static List<double[]> ways(Guide guide, double x, double y) {
        List<double[]> all = new ArrayList<>();
        for (Spot point : guide.points()) {
            double dx = point.x() - x;
            double dy = point.y() - y;
            double away = Math.hypot(dx, dy);
            if (away > 1e-6) {
                all.add(new double[] {dx / away, dy / away});
            }
        }
        all.add(new double[] {0, 1});
        if (guide.kind() == Guide.Kind.ONE_POINT) {
            all.add(new double[] {1, 0});
        }
        return all;
    }

    /** A guide's own line; guides in perspective have none. */
    static Optional<Rail> of(Guide guide) {
        return switch (guide.kind()) {
            case LINE ->
                Optional.of(line(
                        guide.point(0).x(),
                        guide.point(0).y(),
                        guide.point(1).x(),
                        guide.point(1).y()));
            case ELLIPSE -> Optional.of(new EllipseRail(guide));
            case FLOOR, HEIGHT -> {
                double level = guide.point(0).y();
                yield Optional.of((x, y) -> new Point2D.Double(x, level));
            }
            case ONE_POINT, TWO_POINTS -> Optional.empty();
        };
    }

    private static Rail line(double x0, double y0, double x1, double y1) {
        double dx = x1 - x0;
        double dy = y1 - y0;
        double squared = dx * dx + dy * dy;
        return (x, y) -> {
            double along = squared == 0 ? 0 : ((x - x0) * dx + (y - y0) * dy) / squared;
            return new Point2D.Double(x0 + along * dx, y0 + along * dy);
        };
    }
}
