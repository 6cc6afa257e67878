package chalktrace.app.cli;

import chalktrace.core.time.Conform;
import chalktrace.core.time.ConformReport;
import chalktrace.core.time.FrameRate;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "conform", description = "List which picture of a source each frame of a shot shows. All from 0.")
final class ConformCommand implements Callable<Integer> {

    @Parameters(paramLabel = "CLIP")
    Path clip;

    @Option(
            names = "--rate",
            paramLabel = "R",
            converter = NewCommand.Rate.class,
            description = "Of the shot; the source's own when not given.")
    FrameRate rate;

    @Mixin
    ConformOptions options;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        try (Reference reference = References.open(clip)) {
            FrameRate shotRate = rate == null ? reference.rate() : rate;
            Conform conform = options.conform(0, reference.times());
            ConformReport report = ConformReport.of(conform, shotRate, reference.times());
            answer.print(text(report, shotRate), document(report, shotRate));
        }
        return 0;
    }

    private static String text(ConformReport report, FrameRate rate) {
        StringBuilder out = new StringBuilder(String.format(
                Locale.ROOT,
                "%d frames at %s a second (%.3f s); %d pictures repeat, %d are left out%n  frame  picture  seconds",
                report.rows().size(),
                rate.spoken(),
                report.seconds(),
                report.repeated().size(),
                report.dropped().size()));
        for (ConformReport.Row row : report.rows()) {
            out.append(
                    String.format(Locale.ROOT, "%n%7d  %7d  %7.3f", row.frame(), row.picture(), row.pictureSeconds()));
        }
        return out.toString();
    }

    private static ObjectNode document(ConformReport report, FrameRate rate) {
        ObjectNode document = Answer.object()
                .put("rate", rate.asText())
                .put("frames", report.rows().size())
                .put("seconds", report.seconds());
        ArrayNode rows = document.putArray("rows");
        for (ConformReport.Row row : report.rows()) {
            rows.addObject()
                    .put("frame", row.frame())
                    .put("picture", row.picture())
                    .put("seconds", row.pictureSeconds());
        }
        numbers(document.putArray("repeated"), report.repeated());
        numbers(document.putArray("dropped"), report.dropped());
        return document;
    }

    private static void numbers(ArrayNode to, List<Integer> from) {
        from.forEach(to::add);
    }
}
