package chalktrace.app.study;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.View;
import chalktrace.app.words.Words;
import chalktrace.core.motion.Track;
import chalktrace.core.stroke.PenSample;
import java.util.List;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.materialdesign2.MaterialDesignC;

/** A touch on the footage follows the point that was touched; a drag of a point puts it right. */
final class TrackTool implements BoardTool {

    static final View.Tool TOOL = new View.Tool("track");

    /** So near a point, in px of the board, it is taken hold of. */
    private static final double REACH_PX = 12;

    private final StudyWork work;
    private final PointWork points;

    TrackTool(StudyWork work) {
        this.work = work;
        this.points = new PointWork(work);
    }

    @Override
    public View.Tool tool() {
        return TOOL;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.of(MaterialDesignC.CROSSHAIRS);
    }

    @Override
    public String use() {
        return Words.STUDY.of("track-a-point-of-the");
    }

    @Override
    public boolean draws() {
        return false;
    }

    @Override
    public List<Node> options() {
        ToggleButton byHand = Buttons.toggle(Words.STUDY.of("by-hand"), Words.STUDY.of("set-a-point-frame-by"));
        byHand.setId("track-by-hand");
        byHand.setMinWidth(Region.USE_PREF_SIZE);
        byHand.getStyleClass().add("edged");
        byHand.selectedProperty().bindBidirectional(work.byHandProperty());
        Label words = Rows.quiet("");
        words.textProperty()
                .bind(Bindings.createStringBinding(this::hint, work.byHandProperty(), work.goesOnProperty()));
        return List.of(byHand, words);
    }

    private String hint() {
        if (work.byHandProperty().get()) {
            return Words.STUDY.of("touch-the-point-on-each");
        }
        return work.goesOnProperty().get()
                ? Words.STUDY.of(
                        "touch-where-goes-on", work.chosen().map(Track::name).orElse(""))
                : Words.STUDY.of("touch-to-track-drag-to");
    }

    @Override
    public Hand hand(BoardView board) {
        return new Hand() {

            private boolean busy;
            private Optional<Track> grabbed = Optional.empty();
            private PenSample from;

            @Override
            public void down(PenSample sample) {
                busy = true;
                from = sample;
                work.session().transport().stop();
                grabbed = work.near(sample.x(), sample.y(), REACH_PX / board.scale());
                grabbed.ifPresent(track -> work.chosenProperty().set(track.id()));
            }

            @Override
            public void move(PenSample sample) {
                grabbed.filter(track -> hasMoved(sample))
                        .flatMap(track -> points.moved(track, sample.x(), sample.y()))
                        .ifPresent(work.session().document()::preview);
            }

            private boolean hasMoved(PenSample sample) {
                return Math.hypot(sample.x() - from.x(), sample.y() - from.y()) * board.scale() > 2;
            }

            @Override
            public void up(PenSample sample) {
                Optional<Track> track = grabbed;
                giveUp();
                if (track.isPresent() && hasMoved(sample)) {
                    points.correct(track.get(), sample.x(), sample.y());
                } else if (track.isEmpty() || work.byHandProperty().get()) {
                    points.touch(sample.x(), sample.y());
                }
            }

            @Override
            public void giveUp() {
                if (busy) {
                    busy = false;
                    grabbed = Optional.empty();
                    work.session().document().preview(null);
                }
            }

            @Override
            public boolean isBusy() {
                return busy;
            }
        };
    }
}
