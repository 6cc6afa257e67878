package chalktrace.app.finish;

import chalktrace.app.kernel.FileChoice;
import chalktrace.app.kernel.Notices;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Exporter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** Hands the open shot on, in the background, and offers to look at what was written. */
final class Exporting {

    private final Session session;
    private final FileChoice files;

    Exporting(Session session, FileChoice files) {
        this.session = session;
        this.files = files;
    }

    /** Hands the shot on in one of the ways; asks before pictures of an earlier export are replaced. */
    public void run(Exporter exporter, Path target, Choices choices) {
        write(exporter, target, choices, false);
    }

    private void write(Exporter exporter, Path target, Choices choices, boolean replaces) {
        Shot shot = session.shot();
        session.jobs()
                .runLong(
                        Words.FINISH.of("write", target.getFileName()),
                        job -> {
                            int there = replaces
                                    ? 0
                                    : exporter.replaced(shot, target, choices).size();
                            return there > 0
                                    ? new Written(there, null, null)
                                    : new Written(
                                            0, exporter.write(shot, target, choices, job::at), first(exporter, target));
                        },
                        written -> {
                            if (written.there() > 0) {
                                ask(written.there(), target, () -> write(exporter, target, choices, true));
                            } else {
                                tell(written, target);
                            }
                        },
                        session.notices()::problem);
    }

    private void ask(int pictures, Path target, Runnable replace) {
        session.notices()
                .offer(
                        Words.FINISH.count("pictures-would-be-replaced", pictures, target.getFileName()),
                        new Notices.Offer(Words.FINISH.of("replace-them"), replace));
    }

    /**
     * What came of it.
     *
     * @param there how many pictures would be replaced, so that nothing was written
     * @param first what is looked at to see all of it; null for what is no picture
     */
    private record Written(int there, Exporter.Outcome outcome, Path first) {}

    private static Path first(Exporter exporter, Path target) throws IOException {
        if (!exporter.showsFootage() || !Files.exists(target)) {
            return null;
        }
        if (!exporter.endings().isEmpty()) {
            return target;
        }
        try (Stream<Path> pictures = Files.list(target)) {
            return pictures.filter(Files::isRegularFile).sorted().findFirst().orElse(null);
        }
    }

    private void tell(Written written, Path target) {
        Exporter.Outcome outcome = written.outcome();
        Notices notices = session.notices();
        if (!outcome.complete()) {
            notices.say(Words.FINISH.of("writing-was-cancelled-nothing-was", target.getFileName()));
        } else if (!outcome.problems().isEmpty()) {
            notices.problem(Words.FINISH.of(
                    "frames-are-in-with-doubts", outcome.frames(), target, String.join(" ", outcome.problems())));
        } else if (written.first() == null) {
            notices.offer(Words.FINISH.of("frames-are-in", outcome.frames(), target), inFolder(target));
        } else {
            notices.offer(
                    Words.FINISH.of("frames-are-in", outcome.frames(), target),
                    new Notices.Offer(Words.FINISH.of("look-at-it"), () -> session.gathering()
                            .lookAt(List.of(written.first()), 0)),
                    inFolder(target));
        }
    }

    private Notices.Offer inFolder(Path target) {
        return new Notices.Offer(Words.FINISH.of("show-in-folder"), () -> {
            if (!files.showInFolder(target)) {
                session.notices().problem(Words.FINISH.of("no-view-of-folders", target.toAbsolutePath()));
            }
        });
    }
}
