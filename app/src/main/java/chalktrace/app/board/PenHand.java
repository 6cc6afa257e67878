package chalktrace.app.board;

import chalktrace.app.board.pen.PenEvent;
import chalktrace.app.session.Landings;
import chalktrace.app.session.Session;
import chalktrace.core.edit.StrokeLanding;
import chalktrace.core.stroke.PenSample;
import java.util.function.BiConsumer;

/** Hands what the pen does to the tool that it holds. What one tool does from down to up is one step of the history. */
public final class PenHand {

    private final Session session;
    private final BiConsumer<PenSample, String> refused;
    private final Hand chalk;
    private final Hand duster;
    private final PickHand pick;
    private final FillHand fill;
    private Hand now;

    /** @param refused hears where the pen was and why it could not draw */
    PenHand(Session session, BoardView board, BiConsumer<PenSample, String> refused) {
        this.session = session;
        this.refused = refused;
        this.chalk = new ChalkHand(session, board);
        this.duster = new DusterHand(session, board);
        this.pick = new PickHand(session, board);
        this.fill = new FillHand(session.painting(), board);
        this.now = chalk;
    }

    PickHand pick() {
        return pick;
    }

    FillHand fill() {
        return fill;
    }

    /** Takes what a pen does. */
    public void take(PenEvent event) {
        switch (event.kind()) {
            case DOWN -> down(event.sample());
            case MOVE -> {
                if (now.isBusy()) {
                    now.move(event.sample());
                }
            }
            case UP -> {
                if (now.isBusy()) {
                    now.up(event.sample());
                }
            }
            case LOST -> giveUp();
        }
    }

    /** Whether a stroke, or anything like it, is being made. */
    public boolean isBusy() {
        return now.isBusy();
    }

    /** Ends the stroke without keeping it. */
    public void giveUp() {
        now.giveUp();
    }

    private void down(PenSample sample) {
        if (isBusy()) {
            return;
        }
        session.transport().stop();
        if (session.document().isLooking()) {
            refused.accept(sample, "This is a look at footage: take it in, or go back, to draw");
            return;
        }
        StrokeLanding landing = session.landing();
        if (!landing.canDraw()) {
            refused.accept(sample, Landings.refusal(session.shot(), landing));
            return;
        }
        now = switch (session.view().toolProperty().get()) {
            case CHALK -> chalk;
            case DUSTER -> duster;
            case PICK -> pick;
            case FILL -> fill;
        };
        now.down(sample);
    }
}
