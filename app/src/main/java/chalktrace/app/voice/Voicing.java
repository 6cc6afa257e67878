package chalktrace.app.voice;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.sound.VoiceSound;
import chalktrace.app.state.UserDictionary;
import chalktrace.app.words.Words;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.edit.speech.AlignEdits;
import chalktrace.core.edit.speech.AlignedScript;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Speech;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.SpeechActivity;
import chalktrace.core.speech.AlignedWord;
import chalktrace.core.speech.Alignment;
import chalktrace.core.speech.Pronunciations;
import chalktrace.core.speech.ScriptText;
import chalktrace.media.UnreadableException;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** From a recorded line to words, phones and mouths on the ruler. Lives on the FX thread. */
final class Voicing {

    /**
     * What an alignment found that is not on the ruler.
     *
     * @param missing rows of words that are not said
     * @param extra speech that the script lacks
     * @param guessed words that no dictionary has, said as their letters suggest
     */
    public record Report(
            double sureness,
            boolean fits,
            List<List<String>> missing,
            List<Alignment.Extra> extra,
            List<String> guessed) {

        static final Report NONE = new Report(1, true, List.of(), List.of(), List.of());
    }

    /** So much is left before the voice, so that its first consonant is whole. */
    private static final double SPARED_SECONDS = 0.02;

    private final Document document;
    private final Jobs jobs;
    private final Proposals proposals;
    private final Notices notices;
    private final VoiceSound voice;
    private final UserDictionary dictionary;
    private final ReadOnlyObjectWrapper<Report> report = new ReadOnlyObjectWrapper<>(Report.NONE);
    private final ReadOnlyObjectWrapper<Jobs.Job> aligning = new ReadOnlyObjectWrapper<>();

    Voicing(
            Document document,
            VoiceSound voice,
            UserDictionary dictionary,
            Jobs jobs,
            Proposals proposals,
            Notices notices) {
        this.document = document;
        this.voice = voice;
        this.dictionary = dictionary;
        this.jobs = jobs;
        this.proposals = proposals;
        this.notices = notices;
        document.whenOpened(() -> report.set(Report.NONE));
    }

    public ReadOnlyObjectProperty<Report> reportProperty() {
        return report.getReadOnlyProperty();
    }

    /** The alignment that runs; null while none does. */
    public ReadOnlyObjectProperty<Jobs.Job> aligningProperty() {
        return aligning.getReadOnlyProperty();
    }

    /** Finds the words of the script in the voice; pinned words stay. */
    public void align() {
        if (aligning.get() == null) {
            voice.heard().ifPresent(this::align);
        }
    }

    private void align(VoiceSound.Heard heard) {
        ScriptText text;
        try {
            text = ScriptText.parse(document.shot().speech().script());
        } catch (IllegalArgumentException e) {
            notices.problem(e.getMessage());
            return;
        }
        AlignedScript.Recording recording =
                new AlignedScript.Recording(heard.pcm(), heard.clip().startSeconds(), heard.from(), heard.to());
        aligning.set(proposals.proposeLong(
                Words.VOICE.of("align-the-script"),
                now -> List.of(
                        now.speech().script(),
                        now.speech().words(),
                        now.speech().sayings(),
                        now.sound(heard.clip().id())),
                (now, job) -> {
                    AlignedScript aligned = AlignedScript.of(
                            recording,
                            text,
                            now.words(),
                            pronunciations(now),
                            done -> job.at((int) (1000 * done), 1000));
                    return new Proposals.Outcome(
                            AlignEdits.place(
                                    aligned.words(),
                                    recording.start() + recording.from(),
                                    recording.start() + recording.to()),
                            () -> placed(heard, aligned.found(), aligned.guessed()));
                }));
        aligning.get().whenEnded(() -> aligning.set(null));
    }

    /** The person's dictionary, and before it what the shot has; a dictionary that was spoilt by hand is left out, and that is said. */
    private Pronunciations pronunciations(Shot shot) {
        List<Speech.Saying> sayings = new ArrayList<>();
        try {
            sayings.addAll(dictionary.sayings());
        } catch (UnreadableException e) {
            Platform.runLater(() -> notices.problem(e));
        }
        sayings.addAll(shot.speech().sayings());
        return new Pronunciations(sayings);
    }

    private void placed(VoiceSound.Heard heard, Alignment found, List<String> guessed) {
        voice.chosenProperty().set(heard.clip().id());
        double start = heard.clip().startSeconds();
        report.set(new Report(
                found.sureness(),
                found.fits(),
                found.missing().stream()
                        .map(row -> row.stream().map(AlignedWord::text).toList())
                        .toList(),
                found.extra().stream()
                        .map(extra -> new Alignment.Extra(
                                extra.startSeconds() + start,
                                extra.endSeconds() + start,
                                extra.before(),
                                extra.repeats()))
                        .toList(),
                guessed));
    }

    /** Keeps how a word is said, in the shot and in the person's dictionary. */
    public void say(String word, List<String> phones) {
        document.apply(SpeechEdits.say(word, phones));
        jobs.run(
                Words.VOICE.of("keep-how-is-said", word),
                job -> {
                    dictionary.keep(new Speech.Saying(word, phones));
                    return word;
                },
                kept -> {},
                notices::problem);
    }

    /** Without a script: a word for each stretch of speech, to be named. */
    public void findSpeech() {
        voice.heard()
                .ifPresent(heard -> proposals.propose(
                        Words.VOICE.of("find-speech"),
                        now -> List.of(
                                now.speech().words(), now.sound(heard.clip().id())),
                        (now, job) -> speech(heard)));
    }

    private Proposals.Outcome speech(VoiceSound.Heard heard) {
        double start = heard.clip().startSeconds();
        List<Word> words = new ArrayList<>();
        for (SpeechActivity.Span span : new SpeechActivity(heard.pcm()).spans()) {
            double from = Math.max(span.startSeconds(), heard.from()) + start;
            double to = Math.min(span.endSeconds(), heard.to()) + start;
            if (from >= 0 && to > from) {
                words.add(new Word("word-" + (words.size() + 1), "?", from, to, 0.5, false, "", List.of()));
            }
        }
        return words.isEmpty()
                ? Proposals.Outcome.only(() -> notices.problem(
                        Words.VOICE.of("no-voice-was-found-in", heard.clip().name())))
                : Proposals.Outcome.of(AlignEdits.place(words, start + heard.from(), start + heard.to()));
    }

    /** Leaves out what comes before the voice: breath, room, a chair. */
    public void cutToVoice() {
        voice.heard()
                .ifPresent(heard -> proposals.propose(
                        Words.VOICE.of("find-where-the-voice-starts"),
                        now -> List.of(now.sound(heard.clip().id())),
                        (now, job) -> cut(heard)));
    }

    private Proposals.Outcome cut(VoiceSound.Heard heard) {
        List<SpeechActivity.Span> spans = new SpeechActivity(heard.pcm()).spans();
        if (spans.isEmpty()) {
            return Proposals.Outcome.only(() -> notices.problem(Words.VOICE.of(
                    "no-voice-was-found-nothing-cut", heard.clip().name())));
        }
        double head = Math.max(0, spans.get(0).startSeconds() - SPARED_SECONDS);
        return Proposals.Outcome.of(ReferenceEdits.changeSound(
                Words.VOICE.of("cut-to-the-voice"),
                heard.clip().id(),
                clip -> clip.withTrim(new SoundClip.Trim(head, clip.trim().tailSeconds()))));
    }
}
