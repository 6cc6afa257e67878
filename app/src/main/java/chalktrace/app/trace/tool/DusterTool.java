package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Duster;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import org.kordamp.ikonli.Ikon;

/** Takes off what was drawn. */
public final class DusterTool implements BoardTool {

    private final Session session;

    public DusterTool(Session session) {
        this.session = session;
    }

    @Override
    public Tool tool() {
        return Tool.DUSTER;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.of(Icons.DUSTER);
    }

    @Override
    public String use() {
        return Words.TRACE.of("duster-takes-off-what-was");
    }

    @Override
    public Optional<Action> key() {
        return Optional.of(Action.CHALK_OR_DUSTER);
    }

    @Override
    public Hand hand(BoardView board) {
        return new DusterHand(session);
    }

    @Override
    public OptionalDouble ringPx(double scale) {
        return OptionalDouble.of(session.view().dusterWidthProperty().get() / 2 * scale);
    }

    @Override
    public List<Node> options() {
        return List.of(OptionBox.choice(
                session.view().dusterProperty(),
                Map.of(
                        Duster.STROKE, Words.TRACE.of("whole-strokes"),
                        Duster.TOUCH, Words.TRACE.of("what-it-touches"),
                        Duster.CROSSING, Words.TRACE.of("to-the-next-crossing"))));
    }
}
