package chalktrace.core.edit.speech;

import chalktrace.core.shot.Word;
import chalktrace.core.sound.Loudness;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.speech.Aligner;
import chalktrace.core.speech.Alignment;
import chalktrace.core.speech.Pronunciations;
import chalktrace.core.speech.ScriptText;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoublePredicate;

/**
 * A script found in a recording.
 *
 * @param found what was found, in seconds of the recording
 * @param words on the shot's ruler
 * @param guessed words that no dictionary has, said as their letters suggest
 */
public record AlignedScript(Alignment found, List<Word> words, List<String> guessed) {

    /**
     * A recording that lies in a shot.
     *
     * @param start where its file's first sample lies, in seconds from the shot's first frame
     * @param from where the part of it starts in which the script is looked for, in seconds of the file
     * @param to where that part ends
     */
    public record Recording(PcmBuffer pcm, double start, double from, double to) {

        /** All of a file, from the shot's first frame on. */
        public static Recording whole(PcmBuffer pcm) {
            return new Recording(pcm, 0, 0, pcm.seconds());
        }
    }

    /**
     * Finds a script, as {@link Aligner#align} does.
     *
     * @param there words that lie on the ruler already; pinned ones stay where they are
     */
    public static AlignedScript of(
            Recording recording,
            ScriptText script,
            List<Word> there,
            Pronunciations pronunciations,
            DoublePredicate progress) {
        List<String> texts = script.texts();
        Map<Integer, Word> pinned = pinned(there, texts, recording);
        List<Aligner.Pin> pins = pinned.entrySet().stream()
                .map(entry -> new Aligner.Pin(
                        entry.getKey(),
                        entry.getValue().startSeconds() - recording.start(),
                        entry.getValue().endSeconds() - recording.start()))
                .toList();
        Alignment found =
                Aligner.align(recording.pcm(), recording.from(), recording.to(), texts, pins, pronunciations, progress);
        return new AlignedScript(
                found,
                AlignEdits.words(found, script.words(), recording.start(), pinned, new Loudness(recording.pcm())),
                texts.stream()
                        .filter(word -> pronunciations.of(word).origin() == Pronunciations.Origin.GUESSED)
                        .distinct()
                        .toList());
    }

    /** The pinned words of the ruler, by their place in the script: each is the next that is written so. */
    private static Map<Integer, Word> pinned(List<Word> there, List<String> script, Recording recording) {
        Map<Integer, Word> out = new TreeMap<>();
        int next = 0;
        for (Word word : there) {
            boolean inside = word.startSeconds() - recording.start() >= recording.from()
                    && word.endSeconds() - recording.start() <= recording.to();
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
}
