package chalktrace.core.speech;

import chalktrace.core.shot.Phone;
import java.util.List;

/**
 * Where a word of a script was found.
 *
 * @param index of the word in the script
 * @param startSeconds from the sound's first sample
 * @param sureness 0 to 1: how much it sounds like this word and not like any other
 * @param heard whether it is in the recording at all; one that is not has no phones and the time where it would be
 * @param phones with their times
 */
public record AlignedWord(
        int index,
        String text,
        double startSeconds,
        double endSeconds,
        double sureness,
        boolean heard,
        List<Phone> phones) {

    public AlignedWord {
        phones = List.copyOf(phones);
    }
}
