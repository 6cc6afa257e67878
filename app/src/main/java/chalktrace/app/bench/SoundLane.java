package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.Peaks;
import java.util.Optional;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.paint.Color;

/** The waveform of one sound. It is moved at its card, not here: a sound that slips unseen is worse than one more step. */
final class SoundLane extends Lane {
    private static final double LOW = 22;
    private static final double TALL = 64;

    private final String sound;
    private final Spectrograms spectrograms;
    private final InvalidationListener height;
    private final WaveStrips strips = new WaveStrips();

    SoundLane(String sound, String name, Session session, BenchScale scale, Spectrograms spectrograms) {
        super(name, LOW, session, scale);
        this.sound = sound;
        this.spectrograms = spectrograms;
        repaintOn(
                session.sounds().peaks(),
                session.sounds().problems(),
                spectrograms.made(),
                session.view().spectrogramProperty());
        // Weakly: a lane that is gone is not kept alive.
        height = changed -> stretch(session.view().spectrogramProperty().get() ? TALL : LOW);
        session.view().spectrogramProperty().addListener(new WeakInvalidationListener(height));
        height.invalidated(null);
    }

    String sound() {
        return sound;
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        Optional<SoundClip> clip = shown().sound(sound);
        if (clip.isEmpty()) {
            return;
        }
        if (session().view().spectrogramProperty().get()) {
            spectrogram(g, clip.get(), width, height - 1);
        } else {
            waveform(g, clip.get(), width, height - 1);
        }
    }

    @Override
    protected Optional<Standing> standing() {
        return shown().sound(sound)
                .map(clip -> session().sounds().problems().get(clip.file()))
                .map(problem -> Standing.problem(problem, getHeight()));
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        shown().sound(sound).ifPresent(clip -> waveform(g, clip, width, height));
    }

    /** Held still on the lane, what is under the pointer is heard to the frame's end, again and again; with Alt backwards. */
    @Override
    void held(double x, boolean alt) {
        session().transport().hearFrom(Math.max(0, scale().seconds(x, getWidth())), alt);
    }

    @Override
    void letGo() {
        session().transport().hush();
    }

    private void spectrogram(GraphicsContext g, SoundClip clip, double width, double height) {
        Peaks peaks = session().sounds().peaks().get(clip.file());
        if (peaks == null) {
            return;
        }
        double from = Math.max(clip.trim().headSeconds(), scale().seconds(0, width) - clip.startSeconds());
        double to = Math.min(
                peaks.sound().seconds() - clip.trim().tailSeconds(),
                scale().seconds(width, width) - clip.startSeconds());
        g.save();
        g.beginPath();
        double left = scale().xOfSeconds(clip.heardFrom(), width);
        g.rect(left, 0, scale().xOfSeconds(clip.heardTo(peaks.sound().seconds()), width) - left, height);
        g.clip();
        for (int tile = Spectrograms.tile(from); Spectrograms.seconds(tile) < to; tile++) {
            Optional<Image> image = spectrograms.image(clip.file(), peaks.sound(), tile);
            if (image.isPresent()) {
                double x = scale().xOfSeconds(clip.startSeconds() + Spectrograms.seconds(tile), width);
                double end = scale().xOfSeconds(clip.startSeconds() + Spectrograms.seconds(tile + 1), width);
                g.drawImage(image.get(), x, 0, end - x, height);
            }
        }
        g.restore();
    }

    private void waveform(GraphicsContext g, SoundClip clip, double width, double height) {
        Peaks peaks = session().sounds().peaks().get(clip.file());
        if (peaks == null) {
            return;
        }
        Color color = clip.muted() ? tones().line() : tones().quiet();
        strips.paint(
                g,
                new WaveStrips.Look(
                        peaks, clip.trim(), scale().secondsPerPixel(), (int) Math.ceil(height), color, fine()),
                scale().seconds(0, width) - clip.startSeconds(),
                width);
    }

    /** How many pixels of the screen a pixel of the lane has, at most. */
    private int fine() {
        return getScene() == null || getScene().getWindow() == null
                ? 1
                : (int) Math.ceil(getScene().getWindow().getOutputScaleX());
    }
}
