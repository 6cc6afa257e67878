package chalktrace.app.window;

import chalktrace.app.session.Session;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import java.util.stream.IntStream;

/** Steps that are longer than a frame. */
final class Steps {

    private final Session session;

    Steps(Session session) {
        this.session = session;
    }

    /** To the nearest mark in a direction; nowhere when there is none. */
    void mark(int direction) {
        to(session.shot().marks().stream().mapToInt(Mark::frame), direction);
    }

    /** To the start of the nearest drawing of the current level in a direction. */
    void drawing(int direction) {
        to(
                session.shot().level(String.valueOf(session.selection().level())).map(Level::exposures).stream()
                        .flatMap(exposures -> exposures.runs().stream())
                        .filter(run -> !run.isBlank())
                        .mapToInt(Exposure::start),
                direction);
    }

    private void to(IntStream frames, int direction) {
        int now = session.transport().frame();
        (direction > 0
                        ? frames.filter(frame -> frame > now).min()
                        : frames.filter(frame -> frame < now).max())
                .ifPresent(session.transport()::go);
    }
}
