package chalktrace.core.edit.speech;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;

/** Edits of single phones within a word; the word keeps its times. */
public final class PhoneEdits {

    private static final double SHORTEST_SECONDS = 0.01;

    private PhoneEdits() {}

    /**
     * Moves where a phone starts and the one before it ends.
     *
     * @param index of the phone in the word, from 1
     * @param bySeconds as far as both phones keep some time
     */
    public static Edit moveStart(String wordId, int index, double bySeconds) {
        return SpeechEdits.changeWord(EditWords.TEXTS.of("move-a-phonemes-start"), wordId, word -> {
            List<Phone> phones = new ArrayList<>(word.phones());
            Phone before = phones.get(index - 1);
            Phone after = phones.get(index);
            double at = Math.max(
                    before.startSeconds() + SHORTEST_SECONDS,
                    Math.min(after.endSeconds() - SHORTEST_SECONDS, after.startSeconds() + bySeconds));
            phones.set(index - 1, before.withTimes(before.startSeconds(), at));
            phones.set(index, after.withTimes(at, after.endSeconds()));
            return word.withPhones(phones);
        });
    }

    /**
     * Puts other phones in the place of one: they share its time. With none it goes, and a neighbour takes its time.
     *
     * @param index of the phone in the word, from 0
     */
    public static Edit type(String wordId, int index, List<String> symbols) {
        return SpeechEdits.changeWord(
                symbols.isEmpty() ? EditWords.TEXTS.of("remove-a-phoneme") : EditWords.TEXTS.of("type-a-phoneme"),
                wordId,
                word -> symbols.isEmpty() ? without(word, index) : typed(word, index, symbols));
    }

    private static Word typed(Word word, int index, List<String> symbols) {
        List<Phone> phones = new ArrayList<>(word.phones());
        Phone old = phones.remove(index);
        double each = (old.endSeconds() - old.startSeconds()) / symbols.size();
        for (int i = 0; i < symbols.size(); i++) {
            phones.add(
                    index + i,
                    new Phone(symbols.get(i), old.startSeconds() + i * each, old.startSeconds() + (i + 1) * each)
                            .withDecibels(old.decibels()));
        }
        return word.withPhones(phones);
    }

    private static Word without(Word word, int index) {
        List<Phone> phones = new ArrayList<>(word.phones());
        Phone old = phones.remove(index);
        if (index > 0) {
            Phone before = phones.get(index - 1);
            phones.set(index - 1, before.withTimes(before.startSeconds(), old.endSeconds()));
        } else if (!phones.isEmpty()) {
            Phone after = phones.get(0);
            phones.set(0, after.withTimes(old.startSeconds(), after.endSeconds()));
        }
        return word.withPhones(phones);
    }
}
