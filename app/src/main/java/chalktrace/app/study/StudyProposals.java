package chalktrace.app.study;

import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.edit.timing.TimingEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.motion.MotionProposal;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.SpanAdvice;
import chalktrace.core.motion.Study;
import chalktrace.core.motion.StudySettings;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleDoubleProperty;

/** What the points that are followed propose, and what is made of it. Lives on the FX thread. */
final class StudyProposals {

    /** A proposal that was refused stays away for this shot. */
    private record Refused(int frame, MotionProposal.Kind kind) {}

    private static final Study NOTHING = new Study(List.of(), List.of(), List.of(), List.of(), List.of());

    private final Session session;
    private final StudyWork work;
    private final DoubleProperty coarse = new SimpleDoubleProperty(StudySettings.USUAL_COARSE);
    private final DoubleProperty limit = new SimpleDoubleProperty(StudySettings.USUAL_LIMIT_PERCENT);
    private final ReadOnlyObjectWrapper<Study> study = new ReadOnlyObjectWrapper<>(NOTHING);
    private final Set<Refused> refused = new HashSet<>();
    private Shot judgedOf;

    StudyProposals(Session session, StudyWork work) {
        this.session = session;
        this.work = work;
        session.document().whenOpened(refused::clear);
        session.document().shownProperty().addListener(changed -> judgeWhereMarksChanged());
        session.view().stepProperty().addListener(changed -> showOnBench());
        work.movingProperty().addListener(changed -> judge());
        coarse.addListener(changed -> judge());
        limit.addListener(changed -> judge());
    }

    /** 0 for every small turn, 1 for the great ones alone. */
    DoubleProperty coarseProperty() {
        return coarse;
    }

    /** In percent of the picture's height: a drawing may be so far from the one before it. */
    DoubleProperty limitProperty() {
        return limit;
    }

    /** What the shown points propose, without what was refused or taken. */
    ReadOnlyObjectProperty<Study> studyProperty() {
        return study.getReadOnlyProperty();
    }

    private void judgeWhereMarksChanged() {
        Shot shot = session.document().shown();
        if (judgedOf != null && (judgedOf.marks() != shot.marks() || judgedOf.guides() != shot.guides())) {
            judge();
        }
    }

    private void judge() {
        Shot shot = session.document().shown();
        List<MovingPoint> points = filmed();
        judgedOf = shot;
        if (points.isEmpty()) {
            show(NOTHING);
            return;
        }
        int last = shot.setup().length() - 1;
        StudySettings settings = new StudySettings(
                coarse.get(),
                shot.setup().size().height(),
                limit.get(),
                shot.guides().stream()
                        .filter(guide -> guide.kind() == Guide.Kind.FLOOR)
                        .mapToDouble(guide -> guide.point(0).y())
                        .findFirst());
        boolean named = work.filmed().stream().noneMatch(track -> track.steady().isPresent());
        session.proposals().findQuietly(job -> Study.of(points, 0, last, settings), found -> {
            if (points.equals(filmed())) {
                show(named ? found : found.withoutContacts());
            }
        });
    }

    /** Proposals are made from the footage; drawings follow them. */
    private List<MovingPoint> filmed() {
        return work.filmed().stream()
                .map(track -> track.steady().orElse(track.movement()))
                .toList();
    }

    private void show(Study found) {
        Study left = new Study(
                open(found.keys()),
                open(found.breakdowns()),
                open(found.contacts()),
                open(found.smears()),
                found.spans());
        study.set(left);
        showOnBench();
    }

    /** Keys and breakdowns are proposed on the bench while one studies, and not while one draws. */
    private void showOnBench() {
        boolean studies = session.view().stepProperty().get() == View.Step.STUDY;
        session.view()
                .proposedMarksProperty()
                .set(
                        !studies
                                ? List.of()
                                : study.get().proposals().stream()
                                        .filter(proposal -> !isNote(proposal))
                                        .map(proposal -> new Mark(proposal.frame(), markKind(proposal)))
                                        .toList());
    }

    /** Neither refused nor on a frame that has its mark. */
    private List<MotionProposal> open(List<MotionProposal> all) {
        Shot shot = session.document().shown();
        return all.stream()
                .filter(proposal -> !refused.contains(new Refused(proposal.frame(), proposal.kind())))
                .filter(proposal -> isNote(proposal)
                        ? shot.marks().stream()
                                .noneMatch(mark -> mark.kind() == Mark.Kind.NOTE && mark.frame() == proposal.frame())
                        : shot.markAt(proposal.frame()).isEmpty())
                .toList();
    }

    private static boolean isNote(MotionProposal proposal) {
        return proposal.kind() == MotionProposal.Kind.CONTACT || proposal.kind() == MotionProposal.Kind.SMEAR;
    }

    private static Mark.Kind markKind(MotionProposal proposal) {
        return proposal.kind() == MotionProposal.Kind.KEY ? Mark.Kind.KEY : Mark.Kind.BREAKDOWN;
    }

    /** Marks their frames: keys and breakdowns as such, contacts and smears with a note. */
    void take(List<MotionProposal> proposals) {
        session.document()
                .apply(new Edit(
                        proposals.size() == 1 ? Words.STUDY.of("take-a-proposal") : Words.STUDY.of("take-proposals"),
                        shot -> {
                            Shot out = shot;
                            for (MotionProposal proposal : proposals) {
                                out = taken(out, proposal);
                            }
                            return out;
                        }));
    }

    private static Shot taken(Shot shot, MotionProposal proposal) {
        if (isNote(proposal)) {
            String what = proposal.kind() == MotionProposal.Kind.CONTACT
                    ? Words.STUDY.of("contact")
                    : Words.STUDY.of("smear");
            return MarkEdits.note(proposal.frame(), what + ": " + String.join(", ", proposal.points()))
                    .change()
                    .apply(shot);
        }
        if (shot.markAt(proposal.frame()).isPresent()) {
            return shot;
        }
        List<Mark> marks = new ArrayList<>(shot.marks());
        marks.add(new Mark(proposal.frame(), markKind(proposal)));
        return shot.withMarks(marks);
    }

    void refuse(List<MotionProposal> proposals) {
        proposals.forEach(proposal -> refused.add(new Refused(proposal.frame(), proposal.kind())));
        show(study.get());
    }

    /** Makes empty drawings on the current level where it shows nothing: on the keys and breakdowns that are marked or proposed, each held until the next. */
    void makeDrawingsOnKeys() {
        Shot shot = session.shot();
        List<Integer> frames = Stream.concat(
                        shot.marks().stream()
                                .filter(mark -> mark.isOfShot() && mark.isPose())
                                .map(Mark::frame),
                        study.get().proposals().stream()
                                .filter(proposal -> !isNote(proposal))
                                .map(MotionProposal::frame))
                .distinct()
                .sorted()
                .toList();
        List<SpanAdvice> spans = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            int to = i + 1 < frames.size() ? frames.get(i + 1) : shot.setup().length();
            spans.add(new SpanAdvice(frames.get(i), to, Math.max(1, to - frames.get(i)), ""));
        }
        makeDrawings(spans);
    }

    /** Makes empty drawings on the current level where it shows nothing: on ones, twos or threes as is advised for each span. */
    void makeDrawingsAsAdvised() {
        List<SpanAdvice> spans = new ArrayList<>();
        int end = -1;
        for (SpanAdvice span : study.get().spans()) {
            hold(end, span.from(), spans);
            spans.add(span);
            end = span.to();
        }
        hold(end, session.shot().setup().length(), spans);
        makeDrawings(spans);
    }

    /** Where nothing is advised, after what was: one drawing. */
    private static void hold(int from, int to, List<SpanAdvice> spans) {
        if (from >= 0 && from < to) {
            spans.add(new SpanAdvice(from, to, to - from, ""));
        }
    }

    private void makeDrawings(List<SpanAdvice> spans) {
        if (spans.isEmpty()) {
            session.notices().problem(Words.STUDY.of("no-key-is-marked-or"));
            return;
        }
        String level = session.selection().levelProperty().get();
        session.document().apply(new Edit(Words.STUDY.of("make-drawings"), shot -> {
            Shot out = shot;
            for (SpanAdvice span : spans) {
                out = TimingEdits.drawings(
                                List.of(level), new FrameRange(span.from(), span.to()), Math.max(1, span.every()))
                        .change()
                        .apply(out);
            }
            return out;
        }));
    }
}
