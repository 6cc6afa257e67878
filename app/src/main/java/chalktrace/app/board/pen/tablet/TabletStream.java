package chalktrace.app.board.pen.tablet;

import java.util.Map;
import java.util.Optional;

/** Puts a tablet's events together to readings: one for each report. */
final class TabletStream {

    /** Tilts come in units per radian where the device says so, else in degrees (common practice of drivers). */
    private static final double DEGREES = 180 / Math.PI;

    private static final AxisRange UNKNOWN = new AxisRange(0, 0, 0);

    private final Map<Integer, AxisRange> ranges;
    private int x;
    private int y;
    private int pressure;
    private int tiltX;
    private int tiltY;
    private boolean pen;
    private boolean rubber;
    private boolean touching;
    private boolean lower;
    private boolean upper;
    private boolean dropped;

    /** @param ranges of the axes, by their codes */
    TabletStream(Map<Integer, AxisRange> ranges) {
        this.ranges = Map.copyOf(ranges);
    }

    /** Takes an event; a report that is whole gives a reading. After dropped events the pen counts as lifted and away. */
    Optional<TabletReading> take(InputEvent event) {
        if (event.type() == InputEvent.EV_SYN) {
            if (event.code() == InputEvent.SYN_DROPPED) {
                dropped = true;
                return Optional.empty();
            }
            if (event.code() != InputEvent.SYN_REPORT) {
                return Optional.empty();
            }
            if (dropped) {
                dropped = false;
                touching = false;
                pen = false;
                rubber = false;
                lower = false;
                upper = false;
            }
            return Optional.of(reading(event.seconds()));
        }
        if (!dropped) {
            change(event);
        }
        return Optional.empty();
    }

    private void change(InputEvent event) {
        if (event.type() == InputEvent.EV_KEY) {
            boolean down = event.value() != 0;
            switch (event.code()) {
                case InputEvent.BTN_TOOL_PEN -> pen = down;
                case InputEvent.BTN_TOOL_RUBBER -> rubber = down;
                case InputEvent.BTN_TOUCH -> touching = down;
                case InputEvent.BTN_STYLUS -> lower = down;
                case InputEvent.BTN_STYLUS2 -> upper = down;
                default -> {
                    // Buttons on the tablet are the system's.
                }
            }
        } else if (event.type() == InputEvent.EV_ABS) {
            switch (event.code()) {
                case InputEvent.ABS_X -> x = event.value();
                case InputEvent.ABS_Y -> y = event.value();
                case InputEvent.ABS_PRESSURE -> pressure = event.value();
                case InputEvent.ABS_TILT_X -> tiltX = event.value();
                case InputEvent.ABS_TILT_Y -> tiltY = event.value();
                default -> {
                    // Wheels and sliders draw nothing.
                }
            }
        }
    }

    private TabletReading reading(double seconds) {
        return new TabletReading(
                range(InputEvent.ABS_X).share(x),
                range(InputEvent.ABS_Y).share(y),
                range(InputEvent.ABS_PRESSURE).share(pressure),
                degrees(tiltX, range(InputEvent.ABS_TILT_X)),
                degrees(tiltY, range(InputEvent.ABS_TILT_Y)),
                pen || rubber,
                touching,
                rubber,
                lower,
                upper,
                seconds);
    }

    private AxisRange range(int axis) {
        return ranges.getOrDefault(axis, UNKNOWN);
    }

    private static double degrees(int tilt, AxisRange range) {
        return range.unitsPerMm() > 0 ? DEGREES * tilt / range.unitsPerMm() : tilt;
    }
}
