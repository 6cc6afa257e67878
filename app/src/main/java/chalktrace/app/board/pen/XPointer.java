package chalktrace.app.board.pen;

import com.sun.jna.Library;
import com.sun.jna.Native;
import com.sun.jna.NativeLong;
import com.sun.jna.Pointer;
import com.sun.jna.ptr.IntByReference;
import com.sun.jna.ptr.NativeLongByReference;
import java.util.Optional;
import java.util.function.DoubleSupplier;
import java.util.logging.Level;
import java.util.logging.Logger;

/** Asks an X server for the pointer, over a connection of its own that all windows share. */
final class XPointer implements PointerTrail.Reader {

    private static final Logger LOG = Logger.getLogger(XPointer.class.getName());

    /** {@code Button1Mask} of {@code X11/X.h}. */
    private static final int FIRST_BUTTON = 1 << 8;

    private final DoubleSupplier scale;

    /** @param scale pixels of the screen in one unit of the toolkit's places */
    XPointer(DoubleSupplier scale) {
        this.scale = scale;
    }

    /** Xlib, as far as it is needed. */
    interface Xlib extends Library {
        Pointer XOpenDisplay(String name);

        NativeLong XDefaultRootWindow(Pointer display);

        int XQueryPointer(
                Pointer display,
                NativeLong window,
                NativeLongByReference root,
                NativeLongByReference child,
                IntByReference rootX,
                IntByReference rootY,
                IntByReference x,
                IntByReference y,
                IntByReference mask);
    }

    @Override
    public Optional<PointerTrail.Spot> read() {
        return Server.OPEN.flatMap(server -> server.pointer(scale.getAsDouble()));
    }

    private static final class Server {

        private static final Optional<Server> OPEN = open();

        private final Xlib xlib;
        private final Pointer display;
        private final NativeLong root;
        private final NativeLongByReference window = new NativeLongByReference();
        private final IntByReference x = new IntByReference();
        private final IntByReference y = new IntByReference();
        private final IntByReference unused = new IntByReference();
        private final IntByReference mask = new IntByReference();

        private Server(Xlib xlib, Pointer display) {
            this.xlib = xlib;
            this.display = display;
            this.root = xlib.XDefaultRootWindow(display);
        }

        /** Empty where the window is none of an X server's, or there is no library for it. */
        private static Optional<Server> open() {
            if (!System.getProperty("glass.platform", "gtk").equalsIgnoreCase("gtk")) {
                return Optional.empty();
            }
            try {
                Xlib xlib = Native.load("X11", Xlib.class);
                return Optional.ofNullable(xlib.XOpenDisplay(null)).map(display -> new Server(xlib, display));
            } catch (UnsatisfiedLinkError e) {
                LOG.log(Level.INFO, "the pointer is known from the toolkit alone", e);
                return Optional.empty();
            }
        }

        private synchronized Optional<PointerTrail.Spot> pointer(double scale) {
            boolean here = xlib.XQueryPointer(display, root, window, window, x, y, unused, unused, mask) != 0;
            return here
                    ? Optional.of(new PointerTrail.Spot(
                            x.getValue() / scale,
                            y.getValue() / scale,
                            (mask.getValue() & FIRST_BUTTON) != 0,
                            System.nanoTime()))
                    : Optional.empty();
        }
    }
}
