package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Its fields stand in the document itself, as the first files had them. Mouths that follow words are set by {@code SpeechEdits}. */
public final class SpeechPart extends ShotPart<Speech> {

    public static final SpeechPart SPEECH = new SpeechPart();

    private SpeechPart() {
        super("speech");
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("speech");
    }

    @Override
    public Speech empty() {
        return Speech.NONE;
    }

    @Override
    protected Speech moved(Speech value, FrameChange change) {
        return value.moved(change).orElse(value);
    }

    @Override
    protected Stream<String> ids(Speech value) {
        return value.words().stream().map(Word::id);
    }

    /** A speaker whose level goes has the first mouth level that is no other's. */
    @Override
    protected Speech fitting(Speech value, PartValues shot) {
        return value.speakers().stream().allMatch(speaker -> fitting(speaker, shot) == speaker)
                ? value
                : new Speech(
                        value.script(),
                        value.words(),
                        value.sayings(),
                        fitting(value.speaker(), shot),
                        value.others().stream()
                                .map(other -> fitting(other, shot))
                                .toList());
    }

    private static Speaker fitting(Speaker speaker, PartValues shot) {
        return speaker.level().stream().allMatch(level -> shot.has(LevelsPart.LEVELS, level))
                ? speaker
                : speaker.withLevel(Optional.empty());
    }

    @Override
    public void write(Speech speech, Branch root, Writing writing) {
        root.put("script", speech.script())
                .each("words", speech.words(), SpeechPart::write)
                .each("sayings", speech.sayings(), (saying, to) -> to.put("word", saying.word())
                        .put("phones", String.join(" ", saying.phones())));
        write(speech.speaker(), root);
        root.each("otherSpeakers", speech.others(), SpeechPart::write);
    }

    private static void write(Word word, Branch to) {
        to.put("id", word.id())
                .put("text", word.text())
                .put("startSeconds", word.startSeconds())
                .put("endSeconds", word.endSeconds())
                .put("sureness", word.sureness())
                .put("pinned", word.pinned())
                .put("speaker", word.speaker())
                .each("phones", word.phones(), (phone, p) -> p.put("symbol", phone.symbol())
                        .put("startSeconds", phone.startSeconds())
                        .put("endSeconds", phone.endSeconds())
                        .put("decibels", phone.decibels()));
    }

    private static void write(Speaker speaker, Branch to) {
        to.put("speaker", speaker.name())
                .put("mouthLevel", speaker.level())
                .each("mouths", speaker.mouths(), SpeechPart::write);
        speaker.place()
                .ifPresentOrElse(
                        place -> to.branch("mouthPlace")
                                .put("x", place.x())
                                .put("y", place.y())
                                .put("width", place.width())
                                .put("visible", place.visible()),
                        () -> to.putNothing("mouthPlace"));
        ChartTree.write(speaker.chart(), to.branch("mouthChart"));
        MouthRules rules = speaker.rules();
        to.branch("mouthRules")
                .put("leadMillis", rules.leadMillis())
                .put("leastMillis", rules.leastMillis())
                .put("restMillis", rules.restMillis())
                .put("roundAheadMillis", rules.roundAheadMillis())
                .put("every", rules.every())
                .put("opened", rules.opened());
    }

    private static void write(MouthSpan span, Branch to) {
        to.put("start", span.range().start()).put("frames", span.range().frames());
        if (span.isOwn()) {
            to.put("drawing", span.drawing());
        } else {
            to.put("shape", span.shape());
        }
        to.put("byHand", span.byHand());
    }

    @Override
    public Speech read(Fields root, Reading reading) throws WrongField {
        List<Word> words = root.list("words", SpeechPart::word);
        List<Speech.Saying> sayings = root.listIfAny(
                "sayings",
                saying -> new Speech.Saying(
                        saying.text("word"), List.of(saying.text("phones").split(" "))));
        Speaker speaker = root.make(SpeechPart::speaker);
        List<Speaker> others = root.listIfAny("otherSpeakers", SpeechPart::speaker);
        String script = root.textIfAny("script").orElse("");
        return root.make(from -> new Speech(script, words, sayings, speaker, others));
    }

    private static Speaker speaker(Fields from) throws WrongField {
        return new Speaker(
                from.textIfAny("speaker").orElse(""),
                from.list("mouths", SpeechPart::mouth),
                from.ifAny(
                        "mouthPlace",
                        place -> new MouthPlace(
                                place.number("x"), place.number("y"), place.number("width"), place.flag("visible"))),
                from.ifAny("mouthChart", ChartTree::read).orElse(MouthChart.TEN),
                from.ifAny("mouthRules", SpeechPart::rules).orElse(MouthRules.STANDARD),
                from.textIfAny("mouthLevel"));
    }

    private static MouthSpan mouth(Fields from) throws WrongField {
        FrameRange range = FrameRange.of(from.whole("start"), from.whole("frames"));
        return from.has("drawing")
                ? new MouthSpan(range, "", from.whole("drawing"), from.flag("byHand"))
                : MouthSpan.named(range, from.text("shape"), from.flag("byHand"));
    }

    private static MouthRules rules(Fields from) throws WrongField {
        return new MouthRules(
                from.whole("leadMillis"),
                from.whole("leastMillis"),
                from.whole("restMillis"),
                from.whole("roundAheadMillis"),
                from.whole("every"),
                from.flag("opened"));
    }

    private static Word word(Fields from) throws WrongField {
        return new Word(
                from.text("id"),
                from.text("text"),
                from.number("startSeconds"),
                from.number("endSeconds"),
                from.number("sureness", 1),
                from.flagIfAny("pinned"),
                from.textIfAny("speaker").orElse(""),
                from.listIfAny(
                        "phones",
                        phone -> new Phone(
                                phone.text("symbol"),
                                phone.number("startSeconds"),
                                phone.number("endSeconds"),
                                phone.number("decibels", Phone.NOT_KNOWN))));
    }
}
