package chalktrace.app.sound;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.words.Words;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.edit.reference.SoundEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.Onsets;
import chalktrace.core.sound.PcmBuffer;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
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
    private final Transport transport;
    private final Proposals proposals;
    private final Notices notices;

    public SoundMoves(
            Document document,
            VoiceSound voice,
            Sounds sounds,
            Transport transport,
            Proposals proposals,
            Notices notices) {
        this.document = document;
        this.voice = voice;
        this.sounds = sounds;
        this.transport = transport;
        this.proposals = proposals;
        this.notices = notices;
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

    /**
     * Lays an effect so that its strongest start falls on the gate's frame, or earlier by a lead: a step on its contact.
     *
     * @param leadFrames how much earlier it is meant to sound
     */
    public void placeOnGate(String soundId, double leadFrames) {
        Optional<SoundClip> clip = document.shot().sound(soundId);
        Optional<PcmBuffer> pcm = clip.flatMap(sounds::of);
        int gate = transport.frame();
        if (pcm.isPresent()) {
            Set<String> along = withSound(soundId);
            proposals.propose(
                    Words.VOICE.of("find-where-the-sound-starts"),
                    now -> List.of(now.sound(soundId), now.cues(), now.words()),
                    (now, job) -> strongest(clip.get(), pcm.get())
                            .map(hit -> now.setup().rate().seconds(gate)
                                    - leadFrames / now.setup().rate().framesPerSecond()
                                    - hit
                                    - clip.get().startSeconds())
                            .map(by -> Proposals.Outcome.of(
                                    SoundEdits.move(Words.VOICE.of("place-a-sound"), soundId, by, along)))
                            .orElse(Proposals.Outcome.only(() -> notices.problem(Words.VOICE.of(
                                    "nothing-starts-in-it-was", clip.get().name())))));
        }
    }

    /** Where the strongest start in what is heard of a sound lies, in seconds of its file. */
    private static Optional<Double> strongest(SoundClip clip, PcmBuffer pcm) {
        double end = pcm.seconds() - clip.trim().tailSeconds();
        return Onsets.of(pcm, done -> true).stream()
                .filter(onset -> onset.seconds() >= clip.trim().headSeconds() && onset.seconds() <= end)
                .max(Comparator.comparingDouble(Onsets.Onset::strength))
                .map(Onsets.Onset::seconds);
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
