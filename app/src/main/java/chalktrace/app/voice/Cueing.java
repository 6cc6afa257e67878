package chalktrace.app.voice;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.sound.SoundMoves;
import chalktrace.app.sound.VoiceSound;
import chalktrace.app.words.Words;
import chalktrace.core.edit.timing.CueEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.OnsetGroups;
import chalktrace.core.sound.Onsets;
import chalktrace.core.sound.SpeechActivity;
import chalktrace.core.sound.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleDoubleProperty;

/** Moments in sounds that the picture must meet: found, kept, and brought together. Lives on the FX thread. */
final class Cueing {

    private final Document document;
    private final VoiceSound voice;
    private final SoundMoves moves;
    private final Proposals proposals;
    private final Notices notices;
    private final ReadOnlyObjectWrapper<List<Onsets.Onset>> candidates = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Tempo> tempo = new ReadOnlyObjectWrapper<>();

    private final DoubleProperty grouping = new SimpleDoubleProperty(OnsetGroups.USUAL);
    private Optional<FoundOnsets> found = Optional.empty();

    /** All onsets of a sound, before they are grouped. */
    private record FoundOnsets(VoiceSound.Heard heard, List<Onsets.Onset> onsets) {}

    Cueing(Document document, VoiceSound voice, SoundMoves moves, Proposals proposals, Notices notices) {
        this.document = document;
        this.voice = voice;
        this.moves = moves;
        this.proposals = proposals;
        this.notices = notices;
        document.whenOpened(() -> {
            candidates.set(List.of());
            found = Optional.empty();
            tempo.set(null);
        });
        grouping.addListener(changed -> group());
    }

    /** Moments that could become cues, in seconds from the shot's first frame. */
    public ReadOnlyObjectProperty<List<Onsets.Onset>> candidatesProperty() {
        return candidates.getReadOnlyProperty();
    }

    /** The beat that was found; null before it was looked for. Its first beat is on the shot's ruler. */
    public ReadOnlyObjectProperty<Tempo> tempoProperty() {
        return tempo.getReadOnlyProperty();
    }

    /** How readily onsets count as one event, 0 (fine) to 1 (coarse); the candidates follow it. */
    public DoubleProperty groupingProperty() {
        return grouping;
    }

    /** Looks for moments at which something starts to sound, in the chosen sound; what belongs to one event is one. */
    public void findCues() {
        voice.heard()
                .ifPresent(heard -> proposals.find(
                        Words.VOICE.of("find-onsets"),
                        job -> Onsets.of(heard.pcm(), done -> job.at((int) (1000 * done), 1000)),
                        onsets -> {
                            found = Optional.of(new FoundOnsets(heard, onsets));
                            group();
                        }));
    }

    private void group() {
        double how = grouping.get();
        found.ifPresent(all -> proposals.find(
                Words.VOICE.of("group-onsets"),
                job -> OnsetGroups.of(all.heard().pcm(), all.onsets(), how),
                events -> candidates.set(events.stream()
                        .map(OnsetGroups.Event::contact)
                        .filter(onset -> onset.seconds() >= all.heard().from()
                                && onset.seconds() <= all.heard().to())
                        .map(onset -> new Onsets.Onset(
                                onset.seconds() + all.heard().clip().startSeconds(), onset.strength()))
                        .filter(onset -> onset.seconds() >= 0
                                && onset.seconds() < document.shot().setup().seconds())
                        .toList())));
    }

    /** Makes cues of some candidates; these are no candidates any more. */
    public void keep(List<Onsets.Onset> some, Cue.Kind kind) {
        String name = kind == Cue.Kind.OTHER ? Words.VOICE.of("cue") : Words.VOICE.name(kind);
        List<Cue> cues = new ArrayList<>();
        for (Onsets.Onset onset : some) {
            if (!candidates.get().contains(onset)) {
                continue;
            }
            cues.add(new Cue("", name, onset.seconds(), kind, Optional.empty()));
        }
        if (cues.isEmpty()) {
            return;
        }
        document.apply(CueEdits.add(cues));
        candidates.set(
                candidates.get().stream().filter(onset -> !some.contains(onset)).toList());
    }

    /** Offers where syllables are loudest as cues, to label a line without a script. */
    public void findSyllables() {
        voice.heard()
                .ifPresent(heard -> proposals.find(
                        Words.VOICE.of("find-syllables"),
                        job -> new SpeechActivity(heard.pcm()).beats(),
                        beats -> candidates.set(beats.stream()
                                .filter(seconds -> seconds >= heard.from() && seconds <= heard.to())
                                .map(seconds ->
                                        new Onsets.Onset(seconds + heard.clip().startSeconds(), 1))
                                .filter(onset -> onset.seconds() >= 0)
                                .toList())));
    }

    public void dropCandidates() {
        candidates.set(List.of());
    }

    /** Looks for the beat of music in the chosen sound. */
    public void findTempo() {
        voice.heard()
                .ifPresent(heard -> proposals.find(
                        Words.VOICE.of("find-beat"),
                        job -> Tempo.of(
                                Onsets.strength(heard.pcm(), done -> job.at((int) (1000 * done), 1000)),
                                Onsets.stepSeconds()),
                        found -> tempo.set(new Tempo(
                                found.beatsPerMinute(),
                                found.firstSeconds() + heard.clip().startSeconds(),
                                found.sureness()))));
    }

    /** Brings a cue's sound to its picture: the sound in which it is moves, with what else is in it. */
    public void moveSound(String cueId) {
        Shot shot = document.shot();
        shot.cues().stream().filter(cue -> cue.id().equals(cueId)).findFirst().ifPresent(cue -> {
            double by = Math.max(-cue.seconds(), CueEdits.secondsToPicture(shot, cueId));
            Optional<SoundClip> in = moves.soundOf(cue);
            if (in.isPresent()) {
                moves.move(Words.VOICE.of("move-a-sound-to-its"), in.get().id(), by);
            } else {
                document.apply(CueEdits.change(
                        Words.VOICE.of("move-a-cue-to-its"), cueId, c -> c.withSeconds(c.seconds() + by)));
                notices.say(Words.VOICE.of("no-sound-of-its-own"));
            }
        });
    }
}
