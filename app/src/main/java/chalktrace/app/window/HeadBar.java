package chalktrace.app.window;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.Sentence;
import chalktrace.app.footage.Footages;
import chalktrace.app.kernel.Jobs.Job;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.beans.property.BooleanProperty;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** The head of the window: the shot and whether it is saved, what goes on, the readout. */
final class HeadBar extends HBox {

    private final Session session;
    private final MenuButton name = new MenuButton();
    private final Menu recent = new Menu(Words.DESK.of("open-recent"));
    private final Label saved = state("saved");
    private final Label silent = state(Words.DESK.of("no-sound-device-silent"));
    private final Label reading = state(Words.DESK.of("reading-the-picture"));
    private final Label seen = state("");
    private final Label footageOff = state(Words.DESK.of("footage-is-off"));
    private final Label dropped = state("");
    private final Label unkept = state(Words.DESK.of("recovery-is-off"));
    private final Label looking = state(Words.DESK.of("previewing-not-imported"));
    private final HBox jobs = new HBox(8);

    /**
     * @param run does what a key does
     * @param keySheet shows which key does what
     */
    HeadBar(Session session, ShotCommands commands, Consumer<Action> run, Runnable keySheet) {
        this.session = session;
        getStyleClass().add("head");
        name.getStyleClass().add("shot-menu");
        name.setId("shot-menu");
        name.setFocusTraversable(false);
        name.setMinWidth(Region.USE_PREF_SIZE);
        name.getItems()
                .addAll(
                        item(Words.DESK.of("new-shot-ellipsis"), Action.NEW_SHOT, commands::newShot),
                        item(Words.DESK.of("open"), Action.OPEN, commands::open),
                        recent,
                        item(Words.DESK.of("save"), Action.SAVE, commands::save),
                        item(Words.DESK.of("save-as-ellipsis"), Action.SAVE_AS, commands::saveAs),
                        unsavedWork(commands),
                        versions(),
                        setup(),
                        new SeparatorMenuItem(),
                        item(Words.DESK.of("undo"), Action.UNDO, session.document()::undo),
                        item(Words.DESK.of("redo"), Action.REDO, session.document()::redo),
                        edit(run),
                        new SeparatorMenuItem(),
                        look(Theme.Look.SLATE),
                        look(Theme.Look.DAY),
                        check(Words.DESK.of("narrow-tray-menu"), session.view().trayNarrowProperty()),
                        check(Words.DESK.of("tray-at-the-left"), session.view().trayLeftProperty()),
                        keys(keySheet),
                        new SeparatorMenuItem(),
                        item(Words.DESK.of("quit"), Action.QUIT, commands::quit));
        name.setOnShowing(event -> {
            nameTheSteps();
            showRecent(commands);
        });
        session.document().pathProperty().addListener((property, before, path) -> {
            if (path != null) {
                session.preferences().addRecent(path);
            }
        });
        silent.setTooltip(new Tooltip(Words.DESK.of("no-sound-device-works-playback")));
        dropped.getStyleClass().add("alert");
        unkept.getStyleClass().add("alert");
        looking.getStyleClass().add("alert");
        seen.setTooltip(new Tooltip(Words.DESK.of("reading-this-footage-takes-long")));
        jobs.setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        name,
                        saved,
                        unkept,
                        looking,
                        Rows.space(),
                        jobs,
                        reading,
                        seen,
                        footageOff,
                        dropped,
                        silent,
                        new Readout(session));
        InvalidationListener all = changed -> show();
        session.document().shotProperty().addListener(all);
        session.document().unsavedProperty().addListener(all);
        session.document().pathProperty().addListener(all);
        session.document().whyReadOnlyProperty().addListener(all);
        session.transport().audibleProperty().addListener(all);
        session.transport().droppedProperty().addListener(all);
        session.footages().settlingProperty().addListener(all);
        session.footages().seenProperty().addListener(all);
        session.view().footageOffProperty().addListener(all);
        session.footages().doubtProperty().addListener(all);
        session.looking().sourceProperty().addListener(all);
        session.keeping().problemProperty().addListener(all);
        session.keeping().elsewhereProperty().addListener(all);
        session.jobs().running().addListener((ListChangeListener<Job>) change -> showJobs());
        show();
    }

    private void show() {
        name.setText(session.shot().name());
        visible(looking, session.looking().sourceProperty().get() != null);
        boolean readOnly = session.document().whyReadOnlyProperty().get() != null;
        boolean unsaved = session.document().unsavedProperty().get();
        boolean never = session.document().pathProperty().get() == null;
        String off = session.keeping().problemProperty().get();
        String elsewhere = session.keeping().elsewhereProperty().get();
        visible(unkept, off != null || elsewhere != null);
        unkept.setText(off != null ? Words.DESK.of("recovery-is-off") : Words.DESK.of("recovery-elsewhere"));
        unkept.setTooltip(new Tooltip(off != null ? off : elsewhere == null ? "" : elsewhere));
        saved.setText(
                readOnly
                        ? Words.DESK.of("read-only")
                        : unsaved ? Words.DESK.of("not-saved") : never ? "" : Words.DESK.of("saved-state"));
        visible(silent, !session.transport().audibleProperty().get());
        String doubt = session.footages().doubtProperty().get();
        boolean settling = session.footages().settlingProperty().get();
        boolean reads = settling || doubt == null;
        reading.setText(reads ? Words.DESK.of("reading-the-picture") : Words.DESK.of("picture-may-be-wrong"));
        reading.setTooltip(reads ? null : new Tooltip(doubt));
        reading.setOnMouseClicked(event -> {
            String now = session.footages().doubtProperty().get();
            if (now != null) {
                session.notices().problem(now);
            }
        });
        visible(reading, settling || doubt != null);
        Footages.Seen from = session.footages().seenProperty().get();
        seen.setText(from == Footages.Seen.PROXY ? Words.DESK.of("showing-proxy") : Words.DESK.of("showing-original"));
        boolean hidden = session.view().footageOffProperty().get();
        visible(footageOff, hidden);
        visible(seen, from != Footages.Seen.NOTHING && !hidden);
        int missed = session.transport().droppedProperty().get();
        dropped.setText(Words.DESK.count("dropped", missed));
        visible(dropped, missed > 0);
    }

    private void showJobs() {
        jobs.getChildren().clear();
        List<Job> running = session.jobs().running();
        // What was asked for comes first.
        Optional<Job> first = running.stream().min(Comparator.comparing(Job::isBehind));
        first.ifPresent(job -> {
            ProgressBar bar = new ProgressBar();
            bar.setPrefWidth(96);
            bar.progressProperty().bind(job.progressProperty());
            Button cancel = Buttons.icon(Icons.CLOSE, Words.DESK.of("cancel"), job::cancel);
            cancel.setId("cancel-job");
            jobs.getChildren().addAll(state(job.name()), bar, cancel);
        });
    }

    private void nameTheSteps() {
        name.getItems().forEach(item -> {
            if (item.getUserData() == Action.UNDO) {
                item.setText(session.document()
                        .undoName()
                        .map(name -> Words.DESK.of("undo-what", name))
                        .orElse(Words.DESK.of("undo")));
                item.setDisable(session.document().undoName().isEmpty());
            } else if (item.getUserData() == Action.REDO) {
                item.setText(session.document()
                        .redoName()
                        .map(name -> Words.DESK.of("redo-what", name))
                        .orElse(Words.DESK.of("redo")));
                item.setDisable(session.document().redoName().isEmpty());
            }
        });
    }

    /** The shots that were open last; one that is gone says so when it is opened. */
    private void showRecent(ShotCommands commands) {
        List<MenuItem> items = session.preferences().recent().stream()
                .map(file -> {
                    MenuItem item = new MenuItem(file.getFileName() + "  (" + file.getParent() + ")");
                    item.setMnemonicParsing(false);
                    item.setOnAction(event -> commands.openRecent(file));
                    return item;
                })
                .toList();
        recent.getItems().setAll(items);
        recent.setDisable(items.isEmpty());
    }

    private static Menu edit(Consumer<Action> run) {
        Menu menu = new Menu(Words.DESK.of("edit"));
        for (Action action : List.of(
                Action.CUT,
                Action.COPY,
                Action.PASTE,
                Action.DUPLICATE,
                Action.PICK_ALL,
                Action.PUT_AWAY,
                Action.REMOVE)) {
            MenuItem item = new MenuItem(Sentence.of(action.use()));
            if (action.keys().getShortcut() == KeyCombination.ModifierValue.DOWN) {
                item.setAccelerator(action.keys());
            }
            item.setOnAction(event -> run.accept(action));
            menu.getItems().add(item);
        }
        return menu;
    }

    private MenuItem look(Theme.Look look) {
        CheckMenuItem item = new CheckMenuItem(look.title());
        item.setSelected(Theme.lookProperty().get() == look);
        InvalidationListener follow =
                changed -> item.setSelected(Theme.lookProperty().get() == look);
        item.getProperties().put(Theme.class, follow);
        Theme.lookProperty().addListener(new WeakInvalidationListener(follow));
        item.setOnAction(event -> {
            item.setSelected(true);
            session.preferences().setLook(look.name());
            Theme.lookProperty().set(look);
        });
        return item;
    }

    private static MenuItem unsavedWork(ShotCommands commands) {
        MenuItem item = new MenuItem(Words.DESK.of("unsaved-work-ellipsis"));
        item.setId("unsaved-work");
        item.setOnAction(event -> commands.unsavedWork());
        return item;
    }

    private MenuItem versions() {
        MenuItem item = new MenuItem(Words.DESK.of("versions-ellipsis"));
        item.setId("show-versions");
        item.setOnAction(event -> session.view().stepProperty().set(Step.FINISH));
        return item;
    }

    private MenuItem setup() {
        MenuItem item = new MenuItem(Words.DESK.of("shot-set-up"));
        item.setId("shot-set-up");
        item.setOnAction(event -> {
            session.view().trayNarrowProperty().set(false);
            session.view().wholeWindowProperty().set(false);
            session.view().stepProperty().set(Step.GATHER);
            session.view().setupOpenProperty().set(true);
        });
        return item;
    }

    private static MenuItem check(String text, BooleanProperty property) {
        CheckMenuItem item = new CheckMenuItem(text);
        item.selectedProperty().bindBidirectional(property);
        return item;
    }

    private static MenuItem keys(Runnable sheet) {
        MenuItem item = new MenuItem(Words.DESK.of("help-keys-and-commands"));
        item.setAccelerator(new KeyCodeCombination(KeyCode.F1));
        item.setId("keys");
        item.setOnAction(event -> sheet.run());
        return item;
    }

    private static MenuItem item(String text, Action action, Runnable does) {
        MenuItem item = new MenuItem(text);
        item.setUserData(action);
        item.setAccelerator(action.keys());
        item.setOnAction(event -> does.run());
        return item;
    }

    private static Label state(String text) {
        Label label = new Label(Sentence.of(text));
        label.getStyleClass().add("state");
        label.setMinWidth(0);
        return label;
    }

    private static void visible(Label label, boolean shown) {
        Rows.show(label, shown);
    }
}
