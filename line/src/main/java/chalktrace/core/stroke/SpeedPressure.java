package chalktrace.core.stroke;

/**
 * Pressure for a pen that has none, such as a mouse: a slow hand presses, a fast hand lifts. The value moves gently, so
 * that the line swells and thins instead of jumping.
 */
public final class SpeedPressure {

    /** Shot pixels a second at which the line has half its range: a brisk stroke across a third of a 720p picture. */
    private static final double MIDDLE_SPEED = 900;

    private static final double FOLLOW_SECONDS = 0.06;
    private static final double HEAVIEST = 0.85;
    private static final double LIGHTEST = 0.25;

    private double pressure = 0.5;
    private double lastX;
    private double lastY;
    private double lastSeconds = Double.NaN;

    /** The pressure for the pen at this place and time, 0 to 1. */
    public double at(double x, double y, double seconds) {
        if (!Double.isNaN(lastSeconds) && seconds > lastSeconds) {
            double elapsed = seconds - lastSeconds;
            double speed = Math.hypot(x - lastX, y - lastY) / elapsed;
            double wanted = LIGHTEST + (HEAVIEST - LIGHTEST) * MIDDLE_SPEED / (MIDDLE_SPEED + speed);
            pressure += (wanted - pressure) * (1 - Math.exp(-elapsed / FOLLOW_SECONDS));
        }
        lastX = x;
        lastY = y;
        lastSeconds = seconds;
        return pressure;
    }
}
