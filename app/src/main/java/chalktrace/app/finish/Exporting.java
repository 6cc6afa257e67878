package chalktrace.app.finish;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.kernel.Notices;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import chalktrace.media.export.Choices;
import chalktrace.media.export.Exporter;
import java.nio.file.Path;

/** Hands the open shot on, in the background. */
final class Exporting {

    private final Document document;
    private final Jobs jobs;
    private final Notices notices;

    Exporting(Document document, Jobs jobs, Notices notices) {
        this.document = document;
        this.jobs = jobs;
        this.notices = notices;
    }

    /** Hands the shot on in one of the ways. */
    public void run(Exporter exporter, Path target, Choices choices) {
        Shot shot = document.shot();
        jobs.runLong(
                Words.FINISH.of("write", target.getFileName()),
                job -> exporter.write(shot, target, choices, job::at),
                outcome -> tell(outcome, target),
                notices::problem);
    }

    private void tell(Exporter.Outcome outcome, Path target) {
        if (!outcome.complete()) {
            notices.say(Words.FINISH.of("writing-was-cancelled-nothing-was", target.getFileName()));
        } else if (outcome.problems().isEmpty()) {
            notices.say(Words.FINISH.of("frames-are-in", outcome.frames(), target));
        } else {
            notices.problem(Words.FINISH.of(
                    "frames-are-in-with-doubts", outcome.frames(), target, String.join(" ", outcome.problems())));
        }
    }
}
