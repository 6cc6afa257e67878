package chalktrace.app.ruler;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.words.Words;
import chalktrace.core.motion.Measure;
import chalktrace.core.stroke.PenSample;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Node;
import javafx.scene.control.Label;
import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.materialdesign2.MaterialDesignT;

/** A line pulled from one place of the picture to another says how long it is and at which angle it lies. It draws nothing. */
final class RulerTool implements BoardTool {

    static final View.Tool TOOL = new View.Tool("ruler");

    private final Session session;
    private final ObjectProperty<Measure> measured = new SimpleObjectProperty<>();

    RulerTool(Session session) {
        this.session = session;
        session.document().whenOpened(() -> measured.set(null));
    }

    @Override
    public View.Tool tool() {
        return TOOL;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.of(MaterialDesignT.TAPE_MEASURE);
    }

    @Override
    public String use() {
        return Words.TRACE.of("measure-pixels-and-angles");
    }

    @Override
    public boolean draws() {
        return false;
    }

    @Override
    public List<Node> overlay(BoardView board) {
        return List.of(new RulerLook(session, board, measured));
    }

    @Override
    public List<Node> options() {
        Label words = Rows.quiet("");
        words.textProperty().bind(measured.map(Measure::words).orElse(Words.TRACE.of("drag-from-one-place-to")));
        return List.of(words);
    }

    @Override
    public Hand hand(BoardView board) {
        return new Hand() {

            private boolean busy;

            @Override
            public void down(PenSample sample) {
                busy = true;
                measured.set(new Measure(sample.x(), sample.y(), sample.x(), sample.y()));
            }

            @Override
            public void move(PenSample sample) {
                measured.set(measured.get().to(sample.x(), sample.y()));
            }

            @Override
            public void up(PenSample sample) {
                move(sample);
                busy = false;
            }

            @Override
            public void giveUp() {
                busy = false;
                measured.set(null);
            }

            @Override
            public void lost() {
                busy = false;
            }

            @Override
            public boolean isBusy() {
                return busy;
            }
        };
    }
}
