package chalktrace.app.board;

import chalktrace.app.board.pen.PenEvent;
import chalktrace.app.session.Landings;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.words.Words;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.PenStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;

/** Hands what the pen does to the tool that it holds. What one tool does from down to up is one step of the history. */
public final class PenHand {

    private final Session session;
    private final BiConsumer<PenSample, String> refused;
    /** Hands that change drawings, and those that do not. */
    private final Map<View.Tool, Hand> drawing = new HashMap<>();

    private final Map<View.Tool, Hand> looking = new HashMap<>();
    private PenStream stream = new PenStream();
    private Hand now;

    /**
     * @param tools with the chalk among them
     * @param refused hears where the pen was and why it could not draw
     */
    PenHand(Session session, BoardView board, List<BoardTool> tools, BiConsumer<PenSample, String> refused) {
        this.session = session;
        this.refused = refused;
        tools.forEach(tool -> (tool.draws() ? drawing : looking).put(tool.tool(), tool.hand(board)));
        this.now = drawing.get(View.Tool.CHALK);
    }

    /** Takes what a pen does. */
    public void take(PenEvent event) {
        if (event.kind() == PenEvent.Kind.LOST) {
            if (now.isBusy()) {
                now.lost();
            }
            return;
        }
        if (event.kind() == PenEvent.Kind.DOWN && !now.isBusy()) {
            stream = new PenStream();
        }
        Optional<PenSample> good = stream.take(event.sample());
        switch (event.kind()) {
            case DOWN -> good.ifPresent(sample -> down(sample, event.eraser()));
            case MOVE -> {
                if (now.isBusy()) {
                    good.ifPresent(now::move);
                }
            }
            default -> {
                if (now.isBusy()) {
                    good.ifPresentOrElse(now::up, now::lost);
                }
            }
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

    private void down(PenSample sample, boolean eraser) {
        if (isBusy() || session.view().askingProperty().get()) {
            return;
        }
        session.transport().stop();
        if (session.document().isLooking()) {
            refused.accept(sample, Words.TRACE.of("previewing-not-imported-import-it"));
            return;
        }
        View.Tool tool =
                eraser ? View.Tool.DUSTER : session.view().toolProperty().get();
        if (looking.containsKey(tool)) {
            now = looking.get(tool);
            now.down(sample);
            return;
        }
        int gate = session.transport().frame();
        int seen = session.view().seen(session.shot(), gate);
        if (seen != gate) {
            refused.accept(
                    sample,
                    Words.TRACE.of(
                            "this-is-frame-held-as", session.shot().setup().number(seen)));
            return;
        }
        StrokeLanding landing = session.landing();
        if (!landing.canDraw()) {
            refused.accept(sample, Landings.refusal(session.shot(), landing));
            return;
        }
        now = drawing.getOrDefault(tool, drawing.get(View.Tool.CHALK));
        now.down(sample);
    }
}
