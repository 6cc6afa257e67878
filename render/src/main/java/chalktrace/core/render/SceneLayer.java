package chalktrace.core.render;

/** One thing that a frame shows, able to paint itself. */
public sealed interface SceneLayer
        permits PaperLayer, FootageLayer, DrawingLayer, OnionLayer, StrokeLayer, MouthLayer, PathLayer {

    /** Paints the part that lies on a tile over what the tile holds. */
    void paint(Surface surface, PixelTile tile);

    /** Makes what painting it would have to make first. */
    default void warm(Surface surface) {}

    /** Whether it lies under drawings and stays what it is while these change. */
    default boolean isGround() {
        return false;
    }

    /** Whether painting it costs so much that what lies under it is worth keeping together with it. */
    default boolean isCostly() {
        return false;
    }

    /** The same for equal layers, and at once: tells most others apart. */
    default int glance() {
        return 0;
    }

    /** Whether it paints each pixel of the picture. */
    default boolean coversAll() {
        return false;
    }

    /** Whether nothing is seen on a tile of what lies under it. */
    default boolean hides(Surface surface, PixelTile tile) {
        return false;
    }

    /** What is shown in its place while another stroke is under the pen. */
    default SceneLayer underPen(StrokeLayer stroke) {
        return this;
    }
}
