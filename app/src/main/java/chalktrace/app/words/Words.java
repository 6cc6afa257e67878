package chalktrace.app.words;

import chalktrace.core.words.WordBundle;
import java.util.Locale;
import java.util.Optional;

/** What the window says, one bundle for each step and one for what all steps share, so that the program can be translated. */
public enum Words {
    GATHER,
    STUDY,
    TRACE,
    VOICE,
    FINISH,
    MODELS,
    DESK;

    private final WordBundle bundle = new WordBundle("chalktrace.app.words." + name().toLowerCase(Locale.ROOT));

    /** As {@link WordBundle#of}. */
    public String of(String key, Object... parts) {
        return bundle.of(key, parts);
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
        return bundle.has(key);
    }

    /** As {@link WordBundle#count}. */
    public String count(String key, long count, Object... more) {
        return bundle.count(key, count, more);
    }
}
