package chalktrace.core.shot;

import java.util.List;
import java.util.Optional;

/**
 * A spoken word, in seconds from the shot's first frame: a change of rate moves no word.
 *
 * @param sureness how sure its place is, 0 to 1; 1 when it was set by hand
 * @param pinned whether it stays where it is when the line is aligned
 * @param speaker who says it; empty when nobody was named
 * @param phones its sounds in order, within the word; none when they are not known
 */
public record Word(
        String id,
        String text,
        double startSeconds,
        double endSeconds,
        double sureness,
        boolean pinned,
        String speaker,
        List<Phone> phones)
        implements FrameBound<Word> {

    /** @throws IllegalArgumentException when the end does not lie after the start, or the phones not in order within */
    public Word {
        phones = List.copyOf(phones);
        if (!(startSeconds >= 0) || !(endSeconds > startSeconds) || Double.isInfinite(endSeconds)) {
            throw new IllegalArgumentException(
                    "The word \"" + text + "\" must start at 0 or later and end after its start.");
        }
        if (!(sureness >= 0 && sureness <= 1)) {
            throw new IllegalArgumentException("How sure \"" + text + "\" is goes from 0 to 1.");
        }
        double at = startSeconds - 1e-6;
        for (Phone phone : phones) {
            if (phone.startSeconds() < at - 1e-6 || phone.endSeconds() > endSeconds + 1e-5) {
                throw new IllegalArgumentException(
                        "The phonemes of \"" + text + "\" must follow each other within it.");
            }
            at = phone.endSeconds();
        }
    }

    /** Set by hand, its phones not known. */
    public Word(String id, String text, double startSeconds, double endSeconds) {
        this(id, text, startSeconds, endSeconds, 1, false, "", List.of());
    }

    public Word withText(String newText) {
        return new Word(
                id,
                newText,
                startSeconds,
                endSeconds,
                sureness,
                pinned,
                speaker,
                newText.equals(text) ? phones : List.of());
    }

    /** Moved or made longer or shorter; its phones go along in proportion. */
    public Word withTimes(double newStart, double newEnd) {
        double ratio = (newEnd - newStart) / (endSeconds - startSeconds);
        List<Phone> moved = phones.stream()
                .map(phone -> phone.withTimes(
                        newStart + (phone.startSeconds() - startSeconds) * ratio,
                        newStart + (phone.endSeconds() - startSeconds) * ratio))
                .toList();
        return new Word(id, text, newStart, newEnd, sureness, pinned, speaker, moved);
    }

    /** Words keep how long they are. */
    @Override
    public Optional<Word> moved(FrameChange change) {
        double start = change.reach().sound() ? change.seconds(startSeconds) : startSeconds;
        return Optional.of(start == startSeconds ? this : withTimes(start, start + endSeconds - startSeconds));
    }

    public Word withPinned(boolean pin) {
        return new Word(id, text, startSeconds, endSeconds, pin ? 1 : sureness, pin, speaker, phones);
    }

    public Word withPhones(List<Phone> newPhones) {
        return new Word(id, text, startSeconds, endSeconds, sureness, pinned, speaker, newPhones);
    }

    public Word withId(String newId) {
        return new Word(newId, text, startSeconds, endSeconds, sureness, pinned, speaker, phones);
    }

    public Word withSpeaker(String name) {
        return new Word(id, text, startSeconds, endSeconds, sureness, pinned, name, phones);
    }
}
