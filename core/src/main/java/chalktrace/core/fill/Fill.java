package chalktrace.core.fill;

/**
 * A painted area of a drawing.
 *
 * @param chalk the id of the chalk whose colour it has
 * @param area in shot pixels
 */
public record Fill(String chalk, Contours area) {

    /** About how much memory it takes. */
    public long bytes() {
        return 32 + area.bytes();
    }
}
