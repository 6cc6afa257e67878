package chalktrace.app.study;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.SceneLook;
import chalktrace.app.feature.Feature;
import chalktrace.app.feature.TakesWay;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.tray.TrayRows;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;

/** The reference measured: points that are tracked, their paths over the board, their graph on the bench, and what they propose. */
public final class StudyFeature implements Feature {

    /** Right under the marks. */
    private static final int LANE_ORDER = 220;

    private final StudyWork work;
    private final StudyProposals proposals;
    private final FileChoice files;
    private final PathsLook paths;

    /** @param inBetweens take the way of a point when that is asked for */
    public StudyFeature(Session session, FileChoice files, TakesWay inBetweens) {
        this.work = new StudyWork(session, inBetweens);
        this.proposals = new StudyProposals(session, work);
        this.files = files;
        this.paths = new PathsLook(work);
    }

    @Override
    public List<SceneLook> looks() {
        return List.of(paths);
    }

    @Override
    public List<BoardTool> tools() {
        return List.of(new TrackTool(work));
    }

    @Override
    public List<Node> overlays(BoardView board) {
        new HoldStill(work, board);
        return List.of(new PathWords(work, board, paths));
    }

    @Override
    public List<LaneKind> lanes() {
        return List.of(new LaneKind(
                LANE_ORDER, Set.of(Step.STUDY), (session, scale) -> new GraphLane(work, scale, GraphLane.HEIGHT)));
    }

    @Override
    public List<LaneKind> overBoard() {
        return List.of(new LaneKind(LANE_ORDER, Set.of(Step.STUDY), (session, scale) -> {
            GraphLane large = new GraphLane(work, scale, GraphLane.LARGE_HEIGHT);
            large.setId("large-graph");
            large.visibleProperty()
                    .bind(work.largeGraphProperty()
                            .and(session.view().stepProperty().isEqualTo(Step.STUDY))
                            .and(session.view().sheetProperty().not()));
            return large;
        }));
    }

    @Override
    public List<TrayRows> trayRows() {
        return List.of(new TrayRows(
                Step.STUDY,
                () -> List.of(
                        new PointRows(work, files),
                        new DrawnRows(work),
                        new MeasureRows(work, proposals),
                        new SquashRows(work.session()),
                        new ProposalRows(work, proposals),
                        new MarkRows(work.session()))));
    }
}
