package chalktrace.app.study;

import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.motion.MovingPart;
import chalktrace.core.motion.MovingParts;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.render.TrackOnShot;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.util.IntSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Finds what moves in the footage in front without a touch, and shows it in the place of points until one is tracked. Lives on the FX thread. */
final class MovingWork {

    private final StudyWork work;
    private final Session session;

    MovingWork(StudyWork work) {
        this.work = work;
        this.session = work.session();
    }

    /** The visible footage in front that moves, once it is open. */
    Optional<Footage> clip() {
        return session.shot().footage().stream()
                .filter(clip -> clip.visible() && !clip.isStill() && clip.where() != Footage.Where.BESIDE_BOARD)
                .filter(clip -> session.footages().opened().containsKey(clip.file()))
                .findFirst();
    }

    /** Looks at the pictures that the shot shows, in the background. */
    void find() {
        Shot shot = session.shot();
        clip().ifPresent(clip -> work.onShot(shot, clip, anywhere(clip)).ifPresent(on -> find(shot, clip, on)));
    }

    private static Track anywhere(Footage clip) {
        return new Track("", "", Track.color(0), true, clip.id(), 0, TrackPath.NONE);
    }

    private static IntSummaryStatistics pictures(Shot shot, TrackOnShot on) {
        return IntStream.range(0, shot.setup().length())
                .mapToObj(on::picture)
                .flatMap(Optional::stream)
                .mapToInt(picture -> picture)
                .summaryStatistics();
    }

    private void find(Shot shot, Footage clip, TrackOnShot on) {
        session.proposals()
                .find(
                        Words.STUDY.of("finding-what-moves", clip.name()),
                        job -> {
                            IntSummaryStatistics pictures = pictures(shot, on);
                            try (Reference reference = References.open(clip, shot)) {
                                return MovingParts.of(
                                        reference.of(clip, shot.setup()),
                                        Math.max(0, pictures.getMin()),
                                        pictures.getMax() + 1,
                                        job::at);
                            }
                        },
                        found -> show(clip, found));
    }

    private void show(Footage clip, List<MovingPart> found) {
        if (found.isEmpty()) {
            session.notices().problem(Words.STUDY.of("nothing-moves-in", clip.name()));
        }
        work.showParts(Optional.of(new StudyWork.Parts(clip, found)).filter(parts -> !found.isEmpty()));
    }
}
