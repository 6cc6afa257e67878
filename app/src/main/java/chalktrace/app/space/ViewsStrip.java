package chalktrace.app.space;

import chalktrace.app.controls.Rows;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.SavedView;
import chalktrace.core.space.StagedPicture;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.application.Platform;
import javafx.beans.InvalidationListener;
import javafx.geometry.Insets;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.VBox;

/** The saved views of a model, each as it is on the frame at the gate, one under the other: a turnaround to draw from. A click looks from there. */
final class ViewsStrip extends ScrollPane {

    private static final int WIDTH = 168;
    private static final double ROOM = 24;

    private final CameraWork work;
    private final VBox views = new VBox(8);
    private final Map<StagedPicture, WritableImage> drawn = new HashMap<>();
    private final ExecutorService thread = Executors.newSingleThreadExecutor(task -> {
        Thread made = new Thread(task, "views of a model");
        made.setDaemon(true);
        made.setPriority(Thread.MIN_PRIORITY);
        return made;
    });
    private final List<ImageView> images = new ArrayList<>();
    private List<SavedView> listed = List.of();
    private String listedOf = "";
    private volatile List<StagedPicture> wanted = List.of();

    ViewsStrip(CameraWork work) {
        this.work = work;
        getStyleClass().add("beside");
        setId("views-strip");
        views.setPadding(new Insets(8));
        setContent(views);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        setMinHeight(0);
        setPrefHeight(0);
        InvalidationListener all = changed -> show();
        work.session().document().shownProperty().addListener(all);
        work.session().transport().frameProperty().addListener(all);
        work.session().footages().opened().addListener(all);
        work.chosenProperty().addListener(all);
        work.viewsShownProperty().addListener(all);
        show();
    }

    void close() {
        thread.shutdownNow();
    }

    private void show() {
        boolean shown = work.viewsShownProperty().get()
                && work.current().flatMap(work::figure).isPresent();
        setVisible(shown);
        setManaged(shown);
        setMinWidth(shown ? WIDTH + ROOM : 0);
        setPrefWidth(shown ? WIDTH + ROOM : 0);
        if (!shown) {
            wanted = List.of();
            return;
        }
        Footage clip = work.current().orElseThrow();
        List<SavedView> saved = clip.staging().orElseThrow().views();
        if (!saved.equals(listed) || !clip.id().equals(listedOf)) {
            list(clip.id(), saved);
        }
        List<StagedPicture> now = saved.stream().map(view -> small(clip, view)).toList();
        for (int i = 0; i < now.size(); i++) {
            WritableImage made = drawn.get(now.get(i));
            if (made != null) {
                images.get(i).setImage(made);
            }
        }
        drawn.keySet().retainAll(now);
        wanted = now;
        now.stream().filter(picture -> !drawn.containsKey(picture)).forEach(this::draw);
    }

    /** The stands of other views; they stay while their pictures change, so that they can be clicked at any time. */
    private void list(String clipId, List<SavedView> saved) {
        listed = saved;
        listedOf = clipId;
        images.clear();
        views.getChildren().clear();
        PictureSize whole = work.size();
        for (SavedView view : saved) {
            ImageView image = new ImageView();
            image.setFitWidth(WIDTH);
            image.setFitHeight((double) WIDTH * whole.height() / whole.width());
            images.add(image);
            VBox stand = new VBox(2, image, Rows.quiet(view.name()));
            stand.setOnMouseClicked(event -> work.look(clipId, view.orbit()));
            views.getChildren().add(stand);
        }
    }

    private StagedPicture small(Footage clip, SavedView view) {
        PictureSize whole = work.size();
        StagedPicture seen = clip.staged(
                        work.figure(clip).orElseThrow(),
                        work.frame(),
                        work.session().document().shown().setup())
                .orElseThrow();
        return new StagedPicture(
                seen.figure(),
                seen.motion(),
                seen.seconds(),
                view.orbit(),
                seen.dress().withGrid(false),
                new PictureSize(WIDTH, Math.max(1, WIDTH * whole.height() / whole.width())));
    }

    private void draw(StagedPicture picture) {
        Rgb paper = work.session().document().shown().setup().paper();
        thread.execute(() -> {
            if (wanted.contains(picture)) {
                int[] words = onPaper(picture.draw().toArgb(), paper);
                Platform.runLater(() -> take(picture, words));
            }
        });
    }

    private static int[] onPaper(int[] words, Rgb paper) {
        for (int i = 0; i < words.length; i++) {
            int alpha = words[i] >>> 24;
            int red = ((words[i] >> 16 & 255) * alpha + paper.red() * (255 - alpha)) / 255;
            int green = ((words[i] >> 8 & 255) * alpha + paper.green() * (255 - alpha)) / 255;
            int blue = ((words[i] & 255) * alpha + paper.blue() * (255 - alpha)) / 255;
            words[i] = new Rgb(red, green, blue).argb();
        }
        return words;
    }

    private void take(StagedPicture picture, int[] words) {
        int width = picture.size().width();
        int height = picture.size().height();
        if (wanted.contains(picture)) {
            WritableImage image = new WritableImage(width, height);
            image.getPixelWriter().setPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), words, 0, width);
            drawn.put(picture, image);
            show();
        }
    }
}
