package chalktrace.app.board.pen.tablet;

import chalktrace.app.board.pen.PenEvent;
import chalktrace.app.board.pen.PenSource;
import chalktrace.app.words.Words;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.work.Workers;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/**
 * A real pen on a tablet, with its pressure, tilt and eraser. Tablets may come and go: they are looked for every two
 * seconds, and one that is pulled out in the middle of a stroke ends it. Readings are taken on a thread for each tablet and
 * told on the FX thread.
 */
public final class TabletPen implements PenSource {

    private static final Logger LOG = Logger.getLogger(TabletPen.class.getName());

    private static final int LOOK_SECONDS = 2;

    private final Tablets tablets;
    private final boolean possible;
    private final Supplier<Rectangle2D> screen;
    private final Function<Point2D, Optional<Point2D>> toShot;
    private final BooleanSupplier keepsShape;
    private final Set<String> readers = ConcurrentHashMap.newKeySet();
    private final Map<String, Tablets.Opened> open = new ConcurrentHashMap<>();
    private final ReadOnlyStringWrapper status = new ReadOnlyStringWrapper("");
    private final ReadOnlyBooleanWrapper near = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<TabletReading> latest = new ReadOnlyObjectWrapper<>();
    private Consumer<PenEvent> listener = event -> {};
    private ScheduledExecutorService looking;
    private boolean drawing;

    /**
     * @param screen the screen that the tablet stands for
     * @param toShot from a place of the screen to shot pixels; empty where no board is
     * @param keepsShape whether a circle on the tablet is one on the screen
     */
    public static TabletPen ofSystem(
            Supplier<Rectangle2D> screen, Function<Point2D, Optional<Point2D>> toShot, BooleanSupplier keepsShape) {
        return new TabletPen(new KernelTablets(), KernelTablets.isSystemWithThem(), screen, toShot, keepsShape);
    }

    TabletPen(
            Tablets tablets,
            boolean possible,
            Supplier<Rectangle2D> screen,
            Function<Point2D, Optional<Point2D>> toShot,
            BooleanSupplier keepsShape) {
        this.tablets = tablets;
        this.possible = possible;
        this.screen = screen;
        this.toShot = toShot;
        this.keepsShape = keepsShape;
    }

    /** Which pen is read, or why none is, as a sentence. */
    public ReadOnlyStringProperty statusProperty() {
        return status.getReadOnlyProperty();
    }

    /** Whether a pen is over a tablet: what the pointer does is then its doing, and not a mouse's. */
    public ReadOnlyBooleanProperty nearProperty() {
        return near.getReadOnlyProperty();
    }

    /** What the pen last said; null before it said anything. */
    public ReadOnlyObjectProperty<TabletReading> latestProperty() {
        return latest.getReadOnlyProperty();
    }

    @Override
    public void start(Consumer<PenEvent> to) {
        listener = to;
        if (!possible) {
            status.set(Words.TRACE.of("on-this-system-pressure-comes"));
            return;
        }
        looking = Workers.scheduled("look for tablets", Thread.NORM_PRIORITY);
        looking.scheduleWithFixedDelay(this::look, 0, LOOK_SECONDS, TimeUnit.SECONDS);
    }

    @Override
    public void stop() {
        if (looking != null) {
            Workers.stop(looking);
        }
        open.values().forEach(TabletPen::close);
    }

    private void look() {
        try {
            String said = Words.TRACE.of("no-pen-tablet-is-plugged");
            for (Tablets.Device device : tablets.present()) {
                said = readers.contains(device.id()) ? reads(device) : tryOpen(device);
            }
            String words = said;
            Platform.runLater(() -> status.set(words));
        } catch (IOException | RuntimeException e) {
            LOG.log(Level.WARNING, "tablets can't be looked for", e);
        }
    }

    private String tryOpen(Tablets.Device device) {
        try {
            Tablets.Opened opened = device.open();
            open.put(device.id(), opened);
            readers.add(device.id());
            Workers.loop("read a tablet", () -> read(device, opened));
            return reads(device);
        } catch (IOException e) {
            return Words.TRACE.of("cant-be-used", device.name(), e.getMessage());
        }
    }

    private static String reads(Tablets.Device device) {
        return Words.TRACE.of("pen-tablet", device.name());
    }

    private void read(Tablets.Device device, Tablets.Opened opened) {
        TabletStream stream = new TabletStream(opened.ranges());
        double shape = shape(opened.ranges());
        byte[] bytes = new byte[InputEvent.BYTES];
        try (DataInputStream in = new DataInputStream(opened.events())) {
            while (true) {
                in.readFully(bytes);
                stream.take(InputEvent.read(ByteBuffer.wrap(bytes)))
                        .ifPresent(reading -> Platform.runLater(() -> tell(reading, shape)));
            }
        } catch (EOFException e) {
            LOG.info(device.name() + " has ended");
        } catch (IOException e) {
            // The usual end: the device was pulled out, or the program closes it.
            LOG.log(Level.INFO, device.name() + " is gone", e);
        } finally {
            readers.remove(device.id());
            open.remove(device.id());
            Platform.runLater(this::lose);
        }
    }

    private static double shape(Map<Integer, AxisRange> ranges) {
        AxisRange across = ranges.get(InputEvent.ABS_X);
        AxisRange down = ranges.get(InputEvent.ABS_Y);
        return across == null || down == null || !(down.length() > 0) ? 1 : across.length() / down.length();
    }

    private void tell(TabletReading reading, double shape) {
        latest.set(reading);
        near.set(reading.near());
        Point2D onScreen = new TabletMapping(screen.get(), shape, keepsShape.getAsBoolean())
                .toScreen(reading.across(), reading.down());
        Optional<Point2D> place = toShot.apply(onScreen);
        boolean touching = reading.touching() && reading.near();
        if (touching && !drawing) {
            // A touch beside the board is the pointer's, such as on a button.
            place.ifPresent(p -> {
                drawing = true;
                listener.accept(new PenEvent(PenEvent.Kind.DOWN, sample(p, reading), reading.eraser()));
            });
        } else if (touching) {
            place.ifPresent(
                    p -> listener.accept(new PenEvent(PenEvent.Kind.MOVE, sample(p, reading), reading.eraser())));
        } else if (drawing) {
            drawing = false;
            place.ifPresentOrElse(
                    p -> listener.accept(new PenEvent(PenEvent.Kind.UP, sample(p, reading), reading.eraser())),
                    this::tellLost);
        }
    }

    private void lose() {
        near.set(false);
        if (drawing) {
            drawing = false;
            tellLost();
        }
    }

    private void tellLost() {
        listener.accept(new PenEvent(PenEvent.Kind.LOST, new PenSample(0, 0, 0, 0)));
    }

    private static PenSample sample(Point2D place, TabletReading reading) {
        return new PenSample(place.getX(), place.getY(), reading.pressure(), reading.seconds());
    }

    private static void close(Tablets.Opened opened) {
        try {
            opened.close();
        } catch (IOException e) {
            LOG.log(Level.INFO, "a tablet could not be closed", e);
        }
    }
}
