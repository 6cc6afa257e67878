package chalktrace.app.window;

import chalktrace.app.bench.Bench;
import chalktrace.app.board.BesidePane;
import chalktrace.app.board.Board;
import chalktrace.app.board.pen.PenSource;
import chalktrace.app.board.pen.tablet.TabletPen;
import chalktrace.app.cards.CardRows;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.feature.Features;
import chalktrace.app.finish.FinishFeature;
import chalktrace.app.gather.GatherFeature;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Notices.Notice;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.keys.Action;
import chalktrace.app.keys.Keys;
import chalktrace.app.keys.PenButtons;
import chalktrace.app.ledge.Ledge;
import chalktrace.app.notes.NotesFeature;
import chalktrace.app.ruler.RulerFeature;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.session.View.Step;
import chalktrace.app.sheet.SheetPane;
import chalktrace.app.space.SpaceFeature;
import chalktrace.app.study.StudyFeature;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.trace.TraceFeature;
import chalktrace.app.tray.Tray;
import chalktrace.app.versions.VersionsFeature;
import chalktrace.app.voice.VoiceFeature;
import chalktrace.app.words.Words;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.edit.timing.MarkEdits;
import java.awt.geom.Rectangle2D;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Screen;
import javafx.stage.Stage;

/** The window: all its parts put together, and the keys. */
public final class Workbench {

    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;

    private final Stage stage;
    private final Session session;
    private final ShotCommands commands;
    private final Board board;
    private final Bench bench;
    private final BesidePane beside;
    private final FileChoice files;
    private final Features features;
    private final Keys keys;
    private TabletPen tablet;
    private final StackPane boardArea = new StackPane();

    /** @param files answers questions for files; null for the system's own dialogs */
    public Workbench(Stage stage, Session session, FileChoice files) {
        this.stage = stage;
        this.session = session;
        this.files = files == null ? new SystemFileChoice(stage) : files;
        this.commands =
                new ShotCommands(session, this.files, stage, this::takenByFeature, this::showNewShotCard, this::close);
        TraceFeature trace = new TraceFeature(session, this.files);
        features = new Features(List.of(
                trace,
                new GatherFeature(session, this.files, this::cardRows),
                new StudyFeature(session, this.files, trace.work().inBetweening()::takeFromPoint),
                new VoiceFeature(session, this.files),
                new FinishFeature(session, this.files),
                new SpaceFeature(session),
                new RulerFeature(session),
                new NotesFeature(),
                new VersionsFeature(session, this.files)));
        this.board = new Board(session, features.tools(), features.looks(), features::overlays, commands::dropped);
        this.bench = new Bench(session, features.lanes());
        Ledge ledge = new Ledge(session, features.tools());
        Tray tray = new Tray(session, features.trayRows(), features::narrowRows);
        SheetPane sheet = new SheetPane(session);
        boardArea.getChildren().addAll(board, sheet, notice());
        session.view().sheetProperty().addListener((property, before, shown) -> {
            sheet.setVisible(shown);
            (shown ? sheet : board).requestFocus();
        });
        sheet.setVisible(false);
        beside = new BesidePane(session);
        HBox.setHgrow(boardArea, Priority.ALWAYS);
        boardArea.setMinSize(0, 0);
        HBox top = new HBox(beside);
        top.getChildren().addAll(features.beside());
        top.getChildren().add(boardArea);
        // It takes the room that ledge and bench leave, whatever lies on it.
        top.setMinHeight(0);
        top.setPrefHeight(0);
        keys = new Keys(session.keys());
        // What is just being drawn is given up first.
        keys.onWhile(
                Action.PUT_AWAY, () -> board.hand().isBusy(), () -> board.hand().giveUp());
        features.actions(keys);
        bindGround();
        StackPane upper = new StackPane(top);
        upper.getChildren().addAll(bench.overBoard(features.overBoard()));
        upper.setMinHeight(0);
        upper.setPrefHeight(0);
        VBox.setVgrow(upper, Priority.ALWAYS);
        VBox left = new VBox(upper, ledge, bench);
        BorderPane root =
                new BorderPane(left, new HeadBar(session, commands, keys::run, this::showKeySheet), null, null, null);
        root.getStyleClass().add("window");
        placeTray(root, tray);
        session.view().wholeWindowProperty().addListener((property, before, whole) -> {
            for (Region part : List.of(ledge, bench, tray)) {
                Rows.show(part, !whole);
            }
        });
        Scene scene = new Scene(root, WIDTH, HEIGHT);
        Theme.apply(scene);
        keys.attach(scene);
        stage.setScene(scene);
        stage.titleProperty()
                .bind(session.document().shotProperty().map(shot -> Words.DESK.of("window-title", shot.name())));
        stage.setOnCloseRequest(event -> {
            event.consume();
            commands.quit();
        });
        root.requestFocus();
    }

    /** At the side where the person wants it, as wide as wanted; so it is the next time. */
    private void placeTray(BorderPane root, Tray tray) {
        View view = session.view();
        view.trayLeftProperty().addListener((property, before, left) -> {
            session.preferences().setTrayLeft(left);
            root.setLeft(null);
            root.setRight(null);
            tray.getStyleClass().remove("left");
            if (left) {
                tray.getStyleClass().add("left");
                root.setLeft(tray);
            } else {
                root.setRight(tray);
            }
        });
        root.setRight(tray);
        view.trayLeftProperty().set(session.preferences().trayLeft());
        view.trayNarrowProperty().set(session.preferences().trayNarrow());
        view.trayNarrowProperty()
                .addListener((property, before, narrow) -> session.preferences().setTrayNarrow(narrow));
    }

    /** Shows the window. */
    public void show() {
        stage.show();
        Platform.runLater(this::insistOnSize);
        board.requestFocus();
        session.openSoundDevice();
    }

    /** With some window managers a window opens far smaller than it asked for. */
    private void insistOnSize() {
        if (stage.getWidth() < WIDTH / 2 || stage.getHeight() < HEIGHT / 2) {
            stage.setWidth(WIDTH);
            stage.setHeight(HEIGHT);
            stage.centerOnScreen();
        }
    }

    /** Opens a shot. */
    public void open(Path shot) {
        commands.open(shot);
    }

    /** Takes files as if they were dropped on the board. */
    public void drop(List<Path> dropped) {
        commands.dropped(dropped);
    }

    /** Says that earlier runs left work, where they did. */
    public void offerUnsavedWork() {
        commands.offerUnsavedWork();
    }

    private boolean takenByFeature(List<Path> dropped) {
        return features.takes(dropped);
    }

    private List<CardRows> cardRows() {
        return features.cardRows();
    }

    /** What the window can do beyond its ground. */
    public Features features() {
        return features;
    }

    public Board board() {
        return board;
    }

    /** Lets the pen tablets of the machine draw on the board, as they come and go. */
    public void useTablets() {
        tablet = TabletPen.ofSystem(
                this::screen,
                place -> board.shotAt(place.getX(), place.getY()),
                session.pen().keepsShapeProperty()::get);
        PenButtons buttons = new PenButtons(keys, session.preferences());
        session.pen().statusProperty().bind(tablet.statusProperty());
        board.penNearProperty().bind(tablet.nearProperty());
        tablet.latestProperty().addListener((property, before, now) -> {
            // Pressed over another window or under a question, they mean nothing here.
            boolean meant =
                    stage.isFocused() && !session.view().askingProperty().get();
            buttons.take(meant && now.lowerButton(), meant && now.upperButton());
        });
        tablet.latestProperty().addListener((property, before, now) -> session.pen()
                .wordsProperty()
                .set(String.format(
                        Locale.ROOT,
                        Words.DESK.of("pressure-tilt-and"),
                        now.pressure(),
                        now.tiltX(),
                        now.tiltY(),
                        now.eraser() ? Words.DESK.of("eraser") : Words.DESK.of("tip"))));
        use(tablet);
    }

    /** The screen on which the window lies. */
    private Rectangle2D screen() {
        var bounds = Screen.getScreensForRectangle(stage.getX(), stage.getY(), 1, 1).stream()
                .findFirst()
                .orElse(Screen.getPrimary())
                .getBounds();
        return new Rectangle2D.Double(bounds.getMinX(), bounds.getMinY(), bounds.getWidth(), bounds.getHeight());
    }

    /** Lets a pen draw on the board. */
    public void use(PenSource pen) {
        pen.start(board.hand()::take);
    }

    void close() {
        if (tablet != null) {
            tablet.stop();
        }
        board.view().close();
        beside.close();
        features.close();
        session.close();
        stage.close();
    }

    private void showNewShotCard() {
        NewShotCard[] card = new NewShotCard[1];
        card[0] = new NewShotCard(session, files, () -> {
            boardArea.getChildren().remove(card[0]);
            board.requestFocus();
        });
        boardArea.getChildren().add(card[0]);
        card[0].requestFocus();
    }

    private void showKeySheet() {
        KeySheet[] sheet = new KeySheet[1];
        sheet[0] = new KeySheet(session.keys(), keys, () -> {
            boardArea.getChildren().remove(sheet[0]);
            board.requestFocus();
        });
        boardArea.getChildren().add(sheet[0]);
        sheet[0].requestFocus();
    }

    private HBox notice() {
        Label text = new Label();
        text.setId("notice");
        text.setWrapText(true);
        text.setMinHeight(Region.USE_PREF_SIZE);
        HBox.setHgrow(text, Priority.ALWAYS);
        HBox box =
                new HBox(text, Buttons.icon(Icons.CLOSE, Words.DESK.of("put-this-away"), session.notices()::putAway));
        box.getStyleClass().add("notice");
        box.setMaxHeight(0);
        box.setVisible(false);
        StackPane.setAlignment(box, Pos.TOP_CENTER);
        StackPane.setMargin(box, new Insets(12));
        session.notices().latestProperty().addListener((property, before, now) -> show(box, text, now));
        return box;
    }

    private void show(HBox box, Label text, Notice notice) {
        box.setVisible(notice != null);
        box.getChildren().removeIf(node -> node.getStyleClass().contains("offer"));
        box.getStyleClass().remove("problem");
        if (notice != null) {
            text.setText(notice.text());
            if (notice.problem()) {
                box.getStyleClass().add("problem");
            }
            box.getChildren()
                    .addAll(1, notice.offers().stream().map(this::offer).toList());
        }
    }

    private Button offer(Notices.Offer offer) {
        Button button = new Button(offer.text());
        button.getStyleClass().add("offer");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(event -> {
            session.notices().putAway();
            offer.does().run();
        });
        return button;
    }

    /** What the keys do that belong to no feature. */
    private void bindGround() {
        for (Step step : Step.values()) {
            keys.on(step.goes(), () -> session.view().stepProperty().set(step));
        }
        Steps steps = new Steps(session);
        keys.on(Action.FRAME_BACK, () -> steps.frame(-1))
                .on(Action.FRAME_ON, () -> steps.frame(1))
                .onWhile(Action.NUDGE_LEFT, () -> !session.selection().isPicked(), () -> steps.frame(-1))
                .onWhile(Action.NUDGE_RIGHT, () -> !session.selection().isPicked(), () -> steps.frame(1))
                .on(Action.HOLD_BACK, () -> steps.hold(-1))
                .on(Action.HOLD_ON, () -> steps.hold(1))
                .on(Action.MARK_BACK, () -> steps.mark(-1))
                .on(Action.MARK_ON, () -> steps.mark(1))
                .on(Action.DRAWING_BACK, steps::drawingBack)
                .on(Action.FIRST_FRAME, () -> session.transport().go(0))
                .on(Action.LAST_FRAME, () -> session.transport()
                        .go(session.document().shown().setup().length() - 1))
                .on(Action.CUE_BACK, () -> steps.cue(-1))
                .on(Action.CUE_ON, () -> steps.cue(1))
                .on(Action.SECOND_BACK, () -> steps.second(-1))
                .on(Action.SECOND_ON, () -> steps.second(1))
                .on(Action.PLAY_BACKWARDS, () -> session.transport().play(-1))
                .on(Action.PLAY_FROM, () -> steps.playFrom(session.transport().frame()))
                .on(Action.PLAY_TO, () -> steps.playTo(session.transport().frame()))
                .on(Action.PLAY_ALL, () -> session.transport().withinProperty().set(null))
                .on(Action.KEEP_FRAME, () -> session.view()
                        .keptFrameProperty()
                        .set(session.transport().frame()))
                .whileHeld(Action.FLIP, session.view().flippedProperty())
                .whileHeld(Action.HEAR, session.transport().hearsProperty())
                .whileHeld(Action.HEAR_BACKWARDS, session.transport().hearsBackwardsProperty())
                .whileHeld(Action.PEEK_BACK, session.view().peekBackProperty())
                .whileHeld(Action.HIDE_FOOTAGE, session.view().footageHiddenProperty())
                .whileHeld(Action.MOVE_VIEW, board.movingProperty())
                .on(Action.MIRROR_VIEW, board.view()::turnOver)
                .on(Action.LEVEL_HERE, board::chooseLevelHere)
                .onWhile(Action.PUT_AWAY, () -> session.view().placingProperty().get() != null, () -> session.view()
                        .placingProperty()
                        .set(null))
                .on(Action.MARK, () -> session.document()
                        .apply(MarkEdits.turn(session.transport().frame())))
                .on(Action.PLAY, session.transport()::togglePlay)
                .on(Action.FIT, board.view()::fit)
                .on(Action.SHEET, () -> turn(session.view().sheetProperty()))
                .on(Action.NARROW_TRAY, () -> turn(session.view().trayNarrowProperty()))
                .on(Action.TRAY_SIDE, () -> turn(session.view().trayLeftProperty()))
                .on(Action.WHOLE_WINDOW, () -> turn(session.view().wholeWindowProperty()))
                .on(Action.REMOVE, this::removeChosen)
                .on(Action.UNDO, () -> unlessDrawing(session.document()::undo))
                .on(Action.REDO, () -> unlessDrawing(session.document()::redo))
                .on(Action.NEW_SHOT, commands::newShot)
                .on(Action.OPEN, commands::open)
                .on(Action.SAVE, commands::save)
                .on(Action.SAVE_AS, commands::saveAs)
                .on(Action.QUIT, commands::quit);
    }

    private static void turn(BooleanProperty property) {
        property.set(!property.get());
    }

    private void unlessDrawing(Runnable does) {
        if (!board.hand().isBusy()) {
            does.run();
        }
    }

    private void removeChosen() {
        Item item = session.selection().itemProperty().get();
        if (item != null && item.kind() == Item.Kind.SHOWING) {
            session.document().apply(DrawingEdits.clearShowing(item.levelId(), item.start()));
            session.selection().itemProperty().set(null);
        }
    }
}
