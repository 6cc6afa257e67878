package chalktrace.media.testing;

import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.SetupPart;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotPart;
import chalktrace.core.shot.ShotParts;
import chalktrace.core.shot.SpeechPart;
import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * All values that differ from a given one in a single place, however deep in its records, lists and options: a number a little off, a switch turned,
 * a word changed, a list shorter by one. What the constructors refuse is left out.
 */
public final class Variations {

    /** @param place the record's class and component in which the difference lies */
    public record Variation(String place, Object value) {}

    private Variations() {}

    public static List<Variation> of(Object root) {
        return of("whole", root);
    }

    private static List<Variation> of(String place, Object value) {
        if (value instanceof Record whole) {
            return ofRecord(whole);
        }
        if (value instanceof List<?> list) {
            return ofList(place, list);
        }
        if (value instanceof NavigableMap<?, ?> map) {
            return ofMap(place, map);
        }
        if (value instanceof Shot shot) {
            return ShotParts.ALL.stream()
                    .flatMap(part -> ofPart(shot, part).stream())
                    .toList();
        }
        if (value instanceof Drawing drawing) {
            return of(place, drawing.items()).stream()
                    .map(v -> new Variation(v.place(), Drawing.of(drawing.number(), items(v.value()))))
                    .toList();
        }
        if (value instanceof Optional<?> option) {
            List<Variation> out = new ArrayList<>();
            option.ifPresent(inner -> {
                of(place, inner).forEach(v -> out.add(new Variation(v.place(), Optional.of(v.value()))));
                out.add(new Variation(place, Optional.empty()));
            });
            return out;
        }
        return leaves(value).map(leaf -> new Variation(place, leaf)).toList();
    }

    @SuppressWarnings("unchecked")
    private static <T> List<Variation> ofPart(Shot shot, ShotPart<T> part) {
        List<Variation> out = new ArrayList<>();
        for (Variation variation : of(place(part), shot.get(part))) {
            try {
                Shot changed = shot.with(part, (T) variation.value());
                if (!changed.equals(shot)) {
                    out.add(new Variation(variation.place(), changed));
                }
            } catch (IllegalArgumentException e) {
                continue;
            }
        }
        return out;
    }

    private static String place(ShotPart<?> part) {
        return "Shot." + part.id();
    }

    private static List<DrawingItem> items(Object list) {
        return ((List<?>) list).stream().map(DrawingItem.class::cast).toList();
    }

    private static Stream<?> leaves(Object value) {
        if (value instanceof Boolean b) {
            return Stream.of(!b);
        }
        if (value instanceof Integer i) {
            return Stream.of(i + 1, i - 1);
        }
        if (value instanceof Double d) {
            return Stream.of(d + 0.125, d - 0.125, d + 0.01, d - 0.01);
        }
        if (value instanceof String s) {
            return Stream.of(s + " \u8336<&\"", "x" + s, "AH", "");
        }
        if (value instanceof Enum<?> e) {
            return Stream.of(e.getDeclaringClass().getEnumConstants()).filter(other -> other != e);
        }
        return Stream.empty();
    }

    private static List<Variation> ofList(String place, List<?> list) {
        List<Variation> out = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            for (Variation inner : of(place, list.get(i))) {
                List<Object> changed = new ArrayList<>(list);
                changed.set(i, inner.value());
                out.add(new Variation(inner.place(), List.copyOf(changed)));
            }
        }
        if (!list.isEmpty()) {
            out.add(new Variation(place, List.copyOf(list.subList(0, list.size() - 1))));
            List<Object> turned = new ArrayList<>(list);
            Collections.reverse(turned);
            out.add(new Variation(place, List.copyOf(turned)));
        }
        return out;
    }

    private static List<Variation> ofMap(String place, NavigableMap<?, ?> map) {
        List<Variation> out = new ArrayList<>();
        for (Object key : map.keySet()) {
            for (Variation inner : of(place, map.get(key))) {
                TreeMap<Object, Object> changed = new TreeMap<>();
                changed.putAll(map);
                changed.put(key, inner.value());
                out.add(new Variation(inner.place(), changed));
            }
            TreeMap<Object, Object> without = new TreeMap<>();
            without.putAll(map);
            without.remove(key);
            out.add(new Variation(place, without));
        }
        return out;
    }

    private static List<Variation> ofRecord(Record whole) {
        List<Variation> out = new ArrayList<>();
        RecordComponent[] components = whole.getClass().getRecordComponents();
        for (int i = 0; i < components.length; i++) {
            String place = place(whole.getClass(), components[i]);
            for (Variation inner : of(place, parts(whole)[i])) {
                Object[] changed = parts(whole);
                changed[i] = inner.value();
                made(whole.getClass(), changed)
                        .filter(made -> !made.equals(whole))
                        .ifPresent(made -> out.add(new Variation(inner.place(), made)));
            }
        }
        return out;
    }

    /** All components in a value and below it that hold no record themselves, by class and name. */
    public static Stream<String> places(Object value) {
        if (value instanceof Record whole) {
            RecordComponent[] components = whole.getClass().getRecordComponents();
            Object[] parts = parts(whole);
            Stream<String> own = IntStream.range(0, parts.length)
                    .filter(i -> !(parts[i] instanceof Record))
                    .mapToObj(i -> place(whole.getClass(), components[i]));
            return Stream.concat(own, Stream.of(parts).flatMap(Variations::places));
        }
        if (value instanceof List<?> list) {
            return list.stream().flatMap(Variations::places);
        }
        if (value instanceof Shot shot) {
            return ShotParts.ALL.stream()
                    .flatMap(part -> Stream.concat(Stream.of(place(part)), places(shot.get(part))))
                    .filter(place -> !place.equals(place(SetupPart.SETUP)) && !place.equals(place(SpeechPart.SPEECH)));
        }
        if (value instanceof Drawing drawing) {
            return places(drawing.items());
        }
        return value instanceof Optional<?> option ? option.stream().flatMap(Variations::places) : Stream.empty();
    }

    private static String place(Class<?> type, RecordComponent component) {
        return type.getSimpleName() + "." + component.getName();
    }

    private static Object[] parts(Record whole) {
        try {
            RecordComponent[] components = whole.getClass().getRecordComponents();
            Object[] parts = new Object[components.length];
            for (int i = 0; i < parts.length; i++) {
                components[i].getAccessor().setAccessible(true);
                parts[i] = components[i].getAccessor().invoke(whole);
            }
            return parts;
        } catch (ReflectiveOperationException e) {
            throw new AssertionError(e);
        }
    }

    /** Empty where the constructor refuses the parts. */
    private static Optional<Object> made(Class<?> type, Object[] parts) {
        try {
            Class<?>[] types = Stream.of(type.getRecordComponents())
                    .map(RecordComponent::getType)
                    .toArray(Class<?>[]::new);
            Constructor<?> constructor = type.getDeclaredConstructor(types);
            constructor.setAccessible(true);
            return Optional.of(constructor.newInstance(parts));
        } catch (ReflectiveOperationException e) {
            return Optional.empty();
        }
    }
}
