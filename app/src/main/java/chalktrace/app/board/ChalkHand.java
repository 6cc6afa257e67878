package chalktrace.app.board;

import chalktrace.app.session.Session;
import chalktrace.core.edit.StrokeLanding;
import chalktrace.core.render.StrokeLayer;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.Rectangle2D;
import java.util.List;

/** Draws with the chalk in hand. */
final class ChalkHand implements Hand {

    private final Session session;
    private final BoardView board;
    private Ink ink;
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
        before = sample;
        draw(sample);
    }

    @Override
    public void move(PenSample sample) {
        draw(sample);
    }

    @Override
    public void up(PenSample sample) {
        ink.add(sample);
        Stroke stroke = ink.finish();
        ink = null;
        board.endPen();
        session.document().apply(landing.draw(stroke));
    }

    @Override
    public void giveUp() {
        ink = null;
        board.endPen();
        board.composeAll();
    }

    @Override
    public boolean isBusy() {
        return ink != null;
    }

    private void draw(PenSample sample) {
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
        double margin = chalk.width() + chalk.line().taperPx();
        touched.setRect(
                touched.getX() - margin,
                touched.getY() - margin,
                touched.getWidth() + 2 * margin,
                touched.getHeight() + 2 * margin);
        board.showPen(new StrokeLayer(ink.soFar(), chalk, opacity), touched);
        before = sample;
    }
}
