package chalktrace.core.edit.drawing;

import chalktrace.core.edit.Edit;
import chalktrace.core.fill.Bitmap;
import chalktrace.core.fill.ContourTracer;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.fill.RegionFinder;
import chalktrace.core.render.LineMask;
import chalktrace.core.render.PaintedMask;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import chalktrace.core.words.EditWords;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Painting between lines. Paint goes to a level under the lines, onto the drawing that belongs to the lines' drawing: the
 * one with its number, wherever the two are shown. So it stays right when the levels are timed apart.
 */
public final class FillEdits {

    /** Specks smaller than this many pixels are left out. */
    private static final double SMALLEST_AREA_PX = 12;

    /** A region that covers less of the one before, by this share, is another one. */
    private static final double SAME_REGION = 0.3;

    private FillEdits() {}

    /**
     * How regions are found.
     *
     * @param gapPx the widest opening in a line that counts as closed
     * @param growPx how far paint goes under the line, at most to its middle
     * @param paintBounds whether dark or thin paint counts as a line, as in art that is drawn in filled outlines
     */
    public record Reach(double gapPx, double growPx, boolean paintBounds) {

        /** As it suits a picture 1080 pixels high. */
        public static final Reach USUAL = new Reach(6, 2);

        /** Only lines count. */
        public Reach(double gapPx, double growPx) {
            this(gapPx, growPx, false);
        }
    }

    /** A region that was found. @param open whether it runs out to the picture's edge */
    public record Found(Contours area, boolean open, Bitmap pixels) {}

    /** The region of a line level around a place of the picture; empty on a line and outside the picture. */
    public static Optional<Found> region(Shot shot, String lineLevel, int frame, double x, double y, Reach reach) {
        RegionFinder finder =
                new RegionFinder(LineMask.of(shot, frame, List.of(lineLevel), reach.paintBounds()), reach.gapPx());
        return finder.around((int) Math.floor(x), (int) Math.floor(y), reach.growPx())
                .map(region -> new Found(
                        ContourTracer.trace(region.pixels(), 1, 0, 0, SMALLEST_AREA_PX),
                        region.open(),
                        region.pixels()))
                .filter(found -> !found.area().isEmpty());
    }

    /** All that lies within the outermost lines of a level. */
    public static Contours silhouette(Shot shot, String lineLevel, int frame, Reach reach) {
        RegionFinder finder =
                new RegionFinder(LineMask.of(shot, frame, List.of(lineLevel), reach.paintBounds()), reach.gapPx());
        // To the middle of the line, as paint goes under it and not beyond.
        return ContourTracer.trace(finder.silhouette(-reach.growPx()), 1, 0, 0, SMALLEST_AREA_PX);
    }

    /** The level on which paint for a line level goes: the nearest under it that is its paint; empty when there is none yet. */
    public static Optional<String> paintLevel(Shot shot, String lineLevel) {
        return shot.levels().stream()
                .filter(level ->
                        level.style().paints().filter(lineLevel::equals).isPresent())
                .map(Level::id)
                .findFirst();
    }

    /** Paints an area, given as it looks on the picture, onto the paint drawing of the lines that show on a frame. */
    public static Edit paint(String lineLevel, int frame, String chalk, Contours area) {
        return new Edit(EditWords.TEXTS.of("paint"), shot -> painted(shot, lineLevel, frame, new Fill(chalk, area)));
    }

    /**
     * Paints what of a stroke lies on what is painted already: on the current level's own paint, and on the paint of its
     * lines. Empty where it lies on none.
     */
    public static Optional<Edit> paintWithinPaint(Shot shot, String levelId, int frame, Stroke stroke) {
        Contours area = PaintedMask.within(shot, levelId, frame, stroke);
        if (area.isEmpty()) {
            return Optional.empty();
        }
        boolean ownPaint = shot.level(levelId)
                .flatMap(level -> level.drawingAt(frame))
                .filter(drawing -> !drawing.fills().isEmpty())
                .isPresent();
        if (!ownPaint) {
            return Optional.of(paint(levelId, frame, stroke.chalk(), area));
        }
        return Optional.of(StrokeLanding.of(shot, levelId, frame).paint(new Fill(stroke.chalk(), area)));
    }

    /** What came of painting over a span. @param lostAt the frame at which the region could not be followed further */
    public record Followed(Edit edit, int drawings, Optional<Integer> lostAt) {}

    /**
     * Paints a region on each drawing of a span, from a click on its first frame: on each next drawing the region that
     * overlaps the one before most is taken, and following ends where none does or where it leaks.
     */
    public static Followed paintOnSpan(
            Shot shot, String lineLevel, FrameRange frames, double x, double y, String chalk, Reach reach) {
        List<Edit> steps = new ArrayList<>();
        Bitmap before = null;
        int done = -1;
        Optional<Integer> lostAt = Optional.empty();
        for (int frame = frames.start(); frame < frames.end(); frame++) {
            int here = frame;
            Optional<Drawing> lines = shot.level(lineLevel).flatMap(level -> level.drawingAt(here));
            if (lines.isEmpty() || lines.get().number() == done) {
                continue;
            }
            int[] start = before == null
                    ? new int[] {(int) Math.floor(x), (int) Math.floor(y)}
                    : RegionFinder.deepest(before);
            Optional<Found> found = region(shot, lineLevel, frame, start[0], start[1], reach);
            if (found.isEmpty() || before != null && !isSame(before, found.get())) {
                lostAt = Optional.of(frame);
                break;
            }
            steps.add(paint(lineLevel, frame, chalk, found.get().area()));
            before = found.get().pixels();
            done = lines.get().number();
        }
        Edit all = new Edit(EditWords.TEXTS.count("paint-drawings", steps.size()), start -> {
            Shot out = start;
            for (Edit step : steps) {
                out = step.change().apply(out);
            }
            return out;
        });
        return new Followed(all, steps.size(), lostAt);
    }

    private static boolean isSame(Bitmap before, Found now) {
        int both = 0;
        int either = 0;
        for (int y = 0; y < before.height(); y++) {
            for (int x = 0; x < before.width(); x++) {
                boolean a = before.at(x, y);
                boolean b = now.pixels().at(x, y);
                both += a && b ? 1 : 0;
                either += a || b ? 1 : 0;
            }
        }
        return !now.open() && both >= SAME_REGION * either;
    }

    private static Shot painted(Shot shot, String lineLevel, int frame, Fill fill) {
        Optional<Level> lines = shot.level(lineLevel);
        Optional<Exposure> run = lines.flatMap(level -> level.exposures().at(frame));
        if (run.isEmpty() || run.get().isBlank()) {
            return shot;
        }
        Shot ready = paintLevel(shot, lineLevel).isPresent() ? shot : withPaintLevel(shot, lines.get());
        String paintId = paintLevel(ready, lineLevel).orElseThrow();
        AffineTransform toDrawing = StrokeLanding.toDrawing(shot, run.get().placement());
        Fill inDrawing = fill.transformed(toDrawing);
        return ready.withLevel(
                paintId,
                paint -> shot.isLocked(paint)
                        ? paint
                        : withFill(paint, lines.get(), run.get().drawing(), inDrawing));
    }

    private static Level withFill(Level paint, Level lines, int number, Fill fill) {
        Optional<Drawing> there = paint.drawing(number);
        Level with = paint.with(there.orElse(Drawing.empty(number)).plus(fill));
        if (there.isPresent()) {
            return with;
        }
        // A new paint drawing shows wherever its lines do, but takes no other's place.
        Exposures exposures = with.exposures();
        for (Exposure showing : lines.exposures().showing(number)) {
            int end = showing.range().end();
            for (int frame = showing.start(); frame < end; frame++) {
                if (exposures.at(frame).isEmpty()) {
                    int free = Math.min(end, exposures.nextTaken(frame, end));
                    exposures = exposures.with(new Exposure(frame, free - frame, number, showing.placement()));
                    frame = free - 1;
                }
            }
        }
        return with.with(exposures);
    }

    private static Shot withPaintLevel(Shot shot, Level lines) {
        List<Level> levels = new ArrayList<>(shot.levels());
        int at = levels.indexOf(lines);
        levels.add(
                at + 1,
                Level.empty(shot.newId("level"), EditWords.TEXTS.of("paint-level-name", lines.name()))
                        .withStyle(LevelStyle.ROUGH.painting(lines.id())));
        return shot.withLevels(levels);
    }
}
