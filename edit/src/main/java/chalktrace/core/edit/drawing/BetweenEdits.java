package chalktrace.core.edit.drawing;

import chalktrace.core.between.Carried;
import chalktrace.core.between.DrawnArc;
import chalktrace.core.between.InBetween;
import chalktrace.core.between.TimingChart;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import chalktrace.core.words.EditWords;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;

/** Puts in-betweens into a level. */
public final class BetweenEdits {

    private BetweenEdits() {}

    /**
     * The arc on which the middle of a level's drawings goes from one key to the next: through the middles of the drawing before
     * and the one after as well, as a curve of Catmull and Rom ("A class of local interpolating splines", 1974). Empty where
     * there is no drawing before or none after.
     *
     * @return the middle at a share of the way
     */
    public static Optional<DoubleFunction<Point2D>> arc(Level level, Exposure first, Exposure second) {
        List<Exposure> runs =
                level.exposures().runs().stream().filter(run -> !run.isBlank()).toList();
        Optional<Point2D> before = runs.stream()
                .filter(run -> run.start() < first.start() && run.drawing() != first.drawing())
                .reduce((a, b) -> b)
                .flatMap(run -> middle(level, run));
        Optional<Point2D> after = runs.stream()
                .filter(run -> run.start() > second.start() && run.drawing() != second.drawing())
                .findFirst()
                .flatMap(run -> middle(level, run));
        Optional<Point2D> from = middle(level, first);
        Optional<Point2D> to = middle(level, second);
        if (before.isEmpty() || after.isEmpty() || from.isEmpty() || to.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(t -> new Point2D.Double(
                spline(
                        before.get().getX(),
                        from.get().getX(),
                        to.get().getX(),
                        after.get().getX(),
                        t),
                spline(
                        before.get().getY(),
                        from.get().getY(),
                        to.get().getY(),
                        after.get().getY(),
                        t)));
    }

    private static double spline(double a, double b, double c, double d, double t) {
        return 0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t * t * t);
    }

    /** The mean of the middles of the strokes of a showing's drawing; none where it has none. */
    public static Optional<Point2D> middle(Level level, Exposure run) {
        List<Rectangle2D> boxes = level.drawing(run.drawing()).stream()
                .flatMap(drawing -> drawing.strokes().stream())
                .map(StrokeSelection::bounds)
                .toList();
        return boxes.isEmpty()
                ? Optional.empty()
                : Optional.of(new Point2D.Double(
                        boxes.stream()
                                .mapToDouble(Rectangle2D::getCenterX)
                                .average()
                                .orElse(0),
                        boxes.stream()
                                .mapToDouble(Rectangle2D::getCenterY)
                                .average()
                                .orElse(0)));
    }

    /**
     * The way along a drawn line: its ends are laid onto the middles of the two drawings, and shares of the way are shares
     * of its length.
     */
    public static Optional<DoubleFunction<Point2D>> along(Curve line, Level level, Exposure first, Exposure second) {
        Optional<Point2D> from = middle(level, first);
        Optional<Point2D> to = middle(level, second);
        if (from.isEmpty() || to.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(DrawnArc.between(line, from.get(), to.get()));
    }

    /** How many in-betweens there are room for. */
    public static int frames(Exposure first, Exposure second, int every) {
        return Math.max(0, (second.start() - first.start() - 1) / Math.max(1, every));
    }

    /**
     * The drawing that lies between two: lines drafted, paint with the lines that bound it, pictures along with the whole. What has
     * no partner is the first drawing's up to half way and the second's after.
     *
     * @param draft made of the two drawings' strokes
     */
    public static Drawing draft(Drawing first, Drawing second, InBetween.Draft draft) {
        Drawing from = draft.carried().early() ? first : second;
        return carried(1, from, draft, draft.strokes());
    }

    /** A key's items on their way, in their order. */
    private static Drawing carried(int number, Drawing key, InBetween.Draft draft, List<Stroke> strokes) {
        Carried carried = draft.carried();
        return key.withNumber(number)
                .withStrokes(strokes)
                .withFills(key.fills().stream().map(carried::paint).toList())
                .withPictures(key.pictures().stream().map(carried::picture).toList());
    }

    /**
     * New drawings on every n-th frame after a key up to the next, over what shows there: the first key ends where the first of
     * them starts.
     *
     * @param between made of the two keys' drawings
     * @param chart with a tick for each of these frames
     * @param every 1 for ones, 2 for twos
     * @param arc where the middle goes; none for the movement's own way
     */
    public static Edit make(
            String levelId,
            Exposure first,
            Exposure second,
            InBetween between,
            TimingChart chart,
            int every,
            Optional<DoubleFunction<Point2D>> arc) {
        List<Integer> frames = new ArrayList<>();
        if (chart.ticks().size() != frames(first, second, every)) {
            throw new IllegalArgumentException(
                    EditWords.TEXTS.of("the-chart-has-ticks", chart.ticks().size(), frames(first, second, every)));
        }
        for (int frame = first.start() + Math.max(1, every); frame < second.start(); frame += Math.max(1, every)) {
            frames.add(frame);
        }
        List<InBetween.Draft> drafts = chart.ticks().stream()
                .limit(frames.size())
                .map(tick -> between.at(tick, arc.map(a -> a.apply(tick))))
                .toList();
        return new Edit(EditWords.TEXTS.count("draw-in-betweens", frames.size()), shot -> {
            Level lines = shot.level(levelId).orElse(null);
            if (lines == null || shot.isLocked(lines) || lines.style().held()) {
                return shot;
            }
            List<Integer> numbers = new ArrayList<>();
            Shot drawn = shot.withLevel(levelId, level -> {
                Level out = level;
                for (InBetween.Draft draft : drafts) {
                    int number = out.nextNumber();
                    numbers.add(number);
                    out = out.with(drawing(number, level, first, second, draft, draft.strokes()));
                }
                return shown(out, numbers, frames, first, second);
            });
            Optional<String> paintId = FillEdits.paintLevel(shot, levelId);
            return paintId.isEmpty()
                    ? drawn
                    : drawn.withLevel(
                            paintId.get(), paint -> painted(shot, paint, numbers, drafts, frames, first, second));
        });
    }

    private static Drawing drawing(
            int number, Level level, Exposure first, Exposure second, InBetween.Draft draft, List<Stroke> strokes) {
        int from = draft.carried().early() ? first.drawing() : second.drawing();
        Drawing key = level.drawing(from).orElse(Drawing.empty(from));
        return carried(number, key, draft, strokes);
    }

    /** The paint of the lines' in-betweens, where both keys' lines have paint, under the same numbers. */
    private static Level painted(
            Shot shot,
            Level paint,
            List<Integer> numbers,
            List<InBetween.Draft> drafts,
            List<Integer> frames,
            Exposure first,
            Exposure second) {
        boolean ready = paint.drawing(first.drawing()).isPresent()
                && paint.drawing(second.drawing()).isPresent()
                && numbers.stream().allMatch(number -> paint.drawing(number).isEmpty());
        if (!ready || shot.isLocked(paint)) {
            return paint;
        }
        Level out = paint;
        for (int i = 0; i < numbers.size(); i++) {
            out = out.with(drawing(numbers.get(i), paint, first, second, drafts.get(i), List.of()));
        }
        return shown(out, numbers, frames, first, second);
    }

    private static Level shown(
            Level level, List<Integer> numbers, List<Integer> frames, Exposure first, Exposure second) {
        Exposures exposures = level.exposures();
        for (int i = 0; i < frames.size(); i++) {
            int end = i + 1 < frames.size() ? frames.get(i + 1) : second.start();
            exposures =
                    exposures.with(new Exposure(frames.get(i), end - frames.get(i), numbers.get(i), first.placement()));
        }
        return level.with(exposures);
    }
}
