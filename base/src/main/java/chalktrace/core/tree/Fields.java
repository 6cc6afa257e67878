package chalktrace.core.tree;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads the fields of a branch, and says exactly which field is wrong. */
public final class Fields {

    /** Makes a value of fields; an {@link IllegalArgumentException} of it becomes a {@link WrongField}. */
    public interface Maker<T> {
        T from(Fields fields) throws WrongField;
    }

    private static final int MOST_ITEMS = 2_000_000;

    private final Tree tree;
    private final String place;

    private Fields(Tree tree, String place) {
        this.tree = tree;
        this.place = place;
    }

    /** @param tree no branch has no fields */
    public static Fields of(Tree tree) {
        return new Fields(tree, "");
    }

    private Tree get(String name) {
        return tree instanceof Branch branch ? branch.fields().get(name) : null;
    }

    /** Whether there is one that is not nothing. */
    public boolean has(String name) {
        Tree value = get(name);
        return value != null && !(value instanceof Tree.Nothing);
    }

    public Fields object(String name) throws WrongField {
        if (get(name) instanceof Branch inner) {
            return new Fields(inner, at(name));
        }
        throw wrong(name, "should be an object");
    }

    /** What an object is made of that may be missing. */
    public <T> Optional<T> ifAny(String name, Maker<T> maker) throws WrongField {
        return has(name) ? Optional.of(object(name).make(maker)) : Optional.empty();
    }

    public List<Fields> items(String name) throws WrongField {
        List<Tree> all = all(name, "should be a list");
        List<Fields> out = new ArrayList<>(all.size());
        for (int i = 0; i < all.size(); i++) {
            out.add(new Fields(all.get(i), at(name) + "[" + i + "]"));
        }
        return out;
    }

    private List<Tree> all(String name, String what) throws WrongField {
        if (get(name) instanceof Tree.Items items && items.all().size() <= MOST_ITEMS) {
            return items.all();
        }
        throw wrong(name, what);
    }

    /** What each item of a list is made of. */
    public <T> List<T> list(String name, Maker<T> maker) throws WrongField {
        List<T> out = new ArrayList<>();
        for (Fields item : items(name)) {
            out.add(item.make(maker));
        }
        return out;
    }

    /** As {@link #list}; empty where there is none. */
    public <T> List<T> listIfAny(String name, Maker<T> maker) throws WrongField {
        return has(name) ? list(name, maker) : List.of();
    }

    public <T> T make(Maker<T> maker) throws WrongField {
        try {
            return maker.from(this);
        } catch (IllegalArgumentException e) {
            throw new WrongField((place.isEmpty() ? "" : "\"" + place + "\": ") + e.getMessage(), e);
        }
    }

    public String text(String name) throws WrongField {
        return textIfAny(name).orElseThrow(() -> wrong(name, "should be a text"));
    }

    /** Empty where there is none, or nothing. */
    public Optional<String> textIfAny(String name) throws WrongField {
        if (!has(name)) {
            return Optional.empty();
        }
        if (get(name) instanceof Tree.Text text) {
            return Optional.of(text.value());
        }
        throw wrong(name, "should be a text");
    }

    public List<String> texts(String name) throws WrongField {
        List<String> out = new ArrayList<>();
        for (Tree item : all(name, "should be a list")) {
            if (!(item instanceof Tree.Text text)) {
                throw wrong(name, "should be a list of texts");
            }
            out.add(text.value());
        }
        return out;
    }

    public List<Double> numbers(String name) throws WrongField {
        List<Tree> all = all(name, "should be a list of numbers");
        List<Double> out = new ArrayList<>(all.size());
        for (Tree item : all) {
            out.add(number(item).orElseThrow(() -> wrong(name, "should be a list of numbers")));
        }
        return out;
    }

    public double number(String name) throws WrongField {
        return number(get(name)).orElseThrow(() -> wrong(name, "should be a number"));
    }

    /** @param missing for a file that was written before there was such a field */
    public double number(String name, double missing) throws WrongField {
        return has(name) ? number(name) : missing;
    }

    private static Optional<Double> number(Tree value) {
        if (value instanceof Tree.Whole whole) {
            return Optional.of((double) whole.value());
        }
        return value instanceof Tree.Number number ? Optional.of(number.value()) : Optional.empty();
    }

    public int whole(String name) throws WrongField {
        double value = number(get(name)).orElse(Double.NaN);
        if (value != Math.rint(value) || Math.abs(value) > Integer.MAX_VALUE) {
            throw wrong(name, "should be a whole number");
        }
        return (int) value;
    }

    public boolean flag(String name) throws WrongField {
        if (get(name) instanceof Tree.Flag flag) {
            return flag.value();
        }
        throw wrong(name, "should be true or false");
    }

    /** Off for a file that was written before there was such a field. */
    public boolean flagIfAny(String name) throws WrongField {
        return has(name) && flag(name);
    }

    public <E extends Enum<E>> E oneOf(String name, Class<E> kind) throws WrongField {
        String written = text(name);
        for (E value : kind.getEnumConstants()) {
            if (Branch.word(value).equals(written)) {
                return value;
            }
        }
        throw wrong(name, "has the unknown value \"" + written + "\"");
    }

    /** @param missing for a file that was written before there was such a field */
    public <E extends Enum<E>> E oneOf(String name, E missing) throws WrongField {
        return has(name) ? oneOf(name, missing.getDeclaringClass()) : missing;
    }

    private WrongField wrong(String name, String what) {
        return new WrongField("\"" + at(name) + "\" " + what, null);
    }

    private String at(String name) {
        return place.isEmpty() ? name : place + "." + name;
    }
}
