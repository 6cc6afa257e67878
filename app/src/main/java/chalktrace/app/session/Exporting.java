package chalktrace.app.session;

import chalktrace.core.shot.Shot;
import chalktrace.media.export.ShotExport;
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

    /** Writes an MP4. */
    public void movie(Path target, boolean withFootage) {
        run("write " + target.getFileName(), target, withFootage, export -> export.movie(target));
    }

    /** Writes numbered PNG pictures into a folder. */
    public void pictures(Path folder, boolean withFootage) {
        run("write pictures to " + folder.getFileName(), folder, withFootage, export -> export.pictures(folder));
    }

    @FunctionalInterface
    private interface Way {
        ShotExport.Outcome write(ShotExport export) throws Exception;
    }

    private void run(String name, Path target, boolean withFootage, Way way) {
        Shot shot = document.shot();
        jobs.runLong(
                name,
                job -> way.write(new ShotExport(shot, withFootage, job::at)),
                outcome -> tell(outcome, target),
                notices::problem);
    }

    private void tell(ShotExport.Outcome outcome, Path target) {
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
