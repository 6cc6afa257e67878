package chalktrace.app.session;

import chalktrace.core.shot.Shot;
import chalktrace.media.export.SheetFiles;
import chalktrace.media.export.ShotExport;
import java.nio.file.Path;
import java.util.Locale;

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

    /** Writes the exposure sheet: a table where the name ends so, else pages to print. */
    public void sheet(Path target) {
        Shot shot = document.shot();
        boolean table = target.toString().toLowerCase(Locale.ROOT).endsWith(".csv");
        jobs.run(
                "write the sheet",
                job -> SheetFiles.write(target, table ? SheetFiles.csv(shot) : SheetFiles.pdf(shot)),
                written -> notices.say("The exposure sheet is in " + written + "."),
                notices::problem);
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
