package chalktrace.app.study;

import chalktrace.app.board.BoardView;
import java.awt.geom.Point2D;
import java.util.Optional;

/** Moves the view of the board along with the chosen point, so that all else is seen relative to it. Nothing of it changes the shot. */
final class HoldStill {

    private final StudyWork work;
    private final BoardView board;
    private Optional<Point2D> last = Optional.empty();

    /** What the view, which moves by whole pixels, still owes. */
    private double owedX;

    private double owedY;

    HoldStill(StudyWork work, BoardView board) {
        this.work = work;
        this.board = board;
        work.heldStillProperty().addListener((property, before, held) -> {
            last = held ? work.chosenPlace() : Optional.empty();
            owedX = 0;
            owedY = 0;
            if (!held) {
                board.fit();
            }
        });
        work.chosenProperty().addListener(changed -> last = work.chosenPlace());
        work.session().transport().frameProperty().addListener(changed -> follow());
    }

    private void follow() {
        if (!work.heldStillProperty().get()) {
            return;
        }
        Optional<Point2D> now = work.chosenPlace();
        if (now.isEmpty()) {
            return;
        }
        last.ifPresent(before -> {
            Point2D was = board.toBoard(before.getX(), before.getY());
            Point2D is = board.toBoard(now.get().getX(), now.get().getY());
            owedX += was.getX() - is.getX();
            owedY += was.getY() - is.getY();
            board.pan(owedX, owedY);
            Point2D reached = board.toBoard(now.get().getX(), now.get().getY());
            owedX -= reached.getX() - is.getX();
            owedY -= reached.getY() - is.getY();
        });
        last = now;
    }
}
