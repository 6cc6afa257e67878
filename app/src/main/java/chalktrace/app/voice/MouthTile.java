package chalktrace.app.voice;

import chalktrace.app.words.Words;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.MouthLayer;
import chalktrace.core.render.PaperLayer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.Scene;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.speech.MouthShape;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Tooltip;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/** A mouth of the chart as a picture, painted as it is on the board. */
final class MouthTile extends Button {

    private static final PictureSize SIZE = new PictureSize(62, 40);
    private static final Rgb PAPER = new Rgb(0xF4, 0xF1, 0xE8);

    private final String shape;

    /** @param phones for which it stands */
    MouthTile(MouthShape shape, String sounds, List<String> phones, Runnable chosen) {
        this.shape = shape.id();
        getStyleClass().setAll("mouth-tile");
        setText(sounds);
        setContentDisplay(ContentDisplay.TOP);
        setGraphic(new ImageView(picture(shape)));
        setGraphicTextGap(0);
        setFocusTraversable(false);
        setAccessibleText(Words.VOICE.of("mouth-number", sounds));
        setTooltip(new Tooltip(Words.VOICE.of("show-this-mouth-at-the", String.join(" ", phones))));
        setOnAction(event -> chosen.run());
    }

    String shape() {
        return shape;
    }

    void setCurrent(boolean current) {
        getStyleClass().remove("current");
        if (current) {
            getStyleClass().add("current");
        }
    }

    private static WritableImage picture(MouthShape shape) {
        MouthPlace place = new MouthPlace(SIZE.width() / 2.0, SIZE.height() / 2.0 - 3, 40, true);
        int[] pixels = new FrameComposer(new RasterCache(0), PAPER)
                .composeWhole(new Scene(SIZE, List.of(new PaperLayer(PAPER), new MouthLayer(shape, place))));
        WritableImage image = new WritableImage(SIZE.width(), SIZE.height());
        image.getPixelWriter()
                .setPixels(
                        0, 0, SIZE.width(), SIZE.height(), PixelFormat.getIntArgbInstance(), pixels, 0, SIZE.width());
        return image;
    }
}
