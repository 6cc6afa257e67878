package chalktrace.app.finish;

import chalktrace.app.cards.FindingList;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.shot.ShotSetup;
import chalktrace.media.export.Exporter;
import chalktrace.media.export.Exporters;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** What is handed on. */
final class FinishRows extends VBox {

    private final Session session;
    private final Exporting exporting;
    private final Label facts = Rows.hint("");
    private final CheckBox withFootage = new CheckBox(Words.FINISH.of("include-footage"));

    FinishRows(Session session, FileChoice files) {
        this.session = session;
        this.exporting = new Exporting(session.document(), session.jobs(), session.notices());
        getStyleClass().add("step-rows");
        withFootage.setId("with-footage");
        withFootage.setFocusTraversable(false);
        getChildren().addAll(FindingList.whole(session), Rows.section(Words.FINISH.of("export")), facts, withFootage);
        for (Exporter exporter : Exporters.all()) {
            boolean first = exporter == Exporters.all().get(0);
            Runnable run = () -> files.export(exporter, session.shot().name())
                    .ifPresent(
                            target -> exporting.run(exporter, target, new Exporter.Choices(withFootage.isSelected())));
            Button button = first
                    ? Buttons.main(Icons.MOVIE, exporter.title(), run)
                    : Buttons.edged(exporter.showsFootage() ? Icons.PICTURES : Icons.SHEET, exporter.title(), run);
            button.setId("export-" + exporter.id());
            button.setMaxWidth(Double.MAX_VALUE);
            getChildren().add(button);
        }
        session.document().shotProperty().addListener(changed -> show());
        show();
    }

    private void show() {
        ShotSetup setup = session.shot().setup();
        facts.setText(String.format(
                Locale.ROOT,
                Words.FINISH.of("frames-at-a-second-s"),
                setup.size(),
                setup.length(),
                setup.rate().spoken(),
                setup.seconds()));
    }
}
