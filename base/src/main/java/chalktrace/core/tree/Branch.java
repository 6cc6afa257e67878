package chalktrace.core.tree;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.ToDoubleFunction;

/** Named values, in the order in which they were put. Whoever makes one fills it; from then on it is only read. */
public final class Branch implements Tree {

    /** Whole numbers up to here are the same as doubles. */
    private static final double WHOLE = 1e9;

    private final Map<String, Tree> fields = new LinkedHashMap<>();

    /** What it holds, by name. */
    public Map<String, Tree> fields() {
        return Collections.unmodifiableMap(fields);
    }

    public Branch put(String name, Tree value) {
        fields.put(name, value);
        return this;
    }

    public Branch put(String name, String text) {
        return put(name, new Text(text));
    }

    /** A text, or nothing. */
    public Branch put(String name, Optional<String> text) {
        return put(name, text.<Tree>map(Text::new).orElse(new Nothing()));
    }

    public Branch put(String name, int number) {
        return put(name, new Whole(number));
    }

    public Branch put(String name, double number) {
        return put(name, new Number(number));
    }

    public Branch put(String name, boolean flag) {
        return put(name, new Flag(flag));
    }

    /** One of a kind, by its name in small letters. */
    public Branch put(String name, Enum<?> value) {
        return put(name, word(value));
    }

    public Branch putNothing(String name) {
        return put(name, new Nothing());
    }

    /** @return the new branch */
    public Branch branch(String name) {
        Branch inner = new Branch();
        fields.put(name, inner);
        return inner;
    }

    /** A branch for each item. */
    public <T> Branch each(String name, List<T> items, BiConsumer<T, Branch> write) {
        List<Tree> all = new ArrayList<>(items.size());
        for (T item : items) {
            Branch inner = new Branch();
            write.accept(item, inner);
            all.add(inner);
        }
        return put(name, new Items(all));
    }

    public Branch texts(String name, List<String> texts) {
        return put(name, new Items(texts.stream().<Tree>map(Text::new).toList()));
    }

    /** A number of each item; those without a fraction are written without one. */
    public <T> Branch numbers(String name, List<T> items, ToDoubleFunction<T> value) {
        List<Tree> all = new ArrayList<>(items.size());
        for (T item : items) {
            double number = value.applyAsDouble(item);
            all.add(
                    number == Math.rint(number) && Math.abs(number) < WHOLE
                            ? new Whole((long) number)
                            : new Number(number));
        }
        return put(name, new Items(all));
    }

    /** How a constant stands in a file, such as "keep-time". */
    public static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Branch branch && fields.equals(branch.fields);
    }

    @Override
    public int hashCode() {
        return fields.hashCode();
    }

    @Override
    public String toString() {
        return fields.toString();
    }
}
