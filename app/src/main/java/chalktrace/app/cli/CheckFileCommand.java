package chalktrace.app.cli;

import chalktrace.core.shot.Shot;
import chalktrace.media.file.ShotFile;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "check-file", description = "Read a whole shot file, and say whether it and what it needs are there.")
final class CheckFileCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SHOT.chalk")
    Path file;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        ShotFile.Opened opened = ShotFile.open(file);
        Shot shot = opened.shot();
        List<String> missing = shot.mediaFiles().stream()
                .filter(path -> !Files.exists(Path.of(path)))
                .toList();
        int drawings = shot.levels().stream()
                .mapToInt(level -> level.drawings().size())
                .sum();
        ObjectNode document = Answer.object()
                .put("file", file.toString())
                .put("whole", true)
                .put("readOnly", opened.whyReadOnly().isPresent())
                .put("drawings", drawings);
        ArrayNode list = document.putArray("missing");
        missing.forEach(list::add);
        StringBuilder text = new StringBuilder(
                file + " is whole and readable: " + shot.levels().size() + " levels, " + drawings + " drawings.");
        opened.whyReadOnly().ifPresent(why -> text.append(' ').append(why));
        missing.forEach(
                path -> text.append(System.lineSeparator()).append("missing: ").append(path));
        answer.print(text.toString(), document);
        return 0;
    }
}
