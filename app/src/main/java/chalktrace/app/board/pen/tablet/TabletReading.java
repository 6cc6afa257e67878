package chalktrace.app.board.pen.tablet;

/**
 * What a tablet says of its pen at a moment.
 *
 * @param across the tablet, 0 to 1
 * @param down the tablet, 0 to 1
 * @param pressure 0 to 1
 * @param tiltX in degrees, to the right; 0 for a tablet that does not tell
 * @param tiltY in degrees, towards the person
 * @param near whether the pen is over the tablet at all
 * @param touching whether it touches
 * @param eraser whether it is the pen's other end
 * @param lowerButton whether the button on the pen that is nearer to its tip is down
 * @param upperButton whether the other one is
 * @param seconds by the kernel's clock
 */
public record TabletReading(
        double across,
        double down,
        double pressure,
        double tiltX,
        double tiltY,
        boolean near,
        boolean touching,
        boolean eraser,
        boolean lowerButton,
        boolean upperButton,
        double seconds) {}
