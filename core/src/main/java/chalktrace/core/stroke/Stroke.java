package chalktrace.core.stroke;

/**
 * One line of a drawing.
 *
 * @param chalk the id of the chalk that it is drawn with; colour and thickness are the chalk's
 * @param curve its path and pressure, in shot pixels
 */
public record Stroke(String chalk, Curve curve) {

    /** About how much memory the stroke takes. */
    public long bytes() {
        return 32 + curve.bytes();
    }
}
