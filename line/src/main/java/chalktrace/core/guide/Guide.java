package chalktrace.core.guide;

import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;

/**
 * A line of the set-up that helps to draw and is never handed on.
 *
 * @param id in its shot
 * @param kind what it is
 * @param points what places it, in shot pixels; each can be dragged. How many, and what they mean, says the kind
 */
public record Guide(String id, Kind kind, List<Spot> points) {

    /** A place on the picture, in shot pixels. */
    public record Spot(double x, double y) {

        public Spot {
            if (!(Math.abs(x) <= FARTHEST && Math.abs(y) <= FARTHEST)) {
                throw new IllegalArgumentException("A guide's places lie within a million pixels.");
            }
        }
    }

    /** What a guide is. */
    public enum Kind {
        /** A straight line through two points. */
        LINE(2),
        /** Its middle, the end of one axis, and a point as far away as the other axis is long. */
        ELLIPSE(3),
        /** Where feet stand: a level line through a point. */
        FLOOR(1),
        /** How high something reaches: a level line through a point. */
        HEIGHT(1),
        /** Lines that run to one point. */
        ONE_POINT(1),
        /** Lines that run to one of two points, and upright ones. */
        TWO_POINTS(2);

        private final int points;

        Kind(int points) {
            this.points = points;
        }

        public int points() {
            return points;
        }
    }

    private static final double FARTHEST = 1e6;

    /** @throws IllegalArgumentException when it has another number of points than its kind needs */
    public Guide {
        points = List.copyOf(points);
        if (points.size() != kind.points) {
            throw new IllegalArgumentException("A guide of kind " + kind + " has " + kind.points + " points.");
        }
    }

    /** A new one about the middle of a picture. */
    public static Guide usual(String id, Kind kind, double width, double height) {
        return new Guide(
                id,
                kind,
                switch (kind) {
                    case LINE -> List.of(new Spot(0.25 * width, 0.5 * height), new Spot(0.75 * width, 0.5 * height));
                    case ELLIPSE ->
                        List.of(
                                new Spot(0.5 * width, 0.5 * height),
                                new Spot(0.65 * width, 0.5 * height),
                                new Spot(0.5 * width, 0.6 * height));
                    case FLOOR -> List.of(new Spot(0.5 * width, 0.85 * height));
                    case HEIGHT -> List.of(new Spot(0.5 * width, 0.2 * height));
                    case ONE_POINT -> List.of(new Spot(0.5 * width, 0.4 * height));
                    case TWO_POINTS ->
                        List.of(new Spot(0.1 * width, 0.4 * height), new Spot(0.9 * width, 0.4 * height));
                });
    }

    /** With one of its points elsewhere. */
    public Guide withPoint(int index, double x, double y) {
        double heldX = held(x);
        double heldY = held(y);
        Spot before = points.get(index);
        boolean movesAll = kind == Kind.ELLIPSE && index == 0;
        List<Spot> moved = new ArrayList<>(points);
        for (int i = 0; i < moved.size(); i++) {
            if (movesAll || i == index) {
                Spot spot = moved.get(i);
                moved.set(i, new Spot(spot.x() + heldX - before.x(), spot.y() + heldY - before.y()));
            }
        }
        return new Guide(id, kind, moved);
    }

    /** All of it moved, turned and scaled; level lines stay level. */
    public Guide moved(AffineTransform change) {
        return new Guide(
                id,
                kind,
                points.stream()
                        .map(spot -> change.transform(new Point2D.Double(spot.x(), spot.y()), null))
                        .map(to -> new Spot(held(to.getX()), held(to.getY())))
                        .toList());
    }

    private static double held(double place) {
        return Math.max(-FARTHEST, Math.min(FARTHEST, place));
    }

    public Spot point(int index) {
        return points.get(index);
    }

    /** All of it moved. */
    public Guide movedBy(double right, double down) {
        return new Guide(
                id,
                kind,
                points.stream()
                        .map(spot -> new Spot(spot.x() + right, spot.y() + down))
                        .toList());
    }
}
