package chalktrace.app.cards;

import chalktrace.core.shot.Footage;
import javafx.scene.Node;

/** Rows on the cards of some footage, such as those of a model. */
public interface CardRows {

    /** The rows of one card. */
    interface Part {

        Node node();

        void show(Footage clip);
    }

    /** What its rows are called on the card. */
    String title();

    /** Whether footage has them. */
    boolean fits(Footage clip);

    /** The rows of the footage with an id. */
    Part of(String footageId);
}
