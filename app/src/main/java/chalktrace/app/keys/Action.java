package chalktrace.app.keys;

import java.util.EnumSet;
import java.util.Set;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/** Everything that a key does, with the key that does it. Those without a modifier lie under the left hand. */
public enum Action {
    FRAME_BACK("one frame back (held: roll)", KeyCode.D),
    FRAME_ON("one frame on (held: roll)", KeyCode.F),
    MARK_BACK("to the mark before", KeyCode.S),
    MARK_ON("to the next mark", KeyCode.G),
    DRAWING_BACK("to the drawing before on this level", KeyCode.C),
    DRAWING_ON("to the next drawing on this level", KeyCode.V),
    CUE_BACK("to the cue before", KeyCode.S, KeyCombination.SHIFT_DOWN),
    CUE_ON("to the next cue", KeyCode.G, KeyCombination.SHIFT_DOWN),
    SECOND_BACK("one second back", KeyCode.C, KeyCombination.SHIFT_DOWN),
    SECOND_ON("one second on", KeyCode.V, KeyCombination.SHIFT_DOWN),
    FIRST_FRAME("to the first frame", KeyCode.HOME),
    LAST_FRAME("to the last frame", KeyCode.END),
    PEEK_BACK("held: show the drawing before", KeyCode.A),
    HIDE_FOOTAGE("held: hide footage", KeyCode.Q),
    ONION_SKIN("onion skin", KeyCode.W),
    CHALK_OR_DUSTER("between chalk and duster", KeyCode.R),
    PICK("select strokes", KeyCode.T),
    FILL("fill between lines", KeyCode.T, KeyCombination.SHIFT_DOWN),
    LEVEL_HERE("to the level under the pointer", KeyCode.X, KeyCombination.SHIFT_DOWN),
    SNAP("follow the edges of the picture, or not", KeyCode.B, KeyCombination.SHIFT_DOWN),
    NUDGE_LEFT("move selection left", KeyCode.LEFT),
    NUDGE_RIGHT("move selection right", KeyCode.RIGHT),
    NUDGE_UP("move selection up", KeyCode.UP),
    NUDGE_DOWN("move selection down", KeyCode.DOWN),
    PUSH_LEFT("move selection ten pixels left", KeyCode.LEFT, KeyCombination.SHIFT_DOWN),
    PUSH_RIGHT("move selection ten pixels right", KeyCode.RIGHT, KeyCombination.SHIFT_DOWN),
    PUSH_UP("move selection ten pixels up", KeyCode.UP, KeyCombination.SHIFT_DOWN),
    PUSH_DOWN("move selection ten pixels down", KeyCode.DOWN, KeyCombination.SHIFT_DOWN),
    PUT_AWAY("clear selection", KeyCode.ESCAPE),
    COPY("copy selection", KeyCode.C, KeyCombination.SHORTCUT_DOWN),
    CUT("cut selection", KeyCode.X, KeyCombination.SHORTCUT_DOWN),
    PASTE("paste in place", KeyCode.V, KeyCombination.SHORTCUT_DOWN),
    DUPLICATE("duplicate selection", KeyCode.D, KeyCombination.SHORTCUT_DOWN),
    PICK_ALL("select the whole drawing", KeyCode.A, KeyCombination.SHORTCUT_DOWN),
    NEW_DRAWING("new drawing here", KeyCode.E),
    CHALK_1("first chalk", KeyCode.DIGIT1),
    CHALK_2("second chalk", KeyCode.DIGIT2),
    CHALK_3("third chalk", KeyCode.DIGIT3),
    CHALK_4("fourth chalk", KeyCode.DIGIT4),
    CHALK_5("fifth chalk", KeyCode.DIGIT5),
    CHALK_6("sixth chalk", KeyCode.DIGIT6),
    HOLD_LONGER("hold this drawing one frame longer", KeyCode.F, KeyCombination.SHIFT_DOWN),
    HOLD_SHORTER("hold this drawing one frame shorter", KeyCode.D, KeyCombination.SHIFT_DOWN),
    MARK("mark this frame: key, breakdown, none", KeyCode.B),
    WORD("type a word at the gate", KeyCode.ENTER),
    CUE("set a cue at the gate", KeyCode.X),
    PLAY("play and stop", KeyCode.SPACE),
    PLAY_BACKWARDS("play backwards", KeyCode.SPACE, KeyCombination.SHIFT_DOWN),
    PLAY_FROM("play from this frame on", KeyCode.E, KeyCombination.SHIFT_DOWN),
    PLAY_TO("play up to this frame", KeyCode.R, KeyCombination.SHIFT_DOWN),
    PLAY_ALL("play the whole shot", KeyCode.W, KeyCombination.SHIFT_DOWN),
    KEEP_FRAME("keep this frame to flip to", KeyCode.BACK_QUOTE, KeyCombination.SHIFT_DOWN),
    FLIP("held: show the kept frame", KeyCode.BACK_QUOTE),
    GUIDES("set guides", KeyCode.Q, KeyCombination.SHIFT_DOWN),
    MIRROR_VIEW("turn the view over, left and right", KeyCode.A, KeyCombination.SHIFT_DOWN),
    HEAR("held: hear this frame again and again", KeyCode.H),
    HEAR_BACKWARDS("held: hear this frame backwards", KeyCode.J),
    MOVE_VIEW("held: drag moves the view, with Shift turns it, with Alt zooms", KeyCode.Z),
    FIT("show the whole picture", KeyCode.Z, KeyCombination.SHIFT_DOWN),
    SHEET("the exposure sheet in the board's place, and back", KeyCode.TAB, KeyCombination.SHIFT_DOWN),
    WHOLE_WINDOW("hide tray and ledge", KeyCode.TAB),
    REMOVE("remove what is chosen on the bench", KeyCode.DELETE),
    UNDO("undo", KeyCode.Z, KeyCombination.SHORTCUT_DOWN),
    REDO("redo", KeyCode.Z, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
    NEW_SHOT("new shot", KeyCode.N, KeyCombination.SHORTCUT_DOWN),
    OPEN("open", KeyCode.O, KeyCombination.SHORTCUT_DOWN),
    SAVE("save", KeyCode.S, KeyCombination.SHORTCUT_DOWN),
    SAVE_AS("save as", KeyCode.S, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
    QUIT("quit", KeyCode.Q, KeyCombination.SHORTCUT_DOWN);

    private static final Set<Action> FIELDS_HAVE_THEIR_OWN =
            EnumSet.of(UNDO, REDO, COPY, CUT, PASTE, DUPLICATE, PICK_ALL);

    private static final Set<Action> HELD =
            EnumSet.of(FRAME_BACK, FRAME_ON, PEEK_BACK, HIDE_FOOTAGE, FLIP, HEAR, HEAR_BACKWARDS, MOVE_VIEW);

    private final String use;
    private final KeyCodeCombination keys;

    Action(String use, KeyCode code, KeyCombination.Modifier... modifiers) {
        this.use = use;
        this.keys = new KeyCodeCombination(code, modifiers);
    }

    /** What it does, in words. */
    public String use() {
        return use;
    }

    /** Whether a person who asks in everyday words may mean it. */
    public boolean isFoundBy(String asked) {
        return Synonyms.match(this, asked);
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
