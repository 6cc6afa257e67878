package chalktrace.app.versions;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.words.Times;
import chalktrace.app.words.Words;
import chalktrace.media.file.Versions;
import java.io.ByteArrayInputStream;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
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
    private final VBox list = new VBox(6);
    private final Label none = Rows.hint(Words.FINISH.of("no-versions-yet"));
    private final VersionCard card;
    private final NumberField limit;
    private List<Versions.Version> shown = List.of();

    VersionRows(Session session, FileChoice files) {
        super(6);
        this.session = session;
        this.files = files;
        card = new VersionCard(session);
        getStyleClass().add("step-rows");
        setId("version-rows");
        list.setId("versions");
        ScrollPane scrolled = new ScrollPane(list);
        scrolled.setFitToWidth(true);
        scrolled.setFocusTraversable(false);
        scrolled.getStyleClass().add("finding-scroll");
        scrolled.setMaxHeight(MOST_HEIGHT);
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
        String time = Times.exact(version.saved());
        return version.name().isEmpty() ? time : Words.FINISH.of("named-version", version.name(), time);
    }

    private void open(Versions.Version version) {
        Path path = session.document().pathProperty().get();
        session.jobs()
                .run(
                        Words.FINISH.of("open-version"),
                        job -> new Versions(path).open(version).shot(),
                        shot -> {
                            session.comparing().with(title(version), shot);
                            card.offerName(path, version, this::look);
                        },
                        session.notices()::problem);
    }

    private void chooseFile() {
        files.openShot().ifPresent(file -> VersionsFeature.compareWith(session, file));
    }
}
