package chalktrace.core.stroke;

/**
 * One reading of the pen.
 *
 * @param x in shot pixels
 * @param y in shot pixels, downwards
 * @param pressure 0 (touching) to 1
 * @param seconds since any fixed moment
 */
public record PenSample(double x, double y, double pressure, double seconds) {}
