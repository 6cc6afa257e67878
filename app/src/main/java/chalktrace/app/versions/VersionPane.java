package chalktrace.app.versions;

import chalktrace.app.controls.Rows;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.kernel.ShotPicture;
import chalktrace.app.session.Comparing;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Shot;
import java.util.List;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.VBox;

/** What is looked at, beside the board, on the frame at the gate. */
final class VersionPane extends VBox {

    private static final int WIDTH = 380;
    private static final int PICTURE = 364;

    private final Session session;
    private final Comparing comparing;
    private final Label name = Rows.hint("");
    private final ImageView view = new ImageView();
    private final FrameComposer composer = new FrameComposer(new RasterCache(0), Rgb.WHITE);
    private boolean composes;
    private boolean isOld;

    VersionPane(Session session) {
        super(4);
        this.session = session;
        comparing = session.comparing();
        getStyleClass().add("beside");
        setId("version-pane");
        setStyle("-fx-padding: 8;");
        setMinHeight(0);
        setPrefHeight(0);
        view.setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        getChildren().addAll(name, view);
        WhileWanted.show(
                this::isWanted,
                List.of(comparing.comparedProperty(), comparing.whereProperty()),
                this::show,
                session.transport().frameProperty());
    }

    private boolean isWanted() {
        return comparing.comparedProperty().get() != null
                && comparing.whereProperty().get() == Comparing.Where.BESIDE;
    }

    private void show() {
        Comparing.Compared compared = comparing.comparedProperty().get();
        boolean shown = isWanted();
        Rows.show(this, shown);
        setMinWidth(shown ? WIDTH : 0);
        setPrefWidth(shown ? WIDTH : 0);
        if (!shown) {
            return;
        }
        name.setText(compared.name());
        view.setAccessibleText(Words.FINISH.of("version-on-this-frame", compared.name()));
        if (composes) {
            isOld = true;
            return;
        }
        composes = true;
        isOld = false;
        Shot shot = compared.shot();
        int frame = Math.min(session.transport().frame(), shot.setup().length() - 1);
        session.jobs().runQuietly(job -> picture(shot, frame), this::shown);
    }

    private ShotPicture picture(Shot shot, int frame) {
        return ShotPicture.of(
                Scenes.of(
                        shot,
                        frame,
                        SceneOptions.export(true),
                        session.footages().latestProperty().get()),
                PICTURE,
                composer);
    }

    private void shown(ShotPicture picture) {
        view.setImage(picture.image());
        composes = false;
        if (isOld) {
            show();
        }
    }
}
