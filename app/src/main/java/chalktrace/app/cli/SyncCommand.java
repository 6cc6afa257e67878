package chalktrace.app.cli;

import chalktrace.core.check.SyncReport;
import chalktrace.core.shot.Shot;
import chalktrace.media.file.ShotFile;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "sync", description = "Say how well each cue of a shot meets the picture that it is linked to.")
final class SyncCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SHOT.chalk")
    Path file;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        Shot shot = ShotFile.open(file).shot();
        List<SyncReport.Row> rows = SyncReport.of(shot);
        ObjectNode document = Answer.object().put("rate", shot.setup().rate().asText());
        ArrayNode all = document.putArray("pairs");
        StringBuilder text = new StringBuilder("  sound s   frame  picture s   late ms  frames  verdict  cue");
        for (SyncReport.Row row : rows) {
            double frames = row.differenceSeconds() * shot.setup().rate().framesPerSecond();
            String verdict = row.verdict().name().toLowerCase(Locale.ROOT);
            all.addObject()
                    .put("cue", row.cue().name())
                    .put("soundSeconds", row.cue().seconds())
                    .put("frame", row.tie().frame())
                    .put("pictureSeconds", row.pictureSeconds())
                    .put("leadFrames", row.tie().leadFrames())
                    .put("lateMillis", Math.round(row.millis() * 1000) / 1000.0)
                    .put("lateFrames", frames)
                    .put("verdict", verdict);
            text.append(String.format(
                    Locale.ROOT,
                    "%n%9.3f  %6d  %9.3f  %8.1f  %6.2f  %-7s  %s",
                    row.cue().seconds(),
                    row.tie().frame(),
                    row.pictureSeconds(),
                    row.millis(),
                    frames,
                    verdict,
                    row.cue().name()));
        }
        long untied = shot.cues().stream().filter(cue -> cue.tie().isEmpty()).count();
        document.put("untied", untied);
        if (untied > 0) {
            text.append(System.lineSeparator()).append(untied).append(" cues are not linked");
        }
        answer.print(text.toString(), document);
        return 0;
    }
}
