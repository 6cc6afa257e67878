package chalktrace.core.edit.speech;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.Loudness;
import chalktrace.core.speech.AlignedWord;
import chalktrace.core.speech.Alignment;
import chalktrace.core.speech.ScriptText;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Puts what was found in a recording onto the ruler. */
public final class AlignEdits {

    private AlignEdits() {}

    /**
     * The words that were heard.
     *
     * @param script what was aligned, with who speaks
     * @param soundStart where the recording starts, in seconds from the shot's first frame
     * @param kept words that stay as they are, by their index in the script
     * @param loudness of the recording
     */
    public static List<Word> words(
            Alignment found,
            List<ScriptText.Spoken> script,
            double soundStart,
            Map<Integer, Word> kept,
            Loudness loudness) {
        List<Word> out = new ArrayList<>();
        double at = 0;
        for (AlignedWord word : found.words()) {
            double start = Math.max(at, word.startSeconds() + soundStart);
            double end = word.endSeconds() + soundStart;
            Word stays = kept.get(word.index());
            if (word.heard() && end > start && (stays != null || !word.phones().isEmpty())) {
                List<Phone> phones = word.phones().stream()
                        .map(phone -> phone.withDecibels(Math.min(
                                        -0.001, loudness.atSeconds((phone.startSeconds() + phone.endSeconds()) / 2)))
                                .withTimes(
                                        Math.max(0, phone.startSeconds() + soundStart),
                                        Math.max(1e-6, phone.endSeconds() + soundStart)))
                        .filter(phone -> phone.startSeconds() >= start - 1e-6)
                        .toList();
                Word set = stays != null
                        ? stays.withPhones(phones)
                        : new Word(
                                "word-" + (word.index() + 1),
                                word.text(),
                                start,
                                end,
                                word.sureness(),
                                false,
                                "",
                                phones);
                out.add(
                        set.speaker().isEmpty()
                                ? set.withSpeaker(script.get(word.index()).speaker())
                                : set);
                at = out.get(out.size() - 1).endSeconds();
            }
        }
        return out;
    }

    /**
     * Puts aligned words in the place of those that lie within a stretch of the shot, and sets the mouths anew. Pinned words stay.
     *
     * @param words as {@link #words} gives them
     */
    public static Edit place(List<Word> words, double fromSeconds, double toSeconds) {
        return new Edit(EditWords.TEXTS.of("align-the-script"), shot -> {
            List<Word> out = new ArrayList<>();
            for (Word word : shot.words()) {
                boolean inside = word.endSeconds() > fromSeconds && word.startSeconds() < toSeconds;
                // A pinned word that the script lacks, such as one made up by the actor, stays too.
                boolean ownWord = word.pinned()
                        && words.stream().noneMatch(w -> w.pinned() && w.startSeconds() == word.startSeconds());
                if (!inside || ownWord) {
                    out.add(word);
                }
            }
            List<String> ids = shot.newIds("word", words.size());
            List<Word> stay = List.copyOf(out);
            for (int i = 0; i < words.size(); i++) {
                Word word = words.get(i);
                boolean free = stay.stream()
                        .noneMatch(other ->
                                other.startSeconds() < word.endSeconds() && other.endSeconds() > word.startSeconds());
                if (free) {
                    out.add(word.withId(ids.get(i)));
                }
            }
            Shot changed = shot.withWords(out);
            return SpeechEdits.mouthsAnew(changed);
        });
    }
}
