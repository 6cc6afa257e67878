package chalktrace.app.board;

import chalktrace.core.render.PixelTile;
import java.awt.Rectangle;
import java.nio.IntBuffer;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/** A piece of the board in device pixels with two buffers: one is seen while the other is painted. */
final class Tile {

    /** Wide and low: rows of footage are converted faster the longer they are, and a stroke still touches few pixels. */
    static final int WIDTH = 1024;

    static final int HEIGHT = 64;

    private static final class Side {
        private final int[] pixels;
        private final PixelBuffer<IntBuffer> buffer;
        private final WritableImage image;

        Side(int width, int height) {
            pixels = new int[width * height];
            buffer = new PixelBuffer<>(width, height, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance());
            image = new WritableImage(buffer);
        }
    }

    private final Rectangle area;
    private final ImageView view = new ImageView();
    private Side front;
    private Side back;

    Tile(Rectangle area, double deviceScale) {
        this.area = area;
        this.front = new Side(area.width, area.height);
        this.back = new Side(area.width, area.height);
        view.setImage(front.image);
        view.setSmooth(false);
        view.relocate(area.x / deviceScale, area.y / deviceScale);
        view.setFitWidth(area.width / deviceScale);
        view.setFitHeight(area.height / deviceScale);
    }

    ImageView view() {
        return view;
    }

    Rectangle area() {
        return area;
    }

    /** Where the composer paints; not seen until {@link #swap}. */
    PixelTile target() {
        return new PixelTile(back.pixels, 0, area.width, area.x, area.y, area.width, area.height);
    }

    /** Shows what was painted. On the FX thread. */
    void swap() {
        Side painted = back;
        back = front;
        front = painted;
        painted.buffer.updateBuffer(buffer -> null);
        view.setImage(painted.image);
    }
}
