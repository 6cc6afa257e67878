package chalktrace.app.sound;

import chalktrace.app.kernel.Document;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.edit.reference.SoundEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** Moves sounds on the ruler, and what is in them with them. Lives on the FX thread. */
public final class SoundMoves {

    /** A cue that lies so little outside of a sound is still in it. */
    private static final double SLACK_SECONDS = 0.05;

    private final Document document;
    private final VoiceSound voice;
    private final Sounds sounds;

    public SoundMoves(Document document, VoiceSound voice, Sounds sounds) {
        this.document = document;
        this.voice = voice;
        this.sounds = sounds;
    }

    /** Moves a sound; the cues in it go along, and the words where it is the voice. */
    public void move(String name, String soundId, double bySeconds) {
        document.apply(SoundEdits.move(name, soundId, bySeconds, withSound(soundId)));
    }

    /** The ids of the cues and words that move with a sound. */
    public Set<String> withSound(String soundId) {
        return along(clip -> clip.id().equals(soundId));
    }

    /** Lets footage start on another frame; what is in the sound that is attached to it goes along. */
    public void moveFootage(String footageId, int startFrame) {
        document.apply(ReferenceEdits.moveTo(
                footageId, startFrame, along(clip -> clip.footage().equals(footageId))));
    }

    /** The ids of the cues that lie in such sounds, and of the words in those that are the voice. */
    private Set<String> along(Predicate<SoundClip> moving) {
        Shot shot = document.shot();
        Set<String> out = new HashSet<>();
        for (Cue cue : shot.cues()) {
            Optional<SoundClip> in = soundOf(cue).or(() -> shot.sounds().stream()
                    .filter(clip -> isIn(clip, cue.seconds()))
                    .findFirst());
            in.filter(moving).ifPresent(clip -> out.add(cue.id()));
        }
        shot.sounds().stream().filter(moving).filter(this::isTheVoice).forEach(clip -> shot.words().stream()
                .filter(word -> isIn(clip, word.startSeconds()))
                .map(Word::id)
                .forEach(out::add));
        return out;
    }

    /** A sound that was chosen for the voice, or in which all words lie: a short effect beside the words is none. */
    private boolean isTheVoice(SoundClip clip) {
        return clip.id().equals(voice.chosenProperty().get())
                || document.shot().words().stream().allMatch(word -> isIn(clip, word.startSeconds()));
    }

    /** The shortest of the sounds in which a cue lies that go their own way. */
    public Optional<SoundClip> soundOf(Cue cue) {
        return document.shot().sounds().stream()
                .filter(clip -> !clip.isAttached() && isIn(clip, cue.seconds()))
                .min(Comparator.comparingDouble(
                        clip -> sounds.of(clip).orElseThrow().seconds()));
    }

    private boolean isIn(SoundClip clip, double seconds) {
        return sounds.of(clip)
                .filter(pcm -> seconds >= clip.heardFrom() - SLACK_SECONDS
                        && seconds <= clip.heardTo(pcm.seconds()) + SLACK_SECONDS)
                .isPresent();
    }
}
