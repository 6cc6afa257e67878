package chalktrace.core.words;

import java.util.Locale;

/** What the window shows that is said here: the names of edits, beside undo, and why an edit can't be made; the reasons of what is
 * measured and proposed; what the parts of a shot are called. */
public enum CoreWords {
    EDIT,
    MOTION,
    PART;

    private final WordBundle bundle = new WordBundle("chalktrace.core.words." + name().toLowerCase(Locale.ROOT));

    /** As {@link WordBundle#of}. */
    public String of(String key, Object... parts) {
        return bundle.of(key, parts);
    }

    /** As {@link WordBundle#count}. */
    public String count(String key, long count, Object... more) {
        return bundle.count(key, count, more);
    }

    boolean has(String key) {
        return bundle.has(key);
    }
}
