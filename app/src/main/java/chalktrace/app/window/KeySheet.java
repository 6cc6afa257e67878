package chalktrace.app.window;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.Sentence;
import chalktrace.app.keys.Action;
import chalktrace.app.keys.KeySet;
import chalktrace.app.keys.Keys;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Which key does what, in one card over the board: touch a key, then press the one that is wanted. */
final class KeySheet extends StackPane {

    private final KeySet keys;
    private final Keys commands;
    private final Runnable putAway;
    private final Map<Action, Button> buttons = new EnumMap<>(Action.class);
    private final Map<Action, HBox> rows = new EnumMap<>(Action.class);
    private final Label says = Rows.hint("");
    private final TextField search = new TextField();
    private Action asked;

    /** @param commands runs what a key does */
    KeySheet(KeySet keys, Keys commands, Runnable putAway) {
        this.keys = keys;
        this.commands = commands;
        this.putAway = putAway;
        getStyleClass().add("shade");
        Label title = new Label(Words.DESK.of("keys-and-commands"));
        title.getStyleClass().add("title");
        search.setId("key-search");
        search.setPromptText(Words.DESK.of("find-a-command-in-your"));
        search.setOnAction(event -> first().ifPresent(this::run));
        VBox list = new VBox(2);
        for (Action action : Action.values()) {
            list.getChildren().add(row(action));
        }
        search.textProperty()
                .addListener((property, before, text) -> rows.forEach((action, row) -> {
                    boolean wanted = action.isFoundBy(text) || keys.text(action).equalsIgnoreCase(text.strip());
                    Rows.show(row, wanted);
                }));
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Button mirror = Buttons.words(
                Words.DESK.of("mirror-for-left-hand"),
                Words.DESK.of("all-keys-over-against-where"),
                () -> change(keys::mirror, Words.DESK.of("the-keys-lie-on-the")));
        mirror.setId("keys-mirror");
        Button first = Buttons.words(
                Words.DESK.of("restore-defaults"),
                Words.DESK.of("all-keys-as-a-new"),
                () -> change(keys::asAtFirst, Words.DESK.of("all-keys-have-their-defaults")));
        first.setId("keys-first");
        Button done = Buttons.main(Icons.DONE, Words.DESK.of("done"), putAway);
        done.setId("keys-done");
        HBox foot = new HBox(8, mirror, first, Rows.space(), done);
        foot.setAlignment(Pos.CENTER_LEFT);
        says.setText(Words.DESK.of("click-a-command-to-run"));
        VBox card = new VBox(title, search, scroll, says, foot);
        card.getStyleClass().addAll("new-shot", "key-sheet");
        getChildren().add(card);
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        addEventHandler(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                putAway.run();
                event.consume();
            }
        });
        show();
    }

    /** One types what one looks for at once. */
    @Override
    public void requestFocus() {
        search.requestFocus();
    }

    private HBox row(Action action) {
        Button use = Buttons.text(Sentence.of(action.use()), Words.DESK.of("run-this-command"), () -> run(action));
        use.setId("run-" + action.name());
        use.setDisable(!commands.runs(action));
        use.getStyleClass().add("command");
        Button key = Buttons.words("", Words.DESK.of("press-another-key-for-this"), () -> ask(action));
        key.setId("key-" + action.name());
        key.setDisable(action.isFixed());
        key.setFocusTraversable(!action.isFixed());
        // While it is asked, every key is meant for it.
        key.getProperties().put(Keys.TAKES_KEYS, EnumSet.allOf(KeyCode.class));
        key.focusedProperty().addListener((property, before, focused) -> {
            if (!focused && asked == action) {
                ask(null);
            }
        });
        buttons.put(action, key);
        HBox row = new HBox(8, use, Rows.space(), key);
        row.setAlignment(Pos.CENTER_LEFT);
        rows.put(action, row);
        return row;
    }

    /** The first that is listed and can be run. */
    private Optional<Action> first() {
        return Arrays.stream(Action.values())
                .filter(action -> rows.get(action).isVisible() && commands.runs(action))
                .findFirst();
    }

    private void run(Action action) {
        putAway.run();
        commands.run(action);
    }

    private void ask(Action action) {
        asked = action;
        show();
        if (action != null) {
            says.setText(Words.DESK.of("press-the-key-for-or", action.use()));
            buttons.get(action).requestFocus();
        }
    }

    private void pressed(KeyEvent event) {
        if (asked == null || event.getCode().isModifierKey()) {
            return;
        }
        event.consume();
        Action action = asked;
        asked = null;
        if (event.getCode() != KeyCode.ESCAPE) {
            set(action, combination(event));
        }
        show();
    }

    private void set(Action action, KeyCodeCombination wanted) {
        try {
            Optional<Action> had = keys.set(action, wanted);
            says.setText(had.map(other -> Words.DESK.of("had-it-and-now-has", other.use(), keys.text(other)))
                    .orElse(Words.DESK.of("is-now", action.use(), keys.text(action))));
        } catch (IllegalArgumentException e) {
            says.setText(e.getMessage());
        }
    }

    private static KeyCodeCombination combination(KeyEvent event) {
        List<KeyCombination.Modifier> modifiers = new ArrayList<>();
        if (event.isShiftDown()) {
            modifiers.add(KeyCombination.SHIFT_DOWN);
        }
        if (event.isAltDown()) {
            modifiers.add(KeyCombination.ALT_DOWN);
        }
        if (event.isShortcutDown()) {
            modifiers.add(KeyCombination.SHORTCUT_DOWN);
        }
        return new KeyCodeCombination(event.getCode(), modifiers.toArray(KeyCombination.Modifier[]::new));
    }

    private void change(Runnable does, String then) {
        asked = null;
        does.run();
        says.setText(then);
        show();
    }

    private void show() {
        Arrays.stream(Action.values()).forEach(action -> buttons.get(action)
                .setText(action == asked ? Words.DESK.of("press-a-key") : keys.text(action)));
    }
}
