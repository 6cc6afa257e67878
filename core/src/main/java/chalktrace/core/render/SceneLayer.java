package chalktrace.core.render;

/** One thing that a frame shows, able to paint itself. */
public sealed interface SceneLayer permits PaperLayer, FootageLayer, DrawingLayer, OnionLayer, StrokeLayer, MouthLayer {

    /** Paints the part that lies on a tile over what the tile holds. */
    void paint(Surface surface, PixelTile tile);

    /** Makes what painting it would have to make first. */
    default void warm(Surface surface) {}

    /** Whether it stays what it is while drawings that lie over it change, so that it is worth keeping composed. @param quick while the view is moved */
    default boolean isGround(boolean quick) {
        return false;
    }

    /** Whether it paints each pixel of the picture. */
    default boolean coversAll() {
        return false;
    }

    /** What is shown in its place while another stroke is under the pen. */
    default SceneLayer underPen(StrokeLayer stroke) {
        return this;
    }
}
