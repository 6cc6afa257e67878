package chalktrace.app.cli;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.shot.Shot;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.Gathered;
import chalktrace.media.footage.LostFiles;
import chalktrace.media.footage.MediaPath;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "shot",
        description = "Change a shot file.",
        subcommands = {ShotCommand.Add.class, ShotCommand.Relink.class})
final class ShotCommand {

    @Command(name = "add", description = "Import footage, a 3D model or sound into a shot.")
    static final class Add implements Callable<Integer> {

        @Parameters(paramLabel = "SHOT.chalk", index = "0")
        Path shot;

        @Parameters(paramLabel = "FILE", index = "1")
        Path file;

        @Option(names = "--at", paramLabel = "N", description = "The shot frame at which it starts, from 0.")
        int at;

        @Mixin
        ConformOptions options;

        @Mixin
        Answer answer;

        @Override
        public Integer call() throws Exception {
            ShotFile.Opened opened = ShotFile.open(shot);
            Gathered gathered = Gathered.from(file, at);
            MediaAccess.chosen(file);
            Edit edit = gathered.edit(
                    opened.shot(),
                    gathered.pictures().filter(p -> p.model().isEmpty()).map(p -> options.conform(at, p.times())));
            Shot changed = edit.change().apply(opened.shot());
            ChangedShot.save(opened, changed, shot);
            answer.print(
                    "imported " + file.getFileName() + " into " + shot + " from frame " + at,
                    Answer.object()
                            .put("file", shot.toString())
                            .put("footage", changed.footage().size())
                            .put("sounds", changed.sounds().size()));
            return 0;
        }
    }

    @Command(name = "relink", description = "Look for the lost files of a shot in a folder and all below it.")
    static final class Relink implements Callable<Integer> {

        @Parameters(paramLabel = "SHOT.chalk", index = "0")
        Path shot;

        @Parameters(paramLabel = "FOLDER", index = "1")
        Path folder;

        @Mixin
        Answer answer;

        @Override
        public Integer call() throws Exception {
            ShotFile.Opened opened = ShotFile.open(shot);
            List<Path> lost = opened.shot().mediaFiles().stream()
                    .map(Path::of)
                    .filter(path -> !Files.exists(path))
                    .collect(Collectors.toCollection(ArrayList::new));
            Map<Path, Path> found = LostFiles.find(lost, opened.file().marks(), folder);
            Map<String, String> places = new HashMap<>();
            found.forEach((was, is) -> places.put(MediaPath.of(was), MediaPath.of(is)));
            Shot changed = ReferenceEdits.relink(places).change().apply(opened.shot());
            if (!found.isEmpty()) {
                ChangedShot.save(opened, changed, shot);
            }
            lost.removeAll(found.keySet());
            ObjectNode document = Answer.object().put("file", shot.toString()).put("found", found.size());
            ArrayNode missing = document.putArray("missing");
            lost.forEach(path -> missing.add(path.toString()));
            answer.print(
                    "found " + found.size() + " of " + (found.size() + lost.size()) + " lost files"
                            + lost.stream()
                                    .map(path -> System.lineSeparator() + "missing: " + path)
                                    .collect(Collectors.joining()),
                    document);
            return 0;
        }
    }
}
