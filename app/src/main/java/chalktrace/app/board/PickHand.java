package chalktrace.app.board;

import chalktrace.app.session.Session;
import chalktrace.core.edit.Pick;
import chalktrace.core.stroke.PenSample;
import java.awt.Shape;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Picks strokes by a loop or a box drawn round them, or by touching one. */
final class PickHand implements Hand {

    /** Less than this on the board is a touch and not a loop. */
    private static final double TOUCH_PX = 4;

    private static final double REACH_PX = 6;

    private final Session session;
    private final BoardView board;
    private final ReadOnlyObjectWrapper<List<Point2D>> loop = new ReadOnlyObjectWrapper<>(List.of());
    private final List<Point2D> places = new ArrayList<>();
    private boolean busy;

    PickHand(Session session, BoardView board) {
        this.session = session;
        this.board = board;
    }

    /** The corners of what is being drawn round strokes, in shot pixels; none while nothing is. */
    ReadOnlyObjectProperty<List<Point2D>> loopProperty() {
        return loop.getReadOnlyProperty();
    }

    @Override
    public void down(PenSample sample) {
        busy = true;
        places.clear();
        move(sample);
    }

    @Override
    public void move(PenSample sample) {
        places.add(new Point2D.Double(sample.x(), sample.y()));
        loop.set(session.view().pickByBoxProperty().get() ? boxCorners() : List.copyOf(places));
    }

    @Override
    public void up(PenSample sample) {
        move(sample);
        Rectangle2D box = box();
        boolean touch = Math.max(box.getWidth(), box.getHeight()) * board.scale() < TOUCH_PX;
        String level = String.valueOf(session.selection().level());
        int frame = session.transport().frame();
        Optional<Pick> picked = touch
                ? Pick.at(session.shot(), level, frame, sample.x(), sample.y(), REACH_PX / board.scale())
                : Pick.within(
                        session.shot(),
                        level,
                        frame,
                        shape(),
                        session.view().pickByBoxProperty().get() ? Pick.Rule.TOUCHED : Pick.Rule.MOSTLY_WITHIN);
        Pick before = session.selection().pickProperty().get();
        boolean adds = session.view().shiftHeldProperty().get() && before != null;
        session.selection().pickProperty().set(adds ? picked.map(before::and).orElse(before) : picked.orElse(null));
        giveUp();
    }

    @Override
    public void giveUp() {
        busy = false;
        places.clear();
        loop.set(List.of());
    }

    @Override
    public boolean isBusy() {
        return busy;
    }

    private Shape shape() {
        if (session.view().pickByBoxProperty().get()) {
            return box();
        }
        Path2D path = new Path2D.Double(Path2D.WIND_EVEN_ODD);
        path.moveTo(places.get(0).getX(), places.get(0).getY());
        places.forEach(place -> path.lineTo(place.getX(), place.getY()));
        path.closePath();
        return path;
    }

    private Rectangle2D box() {
        Rectangle2D.Double box =
                new Rectangle2D.Double(places.get(0).getX(), places.get(0).getY(), 0, 0);
        if (session.view().pickByBoxProperty().get()) {
            box.add(places.get(places.size() - 1));
        } else {
            places.forEach(box::add);
        }
        return box;
    }

    private List<Point2D> boxCorners() {
        Rectangle2D box = box();
        return List.of(
                new Point2D.Double(box.getMinX(), box.getMinY()),
                new Point2D.Double(box.getMaxX(), box.getMinY()),
                new Point2D.Double(box.getMaxX(), box.getMaxY()),
                new Point2D.Double(box.getMinX(), box.getMaxY()));
    }
}
