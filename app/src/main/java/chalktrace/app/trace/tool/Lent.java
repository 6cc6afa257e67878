package chalktrace.app.trace.tool;

import chalktrace.app.session.View.Tool;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;

/** A tool that is in hand for as long as a key is held; then the one that was is in hand again. */
final class Lent {

    private final ObjectProperty<Tool> inHand;
    private final Tool tool;
    private final BooleanProperty held = new SimpleBooleanProperty();
    private Tool served = Tool.CHALK;

    /** @param inHand the tool in hand */
    Lent(ObjectProperty<Tool> inHand, Tool tool) {
        this.inHand = inHand;
        this.tool = tool;
        inHand.addListener((property, before, now) -> {
            if (now.equals(tool)) {
                served = before;
            }
        });
        held.addListener((property, before, now) -> {
            if (now) {
                inHand.set(tool);
            } else {
                giveBack();
            }
        });
    }

    BooleanProperty heldProperty() {
        return held;
    }

    /** The tool that was in hand before. */
    Tool served() {
        return served;
    }

    /** Takes the tool that was in hand before again, where nobody has taken another. */
    void giveBack() {
        if (inHand.get().equals(tool)) {
            inHand.set(served);
        }
    }
}
