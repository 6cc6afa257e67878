package chalktrace.app.window;

import chalktrace.app.kernel.FileChoice;
import chalktrace.app.kernel.LeftWork;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Shelf;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.theme.Theme;
import chalktrace.app.versions.VersionsFeature;
import chalktrace.app.words.Words;
import chalktrace.media.file.ShotFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonBar.ButtonData;
import javafx.scene.control.ButtonType;
import javafx.stage.Window;

/** New, open, save and quit, with the one question that is asked: what to do with unsaved work. */
final class ShotCommands {

    private static final ButtonType SAVE = new ButtonType(Words.DESK.of("save"), ButtonData.YES);
    private static final ButtonType LEAVE = new ButtonType(Words.DESK.of("dont-save"), ButtonData.NO);
    private static final ButtonType BACK = new ButtonType(Words.DESK.of("cancel-button"), ButtonData.CANCEL_CLOSE);

    private final Session session;
    private final FileChoice files;
    private final Window window;
    private final Predicate<List<Path>> takenByFeature;
    private final Runnable newShotCard;
    private final Runnable close;

    ShotCommands(
            Session session,
            FileChoice files,
            Window window,
            Predicate<List<Path>> takenByFeature,
            Runnable newShotCard,
            Runnable close) {
        this.session = session;
        this.files = files;
        this.window = window;
        this.takenByFeature = takenByFeature;
        this.newShotCard = newShotCard;
        this.close = close;
        session.shelf().asks(this::inTheWay);
    }

    void newShot() {
        whenWorkIsSafe(newShotCard);
    }

    void open() {
        whenWorkIsSafe(() -> files.openShot().ifPresent(this::open));
    }

    void openRecent(Path file) {
        whenWorkIsSafe(() -> open(file));
    }

    void open(Path file) {
        session.shelf().open(file, this::offerLeftovers);
    }

    /** Takes dropped files: by the feature whose files they are; else a shot is opened, anything else taken in. */
    void dropped(List<Path> dropped) {
        Optional<Path> shot = dropped.stream()
                .filter(file -> file.toString().toLowerCase(Locale.ROOT).endsWith(ShotFile.ENDING))
                .findFirst();
        if (takenByFeature.test(dropped)) {
            return;
        }
        if (shot.isPresent()) {
            whenWorkIsSafe(() -> open(shot.get()));
        } else {
            session.gathering().takeIn(dropped, session.transport().frame());
        }
    }

    void save() {
        save(() -> {});
    }

    void saveAs() {
        saveAs(() -> {});
    }

    void quit() {
        whenWorkIsSafe(close);
    }

    /** Says that earlier runs left work, where they did. */
    void offerUnsavedWork() {
        session.shelf().left().findAll(all -> {
            if (!all.left().isEmpty()) {
                session.notices()
                        .offer(
                                Words.DESK.count(
                                        "unsaved-work-was-left", all.left().size()),
                                new Notices.Offer(Words.DESK.of("show-unsaved-work"), () -> list(all)));
            }
        });
    }

    /** Lists unsaved work of all shots. */
    void unsavedWork() {
        session.shelf().left().findAll(this::list);
    }

    private void list(LeftWork.AllFound all) {
        ask(() -> LeftoverDialog.ofAll(session, window, all, new LeftoverDialog.Doing() {
                    @Override
                    public void open(LeftWork.Found found) {
                        whenWorkIsSafe(() -> session.shelf().openLeft(found));
                    }

                    @Override
                    public void saveCopy(LeftWork.Found found) {
                        files.saveShot(found.shot().orElseThrow().name() + ShotFile.ENDING)
                                .ifPresent(chosen -> session.shelf().left().saveCopy(found, withEnding(chosen)));
                    }
                })
                .showAndWait());
    }

    private void save(Runnable then) {
        Path path = session.document().pathProperty().get();
        if (path == null || session.document().whyReadOnlyProperty().get() != null) {
            saveAs(then);
        } else {
            session.shelf().save(path, then);
        }
    }

    private void saveAs(Runnable then) {
        Path before = session.document().pathProperty().get();
        String name = before == null
                ? session.shot().name() + ShotFile.ENDING
                : before.getFileName().toString();
        files.saveShot(name).ifPresent(chosen -> session.shelf().save(withEnding(chosen), then));
    }

    /** What is safe stands first: a key could press it. What somebody has open is not replaced. */
    private void inTheWay(Shelf.InTheWay other, Runnable then) {
        List<Notices.Offer> offers = new ArrayList<>();
        offers.add(new Notices.Offer(Words.DESK.of("save-elsewhere"), () -> saveAs(then)));
        offers.add(new Notices.Offer(Words.DESK.of("look-at-it"), () -> {
            session.view().stepProperty().set(Step.FINISH);
            VersionsFeature.compareWith(session, other.file());
            // It is still to be answered.
            inTheWay(other, then);
        }));
        if (other.holder().isEmpty()) {
            offers.add(new Notices.Offer(
                    Words.DESK.of("replace-it"), () -> session.shelf().replace(other.file(), then)));
        }
        session.notices().offer(other.getMessage(), offers.toArray(Notices.Offer[]::new));
    }

    private void whenWorkIsSafe(Runnable then) {
        if (!session.document().unsavedProperty().get()) {
            then.run();
            return;
        }
        if (session.shelf().isSavingAll()) {
            session.shelf().whenSavingEnds(() -> whenWorkIsSafe(then));
            return;
        }
        ButtonType answer = ask(
                Words.DESK.of("save-first", session.shot().name()),
                Words.DESK.of("it-has-changes-that-are"),
                SAVE,
                LEAVE,
                BACK);
        if (answer == SAVE) {
            // Something may have been drawn while it was saved.
            save(() -> whenWorkIsSafe(then));
        } else if (answer == LEAVE) {
            then.run();
        }
    }

    private void offerLeftovers(List<LeftWork.Found> found) {
        ask(() -> LeftoverDialog.ofOpened(session, window, found).showAndWait());
    }

    private void ask(Runnable question) {
        // A pen does not ask the window whether it may draw.
        session.view().askingProperty().set(true);
        try {
            question.run();
        } finally {
            session.view().askingProperty().set(false);
        }
    }

    private ButtonType ask(String question, String why, ButtonType... answers) {
        Alert alert = new Alert(Alert.AlertType.NONE, why, answers);
        alert.setHeaderText(question);
        alert.setTitle(Words.DESK.of("chalk-trace"));
        alert.initOwner(window);
        alert.getDialogPane().getStylesheets().setAll(Theme.styleSheets());
        return alert.showAndWait().orElse(answers[answers.length - 1]);
    }

    private static Path withEnding(Path chosen) {
        return chosen.toString().toLowerCase(Locale.ROOT).endsWith(ShotFile.ENDING)
                ? chosen
                : chosen.resolveSibling(chosen.getFileName() + ShotFile.ENDING);
    }
}
