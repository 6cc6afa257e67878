package chalktrace.app.board.pen;

import chalktrace.core.stroke.PenSample;
import java.util.List;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;

/** A pen that is not there: it draws recorded strokes, either at the speed of the hand that made them or at once. */
public final class SimulatedPen implements PenSource {

    private final RecordedStrokes recorded;
    private final AnimationTimer clock = new AnimationTimer() {
        @Override
        public void handle(long now) {
            follow(now);
        }
    };
    private Consumer<PenEvent> listener = event -> {};
    private long startedAt;
    private int stroke;
    private int sample;

    public SimulatedPen(RecordedStrokes recorded) {
        this.recorded = recorded;
    }

    @Override
    public void start(Consumer<PenEvent> to) {
        listener = to;
        stroke = 0;
        sample = 0;
        startedAt = -1;
        clock.start();
    }

    /** Whether it has drawn all strokes. */
    public boolean isDone() {
        return stroke >= recorded.strokes().size();
    }

    /** Draws all strokes now. */
    public void drawAll(Consumer<PenEvent> to) {
        for (List<PenSample> samples : recorded.strokes()) {
            for (int i = 0; i < samples.size(); i++) {
                to.accept(event(samples, i));
            }
        }
    }

    @Override
    public void stop() {
        clock.stop();
        if (sample > 0) {
            listener.accept(new PenEvent(
                    PenEvent.Kind.LOST, recorded.strokes().get(stroke).get(sample - 1)));
        }
        sample = 0;
    }

    private void follow(long now) {
        if (startedAt < 0) {
            startedAt = now;
        }
        double seconds = (now - startedAt) / 1e9;
        while (stroke < recorded.strokes().size()) {
            List<PenSample> samples = recorded.strokes().get(stroke);
            if (samples.get(sample).seconds() > seconds) {
                return;
            }
            listener.accept(event(samples, sample));
            sample++;
            if (sample == samples.size()) {
                sample = 0;
                stroke++;
            }
        }
        clock.stop();
    }

    private static PenEvent event(List<PenSample> samples, int i) {
        PenEvent.Kind kind =
                i == 0 ? PenEvent.Kind.DOWN : i == samples.size() - 1 ? PenEvent.Kind.UP : PenEvent.Kind.MOVE;
        return new PenEvent(kind, samples.get(i));
    }
}
