package chalktrace.app.study;

import chalktrace.app.board.GuideWords;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.AttachEdits;
import chalktrace.core.edit.reference.RideEdits;
import chalktrace.core.motion.Attached;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Ride;
import chalktrace.core.shot.Shot;
import java.util.List;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import org.kordamp.ikonli.materialdesign2.MaterialDesignC;

/** The points that are tracked: each with its name, how far it was found, and why it was lost. */
final class PointRows extends VBox {

    private static final String NO_SECOND = Words.STUDY.of("none");
    private static final double MOST_RADIUS = 400;

    private final StudyWork work;
    private final AttachWork attach;
    private final PointWork following;
    private final PointTables tables;
    private final VBox points = new VBox(2);
    private final CheckBox turning = new CheckBox(Words.STUDY.of("with-turn-and-size"));

    PointRows(StudyWork work, FileChoice files) {
        super(8);
        this.work = work;
        this.attach = new AttachWork(work);
        this.following = new PointWork(work);
        this.tables = new PointTables(work, files);
        Button track = Buttons.edged(
                MaterialDesignC.CROSSHAIRS,
                Words.STUDY.of("track-a-point"),
                () -> work.session().view().toolProperty().set(TrackTool.TOOL));
        track.setId("track-a-point");
        turning.setFocusTraversable(false);
        ToggleButton still = Buttons.toggle(Words.STUDY.of("hold-still"), Words.STUDY.of("see-and-play-the-footage"));
        still.setId("hold-still");
        still.getStyleClass().add("edged");
        still.selectedProperty().bindBidirectional(work.heldStillProperty());
        still.disableProperty()
                .bind(Bindings.createBooleanBinding(
                        () -> work.movingProperty().get().isEmpty(), work.movingProperty()));
        HBox first = new HBox(8, track, still);
        getChildren().addAll(first, Rows.section(Words.STUDY.of("points")), points, tables.row());
        Refresh.on(
                this,
                this::show,
                work.session().document().shotProperty(),
                work.chosenProperty(),
                work.movingProperty());
    }

    private void show() {
        points.getChildren().clear();
        for (Track track : work.session().shot().tracks()) {
            points.getChildren().add(row(track));
            if (track.id().equals(work.chosenProperty().get())) {
                points.getChildren().addAll(details(track));
            }
        }
        if (points.getChildren().isEmpty()) {
            points.getChildren().add(Rows.hint(Words.STUDY.of("choose-track-a-point-then")));
        }
    }

    private HBox row(Track track) {
        Circle dot = new Circle(
                5,
                Color.rgb(
                        track.color().red(),
                        track.color().green(),
                        track.color().blue()));
        Label name = new Label(track.name());
        Label found = Rows.quiet(StudyWork.words(track));
        Button eye = Buttons.icon(
                track.visible() ? Icons.SHOWN : Icons.HIDDEN,
                track.visible() ? Words.STUDY.of("hide", track.name()) : Words.STUDY.of("show", track.name()),
                () -> work.change(
                        track.visible() ? Words.STUDY.of("hide-a-point") : Words.STUDY.of("show-a-point"),
                        track.id(),
                        old -> old.withVisible(!old.visible())));
        Button remove =
                Buttons.icon(Icons.REMOVE, Words.STUDY.of("remove", track.name()), () -> work.remove(track.id()));
        HBox row = Rows.row(() -> work.chosenProperty().set(track.id()), dot, name, Rows.space(), found, eye, remove);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setSpacing(6);
        if (track.id().equals(work.chosenProperty().get())) {
            row.getStyleClass().add("current");
        }
        return row;
    }

    private VBox details(Track track) {
        TextField name = new TextField(track.name());
        name.setId("point-name");
        name.setAccessibleText(Words.STUDY.of("name-of-the-point"));
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setOnAction(event -> work.rename(track.id(), name.getText()));
        VBox out = new VBox(4, name);
        for (TrackPath.Lost loss : track.path().lost()) {
            Label words = Rows.hint(lossWords(track, loss));
            HBox.setHgrow(words, Priority.ALWAYS);
            Button again = Buttons.words(
                    Words.STUDY.of("find-again"),
                    Words.STUDY.of("go-there-and-touch", track.name()),
                    () -> work.findAgain(track, loss));
            again.setId("find-again");
            again.setMinWidth(Region.USE_PREF_SIZE);
            HBox row = new HBox(8, words, again);
            row.setAlignment(Pos.CENTER_LEFT);
            out.getChildren().add(row);
        }
        if (hasGap(track)) {
            Button bridge = Buttons.words(
                    Words.STUDY.of("bridge-gaps"),
                    Words.STUDY.of("put-guesses-where-it-was"),
                    () -> work.bridge(track.id()));
            out.getChildren().add(bridge);
        }
        Button drawing = Buttons.words(
                Words.STUDY.of("attach-drawing"),
                Words.STUDY.of("let-the-current-levels-drawing"),
                () -> attach.attachDrawing(track, turning.isSelected()));
        drawing.setId("attach-drawing");
        Button mouths = Buttons.words(
                Words.STUDY.of("attach-mouths"),
                Words.STUDY.of("let-the-mouths-go-along"),
                () -> attach.attachMouths(track, turning.isSelected()));
        Button level = Buttons.words(
                Words.STUDY.of("attach-level"),
                Words.STUDY.of("let-all-that-the-current"),
                () -> attach.attachLevel(track, turning.isSelected()));
        level.setId("attach-level");
        Button selection = Buttons.words(
                Words.STUDY.of("attach-selection"),
                Words.STUDY.of("put-the-selected-strokes-such"),
                () -> attach.attachSelection(track, turning.isSelected()));
        selection.setId("attach-selection");
        Button chart = Buttons.words(
                Words.STUDY.of("arc-and-chart"), Words.STUDY.of("take-the-arc-and-the"), () -> attach.chart(track));
        chart.setId("chart-from-point");
        track.attached().forEach(held -> out.getChildren().add(attachedRow(track, held)));
        work.session().shot().rides().stream()
                .filter(ride -> ride.track().equals(track.id()))
                .forEach(ride -> out.getChildren().add(rideRow(ride)));
        out.getChildren()
                .addAll(
                        second(track),
                        patch(track),
                        new FlowPane(8, 2, drawing, level, selection, mouths, other(track)),
                        turning,
                        new FlowPane(8, 2, chart, copy(track)));
        return out;
    }

    /** References and guides, by their names. */
    private MenuButton other(Track track) {
        MenuButton out = Buttons.menu(Words.STUDY.of("attach-other"), Words.STUDY.of("let-a-reference-or-a"));
        out.setId("attach-other");
        Shot shot = work.session().shot();
        shot.footage().stream()
                .filter(clip -> !clip.id().equals(track.footage()) && clip.where() != Footage.Where.BESIDE_BOARD)
                .forEach(clip -> out.getItems().add(other(track, clip.id(), clip.name())));
        shot.guides().forEach(guide -> out.getItems().add(other(track, guide.id(), GuideWords.of(guide))));
        Rows.show(out, !out.getItems().isEmpty());
        return out;
    }

    private MenuButton copy(Track track) {
        MenuButton out = Buttons.menu(Words.STUDY.of("copy-onto"), Words.STUDY.of("put-this-point-on-another"));
        out.setId("copy-point");
        for (Footage clip : work.session().shot().footage()) {
            if (!clip.id().equals(track.footage())
                    && !clip.isStill()
                    && clip.staging().isEmpty()) {
                MenuItem item = new MenuItem(clip.name());
                item.setOnAction(event -> following.copy(track, clip));
                out.getItems().add(item);
            }
        }
        Rows.show(out, !out.getItems().isEmpty());
        return out;
    }

    private MenuItem other(Track track, String id, String name) {
        MenuItem item = new MenuItem(name);
        item.setOnAction(event -> attach.attachOther(track, id, turning.isSelected()));
        return item;
    }

    private HBox attachedRow(Track track, Attached held) {
        Shot shot = work.session().shot();
        String level = shot.level(held.level()).map(Level::name).orElse(Words.STUDY.of("a-level-that-is-gone"));
        return moved(
                held.isWholeLevel() ? level : Words.STUDY.of("drawing", level, held.drawing()),
                "detach-" + held.drawing(),
                AttachEdits.detach(track.id(), held));
    }

    private HBox rideRow(Ride ride) {
        Shot shot = work.session().shot();
        String name = shot.footage(ride.rider()).map(Footage::name).orElseGet(() -> shot.guides().stream()
                .filter(guide -> guide.id().equals(ride.rider()))
                .map(GuideWords::of)
                .findFirst()
                .orElseThrow());
        return moved(
                name,
                "detach-" + ride.rider(),
                RideEdits.detach(ride.rider(), work.session().transport().frame()));
    }

    private HBox moved(String what, String id, Edit detaching) {
        Button detach = Buttons.icon(Icons.CLOSE, Words.STUDY.of("detach-it-stays-where-it"), () -> work.session()
                .document()
                .apply(detaching));
        detach.setId(id);
        HBox row = new HBox(8, Rows.quiet(Words.STUDY.of("moves", what)), Rows.space(), detach);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** How much around it is looked at; a patch that was given a size tells its own turn and growth. */
    private HBox patch(Track track) {
        NumberField[] field = new NumberField[1];
        field[0] = new NumberField(
                "point-patch",
                track.radius(),
                () -> following.lookAt(track, Math.max(0, Math.min(MOST_RADIUS, field[0].value()))));
        HBox row = new HBox(8, Rows.quiet(Words.STUDY.of("patch-px-to-a-side")), Rows.space(), field[0]);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** Another point, with which this one tells turn and size. */
    private HBox second(Track track) {
        ComboBox<String> choice = new ComboBox<>();
        choice.setId("second-point");
        choice.setAccessibleText(Words.STUDY.of("second-point-of-a-pair"));
        choice.setFocusTraversable(false);
        List<Track> others = work.session().shot().tracks().stream()
                .filter(other -> !other.id().equals(track.id()))
                .toList();
        choice.getItems().add(NO_SECOND);
        others.forEach(other -> choice.getItems().add(other.name()));
        choice.setValue(others.stream()
                .filter(other -> other.id().equals(track.partner()))
                .map(Track::name)
                .findFirst()
                .orElse(NO_SECOND));
        choice.setOnAction(event -> {
            int at = choice.getSelectionModel().getSelectedIndex() - 1;
            String id = at < 0 ? "" : others.get(at).id();
            work.change(Words.STUDY.of("pair-points"), track.id(), old -> old.withPartner(id));
        });
        HBox row = new HBox(8, Rows.quiet(Words.STUDY.of("second-point")), choice);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** In the shot's numbers where the footage shows that picture; of the source otherwise. */
    private String lossWords(Track track, TrackPath.Lost loss) {
        String where = where(track, loss.picture());
        return track.path()
                .foundAgain(loss)
                .map(again -> Words.STUDY.of("lost-and-found-again", where, loss.reason(), where(track, again)))
                .orElseGet(() -> Words.STUDY.of("lost-on", where, loss.reason()));
    }

    private String where(Track track, int picture) {
        return work.onShot(track)
                .flatMap(on -> on.frameOf(picture))
                .map(f -> Words.STUDY.of("frame", work.session().shot().setup().number(f)))
                .orElse(Words.STUDY.of("picture-of-the-source", picture));
    }

    private static boolean hasGap(Track track) {
        TrackPath path = track.path();
        return !path.isEmpty()
                && path.lastPicture() - path.firstPicture() + 1 > path.places().size();
    }
}
