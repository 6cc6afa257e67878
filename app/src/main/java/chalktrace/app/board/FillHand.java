package chalktrace.app.board;

import chalktrace.app.session.Painting;
import chalktrace.core.stroke.PenSample;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Paints the region that is touched; a loop that is drawn is painted itself. */
final class FillHand implements Hand {

    /** Less than this on the board is a touch and not a loop. */
    private static final double TOUCH_PX = 6;

    private final Painting painting;
    private final BoardView board;
    private final List<Point2D> places = new ArrayList<>();
    private final ReadOnlyObjectWrapper<List<Point2D>> loop = new ReadOnlyObjectWrapper<>(List.of());
    private boolean busy;

    FillHand(Painting painting, BoardView board) {
        this.painting = painting;
        this.board = board;
    }

    /** The corners of a loop that is being drawn, in shot pixels; none while none is. */
    ReadOnlyObjectProperty<List<Point2D>> loopProperty() {
        return loop.getReadOnlyProperty();
    }

    @Override
    public void down(PenSample sample) {
        busy = true;
        places.clear();
        places.add(new Point2D.Double(sample.x(), sample.y()));
    }

    @Override
    public void move(PenSample sample) {
        places.add(new Point2D.Double(sample.x(), sample.y()));
        if (isLoop()) {
            loop.set(List.copyOf(places));
        }
    }

    @Override
    public void up(PenSample sample) {
        move(sample);
        if (isLoop()) {
            painting.fillLoop(List.copyOf(places));
        } else {
            painting.fillAt(sample.x(), sample.y());
        }
        end();
    }

    @Override
    public void giveUp() {
        painting.giveUp();
        end();
    }

    @Override
    public boolean isBusy() {
        return busy;
    }

    private void end() {
        busy = false;
        places.clear();
        loop.set(List.of());
    }

    private boolean isLoop() {
        Rectangle2D.Double box =
                new Rectangle2D.Double(places.get(0).getX(), places.get(0).getY(), 0, 0);
        places.forEach(box::add);
        return Math.max(box.getWidth(), box.getHeight()) * board.scale() >= TOUCH_PX;
    }
}
