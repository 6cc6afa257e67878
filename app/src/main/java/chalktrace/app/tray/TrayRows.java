package chalktrace.app.tray;

import chalktrace.app.session.View.Step;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Node;

/** Rows of a step's tray. @param make them, once, when the step is first gone to */
public record TrayRows(Step step, Supplier<List<Node>> make) {}
