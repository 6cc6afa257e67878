package chalktrace.app.space;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.board.BoardTool;
import chalktrace.app.cards.CardRows;
import chalktrace.app.feature.Feature;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import java.util.List;
import java.util.Set;
import javafx.scene.layout.Region;

/** Models in space: their card, their camera on the board and on the bench, their views beside the board. */
public final class SpaceFeature implements Feature {

    /** Under the picture. */
    private static final int LANE_ORDER = 150;

    private final CameraWork work;
    private final ViewsStrip views;

    public SpaceFeature(Session session) {
        work = new CameraWork(session);
        views = new ViewsStrip(work);
    }

    @Override
    public List<BoardTool> tools() {
        return List.of(new CameraTool(work));
    }

    @Override
    public List<LaneKind> lanes() {
        return List.of(new LaneKind(
                LANE_ORDER,
                Set.of(Step.GATHER, Step.STUDY, Step.TRACE),
                shot -> shot.footage().stream().anyMatch(clip -> clip.staging().isPresent() && clip.visible()),
                (session, scale) -> new CameraLane(work, scale)));
    }

    @Override
    public List<CardRows> cardRows() {
        return List.of(new ModelCardRows(work));
    }

    @Override
    public List<Region> beside() {
        return List.of(views);
    }
}
