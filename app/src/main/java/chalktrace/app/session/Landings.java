package chalktrace.app.session;

import chalktrace.app.kernel.Selection;
import chalktrace.app.sound.Transport;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRange;
import java.util.stream.Collectors;

/** Says in words where the next stroke lands. */
public final class Landings {

    private Landings() {}

    /** Where the next stroke lands on a shot. */
    static StrokeLanding next(Shot shot, Selection selection, Transport transport, View view) {
        return StrokeLanding.of(
                shot,
                String.valueOf(selection.level()),
                transport.frame(),
                view.holdFramesProperty().get());
    }

    /** "drawing 3, frames 5 to 8, linked at 21", with the level's name before it, or why nothing can be drawn. */
    public static String words(Shot shot, StrokeLanding landing) {
        if (!landing.canDraw()) {
            return refusal(shot, landing);
        }
        ShotSetup setup = shot.setup();
        String drawing =
                (landing.kind() == StrokeLanding.Kind.NEW_DRAWING ? "new drawing " : "drawing ") + landing.drawing();
        String ties = landing.tiedAt().isEmpty()
                ? ""
                : ", linked at "
                        + landing.tiedAt().stream()
                                .limit(3)
                                .map(start -> Integer.toString(setup.number(start)))
                                .collect(Collectors.joining(", "))
                        + (landing.tiedAt().size() > 3
                                ? " and " + (landing.tiedAt().size() - 3) + " more"
                                : "");
        return levelName(shot, landing) + ": " + drawing + ", " + frames(setup, landing.frames()) + ties;
    }

    /** Why a stroke was refused, and what mends it. */
    public static String refusal(Shot shot, StrokeLanding landing) {
        String name = levelName(shot, landing);
        return switch (landing.kind()) {
            case LOCKED -> name + " is locked: unlock it, or choose another level";
            case HIDDEN -> name + " is hidden: show it, or choose another level";
            default -> "There is no level to draw on: add one in the Trace tray";
        };
    }

    private static String frames(ShotSetup setup, FrameRange frames) {
        return frames.frames() == 1
                ? "frame " + setup.number(frames.start())
                : "frames " + setup.number(frames.start()) + " to " + setup.number(frames.last());
    }

    private static String levelName(Shot shot, StrokeLanding landing) {
        return shot.level(landing.level()).map(Level::name).orElse("The level");
    }
}
