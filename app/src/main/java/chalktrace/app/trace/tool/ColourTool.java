package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.controls.Colors;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Tool;
import chalktrace.app.trace.work.ColourUnder;
import chalktrace.app.trace.work.ColourUnder.Source;
import chalktrace.app.words.Words;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.stroke.PenSample;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Circle;
import org.kordamp.ikonli.Ikon;

/**
 * Takes the colour under the pointer into the current chalk, or finds the chalk that drew there. A sample of what would be taken goes along with the
 * pointer. In hand by a held key, or by a button for one touch.
 */
public final class ColourTool implements BoardTool {

    private static final double RING_PX = 6;
    private static final double SAMPLE_PX = 14;

    /** How far the sample lies beside the pointer, so that the place stays seen. */
    private static final double ASIDE_PX = 26;

    private static final double REACH_PX = 6;

    private final Session session;
    private final ColourUnder under;
    private final Tool tool;
    private final Lent lent;
    private final Circle sample = new Circle(SAMPLE_PX);
    private final Label word = new Label();
    private final ObjectProperty<Source> source = new SimpleObjectProperty<>(Source.ALL);

    /** @param tool one of {@link ColourUnder#TAKE} and {@link ColourUnder#FIND_CHALK} */
    public ColourTool(Session session, ColourUnder under, Tool tool) {
        this.session = session;
        this.under = under;
        this.tool = tool;
        this.lent = new Lent(session.view().toolProperty(), tool);
        sample.getStyleClass().add("colour-sample");
        word.getStyleClass().add("dial-word");
        for (Node node : List.of(sample, word)) {
            node.setManaged(false);
            node.setVisible(false);
        }
        session.view().toolProperty().addListener(changed -> hide());
    }

    /** Whether its key is held. */
    public BooleanProperty heldProperty() {
        return lent.heldProperty();
    }

    @Override
    public Tool tool() {
        return tool;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.empty();
    }

    @Override
    public String use() {
        return Words.TRACE.of("tool." + tool.id());
    }

    @Override
    public boolean draws() {
        return false;
    }

    @Override
    public OptionalDouble ringPx(double scale) {
        return OptionalDouble.of(RING_PX);
    }

    @Override
    public List<Node> options() {
        return finds()
                ? List.of()
                : List.of(OptionBox.choice(
                        source,
                        Map.of(
                                Source.ALL, Words.TRACE.of("from-all"),
                                Source.DRAWINGS, Words.TRACE.of("from-drawings"),
                                Source.REFERENCES, Words.TRACE.of("from-references"))));
    }

    @Override
    public List<Node> overlay(BoardView board) {
        return List.of(sample, word);
    }

    @Override
    public void pointer(MouseEvent event, BoardView board) {
        if (event.getEventType() == MouseEvent.MOUSE_EXITED) {
            hide();
        } else {
            Point2D place = board.toShot(event.getX(), event.getY());
            show(place, board);
        }
    }

    @Override
    public Hand hand(BoardView board) {
        return new Taking(board);
    }

    private boolean finds() {
        return tool.equals(ColourUnder.FIND_CHALK);
    }

    private Optional<Rgb> colour(Point2D place) {
        return under.at(place.getX(), place.getY(), source.get());
    }

    private Optional<Chalk> chalk(Point2D place, BoardView board) {
        return under.chalkAt(place.getX(), place.getY(), REACH_PX / board.scale());
    }

    private void show(Point2D place, BoardView board) {
        Optional<Chalk> chalk = finds() ? chalk(place, board) : Optional.empty();
        Optional<Rgb> colour = finds() ? chalk.map(Chalk::color) : colour(place);
        if (colour.isEmpty()) {
            hide();
            return;
        }
        Point2D at = board.toBoard(place.getX(), place.getY());
        sample.setFill(Colors.of(colour.get()));
        sample.setCenterX(at.getX() + ASIDE_PX);
        sample.setCenterY(at.getY() - ASIDE_PX);
        sample.setVisible(true);
        word.setText(chalk.map(Chalk::name).orElseGet(() -> colour.get().hex()));
        word.setVisible(true);
        word.applyCss();
        word.autosize();
        word.relocate(sample.getCenterX() + SAMPLE_PX + 4, sample.getCenterY() - word.getHeight() / 2);
    }

    private void hide() {
        sample.setVisible(false);
        word.setVisible(false);
    }

    private void take(Point2D place, BoardView board) {
        if (finds()) {
            chalk(place, board)
                    .ifPresentOrElse(under::take, () -> session.notices().say(Words.TRACE.of("no-line-or-paint-here")));
        } else {
            colour(place).ifPresentOrElse(under::give, () -> session.notices().say(Words.TRACE.of("no-colour-here")));
        }
        if (!lent.heldProperty().get()) {
            lent.giveBack();
        }
    }

    /** One touch: what is under the pen when it is lifted counts. */
    private final class Taking implements Hand {

        private final BoardView board;
        private boolean busy;

        Taking(BoardView board) {
            this.board = board;
        }

        @Override
        public void down(PenSample at) {
            busy = true;
            move(at);
        }

        @Override
        public void move(PenSample at) {
            show(place(at), board);
        }

        @Override
        public void up(PenSample at) {
            busy = false;
            take(place(at), board);
        }

        @Override
        public void giveUp() {
            busy = false;
            hide();
        }

        @Override
        public boolean isBusy() {
            return busy;
        }

        private static Point2D place(PenSample at) {
            return new Point2D.Double(at.x(), at.y());
        }
    }
}
