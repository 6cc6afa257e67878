package chalktrace.core.edit.timing;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Edits of cues: what meets them, and bringing the two together. */
public final class CueEdits {

    private CueEdits() {}

    /** Puts several cues at once, such as candidates that were kept. */
    public static Edit add(List<Cue> more) {
        return new Edit(EditWords.TEXTS.count("set-cues", more.size()), shot -> {
            List<Cue> cues = new ArrayList<>(shot.cues());
            for (Cue cue : more) {
                cues.add(new Cue(shot.withCues(cues).newId("cue"), cue.name(), cue.seconds(), cue.kind(), cue.tie()));
            }
            return shot.withCues(cues);
        });
    }

    public static Edit change(String name, String id, UnaryOperator<Cue> change) {
        return new Edit(
                name,
                shot -> shot.withCues(shot.cues().stream()
                        .map(cue -> cue.id().equals(id) ? change.apply(cue) : cue)
                        .toList()));
    }

    /**
     * Ties a cue to what is at a frame: the showing that a level has there, by its first frame, or else the shot's mark, or
     * the frame itself.
     *
     * @param level whose showing is meant; none for a mark of the shot
     */
    public static Edit tie(String id, Optional<String> level, int frame) {
        return new Edit(EditWords.TEXTS.of("link-a-cue"), shot -> change(EditWords.TEXTS.of("link-a-cue"), id, cue -> {
                    int start = level.flatMap(shot::level)
                            .flatMap(l -> l.exposures().at(frame))
                            .map(run -> run.start())
                            .orElse(frame);
                    double lead = cue.tie().map(Cue.Tie::leadFrames).orElse(0.0);
                    return cue.withTie(Optional.of(new Cue.Tie(level, start, lead)));
                })
                .change()
                .apply(shot));
    }

    /** Sets how much earlier than its picture a cue is meant to sound. */
    public static Edit lead(String id, double frames) {
        return change(
                EditWords.TEXTS.of("lead-of-a-cue"),
                id,
                cue -> cue.withTie(cue.tie().map(tie -> tie.withLead(frames))));
    }

    /** How much later a cue must sound to meet its picture, with its lead, in seconds; 0 for one that is tied to nothing. */
    public static double secondsToPicture(Shot shot, String id) {
        return find(shot, id)
                .flatMap(cue -> cue.tie()
                        .map(tie -> shot.setup().rate().seconds(tie.frame())
                                - tie.leadFrames() / shot.setup().rate().framesPerSecond()
                                - cue.seconds()))
                .orElse(0.0);
    }

    /** Moves the showing, or the mark, that a cue is tied to so that it meets the sound, to the nearest frame. */
    public static Edit movePicture(String id) {
        return new Edit(EditWords.TEXTS.of("move-a-picture-to-its-sound"), shot -> {
            Optional<Cue> cue = find(shot, id).filter(found -> found.tie().isPresent());
            if (cue.isEmpty()) {
                return shot;
            }
            Cue.Tie tie = cue.get().tie().orElseThrow();
            double wanted =
                    cue.get().seconds() + tie.leadFrames() / shot.setup().rate().framesPerSecond();
            int to = shot.setup().clamp(shot.setup().rate().nearestFrame(wanted));
            Shot moved = tie.level().isPresent()
                    ? DrawingEdits.moveShowing(tie.level().get(), tie.frame(), to)
                            .change()
                            .apply(shot)
                    : shot.withMarks(marksMoved(shot, tie.frame(), to));
            return moved == shot && tie.level().isPresent()
                    ? shot
                    : change("", id, c -> c.withTie(c.tie().map(t -> t.withFrame(to))))
                            .change()
                            .apply(moved);
        });
    }

    /** A shot's pose mark goes along; one that it comes to lie on goes. */
    private static List<Mark> marksMoved(Shot shot, int from, int to) {
        boolean goes = from != to && shot.markAt(from).isPresent();
        return shot.marks().stream()
                .filter(mark -> !(goes && mark.isOfShot() && mark.isPose() && mark.frame() == to))
                .map(mark -> mark.isOfShot() && mark.isPose() && mark.frame() == from ? mark.withFrame(to) : mark)
                .toList();
    }

    private static Optional<Cue> find(Shot shot, String id) {
        return shot.cues().stream().filter(cue -> cue.id().equals(id)).findFirst();
    }

    /** A row of cues on each beat of music. @param name of each, numbered */
    public static Edit beats(String name, double firstSeconds, double secondsPerBeat, double endSeconds) {
        List<Cue> cues = new ArrayList<>();
        for (int i = 0; firstSeconds + i * secondsPerBeat < endSeconds; i++) {
            cues.add(new Cue(
                    "", name + " " + (i + 1), firstSeconds + i * secondsPerBeat, Cue.Kind.BEAT, Optional.empty()));
        }
        return add(cues);
    }
}
