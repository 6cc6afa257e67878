package chalktrace.app.words;

import java.util.Locale;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the window says, one bundle for each step and one for what all steps share, so that the program can be translated. A key is made of the
 * first words of its text. {@code {0}} stands for the first part that is put in, and so on.
 */
public enum Words {
    GATHER,
    STUDY,
    TRACE,
    VOICE,
    FINISH,
    MODELS,
    DESK;

    private static final Pattern PLACE = Pattern.compile("\\{(\\d+)\\}");

    private final ResourceBundle bundle;

    Words() {
        bundle = ResourceBundle.getBundle("chalktrace.app.words." + name().toLowerCase(Locale.ROOT));
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

    /** As {@link #of}; empty when the bundle has no such key. */
    public Optional<String> ifAny(String key) {
        return has(key) ? Optional.of(of(key)) : Optional.empty();
    }

    /** What a choice is called, by the key {@code <its kind>.<its name>}, such as {@code cue-kind.step} of {@code Cue.Kind.STEP}. */
    public String name(Enum<?> choice) {
        return of(key(choice));
    }

    static String key(Enum<?> choice) {
        Class<?> kind = choice.getDeclaringClass();
        String within =
                kind.getEnclosingClass() == null ? "" : kind.getEnclosingClass().getSimpleName();
        return kebab(within + kind.getSimpleName()) + "."
                + choice.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static String kebab(String camel) {
        return camel.replaceAll("(?<=.)(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }

    boolean has(String key) {
        return bundle.containsKey(key);
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
}
