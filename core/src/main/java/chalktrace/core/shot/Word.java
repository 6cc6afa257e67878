package chalktrace.core.shot;

/** A spoken word, in seconds from the shot's first frame: a change of rate moves no word. */
public record Word(String id, String text, double startSeconds, double endSeconds) {

    /** @throws IllegalArgumentException when the end does not lie after the start */
    public Word {
        if (!(startSeconds >= 0) || !(endSeconds > startSeconds) || Double.isInfinite(endSeconds)) {
            throw new IllegalArgumentException(
                    "The word \"" + text + "\" must start at 0 or later and end after its start.");
        }
    }

    public Word withText(String newText) {
        return new Word(id, newText, startSeconds, endSeconds);
    }

    public Word withTimes(double newStart, double newEnd) {
        return new Word(id, text, newStart, newEnd);
    }
}
