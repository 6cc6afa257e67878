package chalktrace.app.cli;

import chalktrace.app.words.FindingWords;
import chalktrace.core.check.Checks;
import chalktrace.core.check.Finding;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.SetAsidePart;
import chalktrace.core.shot.Shot;
import chalktrace.media.file.ShotFile;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(
        name = "check",
        description = "List the possible mistakes in the exposure of a shot. Exits with 3 when there are any.")
final class CheckCommand implements Callable<Integer> {

    private static final int FOUND = 3;

    @Parameters(paramLabel = "SHOT.chalk")
    Path file;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        Shot shot = ShotFile.open(file).shot();
        List<Finding> found = Checks.of(shot);
        ObjectNode document = Answer.object();
        document.put("setAside", shot.get(SetAsidePart.SET_ASIDE).size());
        ArrayNode all = document.putArray("findings");
        for (Finding finding : found) {
            all.addObject()
                    .put("check", finding.check())
                    .put("level", finding.level())
                    .put("frame", finding.frame())
                    .put("drawing", finding.drawing())
                    .put("says", FindingWords.fromZero(shot, finding))
                    .put("mend", Checks.mend(finding).map(Edit::name).orElse(null));
        }
        answer.print(
                found.isEmpty()
                        ? "No possible mistakes found."
                        : found.stream()
                                .map(finding -> FindingWords.fromZero(shot, finding))
                                .collect(Collectors.joining(System.lineSeparator())),
                document);
        return found.isEmpty() ? 0 : FOUND;
    }
}
