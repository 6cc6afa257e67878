package chalktrace.media.export;

import java.util.HashMap;
import java.util.Map;

/** What was chosen about an export; what was not is as usual. */
public final class Choices {

    public static final Choices USUAL = new Choices(Map.of());

    /** By the ids of choices: kinds of files that have narrower bounds for one share its id. */
    private final Map<String, Object> chosen;

    private Choices(Map<String, Object> chosen) {
        this.chosen = Map.copyOf(chosen);
    }

    @SuppressWarnings("unchecked") // with() takes a value of the choice's own type
    public <T> T get(Choice<T> choice) {
        return (T) chosen.getOrDefault(choice.id(), choice.usual());
    }

    public <T> Choices with(Choice<T> choice, T value) {
        Map<String, Object> all = new HashMap<>(chosen);
        all.put(choice.id(), value);
        return new Choices(all);
    }

    /** With what a text says. @throws IllegalArgumentException with a sentence that says what to write */
    public <T> Choices read(Choice<T> choice, String text) {
        return with(choice, choice.read(text));
    }

    public <T> String text(Choice<T> choice) {
        return choice.write(get(choice));
    }
}
