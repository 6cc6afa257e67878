package chalktrace.app.study;

import chalktrace.app.board.BoardView;
import chalktrace.app.controls.WhileWanted;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.render.PairOnShot;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Moves the view of the board along with the chosen point, and turns and scales it with the second point of a pair, so that all else is seen relative
 * to it. Nothing of it changes the shot.
 */
final class HoldStill {

    private final StudyWork work;
    private final BoardView board;
    private Optional<Held> last = Optional.empty();

    /** What the view, which moves by whole pixels, still owes. */
    private double owedX;

    private double owedY;

    /** How the point lies on a frame. @param degrees and @param length of a pair, or turn and size of a patch */
    private record Held(Point2D place, OptionalDouble degrees, OptionalDouble length) {}

    HoldStill(StudyWork work, BoardView board) {
        this.work = work;
        this.board = board;
        work.heldStillProperty().addListener((property, before, held) -> {
            if (held) {
                work.chooseAny();
            }
            last = held ? now() : Optional.empty();
            owedX = 0;
            owedY = 0;
            if (!held) {
                board.fit();
            }
        });
        work.chosenProperty().addListener(changed -> last = now());
        WhileWanted.hear(
                work.heldStillProperty()::get,
                List.of(work.heldStillProperty()),
                this::follow,
                work.session().transport().frameProperty());
    }

    private Optional<Held> now() {
        int frame = work.session().transport().frame();
        Optional<PairOnShot> pair = work.chosen().flatMap(work::pair);
        Optional<TrackPath.Place> patch =
                work.chosen().filter(Track::isPatch).flatMap(work::onShot).flatMap(on -> on.place(frame));
        return work.chosenPlace()
                .map(place -> new Held(
                        place,
                        pair.map(p -> p.degrees(frame))
                                .or(() -> patch.map(p -> OptionalDouble.of(p.degrees())))
                                .orElseGet(OptionalDouble::empty),
                        pair.map(p -> p.length(frame))
                                .or(() -> patch.map(p -> OptionalDouble.of(p.scale())))
                                .orElseGet(OptionalDouble::empty)));
    }

    private void follow() {
        Optional<Held> now = now();
        if (now.isEmpty()) {
            return;
        }
        if (last.isPresent()) {
            move(last.get().place(), now.get().place());
            turn(last.get(), now.get());
        }
        last = now;
    }

    private void move(Point2D before, Point2D now) {
        Point2D was = board.toBoard(before.getX(), before.getY());
        Point2D is = board.toBoard(now.getX(), now.getY());
        owedX += was.getX() - is.getX();
        owedY += was.getY() - is.getY();
        board.pan(owedX, owedY);
        Point2D reached = board.toBoard(now.getX(), now.getY());
        owedX -= reached.getX() - is.getX();
        owedY -= reached.getY() - is.getY();
    }

    private void turn(Held before, Held now) {
        if (before.degrees().isEmpty() || now.degrees().isEmpty()) {
            return;
        }
        Point2D about = board.toBoard(now.place().getX(), now.place().getY());
        double turned = Math.IEEEremainder(
                now.degrees().getAsDouble() - before.degrees().getAsDouble(), 360);
        board.turn(board.isTurnedOver() ? turned : -turned, about.getX(), about.getY());
        double grown = now.length().getAsDouble() / before.length().getAsDouble();
        board.zoom(1 / grown, about.getX(), about.getY());
    }
}
