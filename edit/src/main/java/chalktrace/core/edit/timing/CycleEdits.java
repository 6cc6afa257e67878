package chalktrace.core.edit.timing;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.FrameChange;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.InsertedFrames;
import chalktrace.core.shot.Level;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Edits of what is shown over and over. */
public final class CycleEdits {

    private CycleEdits() {}

    /** Marks a span of a level as a cycle, in place of those that it overlaps. */
    public static Edit mark(String levelId, FrameRange frames) {
        return new Edit(EditWords.TEXTS.of("mark-a-cycle"), shot -> {
            int length = shot.setup().length();
            FrameRange within =
                    new FrameRange(Math.max(0, Math.min(length, frames.start())), Math.min(length, frames.end()));
            Level level = shot.level(levelId)
                    .orElseThrow(
                            () -> new IllegalArgumentException(EditWords.TEXTS.of("there-is-no-such-level-nothing")));
            if (within.start() >= within.end()
                    || level.exposures().runs().stream()
                            .noneMatch(run -> run.range().overlaps(within))) {
                throw new IllegalArgumentException(EditWords.TEXTS.of("nothing-shows-on-these-frames", level.name()));
            }
            List<Cycle> cycles = new ArrayList<>(shot.cycles());
            cycles.removeIf(
                    cycle -> cycle.level().equals(levelId) && cycle.frames().overlaps(within));
            cycles.add(new Cycle(levelId, within));
            return shot.withCycles(cycles);
        });
    }

    /** Takes a cycle's mark away; what shows stays. */
    public static Edit unmark(Cycle cycle) {
        return new Edit(
                EditWords.TEXTS.of("take-a-cycles-mark-away"),
                shot -> shot.withCycles(shot.cycles().stream()
                        .filter(other -> !other.equals(cycle))
                        .toList()));
    }

    /**
     * Shows a cycle again and again, tied, from its end to the shot's end or to the next cycle of its level; what shows there
     * is replaced.
     */
    public static Edit runOn(Cycle cycle) {
        return new Edit(EditWords.TEXTS.of("run-a-cycle-on"), shot -> {
            int end = shot.cycles().stream()
                    .filter(other -> other.level().equals(cycle.level()))
                    .mapToInt(other -> other.frames().start())
                    .filter(start -> start >= cycle.frames().end())
                    .min()
                    .orElse(shot.setup().length());
            return shot.withLevel(cycle.level(), level -> {
                if (shot.isLocked(level)
                        || level.style().held()
                        || end <= cycle.frames().end()) {
                    return level;
                }
                Exposures out =
                        level.exposures().cleared(new FrameRange(cycle.frames().end(), end));
                for (int at = cycle.frames().end();
                        at < end;
                        at += cycle.frames().frames()) {
                    for (Exposure run : level.exposures().runs()) {
                        int from = Math.max(run.start(), cycle.frames().start());
                        int to = Math.min(run.end(), cycle.frames().end());
                        int start = at + from - cycle.frames().start();
                        if (from < to && start < end) {
                            out = out.with(new Exposure(
                                    start, Math.min(to - from, end - start), run.drawing(), run.placement()));
                        }
                    }
                }
                return level.with(out);
            });
        });
    }

    /**
     * The names of parts on a level that differ only in "left" and "right", as pairs: those that change places in the second
     * half of a walk.
     */
    public static Map<String, String> sides(Level level) {
        Set<String> names = level.drawings().stream()
                .flatMap(drawing -> drawing.strokes().stream())
                .map(Stroke::part)
                .filter(name -> !name.isEmpty())
                .collect(Collectors.toCollection(TreeSet::new));
        Map<String, String> out = new LinkedHashMap<>();
        for (String name : names) {
            String other = name.toLowerCase(Locale.ROOT).replaceFirst("\\bleft\\b", "right");
            names.stream()
                    .filter(n -> !n.equals(name) && n.toLowerCase(Locale.ROOT).equals(other))
                    .findFirst()
                    .ifPresent(n -> out.put(name, n));
        }
        return out;
    }

    /**
     * The second half of a cycle: after a span, its drawings once more as copies of their own in which parts have changed
     * places: a stroke of the one belongs to the other, in its chalk and in its place in front or behind. What follows the
     * span is pushed on.
     *
     * @param exchanged names of parts, each with the one that it changes places with
     * @throws IllegalArgumentException when there are no such parts, once it is applied
     */
    public static Edit secondHalf(String levelId, FrameRange half, Map<String, String> exchanged) {
        return new Edit(EditWords.TEXTS.of("second-half-of-a-cycle"), shot -> {
            if (exchanged.isEmpty()) {
                throw new IllegalArgumentException(EditWords.TEXTS.of("no-parts-were-named-that-change-places"));
            }
            FrameChange pushed =
                    new InsertedFrames(half.end(), half.frames(), shot.setup().rate(), FrameReach.of(List.of(levelId)));
            Level before = shot.level(levelId).orElse(null);
            if (before == null || shot.isLocked(before) || before.style().held()) {
                return shot;
            }
            return shot.moved(pushed).withLevel(levelId, level -> {
                Level out = level;
                Map<Integer, Integer> copies = new HashMap<>();
                for (Exposure run : before.exposures().runs()) {
                    int from = Math.max(run.start(), half.start());
                    int to = Math.min(run.end(), half.end());
                    if (from >= to) {
                        continue;
                    }
                    Integer number = run.drawing();
                    if (!run.isBlank()) {
                        number = copies.get(run.drawing());
                        if (number == null) {
                            number = out.nextNumber();
                            copies.put(run.drawing(), number);
                            out = out.with(
                                    exchanged(level.drawing(run.drawing()).orElseThrow(), number, exchanged));
                        }
                    }
                    out = out.with(out.exposures()
                            .with(new Exposure(from + half.frames(), to - from, number, run.placement())));
                }
                return out;
            });
        });
    }

    private static Drawing exchanged(Drawing drawing, int number, Map<String, String> pairs) {
        Map<String, String> both = new HashMap<>(pairs);
        pairs.forEach((one, other) -> both.put(other, one));
        Map<String, String> chalks = new HashMap<>();
        for (Stroke stroke : drawing.strokes()) {
            chalks.putIfAbsent(stroke.part(), stroke.chalk());
        }
        Function<Stroke, Stroke> change = stroke -> {
            String part = both.get(stroke.part());
            return part == null ? stroke : stroke.withPart(part).withChalk(chalks.getOrDefault(part, stroke.chalk()));
        };
        // Where strokes of the one lay in the stack, those that belong to it now lie.
        Map<String, List<Stroke>> now = new HashMap<>();
        drawing.strokes().stream().map(change).forEach(stroke -> now.computeIfAbsent(
                        stroke.part(), part -> new ArrayList<>())
                .add(stroke));
        List<Stroke> out = new ArrayList<>();
        for (Stroke stroke : drawing.strokes()) {
            if (!both.containsKey(stroke.part())) {
                out.add(stroke);
            } else {
                out.addAll(taken(now, stroke.part()));
            }
        }
        now.forEach((part, left) -> {
            if (both.containsKey(part)) {
                out.addAll(left);
            }
        });
        return drawing.withNumber(number).withStrokes(out);
    }

    private static List<Stroke> taken(Map<String, List<Stroke>> now, String part) {
        List<Stroke> strokes = now.getOrDefault(part, List.of());
        now.put(part, List.of());
        return strokes;
    }
}
