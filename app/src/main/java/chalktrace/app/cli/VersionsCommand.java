package chalktrace.app.cli;

import chalktrace.app.words.Times;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.file.ShotFile;
import chalktrace.media.file.Versions;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "versions",
        description =
                "List the states that a shot had before it was saved over, the latest first, or write one to a file.")
final class VersionsCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SHOT.chalk", index = "0")
    Path shot;

    @Option(
            names = "--take",
            paramLabel = "N",
            description = "The number of the version to write to OUT.chalk, from 1.")
    Integer take;

    @Parameters(paramLabel = "OUT.chalk", index = "1", arity = "0..1")
    Path out;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        List<Versions.Version> all = new Versions(shot).all();
        if (take != null) {
            return write(all);
        }
        ObjectNode document = Answer.object();
        ArrayNode listed = document.putArray("versions");
        List<String> lines = new ArrayList<>();
        for (Versions.Version version : all) {
            int number = listed.size() + 1;
            listed.addObject()
                    .put("number", number)
                    .put("saved", version.saved().toString())
                    .put("name", version.name())
                    .put("thenChanged", version.words());
            lines.add(number + "  " + Times.exact(version.saved())
                    + (version.name().isEmpty() ? "" : "  " + version.name())
                    + (version.words().isEmpty() ? "" : "  then changed: " + version.words()));
        }
        answer.print(
                lines.isEmpty() ? "There are no versions of it." : String.join(System.lineSeparator(), lines),
                document);
        return 0;
    }

    private Integer write(List<Versions.Version> all) throws Exception {
        if (take < 1 || take > all.size()) {
            throw UnreadableException.of(
                    shot, "has " + all.size() + " versions and no number " + take, "List them with chalk versions.");
        }
        if (out == null || Files.exists(out)) {
            throw UnwritableException.of(
                    out == null ? Path.of("OUT.chalk") : out,
                    "written",
                    "Name a file that is not there yet.",
                    new IOException(out == null ? "no file is named" : "it is there already"));
        }
        Versions.Version version = all.get(take - 1);
        // What can't be read is not written.
        ShotFile.Opened opened = new Versions(shot).open(version);
        opened.file().save(opened.shot(), out);
        answer.print("wrote version " + take + " to " + out, Answer.object().put("file", out.toString()));
        return 0;
    }
}
