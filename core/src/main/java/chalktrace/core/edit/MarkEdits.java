package chalktrace.core.edit;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Mark;
import java.util.ArrayList;
import java.util.List;

/** Edits of marks on frames and cues in the sound. */
public final class MarkEdits {

    private MarkEdits() {}

    /** Turns the mark of a frame: none, key, breakdown, none. */
    public static Edit turn(int frame) {
        return new Edit("mark", shot -> {
            Mark.Kind now = shot.markAt(frame).map(Mark::kind).orElse(null);
            List<Mark> marks = new ArrayList<>(shot.marks());
            marks.removeIf(mark -> mark.frame() == frame);
            if (now == null) {
                marks.add(new Mark(frame, Mark.Kind.KEY));
            } else if (now == Mark.Kind.KEY) {
                marks.add(new Mark(frame, Mark.Kind.BREAKDOWN));
            }
            return shot.withMarks(marks);
        });
    }

    public static Edit addCue(Cue cue) {
        return new Edit("set a cue", shot -> {
            List<Cue> cues = new ArrayList<>(shot.cues());
            cues.add(cue);
            return shot.withCues(cues);
        });
    }

    /** Puts another cue in the place of the one with its id: moved, renamed or both. */
    public static Edit changeCue(String name, Cue changed) {
        return new Edit(
                name,
                shot -> shot.withCues(shot.cues().stream()
                        .map(cue -> cue.id().equals(changed.id()) ? changed : cue)
                        .toList()));
    }

    public static Edit removeCue(String id) {
        return new Edit(
                "remove a cue",
                shot -> shot.withCues(
                        shot.cues().stream().filter(cue -> !cue.id().equals(id)).toList()));
    }
}
