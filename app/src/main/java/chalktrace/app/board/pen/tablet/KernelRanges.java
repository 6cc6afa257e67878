package chalktrace.app.board.pen.tablet;

import chalktrace.app.words.Words;
import com.sun.jna.LastErrorException;
import com.sun.jna.Library;
import com.sun.jna.Memory;
import com.sun.jna.Native;
import com.sun.jna.NativeLong;
import com.sun.jna.Pointer;
import java.io.IOException;
import java.nio.file.Path;

/** Asks the kernel for the range of an axis: the request EVIOCGABS of {@code linux/input.h}. */
final class KernelRanges implements KernelTablets.RangeReader {

    private static final int READ_ONLY = 0;

    /** Six 32-bit numbers: value, minimum, maximum, fuzz, flat, resolution. */
    private static final int INFO_BYTES = 24;

    /** The C library, as far as it is needed. */
    interface CLibrary extends Library {
        int open(String path, int flags) throws LastErrorException;

        int ioctl(int file, NativeLong request, Pointer to) throws LastErrorException;

        int close(int file);
    }

    @Override
    public AxisRange range(Path device, int axis) throws IOException {
        CLibrary c = Native.load("c", CLibrary.class);
        int file = -1;
        try (Memory info = new Memory(INFO_BYTES)) {
            info.clear();
            file = c.open(device.toString(), READ_ONLY);
            c.ioctl(file, new NativeLong(request(axis)), info);
            return new AxisRange(info.getInt(4), info.getInt(8), info.getInt(20));
        } catch (LastErrorException e) {
            throw new IOException(Words.TRACE.of("the-kernel-does-not-tell", device, e.getMessage()), e);
        } finally {
            if (file >= 0) {
                c.close(file);
            }
        }
    }

    /** _IOR('E', 0x40 + axis, struct input_absinfo) as {@code asm-generic/ioctl.h} puts it together. */
    static long request(int axis) {
        return 2L << 30 | (long) INFO_BYTES << 16 | 'E' << 8 | 0x40 + axis;
    }
}
