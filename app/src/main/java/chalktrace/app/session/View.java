package chalktrace.app.session;

import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

/** How the shot is looked at and worked on. Nothing of it is part of the shot, so nothing of it is undone. */
public final class View {

    /** What the pen does. */
    public enum Tool {
        CHALK,
        DUSTER
    }

    /** The steps of the work. */
    public enum Step {
        GATHER("Gather"),
        STUDY("Study"),
        TRACE("Trace"),
        VOICE("Voice"),
        FINISH("Finish");

        private final String title;

        Step(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    private final ObjectProperty<Tool> tool = new SimpleObjectProperty<>(Tool.CHALK);
    private final StringProperty placing = new SimpleStringProperty();
    private final ObjectProperty<Step> step = new SimpleObjectProperty<>(Step.TRACE);
    private final BooleanProperty onionSkin = new SimpleBooleanProperty(true);
    private final BooleanProperty footageHidden = new SimpleBooleanProperty();
    private final BooleanProperty wholeWindow = new SimpleBooleanProperty();
    private final BooleanProperty peekBack = new SimpleBooleanProperty();
    private final BooleanProperty flipped = new SimpleBooleanProperty();
    private final IntegerProperty keptFrame = new SimpleIntegerProperty();
    private final IntegerProperty holdFrames = new SimpleIntegerProperty(2);

    /** The footage that the pointer places on the board, in place of drawing, by its id; null for none. */
    public StringProperty placingProperty() {
        return placing;
    }

    public ObjectProperty<Tool> toolProperty() {
        return tool;
    }

    public ObjectProperty<Step> stepProperty() {
        return step;
    }

    public BooleanProperty onionSkinProperty() {
        return onionSkin;
    }

    /** Whether footage is hidden for as long as a key is held. */
    public BooleanProperty footageHiddenProperty() {
        return footageHidden;
    }

    /** Whether tray and ledge are put away, so that the board fills the window. */
    public BooleanProperty wholeWindowProperty() {
        return wholeWindow;
    }

    /** Whether the drawing before the present one is shown in its place, for as long as a key is held. */
    public BooleanProperty peekBackProperty() {
        return peekBack;
    }

    /** Whether the kept frame is shown in place of the one at the gate, for as long as a key is held. */
    public BooleanProperty flippedProperty() {
        return flipped;
    }

    /** The frame that flipping shows. */
    public IntegerProperty keptFrameProperty() {
        return keptFrame;
    }

    /** For how many frames a new drawing shows. */
    public IntegerProperty holdFramesProperty() {
        return holdFrames;
    }
}
