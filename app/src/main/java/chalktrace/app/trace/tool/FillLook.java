package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.controls.Colors;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.core.edit.drawing.FillEdits.Found;
import chalktrace.core.fill.Contours;
import java.awt.geom.Point2D;
import javafx.animation.PauseTransition;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.FillRule;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.util.Duration;

/** Shows which region a touch of the fill tool would paint, where the pointer rests; broken where the lines leave it open. */
final class FillLook extends Path {

    private static final Duration REST = Duration.millis(120);
    private static final double FAINT = 0.45;

    private final TraceWork work;
    private final Session session;
    private final BoardView board;
    private final PauseTransition rest = new PauseTransition(REST);
    private double x;
    private double y;

    FillLook(TraceWork work, BoardView board) {
        this.work = work;
        this.session = work.session();
        this.board = board;
        getStyleClass().add("fill-look");
        setMouseTransparent(true);
        setManaged(false);
        setFillRule(FillRule.EVEN_ODD);
        rest.setOnFinished(done -> look());
        work.painting().lookedProperty().addListener((property, before, found) -> show(found));
        session.view().toolProperty().addListener(changed -> work.painting().giveUp());
    }

    /** Hears where the pointer is. */
    void pointerAt(MouseEvent event) {
        Point2D place = board.toShot(event.getX(), event.getY());
        Found looked = work.painting().lookedProperty().get();
        if (event.getEventType() == MouseEvent.MOUSE_EXITED) {
            rest.stop();
            work.painting().giveUp();
        } else if (looked == null || !looked.area().contains(place.getX(), place.getY())) {
            x = place.getX();
            y = place.getY();
            rest.playFromStart();
        }
    }

    private void look() {
        if (session.view().toolProperty().get().equals(View.Tool.FILL)
                && !session.document().isLooking()) {
            work.painting().look(x, y);
        }
    }

    private void show(Found found) {
        getElements().clear();
        if (found == null) {
            return;
        }
        Contours area = found.area();
        for (int r = 0; r < area.rings(); r++) {
            double[] ring = area.ring(r);
            for (int i = 0; i < ring.length; i += 2) {
                Point2D place = board.toBoard(ring[i], ring[i + 1]);
                getElements()
                        .add(i == 0 ? new MoveTo(place.getX(), place.getY()) : new LineTo(place.getX(), place.getY()));
            }
            getElements().add(new ClosePath());
        }
        getStyleClass().remove("open");
        if (found.open()) {
            getStyleClass().add("open");
            setFill(null);
        } else {
            setFill(Colors.of(session.shot()
                            .chalk(session.selection().chalkProperty().get())
                            .color())
                    .deriveColor(0, 1, 1, FAINT));
        }
    }
}
