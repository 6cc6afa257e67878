package chalktrace.app.sound;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Notices;
import chalktrace.app.words.Words;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.PcmBuffer;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** Which sound of the shot is listened to, and what is in it. Lives on the FX thread. */
public final class VoiceSound {

    private final Document document;
    private final Sounds sounds;
    private final Notices notices;
    private final ObjectProperty<String> chosen = new SimpleObjectProperty<>();

    public VoiceSound(Document document, Sounds sounds, Notices notices) {
        this.document = document;
        this.sounds = sounds;
        this.notices = notices;
        document.whenOpened(() -> chosen.set(null));
    }

    /** The sound in which the line is spoken, by its id; null for the one that is taken by itself. */
    public ObjectProperty<String> chosenProperty() {
        return chosen;
    }

    /** The sound that is chosen, or else the first that is nobody's footage and heard, or else the first. */
    public Optional<SoundClip> clip() {
        List<SoundClip> all = document.shot().sounds();
        return all.stream()
                .filter(clip -> clip.id().equals(chosen.get()))
                .findFirst()
                .or(() -> all.stream()
                        .filter(clip -> !clip.isAttached() && !clip.muted())
                        .findFirst())
                .or(() -> all.stream().findFirst());
    }

    /** A sound that is read, with where it lies. */
    public record Heard(SoundClip clip, PcmBuffer pcm) {

        public double from() {
            return clip.trim().headSeconds();
        }

        public double to() {
            return Math.max(from(), pcm.seconds() - clip.trim().tailSeconds());
        }
    }

    /** The sound, where it is read; else what is missing is said. */
    public Optional<Heard> heard() {
        Optional<SoundClip> clip = clip();
        if (clip.isEmpty()) {
            notices.problem(Words.VOICE.of("there-is-no-sound-in"));
            return Optional.empty();
        }
        Optional<PcmBuffer> pcm = sounds.of(clip.get());
        if (pcm.isEmpty()) {
            notices.problem(Optional.ofNullable(sounds.problems().get(clip.get().file()))
                    .orElse(Words.VOICE.of("is-still-being-read-try", clip.get().name())));
        }
        return pcm.map(read -> new Heard(clip.get(), read));
    }
}
