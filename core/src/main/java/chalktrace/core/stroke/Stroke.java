package chalktrace.core.stroke;

/**
 * One line of a drawing.
 *
 * @param chalk the id of the chalk that it is drawn with; colour and thickness are the chalk's
 * @param curve its path and pressure, in shot pixels
 */
public record Stroke(String chalk, Curve curve) {

    /** A straight line between two places, of one pressure. */
    public static Stroke straight(String chalk, double x0, double y0, double x1, double y1, double pressure) {
        double dx = (x1 - x0) / 3;
        double dy = (y1 - y0) / 3;
        return new Stroke(
                chalk,
                Curve.of(x0, y0, pressure, x0 + dx, y0 + dy, pressure, x1 - dx, y1 - dy, pressure, x1, y1, pressure));
    }

    /** About how much memory the stroke takes. */
    public long bytes() {
        return 32 + curve.bytes();
    }
}
