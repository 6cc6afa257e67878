package chalktrace.app.window;

import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.LeftWork;
import chalktrace.app.kernel.ShotPicture;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Times;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.scene.control.Dialog;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Modality;
import javafx.stage.Window;

/**
 * Unsaved work that was left, each with a picture, its time and where it was. Nothing goes unless it is discarded by its own button, and
 * then into the bin; Escape and closing keep all of it.
 */
final class LeftoverDialog extends Dialog<Void> {

    private static final int PICTURE_WIDTH = 144;
    private static final double WIDTH = 720;
    private static final double MOST_HEIGHT = 420;
    private static final double ROW_HEIGHT = 140;

    private final Session session;
    private final VBox rows = new VBox(12);
    private int offered;

    private LeftoverDialog(Session session, Window owner, String header, ButtonType closing) {
        this.session = session;
        initOwner(owner);
        initModality(Modality.APPLICATION_MODAL);
        setTitle(Words.DESK.of("chalk-trace"));
        getDialogPane().getStylesheets().setAll(Theme.styleSheets());
        setHeaderText(header);
        getDialogPane().getButtonTypes().setAll(closing);
    }

    /** Asks what is to become of what was found of the shot that was just opened. */
    static LeftoverDialog ofOpened(Session session, Window owner, List<LeftWork.Found> found) {
        LeftoverDialog dialog = new LeftoverDialog(
                session,
                owner,
                Words.DESK.of("restore-unsaved-work-question"),
                new ButtonType(Words.DESK.of("keep-for-later"), ButtonBar.ButtonData.CANCEL_CLOSE));
        dialog.offered = found.size();
        for (LeftWork.Found one : found) {
            Button restore = dialog.button("restore", Words.DESK.of("restore"), one, () -> session.shelf()
                    .left()
                    .restore(one));
            dialog.add(one, restore, dialog.discard(one));
        }
        return dialog.filled();
    }

    /** What is done with work of any shot. */
    interface Doing {

        /** Opens it, with its shot where that is still there. */
        void open(LeftWork.Found found);

        /** Writes it to another file. */
        void saveCopy(LeftWork.Found found);
    }

    /** Lists what was left of all shots, and what was discarded lately. */
    static LeftoverDialog ofAll(Session session, Window owner, LeftWork.AllFound all, Doing doing) {
        LeftoverDialog dialog = new LeftoverDialog(
                session,
                owner,
                Words.DESK.of("unsaved-work-title"),
                new ButtonType(Words.DESK.of("close-list"), ButtonBar.ButtonData.CANCEL_CLOSE));
        if (all.left().isEmpty()) {
            dialog.rows.getChildren().add(new Label(Words.DESK.of("no-unsaved-work")));
        }
        // What was discarded can be had again: the list stays for it.
        dialog.offered = all.left().size() + all.discarded().size();
        all.left()
                .forEach(one -> dialog.add(one, dialog.open(one, doing), dialog.copy(one, doing), dialog.discard(one)));
        if (!all.discarded().isEmpty()) {
            dialog.rows.getChildren().add(Rows.section(Words.DESK.of("discarded-lately")));
            all.discarded().forEach(one -> dialog.add(one, dialog.open(one, doing), dialog.copy(one, doing)));
        }
        return dialog.filled();
    }

    private LeftoverDialog filled() {
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        scroll.setPrefSize(WIDTH, Math.min(MOST_HEIGHT, ROW_HEIGHT * Math.max(1, offered)));
        getDialogPane().setContent(scroll);
        return this;
    }

    private Button open(LeftWork.Found found, Doing doing) {
        return button("open", Words.DESK.of("open-left"), found, () -> doing.open(found));
    }

    private Button copy(LeftWork.Found found, Doing doing) {
        return button("save-a-copy", Words.DESK.of("save-a-copy"), found, () -> doing.saveCopy(found));
    }

    /** One that ends the dialog; not of work that can't be read. */
    private Button button(String id, String text, LeftWork.Found found, Runnable does) {
        Button button = new Button(text);
        button.setId(id);
        button.setMaxWidth(Double.MAX_VALUE);
        button.setDisable(found.shot().isEmpty());
        button.setOnAction(event -> {
            close();
            does.run();
        });
        return button;
    }

    private Button discard(LeftWork.Found found) {
        Button discard = new Button(Words.DESK.of("discard"));
        discard.setId("discard");
        discard.setMaxWidth(Double.MAX_VALUE);
        discard.setOnAction(event -> {
            session.shelf().left().discard(found);
            rows.getChildren().remove(discard.getParent().getParent());
            if (--offered == 0) {
                close();
            }
        });
        return discard;
    }

    private void add(LeftWork.Found found, Button... buttons) {
        Label words = new Label(words(found));
        words.setWrapText(true);
        HBox.setHgrow(words, Priority.ALWAYS);
        VBox column = new VBox(8, buttons);
        column.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(12, found.shot().map(this::picture).orElseGet(Label::new), words, Rows.space(), column);
        row.setAlignment(Pos.TOP_LEFT);
        rows.getChildren().add(row);
    }

    private static String words(LeftWork.Found found) {
        StringBuilder out = new StringBuilder();
        found.shot().ifPresent(shot -> out.append(shot.name()).append('\n'));
        out.append(Words.DESK.count(
                        "kept-changes",
                        found.leftover().changes(),
                        Times.of(found.leftover().lastKept())))
                .append('\n')
                .append(where(found));
        Optional<Instant> now = found.leftover().fileNow();
        if (found.leftover().fileHasChanged()) {
            out.append('\n')
                    .append(Words.DESK.of(
                            "the-file-was-saved",
                            now.map(Times::of).orElse(""),
                            found.leftover().fileThen().map(Times::of).orElse("")));
        }
        if (!found.words().isEmpty()) {
            out.append('\n').append(found.words());
        }
        return out.toString();
    }

    private static String where(LeftWork.Found found) {
        Optional<Path> then = found.leftover().shotFile();
        if (then.isEmpty()) {
            return Words.DESK.of("never-saved");
        }
        return found.file()
                .map(now -> now.equals(then.get())
                        ? now.toString()
                        : Words.DESK.of("now-named", then.get(), now.getFileName()))
                .orElseGet(() -> Words.DESK.of("now-gone", then.get()));
    }

    private Node picture(Shot shot) {
        ImageView view = new ImageView();
        session.jobs().runQuietly(job -> ShotPicture.of(shot, PICTURE_WIDTH), small -> view.setImage(small.image()));
        return view;
    }
}
