package chalktrace.app.board.pen.tablet;

/**
 * What values an axis of a device takes: the parts of {@code struct input_absinfo} of {@code linux/input.h} that count here.
 *
 * @param unitsPerMm of places, or units per radian of tilts; 0 when the device does not say
 */
record AxisRange(int lowest, int highest, int unitsPerMm) {

    /** A value as a share of the range, 0 to 1, whatever the device sends. */
    double share(int value) {
        return highest <= lowest ? 0 : Math.max(0, Math.min(1, (value - lowest) / (double) ((long) highest - lowest)));
    }

    /** How long the axis is in millimetres, or in its own units where the device does not say. */
    double length() {
        return (highest - (double) lowest) / (unitsPerMm > 0 ? unitsPerMm : 1);
    }
}
