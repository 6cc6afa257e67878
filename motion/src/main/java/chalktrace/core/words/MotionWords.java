package chalktrace.core.words;

/** The reasons of what is measured, followed and proposed. */
public final class MotionWords {

    public static final WordBundle TEXTS = new WordBundle("chalktrace.core.words.motion");

    private MotionWords() {}
}
