package chalktrace.app.gather;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What the program keeps for stepping at once: proxies on the disk, small pictures on the lane. */
final class ProxyCard extends VBox {

    private static final double GIGABYTE = 1L << 30;

    private final Session session;
    private final Label used = Rows.hint("");
    private final NumberField limit;

    ProxyCard(Session session, FileChoice files) {
        this.session = session;
        getStyleClass().add("card");
        Label name = new Label(Words.GATHER.of("proxies"));
        name.getStyleClass().add("strong");
        limit = new NumberField("proxy-limit", session.proxies().limitBytes() / GIGABYTE, this::setLimit);
        Button move = Buttons.edged(Icons.FIND_FILE, Words.GATHER.of("keep-elsewhere"), () -> files.folder(
                        Words.GATHER.of("choose-a-folder-for-proxies"))
                .ifPresent(session.proxies()::moveTo));
        Button empty = Buttons.edged(Icons.REMOVE, Words.GATHER.of("empty"), session.proxies()::empty);
        empty.setId("empty-proxies");
        HBox limits = new HBox(8, Rows.quiet(Words.GATHER.of("at-most")), limit, Rows.quiet(Words.GATHER.of("gb")));
        limits.setAlignment(Pos.CENTER_LEFT);
        CheckBox thumbnails = new CheckBox(Words.GATHER.of("small-pictures-on-the-lane"));
        thumbnails.setId("thumbnails");
        thumbnails.setFocusTraversable(false);
        thumbnails.selectedProperty().bindBidirectional(session.thumbnails().shownProperty());
        getChildren()
                .addAll(
                        name,
                        Rows.hint(Words.GATHER.of("footage-that-is-slow-to")),
                        used,
                        limits,
                        new HBox(8, move, empty),
                        thumbnails);
    }

    void show() {
        used.setText(String.format(
                Locale.ROOT,
                Words.GATHER.of("gb-in"),
                session.proxies().bytesProperty().get() / GIGABYTE,
                session.proxies().folder()));
    }

    private void setLimit() {
        if (limit.value() < 0) {
            session.notices().problem(Words.GATHER.of("proxies-cant-take-less-than"));
            limit.set(session.proxies().limitBytes() / GIGABYTE);
            return;
        }
        session.proxies().setLimit((long) (limit.value() * GIGABYTE));
    }
}
