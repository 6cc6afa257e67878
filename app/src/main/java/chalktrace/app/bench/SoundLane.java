package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.Peaks;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;

/** The waveform of one sound. It is moved at its card, not here: a sound that slips unseen is worse than one more step. */
final class SoundLane extends Lane {

    /** A sound fainter than this is drawn as faint as it is. */
    private static final double FAINTEST = 0.02;

    private final String sound;

    SoundLane(String sound, String name, Session session, BenchScale scale) {
        super(name, 24, session, scale);
        this.sound = sound;
        repaintOn(session.sounds().peaks(), session.sounds().problems());
    }

    String sound() {
        return sound;
    }

    @Override
    void paint(GraphicsContext g, double width, double height) {
        Optional<SoundClip> clip = shown().sound(sound);
        if (clip.isEmpty()) {
            return;
        }
        String problem = session().sounds().problems().get(clip.get().file());
        if (problem != null) {
            g.setFill(tones().badText());
            g.setFont(Theme.sans(12));
            g.setTextBaseline(VPos.CENTER);
            g.fillText(problem, 8, height / 2);
        }
        waveform(g, clip.get(), width, height - 1);
    }

    @Override
    void paintFolded(GraphicsContext g, double width, double height) {
        shown().sound(sound).ifPresent(clip -> waveform(g, clip, width, height));
    }

    private void waveform(GraphicsContext g, SoundClip clip, double width, double height) {
        Peaks peaks = session().sounds().peaks().get(clip.file());
        if (peaks == null) {
            return;
        }
        g.setFill(clip.muted() ? tones().line() : tones().quiet());
        double middle = height / 2;
        // Each waveform fills its lane: it is read for when a sound comes, not for how loud it is.
        double gain = 1 / Math.max(FAINTEST, peaks.loudest());
        for (int x = 0; x < width; x++) {
            double from = scale().seconds(x, width) - clip.startSeconds();
            double to = scale().seconds(x + 1, width) - clip.startSeconds();
            if (to > clip.trim().headSeconds()
                    && from < peaks.sound().seconds() - clip.trim().tailSeconds()) {
                Peaks.Range range = peaks.between(from, to);
                double top = Math.max(0, middle - middle * Math.min(1, range.high() * gain));
                double bottom = Math.min(height, middle - middle * Math.max(-1, range.low() * gain));
                g.fillRect(x, top, 1, Math.max(1, bottom - top));
            }
        }
    }
}
