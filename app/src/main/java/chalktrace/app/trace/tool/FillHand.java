package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.trace.work.Painting;
import chalktrace.core.stroke.PenSample;

/** Paints the region that is touched; a loop that is drawn is painted itself. */
final class FillHand implements Hand {

    private static final double TOUCH_PX = 6;

    private final Painting painting;
    private final BoardView board;
    private final DrawnLoop loop;

    /** @param loop shows what is drawn round regions */
    FillHand(Painting painting, BoardView board, DrawnLoop loop) {
        this.painting = painting;
        this.board = board;
        this.loop = loop;
    }

    @Override
    public void down(PenSample sample) {
        loop.add(sample);
    }

    @Override
    public void move(PenSample sample) {
        loop.add(sample);
        if (!loop.isTouch(TOUCH_PX, board.scale())) {
            loop.show(loop.places());
        }
    }

    @Override
    public void up(PenSample sample) {
        loop.add(sample);
        if (loop.isTouch(TOUCH_PX, board.scale())) {
            painting.fillAt(sample.x(), sample.y());
        } else {
            painting.fillLoop(loop.places());
        }
        loop.clear();
    }

    @Override
    public void giveUp() {
        painting.giveUp();
        loop.clear();
    }

    @Override
    public boolean isBusy() {
        return !loop.isEmpty();
    }
}
