package chalktrace.app.keys;

import chalktrace.app.words.Words;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/** Everything that a key does, with the key that does it. Those without a modifier lie under the left hand. */
public enum Action {
    FRAME_BACK(KeyCode.D),
    FRAME_ON(KeyCode.F),
    HOLD_BACK(KeyCode.D, KeyCombination.ALT_DOWN),
    HOLD_ON(KeyCode.F, KeyCombination.ALT_DOWN),
    MARK_BACK(KeyCode.S),
    MARK_ON(KeyCode.G),
    DRAWING_BACK(KeyCode.C),
    DRAWING_ON(KeyCode.V),
    CUE_BACK(KeyCode.S, KeyCombination.SHIFT_DOWN),
    CUE_ON(KeyCode.G, KeyCombination.SHIFT_DOWN),
    SECOND_BACK(KeyCode.C, KeyCombination.SHIFT_DOWN),
    SECOND_ON(KeyCode.V, KeyCombination.SHIFT_DOWN),
    FIRST_FRAME(KeyCode.HOME),
    LAST_FRAME(KeyCode.END),
    PEEK_BACK(KeyCode.A),
    HIDE_FOOTAGE(KeyCode.Q),
    FOOTAGE_OFF(KeyCode.Q, KeyCombination.ALT_DOWN),
    ONION_SKIN(KeyCode.W),
    CHALK_OR_DUSTER(KeyCode.R),
    PICK(KeyCode.T),
    FILL(KeyCode.T, KeyCombination.SHIFT_DOWN),
    LEVEL_HERE(KeyCode.X, KeyCombination.SHIFT_DOWN),
    LEVEL_BEFORE(KeyCode.W, KeyCombination.ALT_DOWN),
    LEVEL_BEHIND(KeyCode.S, KeyCombination.ALT_DOWN),
    LEVEL_SHOWN(KeyCode.X, KeyCombination.ALT_DOWN),
    LEVEL_ALONE(KeyCode.A, KeyCombination.ALT_DOWN),
    SNAP(KeyCode.B, KeyCombination.SHIFT_DOWN),
    NUDGE_LEFT(KeyCode.LEFT),
    NUDGE_RIGHT(KeyCode.RIGHT),
    NUDGE_UP(KeyCode.UP),
    NUDGE_DOWN(KeyCode.DOWN),
    PUSH_LEFT(KeyCode.LEFT, KeyCombination.SHIFT_DOWN),
    PUSH_RIGHT(KeyCode.RIGHT, KeyCombination.SHIFT_DOWN),
    PUSH_UP(KeyCode.UP, KeyCombination.SHIFT_DOWN),
    PUSH_DOWN(KeyCode.DOWN, KeyCombination.SHIFT_DOWN),
    PUT_AWAY(KeyCode.ESCAPE),
    COPY(KeyCode.C, KeyCombination.SHORTCUT_DOWN),
    CUT(KeyCode.X, KeyCombination.SHORTCUT_DOWN),
    PASTE(KeyCode.V, KeyCombination.SHORTCUT_DOWN),
    DUPLICATE(KeyCode.D, KeyCombination.SHORTCUT_DOWN),
    PICK_ALL(KeyCode.A, KeyCombination.SHORTCUT_DOWN),
    NEW_DRAWING(KeyCode.E),
    NEW_COPIED(KeyCode.E, KeyCombination.ALT_DOWN),
    NEXT_COPIED(KeyCode.V, KeyCombination.ALT_DOWN),
    CHALK_1(KeyCode.DIGIT1),
    CHALK_2(KeyCode.DIGIT2),
    CHALK_3(KeyCode.DIGIT3),
    CHALK_4(KeyCode.DIGIT4),
    CHALK_5(KeyCode.DIGIT5),
    CHALK_6(KeyCode.DIGIT6),
    THINNER(KeyCode.DIGIT7),
    WIDER(KeyCode.DIGIT8),
    FOOTAGE_FAINTER(KeyCode.DIGIT7, KeyCombination.ALT_DOWN),
    FOOTAGE_STRONGER(KeyCode.DIGIT8, KeyCombination.ALT_DOWN),
    DIAL_WIDTH(KeyCode.DIGIT9),
    DIAL_STRENGTH(KeyCode.DIGIT0),
    TAKE_COLOUR(KeyCode.F2),
    FIND_CHALK(KeyCode.F3),
    COPY_FRAME(KeyCode.F4),
    COPY_FRAME_CLEAR(KeyCode.F4, KeyCombination.SHIFT_DOWN),
    HOLD_LONGER(KeyCode.F, KeyCombination.SHIFT_DOWN),
    HOLD_SHORTER(KeyCode.D, KeyCombination.SHIFT_DOWN),
    MARK(KeyCode.B),
    WORD(KeyCode.ENTER),
    CUE(KeyCode.X),
    PLAY(KeyCode.SPACE),
    PLAY_BACKWARDS(KeyCode.SPACE, KeyCombination.SHIFT_DOWN),
    PLAY_FROM(KeyCode.E, KeyCombination.SHIFT_DOWN),
    PLAY_TO(KeyCode.R, KeyCombination.SHIFT_DOWN),
    PLAY_ALL(KeyCode.W, KeyCombination.SHIFT_DOWN),
    KEEP_FRAME(KeyCode.BACK_QUOTE, KeyCombination.SHIFT_DOWN),
    FLIP(KeyCode.BACK_QUOTE),
    GUIDES(KeyCode.Q, KeyCombination.SHIFT_DOWN),
    MIRROR_VIEW(KeyCode.A, KeyCombination.SHIFT_DOWN),
    HEAR(KeyCode.H),
    HEAR_BACKWARDS(KeyCode.J),
    MOVE_VIEW(KeyCode.Z),
    FIT(KeyCode.Z, KeyCombination.SHIFT_DOWN),
    GO_GATHER(KeyCode.DIGIT1, KeyCombination.ALT_DOWN),
    GO_STUDY(KeyCode.DIGIT2, KeyCombination.ALT_DOWN),
    GO_TRACE(KeyCode.DIGIT3, KeyCombination.ALT_DOWN),
    GO_VOICE(KeyCode.DIGIT4, KeyCombination.ALT_DOWN),
    GO_FINISH(KeyCode.DIGIT5, KeyCombination.ALT_DOWN),
    NARROW_TRAY(KeyCode.T, KeyCombination.ALT_DOWN),
    TRAY_SIDE(KeyCode.T, KeyCombination.ALT_DOWN, KeyCombination.SHIFT_DOWN),
    SHEET(KeyCode.TAB, KeyCombination.SHIFT_DOWN),
    WHOLE_WINDOW(KeyCode.TAB),
    REMOVE(KeyCode.DELETE),
    UNDO(KeyCode.Z, KeyCombination.SHORTCUT_DOWN),
    REDO(KeyCode.Z, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
    NEW_SHOT(KeyCode.N, KeyCombination.SHORTCUT_DOWN),
    OPEN(KeyCode.O, KeyCombination.SHORTCUT_DOWN),
    SAVE(KeyCode.S, KeyCombination.SHORTCUT_DOWN),
    SAVE_AS(KeyCode.S, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
    QUIT(KeyCode.Q, KeyCombination.SHORTCUT_DOWN);

    private static final Set<Action> FIELDS_HAVE_THEIR_OWN =
            EnumSet.of(UNDO, REDO, COPY, CUT, PASTE, DUPLICATE, PICK_ALL);

    private static final Set<Action> HELD = EnumSet.of(
            FRAME_BACK,
            FRAME_ON,
            PEEK_BACK,
            HIDE_FOOTAGE,
            FLIP,
            HEAR,
            HEAR_BACKWARDS,
            MOVE_VIEW,
            DIAL_WIDTH,
            DIAL_STRENGTH,
            TAKE_COLOUR,
            FIND_CHALK);

    private final KeyCodeCombination keys;

    Action(KeyCode code, KeyCombination.Modifier... modifiers) {
        this.keys = new KeyCodeCombination(code, modifiers);
    }

    /** What it does, in words. */
    public String use() {
        return Words.DESK.of("action." + inWords());
    }

    private String inWords() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Whether each word of a question begins one of the words that say what it does, or one by which people look for it. */
    public boolean isFoundBy(String asked) {
        String all = use() + " " + Words.DESK.ifAny("find." + inWords()).orElse("");
        String[] words = all.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+");
        return Stream.of(asked.toLowerCase(Locale.ROOT).strip().split("\\s+"))
                .allMatch(part -> Stream.of(words).anyMatch(word -> word.startsWith(part)));
    }

    /** The key that does it in a new program; {@link KeySet} knows which one does now. */
    public KeyCodeCombination keys() {
        return keys;
    }

    /** Whether its key is a convention of the system, and stays. */
    public boolean isFixed() {
        return keys.getShortcut() == KeyCombination.ModifierValue.DOWN || this == PUT_AWAY;
    }

    /** Whether it does something for as long as its key is held. */
    boolean isHeld() {
        return HELD.contains(this);
    }

    /** Whether it works in a text field too, as the system's own conventions do. */
    boolean worksInFields() {
        return keys.getShortcut() == KeyCombination.ModifierValue.DOWN && !FIELDS_HAVE_THEIR_OWN.contains(this);
    }

    /** Whether it goes on again and again while its key is held. */
    boolean rolls() {
        return this == FRAME_BACK || this == FRAME_ON;
    }
}
