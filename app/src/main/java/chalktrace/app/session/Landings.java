package chalktrace.app.session;

import chalktrace.app.kernel.Selection;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Says in words where the next stroke lands. */
public final class Landings {

    private static final int MOST_TIES = 3;

    private Landings() {}

    /** Where the next stroke lands on a shot; where each step is to be a drawing, not on one that began in an earlier step. */
    public static StrokeLanding next(Shot shot, Selection selection, Transport transport, View view) {
        String level = String.valueOf(selection.level());
        int frame = transport.frame();
        Optional<Exposure> shown = shot.level(level).flatMap(l -> l.exposures().at(frame));
        boolean begins = shown.filter(run -> run.start() == frame).isPresent();
        boolean laterStep = shown.filter(run -> !run.isBlank()
                        && run.start()
                                < shot.drawnOn(level).placeAt(shot, frame).start())
                .isPresent();
        if (view.eachStepProperty().get() && laterStep) {
            return StrokeLanding.onItsPlace(shot, level, frame).orElseGet(() -> StrokeLanding.of(shot, level, frame));
        }
        return !begins
                        && new View.Awaited(level, frame)
                                .equals(view.awaitedProperty().get())
                ? StrokeLanding.takingOver(shot, level, frame)
                : StrokeLanding.of(shot, level, frame);
    }

    /** "drawing 3, frames 5 to 8, linked at 21", with the level's name before it, or why nothing can be drawn. */
    public static String words(Shot shot, StrokeLanding landing) {
        if (!landing.canDraw()) {
            return refusal(shot, landing);
        }
        return levelName(shot, landing) + ": " + withoutLevel(shot, landing);
    }

    /** "drawing 3, frames 5 to 8, linked at 21", of one that can be drawn. */
    public static String withoutLevel(Shot shot, StrokeLanding landing) {
        ShotSetup setup = shot.setup();
        String drawing = landing.kind() == StrokeLanding.Kind.NEW_DRAWING
                ? Words.TRACE.of("new-drawing", landing.drawing())
                : Words.TRACE.of("drawing", landing.drawing());
        String words = drawing + ", " + frames(setup, landing.frames());
        return landing.tiedAt().isEmpty()
                ? words
                : Words.TRACE.of("linked-at", words, firstOf(setup, landing.tiedAt(), MOST_TIES));
    }

    /** The numbers of some frames, and how many there are more. */
    static String firstOf(ShotSetup setup, List<Integer> frames, int most) {
        String first = frames.stream()
                .limit(most)
                .map(frame -> Integer.toString(setup.number(frame)))
                .collect(Collectors.joining(", "));
        return frames.size() > most ? Words.TRACE.of("and-more", first, frames.size() - most) : first;
    }

    /** Why a stroke was refused, and what mends it. */
    public static String refusal(Shot shot, StrokeLanding landing) {
        String name = levelName(shot, landing);
        return switch (landing.kind()) {
            case LOCKED -> Words.TRACE.of("is-locked-unlock-it-or", name);
            case HIDDEN -> Words.TRACE.of("is-hidden-show-it-or", name);
            default -> Words.TRACE.of("there-is-no-level-to");
        };
    }

    private static String frames(ShotSetup setup, FrameRange frames) {
        return frames.frames() == 1
                ? Words.TRACE.of("frame-number", setup.number(frames.start()))
                : Words.TRACE.of("frames-to", setup.number(frames.start()), setup.number(frames.last()));
    }

    private static String levelName(Shot shot, StrokeLanding landing) {
        return shot.level(landing.level()).map(Level::name).orElse(Words.TRACE.of("the-level"));
    }
}
