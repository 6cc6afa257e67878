package chalktrace.app.bench;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Sentence;
import chalktrace.app.keys.Action;
import chalktrace.app.keys.KeySet;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.LevelEdits;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.PlayPath.Round;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.beans.property.BooleanProperty;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The strips of picture, drawings, words and sound that run through the gate, with the play controls at its foot. */
public final class Bench extends VBox {

    static final double NAME_WIDTH = 116;
    private static final double LOCK_WIDTH = 24;
    private static final double LOWEST_HEIGHT = 150;
    private static final double LEAST_BOARD = 160;

    /** Of the window's height it takes no more unless it is dragged: in Trace the board keeps half of the window's area. */
    private static final double MOST_IN_TRACE = 0.265;

    private static final double MOST = 0.35;
    private static final double[] SPEEDS = {0.25, 0.5, 1, 2, 4};

    private static final LaneKind PICTURE =
            new LaneKind(100, Set.of(Step.GATHER, Step.STUDY, Step.TRACE, Step.FINISH), PictureLane::new);
    private static final LaneKind MARKS = new LaneKind(200, Set.of(Step.values()), MarkLane::new);
    private static final int LEVELS = 300;
    private static final Set<Step> LEVELS_NEEDED_BY = Set.of(Step.GATHER, Step.STUDY, Step.TRACE, Step.FINISH);
    private static final int SOUNDS = 700;

    /** A lane with its name, in its place. */
    private record Row(int order, Set<Step> neededBy, Predicate<Shot> wanted, Lane lane, Node node) {}

    private final Session session;
    private final BenchScale scale;
    private final Spectrograms spectrograms;
    private final LaneStack lanes = new LaneStack();
    private final List<Row> fixed = new ArrayList<>();
    private List<Row> wantedRows = List.of();
    private List<Row> rows = List.of();
    private List<String> levelIds = List.of();
    private List<String> soundIds = List.of();

    /** @param more lanes beside those of the ground */
    public Bench(Session session, List<LaneKind> more) {
        this.session = session;
        this.scale = new BenchScale(session);
        this.spectrograms = new Spectrograms(session);
        getStyleClass().add("bench");
        Stream.concat(Stream.of(PICTURE, MARKS), more.stream())
                .forEach(kind -> fixed.add(row(
                        kind.order(),
                        kind.neededBy(),
                        kind.wanted(),
                        kind.lane().apply(session, scale))));
        VBox.setVgrow(lanes, Priority.ALWAYS);
        getChildren().addAll(grip(), lanes, gateFoot(), new WholeShot(session, scale));
        setMinHeight(LOWEST_HEIGHT);
        session.document().shownProperty().addListener(changed -> arrange());
        session.view().stepProperty().addListener(changed -> {
            fold();
            takeHeight();
        });
        session.selection().levelProperty().addListener(changed -> keepCurrentInView());
        arrange();
        fold();
        takeHeight();
    }

    /** As it was dragged in this step, or else as high as the lanes that the step needs. */
    private void takeHeight() {
        setPrefHeight(session.preferences().benchHeight(step().id()).orElse(USE_COMPUTED_SIZE));
    }

    @Override
    protected double computePrefHeight(double width) {
        double needed = super.computePrefHeight(width);
        double share = step() == Step.TRACE ? MOST_IN_TRACE : MOST;
        return getScene() == null ? needed : Math.min(needed, share * getScene().getHeight());
    }

    private Step step() {
        return session.view().stepProperty().get();
    }

    /** Strips to lie over the board's lower edge, frame over frame with those of the bench. */
    public List<Lane> overBoard(List<LaneKind> kinds) {
        List<Lane> out = new ArrayList<>();
        for (LaneKind kind : kinds) {
            Lane lane = kind.lane().apply(session, scale);
            StackPane.setAlignment(lane, Pos.BOTTOM_LEFT);
            StackPane.setMargin(lane, new Insets(0, 0, 0, NAME_WIDTH));
            out.add(lane);
        }
        return out;
    }

    /** Makes the lanes of levels and sounds anew when these come, go or change places. */
    private void arrange() {
        Shot shot = session.document().shown();
        List<String> levelsNow = shot.levels().stream().map(Level::id).toList();
        List<String> soundsNow = shot.sounds().stream().map(SoundClip::id).toList();
        List<Row> wanted = fixed.stream().filter(row -> row.wanted().test(shot)).toList();
        if (wanted.equals(wantedRows) && levelsNow.equals(levelIds) && soundsNow.equals(soundIds) && !rows.isEmpty()) {
            return;
        }
        wantedRows = wanted;
        levelIds = levelsNow;
        soundIds = soundsNow;
        List<Row> all = new ArrayList<>(wanted);
        for (Level level : shot.levels()) {
            all.add(levelRow(level));
        }
        for (SoundClip clip : shot.sounds()) {
            all.add(row(
                    SOUNDS,
                    Set.of(Step.values()),
                    any -> true,
                    new SoundLane(clip.id(), clip.name(), session, scale, spectrograms),
                    clip.name()));
        }
        // Lanes of one order keep theirs.
        all.sort(Comparator.comparingInt(Row::order));
        rows = all;
        lanes.show(
                all.stream().filter(Bench::stays).map(Row::node).toList(),
                all.stream().filter(row -> !stays(row)).map(Row::node).toList());
        keepCurrentInView();
        fold();
    }

    /** Picture and marks are always in view. */
    private static boolean stays(Row row) {
        return row.order() == PICTURE.order() || row.order() == MARKS.order();
    }

    private void keepCurrentInView() {
        String level = session.selection().level();
        lanes.keepInView(rows.stream()
                .filter(row -> row.lane() instanceof LevelLane lane && lane.shows(level))
                .map(Row::node)
                .findFirst()
                .orElse(null));
    }

    private void fold() {
        rows.forEach(row -> row.lane().fold(!row.neededBy().contains(step())));
        lanes.requestLayout();
    }

    private Row row(int order, Set<Step> neededBy, Predicate<Shot> wanted, Lane lane) {
        return row(order, neededBy, wanted, lane, Sentence.of(lane.name()));
    }

    /** @param title as it stands before the lane: what the artist named keeps its own case */
    private Row row(int order, Set<Step> neededBy, Predicate<Shot> wanted, Lane lane, String title) {
        Label name = new Label(title);
        name.getStyleClass().add("lane-name");
        name.setMaxWidth(NAME_WIDTH - 8);
        name.setTooltip(new Tooltip(Words.DESK.of("click-to-fold-this-lane")));
        name.setOnMouseClicked(event -> lane.fold(true));
        if (order != PICTURE.order()) {
            return new Row(order, neededBy, wanted, lane, named(lane, name));
        }
        name.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(name, Priority.ALWAYS);
        Button eye = footageEye();
        // Below one another with those of the levels, which have a lock after it.
        HBox.setMargin(eye, new Insets(0, LOCK_WIDTH, 0, 0));
        HBox head = new HBox(name, eye);
        head.setAlignment(Pos.CENTER_LEFT);
        return new Row(order, neededBy, wanted, lane, named(lane, head));
    }

    private Button footageEye() {
        BooleanProperty off = session.view().footageOffProperty();
        Button eye = session.keys()
                .named(
                        laneIcon("", () -> off.set(!off.get())),
                        Words.DESK.of("show-or-hide-footage"),
                        Action.FOOTAGE_OFF);
        eye.setId("footage-eye");
        Runnable show = () -> eye.setGraphic(Theme.icon(off.get() ? Icons.HIDDEN : Icons.SHOWN));
        off.addListener(changed -> show.run());
        show.run();
        return eye;
    }

    private Node named(Lane lane, Node title) {
        StackPane head = new StackPane(title);
        head.setAlignment(Pos.CENTER_LEFT);
        head.setMinSize(NAME_WIDTH, 0);
        head.setPrefWidth(NAME_WIDTH);
        head.setMaxWidth(NAME_WIDTH);
        lane.heightProperty().addListener((property, before, height) -> title.setVisible(height.doubleValue() > 12));
        HBox.setHgrow(lane, Priority.ALWAYS);
        HBox row = new HBox(head, lane);
        row.maxHeightProperty().bind(lane.maxHeightProperty());
        head.maxHeightProperty().bind(lane.maxHeightProperty());
        return row;
    }

    private Row levelRow(Level level) {
        LevelLane lane = new LevelLane(level.id(), level.name(), session, scale);
        Label name = new Label(level.name());
        name.getStyleClass().add("lane-name");
        name.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setCursor(Cursor.HAND);
        name.setOnMousePressed(event -> session.selection().levelProperty().set(level.id()));
        Button eye = laneIcon(Words.DESK.of("show-or-hide-this-level"), () -> session.document()
                .apply(LevelEdits.change(
                        Words.DESK.of("show-or-hide", level.name()), level.id(), l -> l.withVisible(!l.visible()))));
        Button lock = laneIcon(Words.DESK.of("lock-or-unlock-this-level"), () -> session.document()
                .apply(LevelEdits.change(
                        Words.DESK.of("lock-or-unlock", level.name()), level.id(), l -> l.withLocked(!l.locked()))));
        Runnable show = () -> session.shot().level(level.id()).ifPresent(now -> {
            name.setText(now.name());
            eye.setGraphic(Theme.icon(now.visible() ? Icons.SHOWN : Icons.HIDDEN));
            lock.setGraphic(Theme.icon(now.locked() ? Icons.LOCKED : Icons.UNLOCKED));
            lock.setOpacity(now.locked() ? 1 : 0.45);
            boolean current = level.id().equals(session.selection().level());
            name.getStyleClass().removeAll("current");
            if (current) {
                name.getStyleClass().add("current");
            }
        });
        // Weakly: the row goes when the level goes.
        InvalidationListener changed = any -> show.run();
        name.getProperties().put("listener", changed);
        session.document().shotProperty().addListener(new WeakInvalidationListener(changed));
        session.selection().levelProperty().addListener(new WeakInvalidationListener(changed));
        show.run();
        HBox title = new HBox(name, eye, lock);
        title.setAlignment(Pos.CENTER_LEFT);
        return new Row(LEVELS, LEVELS_NEEDED_BY, shot -> true, lane, named(lane, title));
    }

    private static Button laneIcon(String use, Runnable action) {
        Button button = Buttons.icon(Icons.SHOWN, use, action);
        button.getStyleClass().setAll("button", "lane-icon");
        return button;
    }

    /** The top edge of the bench, by which its height is dragged; twice clicked it is as high again as its lanes. */
    private Region grip() {
        Region grip = new Region();
        grip.getStyleClass().add("grip");
        double[] start = new double[2];
        grip.setOnMousePressed(event -> {
            start[0] = event.getScreenY();
            start[1] = getHeight();
        });
        grip.setOnMouseDragged(event -> {
            double highest = getScene().getHeight() - LEAST_BOARD;
            setPrefHeight(Math.max(LOWEST_HEIGHT, Math.min(highest, start[1] + start[0] - event.getScreenY())));
        });
        grip.setOnMouseReleased(event -> {
            if (event.getClickCount() == 2) {
                session.preferences().forgetBenchHeight(step().id());
                takeHeight();
            } else if (!event.isStillSincePress()) {
                session.preferences().setBenchHeight(step().id(), getPrefHeight());
            }
        });
        Tooltip.install(grip, new Tooltip(Words.DESK.of("drag-for-the-bench-s-height")));
        return grip;
    }

    private Node gateFoot() {
        KeySet keys = session.keys();
        Button back = keys.named(
                Buttons.icon(Icons.BACK, "", () -> session.transport().step(-1)),
                Words.DESK.of("one-frame-back"),
                Action.FRAME_BACK);
        Button on = keys.named(
                Buttons.icon(Icons.ON, "", () -> session.transport().step(1)),
                Words.DESK.of("one-frame-on"),
                Action.FRAME_ON);
        Button play = keys.named(
                Buttons.icon(Icons.PLAY, "", session.transport()::togglePlay), Words.DESK.of("play"), Action.PLAY);
        play.setId("play");
        Button start = keys.named(
                Buttons.icon(Icons.FIRST, "", () -> session.transport().go(0)),
                Words.DESK.of("to-the-first-frame"),
                Action.FIRST_FRAME);
        Button end = keys.named(
                Buttons.icon(Icons.LAST, "", () -> session.transport()
                        .go(session.document().shown().setup().length() - 1)),
                Words.DESK.of("to-the-last-frame"),
                Action.LAST_FRAME);
        session.transport().playingProperty().addListener((property, before, playing) -> {
            play.setGraphic(Theme.icon(playing ? Icons.PAUSE : Icons.PLAY));
        });
        Button round = Buttons.icon(Icons.LOOP, "", this::turnRound);
        session.transport().roundProperty().addListener(changed -> showRound(round));
        showRound(round);
        MenuButton speed = speed();
        // As wide as what stands on the right, so that play stands under the gate.
        Region balance = new Region();
        balance.minWidthProperty()
                .bind(round.widthProperty().add(speed.widthProperty()).add(4));
        HBox foot = new HBox(balance, start, back, play, on, end, round, speed);
        foot.setMinHeight(Region.USE_PREF_SIZE);
        foot.getStyleClass().add("gate-foot");
        return foot;
    }

    /** Once, round and round, to and fro, in turn. */
    private void turnRound() {
        Round[] all = Round.values();
        Round now = session.transport().roundProperty().get();
        session.transport().roundProperty().set(all[(now.ordinal() + 1) % all.length]);
    }

    private void showRound(Button button) {
        Round now = session.transport().roundProperty().get();
        button.setGraphic(Theme.icon(
                switch (now) {
                    case ONCE -> Icons.ONCE;
                    case LOOP -> Icons.LOOP;
                    case TO_AND_FRO -> Icons.TO_AND_FRO;
                }));
        Buttons.named(
                button,
                switch (now) {
                    case ONCE -> Words.DESK.of("plays-once-click-for-round");
                    case LOOP -> Words.DESK.of("plays-round-and-round-click");
                    case TO_AND_FRO -> Words.DESK.of("plays-to-and-fro-click");
                });
    }

    private MenuButton speed() {
        MenuButton button = new MenuButton("1\u00d7");
        button.getStyleClass().add("speed");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setFocusTraversable(false);
        button.setAccessibleText(Words.DESK.of("speed-of-play"));
        button.setTooltip(new Tooltip(Words.DESK.of("speed-of-play-sound-runs")));
        for (double value : SPEEDS) {
            MenuItem item = new MenuItem(speedText(value));
            item.setOnAction(event -> session.transport().speedProperty().set(value));
            button.getItems().add(item);
        }
        session.transport()
                .speedProperty()
                .addListener((property, before, now) -> button.setText(speedText(now.doubleValue())));
        return button;
    }

    private static String speedText(double value) {
        return (value == 0.25 ? "\u00bc" : value == 0.5 ? "\u00bd" : Integer.toString((int) value)) + "\u00d7";
    }
}
