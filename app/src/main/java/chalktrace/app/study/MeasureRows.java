package chalktrace.app.study;

import chalktrace.app.controls.ChangingRows;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.words.Words;
import chalktrace.core.motion.MotionProposal;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Walk;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.StringJoiner;
import javafx.scene.layout.VBox;

/** What the shown points measure on the frame at the gate, and what their contacts say of a walk. */
final class MeasureRows extends VBox {

    private static final double FAINT = 0.35;

    private final StudyWork work;
    private final StudyProposals proposals;
    private final ChangingRows values = new ChangingRows();

    /** What was last said of a walk, and what it was said of: it looks over all frames and is the same on each. */
    private Optional<String> walk = Optional.empty();

    private WalkOf walkOf;

    private record WalkOf(
            List<StudyWork.MovingTrack> tracks, String chosen, List<MotionProposal> contacts, FrameRate rate) {

        boolean isSame(WalkOf other) {
            return other != null
                    && tracks == other.tracks
                    && contacts == other.contacts
                    && Objects.equals(chosen, other.chosen)
                    && rate.equals(other.rate);
        }
    }

    MeasureRows(StudyWork work, StudyProposals proposals) {
        super(6);
        this.work = work;
        this.proposals = proposals;
        setId("measures");
        getChildren().addAll(Rows.section(Words.STUDY.of("measures")), values);
        Refresh.on(
                this,
                this::show,
                work.movingProperty(),
                work.chosenProperty(),
                proposals.studyProperty(),
                work.session().transport().playingProperty(),
                work.session().transport().frameProperty());
    }

    private void show() {
        // Nobody reads figures that change with each frame of play: those of the frame before it stand faint.
        boolean playing = work.session().transport().playingProperty().get();
        values.setOpacity(playing ? FAINT : 1);
        if (playing) {
            return;
        }
        int frame = work.session().transport().frame();
        ShotSetup setup = work.session().document().shown().setup();
        List<String> rows = new ArrayList<>();
        for (StudyWork.MovingTrack track : work.movingProperty().get()) {
            String words = words(track, frame, setup.size().height());
            rows.add(track.track().name() + ": " + (words.isEmpty() ? Words.STUDY.of("not-known-here") : words));
        }
        WalkOf now = new WalkOf(
                work.movingProperty().get(),
                work.chosenProperty().get(),
                proposals.studyProperty().get().contacts(),
                setup.rate());
        if (!now.isSame(walkOf)) {
            walkOf = now;
            walk = walk(now);
        }
        walk.ifPresent(rows::add);
        if (rows.isEmpty()) {
            rows.add(Words.STUDY.of("heights-spacing-angles-and-steps"));
        }
        values.show(rows);
    }

    private static String words(StudyWork.MovingTrack track, int frame, int height) {
        StringJoiner out = new StringJoiner(", ");
        add(out, Words.STUDY.of("moves-px"), StudyMeasure.SPACING, track, frame, height);
        add(out, Words.STUDY.of("towards"), StudyMeasure.DIRECTION, track, frame, height);
        add(out, Words.STUDY.of("px-high"), StudyMeasure.HEIGHT, track, frame, height);
        add(out, Words.STUDY.of("px-to-its-second"), StudyMeasure.LENGTH, track, frame, height);
        add(out, Words.STUDY.of("at"), StudyMeasure.ANGLE, track, frame, height);
        return out.toString();
    }

    private static void add(
            StringJoiner to, String words, StudyMeasure measure, StudyWork.MovingTrack track, int frame, int height) {
        measure.of(track, track.movement(), frame, height)
                .ifPresent(value -> to.add(String.format(Locale.ROOT, words, value)));
    }

    /** Feet are the points that have contacts; the body is the chosen one, where it is none of them, or the first other. */
    private static Optional<String> walk(WalkOf of) {
        List<Walk.Contact> contacts = new ArrayList<>();
        for (MotionProposal contact : of.contacts()) {
            of.tracks().stream()
                    .filter(track -> contact.points().contains(track.track().name()))
                    .filter(track -> track.movement().knows(contact.frame()))
                    .forEach(track -> contacts.add(new Walk.Contact(contact.frame(), track.movement())));
        }
        Walk walk = Walk.of(contacts, body(of, contacts), of.rate());
        StringJoiner out = new StringJoiner(", ");
        say(out, Words.STUDY.of("step-px"), walk.stepPx());
        say(out, Words.STUDY.of("stride-px"), walk.stridePx());
        say(out, Words.STUDY.of("steps-a-minute"), walk.cadence());
        say(out, Words.STUDY.of("bounce-px"), walk.bouncePx());
        return out.length() == 0
                ? Optional.empty()
                : Optional.of(Words.STUDY.of("walk-of-contacts", walk.contacts().size(), out));
    }

    private static Optional<MovingPoint> body(WalkOf of, List<Walk.Contact> contacts) {
        List<StudyWork.MovingTrack> others = of.tracks().stream()
                .filter(track -> !track.isDrawn())
                .filter(track -> contacts.stream().noneMatch(contact -> contact.foot() == track.movement()))
                .toList();
        return others.stream()
                .filter(track -> track.track().id().equals(of.chosen()))
                .findFirst()
                .or(() -> others.stream().findFirst())
                .map(StudyWork.MovingTrack::movement);
    }

    private static void say(StringJoiner to, String words, OptionalDouble value) {
        value.ifPresent(v -> to.add(String.format(Locale.ROOT, words, v)));
    }
}
