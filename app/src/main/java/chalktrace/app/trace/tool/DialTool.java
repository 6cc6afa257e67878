package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Tool;
import chalktrace.app.trace.work.Sizes;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Chalk;
import chalktrace.core.stroke.PenSample;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.BooleanProperty;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.shape.Circle;
import org.kordamp.ikonli.Ikon;

/**
 * Sets how wide or how strong the tool draws that was in hand, by a drag for as long as a key is held: the width's half is the way from where the pen landed,
 * and shows as a ring of that size; the strength goes up to the right and down to the left. Then that tool is in hand again.
 */
public final class DialTool implements BoardTool {

    public static final Tool WIDTH = new Tool("dial-width");
    public static final Tool STRENGTH = new Tool("dial-strength");

    /** A drag so long on the board goes from nothing to full strength. */
    private static final double FULL_PX = 200;

    /** A hand that only touches moves by no more, on the board. */
    private static final double SHAKE_PX = 3;

    private static final double STRENGTH_RING_PX = 24;

    private final Session session;
    private final Sizes sizes;
    private final Tool dial;
    private final Lent lent;
    private final Circle ring = new Circle();
    private final Circle outerRing = new Circle();
    private final Label word = new Label();

    /** @param dial one of {@link #WIDTH} and {@link #STRENGTH} */
    public DialTool(Session session, Sizes sizes, Tool dial) {
        this.session = session;
        this.sizes = sizes;
        this.dial = dial;
        ring.getStyleClass().add("brush-ring");
        outerRing.getStyleClass().add("brush-ring-outer");
        word.getStyleClass().add("dial-word");
        for (Node node : List.of(ring, outerRing, word)) {
            node.setManaged(false);
            node.setVisible(false);
        }
        this.lent = new Lent(session.view().toolProperty(), dial);
    }

    /** Whether its key is held. */
    public BooleanProperty heldProperty() {
        return lent.heldProperty();
    }

    @Override
    public Tool tool() {
        return dial;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.empty();
    }

    @Override
    public String use() {
        return Words.TRACE.of("tool." + dial.id());
    }

    @Override
    public boolean draws() {
        return false;
    }

    @Override
    public OptionalDouble ringPx(double scale) {
        return OptionalDouble.of(isWidth() ? sizes.width(lent.served()) / 2 * scale : STRENGTH_RING_PX);
    }

    @Override
    public List<Node> overlay(BoardView board) {
        return List.of(outerRing, ring, word);
    }

    @Override
    public Hand hand(BoardView board) {
        return new Dial(board);
    }

    private boolean isWidth() {
        return dial.equals(WIDTH);
    }

    /** One drag. */
    private final class Dial implements Hand {

        private final BoardView board;
        private PenSample start;
        private double strengthBefore;
        private boolean moved;

        Dial(BoardView board) {
            this.board = board;
        }

        @Override
        public void down(PenSample sample) {
            start = sample;
            strengthBefore = sizes.strength();
            moved = false;
        }

        @Override
        public void move(PenSample sample) {
            moved |= Math.hypot(sample.x() - start.x(), sample.y() - start.y()) * board.scale() > SHAKE_PX;
            if (moved) {
                dial(sample, false);
            }
        }

        @Override
        public void up(PenSample sample) {
            if (moved) {
                dial(sample, true);
            }
            end();
        }

        @Override
        public void giveUp() {
            session.document().preview(null);
            end();
        }

        @Override
        public boolean isBusy() {
            return start != null;
        }

        private void dial(PenSample sample, boolean keeps) {
            double px = Math.hypot(sample.x() - start.x(), sample.y() - start.y());
            if (isWidth()) {
                sizes.dialWidth(lent.served(), 2 * px, keeps);
                show(px * board.scale(), String.format(Locale.ROOT, "%.1f px", shownWidth()));
            } else {
                Point2D from = board.toBoard(start.x(), start.y());
                Point2D to = board.toBoard(sample.x(), sample.y());
                sizes.dialStrength(strengthBefore + (to.getX() - from.getX()) / FULL_PX, keeps);
                show(STRENGTH_RING_PX, Math.round(100 * shown().opacity()) + " %");
            }
        }

        private double shownWidth() {
            return lent.served().equals(Tool.DUSTER) ? sizes.width(lent.served()) : shown().width();
        }

        private Chalk shown() {
            return session.document()
                    .shown()
                    .chalk(session.selection().chalkProperty().get());
        }

        private void show(double radius, String text) {
            Point2D middle = board.toBoard(start.x(), start.y());
            ring.setRadius(radius);
            outerRing.setRadius(radius + 1);
            for (Circle circle : List.of(ring, outerRing)) {
                circle.setCenterX(middle.getX());
                circle.setCenterY(middle.getY());
                circle.setVisible(true);
            }
            word.setText(text);
            word.setVisible(true);
            word.applyCss();
            word.autosize();
            word.relocate(middle.getX() - word.getWidth() / 2, middle.getY() - word.getHeight() / 2);
        }

        private void end() {
            start = null;
            for (Node node : List.of(ring, outerRing, word)) {
                node.setVisible(false);
            }
        }
    }
}
