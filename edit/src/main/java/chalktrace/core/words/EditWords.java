package chalktrace.core.words;

/** What edits are called, beside undo, and why one can't be made; what a check's mend is called. */
public final class EditWords {

    public static final WordBundle TEXTS = new WordBundle("chalktrace.core.words.edit");

    private EditWords() {}
}
