package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.Optional;
import java.util.stream.Stream;

public final class SoundsPart extends ListPart<SoundClip> {

    public static final SoundsPart SOUNDS = new SoundsPart();

    private SoundsPart() {
        super("sounds", true);
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("sounds");
    }

    @Override
    protected Optional<String> id(SoundClip clip) {
        return Optional.of(clip.id());
    }

    @Override
    protected Optional<SoundClip> itemMoved(SoundClip clip, FrameChange change) {
        return clip.moved(change);
    }

    @Override
    protected Stream<Reference> references(SoundClip clip) {
        return clip.isAttached() ? Stream.of(Reference.to(clip.footage(), FootagePart.FOOTAGE)) : Stream.empty();
    }

    /** The sound of footage that goes is heard on its own. */
    @Override
    protected Optional<SoundClip> without(SoundClip clip, Reference gone) {
        return Optional.of(clip.withFootage(""));
    }

    @Override
    protected void writeItem(SoundClip clip, Branch to, Writing writing) {
        to.put("id", clip.id())
                .put("name", clip.name())
                .put("file", writing.path(clip.file()))
                .put("startSeconds", clip.startSeconds())
                .put("gainDecibels", clip.gainDecibels())
                .put("muted", clip.muted())
                .put("headSeconds", clip.trim().headSeconds())
                .put("tailSeconds", clip.trim().tailSeconds())
                .put("footage", clip.footage())
                .put("fadeInSeconds", clip.fade().inSeconds())
                .put("fadeOutSeconds", clip.fade().outSeconds())
                .put("solo", clip.solo());
    }

    @Override
    protected SoundClip readItem(Fields from, Reading reading) throws WrongField {
        return new SoundClip(
                from.text("id"),
                from.text("name"),
                reading.path(from.text("file")),
                from.number("startSeconds"),
                from.number("gainDecibels"),
                from.flag("muted"),
                new SoundClip.Trim(from.number("headSeconds", 0), from.number("tailSeconds", 0)),
                from.textIfAny("footage").orElse(""),
                new SoundClip.Fade(from.number("fadeInSeconds", 0), from.number("fadeOutSeconds", 0)),
                from.flagIfAny("solo"));
    }
}
