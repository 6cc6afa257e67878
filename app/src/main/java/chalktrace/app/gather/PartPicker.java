package chalktrace.app.gather;

import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.render.FootageLayer;
import chalktrace.core.render.FootagePictures.Shown;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;

/** A small whole picture on which a part is chosen by dragging over it. */
final class PartPicker extends Pane {

    private static final int WIDTH = 208;
    private static final int HIGHEST = 180;

    private final Session session;
    private final Consumer<Region> chosen;
    private final ImageView image = new ImageView();
    private final Rectangle frame = new Rectangle();
    private final FrameComposer composer =
            new FrameComposer(new RasterCache(0), () -> Theme.tones().surround());
    private Object shownPicture;
    private double pressedX;
    private double pressedY;

    PartPicker(Session session, Consumer<Region> chosen) {
        this.session = session;
        this.chosen = chosen;
        setId("part-picker");
        frame.getStyleClass().add("part-frame");
        frame.setMouseTransparent(true);
        getChildren().addAll(image, frame);
        setOnMousePressed(event -> {
            pressedX = event.getX();
            pressedY = event.getY();
        });
        setOnMouseDragged(event -> frame(
                Math.min(pressedX, event.getX()),
                Math.min(pressedY, event.getY()),
                Math.abs(event.getX() - pressedX),
                Math.abs(event.getY() - pressedY)));
        setOnMouseReleased(this::choose);
    }

    /** Shows a picture of footage, and the part of it that is chosen. */
    void show(Footage clip, int picture, Region part) {
        Optional<Shown> whole = session.footages().whole(clip, picture);
        whole.filter(shown -> shown.picture() != shownPicture).ifPresent(this::paint);
        if (!isPressed()) {
            frame(part.x() * width(), part.y() * height(), part.width() * width(), part.height() * height());
        }
    }

    private void paint(Shown shown) {
        PictureSize full = shown.displaySize();
        double fit = Math.min((double) WIDTH / full.width(), (double) HIGHEST / full.height());
        PictureSize size = new PictureSize(
                Math.max(1, (int) Math.round(full.width() * fit)), Math.max(1, (int) Math.round(full.height() * fit)));
        Scene scene = new Scene(size, List.of(new FootageLayer(shown, Placement.AS_IS, Footage.Look.AS_IS, false)));
        shownPicture = shown.picture();
        setMinSize(size.width(), size.height());
        setMaxSize(size.width(), size.height());
        session.jobs().runQuietly(job -> composer.composeWhole(scene), pixels -> {
            if (shownPicture == shown.picture()) {
                show(pixels, size);
            }
        });
    }

    private void show(int[] pixels, PictureSize size) {
        WritableImage made = new WritableImage(size.width(), size.height());
        made.getPixelWriter()
                .setPixels(
                        0,
                        0,
                        size.width(),
                        size.height(),
                        PixelFormat.getIntArgbPreInstance(),
                        pixels,
                        0,
                        size.width());
        image.setImage(made);
    }

    private void choose(MouseEvent event) {
        try {
            chosen.accept(Region.between(
                    pressedX / width(), pressedY / height(), event.getX() / width(), event.getY() / height()));
        } catch (IllegalArgumentException e) {
            session.notices().problem(e.getMessage());
        }
    }

    private void frame(double x, double y, double width, double height) {
        frame.setX(x);
        frame.setY(y);
        frame.setWidth(width);
        frame.setHeight(height);
    }

    private double width() {
        return getMinWidth() > 0 ? getMinWidth() : WIDTH;
    }

    private double height() {
        return getMinHeight() > 0 ? getMinHeight() : HIGHEST;
    }
}
