package chalktrace.app.board.pen.tablet;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;

/** The pen tablets of a machine. */
interface Tablets {

    /** Those that are there now. */
    List<Device> present() throws IOException;

    /** A tablet that is there. */
    interface Device {

        /** What tells it from others while it is plugged in. */
        String id();

        /** Its maker's name for it. */
        String name();

        /** @throws IOException when it can't be opened, such as for want of permission; the message says what mends it */
        Opened open() throws IOException;
    }

    /** A tablet that is read. @param ranges of its axes, by their codes */
    record Opened(InputStream events, Map<Integer, AxisRange> ranges) implements AutoCloseable {
        @Override
        public void close() throws IOException {
            events.close();
        }
    }
}
