package chalktrace.app.notes;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.feature.Feature;
import chalktrace.app.session.View.Step;
import java.util.List;
import java.util.Set;

/** What the artist writes for frames, as a strip of the bench. */
public final class NotesFeature implements Feature {

    /** Right under the marks. */
    private static final int ORDER = 250;

    @Override
    public List<LaneKind> lanes() {
        return List.of(new LaneKind(ORDER, Set.of(Step.STUDY, Step.FINISH), NoteLane::new));
    }
}
