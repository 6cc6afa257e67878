package chalktrace.app.cli;

import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Word;
import chalktrace.media.file.MouthFiles;
import chalktrace.media.file.TimedSpeech;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "mouths", description = "Set mouths on frames from a table of words and phonemes.")
final class MouthsCommand implements Callable<Integer> {

    /** So long the mouth is seen to rest after the last word. */
    private static final double AFTER_SECONDS = 0.5;

    /** What is wanted, one of these. */
    static final class What {
        @Parameters(paramLabel = "TABLE", arity = "0..1", description = ".csv, .json, .vtt or .TextGrid.")
        Path table;

        @Option(names = "--write-chart", paramLabel = "FILE", description = "Write the chart as JSON, to be changed.")
        Path writeChart;
    }

    @ArgGroup(multiplicity = "1")
    What what;

    @Mixin
    FrameRateOption frames;

    @Mixin
    MouthOptions mouthOptions;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        if (what.writeChart != null) {
            MouthFiles.write(mouthOptions.chart(), what.writeChart);
            answer.print("wrote " + what.writeChart, Answer.object().put("chart", what.writeChart.toString()));
            return 0;
        }
        List<Word> words = TimedSpeech.read(what.table, frames.rate).words();
        double end = words.stream().mapToDouble(Word::endSeconds).max().orElse(0);
        List<MouthSpan> mouths = mouthOptions.mouths(words, frames.rate, end + AFTER_SECONDS);
        ObjectNode document = Answer.object().put("rate", frames.rate.asText());
        MouthOptions.perFrame(document.putArray("mouths"), mouths);
        answer.print(
                mouths.stream()
                        .map(span -> String.format(
                                Locale.ROOT,
                                "%6d %6d  %s",
                                span.range().start(),
                                span.range().last(),
                                span.name()))
                        .collect(Collectors.joining("\n")),
                document);
        return 0;
    }
}
