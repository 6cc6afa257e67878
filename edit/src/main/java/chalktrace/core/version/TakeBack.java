package chalktrace.core.version;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotPart;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Takes back an earlier state of a shot, or a part of one, as one edit. What is taken back has the chalks that it was drawn with. */
public final class TakeBack {

    private TakeBack() {}

    /** All of it. */
    public static Edit all(String name, Shot then) {
        return new Edit(name, now -> then);
    }

    /** A part that is no level. */
    public static Edit part(String name, Shot then, ShotPart<?> part) {
        return new Edit(name, now -> now.withPartsOf(then, part));
    }

    /**
     * A level with its drawings and timing, in its place, or where it has gone in front of the one that it lay in front of. One that was not
     * there then goes.
     */
    public static Edit level(String name, Shot then, String id) {
        return new Edit(name, now -> {
            Optional<Level> was = then.level(id);
            if (was.isEmpty()) {
                return now.withLevels(now.levels().stream()
                        .filter(level -> !level.id().equals(id))
                        .toList());
            }
            Shot chalked = withChalks(now, then, was.get().drawings());
            if (now.level(id).isPresent()) {
                return chalked.withLevel(id, level -> was.get());
            }
            List<Level> levels = new ArrayList<>(chalked.levels());
            levels.add(place(chalked, then, id), was.get());
            return chalked.withLevels(levels);
        });
    }

    /** Where a level goes in between those that are there: in front of the nearest one behind it. */
    private static int place(Shot now, Shot then, String id) {
        List<String> is = now.levels().stream().map(Level::id).toList();
        List<String> was = then.levels().stream().map(Level::id).toList();
        return was.subList(was.indexOf(id) + 1, was.size()).stream()
                .filter(is::contains)
                .mapToInt(is::indexOf)
                .findFirst()
                .orElse(is.size());
    }

    /** Which drawing shows when on a level, where those drawings are still there. */
    public static Edit timing(String name, Shot then, String id) {
        return new Edit(name, now -> then.level(id)
                .map(was -> now.withLevel(id, level -> {
                    Exposures back = was.exposures();
                    boolean there = back.runs().stream()
                            .allMatch(run -> run.isBlank()
                                    || level.drawing(run.drawing()).isPresent());
                    return there ? level.with(back) : level;
                }))
                .orElse(now));
    }

    /**
     * Some drawings of a level as they were; each shows where it shows now. One that was not there then becomes empty.
     *
     * @param numbers of the drawings
     */
    public static Edit drawings(String name, Shot then, String id, List<Integer> numbers) {
        return new Edit(name, now -> {
            if (now.level(id).isEmpty()) {
                return now;
            }
            List<Drawing> back = numbers.stream()
                    .map(number -> then.level(id)
                            .flatMap(level -> level.drawing(number))
                            .orElse(Drawing.empty(number)))
                    .toList();
            return withChalks(now, then, back).withLevel(id, level -> {
                Level out = level;
                for (Drawing drawing : back) {
                    out = out.with(drawing);
                }
                return out;
            });
        });
    }

    private static Shot withChalks(Shot now, Shot then, List<Drawing> drawings) {
        Set<String> used = drawings.stream()
                .flatMap(drawing -> Stream.concat(
                        drawing.strokes().stream().map(stroke -> stroke.chalk()),
                        drawing.fills().stream().flatMap(fill -> fill.chalks())))
                .collect(Collectors.toSet());
        Map<String, Chalk> all = new LinkedHashMap<>();
        now.chalks().forEach(chalk -> all.put(chalk.id(), chalk));
        then.chalks().stream()
                .filter(chalk -> used.contains(chalk.id()))
                .forEach(chalk -> all.putIfAbsent(chalk.id(), chalk));
        return all.size() == now.chalks().size() ? now : now.withChalks(List.copyOf(all.values()));
    }
}
