package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.session.Session;
import chalktrace.core.edit.GuideEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.guide.Rail;
import chalktrace.core.stroke.PenSample;

/** Moves guides: by one of their points, or whole by their line. */
final class GuideHand implements Hand {

    private static final double REACH_PX = 12;

    private final Session session;
    private final BoardView board;
    private Guide grabbed;
    private int point;
    private int frame;
    private PenSample start;
    private Guide now;

    GuideHand(Session session, BoardView board) {
        this.session = session;
        this.board = board;
    }

    @Override
    public void down(PenSample sample) {
        giveUp();
        frame = session.transport().frame();
        double closest = REACH_PX / board.scale();
        for (Guide guide : session.shot().guides(frame)) {
            for (int i = 0; i < guide.points().size(); i++) {
                double away = Math.hypot(
                        guide.point(i).x() - sample.x(), guide.point(i).y() - sample.y());
                if (away <= closest) {
                    closest = away;
                    take(guide, i, sample);
                }
            }
        }
        if (grabbed == null) {
            session.shot().guides(frame).stream()
                    .filter(guide -> Rail.of(guide)
                            .filter(rail -> rail.nearest(sample.x(), sample.y()).distance(sample.x(), sample.y())
                                    <= REACH_PX / board.scale())
                            .isPresent())
                    .findFirst()
                    .ifPresent(guide -> take(guide, -1, sample));
        }
    }

    private void take(Guide guide, int index, PenSample sample) {
        grabbed = guide;
        point = index;
        start = sample;
        now = guide;
    }

    @Override
    public void move(PenSample sample) {
        now = point < 0
                ? grabbed.movedBy(sample.x() - start.x(), sample.y() - start.y())
                : grabbed.withPoint(point, sample.x(), sample.y());
        session.document().preview(GuideEdits.change(now, frame));
    }

    @Override
    public void up(PenSample sample) {
        Guide moved = now;
        boolean changed = !moved.equals(grabbed);
        giveUp();
        if (changed) {
            session.document().apply(GuideEdits.change(moved, frame));
        }
    }

    @Override
    public void giveUp() {
        if (grabbed != null) {
            grabbed = null;
            session.document().preview(null);
        }
    }

    @Override
    public boolean isBusy() {
        return grabbed != null;
    }
}
