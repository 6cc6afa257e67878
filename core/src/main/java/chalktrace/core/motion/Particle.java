package chalktrace.core.motion;

import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;

/** A place that goes along with the pictures, and how it has moved beside the camera. */
final class Particle {

    private final int firstPicture;
    private final List<Point2D> seen = new ArrayList<>();
    private final List<Point2D> steady = new ArrayList<>();

    /** @param x in px of the stored picture, @param y down */
    Particle(int firstPicture, double x, double y) {
        this.firstPicture = firstPicture;
        seen.add(new Point2D.Double(x, y));
        steady.add(new Point2D.Double(x, y));
    }

    double x() {
        return seen.get(steps()).getX();
    }

    double y() {
        return seen.get(steps()).getY();
    }

    int steps() {
        return seen.size() - 1;
    }

    /** On to its place in the next picture. @param groundX where it would be had it stood still on the ground, @param groundY likewise */
    void moveTo(double toX, double toY, double groundX, double groundY) {
        Point2D before = steady.get(steps());
        steady.add(new Point2D.Double(before.getX() + toX - groundX, before.getY() + toY - groundY));
        seen.add(new Point2D.Double(toX, toY));
    }

    /** In px of the source as seen. */
    MovingPoint seen(SeenPlace places) {
        return path(seen, places);
    }

    /** As a camera that stands still would see it. */
    MovingPoint steady(SeenPlace places) {
        return path(steady, places);
    }

    private MovingPoint path(List<Point2D> stored, SeenPlace places) {
        List<Point2D> at = stored.stream()
                .map(place -> places.seen(place.getX(), place.getY()))
                .toList();
        return new MovingPoint(
                "",
                firstPicture,
                at.stream().mapToDouble(Point2D::getX).toArray(),
                at.stream().mapToDouble(Point2D::getY).toArray());
    }
}
