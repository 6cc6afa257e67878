package chalktrace.app.sound;

import chalktrace.app.kernel.Document;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.sound.PlayPath;
import chalktrace.core.sound.PlayPath.Round;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.sound.TimeStretch;
import chalktrace.core.time.FrameRange;
import chalktrace.core.work.Workers;
import chalktrace.media.sound.SoundOut;
import java.util.OptionalInt;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;

/**
 * Which frame is at the gate, and play. The sound device is the clock: the picture follows what has been heard, and frames
 * that it had no time to show are counted. Lives on the FX thread, with one thread that feeds the device and one that looks at its clock.
 */
public final class Transport {

    /** Nobody's loudspeaker is later. */
    public static final double MOST_LATENCY_MILLIS = 1000;

    /** How often the device's clock is looked at: far oftener than frames pass, so that each comes in time. */
    private static final int LOOK_MILLIS = 4;

    private final Document document;
    private final Sounds sounds;
    private final Supplier<SoundOut> devices;
    private final ReadOnlyIntegerWrapper frame = new ReadOnlyIntegerWrapper();
    private final ReadOnlyBooleanWrapper playing = new ReadOnlyBooleanWrapper();
    private final ReadOnlyIntegerWrapper dropped = new ReadOnlyIntegerWrapper();
    private final ReadOnlyBooleanWrapper audible = new ReadOnlyBooleanWrapper(true);
    private final ObjectProperty<Round> round = new SimpleObjectProperty<>(Round.LOOP);
    private final DoubleProperty speed = new SimpleDoubleProperty(1);
    private final ObjectProperty<FrameRange> within = new SimpleObjectProperty<>();
    private final ExecutorService player = Workers.one("play");
    private final ScheduledExecutorService clock = Workers.scheduled("follow sound", Thread.NORM_PRIORITY);
    private ScheduledFuture<?> following;
    private final DoubleProperty latencyMillis = new SimpleDoubleProperty();
    private volatile double latencySeconds;
    private final BooleanProperty keepsPitch = new SimpleBooleanProperty(true);
    private final BooleanProperty hears = new SimpleBooleanProperty();
    private final BooleanProperty hearsBackwards = new SimpleBooleanProperty();
    private SoundOut device;
    private Feed feed;
    private FrameRange played = FrameRange.of(0, 1);

    public Transport(Document document, Sounds sounds, Supplier<SoundOut> devices) {
        this.document = document;
        this.sounds = sounds;
        this.devices = devices;
        latencyMillis.addListener((property, before, now) -> latencySeconds = now.doubleValue() / 1000);
        hears.addListener((property, before, on) -> hear(on, false));
        hearsBackwards.addListener((property, before, on) -> hear(on, true));
        document.whenOpened(() -> {
            stop();
            within.set(null);
            frame.set(0);
        });
        document.shownProperty()
                .addListener((property, before, now) -> frame.set(now.setup().clamp(frame.get())));
    }

    /** The frame at the gate, counted from 0. */
    public ReadOnlyIntegerProperty frameProperty() {
        return frame.getReadOnlyProperty();
    }

    public int frame() {
        return frame.get();
    }

    public ReadOnlyBooleanProperty playingProperty() {
        return playing.getReadOnlyProperty();
    }

    /** What play does at its end. */
    public ObjectProperty<Round> roundProperty() {
        return round;
    }

    /** How fast play goes: 1 for the shot's own rate. */
    public DoubleProperty speedProperty() {
        return speed;
    }

    /** The frames that play keeps to; null for the whole shot. */
    public ObjectProperty<FrameRange> withinProperty() {
        return within;
    }

    /** Frames that the last play had no time to show. */
    public ReadOnlyIntegerProperty droppedProperty() {
        return dropped.getReadOnlyProperty();
    }

    /** Whether there is a sound device; known for sure from the first play on. */
    public ReadOnlyBooleanProperty audibleProperty() {
        return audible.getReadOnlyProperty();
    }

    /** How much later than the device says a sound is heard, in milliseconds; the picture waits for it. */
    public DoubleProperty latencyMillisProperty() {
        return latencyMillis;
    }

    /** Whether play at another speed keeps the pitch of sounds. */
    public BooleanProperty keepsPitchProperty() {
        return keepsPitch;
    }

    /** While true the sound of the frame at the gate is heard again and again. */
    public BooleanProperty hearsProperty() {
        return hears;
    }

    /** As {@link #hearsProperty}, backwards. */
    public BooleanProperty hearsBackwardsProperty() {
        return hearsBackwards;
    }

    /** Lets the sound from a time to the end of its frame be heard again and again, until {@link #stop}. */
    public void hearFrom(double seconds, boolean backwards) {
        ShotSetup setup = document.shown().setup();
        int at = setup.clamp(setup.rate().frameAt(seconds));
        long start = Math.max(sample(setup, at), Math.round(seconds * ShotMix.SAMPLE_RATE));
        hear(start, sample(setup, at + 1), backwards);
    }

    private void hear(boolean on, boolean backwards) {
        if (!on) {
            hush();
            return;
        }
        ShotSetup setup = document.shown().setup();
        hear(sample(setup, frame.get()), sample(setup, frame.get() + 1), backwards);
    }

    private void hear(long start, long end, boolean backwards) {
        stop();
        if (end > start) {
            feed = new Feed(
                    document.shown().setup(),
                    new PlayPath(backwards ? end - 1 : start, start, end, backwards ? -1 : 1, Round.LOOP),
                    false);
            player.execute(feed);
        }
    }

    /** Ends what is heard while a key or button is held; play goes on. */
    public void hush() {
        if (!playing.get()) {
            stop();
        }
    }

    /** Brings a frame to the gate; play ends. */
    public void go(int toFrame) {
        stop();
        frame.set(document.shown().setup().clamp(toFrame));
    }

    /** Goes some frames on, or back, and lets their sound be heard. */
    public void step(int by) {
        go(frame.get() + by);
        scrub();
    }

    /** Plays on from the gate, or stops. */
    public void togglePlay() {
        if (playing.get()) {
            stop();
        } else {
            play(1);
        }
    }

    /** @param direction 1 for on, -1 for backwards */
    public void play(int direction) {
        stop();
        ShotSetup setup = document.shown().setup();
        played = range(setup);
        int from = frame.get();
        boolean atEnd = direction > 0 ? from == played.last() : from == played.start();
        if (!played.contains(from) || atEnd) {
            from = direction > 0 ? played.start() : played.last();
        }
        frame.set(from);
        dropped.set(0);
        long first = sample(setup, direction > 0 ? from : from + 1) - (direction > 0 ? 0 : 1);
        feed = new Feed(
                setup,
                new PlayPath(
                        first,
                        sample(setup, played.start()),
                        sample(setup, played.end()),
                        direction * speed.get(),
                        round.get()),
                keepsPitch.get() && direction > 0 && speed.get() != 1);
        player.execute(feed);
        playing.set(true);
        following = clock.scheduleAtFixedRate(feed::look, LOOK_MILLIS, LOOK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** The frame that play comes to after the one at the gate; none while nothing plays. */
    public OptionalInt nextFrame() {
        return playing.get()
                ? OptionalInt.of(document.shown().setup().clamp(feed.frameAfter(frame.get())))
                : OptionalInt.empty();
    }

    public void stop() {
        if (feed != null) {
            if (following != null) {
                following.cancel(false);
                following = null;
            }
            feed.end();
            feed = null;
            playing.set(false);
        }
    }

    /** The board says that a frame of play could not be shown as it should. */
    public void countDropped() {
        if (playing.get()) {
            dropped.set(dropped.get() + 1);
        }
    }

    /** Looks for a sound device, so that the head can say at once whether there is one. */
    public void openDevice() {
        device();
    }

    public void close() {
        stop();
        Workers.stop(clock);
        if (device != null) {
            // After the feed that is just ending.
            player.execute(device::close);
        }
        Workers.finish(player);
    }

    /** The sound of the frame at the gate, once. */
    private void scrub() {
        ShotSetup setup = document.shown().setup();
        if (!device().isAudible() || sounds.mixProperty().get().isSilent()) {
            return;
        }
        long start = sample(setup, frame.get());
        feed = new Feed(setup, new PlayPath(start, start, sample(setup, frame.get() + 1), 1, Round.ONCE), false);
        player.execute(feed);
    }

    private FrameRange range(ShotSetup setup) {
        FrameRange wanted = within.get();
        if (wanted == null) {
            return setup.frames();
        }
        int start = setup.clamp(wanted.start());
        return new FrameRange(start, Math.max(start + 1, Math.min(setup.length(), wanted.end())));
    }

    private static long sample(ShotSetup setup, int atFrame) {
        return Math.round(setup.rate().seconds(atFrame) * ShotMix.SAMPLE_RATE);
    }

    private SoundOut device() {
        if (device == null) {
            device = devices.get();
            audible.set(device.isAudible());
        }
        return device;
    }

    private void followSound() {
        if (feed.isOver()) {
            int last = feed.path.speed() > 0 ? played.last() : played.start();
            stop();
            frame.set(document.shown().setup().clamp(last));
            return;
        }
        dropped.set(dropped.get() + feed.passedOver());
        // The shot may have become shorter while it plays.
        frame.set(document.shown().setup().clamp(feed.frameHeard()));
    }

    /** Feeds the device along a path; one after the other, on the player's thread. */
    private final class Feed implements Runnable {

        /** About a frame: short enough that an edit is heard at once. */
        private static final int CHUNK = 2048;

        private static final int SILENCE_AFTER = ShotMix.SAMPLE_RATE / 2;

        private final SoundOut out = device();
        private final ShotSetup setup;
        private final PlayPath path;

        /** Keeps the pitch; null where it goes with the speed. */
        private final TimeStretch stretch;

        private volatile boolean started;
        private volatile boolean ended;

        /** How many frames had gone by when the clock was last looked at, and whether that is still to be followed. */
        private int looked = -1;

        private final AtomicBoolean asked = new AtomicBoolean();

        /** How many frames have gone by when it was last asked, however often they came round. */
        private int passed;

        Feed(ShotSetup setup, PlayPath path, boolean keepsPitch) {
            this.setup = setup;
            this.path = path;
            this.stretch = keepsPitch ? new TimeStretch(ShotMix.CHANNELS, ShotMix.SAMPLE_RATE) : null;
        }

        /** The frame that belongs to what is heard. */
        int frameHeard() {
            return frameAt(heard());
        }

        private int frameAt(long heard) {
            int at = setup.rate().frameAt(path.placeAt(heard) / ShotMix.SAMPLE_RATE);
            return Math.max(played.start(), Math.min(played.last(), at));
        }

        /** The next frame that is heard and is another one; the same at the end. */
        int frameAfter(int at) {
            long step = Math.max(1, Math.round(setup.rate().seconds(1) * ShotMix.SAMPLE_RATE / Math.abs(path.speed())));
            long now = heard();
            for (int i = 1; i <= 2; i++) {
                int next = frameAt(now + i * step);
                if (next != at) {
                    return next;
                }
            }
            return at;
        }

        /** How many frames went by since this was asked last and were never at the gate, beyond those that the speed leaves out. */
        int passedOver() {
            int before = passed;
            passed = goneBy();
            return Math.max(0, passed - before - (int) Math.ceil(Math.abs(path.speed())));
        }

        private int goneBy() {
            return setup.rate().frameAt(heard() * Math.abs(path.speed()) / ShotMix.SAMPLE_RATE);
        }

        /** Lets the gate follow when another frame is heard. On the clock's thread. */
        void look() {
            int now = goneBy();
            if ((now != looked || isOver()) && asked.compareAndSet(false, true)) {
                looked = now;
                Platform.runLater(() -> {
                    asked.set(false);
                    if (feed == this) {
                        followSound();
                    }
                });
            }
        }

        /** What has come out of the loudspeaker: what the device has played, less what is still on its way. */
        private long heard() {
            return !started ? 0 : Math.max(0, out.playedSamples() - Math.round(latencySeconds * ShotMix.SAMPLE_RATE));
        }

        boolean isOver() {
            return path.isOverAt(heard());
        }

        void end() {
            ended = true;
            out.stop();
        }

        private float[] rendered(long at) {
            ShotMix mix = sounds.mixProperty().get();
            return stretch == null
                    ? path.render(mix, at, CHUNK)
                    : stretch.next(mix::render, index -> Math.round(path.placeAt(at + index)), CHUNK);
        }

        @Override
        public void run() {
            if (ended) {
                return;
            }
            out.start();
            started = true;
            long at = 0;
            try {
                while (!ended && !path.isOverAt(Math.max(0, at - SILENCE_AFTER))) {
                    // Past the end there is silence, so that the device plays what it still holds.
                    out.write(path.isOverAt(at) ? new float[2 * CHUNK] : rendered(at));
                    at += CHUNK;
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } finally {
                if (ended) {
                    // It may have been ended just as it started.
                    out.stop();
                }
            }
        }
    }
}
