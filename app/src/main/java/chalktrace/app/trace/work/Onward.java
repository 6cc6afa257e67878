package chalktrace.app.trace.work;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Selection;
import chalktrace.app.session.Landings;
import chalktrace.app.session.View;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.edit.drawing.NextDrawing;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.timing.SetupEdits;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import java.util.List;
import java.util.Optional;

/** Goes on from drawing to drawing: to the next one, or to where it belongs, empty or as a copy. */
public final class Onward {

    private final Document document;
    private final Selection selection;
    private final Transport transport;
    private final View view;
    private final Notices notices;

    Onward(Document document, Selection selection, Transport transport, View view, Notices notices) {
        this.document = document;
        this.selection = selection;
        this.transport = transport;
        this.view = view;
        this.notices = notices;
    }

    /** To the next drawing of the level, or to where it belongs: the next stroke makes it there. */
    public void next() {
        next(false);
    }

    /** As {@link #next}; where there is none yet, it starts as a copy of what is selected, or else of the whole drawing. */
    public void nextCopied() {
        next(true);
    }

    /** Gives the place at the gate a drawing of its own, without a stroke. */
    public void newHere() {
        onItsPlace().ifPresent(landing -> make(landing, List.of()));
    }

    /** As {@link #newHere}, as a copy of what is selected, or else of the drawing before. */
    public void newCopied() {
        onItsPlace().ifPresent(landing -> make(landing, toCopy()));
    }

    private void next(boolean copied) {
        Optional<NextDrawing> found = NextDrawing.of(document.shot(), level(), transport.frame());
        if (found.isEmpty()) {
            refused(Landings.next(document.shot(), selection, transport, view));
            return;
        }
        NextDrawing next = found.get();
        switch (next.kind()) {
            case DRAWN -> {
                transport.go(next.frame());
                if (copied) {
                    notices.say(Words.TRACE.of("the-next-drawing-is-there"));
                }
            }
            case FREE, HELD -> goOnTo(next, copied);
            case PAST_END -> offerToLengthen(copied);
        }
    }

    private void goOnTo(NextDrawing next, boolean copied) {
        List<DrawingItem> items = copied ? toCopy() : List.of();
        transport.go(next.frame());
        if (next.kind() == NextDrawing.Kind.HELD) {
            view.awaitedProperty().set(new View.Awaited(level(), next.frame()));
        }
        if (!items.isEmpty()) {
            // Where a stroke would land there now.
            StrokeLanding landing = Landings.next(document.shot(), selection, transport, view);
            if (!refused(landing)) {
                document.apply(landing.copy(items));
            }
        }
    }

    private void offerToLengthen(boolean copied) {
        int frames = document.shot().drawnOn(level()).frames();
        notices.offer(
                Words.TRACE.of("the-next-drawing-belongs-after"),
                new Notices.Offer(Words.TRACE.count("lengthen-the-shot", frames), () -> lengthen(frames, copied)));
    }

    private void lengthen(int frames, boolean copied) {
        ShotSetup setup = document.shot().setup();
        if (setup.length() + frames > ShotSetup.LONGEST) {
            notices.problem(Words.TRACE.of("the-shot-is-as-long-as"));
            return;
        }
        document.apply(SetupEdits.change(setup.withLength(setup.length() + frames)));
        next(copied);
    }

    private Optional<StrokeLanding> onItsPlace() {
        Optional<StrokeLanding> landing = StrokeLanding.onItsPlace(document.shot(), level(), transport.frame());
        if (landing.isEmpty()) {
            notices.problem(Words.TRACE.of("a-new-drawing-here-would"));
        }
        return landing;
    }

    private void make(StrokeLanding landing, List<DrawingItem> copied) {
        if (refused(landing)) {
            return;
        }
        int start = landing.frames().start();
        Shot shot = document.shot();
        boolean offItsPlace =
                start != shot.drawnOn(level()).placeAt(shot, start).start()
                        && shot.level(level())
                                .flatMap(l -> l.exposures().at(start))
                                .filter(run -> run.start() < start)
                                .isPresent();
        document.apply(copied.isEmpty() ? landing.make() : landing.copy(copied));
        if (offItsPlace) {
            notices.say(Words.TRACE.of("starts-here", landing.drawing()));
        }
    }

    /** Says why there can be no new drawing. */
    private boolean refused(StrokeLanding landing) {
        if (!landing.canDraw()) {
            notices.problem(Landings.refusal(document.shot(), landing));
        } else if (landing.kind() == StrokeLanding.Kind.ONTO_DRAWING) {
            notices.problem(Words.TRACE.of("a-held-level-has-one"));
        }
        return landing.kind() != StrokeLanding.Kind.NEW_DRAWING;
    }

    /** As it looks on the picture: what is selected, or else all of the drawing that shows, or of the one before. */
    private List<DrawingItem> toCopy() {
        Shot shot = document.shot();
        Pick pick = selection.pickProperty().get();
        if (pick != null && pick.level().equals(level()) && pick.isIn(shot)) {
            return pick.lifted(shot).items();
        }
        int frame = transport.frame();
        int shown = shot.level(level())
                .map(Level::exposures)
                .filter(runs -> runs.at(frame).filter(run -> !run.isBlank()).isEmpty())
                .map(runs -> runs.startBeside(frame, -1).orElse(frame))
                .orElse(frame);
        return Pick.all(shot, level(), shown)
                .map(all -> all.lifted(shot).items())
                .orElse(List.of());
    }

    private String level() {
        return String.valueOf(selection.level());
    }
}
