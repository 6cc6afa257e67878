package chalktrace.app.controls;

import chalktrace.app.theme.Theme;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import org.kordamp.ikonli.Ikon;

/** Buttons in the program's own look. None takes the keyboard by a click, so that keys stay with the board. */
public final class Buttons {

    private Buttons() {}

    /** A button that shows an icon only; {@code use} is its tooltip and its name for screen readers. */
    public static Button icon(Ikon ikon, String use, Runnable action) {
        Button button = new Button(null, Theme.icon(ikon));
        return named(plain(button, action), use);
    }

    public static Button text(String text, String use, Runnable action) {
        Button button = new Button(text);
        return named(plain(button, action), use);
    }

    /** A button of words with an edge, where words without one would look like a label. */
    public static Button words(String text, String use, Runnable action) {
        Button button = text(text, use, action);
        button.getStyleClass().add("edged");
        return button;
    }

    /** A button with an edge, for what is done now and then. */
    public static Button edged(Ikon ikon, String text, Runnable action) {
        Button button = new Button(text, Theme.icon(ikon));
        button.getStyleClass().add("edged");
        return plain(button, action);
    }

    /** The one button that a panel is about. */
    public static Button main(Ikon ikon, String text, Runnable action) {
        Button button = new Button(text, Theme.icon(ikon));
        button.getStyleClass().add("main-button");
        button.setOnAction(event -> action.run());
        button.setFocusTraversable(true);
        return button;
    }

    /** A menu among buttons of words. */
    public static MenuButton menu(String text, String use) {
        MenuButton menu = new MenuButton(text);
        menu.getStyleClass().add("small-menu");
        return named(menu, use);
    }

    /** A toggle that shows an icon only. */
    public static ToggleButton toggle(Ikon ikon, String use) {
        ToggleButton toggle = new ToggleButton(null, Theme.icon(ikon));
        toggle.getStyleClass().setAll("plain-toggle");
        return named(toggle, use);
    }

    public static ToggleButton toggle(String text, String use) {
        ToggleButton toggle = new ToggleButton(text);
        toggle.getStyleClass().setAll("plain-toggle");
        return named(toggle, use);
    }

    /** Gives a control a tooltip and a name for screen readers. */
    public static <B extends ButtonBase> B named(B button, String use) {
        button.setTooltip(new Tooltip(Sentence.of(use)));
        button.setAccessibleText(Sentence.of(use));
        button.setFocusTraversable(false);
        return button;
    }

    private static Button plain(Button button, Runnable action) {
        button.getStyleClass().addAll("plain-button");
        button.setOnAction(event -> action.run());
        button.setFocusTraversable(false);
        return button;
    }
}
