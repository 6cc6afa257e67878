package chalktrace.app.board.pen.tablet;

import chalktrace.app.words.Words;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigInteger;
import java.nio.file.AccessDeniedException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The tablets that Linux's kernel knows: event devices with a pen and a pressure. */
final class KernelTablets implements Tablets {

    private static final int[] AXES = {
        InputEvent.ABS_X, InputEvent.ABS_Y, InputEvent.ABS_PRESSURE, InputEvent.ABS_TILT_X, InputEvent.ABS_TILT_Y
    };

    /** Asks a device for the range of an axis. */
    interface RangeReader {
        AxisRange range(Path device, int axis) throws IOException;
    }

    private final Path sys;
    private final Path dev;
    private final RangeReader ranges;

    KernelTablets() {
        this(Path.of("/sys/class/input"), Path.of("/dev/input"), new KernelRanges());
    }

    /** @param sys where the kernel describes its devices, @param dev where they can be read */
    KernelTablets(Path sys, Path dev, RangeReader ranges) {
        this.sys = sys;
        this.dev = dev;
        this.ranges = ranges;
    }

    static boolean isSystemWithThem() {
        return System.getProperty("os.name").equals("Linux");
    }

    @Override
    public List<Device> present() throws IOException {
        List<Device> found = new ArrayList<>();
        if (!Files.isDirectory(sys)) {
            return found;
        }
        try (DirectoryStream<Path> entries = Files.newDirectoryStream(sys, "event*")) {
            for (Path entry : entries) {
                Path device = entry.resolve("device");
                boolean tablet = hasBit(device.resolve("capabilities/abs"), InputEvent.ABS_PRESSURE)
                        && hasBit(device.resolve("capabilities/key"), InputEvent.BTN_TOOL_PEN);
                if (tablet) {
                    found.add(
                            new EventDevice(dev.resolve(entry.getFileName().toString()), text(device.resolve("name"))));
                }
            }
        }
        return found;
    }

    /** Bit maps stand there as words of 64 bits in hexadecimal, the highest first. */
    private static boolean hasBit(Path map, int bit) {
        BigInteger all = BigInteger.ZERO;
        for (String word : text(map).split("\\s+")) {
            try {
                all = all.shiftLeft(64).or(new BigInteger(word.isEmpty() ? "0" : word, 16));
            } catch (NumberFormatException e) {
                return false;
            }
        }
        return all.testBit(bit);
    }

    private static String text(Path file) {
        try {
            return Files.readString(file).strip();
        } catch (IOException e) {
            // It may have been pulled out between listing and reading.
            return "";
        }
    }

    private final class EventDevice implements Device {

        private final Path path;
        private final String name;

        EventDevice(Path path, String name) {
            this.path = path;
            this.name = name.isEmpty() ? path.getFileName().toString() : name;
        }

        @Override
        public String id() {
            return path.toString();
        }

        @Override
        public String name() {
            return name;
        }

        @Override
        public Opened open() throws IOException {
            InputStream events;
            try {
                events = Files.newInputStream(path);
            } catch (AccessDeniedException e) {
                throw new IOException(
                        Words.TRACE.of("this-user-may-not-read", path, System.getProperty("user.name")), e);
            }
            try {
                Map<Integer, AxisRange> all = new HashMap<>();
                for (int axis : AXES) {
                    all.put(axis, ranges.range(path, axis));
                }
                return new Opened(events, all);
            } catch (IOException | RuntimeException | Error e) {
                events.close();
                throw e instanceof IOException
                        ? (IOException) e
                        : new IOException(Words.TRACE.of("the-kernel-does-not-tell-ranges", path), e);
            }
        }
    }
}
