package chalktrace.app.session;

import chalktrace.core.edit.SoundEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** Moves sounds on the ruler, and what is in them with them. Lives on the FX thread. */
public final class SoundMoves {

    /** A cue that lies so little outside of a sound is still in it. */
    private static final double SLACK_SECONDS = 0.05;

    private final Document document;
    private final VoiceSound voice;
    private final Sounds sounds;

    SoundMoves(Document document, VoiceSound voice, Sounds sounds) {
        this.document = document;
        this.voice = voice;
        this.sounds = sounds;
    }

    /** Moves a sound; the cues in it go along, and the words where it is the voice. */
    public void move(String name, String soundId, double bySeconds) {
        Shot shot = document.shot();
        Set<String> along = new HashSet<>();
        shot.cues().stream()
                .filter(cue ->
                        soundOf(cue).filter(clip -> clip.id().equals(soundId)).isPresent())
                .map(Cue::id)
                .forEach(along::add);
        voice.clip().filter(clip -> clip.id().equals(soundId)).ifPresent(clip -> shot.words().stream()
                .filter(word -> isIn(clip, word.startSeconds()))
                .map(Word::id)
                .forEach(along::add));
        document.apply(SoundEdits.move(name, soundId, bySeconds, along));
    }

    /** The shortest of the sounds in which a cue lies that go their own way. */
    Optional<SoundClip> soundOf(Cue cue) {
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
