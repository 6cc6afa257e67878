package chalktrace.app.space;

import chalktrace.app.controls.Colors;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.session.Session;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.SavedView;
import chalktrace.core.space.StagedPicture;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.layout.Background;
import javafx.scene.layout.BackgroundFill;
import javafx.scene.layout.CornerRadii;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The saved views of a model, each as it is on the frame at the gate, one under the other: a turnaround to draw from. A click looks from there. */
final class ViewsStrip extends ScrollPane {

    private static final int WIDTH = 168;
    private static final double ROOM = 24;

    private final CameraWork work;
    private final VBox views = new VBox(8);
    private final List<ImageView> images = new ArrayList<>();
    private List<SavedView> listed = List.of();
    private String listedOf = "";
    private Rgb listedOn = new Rgb(0, 0, 0);

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
        Session session = work.session();
        WhileWanted.show(
                work.viewsShownProperty()::get,
                List.of(work.viewsShownProperty()),
                this::show,
                work.chosenProperty(),
                session.document().shownProperty(),
                session.transport().frameProperty(),
                session.footages().opened(),
                session.footages().fittedProperty(),
                session.thumbnails().madeProperty());
    }

    private void show() {
        boolean shown = work.viewsShownProperty().get()
                && work.current().flatMap(work::figure).isPresent();
        Rows.show(this, shown);
        setMinWidth(shown ? WIDTH + ROOM : 0);
        setPrefWidth(shown ? WIDTH + ROOM : 0);
        if (!shown) {
            return;
        }
        Footage clip = work.current().orElseThrow();
        List<SavedView> saved = clip.staging().orElseThrow().views();
        Rgb paper = work.session().document().shown().setup().paper();
        if (!saved.equals(listed) || !clip.id().equals(listedOf) || !paper.equals(listedOn)) {
            list(clip.id(), saved, paper);
        }
        for (int i = 0; i < saved.size(); i++) {
            work.session().thumbnails().of(small(clip, saved.get(i))).ifPresent(images.get(i)::setImage);
        }
    }

    /** The stands of other views; they stay while their pictures change, so that they can be clicked at any time. */
    private void list(String clipId, List<SavedView> saved, Rgb paper) {
        listedOn = paper;
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
            StackPane onPaper = new StackPane(image);
            onPaper.setBackground(
                    new Background(new BackgroundFill(Colors.of(paper), CornerRadii.EMPTY, Insets.EMPTY)));
            VBox stand = new VBox(2, onPaper, Rows.quiet(view.name()));
            stand.setOnMouseClicked(event -> work.look(clipId, view.orbit()));
            views.getChildren().add(stand);
        }
    }

    private StagedPicture small(Footage clip, SavedView view) {
        PictureSize whole = work.size();
        return clip.staged(
                        work.figure(clip).orElseThrow(),
                        work.frame(),
                        work.session().document().shown().setup())
                .orElseThrow()
                .thumbnail(view.orbit(), Math.max(1, WIDTH * whole.height() / whole.width()));
    }
}
