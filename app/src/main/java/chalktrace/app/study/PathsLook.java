package chalktrace.app.study;

import chalktrace.app.board.SceneLook;
import chalktrace.app.controls.Colors;
import chalktrace.app.session.View;
import chalktrace.app.theme.Theme;
import chalktrace.core.render.PathLayer;
import chalktrace.core.render.Scene;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.Observable;

/** The paths of the tracked points over the frame, in the Study step and while points are touched. */
final class PathsLook implements SceneLook {

    /** With more points than these, only the chosen one shows its smoothed arc, and a line with a dark edge; the dots of all have one. */
    private static final int MOST_WHOLE = 5;

    private final StudyWork work;

    PathsLook(StudyWork work) {
        this.work = work;
    }

    boolean isShown() {
        View view = work.session().view();
        return !work.movingProperty().get().isEmpty()
                && (view.stepProperty().get() == View.Step.STUDY
                        || view.toolProperty().get().equals(TrackTool.TOOL));
    }

    @Override
    public Scene over(Scene scene, Moment moment) {
        if (!isShown()) {
            return scene;
        }
        List<StudyWork.MovingTrack> moving = work.movingProperty().get();
        return scene.with(new PathLayer(
                moving.stream().map(track -> path(track, moving.size())).toList(),
                moment.frame(),
                marks(moment.shot(), moment.frame()),
                Colors.rgb(Theme.tones().window()),
                moment.deviceScale()));
    }

    private PathLayer.Path path(StudyWork.MovingTrack moving, int all) {
        boolean chosen = moving.track().id().equals(work.chosenProperty().get());
        return new PathLayer.Path(
                moving.movement(),
                moving.smoothed(),
                moving.track().color(),
                moving.isDrawn(),
                chosen,
                chosen || all <= MOST_WHOLE);
    }

    private static Map<Integer, Mark.Kind> marks(Shot shot, int frame) {
        Map<Integer, Mark.Kind> out = new HashMap<>();
        for (int near = frame - PathLayer.SPAN; near <= frame + PathLayer.SPAN; near++) {
            int at = near;
            shot.markAt(at).ifPresent(mark -> out.put(at, mark.kind()));
        }
        return out;
    }

    @Override
    public List<Observable> changes() {
        View view = work.session().view();
        return List.of(work.movingProperty(), work.chosenProperty(), view.stepProperty(), view.toolProperty());
    }
}
