package chalktrace.app.bench;

import chalktrace.app.theme.Theme;
import javafx.scene.Group;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;

/** The gate over a lane: it stands in the same place on all frames, and is no part of what is painted and moved. */
final class LaneGate extends Group {

    private final Rectangle wash = new Rectangle();
    private final Rectangle start = new Rectangle();
    private final Rectangle end = new Rectangle();

    LaneGate() {
        getChildren().addAll(wash, start, end);
        setManaged(false);
        setMouseTransparent(true);
    }

    /** @param x of the frame's left edge @param frameWidth in px */
    void place(double x, double frameWidth, double height) {
        place(wash, x, frameWidth, height, Theme.tones().accentWash());
        place(start, Math.floor(x), 1, height, Theme.tones().accent());
        place(end, Math.floor(x + frameWidth), 1, height, Theme.tones().accent());
    }

    private static void place(Rectangle part, double x, double width, double height, Color color) {
        part.setX(x);
        part.setWidth(width);
        part.setHeight(height);
        part.setFill(color);
    }
}
