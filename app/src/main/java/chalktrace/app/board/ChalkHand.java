package chalktrace.app.board;

import chalktrace.app.session.Session;
import chalktrace.core.edit.StrokeLanding;
import chalktrace.core.render.StrokeLayer;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.EdgeInk;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import java.awt.geom.Rectangle2D;
import java.util.List;

/** Draws with the chalk in hand. */
final class ChalkHand implements Hand {

    private final Session session;
    private final BoardView board;
    /** A ruled line is seldom meant to be faint. */
    private static final double STRAIGHT_PRESSURE = 0.6;

    private Ink ink;

    /** In place of the ink while the chalk follows the picture. */
    private EdgeInk wire;

    private Rectangle2D wholeBefore;
    private StrokeLanding landing;
    private Chalk chalk;
    private PenSample before;
    private PenSample first;

    ChalkHand(Session session, BoardView board) {
        this.session = session;
        this.board = board;
    }

    @Override
    public void down(PenSample sample) {
        Shot shot = session.shot();
        landing = session.landing();
        chalk = shot.chalk(session.selection().chalkProperty().get());
        ink = new Ink(chalk.id(), session.view().steadinessProperty().get());
        wire = session.snapping()
                .edges()
                .map(edges -> new EdgeInk(
                        chalk.id(), edges, session.snapping().reachProperty().get()))
                .orElse(null);
        wholeBefore = null;
        before = sample;
        first = sample;
        draw(sample);
    }

    @Override
    public void move(PenSample sample) {
        draw(sample);
    }

    @Override
    public void up(PenSample sample) {
        Stroke stroke;
        if (session.view().shiftHeldProperty().get()) {
            stroke = straightTo(sample);
        } else if (wire == null) {
            ink.add(sample);
            stroke = ink.finish();
        } else {
            wire.add(sample);
            stroke = wire.stroke();
        }
        ink = null;
        wire = null;
        board.endPen();
        session.document().apply(landing.draw(stroke));
    }

    @Override
    public void giveUp() {
        ink = null;
        wire = null;
        board.endPen();
        board.composeAll();
    }

    @Override
    public boolean isBusy() {
        return ink != null;
    }

    /** A line that may be anywhere else with the next sample: all that it touches now or touched before is shown anew. */
    private void showWhole(Stroke soFar) {
        Shot shot = session.shot();
        Rectangle2D now = grown(StrokeSelection.bounds(soFar));
        Rectangle2D touched = wholeBefore == null ? now : now.createUnion(wholeBefore);
        wholeBefore = now;
        double opacity = shot.level(landing.level()).map(shot::opacityOf).orElse(1.0);
        board.showPen(new StrokeLayer(soFar, chalk, opacity), touched);
    }

    private Stroke straightTo(PenSample sample) {
        return Stroke.straight(
                chalk.id(),
                first.x(),
                first.y(),
                sample.x(),
                sample.y(),
                Math.max(STRAIGHT_PRESSURE, sample.pressure()));
    }

    private Rectangle2D grown(Rectangle2D box) {
        double margin = chalk.width() + chalk.line().taperPx();
        return new Rectangle2D.Double(
                box.getX() - margin, box.getY() - margin, box.getWidth() + 2 * margin, box.getHeight() + 2 * margin);
    }

    private void draw(PenSample sample) {
        if (session.view().shiftHeldProperty().get()) {
            ink.add(sample);
            showWhole(straightTo(sample));
            return;
        }
        if (wire != null) {
            wire.add(sample);
            showWhole(wire.stroke());
            return;
        }
        ink.add(sample);
        Shot shot = session.shot();
        double opacity = shot.level(landing.level()).map(shot::opacityOf).orElse(1.0);
        Rectangle2D touched = new Rectangle2D.Double(before.x(), before.y(), 0, 0);
        touched.add(sample.x(), sample.y());
        // The steadied line lags: what it still has to catch up with lies within its last samples. A tapered end moves
        // too.
        List<PenSample> line = ink.samples();
        for (int i = Math.max(0, line.size() - 6); i < line.size(); i++) {
            touched.add(line.get(i).x(), line.get(i).y());
        }
        board.showPen(new StrokeLayer(ink.soFar(), chalk, opacity), grown(touched));
        before = sample;
    }
}
