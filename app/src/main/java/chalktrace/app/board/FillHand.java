package chalktrace.app.board;

import chalktrace.app.session.Painting;
import chalktrace.core.stroke.PenSample;

/** Paints the region that is touched. */
final class FillHand implements Hand {

    private final Painting painting;

    FillHand(Painting painting) {
        this.painting = painting;
    }

    @Override
    public void down(PenSample sample) {
        painting.fillAt(sample.x(), sample.y());
    }

    @Override
    public void move(PenSample sample) {
        // A fill is a touch.
    }

    @Override
    public void up(PenSample sample) {
        // It has begun with the touch.
    }

    @Override
    public void giveUp() {
        painting.giveUp();
    }

    @Override
    public boolean isBusy() {
        return false;
    }
}
