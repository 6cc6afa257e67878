package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.PenSample;
import java.awt.Shape;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Picks strokes by a loop or a box drawn round them, or by touching one. */
final class PickHand implements Hand {

    private static final double TOUCH_PX = 4;

    private static final double REACH_PX = 6;

    private final Session session;
    private final BoardView board;
    private final DrawnLoop loop;

    /** @param loop shows what is drawn round strokes */
    PickHand(Session session, BoardView board, DrawnLoop loop) {
        this.session = session;
        this.board = board;
        this.loop = loop;
    }

    @Override
    public void down(PenSample sample) {
        move(sample);
    }

    @Override
    public void move(PenSample sample) {
        loop.add(sample);
        loop.show(isByBox() ? corners(loop.dragged()) : loop.places());
    }

    @Override
    public void up(PenSample sample) {
        move(sample);
        boolean touch = loop.isTouch(TOUCH_PX, board.scale());
        Pick before = session.selection().pickProperty().get();
        boolean adds = session.view().shiftHeldProperty().get() && before != null;
        if (session.view().pickAcrossProperty().get() && !adds) {
            session.selection().pickAll(across(sample, touch));
        } else {
            Optional<Pick> picked = picked(String.valueOf(session.selection().level()), sample, touch);
            session.selection()
                    .pickProperty()
                    .set(adds ? picked.map(before::and).orElse(before) : picked.orElse(null));
        }
        giveUp();
    }

    /** By touch a whole part where the stroke belongs to a named one; by loop or box what lies in it. */
    private Optional<Pick> picked(String level, PenSample sample, boolean touch) {
        Shot shot = session.shot();
        int frame = session.transport().frame();
        if (!touch) {
            return Pick.within(shot, level, frame, shape(), isByBox() ? Pick.Rule.TOUCHED : Pick.Rule.MOSTLY_WITHIN);
        }
        Optional<Pick> one = Pick.at(shot, level, frame, sample.x(), sample.y(), REACH_PX / board.scale());
        boolean single = session.view().handlingProperty().get() == View.Handling.POINTS;
        return one.flatMap(pick -> single
                ? one
                : pick.partNames(shot).stream()
                        .findFirst()
                        .flatMap(name -> Pick.part(shot, level, frame, name))
                        .or(() -> one));
    }

    /** What is picked on all levels that show and are not locked, that of the current level first. */
    private List<Pick> across(PenSample sample, boolean touch) {
        Shot shot = session.shot();
        String current = session.selection().level();
        List<Pick> all = new ArrayList<>();
        for (Level level : shot.levels()) {
            if (shot.isShown(level) && !shot.isLocked(level)) {
                picked(level.id(), sample, touch)
                        .ifPresent(pick -> all.add(level.id().equals(current) ? 0 : all.size(), pick));
            }
        }
        return touch && !all.isEmpty() ? all.subList(0, 1) : all;
    }

    @Override
    public void giveUp() {
        loop.clear();
    }

    @Override
    public boolean isBusy() {
        return !loop.isEmpty();
    }

    private boolean isByBox() {
        return session.view().pickByBoxProperty().get();
    }

    private Shape shape() {
        if (isByBox()) {
            return loop.dragged();
        }
        Path2D path = new Path2D.Double(Path2D.WIND_EVEN_ODD);
        List<Point2D> places = loop.places();
        path.moveTo(places.get(0).getX(), places.get(0).getY());
        places.forEach(place -> path.lineTo(place.getX(), place.getY()));
        path.closePath();
        return path;
    }

    private static List<Point2D> corners(Rectangle2D box) {
        return List.of(
                new Point2D.Double(box.getMinX(), box.getMinY()),
                new Point2D.Double(box.getMaxX(), box.getMinY()),
                new Point2D.Double(box.getMaxX(), box.getMaxY()),
                new Point2D.Double(box.getMinX(), box.getMaxY()));
    }
}
