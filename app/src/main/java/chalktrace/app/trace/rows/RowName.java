package chalktrace.app.trace.rows;

import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** The name on a row. It is typed anew after a double click; until then it takes no keys, which mean something to the window. */
final class RowName extends TextField {

    private final Supplier<String> known;
    private final Consumer<String> renamed;

    /** @param known what it is called now @param renamed hears of a name that is another one, and not empty */
    RowName(Supplier<String> known, Consumer<String> renamed) {
        this.known = known;
        this.renamed = renamed;
        getStyleClass().add("level-name");
        setFocusTraversable(false);
        setMouseTransparent(true);
        HBox.setHgrow(this, Priority.ALWAYS);
        setOnAction(event -> getParent().requestFocus());
        setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                setText(known.get());
                getParent().requestFocus();
            }
        });
        focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                setMouseTransparent(true);
                rename();
            }
        });
        parentProperty().addListener((property, before, row) -> {
            if (row != null) {
                row.addEventHandler(MouseEvent.MOUSE_CLICKED, this::clicked);
            }
        });
    }

    /** Shows a name, unless one is being typed. */
    void show(String name) {
        if (!isFocused()) {
            setText(name);
        }
    }

    private void clicked(MouseEvent event) {
        if (event.getClickCount() == 2 && getBoundsInParent().contains(event.getX(), event.getY())) {
            setMouseTransparent(false);
            requestFocus();
            selectAll();
        }
    }

    private void rename() {
        String typed = getText().strip();
        if (typed.isEmpty() || typed.equals(known.get())) {
            setText(known.get());
        } else {
            renamed.accept(typed);
        }
    }
}
