package chalktrace.media.export;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * One thing that can be chosen about an export. Exporters declare theirs; the card in Finish makes a row of each and the command line a switch.
 *
 * @param <T> what is chosen
 */
public final class Choice<T> {

    private final String id;
    private final String label;
    private final String help;
    private final String form;
    private final List<T> all;
    private final T usual;
    private final Function<String, T> reader;
    private final Function<T, String> writer;

    private Choice(
            String id,
            String label,
            String help,
            String form,
            List<T> all,
            T usual,
            Function<String, T> reader,
            Function<T, String> writer) {
        this.id = id;
        this.label = label;
        this.help = help;
        this.form = form;
        this.all = List.copyOf(all);
        this.usual = usual;
        this.reader = reader;
        this.writer = writer;
    }

    /** Yes or no. */
    static Choice<Boolean> flag(String id, String label, String help, boolean usual) {
        return new Choice<>(
                id,
                label,
                help,
                "",
                List.of(true, false),
                usual,
                text -> switch (text) {
                    case "true" -> true;
                    case "false" -> false;
                    default -> throw new IllegalArgumentException("\"" + text + "\" is neither true nor false.");
                },
                String::valueOf);
    }

    /** One of a few, each with a word by which it is written. */
    static <T> Choice<T> oneOf(String id, String label, String help, List<T> all, T usual, Function<T, String> word) {
        return new Choice<>(
                id,
                label,
                help,
                String.join("|", all.stream().map(word).toList()),
                all,
                usual,
                text -> all.stream()
                        .filter(one -> word.apply(one).equals(text))
                        .findFirst()
                        .orElseThrow(() -> new IllegalArgumentException("\"" + text + "\" is none of "
                                + String.join(", ", all.stream().map(word).toList()) + ".")),
                word);
    }

    /** Some of a few, each with a word by which it is written, with commas between; none unless somebody says so. */
    static <T extends Comparable<T>> Choice<Set<T>> someOf(
            String id, String label, String help, List<T> all, Function<T, String> word) {
        Choice<T> one = oneOf(id, label, help, all, all.get(0), word);
        List<Set<T>> single = all.stream().map(Set::of).toList();
        return new Choice<>(
                id,
                label,
                help,
                String.join(",", all.stream().map(word).toList()),
                single,
                Set.of(),
                text -> Arrays.stream(text.split(","))
                        .map(String::strip)
                        .filter(name -> !name.isEmpty())
                        .map(one::read)
                        .collect(Collectors.toUnmodifiableSet()),
                some -> some.stream().sorted().map(word).collect(Collectors.joining(",")));
    }

    /**
     * What is typed.
     *
     * @param form how it is written, for help: "A-B"
     * @param reader throws IllegalArgumentException with a sentence that says what to write
     */
    static <T> Choice<T> typed(
            String id,
            String label,
            String help,
            String form,
            T usual,
            Function<String, T> reader,
            Function<T, String> writer) {
        return new Choice<>(id, label, help, form, List.of(), usual, reader, writer);
    }

    /** Stable; the switch of the command line is {@code --id}. */
    public String id() {
        return id;
    }

    public String label() {
        return label;
    }

    /** In one sentence. */
    public String help() {
        return help;
    }

    /** How it is written; empty for yes and no. */
    public String form() {
        return form;
    }

    /** What can be chosen, each alone where several can be chosen together; none where it is typed. */
    public List<T> all() {
        return all;
    }

    /** Whether several can be chosen together: then it is a set. */
    public boolean isSome() {
        return usual instanceof Set;
    }

    /** Whether it is yes or no. */
    public boolean isFlag() {
        return form.isEmpty();
    }

    /** What is chosen unless somebody says otherwise. */
    public T usual() {
        return usual;
    }

    /** @throws IllegalArgumentException with a sentence that says what to write */
    public T read(String text) {
        return reader.apply(text);
    }

    /** What {@link #read} reads to the same value. */
    public String write(T value) {
        return writer.apply(value);
    }

    @Override
    public String toString() {
        return id;
    }
}
