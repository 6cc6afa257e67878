package chalktrace.app.window;

import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.core.shot.DrawnOn;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import java.util.stream.IntStream;

/** Steps that are longer than a frame. */
final class Steps {

    private final Session session;

    Steps(Session session) {
        this.session = session;
    }

    /** A frame on or back; where only marked frames are seen, to the next of these. */
    void frame(int direction) {
        if (session.view().onlyProperty().get() == View.Only.ALL) {
            session.transport().step(direction);
        } else {
            to(session.shot().marks().stream().filter(session.view()::isSeen).mapToInt(Mark::frame), direction);
        }
    }

    /** To where the place of a drawing after or before this one begins, in the current level's hold. */
    void hold(int direction) {
        Shot shot = session.shot();
        DrawnOn on = shot.drawnOn(String.valueOf(session.selection().level()));
        int frame = session.transport().frame();
        FrameRange here = on.placeAt(shot, frame);
        int to;
        if (direction > 0) {
            to = here.end();
        } else if (here.start() < frame || frame == 0) {
            to = here.start();
        } else {
            to = on.placeAt(shot, frame - 1).start();
        }
        session.transport().step(to - frame);
    }

    /** To the nearest mark in a direction; nowhere when there is none. */
    void mark(int direction) {
        to(session.shot().marks().stream().mapToInt(Mark::frame), direction);
    }

    /** To the start of the drawing of the current level before. */
    void drawingBack() {
        session.shot()
                .level(String.valueOf(session.selection().level()))
                .map(Level::exposures)
                .map(exposures -> exposures.startBeside(session.transport().frame(), -1))
                .ifPresent(start -> start.ifPresent(session.transport()::go));
    }

    /** To the nearest cue in a direction. */
    void cue(int direction) {
        to(
                session.shot().cues().stream()
                        .mapToInt(cue -> session.shot().setup().rate().nearestFrame(cue.seconds())),
                direction);
    }

    /** A second on or back. */
    void second(int direction) {
        session.transport()
                .step(direction * session.document().shown().setup().rate().nearestFrame(1));
    }

    /** Lets play start with a frame; what it was to end with stays if it still comes later. */
    void playFrom(int frame) {
        int end = within().end();
        session.transport()
                .withinProperty()
                .set(new FrameRange(
                        frame,
                        end > frame ? end : session.document().shown().setup().length()));
    }

    /** Lets play end with a frame. */
    void playTo(int frame) {
        int start = within().start();
        session.transport().withinProperty().set(new FrameRange(start <= frame ? start : 0, frame + 1));
    }

    private FrameRange within() {
        FrameRange set = session.transport().withinProperty().get();
        return set == null ? session.document().shown().setup().frames() : set;
    }

    private void to(IntStream frames, int direction) {
        int now = session.transport().frame();
        (direction > 0
                        ? frames.filter(frame -> frame > now).min()
                        : frames.filter(frame -> frame < now).max())
                .ifPresent(session.transport()::go);
    }
}
