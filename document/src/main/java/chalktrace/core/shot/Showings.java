package chalktrace.core.shot;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.IntUnaryOperator;

/** Lets what belongs to a showing, the ties of cues and the marks of levels, stay with it when showings have moved. */
public final class Showings {

    private final Shot before;
    private final Shot after;

    private Showings(Shot before, Shot after) {
        this.before = before;
        this.after = after;
    }

    /**
     * Moves the ties and marks of levels whose showings have changed along with these.
     *
     * @param after with the showings changed, its ties and marks not yet
     * @param frame where a frame of these levels has come to, if what it shows does not say so
     */
    public static Shot followed(Shot before, Shot after, IntUnaryOperator frame) {
        Showings showings = new Showings(before, after);
        List<Cue> cues = after.cues().stream()
                .map(cue -> cue.withTie(cue.tie()
                        .map(tie -> showings.moved(tie.level())
                                ? tie.withFrame(showings.place(tie.level(), tie.frame(), frame.applyAsInt(tie.frame())))
                                : tie)))
                .toList();
        List<Mark> marks = new ArrayList<>();
        for (Mark mark : after.marks()) {
            marks.add(
                    showings.moved(mark.level())
                            ? mark.withFrame(showings.place(mark.level(), mark.frame(), frame.applyAsInt(mark.frame())))
                            : mark);
        }
        return cues.equals(after.cues()) && marks.equals(after.marks())
                ? after
                : after.withCues(cues).withMarks(onePose(marks));
    }

    /** As a change moved everything: the same, where showings that were too short pushed others on. */
    static Shot settled(Shot before, Shot after, FrameChange change) {
        Showings showings = new Showings(before, after);
        Map<String, Cue> was = new TreeMap<>();
        before.cues().forEach(cue -> was.put(cue.id(), cue));
        List<Cue> cues = after.cues().stream()
                .map(cue -> cue.withTie(was.get(cue.id())
                        .tie()
                        .map(tie -> change.reach().covers(tie.level())
                                ? tie.withFrame(showings.place(tie.level(), tie.frame(), change.frame(tie.frame())))
                                : tie)))
                .toList();
        List<Mark> marks = new ArrayList<>();
        for (Mark mark : before.marks()) {
            mark.moved(change)
                    .map(moved -> change.reach().covers(mark.level())
                            ? moved.withFrame(showings.place(mark.level(), mark.frame(), moved.frame()))
                            : moved)
                    .ifPresent(marks::add);
        }
        return after.withCues(cues).withMarks(onePose(marks));
    }

    private boolean moved(Optional<String> level) {
        return level.isPresent()
                && !before.level(level.get())
                        .map(Level::exposures)
                        .equals(after.level(level.get()).map(Level::exposures));
    }

    /** Where the showing that starts on a frame starts now; otherwise the frame that is given. */
    private int place(Optional<String> level, int was, int otherwise) {
        Optional<Exposure> showing = level.flatMap(before::level)
                .flatMap(there -> there.exposures().at(was))
                .filter(run -> run.start() == was);
        if (showing.isEmpty()) {
            return Math.max(0, otherwise);
        }
        return after.level(level.get())
                .flatMap(there -> there.exposures().showing(showing.get().drawing()).stream()
                        .min(Comparator.comparingInt(run -> distance(run, otherwise))))
                .map(Exposure::start)
                .orElse(Math.max(0, otherwise));
    }

    private static int distance(Exposure run, int frame) {
        return run.range().contains(frame) ? 0 : Math.min(Math.abs(run.start() - frame), Math.abs(run.last() - frame));
    }

    /** Of two poses of the shot, or of a level, that come onto one frame the key stays; notes all stay. */
    static List<Mark> onePose(List<Mark> marks) {
        Map<String, Mark> poses = new TreeMap<>();
        List<Mark> out = new ArrayList<>();
        for (Mark mark : marks) {
            if (mark.isPose()) {
                poses.merge(
                        mark.frame() + " " + mark.level().orElse(""),
                        mark,
                        (a, b) -> a.kind().compareTo(b.kind()) <= 0 ? a : b);
            } else {
                out.add(mark);
            }
        }
        out.addAll(poses.values());
        return out;
    }
}
