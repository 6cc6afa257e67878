package chalktrace.app.session;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Selection;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.check.Checks;
import chalktrace.core.check.Finding;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.timing.OntoTwos;
import chalktrace.core.edit.timing.ShotTimingEdits;
import chalktrace.core.edit.timing.TimingEdits;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SpanExposures;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;

/** Edits of when drawings are seen: on the span that is chosen on the bench, or else on the showing at the gate. */
public final class Timing {

    /** Frames of some levels. */
    public record Span(List<String> levels, FrameRange frames) {

        public Span {
            levels = List.copyOf(levels);
        }
    }

    private final Document document;
    private final Selection selection;
    private final Transport transport;
    private final Jobs jobs;
    private final Notices notices;
    private final ObjectProperty<Span> span = new SimpleObjectProperty<>();
    private final BooleanProperty soundAlong = new SimpleBooleanProperty(true);
    private final BooleanProperty footageAlong = new SimpleBooleanProperty(true);
    private final BooleanProperty referencesFollow = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<List<Finding>> findings = new ReadOnlyObjectWrapper<>(List.of());
    private boolean checking;

    Timing(Document document, Selection selection, Transport transport, Jobs jobs, Notices notices) {
        this.document = document;
        this.selection = selection;
        this.transport = transport;
        this.jobs = jobs;
        this.notices = notices;
        document.whenOpened(() -> span.set(null));
        check();
        document.shotProperty().addListener((property, before, now) -> {
            check();
            if (span.get() != null
                    && span.get().levels().stream().anyMatch(id -> now.level(id).isEmpty())) {
                span.set(null);
            }
        });
    }

    /** What is probably not meant in the exposure of the shot; looked for behind the window after each edit. */
    public ReadOnlyObjectProperty<List<Finding>> findingsProperty() {
        return findings.getReadOnlyProperty();
    }

    private void check() {
        if (checking) {
            return;
        }
        checking = true;
        Shot shot = document.shot();
        jobs.runQuietly(job -> Checks.of(shot), found -> {
            checking = false;
            findings.set(found);
            if (document.shot() != shot) {
                check();
            }
        });
    }

    /** The span that was chosen on the bench; null for none. */
    public ObjectProperty<Span> spanProperty() {
        return span;
    }

    /** Whether words, mouths, cues and sounds move along when frames of the whole shot come or go. */
    public BooleanProperty soundAlongProperty() {
        return soundAlong;
    }

    /** Whether references are stretched along when marks move onto a rhythm. */
    public BooleanProperty referencesFollowProperty() {
        return referencesFollow;
    }

    /** As {@link #soundAlongProperty}, for references. */
    public BooleanProperty footageAlongProperty() {
        return footageAlong;
    }

    /** The chosen span, or the showing at the gate, or the frame there. */
    public Span span() {
        if (span.get() != null) {
            return span.get();
        }
        String level = String.valueOf(selection.level());
        int frame = transport.frame();
        return new Span(
                List.of(level),
                document.shot()
                        .level(level)
                        .flatMap(l -> l.exposures().at(frame))
                        .map(Exposure::range)
                        .orElse(FrameRange.of(frame, 1)));
    }

    /** What is done is said where it can't be. */
    public void apply(Function<Span, Edit> edit) {
        try {
            document.apply(edit.apply(span()));
        } catch (IllegalArgumentException e) {
            notices.problem(e.getMessage());
        }
    }

    /** Repeats the span, and says so when its first and last pose are the same and would show twice in a row. */
    public void repeat(int times) {
        Span now = span();
        boolean twice = now.levels().stream()
                .flatMap(id -> document.shot().level(id).stream())
                .anyMatch(level ->
                        SpanExposures.of(level.exposures(), now.frames()).repeatsItsFirstPose());
        apply(s -> TimingEdits.repeat(s.levels(), s.frames(), times));
        if (twice) {
            notices.say(Words.TRACE.of("the-first-and-the-last"));
        }
    }

    public void insertInShot(int count) {
        apply(s -> ShotTimingEdits.insertFrames(s.frames().start(), count, along()));
    }

    public void removeFromShot() {
        apply(s -> ShotTimingEdits.removeFrames(s.frames(), along()));
    }

    private ShotTimingEdits.Along along() {
        return new ShotTimingEdits.Along(soundAlong.get(), footageAlong.get());
    }

    /** Where the shot's marks would come to on a rhythm, as a sentence; or why they can't. */
    public String proposalWords(int every) {
        try {
            ShotSetup setup = document.shot().setup();
            List<OntoTwos.Move> moves = OntoTwos.proposal(document.shot(), every);
            String moved = moves.stream()
                    .filter(move -> move.from() != move.to())
                    .map(move -> Words.TRACE.of("to", setup.number(move.from()), setup.number(move.to())))
                    .collect(Collectors.joining(", "));
            List<Integer> missing =
                    OntoTwos.missing(moves.stream().map(OntoTwos.Move::to).toList(), every);
            return (moved.isEmpty() ? Words.TRACE.of("all-marks-lie-on-it") : Words.TRACE.of("moves", moved))
                    + (missing.isEmpty() ? "" : " " + Words.TRACE.of("then-without-a-mark", numbers(setup, missing)));
        } catch (IllegalArgumentException e) {
            return e.getMessage();
        }
    }

    public void moveOnto(int every) {
        apply(s -> OntoTwos.apply(OntoTwos.proposal(document.shot(), every), referencesFollow.get()));
    }

    /** Makes empty drawings on a rhythm where the levels show nothing, within the span or the whole shot. */
    public void makeMissing(int every) {
        Span now = span.get() == null
                ? new Span(
                        List.of(String.valueOf(selection.level())),
                        FrameRange.of(0, document.shot().setup().length()))
                : span.get();
        document.apply(TimingEdits.drawings(now.levels(), now.frames(), every));
    }

    private static String numbers(ShotSetup setup, List<Integer> frames) {
        return Landings.firstOf(setup, frames, 12);
    }
}
