package chalktrace.core.edit.reference;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.StillView;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Edits of footage and sound. */
public final class ReferenceEdits {

    private ReferenceEdits() {}

    /** Takes footage in, in front of the footage that is there and under the drawings, with its own sound if any. */
    public static Edit takeIn(Footage footage, List<SoundClip> itsSound) {
        return new Edit(EditWords.TEXTS.of("import", footage.name()), shot -> {
            List<Footage> all = new ArrayList<>(shot.footage());
            all.add(0, footage);
            return withSounds(shot.withFootage(all), itsSound);
        });
    }

    public static Edit takeIn(SoundClip sound) {
        return new Edit(EditWords.TEXTS.of("import", sound.name()), shot -> withSounds(shot, List.of(sound)));
    }

    public static Edit change(String name, String footageId, UnaryOperator<Footage> change) {
        return new Edit(name, shot -> shot.withFootage(footageId, change));
    }

    public static Edit changeSound(String name, String soundId, UnaryOperator<SoundClip> change) {
        return new Edit(name, shot -> shot.withSound(soundId, change));
    }

    /**
     * Lets footage start on another frame; its span, its views and the sound that is attached to it move along.
     *
     * @param along the ids of the words and cues that are in that sound
     */
    public static Edit moveTo(String footageId, int startFrame, Set<String> along) {
        return new Edit(EditWords.TEXTS.of("move-footage"), shot -> shot.footage(footageId)
                .map(clip -> moved(shot, clip, startFrame - clip.conform().startFrame(), along))
                .orElse(shot));
    }

    private static Shot moved(Shot shot, Footage clip, int by, Set<String> along) {
        double seconds = shot.setup().rate().seconds(by);
        Shot moved = shot.withFootage(clip.id(), f -> f.withConform(
                                f.conform().withStartFrame(f.conform().startFrame() + by))
                        .withSpan(f.span().map(span -> new FrameRange(span.start() + by, span.end() + by)))
                        .withViews(f.views().stream()
                                .map(view -> new StillView(view.start() + by, view.picture(), view.region()))
                                .toList()))
                .withSounds(shot.sounds().stream()
                        .map(sound -> sound.footage().equals(clip.id())
                                ? sound.withStart(sound.startSeconds() + seconds)
                                : sound)
                        .toList());
        return SoundEdits.carried(moved, seconds, along);
    }

    /** Lets a sound go its own way, apart from the footage that it came with. */
    public static Edit detach(String soundId) {
        return changeSound(EditWords.TEXTS.of("detach-a-sound"), soundId, sound -> sound.withFootage(""));
    }

    /** Puts another file in the place of one, for all footage and sound that comes from it; all else stays. */
    public static Edit relink(String lost, String found) {
        return relink(Map.of(lost, found));
    }

    /** Puts other files in the place of some, by their paths. */
    public static Edit relink(Map<String, String> foundByLost) {
        return new Edit(
                EditWords.TEXTS.of("put-another-file-in-place"), shot -> shot.withFootage(shot.footage().stream()
                                .map(clip -> clip.withFile(foundByLost.getOrDefault(clip.file(), clip.file())))
                                .toList())
                        .withSounds(shot.sounds().stream()
                                .map(clip -> clip.withFile(foundByLost.getOrDefault(clip.file(), clip.file())))
                                .toList()));
    }

    /** Takes a reference, with its own sound and what others borrow of it, out of the shot; its file stays where it is. */
    public static Edit remove(String id) {
        return new Edit(EditWords.TEXTS.of("take-a-reference-out"), shot -> shot.withFootage(shot.footage().stream()
                        .filter(clip -> !clip.id().equals(id))
                        .map(clip -> clip.borrowsFrom(id) ? clip.staged(use -> use.withMotion("")) : clip)
                        .toList())
                .withSounds(shot.sounds().stream()
                        .filter(clip -> !clip.id().equals(id) && !clip.footage().equals(id))
                        .toList()));
    }

    private static Shot withSounds(Shot shot, List<SoundClip> more) {
        List<SoundClip> all = new ArrayList<>(shot.sounds());
        all.addAll(more);
        return shot.withSounds(all);
    }
}
