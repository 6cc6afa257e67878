package chalktrace.core.edit;

import chalktrace.core.shot.SoundClip;
import java.util.ArrayList;
import java.util.List;

/** Edits of sounds on their lanes. */
public final class SoundEdits {

    private SoundEdits() {}

    /**
     * Cuts a sound in two at a time of the shot; together they sound as before. A cut outside of what is heard changes nothing.
     *
     * @param seconds from the shot's first frame
     */
    public static Edit split(String soundId, double seconds, double fileSeconds) {
        return new Edit("split a sound", shot -> {
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
}
