package chalktrace.app.trace.tool;

import chalktrace.app.board.Hand;
import chalktrace.app.session.Session;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.stroke.PenSample;
import java.util.Optional;

/** Dusts off: whole strokes, what the duster touches, or the piece up to the next crossing. All of one sweep is one step. */
final class DusterHand implements Hand {

    private final Session session;
    private boolean busy;
    private PenSample before;
    private Optional<Edit> sweep = Optional.empty();

    DusterHand(Session session) {
        this.session = session;
    }

    @Override
    public void down(PenSample sample) {
        busy = true;
        before = sample;
        sweep = Optional.empty();
        dust(sample);
    }

    @Override
    public void move(PenSample sample) {
        dust(sample);
    }

    @Override
    public void up(PenSample sample) {
        dust(sample);
        busy = false;
        session.document().preview(null);
        sweep.ifPresent(session.document()::apply);
        sweep = Optional.empty();
    }

    @Override
    public void giveUp() {
        busy = false;
        sweep = Optional.empty();
        session.document().preview(null);
    }

    @Override
    public boolean isBusy() {
        return busy;
    }

    private void dust(PenSample sample) {
        double radius = session.view().dusterWidthProperty().get() / 2;
        String level = session.selection().level();
        int frame = session.transport().frame();
        Optional<Edit> step =
                switch (session.view().dusterProperty().get()) {
                    case STROKE ->
                        DrawingEdits.dustStrokes(
                                session.document().shown(), level, frame, sample.x(), sample.y(), radius);
                    case TOUCH ->
                        DrawingEdits.dustSweep(
                                session.document().shown(),
                                level,
                                frame,
                                before.x(),
                                before.y(),
                                sample.x(),
                                sample.y(),
                                radius);
                    case CROSSING ->
                        DrawingEdits.dustToCrossing(
                                session.document().shown(), level, frame, sample.x(), sample.y(), radius);
                };
        before = sample;
        if (step.isPresent()) {
            Edit next = step.get();
            sweep = Optional.of(sweep.map(all -> all.then(next)).orElse(next));
            session.document().preview(sweep.get());
        }
    }
}
