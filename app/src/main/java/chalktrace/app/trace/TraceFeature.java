package chalktrace.app.trace;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.SceneLook;
import chalktrace.app.feature.Feature;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.keys.Action;
import chalktrace.app.keys.Keys;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.session.View.Tool;
import chalktrace.app.trace.rows.NarrowRows;
import chalktrace.app.trace.rows.TraceRows;
import chalktrace.app.trace.tool.ChalkTool;
import chalktrace.app.trace.tool.ColourTool;
import chalktrace.app.trace.tool.DialTool;
import chalktrace.app.trace.tool.DraftLook;
import chalktrace.app.trace.tool.DusterTool;
import chalktrace.app.trace.tool.FillTool;
import chalktrace.app.trace.tool.GuideTool;
import chalktrace.app.trace.tool.PickTool;
import chalktrace.app.trace.work.ColourUnder;
import chalktrace.app.trace.work.DrawingExchange;
import chalktrace.app.trace.work.Picking;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.trace.work.Underlay;
import chalktrace.app.tray.TrayRows;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.shot.Chalk;
import java.nio.file.Path;
import java.util.List;
import javafx.beans.property.BooleanProperty;
import javafx.scene.Node;

/** Levels and their drawings: the tools that draw, what they offer, timing, in-betweens. */
public final class TraceFeature implements Feature {

    /** How far arrows with Shift push. */
    private static final double PUSH_PX = 10;

    private static final List<Action> CHALKS =
            List.of(Action.CHALK_1, Action.CHALK_2, Action.CHALK_3, Action.CHALK_4, Action.CHALK_5, Action.CHALK_6);

    private final Session session;
    private final FileChoice files;
    private final TraceWork work;
    private final PickTool pick;
    private final DialTool widthDial;
    private final DialTool strengthDial;
    private final ColourTool colour;
    private final ColourTool chalkThere;

    public TraceFeature(Session session, FileChoice files) {
        this.session = session;
        this.files = files;
        this.work = new TraceWork(session);
        this.pick = new PickTool(work);
        this.widthDial = new DialTool(session, work.sizes(), DialTool.WIDTH);
        this.strengthDial = new DialTool(session, work.sizes(), DialTool.STRENGTH);
        this.colour = new ColourTool(session, work.colourUnder(), ColourUnder.TAKE);
        this.chalkThere = new ColourTool(session, work.colourUnder(), ColourUnder.FIND_CHALK);
    }

    public TraceWork work() {
        return work;
    }

    @Override
    public List<BoardTool> tools() {
        return List.of(
                new ChalkTool(work),
                new DusterTool(session),
                pick,
                new FillTool(work),
                new GuideTool(session),
                widthDial,
                strengthDial,
                colour,
                chalkThere);
    }

    @Override
    public List<SceneLook> looks() {
        return List.of(new DraftLook(work.inBetweening()));
    }

    @Override
    public List<TrayRows> trayRows() {
        return List.of(new TrayRows(Step.TRACE, () -> List.of(new TraceRows(work, files))));
    }

    @Override
    public List<Node> narrowRows() {
        return List.of(new NarrowRows(work));
    }

    @Override
    public boolean takes(List<Path> dropped) {
        List<Path> drawings =
                dropped.stream().filter(DrawingExchange::isDrawing).toList();
        drawings.forEach(work.drawingExchange()::takeIn);
        return !drawings.isEmpty();
    }

    @Override
    public void actions(Keys keys) {
        Picking picking = work.picking();
        DrawingExchange exchange = work.drawingExchange();
        keys.on(Action.ONION_SKIN, () -> turn(session.view().onionSkinProperty()))
                .on(Action.FOOTAGE_OFF, () -> turn(session.view().footageOffProperty()))
                .on(Action.FOOTAGE_FAINTER, () -> new Underlay(session.document()).fade(-1))
                .on(Action.FOOTAGE_STRONGER, () -> new Underlay(session.document()).fade(1))
                .on(Action.LEVEL_BEFORE, () -> work.levels().go(-1))
                .on(Action.LEVEL_BEHIND, () -> work.levels().go(1))
                .on(Action.LEVEL_SHOWN, work.levels()::showOrHide)
                .on(Action.LEVEL_ALONE, work.levels()::alone)
                .on(Action.THINNER, () -> widen(-1))
                .on(Action.WIDER, () -> widen(1))
                .whileHeld(Action.DIAL_WIDTH, widthDial.heldProperty())
                .whileHeld(Action.DIAL_STRENGTH, strengthDial.heldProperty())
                .whileHeld(Action.TAKE_COLOUR, colour.heldProperty())
                .whileHeld(Action.FIND_CHALK, chalkThere.heldProperty())
                .on(
                        Action.CHALK_OR_DUSTER,
                        () -> hold(session.view().toolProperty().get().equals(Tool.DUSTER) ? Tool.CHALK : Tool.DUSTER))
                .on(Action.PICK, () -> hold(Tool.PICK))
                .on(Action.FILL, () -> hold(Tool.FILL))
                .on(Action.GUIDES, () -> hold(Tool.GUIDES))
                .on(Action.SNAP, () -> turn(work.snapping().onProperty()))
                .onWhile(Action.NUDGE_LEFT, session.selection()::isPicked, () -> picking.nudge(-1, 0))
                .onWhile(Action.NUDGE_RIGHT, session.selection()::isPicked, () -> picking.nudge(1, 0))
                .on(Action.NUDGE_UP, () -> picking.nudge(0, -1))
                .on(Action.NUDGE_DOWN, () -> picking.nudge(0, 1))
                .on(Action.PUSH_LEFT, () -> picking.nudge(-PUSH_PX, 0))
                .on(Action.PUSH_RIGHT, () -> picking.nudge(PUSH_PX, 0))
                .on(Action.PUSH_UP, () -> picking.nudge(0, -PUSH_PX))
                .on(Action.PUSH_DOWN, () -> picking.nudge(0, PUSH_PX))
                .onWhile(Action.PUT_AWAY, session.selection()::isPicked, picking::putAway)
                .on(Action.COPY, exchange::copy)
                .on(Action.CUT, exchange::cut)
                .on(Action.PASTE, exchange::paste)
                .on(Action.DUPLICATE, picking::duplicate)
                .on(Action.PICK_ALL, picking::all)
                .onWhile(Action.REMOVE, pick::canRemove, pick::remove)
                .on(Action.DRAWING_ON, work.onward()::next)
                .on(Action.NEXT_COPIED, work.onward()::nextCopied)
                .on(Action.NEW_DRAWING, work.onward()::newHere)
                .on(Action.NEW_COPIED, work.onward()::newCopied)
                .on(Action.HOLD_LONGER, () -> exposeLonger(1))
                .on(Action.HOLD_SHORTER, () -> exposeLonger(-1));
        for (int i = 0; i < CHALKS.size(); i++) {
            int index = i;
            keys.on(CHALKS.get(i), () -> takeChalk(index));
        }
    }

    private static void turn(BooleanProperty property) {
        property.set(!property.get());
    }

    private void hold(Tool tool) {
        session.view().toolProperty().set(tool);
    }

    private void takeChalk(int index) {
        List<Chalk> chalks = session.shot().chalks();
        if (index < chalks.size()) {
            session.selection().chalkProperty().set(chalks.get(index).id());
            hold(Tool.CHALK);
        }
    }

    private void widen(int direction) {
        work.sizes().widen(session.view().toolProperty().get(), direction);
    }

    private void exposeLonger(int byFrames) {
        session.document()
                .apply(DrawingEdits.hold(
                        String.valueOf(session.selection().level()),
                        session.transport().frame(),
                        byFrames));
    }
}
