package chalktrace.app.cli;

import chalktrace.core.edit.speech.AlignedScript;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Speech;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.speech.AlignedWord;
import chalktrace.core.speech.Alignment;
import chalktrace.core.speech.Pronunciations;
import chalktrace.core.speech.ScriptText;
import chalktrace.media.file.PronunciationFile;
import chalktrace.media.file.SpeechTableJson;
import chalktrace.media.file.TimedSpeech;
import chalktrace.media.sound.SoundFiles;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "align", description = "Find when each word and phoneme of a script is said in a recording.")
final class AlignCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SOUND")
    Path sound;

    @Option(names = "--script", required = true, paramLabel = "FILE", description = "The line as text in UTF-8.")
    Path script;

    @Mixin
    FrameRateOption frames;

    @Option(
            names = "--say",
            paramLabel = "WORD=PHONES",
            description = "How a word is said, such as kettle=\"K EH T AH L\"; as often as wanted.")
    Map<String, String> sayings = Map.of();

    @Option(
            names = "--dictionary",
            paramLabel = "FILE",
            description = "Words and how they are said, one a line: kettle  K EH T AH L.")
    Path dictionary;

    @Option(names = "--to", paramLabel = "FILE", description = "Also write a table: .csv, .json, .vtt or .TextGrid.")
    Path table;

    @Mixin
    MouthOptions mouthOptions;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        String text = Texts.read(script);
        ScriptText written = ScriptText.parse(text);
        List<Speech.Saying> said = new ArrayList<>(dictionary == null ? List.of() : PronunciationFile.read(dictionary));
        sayings.forEach((word, phones) -> said.add(new Speech.Saying(word, Pronunciations.parse(phones))));
        Pronunciations pronunciations = new Pronunciations(said);
        PcmBuffer pcm = SoundFiles.read(sound);
        Percent percent = new Percent(answer);
        AlignedScript aligned =
                AlignedScript.of(AlignedScript.Recording.whole(pcm), written, List.of(), pronunciations, percent::show);
        percent.end();
        Alignment found = aligned.found();
        List<Word> words = aligned.words();
        List<MouthSpan> mouths = mouthOptions.mouths(words, frames.rate, pcm.seconds());
        TimedSpeech speech = new TimedSpeech(words, mouths, List.of());
        if (table != null) {
            speech.write(table, frames.rate);
        }
        answer.print(text(found), document(found, speech, written.words()));
        return 0;
    }

    private String text(Alignment found) {
        StringBuilder out = new StringBuilder();
        if (!found.fits()) {
            out.append("This does not sound like the script; look whether it is the right one.\n");
        }
        Map<Integer, List<AlignedWord>> missing = new HashMap<>();
        found.missing().forEach(row -> missing.put(row.get(0).index(), row));
        for (AlignedWord word : found.words()) {
            if (word.heard()) {
                out.append(String.format(
                        Locale.ROOT,
                        "%8.3f %8.3f %6d %6d  %3.0f %%  %-16s %s%n",
                        word.startSeconds(),
                        word.endSeconds(),
                        frames.rate.nearestFrame(word.startSeconds()),
                        frames.rate.nearestFrame(word.endSeconds()),
                        100 * word.sureness(),
                        word.text(),
                        word.phones().stream().map(Phone::symbol).collect(Collectors.joining(" "))));
            } else if (missing.containsKey(word.index())) {
                String row = missing.get(word.index()).stream()
                        .map(AlignedWord::text)
                        .collect(Collectors.joining(" "));
                out.append(String.format(Locale.ROOT, "%33s  not said  %s%n", "", row));
            }
        }
        for (Alignment.Extra extra : found.extra()) {
            out.append(String.format(
                    Locale.ROOT,
                    "%8.3f %8.3f  %s%n",
                    extra.startSeconds(),
                    extra.endSeconds(),
                    extra.repeats() > 0
                            ? "the " + extra.repeats() + " words before are said again"
                            : "something that the script does not have"));
        }
        return out.toString().stripTrailing();
    }

    /** The words of the table, one for each of the script, also those that were not heard, and the mouth of each frame. */
    private ObjectNode document(Alignment found, TimedSpeech speech, List<ScriptText.Spoken> spoken) {
        ObjectNode root = Answer.object()
                .put("rate", frames.rate.asText())
                .put("fits", found.fits())
                .put("confidence", Math.round(found.sureness() * 1000) / 1000.0)
                .put("warp", found.warp());
        Iterator<JsonNode> heard =
                SpeechTableJson.write(speech, frames.rate).get("words").iterator();
        ArrayNode words = root.putArray("words");
        for (AlignedWord word : found.words()) {
            ObjectNode to = words.addObject();
            if (word.heard()) {
                to.setAll((ObjectNode) heard.next());
            } else {
                int frame = frames.rate.nearestFrame(word.startSeconds());
                to.put("word", word.text())
                        .put("startSeconds", word.startSeconds())
                        .put("endSeconds", word.startSeconds())
                        .put("startFrame", frame)
                        .put("endFrame", frame)
                        .put("confidence", 0)
                        .putArray("phones");
                String speaker = spoken.get(word.index()).speaker();
                if (!speaker.isEmpty()) {
                    to.put("speaker", speaker);
                }
            }
            to.put("heard", word.heard());
        }
        ArrayNode extra = root.putArray("extra");
        for (Alignment.Extra one : found.extra()) {
            extra.addObject()
                    .put("startSeconds", one.startSeconds())
                    .put("endSeconds", one.endSeconds())
                    .put("beforeWord", one.before())
                    .put("repeatsWords", one.repeats());
        }
        MouthOptions.perFrame(root.putArray("mouths"), speech.mouths());
        return root;
    }
}
