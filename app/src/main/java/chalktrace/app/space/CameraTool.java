package chalktrace.app.space;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.View;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.Light;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Staging;
import chalktrace.core.stroke.PenSample;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.materialdesign2.MaterialDesignV;

/** Moves the camera of a model by drags on the board: round it, along the picture, nearer and farther; or its light. */
final class CameraTool implements BoardTool {

    static final View.Tool TOOL = new View.Tool("camera");

    private final CameraWork work;
    private final ObjectProperty<CameraDrag> drag = new SimpleObjectProperty<>(CameraDrag.ORBIT);

    CameraTool(CameraWork work) {
        this.work = work;
    }

    @Override
    public View.Tool tool() {
        return TOOL;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.of(MaterialDesignV.VIDEO_3D);
    }

    @Override
    public String use() {
        return Words.MODELS.of("move-the-camera-of-a");
    }

    @Override
    public boolean draws() {
        return false;
    }

    @Override
    public List<Node> options() {
        ToggleGroup group = new ToggleGroup();
        HBox kinds = new HBox();
        for (CameraDrag kind : CameraDrag.values()) {
            ToggleButton button = Buttons.toggle(kind.title(), kind.use());
            button.setId("camera-" + kind.title().toLowerCase(Locale.ROOT));
            button.setToggleGroup(group);
            button.setSelected(kind == drag.get());
            button.setOnAction(event -> {
                button.setSelected(true);
                drag.set(kind);
            });
            kinds.getChildren().add(button);
        }
        Label words = Rows.quiet("");
        words.textProperty().bind(work.session().document().shownProperty().map(shot -> work.current()
                .map(Footage::name)
                .orElse(Words.MODELS.of("no-3d-model-yet-import"))));
        return List.of(ModelRows.edged(kinds), words);
    }

    @Override
    public Hand hand(BoardView board) {
        return new Hand() {

            private Optional<Footage> clip = Optional.empty();
            private Staging start;
            private Optional<Edit> edit = Optional.empty();
            private PenSample from;
            private CameraDrag kind;

            @Override
            public void down(PenSample sample) {
                clip = work.current();
                from = sample;
                edit = Optional.empty();
                kind = work.session().view().shiftHeldProperty().get() ? CameraDrag.PAN : drag.get();
                clip.ifPresent(model -> {
                    work.session().transport().stop();
                    start = model.staging().orElseThrow();
                });
            }

            @Override
            public void move(PenSample sample) {
                clip.ifPresent(model -> {
                    edit = moved(model, sample.x() - from.x(), sample.y() - from.y());
                    work.session().document().preview(edit.orElse(null));
                });
            }

            private Optional<Edit> moved(Footage model, double dx, double dy) {
                if (dx == 0 && dy == 0) {
                    return Optional.empty();
                }
                if (kind == CameraDrag.LIGHT) {
                    Light light = kind.moved(start.dress().light(), dx, dy, work.size());
                    return Optional.of(work.edit(
                            Words.MODELS.of("move-the-light"),
                            model.id(),
                            s -> s.withDress(s.dress().withLight(light))));
                }
                Orbit orbit = kind.moved(start.cameraAt(work.frame()), dx, dy, work.size());
                return Optional.of(work.seenFrom(model.id(), orbit));
            }

            @Override
            public void up(PenSample sample) {
                move(sample);
                Optional<Edit> settled = edit;
                giveUp();
                settled.ifPresent(work.session().document()::apply);
            }

            @Override
            public void giveUp() {
                if (clip.isPresent()) {
                    clip = Optional.empty();
                    work.session().document().preview(null);
                }
            }

            @Override
            public boolean isBusy() {
                return clip.isPresent();
            }
        };
    }
}
