package chalktrace.core.edit.timing;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Mark;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Edits of marks on frames and cues in the sound. */
public final class MarkEdits {

    private MarkEdits() {}

    /** Turns the shot's mark of a frame: none, key, breakdown, in-between, none. */
    public static Edit turn(int frame) {
        return turn(frame, Optional.empty());
    }

    /** As {@link #turn(int)}, of a level's own mark. */
    public static Edit turn(int frame, Optional<String> level) {
        return new Edit(EditWords.TEXTS.of("mark"), shot -> {
            List<Mark> marks = new ArrayList<>(shot.marks());
            Optional<Mark> now = marks.stream()
                    .filter(mark -> mark.frame() == frame && mark.level().equals(level) && mark.isPose())
                    .findFirst();
            now.ifPresent(marks::remove);
            now.map(Mark::kind)
                    .map(MarkEdits::after)
                    .orElse(Optional.of(Mark.Kind.KEY))
                    .ifPresent(kind -> marks.add(new Mark(frame, kind, level, "")));
            return shot.withMarks(marks);
        });
    }

    private static Optional<Mark.Kind> after(Mark.Kind kind) {
        return switch (kind) {
            case KEY -> Optional.of(Mark.Kind.BREAKDOWN);
            case BREAKDOWN -> Optional.of(Mark.Kind.INBETWEEN);
            case INBETWEEN, NOTE, CAMERA -> Optional.empty();
        };
    }

    /** Writes a note for a frame of the shot; an empty one takes it away. */
    public static Edit note(int frame, String text) {
        return written(Mark.Kind.NOTE, frame, text);
    }

    /** As {@link #note}, of what the camera does. */
    public static Edit camera(int frame, String text) {
        return written(Mark.Kind.CAMERA, frame, text);
    }

    private static Edit written(Mark.Kind kind, int frame, String text) {
        return new Edit(EditWords.TEXTS.of("note"), shot -> {
            List<Mark> marks = new ArrayList<>(shot.marks());
            marks.removeIf(mark -> mark.frame() == frame && mark.isOfShot() && mark.kind() == kind);
            if (!text.isBlank()) {
                marks.add(new Mark(frame, kind, Optional.empty(), text.strip()));
            }
            return shot.withMarks(marks);
        });
    }

    public static Edit addCue(Cue cue) {
        return new Edit(EditWords.TEXTS.of("set-a-cue"), shot -> {
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
                EditWords.TEXTS.of("remove-a-cue"),
                shot -> shot.withCues(
                        shot.cues().stream().filter(cue -> !cue.id().equals(id)).toList()));
    }
}
