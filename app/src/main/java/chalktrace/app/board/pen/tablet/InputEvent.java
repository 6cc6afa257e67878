package chalktrace.app.board.pen.tablet;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * One event of a kernel input device: {@code struct input_event} of Linux's {@code linux/input.h} on a 64-bit machine, a
 * time of two 64-bit numbers, then a 16-bit type, a 16-bit code and a 32-bit value, in the machine's own byte order. The
 * names and numbers of types and codes are those of {@code linux/input-event-codes.h}.
 */
record InputEvent(double seconds, int type, int code, int value) {

    static final int BYTES = 24;

    static final int EV_SYN = 0x00;
    static final int EV_KEY = 0x01;
    static final int EV_ABS = 0x03;

    static final int SYN_REPORT = 0;
    /** The kernel's buffer ran over: events before the next report are not to be trusted. */
    static final int SYN_DROPPED = 3;

    static final int BTN_TOOL_PEN = 0x140;
    static final int BTN_TOOL_RUBBER = 0x141;
    static final int BTN_TOUCH = 0x14a;
    static final int BTN_STYLUS = 0x14b;
    static final int BTN_STYLUS2 = 0x14c;

    static final int ABS_X = 0x00;
    static final int ABS_Y = 0x01;
    static final int ABS_PRESSURE = 0x18;
    static final int ABS_TILT_X = 0x1a;
    static final int ABS_TILT_Y = 0x1b;

    /** The event at the buffer's position, which moves on by {@link #BYTES}. */
    static InputEvent read(ByteBuffer from) {
        ByteBuffer in = from.order(ByteOrder.nativeOrder());
        double seconds = in.getLong() + in.getLong() / 1e6;
        int type = in.getShort() & 0xFFFF;
        int code = in.getShort() & 0xFFFF;
        return new InputEvent(seconds, type, code, in.getInt());
    }
}
