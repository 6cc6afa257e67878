package chalktrace.core.words;

/** What the parts of a shot are called. */
public final class PartWords {

    public static final WordBundle TEXTS = new WordBundle("chalktrace.core.words.part");

    private PartWords() {}
}
