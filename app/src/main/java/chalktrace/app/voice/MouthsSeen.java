package chalktrace.app.voice;

import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import java.util.List;

/** The mouths that a shot shows, worked out once for each shot and not for each frame that comes to the gate. */
final class MouthsSeen {

    private Shot shot;
    private List<MouthSpan> mouths = List.of();

    /** As {@link MouthLevels#seen}. */
    public List<MouthSpan> of(Shot now) {
        if (now != shot) {
            mouths = MouthLevels.seen(now);
            shot = now;
        }
        return mouths;
    }
}
