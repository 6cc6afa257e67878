package chalktrace.app.tray.finish;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.core.shot.ShotSetup;
import java.util.Locale;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** What is handed on. */
public final class FinishTray extends VBox {

    private final Session session;
    private final Label facts = Rows.hint("");
    private final CheckBox withFootage = new CheckBox("Put the footage into the export");

    public FinishTray(Session session, FileChoice files) {
        this.session = session;
        getStyleClass().add("content");
        withFootage.setId("with-footage");
        withFootage.setFocusTraversable(false);
        var movie = Buttons.main(
                Icons.MOVIE, "Movie (MP4)", () -> files.saveMovie(session.shot().name() + ".mp4")
                        .ifPresent(target -> session.exporting().movie(target, withFootage.isSelected())));
        var pictures = Buttons.edged(
                Icons.PICTURES, "Numbered pictures (PNG)", () -> files.folder("Choose a folder for the pictures")
                        .ifPresent(folder -> session.exporting().pictures(folder, withFootage.isSelected())));
        var sheet = Buttons.edged(Icons.SHEET, "Exposure sheet (PDF, CSV)", () -> files.saveSheet(
                        session.shot().name() + ".pdf")
                .ifPresent(session.exporting()::sheet));
        sheet.setMaxWidth(Double.MAX_VALUE);
        movie.setMaxWidth(Double.MAX_VALUE);
        pictures.setMaxWidth(Double.MAX_VALUE);
        getChildren()
                .addAll(
                        Rows.section("Hand on"),
                        facts,
                        withFootage,
                        movie,
                        pictures,
                        sheet,
                        Rows.hint("What is probably not meant in the exposure has a flag on its lane; timing, in Trace,"
                                + " lists it."));
        session.document().shotProperty().addListener(changed -> show());
        show();
    }

    private void show() {
        ShotSetup setup = session.shot().setup();
        facts.setText(String.format(
                Locale.ROOT,
                "%s, %d frames at %s a second: %.2f s. Footage is reference and stays out unless you ask for it.",
                setup.size(),
                setup.length(),
                setup.rate().spoken(),
                setup.seconds()));
    }
}
