package chalktrace.app.ruler;

import chalktrace.app.board.BoardView;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.motion.Measure;
import java.awt.geom.Point2D;
import java.util.List;
import javafx.beans.property.ObjectProperty;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;

/** The measured line over the board, with its numbers beside its middle, while the ruler is chosen. */
final class RulerLook extends Canvas {

    private static final double END_PX = 6;
    private static final double TEXT_PX = 12;

    /** How wide a letter of the mono is, of its size. */
    private static final double MONO_SHARE = 0.6;

    private final Session session;
    private final BoardView board;
    private final ObjectProperty<Measure> measured;

    RulerLook(Session session, BoardView board, ObjectProperty<Measure> measured) {
        this.session = session;
        this.board = board;
        this.measured = measured;
        setMouseTransparent(true);
        setManaged(false);
        WhileWanted.show(
                this::isWanted,
                List.of(session.view().toolProperty(), measured),
                this::show,
                board.framesShownProperty());
    }

    private boolean isWanted() {
        return measured.get() != null && session.view().toolProperty().get().equals(RulerTool.TOOL);
    }

    private void show() {
        Measure measure = measured.get();
        setVisible(isWanted());
        if (!isVisible()) {
            return;
        }
        setWidth(board.getWidth());
        setHeight(board.getHeight());
        GraphicsContext g = getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        Point2D from = board.toBoard(measure.x1(), measure.y1());
        Point2D to = board.toBoard(measure.x2(), measure.y2());
        // Dark under light, to be seen over any picture.
        g.setLineWidth(3.5);
        g.setStroke(Theme.tones().window());
        line(g, from, to);
        g.setLineWidth(1.5);
        g.setStroke(Theme.tones().accent());
        line(g, from, to);
        words(g, measure.words(), (from.getX() + to.getX()) / 2, (from.getY() + to.getY()) / 2);
    }

    /** With a short bar across each end. */
    private static void line(GraphicsContext g, Point2D from, Point2D to) {
        g.strokeLine(from.getX(), from.getY(), to.getX(), to.getY());
        double length = Math.max(1e-6, from.distance(to));
        double x = END_PX * (to.getX() - from.getX()) / length;
        double y = END_PX * (to.getY() - from.getY()) / length;
        for (Point2D end : new Point2D[] {from, to}) {
            g.strokeLine(end.getX() - y, end.getY() + x, end.getX() + y, end.getY() - x);
        }
    }

    private void words(GraphicsContext g, String words, double atX, double atY) {
        g.setFont(Theme.mono(TEXT_PX));
        double width = words.length() * MONO_SHARE * TEXT_PX + 16;
        double x = Math.max(4, Math.min(getWidth() - width - 4, atX + 12));
        double y = Math.max(4, Math.min(getHeight() - 26, atY + 12));
        g.setFill(Theme.tones().window());
        g.fillRoundRect(x, y, width, 22, 6, 6);
        g.setFill(Theme.tones().text());
        g.fillText(words, x + 8, y + 15);
    }
}
