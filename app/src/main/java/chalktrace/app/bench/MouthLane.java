package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.speech.ShippedMouths;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;

/** The mouth that each frame shows, by the sounds that it stands for; a dot marks one that was set by hand. */
final class MouthLane extends Lane {

    MouthLane(Session session, BenchScale scale) {
        super("mouths", 20, session, scale);
    }

    @Override
    void paint(GraphicsContext g, double width, double height) {
        g.setFont(Theme.sans(11));
        g.setTextBaseline(VPos.CENTER);
        for (MouthSpan span : shown().mouths()) {
            double x = scale().x(span.range().start(), width);
            double end = scale().x(span.range().end(), width);
            if (end < 0 || x > width) {
                continue;
            }
            boolean rest = span.shape().equals(MouthChart.REST);
            g.setStroke(tones().line());
            g.strokeLine(Math.floor(x) + 0.5, 3, Math.floor(x) + 0.5, height - 4);
            g.save();
            g.beginPath();
            g.rect(x, 0, end - x, height);
            g.clip();
            g.setFill(rest ? tones().quiet() : tones().text());
            g.fillText(ShippedMouths.shape(span.shape()).sounds(), x + 4, height / 2 - 0.5);
            g.restore();
            if (span.byHand()) {
                g.setFill(tones().accent());
                g.fillOval(end - 6, 2, 4, 4);
            }
        }
    }

    @Override
    void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().quiet());
        for (MouthSpan span : shown().mouths()) {
            if (!span.shape().equals(MouthChart.REST)) {
                g.fillRect(
                        scale().x(span.range().start(), width),
                        height / 2 - 1,
                        span.range().frames() * scale().pixelsPerFrame() - 1,
                        2);
            }
        }
    }
}
