package chalktrace.app.cli;

import chalktrace.core.shot.Shot;
import chalktrace.media.Progress;
import chalktrace.media.export.Exporter;
import chalktrace.media.export.Exporters;
import chalktrace.media.export.ShotSources;
import chalktrace.media.file.ShotFile;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

@Command(
        name = "export",
        description =
                "Write a shot as a movie (.mp4), an animated picture (.apng, .png), its sheet (.pdf, .csv), or numbered PNG pictures (a folder).")
final class ExportCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SHOT.chalk", index = "0")
    Path file;

    @Parameters(paramLabel = "OUT|OUTDIR/", index = "1")
    String target;

    @Option(names = "--with-footage", description = "Footage is left out unless this is given.")
    boolean withFootage;

    @Mixin
    MediaAccess media;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        Path out = Path.of(target);
        Exporter exporter = exporter(out);
        Shot shot = ShotFile.open(file).shot();
        media.require(file, ShotSources.files(shot, withFootage));
        Exporter.Outcome outcome = exporter.write(shot, out, new Exporter.Choices(withFootage), Progress.NONE);
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

    private Exporter exporter(Path out) {
        boolean folder = target.endsWith("/") || !out.getFileName().toString().contains(".");
        return folder
                ? Exporters.forFolder()
                : Exporters.forFile(target)
                        .orElseThrow(() -> new ParameterException(
                                answer.command.commandLine(),
                                "\"" + target + "\" is no folder and has none of the endings "
                                        + Exporters.all().stream()
                                                .flatMap(exporter -> exporter.endings().stream())
                                                .collect(Collectors.joining(", "))
                                        + ": write OUT.mp4 or OUTDIR/."));
    }
}
