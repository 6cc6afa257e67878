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
    private Ink ink;

    /** In place of the ink while the chalk follows the picture. */
    private EdgeInk wire;

    private Rectangle2D wireBefore;
    private StrokeLanding landing;
    private Chalk chalk;
    private PenSample before;

    ChalkHand(Session session, BoardView board) {
        this.session = session;
        this.board = board;
    }

    @Override
    public void down(PenSample sample) {
        Shot shot = session.shot();
        landing = session.landing();
        chalk = shot.chalk(session.selection().chalkProperty().get());
        ink = new Ink(chalk.id());
        wire = session.snapping()
                .edges()
                .map(edges -> new EdgeInk(
                        chalk.id(), edges, session.snapping().reachProperty().get()))
                .orElse(null);
        wireBefore = null;
        before = sample;
        draw(sample);
    }

    @Override
    public void move(PenSample sample) {
        draw(sample);
    }

    @Override
    public void up(PenSample sample) {
        Stroke stroke;
        if (wire == null) {
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

    /** The wire may jump anywhere since its last fixed place, so all that it touches now or touched before is shown anew. */
    private void drawAlongEdges(PenSample sample) {
        wire.add(sample);
        Shot shot = session.shot();
        Stroke soFar = wire.stroke();
        Rectangle2D now = grown(StrokeSelection.bounds(soFar));
        Rectangle2D touched = wireBefore == null ? now : now.createUnion(wireBefore);
        wireBefore = now;
        double opacity = shot.level(landing.level()).map(shot::opacityOf).orElse(1.0);
        board.showPen(new StrokeLayer(soFar, chalk, opacity), touched);
    }

    private Rectangle2D grown(Rectangle2D box) {
        double margin = chalk.width() + chalk.line().taperPx();
        return new Rectangle2D.Double(
                box.getX() - margin, box.getY() - margin, box.getWidth() + 2 * margin, box.getHeight() + 2 * margin);
    }

    private void draw(PenSample sample) {
        if (wire != null) {
            drawAlongEdges(sample);
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
