package chalktrace.app.session;

import chalktrace.core.between.PartMotion;
import chalktrace.core.edit.AlignEdits;
import chalktrace.core.edit.CueEdits;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.MouthLevels;
import chalktrace.core.edit.ReferenceEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.Loudness;
import chalktrace.core.sound.Onsets;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.SpeechActivity;
import chalktrace.core.sound.Tempo;
import chalktrace.core.speech.AlignedWord;
import chalktrace.core.speech.Aligner;
import chalktrace.core.speech.Alignment;
import chalktrace.core.speech.Pronunciations;
import chalktrace.core.speech.ScriptText;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.function.DoubleUnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** From a recorded line to words, phones and mouths on the ruler; and what starts to sound when. Lives on the FX thread. */
public final class Voicing {

    /** What an alignment found that is not on the ruler: words that are not said, and speech that the script lacks. */
    public record Report(double sureness, boolean fits, List<String> missing, List<Alignment.Extra> extra) {

        static final Report NONE = new Report(1, true, List.of(), List.of());
    }

    /** So much is left before the voice, so that its first consonant is whole. */
    private static final double SPARED_SECONDS = 0.02;

    /** So many times as wide as the mouth is the patch that is followed, from its middle to its side. */
    private static final double HEAD_SHARE = 1.5;

    private final Document document;
    private final Sounds sounds;
    private final Transport transport;
    private final Jobs jobs;
    private final Notices notices;
    private final ObjectProperty<String> voice = new SimpleObjectProperty<>();
    private final ReadOnlyObjectWrapper<Report> report = new ReadOnlyObjectWrapper<>(Report.NONE);
    private final ReadOnlyObjectWrapper<List<Onsets.Onset>> candidates = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Tempo> tempo = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Jobs.Job> aligning = new ReadOnlyObjectWrapper<>();

    Voicing(Document document, Sounds sounds, Transport transport, Jobs jobs, Notices notices) {
        this.document = document;
        this.sounds = sounds;
        this.transport = transport;
        this.jobs = jobs;
        this.notices = notices;
        document.openingProperty().addListener(opened -> {
            voice.set(null);
            report.set(Report.NONE);
            candidates.set(List.of());
            tempo.set(null);
        });
    }

    /** The sound in which the line is spoken, by its id; null for the one that is taken by itself. */
    public ObjectProperty<String> voiceProperty() {
        return voice;
    }

    public ReadOnlyObjectProperty<Report> reportProperty() {
        return report.getReadOnlyProperty();
    }

    /** Moments that could become cues, in seconds from the shot's first frame. */
    public ReadOnlyObjectProperty<List<Onsets.Onset>> candidatesProperty() {
        return candidates.getReadOnlyProperty();
    }

    /** The beat that was found; null before it was looked for. Its first beat is on the shot's ruler. */
    public ReadOnlyObjectProperty<Tempo> tempoProperty() {
        return tempo.getReadOnlyProperty();
    }

    /** The alignment that runs; null while none does. */
    public ReadOnlyObjectProperty<Jobs.Job> aligningProperty() {
        return aligning.getReadOnlyProperty();
    }

    /** The sound that is chosen, or else the first that is nobody's footage and heard, or else the first. */
    public Optional<SoundClip> voice() {
        List<SoundClip> all = document.shot().sounds();
        return all.stream()
                .filter(clip -> clip.id().equals(voice.get()))
                .findFirst()
                .or(() -> all.stream()
                        .filter(clip -> !clip.isAttached() && !clip.muted())
                        .findFirst())
                .or(() -> all.stream().findFirst());
    }

    /** A sound that is read, with where it lies. */
    private record Heard(SoundClip clip, PcmBuffer pcm) {

        double from() {
            return clip.trim().headSeconds();
        }

        double to() {
            return Math.max(from(), pcm.seconds() - clip.trim().tailSeconds());
        }

        /** How loud it is at a time of the shot. */
        DoubleUnaryOperator loudness() {
            Loudness loudness = new Loudness(pcm);
            return seconds -> loudness.atSeconds(seconds - clip.startSeconds());
        }
    }

    private Optional<Heard> heard() {
        Optional<SoundClip> clip = voice();
        if (clip.isEmpty()) {
            notices.problem("There is no sound in this shot yet. Take one in, or record one, in this tray.");
            return Optional.empty();
        }
        Optional<PcmBuffer> pcm = sounds.of(clip.get());
        if (pcm.isEmpty()) {
            notices.problem(Optional.ofNullable(sounds.problems().get(clip.get().file()))
                    .orElse(clip.get().name() + " is still being read. Try again in a moment."));
        }
        return pcm.map(read -> new Heard(clip.get(), read));
    }

    /** Finds the words of the script in the voice; pinned words stay. */
    public void align() {
        if (aligning.get() != null) {
            return;
        }
        heard().ifPresent(this::align);
    }

    private void align(Heard heard) {
        Shot shot = document.shot();
        List<ScriptText.Spoken> spoken;
        try {
            spoken = ScriptText.parse(shot.speech().script()).words();
        } catch (IllegalArgumentException e) {
            notices.problem(e.getMessage());
            return;
        }
        List<String> script = spoken.stream().map(ScriptText.Spoken::text).toList();
        aligning.set(jobs.runLong(
                "align the script",
                job -> {
                    Map<Integer, Word> pinned = pinned(shot, script, heard);
                    List<Aligner.Pin> pins = pinned.entrySet().stream()
                            .map(entry -> new Aligner.Pin(
                                    entry.getKey(),
                                    entry.getValue().startSeconds()
                                            - heard.clip().startSeconds(),
                                    entry.getValue().endSeconds() - heard.clip().startSeconds()))
                            .toList();
                    Alignment found = Aligner.align(
                            heard.pcm(),
                            heard.from(),
                            heard.to(),
                            script,
                            pins,
                            new Pronunciations(shot.speech().sayings()),
                            done -> job.at((int) (1000 * done), 1000));
                    List<Word> words = AlignEdits.words(found, heard.clip().startSeconds(), pinned);
                    Edit edit = AlignEdits.place(
                            words,
                            heard.clip().startSeconds() + heard.from(),
                            heard.clip().startSeconds() + heard.to(),
                            Optional.of(heard.loudness()));
                    return new Aligned(found, edit);
                },
                aligned -> {
                    aligning.set(null);
                    place(shot, heard, aligned);
                },
                problem -> {
                    aligning.set(null);
                    if (!(problem instanceof CancellationException)) {
                        notices.problem(problem);
                    }
                }));
    }

    private record Aligned(Alignment found, Edit edit) {}

    private void place(Shot read, Heard heard, Aligned aligned) {
        Shot now = document.shot();
        boolean same = now.words().equals(read.words())
                && now.speech().script().equals(read.speech().script())
                && now.sound(heard.clip().id()).equals(Optional.of(heard.clip()));
        if (!same) {
            notices.problem("The words or the sound have changed meanwhile: align again.");
            return;
        }
        document.apply(aligned.edit());
        Alignment found = aligned.found();
        double start = heard.clip().startSeconds();
        report.set(new Report(
                found.sureness(),
                found.fits(),
                found.words().stream()
                        .filter(word -> !word.heard())
                        .map(AlignedWord::text)
                        .toList(),
                found.extra().stream()
                        .map(extra -> new Alignment.Extra(
                                extra.startSeconds() + start,
                                extra.endSeconds() + start,
                                extra.before(),
                                extra.repeats()))
                        .toList()));
    }

    /** The pinned words of the ruler, by their place in the script: each is the next that is written so. */
    private static Map<Integer, Word> pinned(Shot shot, List<String> script, Heard heard) {
        Map<Integer, Word> out = new TreeMap<>();
        int next = 0;
        for (Word word : shot.words()) {
            double from = word.startSeconds() - heard.clip().startSeconds();
            boolean inside =
                    from >= heard.from() && word.endSeconds() - heard.clip().startSeconds() <= heard.to();
            int at = indexFrom(script, next, word.text());
            if (inside && at >= 0) {
                if (word.pinned()) {
                    out.put(at, word);
                }
                next = at + 1;
            }
        }
        return out;
    }

    private static int indexFrom(List<String> script, int from, String text) {
        for (int i = from; i < script.size(); i++) {
            if (Pronunciations.key(script.get(i)).equals(Pronunciations.key(text))) {
                return i;
            }
        }
        return -1;
    }

    /** Without a script: a word for each stretch of speech, to be named. */
    public void findSpeech() {
        heard().ifPresent(heard -> jobs.run(
                "find speech",
                job -> new SpeechActivity(heard.pcm()).spans(),
                spans -> {
                    List<Word> words = new ArrayList<>();
                    for (SpeechActivity.Span span : spans) {
                        double from = Math.max(span.startSeconds(), heard.from())
                                + heard.clip().startSeconds();
                        double to = Math.min(span.endSeconds(), heard.to())
                                + heard.clip().startSeconds();
                        if (from >= 0 && to > from) {
                            words.add(new Word("word-" + (words.size() + 1), "?", from, to, 0.5, false, List.of()));
                        }
                    }
                    if (words.isEmpty()) {
                        notices.problem("No voice was found in " + heard.clip().name() + ".");
                    } else {
                        document.apply(AlignEdits.place(
                                words,
                                heard.clip().startSeconds() + heard.from(),
                                heard.clip().startSeconds() + heard.to(),
                                Optional.empty()));
                    }
                },
                notices::problem));
    }

    /** Leaves out what comes before the voice: breath, room, a chair. */
    public void cutToVoice() {
        heard().ifPresent(heard -> jobs.run(
                "find where the voice starts",
                job -> new SpeechActivity(heard.pcm()).spans(),
                spans -> {
                    if (spans.isEmpty()) {
                        notices.problem("No voice was found in " + heard.clip().name() + ": nothing was cut.");
                        return;
                    }
                    double head = Math.max(0, spans.get(0).startSeconds() - SPARED_SECONDS);
                    document.apply(ReferenceEdits.changeSound(
                            "cut to the voice",
                            heard.clip().id(),
                            clip -> clip.withTrim(
                                    new SoundClip.Trim(head, clip.trim().tailSeconds()))));
                },
                notices::problem));
    }

    /** Looks for moments at which something starts to sound, in the chosen sound. */
    public void findCues() {
        heard().ifPresent(heard -> jobs.runLong(
                "find what starts to sound",
                job -> Onsets.of(heard.pcm(), done -> job.at((int) (1000 * done), 1000)),
                onsets -> candidates.set(onsets.stream()
                        .filter(onset -> onset.seconds() >= heard.from() && onset.seconds() <= heard.to())
                        .map(onset ->
                                new Onsets.Onset(onset.seconds() + heard.clip().startSeconds(), onset.strength()))
                        .filter(onset -> onset.seconds() >= 0
                                && onset.seconds() < document.shot().setup().seconds())
                        .toList()),
                this::saidUnlessCancelled));
    }

    /**
     * Lays an effect so that its strongest start falls on the gate's frame, or earlier by a lead: a step on its contact.
     *
     * @param leadFrames how much earlier it is meant to sound
     */
    public void placeOnGate(String soundId, double leadFrames) {
        Shot shot = document.shot();
        Optional<SoundClip> clip = shot.sound(soundId);
        Optional<PcmBuffer> pcm = clip.flatMap(sounds::of);
        int gate = transport.frame();
        if (pcm.isPresent()) {
            jobs.run(
                    "find where the sound starts",
                    job -> Onsets.of(pcm.get(), done -> true).stream()
                            .filter(onset ->
                                    onset.seconds() >= clip.get().trim().headSeconds()
                                            && onset.seconds()
                                                    <= pcm.get().seconds()
                                                            - clip.get().trim().tailSeconds())
                            .max(Comparator.comparingDouble(Onsets.Onset::strength)),
                    strongest -> strongest.ifPresentOrElse(
                            onset -> document.apply(CueEdits.placeSound(clip.get(), onset.seconds(), gate, leadFrames)),
                            () -> notices.problem(
                                    "Nothing starts in " + clip.get().name() + ": it was not moved.")),
                    notices::problem);
        }
    }

    /** Makes cues of some candidates; these are no candidates any more. */
    public void keep(List<Onsets.Onset> some, Cue.Kind kind) {
        String name = kind == Cue.Kind.OTHER ? "cue" : kind.name().toLowerCase(Locale.ROOT);
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

    public void dropCandidates() {
        candidates.set(List.of());
    }

    /** Looks for the beat of music in the chosen sound. */
    public void findTempo() {
        heard().ifPresent(heard -> jobs.runLong(
                "find the beat",
                job -> Tempo.of(
                        Onsets.strength(heard.pcm(), done -> job.at((int) (1000 * done), 1000)), Onsets.stepSeconds()),
                found -> tempo.set(new Tempo(
                        found.beatsPerMinute(),
                        found.firstSeconds() + heard.clip().startSeconds(),
                        found.sureness())),
                this::saidUnlessCancelled));
    }

    private void saidUnlessCancelled(Exception problem) {
        if (!(problem instanceof CancellationException)) {
            notices.problem(problem);
        }
    }

    /** Lets the mouths follow a drawn part of a level, from the gate's frame on as it is there. */
    public void followPart(String levelId, String part) {
        Shot shot = document.shot();
        if (MouthLevels.find(shot).isEmpty()) {
            notices.problem("There is no mouth level yet: make one first.");
            return;
        }
        int gate = transport.frame();
        jobs.run(
                "follow " + (part.isEmpty() ? "the drawing" : part),
                job -> shot.level(levelId)
                        .flatMap(level -> PartMotion.follow(
                                level,
                                part,
                                gate,
                                shot.setup().length(),
                                shot.setup().size().width() / 2.0,
                                shot.setup().size().height() / 2.0)),
                way -> way.ifPresentOrElse(
                        found -> follow(shot, gate, found),
                        () -> notices.problem(
                                "Nothing of that part is drawn at the gate. Go to a frame on which it is.")),
                notices::problem);
    }

    /** Lets the mouths follow the footage: the head about the mouth at the gate is tracked from there to both ends. */
    public void followFootage() {
        Shot shot = document.shot();
        Optional<MouthPlace> mouth = shot.mouthPlace();
        if (MouthLevels.find(shot).isEmpty() || mouth.isEmpty()) {
            notices.problem("There is no mouth level yet: make one first.");
            return;
        }
        int gate = transport.frame();
        Point2D middle = MouthLevels.placementAt(shot, gate)
                .transform(
                        shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0)
                .transform(new Point2D.Double(mouth.get().x(), mouth.get().y()), null);
        jobs.runLong(
                "follow the footage",
                job -> FootageTrack.follow(
                        shot, gate, middle, HEAD_SHARE * mouth.get().width(), job),
                track -> {
                    follow(shot, gate, track.way());
                    if (!track.lost().isEmpty()) {
                        notices.say("It was lost at frame "
                                + shot.setup().number(track.lost().get(0))
                                + ": from there on the mouth stays where it was.");
                    }
                },
                this::saidUnlessCancelled);
    }

    /** On top of how the mouth is placed at the gate. */
    private void follow(Shot read, int gate, List<Placement> way) {
        Shot now = document.shot();
        if (!now.levels().equals(read.levels()) || !now.footage().equals(read.footage())) {
            notices.problem("The shot has changed meanwhile: follow again.");
            return;
        }
        Placement own = MouthLevels.placementAt(now, gate);
        document.apply(MouthLevels.follow(way.stream().map(own::then).toList()));
    }

    /** Brings a cue's sound to its picture: the sound in which it is moves, with what else is in it. */
    public void moveSound(String cueId) {
        Shot shot = document.shot();
        shot.cues().stream().filter(cue -> cue.id().equals(cueId)).findFirst().ifPresent(cue -> {
            Optional<SoundClip> in = shot.sounds().stream()
                    .filter(clip -> !clip.isAttached()
                            && sounds.of(clip)
                                    .filter(pcm -> cue.seconds() >= clip.heardFrom() - 0.05
                                            && cue.seconds() <= clip.heardTo(pcm.seconds()) + 0.05)
                                    .isPresent())
                    .min(Comparator.comparingDouble(
                            clip -> sounds.of(clip).orElseThrow().seconds()));
            document.apply(CueEdits.moveSound(
                    cueId,
                    in.map(SoundClip::id),
                    in.map(SoundClip::heardFrom).orElse(0.0),
                    in.map(clip -> clip.heardTo(sounds.of(clip).orElseThrow().seconds()))
                            .orElse(0.0)));
            if (in.isEmpty()) {
                notices.say("No sound of its own lies there: the cue alone was moved.");
            }
        });
    }
}
