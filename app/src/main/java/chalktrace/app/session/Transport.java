package chalktrace.app.session;

import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.sound.ShotMix;
import chalktrace.media.sound.SoundOut;
import java.util.function.Supplier;
import javafx.animation.AnimationTimer;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.SimpleBooleanProperty;

/**
 * Which frame is at the gate, and play. The sound device is the clock: the picture follows what has been heard, and frames
 * that it had no time to show are counted. Lives on the FX thread, with one thread that feeds the device.
 */
public final class Transport {

    /** About a frame: short enough that an edit is heard at once. */
    private static final int CHUNK = 2048;

    private final Document document;
    private final Sounds sounds;
    private final Supplier<SoundOut> devices;
    private final ReadOnlyIntegerWrapper frame = new ReadOnlyIntegerWrapper();
    private final ReadOnlyBooleanWrapper playing = new ReadOnlyBooleanWrapper();
    private final ReadOnlyIntegerWrapper dropped = new ReadOnlyIntegerWrapper();
    private final ReadOnlyBooleanWrapper audible = new ReadOnlyBooleanWrapper(true);
    private final BooleanProperty looping = new SimpleBooleanProperty(true);
    private final AnimationTimer pulse = new AnimationTimer() {
        @Override
        public void handle(long now) {
            followSound();
        }
    };

    private SoundOut device;
    private Feed feed;
    private int direction = 1;

    Transport(Document document, Sounds sounds, Supplier<SoundOut> devices) {
        this.document = document;
        this.sounds = sounds;
        this.devices = devices;
        document.openingProperty().addListener(opened -> {
            stop();
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

    public BooleanProperty loopingProperty() {
        return looping;
    }

    /** Frames that the last play had no time to show. */
    public ReadOnlyIntegerProperty droppedProperty() {
        return dropped.getReadOnlyProperty();
    }

    /** Whether there is a sound device; known for sure from the first play on. */
    public ReadOnlyBooleanProperty audibleProperty() {
        return audible.getReadOnlyProperty();
    }

    /** 1 when the last step went on, -1 when it went back. */
    public int direction() {
        return direction;
    }

    /** Brings a frame to the gate; play ends. */
    public void go(int toFrame) {
        stop();
        show(document.shown().setup().clamp(toFrame));
    }

    public void step(int by) {
        go(frame.get() + by);
    }

    public void togglePlay() {
        if (playing.get()) {
            stop();
        } else {
            play();
        }
    }

    public void play() {
        stop();
        Shot shot = document.shown();
        boolean atEnd = frame.get() == shot.setup().length() - 1;
        int from = atEnd ? 0 : frame.get();
        show(from);
        dropped.set(0);
        feed = new Feed(device(), shot.setup(), from, looping.get());
        feed.start();
        playing.set(true);
        pulse.start();
    }

    public void stop() {
        if (playing.get()) {
            pulse.stop();
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
    void openDevice() {
        device();
    }

    void close() {
        stop();
        if (device != null) {
            device.close();
        }
    }

    private SoundOut device() {
        if (device == null) {
            device = devices.get();
            audible.set(device.isAudible());
        }
        return device;
    }

    private void followSound() {
        int now = feed.frameHeard();
        if (now >= feed.setup.length()) {
            int last = feed.setup.length() - 1;
            stop();
            show(last);
            return;
        }
        int passed = Math.floorMod(now - frame.get(), feed.setup.length());
        if (passed > 1) {
            dropped.set(dropped.get() + passed - 1);
        }
        show(now);
    }

    private void show(int next) {
        if (next != frame.get()) {
            direction = next < frame.get() ? -1 : 1;
            frame.set(next);
        }
    }

    /** Feeds the device from a frame on, round and round when looping. */
    private final class Feed extends Thread {

        private final SoundOut out;
        private final ShotSetup setup;
        private final long first;
        private final long length;
        private final boolean loop;
        private volatile boolean ended;

        Feed(SoundOut out, ShotSetup setup, int fromFrame, boolean loop) {
            super("play");
            setDaemon(true);
            this.out = out;
            this.setup = setup;
            this.first = sample(fromFrame);
            this.length = sample(setup.length());
            this.loop = loop;
            out.start();
        }

        /** The frame that belongs to what is heard; the shot's length when all has been heard. */
        int frameHeard() {
            long heard = first + out.playedSamples();
            return !loop && heard >= length
                    ? setup.length()
                    : setup.clamp(setup.rate().frameAt((double) (heard % length) / ShotMix.SAMPLE_RATE));
        }

        void end() {
            ended = true;
            out.stop();
            interrupt();
            try {
                join(500);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        @Override
        public void run() {
            long at = first;
            try {
                while (!ended) {
                    ShotMix mix = sounds.mixProperty().get();
                    long place = loop ? at % length : at;
                    int count = (int) Math.min(CHUNK, Math.max(1, loop ? length - place : CHUNK));
                    out.write(mix.render(place, count));
                    at += count;
                }
            } catch (InterruptedException e) {
                // Play was ended.
            }
        }

        private long sample(int atFrame) {
            return Math.round(setup.rate().seconds(atFrame) * ShotMix.SAMPLE_RATE);
        }
    }
}
