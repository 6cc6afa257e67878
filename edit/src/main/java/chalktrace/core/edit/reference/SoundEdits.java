package chalktrace.core.edit.reference;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Edits of sounds on their lanes. */
public final class SoundEdits {

    private SoundEdits() {}

    /**
     * Cuts a sound in two at a time of the shot; together they sound as before. A cut outside of what is heard changes nothing.
     *
     * @param seconds from the shot's first frame
     */
    public static Edit split(String soundId, double seconds, double fileSeconds) {
        return new Edit(EditWords.TEXTS.of("split-a-sound"), shot -> {
            List<SoundClip> out = new ArrayList<>();
            for (SoundClip clip : shot.sounds()) {
                if (!clip.id().equals(soundId) || seconds <= clip.heardFrom() || seconds >= clip.heardTo(fileSeconds)) {
                    out.add(clip);
                    continue;
                }
                double at = seconds - clip.startSeconds();
                out.add(clip.withTrim(new SoundClip.Trim(clip.trim().headSeconds(), fileSeconds - at))
                        .withFade(new SoundClip.Fade(clip.fade().inSeconds(), 0)));
                out.add(clip.withId(shot.newId("sound"))
                        .withTrim(new SoundClip.Trim(at, clip.trim().tailSeconds()))
                        .withFade(new SoundClip.Fade(0, clip.fade().outSeconds())));
            }
            return shot.withSounds(out);
        });
    }

    /**
     * Moves a sound with the words and cues that are in it; mouths follow the words. What would come to lie before the shot's first
     * frame stays.
     *
     * @param along the ids of the words and cues
     */
    public static Edit move(String name, String soundId, double bySeconds, Set<String> along) {
        return new Edit(
                name,
                shot -> carried(
                        shot.withSound(soundId, clip -> clip.withStart(clip.startSeconds() + bySeconds)),
                        bySeconds,
                        along));
    }

    /** With words and cues moved, and the mouths of the words. */
    static Shot carried(Shot shot, double bySeconds, Set<String> along) {
        Shot moved = shot.withCues(shot.cues().stream()
                .map(cue -> along.contains(cue.id()) && cue.seconds() + bySeconds >= 0
                        ? cue.withSeconds(cue.seconds() + bySeconds)
                        : cue)
                .toList());
        List<Word> words = shot.words().stream()
                .map(word -> along.contains(word.id()) && word.startSeconds() + bySeconds >= 0
                        ? word.withTimes(word.startSeconds() + bySeconds, word.endSeconds() + bySeconds)
                        : word)
                .toList();
        return words.equals(shot.words()) ? moved : SpeechEdits.mouthsAnew(moved.withWords(words));
    }
}
