package chalktrace.app.versions;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Comparing;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.VersionWords;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotPart;
import chalktrace.core.version.ShotDifference;
import chalktrace.core.version.TakeBack;
import chalktrace.media.file.Versions;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What is looked at in step with the shot: what differs, where it is seen, and what of it can be taken back. */
final class VersionCard extends VBox {

    /** Of more drawings that differ only those at the gate are offered. */
    private static final int FEW = 8;

    private final Session session;
    private final Comparing comparing;
    private final Label looked = new Label();
    private final Label differs = Rows.hint("");
    private final MenuButton back = Buttons.menu(Words.FINISH.of("take-back"), Words.FINISH.of("take-back-use"));

    /** What the field for a name belongs to; null for nothing. */
    private Comparing.Compared named;

    /** What differs, once that is known; null before. */
    private Found found;

    private record Found(Comparing.Compared compared, ShotDifference difference) {}

    VersionCard(Session session) {
        super(6);
        this.session = session;
        comparing = session.comparing();
        getStyleClass().add("card");
        setId("version-card");
        back.setId("take-back");
        looked.getStyleClass().add("strong");
        looked.setWrapText(true);
        differs.setId("version-differs");
        ToggleGroup group = new ToggleGroup();
        HBox where = new HBox(6, toggle(group, Comparing.Where.BESIDE), toggle(group, Comparing.Where.OVER));
        getChildren()
                .addAll(
                        looked,
                        differs,
                        where,
                        new HBox(
                                6,
                                back,
                                Rows.space(),
                                Buttons.edged(Icons.CLOSE, Words.FINISH.of("done-comparing"), comparing::end)));
        Refresh.on(
                this,
                this::show,
                comparing.comparedProperty(),
                session.document().shotProperty());
        back.setOnShowing(event -> Optional.ofNullable(found).ifPresent(this::offer));
    }

    private ToggleButton toggle(ToggleGroup group, Comparing.Where where) {
        ToggleButton toggle = Buttons.toggle(Words.FINISH.name(where), Words.FINISH.name(where));
        toggle.setId("version-" + where.name().toLowerCase(Locale.ROOT));
        toggle.setToggleGroup(group);
        toggle.setSelected(comparing.whereProperty().get() == where);
        toggle.setOnAction(event -> {
            toggle.setSelected(true);
            comparing.whereProperty().set(where);
        });
        return toggle;
    }

    /** Lets the version that is looked at be named. */
    void offerName(Path path, Versions.Version version, Runnable then) {
        TextField field = new TextField(version.name());
        field.setId("version-name");
        field.setPromptText(Words.FINISH.of("name-of-version"));
        field.setOnAction(event -> session.jobs()
                .run(
                        Words.FINISH.of("name-version"),
                        job -> {
                            new Versions(path).name(version, field.getText().strip());
                            return true;
                        },
                        given -> then.run(),
                        session.notices()::problem));
        removeName();
        named = comparing.comparedProperty().get();
        getChildren().add(2, field);
    }

    private void removeName() {
        getChildren().removeIf(TextField.class::isInstance);
    }

    private void show() {
        Comparing.Compared compared = comparing.comparedProperty().get();
        Rows.show(this, compared != null);
        if (compared != named) {
            // Only a version of this shot has a name.
            removeName();
        }
        if (compared == null) {
            return;
        }
        looked.setText(compared.name());
        Shot now = session.shot();
        // Of drawings that were read from the disk each line is compared.
        session.jobs().runQuietly(job -> ShotDifference.between(compared.shot(), now), difference -> {
            if (compared == comparing.comparedProperty().get() && now == session.shot()) {
                show(compared, difference);
            }
        });
    }

    private void show(Comparing.Compared compared, ShotDifference difference) {
        differs.setText(
                difference.isNothing()
                        ? Words.FINISH.of("today-is-the-same")
                        : Words.FINISH.of("differs-in", VersionWords.of(difference)));
        back.setDisable(difference.isNothing());
        found = new Found(compared, difference);
        offer(found);
    }

    /** What can be taken back on the frame at the gate. */
    private void offer(Found now) {
        Comparing.Compared compared = now.compared;
        ShotDifference difference = now.difference;
        back.getItems().setAll(item(Words.FINISH.of("all-of-it"), TakeBack.all(name(compared), compared.shot())));
        for (ShotDifference.OfLevel level : difference.levels()) {
            back.getItems()
                    .add(item(
                            Words.FINISH.of("level-back", level.name()),
                            TakeBack.level(name(compared), compared.shot(), level.id())));
            if (level.fate() == ShotDifference.Fate.CHANGED) {
                ofLevel(compared, level);
            }
        }
        for (ShotPart<?> part : difference.parts()) {
            back.getItems().add(item(part.title(), TakeBack.part(name(compared), compared.shot(), part)));
        }
    }

    /** A level's timing, and its drawings; of many only those at the gate, which are seen. */
    private void ofLevel(Comparing.Compared compared, ShotDifference.OfLevel level) {
        if (level.timing()) {
            back.getItems()
                    .add(item(
                            Words.FINISH.of("timing-back", level.name()),
                            TakeBack.timing(name(compared), compared.shot(), level.id())));
        }
        for (int number : level.drawings()) {
            if (level.drawings().size() <= FEW || isAtTheGate(compared.shot(), level.id(), number)) {
                back.getItems()
                        .add(item(
                                Words.FINISH.of("drawing-back", number, level.name()),
                                TakeBack.drawings(name(compared), compared.shot(), level.id(), List.of(number))));
            }
        }
    }

    private boolean isAtTheGate(Shot then, String level, int number) {
        return Stream.of(then, session.shot())
                .flatMap(shot -> shot.level(level).stream())
                .flatMap(shown -> shown.drawingAt(session.transport().frame()).stream())
                .anyMatch(drawing -> drawing.number() == number);
    }

    private static String name(Comparing.Compared compared) {
        return Words.FINISH.of("take-back-of", compared.name());
    }

    private MenuItem item(String text, Edit edit) {
        MenuItem item = new MenuItem(text);
        item.setMnemonicParsing(false);
        item.setOnAction(event -> session.document().apply(edit));
        return item;
    }
}
