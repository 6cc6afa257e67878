package chalktrace.core.space;

/** How a model is shown. */
public enum ModelLook {
    /** Soft light on grey: good to draw over. */
    CLAY,
    /** Its own colours and textures, without light. */
    FLAT,
    /** Light, middle and dark. */
    BANDS,
    /** Near is light, far is dark. */
    DEPTH,
    /** Outlines, creases and borders. */
    LINES
}
