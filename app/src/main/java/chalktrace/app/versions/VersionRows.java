package chalktrace.app.versions;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Comparing;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Times;
import chalktrace.app.words.VersionWords;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.version.ShotDifference;
import chalktrace.core.version.ShotPart;
import chalktrace.core.version.TakeBack;
import chalktrace.media.file.Versions;
import java.io.ByteArrayInputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The versions of the shot; one that is looked at, what differs from it, and what of it can be taken back. */
final class VersionRows extends VBox {

    private static final double MOST_HEIGHT = 220;
    private static final double GIGABYTE = 1L << 30;
    private static final double PICTURE_WIDTH = 80;

    private final Session session;
    private final FileChoice files;
    private final Comparing comparing;
    private final VBox list = new VBox(6);
    private final Label none = Rows.hint(Words.FINISH.of("no-versions-yet"));
    private final VBox card = new VBox(6);
    private final Label looked = new Label();
    private final Label differs = Rows.hint("");
    private final MenuButton back = Buttons.menu(Words.FINISH.of("take-back"), Words.FINISH.of("take-back-use"));
    private final NumberField limit;
    private List<Versions.Version> shown = List.of();

    VersionRows(Session session, FileChoice files) {
        super(6);
        this.session = session;
        this.files = files;
        comparing = session.comparing();
        getStyleClass().add("step-rows");
        setId("version-rows");
        list.setId("versions");
        ScrollPane scrolled = new ScrollPane(list);
        scrolled.setFitToWidth(true);
        scrolled.setFocusTraversable(false);
        scrolled.getStyleClass().add("finding-scroll");
        scrolled.setMaxHeight(MOST_HEIGHT);
        card.getStyleClass().add("card");
        card.setId("version-card");
        back.setId("take-back");
        looked.getStyleClass().add("strong");
        looked.setWrapText(true);
        differs.setId("version-differs");
        ToggleGroup group = new ToggleGroup();
        HBox where = new HBox(6, toggle(group, Comparing.Where.BESIDE), toggle(group, Comparing.Where.OVER));
        card.getChildren()
                .addAll(
                        looked,
                        differs,
                        where,
                        new HBox(
                                6,
                                back,
                                Rows.space(),
                                Buttons.edged(Icons.CLOSE, Words.FINISH.of("done-comparing"), comparing::end)));
        limit = new NumberField("version-limit", session.preferences().versionLimitBytes() / GIGABYTE, this::setLimit);
        HBox limits = new HBox(
                8, Rows.quiet(Words.FINISH.of("versions-at-most")), limit, Rows.quiet(Words.FINISH.of("versions-gb")));
        limits.setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        Rows.section(Words.FINISH.of("versions")),
                        card,
                        none,
                        scrolled,
                        limits,
                        Buttons.words(
                                Words.FINISH.of("compare-with-a-shot"),
                                Words.FINISH.of("compare-with-a-shot-use"),
                                this::chooseFile));
        Refresh.on(
                this,
                this::look,
                session.document().pathProperty(),
                session.shelf().versionsKeptProperty());
        Refresh.on(
                this,
                this::showCard,
                comparing.comparedProperty(),
                session.document().shotProperty());
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

    private void setLimit() {
        if (limit.value() < 0) {
            limit.set(session.preferences().versionLimitBytes() / GIGABYTE);
        } else {
            session.preferences().setVersionLimitBytes((long) (limit.value() * GIGABYTE));
        }
    }

    private void look() {
        Path path = session.document().pathProperty().get();
        if (path == null) {
            list(List.of());
            return;
        }
        session.jobs().runQuietly(job -> new Versions(path).all(), all -> {
            if (path.equals(session.document().pathProperty().get())) {
                list(all);
            }
        });
    }

    private void list(List<Versions.Version> all) {
        shown = all;
        list.getChildren().setAll(all.stream().map(this::row).toList());
        Rows.show(none, all.isEmpty());
    }

    private Node row(Versions.Version version) {
        Label time = new Label(title(version));
        time.setWrapText(true);
        VBox words = new VBox(2, time);
        if (!version.words().isEmpty()) {
            words.getChildren().add(Rows.hint(Words.FINISH.of("then-changed", version.words())));
        }
        HBox.setHgrow(words, Priority.ALWAYS);
        ImageView picture = new ImageView();
        picture.setFitWidth(PICTURE_WIDTH);
        picture.setPreserveRatio(true);
        if (version.picture().length > 0) {
            picture.setImage(new Image(new ByteArrayInputStream(version.picture())));
        }
        Node row = Rows.row(() -> open(version), new HBox(8, picture, words));
        row.setId("version-" + shown.indexOf(version));
        return row;
    }

    private static String title(Versions.Version version) {
        String time = Times.of(version.saved());
        return version.name().isEmpty() ? time : Words.FINISH.of("named-version", version.name(), time);
    }

    private void open(Versions.Version version) {
        Path path = session.document().pathProperty().get();
        session.jobs()
                .run(
                        Words.FINISH.of("open-version"),
                        job -> new Versions(path).open(version).shot(),
                        shot -> {
                            comparing.with(title(version), shot);
                            name(path, version);
                        },
                        session.notices()::problem);
    }

    private void name(Path path, Versions.Version version) {
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
                        named -> look(),
                        session.notices()::problem));
        card.getChildren().removeIf(TextField.class::isInstance);
        card.getChildren().add(2, field);
    }

    private void chooseFile() {
        files.openShot().ifPresent(file -> VersionsFeature.compareWith(session, file));
    }

    private void showCard() {
        Comparing.Compared compared = comparing.comparedProperty().get();
        Rows.show(card, compared != null);
        if (compared == null) {
            card.getChildren().removeIf(TextField.class::isInstance);
            return;
        }
        looked.setText(compared.name());
        ShotDifference difference = comparing.difference();
        differs.setText(Words.FINISH.of("differs-in", VersionWords.of(difference)));
        back.setDisable(difference.isNothing());
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
        for (ShotPart part : difference.parts()) {
            back.getItems().add(item(VersionWords.of(part), TakeBack.part(name(compared), compared.shot(), part)));
        }
    }

    /** A level's timing, and the drawing at the gate where that differs. */
    private void ofLevel(Comparing.Compared compared, ShotDifference.OfLevel level) {
        if (level.timing()) {
            back.getItems()
                    .add(item(
                            Words.FINISH.of("timing-back", level.name()),
                            TakeBack.timing(name(compared), compared.shot(), level.id())));
        }
        for (int number : level.drawings()) {
            back.getItems()
                    .add(item(
                            Words.FINISH.of("drawing-back", number, level.name()),
                            TakeBack.drawings(name(compared), compared.shot(), level.id(), List.of(number))));
        }
    }

    private static String name(Comparing.Compared compared) {
        return Words.FINISH.of("take-back-of", compared.name());
    }

    private MenuItem item(String text, Edit edit) {
        MenuItem item = new MenuItem(text);
        item.setMnemonicParsing(false);
        item.setOnAction(event -> comparing.takeBack(edit));
        return item;
    }
}
