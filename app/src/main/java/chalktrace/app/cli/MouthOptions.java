package chalktrace.app.cli;

import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthRules;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Speaker;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.PhoneMouths;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.MouthFiles;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Option;

/** How mouths are set from phones. */
final class MouthOptions {

    @Option(
            names = "--chart",
            paramLabel = "FILE|ten|six",
            description = "The mouth chart (ten).",
            defaultValue = "ten")
    String chart;

    @Option(names = "--lead", paramLabel = "MS", description = "How much earlier than sounds mouths are (42).")
    Integer lead;

    @Option(names = "--twos", description = "Change mouths on every second frame only.")
    boolean twos;

    @Option(names = "--of", paramLabel = "NAME", description = "Mouths of one who speaks; without it of all.")
    String speaker;

    MouthChart chart() throws UnreadableException {
        return switch (chart) {
            case "ten" -> MouthChart.TEN;
            case "six" -> MouthChart.SIX;
            default -> MouthFiles.read(Path.of(chart));
        };
    }

    /** @param seconds how long the line is, pauses at its ends included */
    List<MouthSpan> mouths(List<Word> words, FrameRate rate, double seconds) throws UnreadableException {
        MouthRules standard = MouthRules.STANDARD;
        MouthRules rules = new MouthRules(
                lead == null ? standard.leadMillis() : lead,
                standard.leastMillis(),
                standard.restMillis(),
                standard.roundAheadMillis(),
                twos ? 2 : 1,
                true);
        int frames = Math.max(1, (int) Math.ceil(seconds * rate.framesPerSecond() - 1e-6));
        return PhoneMouths.of(spoken(words), chart(), rules, rate, frames);
    }

    private List<Word> spoken(List<Word> words) {
        if (speaker == null) {
            return words;
        }
        List<String> names = words.stream()
                .map(Word::speaker)
                .filter(name -> !name.isEmpty())
                .distinct()
                .toList();
        if (!names.contains(speaker)) {
            throw new IllegalArgumentException("Nobody called " + speaker + " speaks here; "
                    + (names.isEmpty() ? "nobody is named." : "those who do are " + String.join(", ", names) + "."));
        }
        return words.stream().filter(Speaker.EVERYBODY.withName(speaker)::says).toList();
    }

    static void perFrame(ArrayNode to, List<MouthSpan> mouths) {
        for (MouthSpan span : mouths) {
            for (int frame = span.range().start(); frame < span.range().end(); frame++) {
                to.addObject().put("frame", frame).put("mouth", span.name());
            }
        }
    }
}
