package chalktrace.app.controls;

import chalktrace.app.words.Words;
import java.util.function.Function;
import javafx.util.StringConverter;

/** How the choices of a list are written. */
public final class ShownAs {

    private ShownAs() {}

    /** Each choice in its words; nothing can be typed. */
    public static <T> StringConverter<T> words(Function<T, String> of) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : of.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException(Words.DESK.of("choices-are-not-typed"));
            }
        };
    }

    /** The names of an enumeration. @param words of the step that it belongs to */
    public static <E extends Enum<E>> StringConverter<E> names(Words words) {
        return words(value -> value == null ? "" : words.name(value));
    }
}
