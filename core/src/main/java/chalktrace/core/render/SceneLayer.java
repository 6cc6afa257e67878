package chalktrace.core.render;

/** One thing that a frame shows, able to paint itself. */
public sealed interface SceneLayer permits PaperLayer, FootageLayer, DrawingLayer, OnionLayer, StrokeLayer, MouthLayer {

    /** Paints the part that lies on a tile over what the tile holds. */
    void paint(Surface surface, PixelTile tile);

    /** Makes what painting it would have to make first. */
    default void warm(Surface surface) {}
}
