package chalktrace.core.edit;

import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.PhoneMouths;
import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Edits of words and mouths. A change of words sets the mouths anew, but for those that were set by hand. */
public final class SpeechEdits {

    private SpeechEdits() {}

    /** Puts a word onto the ruler; the words around it give way so that no two overlap. */
    public static Edit addWord(Word word) {
        return new Edit("add the word \"" + word.text() + "\"", shot -> {
            List<Word> words = new ArrayList<>(shot.words());
            words.add(word);
            return settled(shot, words, word.id());
        });
    }

    /** Changes one word; the words around it give way. */
    public static Edit changeWord(String name, String wordId, UnaryOperator<Word> change) {
        return new Edit(
                name,
                shot -> settled(
                        shot,
                        shot.words().stream()
                                .map(word -> word.id().equals(wordId) ? change.apply(word) : word)
                                .toList(),
                        wordId));
    }

    public static Edit removeWord(String wordId) {
        return new Edit(
                "remove a word",
                shot -> settled(
                        shot,
                        shot.words().stream()
                                .filter(word -> !word.id().equals(wordId))
                                .toList(),
                        wordId));
    }

    /** Shows one mouth on a range of frames, whatever the words say. */
    public static Edit setMouth(FrameRange frames, String shape) {
        return new Edit("set a mouth", shot -> {
            List<MouthSpan> spans = new ArrayList<>(cut(shot.mouths(), frames));
            spans.add(new MouthSpan(frames, shape, true));
            return shot.withMouths(spans);
        });
    }

    /** Says where on the picture the mouths are drawn, and whether they show. */
    public static Edit placeMouths(MouthPlace place) {
        return new Edit("place the mouths", shot -> shot.withMouthPlace(place));
    }

    /** Gives the mouths of a range of frames back to the words. */
    public static Edit releaseMouths(FrameRange frames) {
        return new Edit(
                "mouths from the words",
                shot -> withMouthsOf(shot.withMouths(cut(shot.mouths(), frames)), shot.words()));
    }

    /** Shortens neighbours of the changed word so that words keep their order in time; one that is covered goes. */
    private static Shot settled(Shot shot, List<Word> words, String changedId) {
        Word changed = words.stream()
                .filter(word -> word.id().equals(changedId))
                .findFirst()
                .orElse(null);
        if (changed == null) {
            return withMouthsOf(shot, words);
        }
        List<Word> out = new ArrayList<>();
        for (Word word : words) {
            if (word == changed
                    || word.endSeconds() <= changed.startSeconds()
                    || word.startSeconds() >= changed.endSeconds()) {
                out.add(word);
            } else if (word.startSeconds() < changed.startSeconds()) {
                out.add(word.withTimes(word.startSeconds(), changed.startSeconds()));
            } else if (word.endSeconds() > changed.endSeconds()) {
                out.add(word.withTimes(changed.endSeconds(), word.endSeconds()));
            }
        }
        return withMouthsOf(shot, out);
    }

    private static Shot withMouthsOf(Shot shot, List<Word> words) {
        Shot changed = shot.withWords(words);
        return mouthsAnew(changed, PhoneMouths.of(changed));
    }

    /** With these mouths, but for those that were set by hand. */
    static Shot mouthsAnew(Shot shot, List<MouthSpan> spans) {
        List<MouthSpan> byHand =
                shot.mouths().stream().filter(MouthSpan::byHand).toList();
        List<MouthSpan> all = spans;
        for (MouthSpan span : byHand) {
            all = cut(all, span.range());
        }
        List<MouthSpan> together = new ArrayList<>(all);
        together.addAll(byHand);
        return shot.withMouths(together);
    }

    private static List<MouthSpan> cut(List<MouthSpan> spans, FrameRange out) {
        List<MouthSpan> kept = new ArrayList<>();
        for (MouthSpan span : spans) {
            FrameRange range = span.range();
            if (!range.overlaps(out)) {
                kept.add(span);
                continue;
            }
            if (range.start() < out.start()) {
                kept.add(new MouthSpan(new FrameRange(range.start(), out.start()), span.shape(), span.byHand()));
            }
            if (range.end() > out.end()) {
                kept.add(new MouthSpan(new FrameRange(out.end(), range.end()), span.shape(), span.byHand()));
            }
        }
        return kept;
    }
}
