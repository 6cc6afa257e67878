package chalktrace.app.session;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.kernel.Notices;
import chalktrace.core.shot.Shot;
import chalktrace.media.export.Exporter;
import java.nio.file.Path;

/** Hands the open shot on, in the background. */
public final class Exporting {

    private final Document document;
    private final Jobs jobs;
    private final Notices notices;

    Exporting(Document document, Jobs jobs, Notices notices) {
        this.document = document;
        this.jobs = jobs;
        this.notices = notices;
    }

    /** Hands the shot on in one of the ways. */
    public void run(Exporter exporter, Path target, Exporter.Choices choices) {
        Shot shot = document.shot();
        jobs.runLong(
                "write " + target.getFileName(),
                job -> exporter.write(shot, target, choices, job::at),
                outcome -> tell(outcome, target),
                notices::problem);
    }

    private void tell(Exporter.Outcome outcome, Path target) {
        if (!outcome.complete()) {
            notices.say("Writing " + target.getFileName() + " was cancelled; nothing was left half written.");
        } else if (outcome.problems().isEmpty()) {
            notices.say(outcome.frames() + " frames are in " + target + ".");
        } else {
            notices.problem(
                    outcome.frames() + " frames are in " + target + ". " + String.join(" ", outcome.problems()));
        }
    }
}
