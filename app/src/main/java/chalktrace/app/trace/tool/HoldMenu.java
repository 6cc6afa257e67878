package chalktrace.app.trace.tool;

import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.DrawnOn;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.event.ActionEvent;
import javafx.geometry.Pos;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** For how many frames new drawings of the current level show. */
final class HoldMenu extends MenuButton {

    private static final List<String> NAMES =
            List.of(Words.TRACE.of("ones"), Words.TRACE.of("twos"), Words.TRACE.of("threes"), Words.TRACE.of("fours"));

    private final Session session;
    private final Menu asLevel = new Menu(Words.TRACE.of("as-level"));
    private final NumberField frames;

    /** Whether another number of frames was typed or dragged since the menu opened. */
    private boolean dialled;

    HoldMenu(Session session) {
        this.session = session;
        this.frames = new NumberField("hold", NAMES.size() + 1, () -> dialled = true);
        // The field hears of it first.
        frames.addEventHandler(ActionEvent.ACTION, event -> Platform.runLater(this::hide));
        setId("holds");
        getStyleClass().add("small-menu");
        setFocusTraversable(false);
        setTooltip(new Tooltip(Words.TRACE.of("for-how-many-frames-a")));
        setMinWidth(Region.USE_PREF_SIZE);
        for (int i = 0; i < NAMES.size(); i++) {
            DrawnOn on = DrawnOn.frames(i + 1);
            getItems().add(item(Words.TRACE.count("on-hold", on.frames(), NAMES.get(i)), on));
        }
        asLevel.setId("as-level");
        CheckMenuItem eachStep = new CheckMenuItem(Words.TRACE.of("each-step-a-drawing"));
        eachStep.setId("each-step");
        eachStep.selectedProperty().bindBidirectional(session.view().eachStepProperty());
        getItems().addAll(typedFrames(), asLevel, new SeparatorMenuItem(), eachStep);
        setOnShowing(event -> listLevels());
        setOnHidden(event -> settle());
        Refresh.on(
                this,
                this::showNow,
                session.document().shotProperty(),
                session.selection().levelProperty());
        showNow();
    }

    private CustomMenuItem typedFrames() {
        HBox row = new HBox(6, Rows.quiet(Words.TRACE.of("on-so-many-frames")), frames);
        row.setAlignment(Pos.CENTER_LEFT);
        return new CustomMenuItem(row, false);
    }

    private MenuItem item(String text, DrawnOn on) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> choose(on));
        return item;
    }

    private void listLevels() {
        dialled = false;
        DrawnOn now = now();
        frames.set(now.frames());
        asLevel.getItems()
                .setAll(session.shot().levels().stream()
                        .filter(other -> !other.id().equals(level()))
                        .map(other -> item(other.name(), DrawnOn.as(other.id(), now.frames())))
                        .toList());
        asLevel.setDisable(asLevel.getItems().isEmpty());
    }

    /** A drag changes the number many times: it is settled on as the menu goes. */
    private void settle() {
        if (dialled) {
            dialled = false;
            choose(DrawnOn.frames((int) Math.max(1, Math.min(ShotSetup.LONGEST, Math.round(frames.value())))));
        }
    }

    private void choose(DrawnOn on) {
        if (!on.equals(now())) {
            session.document()
                    .apply(LevelEdits.change(
                            Words.TRACE.of("set-the-hold-of-a-level"),
                            level(),
                            level -> level.withStyle(level.style().withDrawnOn(Optional.of(on)))));
        }
    }

    private void showNow() {
        Shot shot = session.shot();
        DrawnOn on = now();
        setText(on.as()
                .flatMap(shot::level)
                .map(other -> Words.TRACE.of("as-level-name", other.name()))
                .orElseGet(() -> on.frames() <= NAMES.size()
                        ? Words.TRACE.of("on-hold-name", NAMES.get(on.frames() - 1))
                        : Words.TRACE.of("on-frames", on.frames())));
    }

    private DrawnOn now() {
        return session.shot().drawnOn(level());
    }

    private String level() {
        return String.valueOf(session.selection().level());
    }
}
