package chalktrace.core.words;

import java.util.ResourceBundle;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The words of one part of the program, which a translation puts its own beside. A key is made of the first words of its text. {@code {0}} stands for
 * the first part that is put in, and so on.
 */
public final class WordBundle {

    private static final Pattern PLACE = Pattern.compile("\\{(\\d+)\\}");

    private final ResourceBundle bundle;

    /** @throws java.util.MissingResourceException when there is no such bundle */
    public WordBundle(String baseName) {
        bundle = ResourceBundle.getBundle(baseName);
    }

    /**
     * @param parts put into its places
     * @throws java.util.MissingResourceException when the bundle has no such key
     * @throws IndexOutOfBoundsException when it has more places than there are parts
     */
    public String of(String key, Object... parts) {
        String text = bundle.getString(key);
        // Most have none, and lanes ask on each frame.
        if (text.indexOf('{') < 0) {
            return text;
        }
        Matcher places = PLACE.matcher(text);
        return places.replaceAll(
                place -> Matcher.quoteReplacement(String.valueOf(parts[Integer.parseInt(place.group(1))])));
    }

    /**
     * Of a count, by the keys {@code key.one} and {@code key.other}.
     *
     * @param more parts after the count, which is the first
     */
    public String count(String key, long count, Object... more) {
        Object[] parts = new Object[more.length + 1];
        parts[0] = count;
        System.arraycopy(more, 0, parts, 1, more.length);
        return of(key + (count == 1 ? ".one" : ".other"), parts);
    }

    public boolean has(String key) {
        return bundle.containsKey(key);
    }
}
