package chalktrace.app.controls;

import java.util.List;
import java.util.function.Function;
import javafx.beans.binding.Bindings;
import javafx.scene.Node;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;

/**
 * Rows of which there may be thousands: only those that can be seen are made. As high as its rows need, and no higher than a part of a tray; what does
 * not fit is scrolled to.
 */
public final class LongList<T> extends ListView<T> {

    private static final double ROW_PX = 26;
    private static final int MOST_ROWS_SEEN = 12;

    /** @param row makes the row of an item; it is asked again whenever something is shown anew */
    public LongList(Function<T, Node> row) {
        getStyleClass().add("long-list");
        setFixedCellSize(ROW_PX);
        setFocusTraversable(false);
        // As wide as there is room, and its rows with it.
        setPrefWidth(0);
        setCellFactory(list -> new ListCell<>() {
            {
                setPrefWidth(0);
            }

            @Override
            protected void updateItem(T item, boolean empty) {
                super.updateItem(item, empty);
                setGraphic(empty || item == null ? null : row.apply(item));
            }
        });
        var height = Bindings.min(MOST_ROWS_SEEN, Bindings.size(getItems())).multiply(ROW_PX);
        minHeightProperty().bind(height);
        prefHeightProperty().bind(height);
        maxHeightProperty().bind(height);
    }

    /** Shows these in place of those before; where they are the same, their rows are made anew all the same. */
    public void show(List<T> items) {
        if (!getItems().equals(items)) {
            getItems().setAll(items);
        }
        refresh();
    }
}
