package chalktrace.app.session;

import chalktrace.app.kernel.Document;
import chalktrace.core.shot.Shot;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** An earlier state of the shot, or another shot, that is looked at in step with it. Lives on the FX thread. */
public final class Comparing {

    /** Where it is seen. */
    public enum Where {
        /** As thin lines over the board. */
        OVER,
        /** On a board of its own. */
        BESIDE
    }

    /** @param name of what is looked at */
    public record Compared(String name, Shot shot) {}

    private final ReadOnlyObjectWrapper<Compared> compared = new ReadOnlyObjectWrapper<>();
    private final ObjectProperty<Where> where = new SimpleObjectProperty<>(Where.BESIDE);

    Comparing(Document document) {
        document.whenOpened(this::end);
    }

    /** What is looked at; null for nothing. */
    public ReadOnlyObjectProperty<Compared> comparedProperty() {
        return compared.getReadOnlyProperty();
    }

    public ObjectProperty<Where> whereProperty() {
        return where;
    }

    /** Looks at another state from now on. */
    public void with(String name, Shot shot) {
        compared.set(new Compared(name, shot));
    }

    public void end() {
        compared.set(null);
    }
}
