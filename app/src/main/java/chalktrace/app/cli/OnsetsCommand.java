package chalktrace.app.cli;

import chalktrace.core.sound.OnsetGroups;
import chalktrace.core.sound.Onsets;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.Tempo;
import chalktrace.media.sound.SoundFiles;
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

@Command(name = "onsets", description = "Find onsets: steps, hits, clinks.")
final class OnsetsCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SOUND")
    Path sound;

    @Mixin
    FrameRateOption frames;

    @Option(
            names = "--grouping",
            paramLabel = "0..1",
            description =
                    "How readily onsets count as one event, such as heel and toe of a step: 0 fine (each alone) to 1"
                            + " coarse; usually 0.5.")
    double grouping = OnsetGroups.USUAL;

    @Option(names = "--beats", description = "Also find the beat of music.")
    boolean beats;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        PcmBuffer pcm = SoundFiles.read(sound);
        List<Onsets.Onset> onsets = Onsets.of(pcm, done -> true);
        if (!(grouping >= 0 && grouping <= 1)) {
            throw new IllegalArgumentException("--grouping is 0 (fine) to 1 (coarse), not " + grouping + ".");
        }
        ObjectNode document = Answer.object().put("rate", frames.rate.asText()).put("grouping", grouping);
        ArrayNode rows = document.putArray("onsets");
        StringBuilder text = new StringBuilder("  seconds   frame  strength");
        for (OnsetGroups.Event event : OnsetGroups.of(pcm, onsets, grouping)) {
            Onsets.Onset onset = event.contact();
            int frame = frames.rate.nearestFrame(onset.seconds());
            ObjectNode row = rows.addObject()
                    .put("seconds", onset.seconds())
                    .put("frame", frame)
                    .put("strength", Math.round(onset.strength() * 1000) / 1000.0);
            ArrayNode parts = row.putArray("parts");
            event.parts().forEach(part -> parts.add(Math.round(part.seconds() * 1000) / 1000.0));
            text.append(String.format(Locale.ROOT, "%n%9.3f  %6d  %8.2f", onset.seconds(), frame, onset.strength()));
        }
        if (beats) {
            Tempo tempo = Tempo.of(Onsets.strength(pcm, done -> true), Onsets.stepSeconds());
            double perBeat = tempo.secondsPerBeat() * frames.rate.framesPerSecond();
            document.putObject("tempo")
                    .put("beatsPerMinute", tempo.beatsPerMinute())
                    .put("firstSeconds", tempo.firstSeconds())
                    .put("framesPerBeat", perBeat)
                    .put("sureness", tempo.sureness());
            text.append(String.format(
                    Locale.ROOT,
                    "%n%.2f beats a minute, %.2f frames a beat, the first at %.3f s",
                    tempo.beatsPerMinute(),
                    perBeat,
                    tempo.firstSeconds()));
        }
        answer.print(text.toString(), document);
        return 0;
    }
}
