package chalktrace.core.render;

/** What a scene is composed for. */
public enum Haste {
    /** To be looked at: exactly, and what other frames and strokes can use of it is kept. */
    NONE,
    /** In a view that is moved, or while something is dragged: drawings that were rasterised for another view serve, not as sharp, but at once. */
    MOVED,
    /** In play: nothing of it is kept, as the next frame is another, and footage that is shown larger is off by up to three steps of 255. */
    PLAYED,
    /** To be looked at by the program alone, a few pixels of it: footage is sampled and not averaged, which would take longer than all the rest. */
    GLANCED
}
