package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * The table of frames against levels, dialogue, mouths, cues, marks and notes. What a row says is worked out when it is asked
 * for, so that a long shot costs nothing until it is looked at.
 */
public final class ExposureSheet {

    /** In place of a number: the drawing above is held. */
    public static final String HOLD = "|";

    public static final String BLANK = "\u00d7";

    private final Shot shot;

    public ExposureSheet(Shot shot) {
        this.shot = shot;
    }

    /**
     * One frame.
     *
     * @param number as it is shown on screen
     * @param mark "key", "breakdown", "in-between" or empty
     * @param cells what each level shows, front to back: a drawing's number where it starts, {@link #HOLD} where it is held,
     *     {@link #BLANK} where a blank starts, empty where nothing is exposed
     */
    public record Row(
            int frame,
            int number,
            String mark,
            List<String> cells,
            String words,
            String mouth,
            String cues,
            String note,
            String camera) {}

    public int rows() {
        return shot.setup().length();
    }

    /** The names of the levels, front to back. */
    public List<String> levels() {
        return shot.levels().stream().map(Level::name).toList();
    }

    public Row row(int frame) {
        List<String> cells = new ArrayList<>();
        for (Level level : shot.levels()) {
            cells.add(cell(level, frame));
        }
        FrameRange here = FrameRange.of(frame, 1);
        return new Row(
                frame,
                shot.setup().number(frame),
                shot.markAt(frame).map(mark -> words(mark.kind())).orElse(""),
                cells,
                shot.words().stream()
                        .filter(word -> startsAt(word.startSeconds(), frame))
                        .map(Word::text)
                        .collect(Collectors.joining(" ")),
                shot.mouthAt(frame)
                        .filter(span -> span.range().start() == here.start())
                        .map(MouthSpan::shape)
                        .orElse(""),
                shot.cues().stream()
                        .filter(cue -> startsAt(cue.seconds(), frame))
                        .map(Cue::name)
                        .collect(Collectors.joining(", ")),
                written(Mark.Kind.NOTE, frame),
                written(Mark.Kind.CAMERA, frame));
    }

    private String written(Mark.Kind kind, int frame) {
        return shot.marks().stream()
                .filter(mark -> mark.frame() == frame && mark.kind() == kind)
                .map(Mark::text)
                .collect(Collectors.joining("; "));
    }

    /** What a level's cell says on a frame. */
    public static String cell(Level level, int frame) {
        Optional<Exposure> run = level.exposures().at(frame);
        return run.map(r -> r.start() != frame ? HOLD : r.isBlank() ? BLANK : Integer.toString(r.drawing()))
                .orElse("");
    }

    private boolean startsAt(double seconds, int frame) {
        return shot.setup().rate().nearestFrame(seconds) == frame;
    }

    private static String words(Mark.Kind kind) {
        return switch (kind) {
            case KEY -> "key";
            case BREAKDOWN -> "breakdown";
            case INBETWEEN -> "in-between";
            case NOTE, CAMERA -> "";
        };
    }
}
