package chalktrace.app.finish;

import chalktrace.app.cards.FindingList;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import javafx.scene.layout.VBox;

/** What may be wrong, and what is handed on. */
final class FinishRows extends VBox {

    FinishRows(Session session, FileChoice files) {
        getStyleClass().add("step-rows");
        getChildren().addAll(FindingList.whole(session), new ExportCard(session, files));
    }
}
