package chalktrace.app.cli;

import chalktrace.core.shot.Shot;
import chalktrace.media.Progress;
import chalktrace.media.export.ShotExport;
import chalktrace.media.file.ShotFile;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

@Command(name = "export", description = "Write a shot as a movie (OUT.mp4) or as numbered PNG pictures (a folder).")
final class ExportCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SHOT.chalk", index = "0")
    Path file;

    @Parameters(paramLabel = "OUT.mp4|OUTDIR/", index = "1")
    String target;

    @Option(names = "--with-footage", description = "Footage is left out unless this is given.")
    boolean withFootage;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        Path out = Path.of(target);
        boolean movie = target.toLowerCase(Locale.ROOT).endsWith(".mp4");
        if (!movie && !target.endsWith("/") && out.getFileName().toString().contains(".")) {
            throw new ParameterException(
                    answer.command.commandLine(),
                    "\"" + target + "\" is neither an .mp4 nor a folder: write OUT.mp4 or OUTDIR/.");
        }
        Shot shot = ShotFile.open(file).shot();
        ShotExport export = new ShotExport(shot, withFootage, Progress.NONE);
        ShotExport.Outcome outcome = movie ? export.movie(out) : export.pictures(out);
        ObjectNode document = Answer.object().put("file", target).put("frames", outcome.frames());
        ArrayNode problems = document.putArray("problems");
        outcome.problems().forEach(problems::add);
        answer.print(
                outcome.frames() + " frames are in " + target
                        + outcome.problems().stream()
                                .map(problem -> System.lineSeparator() + "note: " + problem)
                                .reduce("", String::concat),
                document);
        return 0;
    }
}
