package chalktrace.core.render;

import chalktrace.core.shot.Placement;
import java.awt.geom.Point2D;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;

/** Two followed points of which the second tells how what lies at the first is turned and how large it is. */
public record PairOnShot(TrackOnShot point, TrackOnShot other) {

    /** Nearer than this, in px, two points tell no direction. */
    private static final double LEAST_LENGTH = 1;

    /** From the first to the second, in px; empty where one is not known. */
    public OptionalDouble length(int frame) {
        return along(frame)
                .map(way -> OptionalDouble.of(Math.hypot(way.getX(), way.getY())))
                .orElseGet(OptionalDouble::empty);
    }

    /** Where the second lies from the first: degrees from the right, clockwise; empty where they are as good as one. */
    public OptionalDouble degrees(int frame) {
        return along(frame)
                .filter(way -> Math.hypot(way.getX(), way.getY()) >= LEAST_LENGTH)
                .map(way -> OptionalDouble.of(Math.toDegrees(Math.atan2(way.getY(), way.getX()))))
                .orElseGet(OptionalDouble::empty);
    }

    private Optional<Point2D> along(int frame) {
        Optional<Point2D> from = point.at(frame);
        Optional<Point2D> to = other.at(frame);
        return from.isEmpty() || to.isEmpty()
                ? Optional.empty()
                : Optional.of(new Point2D.Double(
                        to.get().getX() - from.get().getX(),
                        to.get().getY() - from.get().getY()));
    }

    /** What has happened to the pair since a frame, as what lies on it has to be moved, turned and scaled; empty where it is not known on that frame. */
    public NavigableMap<Integer, Placement> movesSince(int frame) {
        TreeMap<Integer, Placement> out = new TreeMap<>();
        OptionalDouble length = length(frame);
        OptionalDouble degrees = degrees(frame);
        if (length.isEmpty() || degrees.isEmpty()) {
            return out;
        }
        Point2D from = point.at(frame).orElseThrow();
        for (int f = 0; f < point.shot().setup().length(); f++) {
            OptionalDouble turned = degrees(f);
            if (turned.isPresent()) {
                Point2D to = point.at(f).orElseThrow();
                out.put(
                        f,
                        Placement.taking(
                                from.getX(),
                                from.getY(),
                                to.getX(),
                                to.getY(),
                                length(f).getAsDouble() / length.getAsDouble(),
                                turned.getAsDouble() - degrees.getAsDouble(),
                                point.shot().setup().size().width() / 2.0,
                                point.shot().setup().size().height() / 2.0));
            }
        }
        return out;
    }
}
