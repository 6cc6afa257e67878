package chalktrace.app.window;

import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.Shelf;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.PixelTile;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
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
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.Modality;
import javafx.stage.Window;

/**
 * Asks what is to become of unsaved work that was found: each with a picture and its time. Nothing goes unless one is discarded by its own
 * button; Escape and closing keep all of it for later.
 */
final class LeftoverDialog extends Dialog<Void> {

    private static final double PICTURE_WIDTH = 144;
    private static final double WIDTH = 560;
    private static final double MOST_HEIGHT = 420;
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM).withZone(ZoneId.systemDefault());

    private final Session session;
    private final List<Shelf.Found> left;
    private final VBox rows = new VBox(12);

    LeftoverDialog(Session session, Window owner, List<Shelf.Found> found) {
        this.session = session;
        left = new ArrayList<>(found);
        initOwner(owner);
        initModality(Modality.APPLICATION_MODAL);
        setTitle(Words.DESK.of("chalk-trace"));
        getDialogPane().getStylesheets().setAll(Theme.styleSheets());
        setHeaderText(Words.DESK.of("restore-unsaved-work-question"));
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        scroll.setPrefSize(WIDTH, Math.min(MOST_HEIGHT, 140.0 * found.size()));
        getDialogPane().setContent(scroll);
        getDialogPane()
                .getButtonTypes()
                .setAll(new ButtonType(Words.DESK.of("keep-for-later"), ButtonBar.ButtonData.CANCEL_CLOSE));
        found.forEach(one -> rows.getChildren().add(row(one)));
    }

    private Node row(Shelf.Found found) {
        Label words = new Label(words(found));
        words.setWrapText(true);
        VBox text = new VBox(4, words);
        HBox.setHgrow(text, Priority.ALWAYS);
        Button restore = new Button(Words.DESK.of("restore"));
        restore.setId("restore");
        restore.setDisable(found.shot().isEmpty());
        restore.setOnAction(event -> {
            session.shelf().restore(found);
            close();
        });
        Button discard = new Button(Words.DESK.of("discard"));
        HBox row = new HBox(12, found.shot().map(this::picture).orElseGet(Label::new), text, Rows.space());
        discard.setId("discard");
        discard.setOnAction(event -> {
            session.shelf().discard(found);
            left.remove(found);
            rows.getChildren().remove(row);
            if (left.isEmpty()) {
                close();
            }
        });
        row.getChildren().addAll(new VBox(8, restore, discard));
        row.setAlignment(Pos.TOP_LEFT);
        return row;
    }

    private static String words(Shelf.Found found) {
        StringBuilder out = new StringBuilder();
        found.shot().ifPresent(shot -> out.append(shot.name()).append('\n'));
        out.append(Words.DESK.of("last-kept", TIME.format(found.leftover().lastKept())));
        Optional<Instant> now = found.leftover().fileNow();
        if (found.leftover().fileHasChanged()) {
            out.append(' ')
                    .append(Words.DESK.of(
                            "the-file-was-saved",
                            now.map(TIME::format).orElse(""),
                            found.leftover().fileThen().map(TIME::format).orElse("")));
        }
        if (!found.words().isEmpty()) {
            out.append('\n').append(found.words());
        }
        return out.toString();
    }

    /** The first frame that shows a drawing. */
    private Node picture(Shot shot) {
        int frame = shot.levels().stream()
                .flatMap(level -> level.exposures().runs().stream())
                .filter(run -> !run.isBlank())
                .mapToInt(Exposure::start)
                .min()
                .orElse(0);
        double scale = PICTURE_WIDTH / shot.setup().size().width();
        int width = (int) PICTURE_WIDTH;
        int height = Math.max(1, (int) Math.round(scale * shot.setup().size().height()));
        Viewpoint small = new Viewpoint(scale, 0, 0, 0, width, height);
        ImageView view = new ImageView();
        session.jobs()
                .runQuietly(
                        job -> {
                            int[] pixels = new int[width * height];
                            new FrameComposer(new RasterCache(0), Rgb.WHITE)
                                    .compose(
                                            Scenes.of(
                                                    shot,
                                                    frame,
                                                    SceneOptions.export(false),
                                                    (clip, at) -> Optional.empty()),
                                            small,
                                            PixelTile.whole(pixels, width, height));
                            return pixels;
                        },
                        pixels -> {
                            WritableImage image = new WritableImage(width, height);
                            image.getPixelWriter()
                                    .setPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
                            view.setImage(image);
                        });
        return view;
    }
}
