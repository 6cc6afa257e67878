package chalktrace.app.voice;

import chalktrace.app.bench.BenchScale;
import chalktrace.app.bench.Lane;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;

/** The mouth that each frame shows, by the sounds that it stands for; a dot marks one that was set by hand. */
final class MouthLane extends Lane {

    private final VoiceWork work;

    MouthLane(VoiceWork work, BenchScale scale) {
        super(Words.DESK.of("mouths"), 20, work.session(), scale);
        this.work = work;
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        g.setFont(Theme.sans(11));
        g.setTextBaseline(VPos.CENTER);
        for (MouthSpan span : work.mouthsSeen().of(shown())) {
            double x = scale().x(span.range().start(), width);
            double end = scale().x(span.range().end(), width);
            if (end < 0 || x > width) {
                continue;
            }
            boolean rest = isRest(span);
            g.setStroke(tones().line());
            g.strokeLine(Math.floor(x) + 0.5, 3, Math.floor(x) + 0.5, height - 4);
            g.save();
            g.beginPath();
            g.rect(x, 0, end - x, height);
            g.clip();
            g.setFill(rest ? tones().quiet() : tones().text());
            // What started out of sight still says what it is.
            g.fillText(called(span), Math.max(x, 0) + 4, height / 2 - 0.5);
            g.restore();
            if (span.byHand()) {
                g.setFill(tones().accent());
                g.fillOval(end - 6, 2, 4, 4);
            }
        }
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().quiet());
        for (MouthSpan span : work.mouthsSeen().of(shown())) {
            if (!isRest(span)) {
                g.fillRect(
                        scale().x(span.range().start(), width),
                        height / 2 - 1,
                        span.range().frames() * scale().pixelsPerFrame() - 1,
                        2);
            }
        }
    }

    private boolean isRest(MouthSpan span) {
        return !span.isOwn()
                && shown().speech().chart().mouth(span.shape()).phones().contains(Phone.SILENCE);
    }

    /** What a mouth is called: by its sounds, or of the artist's own drawing by its number. */
    private String called(MouthSpan span) {
        return span.isOwn()
                ? Words.VOICE.of("own-drawing", span.drawing())
                : shown().speech().chart().mouths().stream()
                        .filter(mouth -> mouth.id().equals(span.shape()))
                        .findFirst()
                        .map(MouthChart.Mouth::sounds)
                        .orElse(span.shape());
    }
}
