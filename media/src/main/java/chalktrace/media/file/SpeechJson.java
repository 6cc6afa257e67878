package chalktrace.media.file;

import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthRules;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Speaker;
import chalktrace.core.shot.Speech;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Optional;

/** What is said in a shot, as part of its JSON document. */
final class SpeechJson {

    private SpeechJson() {}

    static void write(Speech speech, ObjectNode root) {
        root.put("script", speech.script());
        ShotJson.each(root, "words", speech.words(), (word, to) -> {
            to.put("id", word.id())
                    .put("text", word.text())
                    .put("startSeconds", word.startSeconds())
                    .put("endSeconds", word.endSeconds())
                    .put("sureness", word.sureness())
                    .put("pinned", word.pinned())
                    .put("speaker", word.speaker());
            ShotJson.each(to, "phones", word.phones(), (phone, p) -> p.put("symbol", phone.symbol())
                    .put("startSeconds", phone.startSeconds())
                    .put("endSeconds", phone.endSeconds())
                    .put("decibels", phone.decibels()));
        });
        ShotJson.each(root, "sayings", speech.sayings(), (saying, to) -> to.put("word", saying.word())
                .put("phones", String.join(" ", saying.phones())));
        write(speech.speaker(), root);
        ShotJson.each(root, "otherSpeakers", speech.others(), SpeechJson::write);
    }

    private static void write(Speaker speaker, ObjectNode root) {
        root.put("speaker", speaker.name());
        root.put("mouthLevel", speaker.level().orElse(null));
        ShotJson.each(root, "mouths", speaker.mouths(), (span, to) -> {
            to.put("start", span.range().start()).put("frames", span.range().frames());
            if (span.isOwn()) {
                to.put("drawing", span.drawing());
            } else {
                to.put("shape", span.shape());
            }
            to.put("byHand", span.byHand());
        });
        speaker.place()
                .ifPresentOrElse(
                        place -> root.putObject("mouthPlace")
                                .put("x", place.x())
                                .put("y", place.y())
                                .put("width", place.width())
                                .put("visible", place.visible()),
                        () -> root.putNull("mouthPlace"));
        MouthFiles.write(speaker.chart(), root.putObject("mouthChart"));
        MouthRules rules = speaker.rules();
        root.putObject("mouthRules")
                .put("leadMillis", rules.leadMillis())
                .put("leastMillis", rules.leastMillis())
                .put("restMillis", rules.restMillis())
                .put("roundAheadMillis", rules.roundAheadMillis())
                .put("every", rules.every())
                .put("opened", rules.opened());
    }

    static Speech read(JsonFields fields) throws JsonFields.WrongField {
        List<Word> words = fields.list("words", item -> item.make(SpeechJson::word));
        List<Speech.Saying> sayings = fields.has("sayings")
                ? fields.list(
                        "sayings",
                        item -> item.make(f -> new Speech.Saying(
                                f.text("word"), List.of(f.text("phones").split(" ")))))
                : List.of();
        Speaker speaker = speaker(fields);
        List<Speaker> others =
                fields.has("otherSpeakers") ? fields.list("otherSpeakers", SpeechJson::speaker) : List.of();
        String script = fields.has("script") ? fields.text("script") : "";
        return fields.make(f -> new Speech(script, words, sayings, speaker, others));
    }

    private static Speaker speaker(JsonFields fields) throws JsonFields.WrongField {
        List<MouthSpan> mouths = fields.list("mouths", item -> item.make(SpeechJson::mouth));
        Optional<MouthPlace> place = fields.has("mouthPlace")
                ? Optional.of(fields.object("mouthPlace")
                        .make(f -> new MouthPlace(f.number("x"), f.number("y"), f.number("width"), f.flag("visible"))))
                : Optional.empty();
        return new Speaker(
                fields.has("speaker") ? fields.text("speaker") : "",
                mouths,
                place,
                fields.has("mouthChart") ? MouthFiles.read(fields.object("mouthChart")) : MouthChart.TEN,
                fields.has("mouthRules") ? fields.object("mouthRules").make(SpeechJson::rules) : MouthRules.STANDARD,
                fields.has("mouthLevel") ? Optional.of(fields.text("mouthLevel")) : Optional.empty());
    }

    private static MouthSpan mouth(JsonFields f) throws JsonFields.WrongField {
        FrameRange range = FrameRange.of(f.whole("start"), f.whole("frames"));
        return f.has("drawing")
                ? new MouthSpan(range, "", f.whole("drawing"), f.flag("byHand"))
                : MouthSpan.named(range, f.text("shape"), f.flag("byHand"));
    }

    private static MouthRules rules(JsonFields f) throws JsonFields.WrongField {
        return new MouthRules(
                f.whole("leadMillis"),
                f.whole("leastMillis"),
                f.whole("restMillis"),
                f.whole("roundAheadMillis"),
                f.whole("every"),
                f.flag("opened"));
    }

    private static Word word(JsonFields f) throws JsonFields.WrongField {
        List<Phone> phones = f.has("phones")
                ? f.list(
                        "phones",
                        p -> p.make(x -> new Phone(
                                x.text("symbol"),
                                x.number("startSeconds"),
                                x.number("endSeconds"),
                                x.has("decibels") ? x.number("decibels") : Phone.NOT_KNOWN)))
                : List.of();
        return new Word(
                f.text("id"),
                f.text("text"),
                f.number("startSeconds"),
                f.number("endSeconds"),
                f.has("sureness") ? f.number("sureness") : 1,
                f.has("pinned") && f.flag("pinned"),
                f.has("speaker") ? f.text("speaker") : "",
                phones);
    }
}
