package chalktrace.core.edit.drawing;

import chalktrace.core.shot.DrawnOn;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Where one goes on to from a drawing: to the next of its level, and from the last to where the next one belongs.
 *
 * @param frame where that is; the shot's length for {@link Kind#PAST_END}
 */
public record NextDrawing(Kind kind, int frame) {

    /** What is there. */
    public enum Kind {
        /** The next drawing. */
        DRAWN,
        /** Nothing yet, and the next stroke makes it. */
        FREE,
        /** The last drawing, which holds on: the next one would end it here. */
        HELD,
        /** The next one belongs after the end of the shot. */
        PAST_END
    }

    /** @return empty where there is no such level, or one that has one drawing for all frames */
    public static Optional<NextDrawing> of(Shot shot, String levelId, int frame) {
        Optional<Level> level = shot.level(levelId).filter(l -> !l.style().held());
        return level.map(l -> after(shot, l, frame));
    }

    private static NextDrawing after(Shot shot, Level level, int frame) {
        int end = shot.setup().length();
        OptionalInt next = level.exposures().startBeside(frame, 1);
        // What lies beyond the end is there when the shot is longer again.
        if (next.isPresent() && next.getAsInt() < end) {
            return new NextDrawing(Kind.DRAWN, next.getAsInt());
        }
        Optional<Exposure> run = level.exposures().at(frame).filter(here -> !here.isBlank());
        if (run.isPresent() && run.get().end() < end) {
            return new NextDrawing(Kind.FREE, run.get().end());
        }
        // It holds to the end: the next one is a hold on from where it began, or from where one has gone on to within
        // it.
        DrawnOn on = shot.drawnOn(level.id());
        int place = frame + on.framesFrom(shot, frame);
        if (run.isPresent() && on.as().isEmpty()) {
            place -= (frame - run.get().start()) % on.frames();
        }
        if (place >= end) {
            return new NextDrawing(Kind.PAST_END, end);
        }
        return new NextDrawing(run.isPresent() ? Kind.HELD : Kind.FREE, place);
    }
}
