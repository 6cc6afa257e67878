package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.guide.Guide;
import chalktrace.core.render.StrokeLayer;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.ClosedShape;
import chalktrace.core.stroke.DraggedEllipse;
import chalktrace.core.stroke.EdgeInk;
import chalktrace.core.stroke.EdgeMap;
import chalktrace.core.stroke.GuidedInk;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.StraightLine;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeMaker;
import chalktrace.core.stroke.StrokeSelection;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;

/** Draws with the chalk in hand. */
final class ChalkHand implements Hand {

    /** How near a guide a line has to start to run along it, in the board's own pixels. */
    private static final double GUIDE_REACH_PX = 10;

    private final TraceWork work;
    private final Session session;
    private final BoardView board;
    private StrokeMaker line;

    /** In place of a free line while Shift is held; fed all the time, so that Shift may come and go. */
    private StraightLine ruled;

    /** Whether Shift is held. */
    private final ReadOnlyBooleanProperty ruling;

    private boolean free;
    private Rectangle2D wholeBefore;
    private StrokeLanding landing;
    private Chalk chalk;

    /** Of the level that is drawn on. */
    private double opacity;

    /** How far what is drawn may reach beyond its line, in pixels of the shot. */
    private double margin;

    ChalkHand(TraceWork work, BoardView board) {
        this.work = work;
        this.session = work.session();
        this.board = board;
        this.ruling = session.view().shiftHeldProperty();
    }

    @Override
    public void down(PenSample sample) {
        landing = session.landing();
        chalk = session.shot().chalk(session.selection().chalkProperty().get());
        free = session.view().lineKindProperty().get() == View.LineKind.FREE;
        line = maker();
        ruled = new StraightLine(chalk.id());
        wholeBefore = null;
        Shot shot = session.shot();
        opacity = shot.level(landing.level()).map(shot::opacityOf).orElse(1.0);
        margin = chalk.width() + chalk.line().taperPx();
        draw(sample);
    }

    @Override
    public void move(PenSample sample) {
        draw(sample);
    }

    @Override
    public void up(PenSample sample) {
        line.add(sample);
        ruled.add(sample);
        keep();
    }

    /** What was drawn before the pen was lost stays. */
    @Override
    public void lost() {
        keep();
    }

    @Override
    public void giveUp() {
        line = null;
        board.endPen();
        board.composeAll();
    }

    @Override
    public boolean isBusy() {
        return line != null;
    }

    private void keep() {
        Stroke stroke = now().finish();
        line = null;
        board.endPen();
        if (session.view().withinPaintProperty().get()) {
            board.composeAll();
            work.painting().paintWithin(stroke);
        } else {
            session.document().apply(landing.draw(stroke));
        }
    }

    private StrokeMaker maker() {
        Ink ink = new Ink(
                chalk.id(),
                session.view().steadinessProperty().get(),
                board.scale(),
                chalk.line().pressureShown());
        return switch (session.view().lineKindProperty().get()) {
            case STRAIGHT -> new StraightLine(chalk.id());
            case ELLIPSE ->
                new DraggedEllipse(
                        chalk.id(), session.view().shiftHeldProperty().get());
            case CLOSED -> new ClosedShape(ink);
            case FREE -> {
                Optional<EdgeMap> edges = work.snapping().edges();
                if (edges.isPresent()) {
                    yield new EdgeInk(
                            chalk.id(),
                            edges.get(),
                            work.snapping().reachProperty().get());
                }
                List<Guide> guides = session.view().snapToGuidesProperty().get()
                                && session.view().guidesShownProperty().get()
                        ? session.shot().guides(session.transport().frame())
                        : List.of();
                yield guides.isEmpty() ? ink : new GuidedInk(ink, guides, GUIDE_REACH_PX / board.scale());
            }
        };
    }

    private StrokeMaker now() {
        return free && ruling.get() ? ruled : line;
    }

    private void draw(PenSample sample) {
        line.add(sample);
        ruled.add(sample);
        Stroke soFar = now().soFar();
        board.showPen(
                new StrokeLayer(soFar, chalk, opacity),
                now().changed().map(this::end).orElseGet(() -> whole(soFar)));
    }

    /** All that a line touches now or touched before, as it may be anywhere else with the next sample. */
    private Rectangle2D whole(Stroke soFar) {
        Rectangle2D now = grown(StrokeSelection.bounds(soFar));
        Rectangle2D touched = wholeBefore == null ? now : now.createUnion(wholeBefore);
        wholeBefore = now;
        return touched;
    }

    private Rectangle2D end(Rectangle2D changed) {
        Rectangle2D box = grown(changed);
        // Where Shift has just been let go the ruled line has to vanish.
        Rectangle2D all = wholeBefore == null ? box : box.createUnion(wholeBefore);
        wholeBefore = null;
        return all;
    }

    private Rectangle2D grown(Rectangle2D box) {
        return new Rectangle2D.Double(
                box.getX() - margin, box.getY() - margin, box.getWidth() + 2 * margin, box.getHeight() + 2 * margin);
    }
}
