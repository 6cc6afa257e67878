package chalktrace.app.keys;

import chalktrace.app.state.Preferences;
import java.util.Arrays;
import java.util.Optional;

/** Lets the buttons on the pen, the one nearer to its tip first, do what keys do: each its action, for as long as it is held. */
public final class PenButtons {

    /** How many a pen has at most. */
    public static final int COUNT = 2;

    private final Keys keys;
    private final Preferences preferences;

    /** What each button is doing at present; null for nothing. */
    private final Action[] doing = new Action[COUNT];

    private final boolean[] down = new boolean[COUNT];

    public PenButtons(Keys keys, Preferences preferences) {
        this.keys = keys;
        this.preferences = preferences;
    }

    /** Hears which buttons are down. */
    public void take(boolean lower, boolean upper) {
        set(0, lower);
        set(1, upper);
    }

    private void set(int button, boolean isDown) {
        if (isDown == down[button]) {
            return;
        }
        down[button] = isDown;
        if (isDown) {
            action(preferences, button).ifPresent(action -> {
                doing[button] = action;
                keys.begin(action);
            });
        } else if (doing[button] != null) {
            keys.end(doing[button]);
            doing[button] = null;
        }
    }

    /** What a button does: at first the lower one takes back what was done last. */
    public static Optional<Action> action(Preferences preferences, int button) {
        String name = preferences.penButton(button, button == 0 ? Action.UNDO.name() : "");
        return Arrays.stream(Action.values())
                .filter(action -> action.name().equals(name))
                .findFirst();
    }
}
