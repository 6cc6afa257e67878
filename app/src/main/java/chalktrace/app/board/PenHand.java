package chalktrace.app.board;

import chalktrace.app.board.pen.PenEvent;
import chalktrace.app.session.Landings;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.core.edit.DrawingEdits;
import chalktrace.core.edit.StrokeLanding;
import chalktrace.core.render.StrokeLayer;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;

/** What the pen does on the board: draws with the chalk, or dusts off. A stroke is one step of the history. */
public final class PenHand {

    /** The duster's reach on the board, in its own pixels. */
    static final double DUSTER_RADIUS = 9;

    private final Session session;
    private final BoardView board;
    private final BiConsumer<PenSample, String> refused;

    private Ink ink;
    private StrokeLanding landing;
    private Chalk chalk;
    private PenSample before;
    private boolean dusting;
    private final List<Stroke> dusted = new ArrayList<>();

    /** @param refused hears where the pen was and why it could not draw */
    PenHand(Session session, BoardView board, BiConsumer<PenSample, String> refused) {
        this.session = session;
        this.board = board;
        this.refused = refused;
    }

    /** Takes what a pen does. */
    public void take(PenEvent event) {
        switch (event.kind()) {
            case DOWN -> down(event.sample());
            case MOVE -> move(event.sample());
            case UP -> up(event.sample());
            case LOST -> giveUp();
        }
    }

    /** Whether a stroke is being made. */
    public boolean isBusy() {
        return ink != null || dusting;
    }

    /** Ends the stroke without keeping it. */
    public void giveUp() {
        ink = null;
        dusting = false;
        dusted.clear();
        board.endPen();
        session.document().preview(null);
        board.composeAll();
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
        Shot shot = session.shot();
        landing = StrokeLanding.of(
                shot,
                String.valueOf(session.selection().level()),
                session.transport().frame(),
                session.view().holdFramesProperty().get());
        if (!landing.canDraw()) {
            refused.accept(sample, Landings.refusal(shot, landing));
            return;
        }
        if (session.view().toolProperty().get() == View.Tool.DUSTER) {
            dusting = true;
            dust(sample);
            return;
        }
        chalk = shot.chalk(session.selection().chalkProperty().get());
        ink = new Ink(chalk.id());
        before = sample;
        draw(sample);
    }

    private void move(PenSample sample) {
        if (ink != null) {
            draw(sample);
        } else if (dusting) {
            dust(sample);
        }
    }

    private void up(PenSample sample) {
        if (ink != null) {
            ink.add(sample);
            Stroke stroke = ink.finish();
            ink = null;
            board.endPen();
            session.document().apply(landing.draw(stroke));
        } else if (dusting) {
            dust(sample);
            dusting = false;
            List<Stroke> gone = List.copyOf(dusted);
            dusted.clear();
            session.document().preview(null);
            if (!gone.isEmpty()) {
                session.document()
                        .apply(DrawingEdits.erase(
                                landing.level(), session.transport().frame(), gone));
            }
        }
    }

    private void draw(PenSample sample) {
        ink.add(sample);
        Shot shot = session.shot();
        double opacity = shot.level(landing.level()).map(shot::opacityOf).orElse(1.0);
        Rectangle2D touched = new Rectangle2D.Double(before.x(), before.y(), 0, 0);
        touched.add(sample.x(), sample.y());
        // The steadied line lags: what it still has to catch up with lies within its last samples.
        List<PenSample> line = ink.samples();
        for (int i = Math.max(0, line.size() - 6); i < line.size(); i++) {
            touched.add(line.get(i).x(), line.get(i).y());
        }
        double margin = chalk.width();
        touched.setRect(
                touched.getX() - margin,
                touched.getY() - margin,
                touched.getWidth() + 2 * margin,
                touched.getHeight() + 2 * margin);
        board.showPen(new StrokeLayer(ink.soFar(), chalk, opacity), touched);
        before = sample;
    }

    private void dust(PenSample sample) {
        Shot shown = session.document().shownProperty().get();
        List<Stroke> touched = DrawingEdits.touched(
                shown,
                landing.level(),
                session.transport().frame(),
                sample.x(),
                sample.y(),
                DUSTER_RADIUS / board.scale());
        if (!touched.isEmpty()) {
            dusted.addAll(touched);
            session.document()
                    .preview(DrawingEdits.erase(
                            landing.level(), session.transport().frame(), List.copyOf(dusted)));
        }
    }
}
