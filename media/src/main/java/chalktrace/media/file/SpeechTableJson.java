package chalktrace.media.file;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;

/** Words with their phones, mouths and cues as a JSON document; the command line prints the same. */
public final class SpeechTableJson {

    private SpeechTableJson() {}

    /** @param rate for the frames beside the seconds, counted from 0 */
    public static ObjectNode write(TimedSpeech speech, FrameRate rate) {
        Branch root = new Branch().put("rate", rate.asText());
        root.each("words", speech.words(), (word, to) -> {
            to.put("word", word.text());
            times(to, word.startSeconds(), word.endSeconds(), rate);
            to.put("confidence", Math.round(word.sureness() * 1000) / 1000.0);
            if (!word.speaker().isEmpty()) {
                to.put("speaker", word.speaker());
            }
            to.each("phones", word.phones(), (phone, p) -> {
                p.put("phone", phone.symbol());
                times(p, phone.startSeconds(), phone.endSeconds(), rate);
            });
        });
        root.each("mouths", speech.mouths(), (mouth, to) -> to.put("mouth", mouth.name())
                .put("startFrame", mouth.range().start())
                .put("endFrame", mouth.range().end()));
        root.each("cues", speech.cues(), (cue, to) -> to.put("cue", cue.name())
                .put("seconds", cue.seconds())
                .put("frame", rate.nearestFrame(cue.seconds())));
        return TreeJson.json(root);
    }

    private static void times(Branch to, double start, double end, FrameRate rate) {
        to.put("startSeconds", micro(start))
                .put("endSeconds", micro(end))
                .put("startFrame", rate.nearestFrame(start))
                .put("endFrame", rate.nearestFrame(end));
    }

    private static double micro(double seconds) {
        return Math.round(seconds * 1e6) / 1e6;
    }

    static TimedSpeech read(String text, FrameRate rate) throws TimedSpeech.Wrong {
        try {
            Fields root = Fields.of(TreeJson.tree(new ObjectMapper().readTree(text)));
            List<Word> words = new ArrayList<>();
            for (Fields item : root.items("words")) {
                int n = words.size() + 1;
                words.add(item.make(f -> new Word(
                        "word-" + n,
                        f.text("word"),
                        f.number("startSeconds"),
                        f.number("endSeconds"),
                        f.has("confidence") ? f.number("confidence") : 1,
                        false,
                        f.has("speaker") ? f.text("speaker") : "",
                        f.has("phones")
                                ? f.list(
                                        "phones",
                                        p -> new Phone(
                                                p.text("phone"), p.number("startSeconds"), p.number("endSeconds")))
                                : List.of())));
            }
            List<Cue> cues = new ArrayList<>();
            for (Fields item : root.has("cues") ? root.items("cues") : List.<Fields>of()) {
                int n = cues.size() + 1;
                cues.add(item.make(f -> new Cue("cue-" + n, f.text("cue"), f.number("seconds"))));
            }
            List<MouthSpan> mouths = root.has("mouths")
                    ? root.list(
                            "mouths",
                            item -> MouthSpan.named(
                                    new FrameRange(item.whole("startFrame"), item.whole("endFrame")),
                                    item.text("mouth"),
                                    true))
                    : List.of();
            return new TimedSpeech(words, mouths, cues);
        } catch (WrongField e) {
            throw new TimedSpeech.Wrong("is not as it should be: " + e.getMessage());
        } catch (JsonProcessingException e) {
            throw new TimedSpeech.Wrong("is no JSON text: line "
                    + (e.getLocation() == null ? 1 : e.getLocation().getLineNr()));
        }
    }
}
