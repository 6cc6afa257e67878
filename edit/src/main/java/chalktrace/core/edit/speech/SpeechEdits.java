package chalktrace.core.edit.speech;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Speaker;
import chalktrace.core.shot.Speech;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.PhoneMouths;
import chalktrace.core.speech.Pronunciations;
import chalktrace.core.speech.SpelledPhones;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Edits of words and mouths. A change of words sets the mouths anew, but for those that were set by hand. */
public final class SpeechEdits {

    private static final double SHORTEST_SECONDS = 0.01;

    private SpeechEdits() {}

    /** Puts a word onto the ruler; the words around it give way so that no two overlap. */
    public static Edit addWord(Word word) {
        return new Edit(EditWords.TEXTS.of("add-the-word", word.text()), shot -> {
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
                EditWords.TEXTS.of("remove-a-word"),
                shot -> settled(
                        shot,
                        shot.words().stream()
                                .filter(word -> !word.id().equals(wordId))
                                .toList(),
                        wordId));
    }

    /** Shows one mouth on a range of frames, whatever the words say. */
    public static Edit setMouth(FrameRange frames, String shape) {
        return new Edit(EditWords.TEXTS.of("set-a-mouth"), shot -> {
            List<MouthSpan> spans =
                    new ArrayList<>(cut(MouthLevels.adopted(shot).mouths(), frames));
            spans.add(new MouthSpan(frames, shape, true));
            return MouthLevels.shown(shot.withMouths(spans));
        });
    }

    /** Says where on the picture the mouths are drawn, and whether they show. */
    public static Edit placeMouths(MouthPlace place) {
        return new Edit(EditWords.TEXTS.of("place-the-mouths"), shot -> shot.withMouthPlace(place));
    }

    /** Gives the mouths of a range of frames back to the words. */
    public static Edit releaseMouths(FrameRange frames) {
        return new Edit(EditWords.TEXTS.of("reset-mouths-to-dialogue"), shot -> {
            Shot freed = MouthLevels.shown(
                    shot.withMouths(cut(MouthLevels.adopted(shot).mouths(), frames)));
            return withMouthsOf(freed, shot.words());
        });
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
        return mouthsAnew(shot.withWords(words));
    }

    /** With the mouths of all who speak set by their words, but for those that were set by hand, here or on a mouth level. */
    public static Shot mouthsAnew(Shot shot) {
        return mouthsSet(mouthsAdopted(shot));
    }

    /** With what was changed on the mouth levels of all who speak taken over as mouths set by hand. */
    public static Shot mouthsAdopted(Shot shot) {
        return forEachSpeaker(shot, MouthLevels::adopted);
    }

    /** As {@link #mouthsAnew}, but what the mouth levels show counts for nothing: such as when their frames have moved. */
    public static Shot mouthsSet(Shot shot) {
        return forEachSpeaker(shot, SpeechEdits::ownMouthsSet);
    }

    /** Of a shot in which drawings have moved: mouths stay with their words; without words they move like any drawing. */
    public static Shot mouthsKept(Shot shot) {
        return shot.words().isEmpty() ? mouthsAdopted(shot) : mouthsSet(shot);
    }

    /** Does the same with each who speaks as the one that is worked on. */
    private static Shot forEachSpeaker(Shot shot, UnaryOperator<Shot> change) {
        Shot out = change.apply(shot);
        for (Speaker other : shot.speech().others()) {
            String own = out.speech().speaker().name();
            out = change.apply(MouthLevels.turnedTo(out, other));
            Speaker back = out.speech().others().stream()
                    .filter(speaker -> speaker.name().equals(own))
                    .findFirst()
                    .orElseThrow();
            out = MouthLevels.turnedTo(out, back);
        }
        return out;
    }

    private static Shot ownMouthsSet(Shot shot) {
        List<MouthSpan> byHand =
                shot.mouths().stream().filter(MouthSpan::byHand).toList();
        List<MouthSpan> all = PhoneMouths.of(shot);
        for (MouthSpan span : byHand) {
            all = cut(all, span.range());
        }
        List<MouthSpan> together = new ArrayList<>(all);
        together.addAll(byHand);
        return MouthLevels.shown(shot.withMouths(together));
    }

    /**
     * Works on the mouths of one who speaks. Mouths that were everybody's so far become theirs; who has none yet starts with the
     * chart and the rules of the one before.
     *
     * @param name as it stands in the script; empty for everybody
     */
    public static Edit speaker(String name) {
        return new Edit(
                name.isEmpty() ? EditWords.TEXTS.of("mouths-of-everybody") : EditWords.TEXTS.of("mouths-of", name),
                shot -> {
                    Speech speech = shot.speech();
                    Speaker now = speech.speaker();
                    if (now.name().equals(name)) {
                        return shot;
                    }
                    Optional<Speaker> known = speech.others().stream()
                            .filter(other -> other.name().equals(name))
                            .findFirst();
                    boolean renamed = known.isEmpty() && (now.name().isEmpty() || name.isEmpty());
                    return mouthsAnew(
                            renamed
                                    ? shot.withSpeech(speech.withSpeaker(now.withName(name)))
                                    : MouthLevels.turnedTo(shot, known.orElseGet(() -> now.another(name))));
                });
    }

    /** Changes the mouth chart or the rules, and sets the mouths by them. */
    public static Edit rules(String name, UnaryOperator<Speech> change) {
        return new Edit(name, shot -> {
            Speech speech = change.apply(shot.speech());
            Shot changed = speech.chart().equals(shot.speech().chart())
                    ? shot.withSpeech(speech)
                    : MouthLevels.recharted(shot, speech);
            return mouthsAnew(changed);
        });
    }

    /** Writes the script; words stay where they are. */
    public static Edit script(String text) {
        return new Edit(
                EditWords.TEXTS.of("script"),
                shot -> shot.withSpeech(shot.speech().withScript(text)));
    }

    /** Says how a word is said from now on; those on the ruler that are written so lose their phones until they are aligned. */
    public static Edit say(String word, List<String> phones) {
        return new Edit(EditWords.TEXTS.of("how-a-word-is-said", word), shot -> {
            String key = Pronunciations.key(word);
            List<Speech.Saying> sayings = new ArrayList<>(shot.speech().sayings());
            sayings.removeIf(saying -> Pronunciations.key(saying.word()).equals(key));
            sayings.add(new Speech.Saying(word, phones));
            Shot changed = shot.withSpeech(shot.speech().withSayings(sayings));
            return withMouthsOf(
                    changed,
                    changed.words().stream()
                            .map(w -> Pronunciations.key(w.text()).equals(key)
                                    ? w.withPhones(SpelledPhones.spread(phones, w.startSeconds(), w.endSeconds()))
                                    : w)
                            .toList());
        });
    }

    /** Cuts a word in two at a time within it; its phones go to the part in which their middle is. */
    public static Edit splitWord(String wordId, double seconds) {
        return new Edit(EditWords.TEXTS.of("split-a-word"), shot -> {
            List<Word> out = new ArrayList<>();
            for (Word word : shot.words()) {
                boolean within = seconds > word.startSeconds() + SHORTEST_SECONDS
                        && seconds < word.endSeconds() - SHORTEST_SECONDS;
                if (!word.id().equals(wordId) || !within) {
                    out.add(word);
                    continue;
                }
                int letters = word.text().length();
                int at = (int) Math.max(
                        1,
                        Math.min(
                                letters - 1,
                                Math.round(letters
                                        * (seconds - word.startSeconds())
                                        / (word.endSeconds() - word.startSeconds()))));
                String first = letters < 2 ? word.text() : word.text().substring(0, at);
                String second = letters < 2 ? word.text() : word.text().substring(at);
                out.add(part(word, word.id(), first, word.startSeconds(), seconds));
                out.add(part(word, shot.newId("word"), second, seconds, word.endSeconds()));
            }
            return withMouthsOf(shot, out);
        });
    }

    private static Word part(Word word, String id, String text, double from, double to) {
        List<Phone> phones = word.phones().stream()
                .filter(phone -> {
                    double middle = (phone.startSeconds() + phone.endSeconds()) / 2;
                    return middle >= from && middle < to;
                })
                .map(phone -> phone.withTimes(Math.max(from, phone.startSeconds()), Math.min(to, phone.endSeconds())))
                .toList();
        return new Word(id, text, from, to, word.sureness(), word.pinned(), word.speaker(), phones);
    }

    /** Makes one of a word and the one after it, over the pause between them. */
    public static Edit joinWord(String wordId) {
        return new Edit(EditWords.TEXTS.of("join-two-words"), shot -> {
            List<Word> out = new ArrayList<>(shot.words());
            for (int i = 0; i + 1 < out.size(); i++) {
                Word word = out.get(i);
                if (word.id().equals(wordId)) {
                    Word next = out.remove(i + 1);
                    List<Phone> phones = new ArrayList<>(word.phones());
                    phones.addAll(next.phones());
                    out.set(
                            i,
                            new Word(
                                    word.id(),
                                    word.text() + " " + next.text(),
                                    word.startSeconds(),
                                    next.endSeconds(),
                                    Math.min(word.sureness(), next.sureness()),
                                    word.pinned() || next.pinned(),
                                    word.speaker(),
                                    phones));
                }
            }
            return withMouthsOf(shot, out);
        });
    }

    /** Puts words and mouths from a table in the place of those of the shot. */
    public static Edit takeIn(List<Word> words, List<MouthSpan> mouths) {
        return new Edit(EditWords.TEXTS.of("import-words"), shot -> {
            List<String> ids = shot.newIds("word", words.size());
            List<Word> named = new ArrayList<>();
            for (int i = 0; i < words.size(); i++) {
                named.add(words.get(i).withId(ids.get(i)));
            }
            Shot changed = shot.withWords(named.isEmpty() ? shot.words() : named);
            Shot anew = mouthsAnew(changed);
            return mouths.isEmpty() ? anew : MouthLevels.shown(anew.withMouths(mouths));
        });
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
                kept.add(span.withRange(new FrameRange(range.start(), out.start())));
            }
            if (range.end() > out.end()) {
                kept.add(span.withRange(new FrameRange(out.end(), range.end())));
            }
        }
        return kept;
    }
}
