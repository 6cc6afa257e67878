package chalktrace.app.session;

import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

/** What is known of the pen in the person's hand. */
public final class Pen {

    private final StringProperty status = new SimpleStringProperty("");
    private final StringProperty words = new SimpleStringProperty("");
    private final BooleanProperty keepsShape = new SimpleBooleanProperty(true);

    /** Which device is read, or why none is, as a sentence. */
    public StringProperty statusProperty() {
        return status;
    }

    /** What the pen says now: its pressure, tilt and end; empty when it says nothing. */
    public StringProperty wordsProperty() {
        return words;
    }

    /** Whether a circle on the tablet is one on the screen. */
    public BooleanProperty keepsShapeProperty() {
        return keepsShape;
    }
}
