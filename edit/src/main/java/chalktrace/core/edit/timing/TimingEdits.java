package chalktrace.core.edit.timing;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.FrameChange;
import chalktrace.core.shot.FrameReach;
import chalktrace.core.shot.InsertedFrames;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.RemovedFrames;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Showings;
import chalktrace.core.shot.SpanExposures;
import chalktrace.core.shot.StretchedFrames;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.IntUnaryOperator;
import java.util.function.UnaryOperator;

/** Edits of when drawings are seen, on spans of one or several levels. Locked and held levels keep their timing. */
public final class TimingEdits {

    private TimingEdits() {}

    /** The showings of a span in the opposite order; what belongs to one stays with it, and cycles stay. */
    public static Edit reverse(Collection<String> levels, FrameRange span) {
        return onSpan(
                EditWords.TEXTS.of("reverse"),
                levels,
                span,
                SpanExposures::reversed,
                frame -> span.contains(frame) ? span.start() + span.last() - frame : frame);
    }

    /** The span again and again after itself; what follows it is pushed on, cycles too. */
    public static Edit repeat(Collection<String> levels, FrameRange span, int times) {
        return longer(EditWords.TEXTS.of("repeat"), levels, span, row -> row.repeated(times));
    }

    /** The span and then back to its first drawing; what follows it is pushed on, cycles too. */
    public static Edit toAndFro(Collection<String> levels, FrameRange span) {
        return longer(EditWords.TEXTS.of("to-and-fro"), levels, span, SpanExposures::toAndFro);
    }

    /** Makes a span longer or shorter. Applying it throws when showings would be lost; see {@link SpanExposures#stretched}. */
    public static Edit stretch(Collection<String> levels, FrameRange span, int frames) {
        return stretched(EditWords.TEXTS.of("stretch"), levels, span, row -> row.stretched(frames));
    }

    /** Each showing of a span held for a number of frames. */
    public static Edit each(Collection<String> levels, FrameRange span, int frames) {
        return stretched(EditWords.TEXTS.of("hold-each-for", frames), levels, span, row -> row.each(frames));
    }

    /** A span on twos, threes ...: what shows on every n-th frame is held until the next. */
    public static Edit onEvery(Collection<String> levels, FrameRange span, int frames) {
        return onSpan(
                EditWords.TEXTS.of("on-every", frames),
                levels,
                span,
                row -> row.sampled(frames),
                IntUnaryOperator.identity());
    }

    public static Edit removeFrames(Collection<String> levels, FrameRange span) {
        return moving(
                EditWords.TEXTS.of("remove-frames"),
                levels,
                (shot, level) -> new RemovedFrames(span, shot.setup().rate(), FrameReach.of(List.of(level))));
    }

    public static Edit insertFrames(Collection<String> levels, int frame, int count) {
        return moving(EditWords.TEXTS.of("insert-frames"), levels, (shot, level) -> {
            ShotTimingEdits.requireCount(count);
            return new InsertedFrames(frame, count, shot.setup().rate(), FrameReach.of(List.of(level)));
        });
    }

    /** Moves what starts in a span, and what belongs to it, over what is there. */
    public static Edit shift(Collection<String> levels, FrameRange span, int by) {
        return onLevels(
                EditWords.TEXTS.of("shift"),
                levels,
                exposures -> exposures.shifted(span, by),
                frame -> span.contains(frame) ? Math.max(0, frame + by) : frame);
    }

    /** Shows a span once more at another place, tied to it: the same drawings. */
    public static Edit copyTied(Collection<String> levels, FrameRange span, int to) {
        return onLevels(
                EditWords.TEXTS.of("linked-copy"),
                levels,
                exposures -> SpanExposures.of(exposures, span).copiedTo(to),
                IntUnaryOperator.identity());
    }

    /** As {@link #copyTied}, with drawings of its own: each drawing of the span is copied once. */
    public static Edit copyOwn(Collection<String> levels, FrameRange span, int to) {
        return new Edit(
                EditWords.TEXTS.of("own-copy"),
                shot -> changed(shot, levels, level -> {
                    Exposures there = SpanExposures.of(level.exposures(), span).copiedTo(to);
                    FrameRange copied = FrameRange.of(to, span.frames());
                    Level out = level.with(there);
                    Map<Integer, Integer> own = new HashMap<>();
                    List<Exposure> runs = new ArrayList<>();
                    for (Exposure run : splitAt(there, copied).runs()) {
                        if (run.isBlank() || !copied.contains(run.start())) {
                            runs.add(run);
                            continue;
                        }
                        Integer number = own.get(run.drawing());
                        if (number == null) {
                            number = out.nextNumber();
                            out = out.with(copy(level.drawing(run.drawing()).orElseThrow(), number));
                            own.put(run.drawing(), number);
                        }
                        runs.add(new Exposure(run.start(), run.frames(), number, run.placement()));
                    }
                    return out.with(new Exposures(runs));
                }));
    }

    /** Gives the showing at a frame a drawing of its own, so that changing it changes no other. */
    public static Edit cutTie(String levelId, int frame) {
        return new Edit(
                EditWords.TEXTS.of("unlink"),
                shot -> changed(shot, List.of(levelId), level -> level.exposures()
                        .at(frame)
                        .filter(run -> !run.isBlank()
                                && level.exposures().showing(run.drawing()).size() > 1)
                        .map(run -> {
                            int number = level.nextNumber();
                            Level out =
                                    level.with(copy(level.drawing(run.drawing()).orElseThrow(), number));
                            return out.with(level.exposures()
                                    .with(new Exposure(run.start(), run.frames(), number, run.placement())));
                        })
                        .orElse(level)));
    }

    /** Blanks on every n-th free frame of a span, up to the next or to what shows. */
    public static Edit blanks(Collection<String> levels, FrameRange span, int every) {
        return onLevels(
                EditWords.TEXTS.of("blanks"),
                levels,
                exposures -> {
                    Exposures out = exposures;
                    for (int frame = span.start(); frame < span.end(); frame += Math.max(1, every)) {
                        if (out.at(frame).isEmpty()) {
                            out = out.with(Exposure.of(frame, room(out, frame, span, every), Exposure.BLANK));
                        }
                    }
                    return out;
                },
                IntUnaryOperator.identity());
    }

    /** New empty drawings on every n-th free or blank frame of a span. */
    public static Edit drawings(Collection<String> levels, FrameRange span, int every) {
        return new Edit(
                EditWords.TEXTS.of("new-drawings-on-every-n"),
                shot -> changed(shot, levels, level -> {
                    Level out = level;
                    for (int frame = span.start(); frame < span.end(); frame += Math.max(1, every)) {
                        boolean free =
                                out.exposures().at(frame).map(Exposure::isBlank).orElse(true);
                        if (free) {
                            int number = out.nextNumber();
                            Exposures cleared = out.exposures().cleared(FrameRange.of(frame, 1));
                            out = out.with(Drawing.empty(number))
                                    .with(cleared.with(Exposure.of(frame, room(cleared, frame, span, every), number)));
                        }
                    }
                    return out;
                }));
    }

    /** Exchanges what two levels show, drawings and all that belongs to them; names and styles stay. */
    public static Edit swap(String one, String other) {
        return new Edit(EditWords.TEXTS.of("swap-two-levels"), shot -> {
            Level a = shot.level(one).orElse(null);
            Level b = shot.level(other).orElse(null);
            if (a == null || b == null || shot.isLocked(a) || shot.isLocked(b)) {
                return shot;
            }
            UnaryOperator<String> exchanged = level -> level.equals(one) ? other : level.equals(other) ? one : level;
            return shot.withLevel(one, level -> holding(level, b))
                    .withLevel(other, level -> holding(level, a))
                    .withCycles(shot.cycles().stream()
                            .map(cycle -> new Cycle(exchanged.apply(cycle.level()), cycle.frames()))
                            .toList())
                    .withMarks(shot.marks().stream()
                            .map(mark -> new Mark(
                                    mark.frame(), mark.kind(), mark.level().map(exchanged), mark.text()))
                            .toList())
                    .withCues(shot.cues().stream()
                            .map(cue -> cue.withTie(cue.tie()
                                    .map(tie ->
                                            new Cue.Tie(tie.level().map(exchanged), tie.frame(), tie.leadFrames()))))
                            .toList());
        });
    }

    /** Removes the drawings of levels that show nowhere. */
    public static Edit removeUnused(Collection<String> levels) {
        return new Edit(
                EditWords.TEXTS.of("remove-drawings-not-used"),
                shot -> changed(
                        shot,
                        levels,
                        level -> new Level(
                                level.id(),
                                level.name(),
                                level.visible(),
                                level.locked(),
                                level.opacity(),
                                level.style(),
                                level.drawings().stream()
                                        .filter(drawing -> !level.exposures()
                                                .showing(drawing.number())
                                                .isEmpty())
                                        .toList(),
                                level.exposures())));
    }

    private static Level holding(Level level, Level other) {
        return new Level(
                level.id(),
                level.name(),
                level.visible(),
                level.locked(),
                level.opacity(),
                level.style(),
                other.drawings(),
                other.exposures());
    }

    private static int room(Exposures exposures, int frame, FrameRange span, int every) {
        int end = Math.min(span.end(), frame + Math.max(1, every));
        return Math.max(1, Math.min(end, exposures.nextTaken(frame, end)) - frame);
    }

    private static Drawing copy(Drawing drawing, int number) {
        return drawing.withNumber(number);
    }

    /** With no run across the ends of a range. */
    private static Exposures splitAt(Exposures exposures, FrameRange range) {
        List<Exposure> out = new ArrayList<>();
        for (Exposure run : exposures.runs()) {
            int at = run.start();
            for (int cut : new int[] {range.start(), range.end()}) {
                if (cut > at && cut < run.end()) {
                    out.add(new Exposure(at, cut - at, run.drawing(), run.placement()));
                    at = cut;
                }
            }
            out.add(new Exposure(at, run.end() - at, run.drawing(), run.placement()));
        }
        return new Exposures(out);
    }

    /** @param frame where a frame comes to, in the order that the change gives */
    private static Edit onSpan(
            String name,
            Collection<String> levels,
            FrameRange span,
            UnaryOperator<SpanExposures> change,
            IntUnaryOperator frame) {
        return onLevels(
                name,
                levels,
                exposures -> change.apply(SpanExposures.of(exposures, span)).put(),
                frame);
    }

    /** A span whose row is longer: what follows is pushed on, each level's own, as the rows may differ. */
    private static Edit longer(
            String name, Collection<String> levels, FrameRange span, UnaryOperator<SpanExposures> change) {
        return rows(
                name,
                levels,
                span,
                change,
                (shot, level, row, after) -> new InsertedFrames(
                        span.end(),
                        Math.max(0, after.frames() - span.frames()),
                        shot.setup().rate(),
                        FrameReach.of(List.of(level))));
    }

    /** A span whose showings keep their order and come to be longer or shorter. */
    private static Edit stretched(
            String name, Collection<String> levels, FrameRange span, UnaryOperator<SpanExposures> change) {
        return rows(
                name,
                levels,
                span,
                change,
                (shot, level, row, after) -> new StretchedFrames(after.movedFrom(row), FrameReach.of(List.of(level))));
    }

    /** How frames of a level move when a row of it has become another. */
    private interface RowChange {
        FrameChange of(Shot shot, String level, SpanExposures row, SpanExposures after);
    }

    private static Edit rows(
            String name,
            Collection<String> levels,
            FrameRange span,
            UnaryOperator<SpanExposures> change,
            RowChange moved) {
        return new Edit(name, shot -> {
            Shot out = shot;
            for (String id : open(shot, levels)) {
                SpanExposures row =
                        SpanExposures.of(shot.level(id).orElseThrow().exposures(), span);
                SpanExposures after = change.apply(row);
                out = out.moved(moved.of(shot, id, row, after)).withLevel(id, level -> level.with(after.put()));
            }
            return out;
        });
    }

    private static Edit moving(String name, Collection<String> levels, BiFunction<Shot, String, FrameChange> change) {
        return new Edit(name, shot -> {
            Shot out = shot;
            for (String id : open(shot, levels)) {
                out = out.moved(change.apply(shot, id))
                        .withLevel(id, level -> level.with(level.exposures().joined()));
            }
            return out;
        });
    }

    private static Edit onLevels(
            String name, Collection<String> levels, UnaryOperator<Exposures> change, IntUnaryOperator frame) {
        return new Edit(
                name,
                shot -> Showings.followed(
                        shot, changed(shot, levels, level -> level.with(change.apply(level.exposures()))), frame));
    }

    /** On the levels and those that are retimed with them. */
    private static Shot changed(Shot shot, Collection<String> levels, UnaryOperator<Level> change) {
        Shot out = shot;
        for (String id : open(shot, levels)) {
            out = out.withLevel(id, change);
        }
        return out;
    }

    /** The levels, and those that are retimed with them, whose timing may be changed. */
    private static List<String> open(Shot shot, Collection<String> levels) {
        return levels.stream()
                .flatMap(id -> shot.retimedWith(id).stream())
                .distinct()
                .flatMap(id -> shot.level(id).stream())
                .filter(level -> !shot.isLocked(level) && !level.style().held())
                .map(Level::id)
                .toList();
    }
}
