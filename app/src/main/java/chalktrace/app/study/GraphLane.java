package chalktrace.app.study;

import chalktrace.app.bench.BenchScale;
import chalktrace.app.bench.Lane;
import chalktrace.app.session.Timing;
import chalktrace.app.words.Words;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/**
 * What the tracked points measure, frame by frame in line with the bench: a column a frame for spacing, a line for places; the smoothed values as a thin line; the
 * largest value in view in figures. Where frames are narrower than a pixel each column holds the least and the most of them.
 */
final class GraphLane extends Lane {

    static final double HEIGHT = 56;
    static final double LARGE_HEIGHT = 190;

    private static final double TOP = 13;
    private static final double FOOT = 3;

    private final StudyWork work;
    private Standing heading;

    GraphLane(StudyWork work, BenchScale scale, double height) {
        super(Words.STUDY.of("graph-lane"), height, work.session(), scale);
        this.work = work;
        repaintOn(
                work.movingProperty(),
                work.measureProperty(),
                work.chosenProperty(),
                work.session().timing().spanProperty());
    }

    @Override
    protected boolean isForChoosing() {
        return true;
    }

    /** Of the current level. */
    @Override
    protected boolean chooseSpan(int from, int to, double y) {
        ShotSetup setup = shown().setup();
        FrameRange frames = new FrameRange(setup.clamp(Math.min(from, to)), setup.clamp(Math.max(from, to)) + 1);
        String level = session().selection().level();
        session().timing().spanProperty().set(new Timing.Span(level == null ? List.of() : List.of(level), frames));
        return true;
    }

    private void paintKeys(GraphicsContext g, double width, double height) {
        g.setStroke(tones().quiet());
        g.setLineWidth(1);
        for (Mark mark : shown().marks()) {
            if (mark.isOfShot() && mark.kind() == Mark.Kind.KEY) {
                double x = Math.floor(scale().x(mark.frame() + 0.5, width)) + 0.5;
                g.strokeLine(x, TOP, x, height);
            }
        }
    }

    private void paintSpan(GraphicsContext g, double width, double height) {
        Timing.Span span = session().timing().spanProperty().get();
        if (span != null) {
            double from = scale().x(span.frames().start(), width);
            g.setFill(tones().accentWash());
            g.fillRect(from, 0, scale().x(span.frames().end(), width) - from, height);
        }
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        paintSpan(g, width, height);
        paintKeys(g, width, height);
        int first = Math.max(0, (int) Math.floor(scale().frame(0, width)));
        int last = Math.min(shown().setup().length() - 1, (int) Math.ceil(scale().frame(width, width)));
        double low = Double.MAX_VALUE;
        double high = -Double.MAX_VALUE;
        for (StudyWork.MovingTrack moving : work.movingProperty().get()) {
            for (int frame = first; frame <= last; frame++) {
                OptionalDouble value = value(moving, moving.movement(), frame);
                if (value.isPresent()) {
                    low = Math.min(low, value.getAsDouble());
                    high = Math.max(high, value.getAsDouble());
                }
            }
        }
        StudyMeasure measure = work.measureProperty().get();
        if (high < low) {
            String why = work.movingProperty().get().isEmpty()
                    ? Words.STUDY.of("no-tracked-point-in-view")
                    : measure.needs();
            heading = new Standing(why, 10, height / 2 - 6, tones().quiet());
            return;
        }
        low = measure == StudyMeasure.SPACING ? 0 : low;
        double range = Math.max(1e-6, high - low);
        for (StudyWork.MovingTrack moving : work.movingProperty().get()) {
            paint(g, moving, first, last, low, range, width, height);
        }
        String span = measure == StudyMeasure.SPACING
                ? String.format(
                        Locale.ROOT,
                        Words.STUDY.of("up-to-of-the-pictures"),
                        measure.title(),
                        high,
                        measure.unit(),
                        100 * high / shown().setup().size().height())
                : String.format(Locale.ROOT, Words.STUDY.of("to"), measure.title(), low, high, measure.unit());
        heading = new Standing(span, 10, 1, tones().quiet());
    }

    /** With many points it takes longer to paint than a step may. */
    @Override
    protected boolean isMovedAtRest() {
        return true;
    }

    /** What the graph reaches, or why there is none. */
    @Override
    protected Optional<Standing> standing() {
        return Optional.ofNullable(heading);
    }

    private OptionalDouble value(StudyWork.MovingTrack moving, MovingPoint point, int frame) {
        return work.measureProperty()
                .get()
                .of(moving, point, frame, shown().setup().size().height());
    }

    private void paint(
            GraphicsContext g,
            StudyWork.MovingTrack moving,
            int first,
            int last,
            double low,
            double range,
            double width,
            double height) {
        Color color = Color.rgb(
                moving.track().color().red(),
                moving.track().color().green(),
                moving.track().color().blue());
        boolean chosen = moving.track().id().equals(work.chosenProperty().get());
        Plot plot = new Plot(low, range, width, height);
        g.setFill(color.deriveColor(0, 1, 1, chosen ? 1 : 0.75));
        columns(g, moving, moving.movement(), first, last, plot, chosen ? 2 : 1.2, true);
        Color smooth = color.deriveColor(0, 0.7, 1.2, 0.8);
        if (scale().pixelsPerFrame() < 1) {
            g.setFill(smooth);
            columns(g, moving, moving.smoothed(), first, last, plot, 1, false);
        } else {
            g.setLineWidth(0.9);
            g.setStroke(smooth);
            line(g, moving, first, last, plot);
        }
    }

    /** Where values lie on a lane. */
    private record Plot(double low, double range, double width, double height) {

        double y(double value) {
            return height - FOOT - (height - TOP - FOOT) * (value - low) / range;
        }
    }

    /** The least and the most of each column: as rectangles, which are painted far faster than lines. @param stands what is spacing, on the foot */
    private void columns(
            GraphicsContext g,
            StudyWork.MovingTrack moving,
            MovingPoint point,
            int first,
            int last,
            Plot plot,
            double wide,
            boolean stands) {
        boolean onFoot = stands && work.measureProperty().get() == StudyMeasure.SPACING;
        double column = Double.NEGATIVE_INFINITY;
        double least = 0;
        double most = 0;
        for (int frame = first; frame <= last + 1; frame++) {
            OptionalDouble value = frame > last ? OptionalDouble.empty() : value(moving, point, frame);
            double x = Math.floor(scale().x(frame + 0.5, plot.width()));
            if (column != Double.NEGATIVE_INFINITY && (x != column || frame > last)) {
                double top = least - (onFoot ? 0 : 0.8);
                g.fillRect(column, top, wide, (onFoot ? plot.height() - FOOT : most + 0.8) - top);
                column = Double.NEGATIVE_INFINITY;
            }
            if (value.isPresent()) {
                double y = plot.y(value.getAsDouble());
                least = column == x ? Math.min(least, y) : y;
                most = column == x ? Math.max(most, y) : y;
                column = x;
            }
        }
    }

    private void line(GraphicsContext g, StudyWork.MovingTrack moving, int first, int last, Plot plot) {
        g.beginPath();
        boolean on = false;
        double before = 0;
        for (int frame = first; frame <= last; frame++) {
            OptionalDouble value = value(moving, moving.smoothed(), frame);
            if (value.isEmpty()) {
                on = false;
                continue;
            }
            on &= !work.measureProperty().get().comesRound(before, value.getAsDouble());
            before = value.getAsDouble();
            double x = scale().x(frame + 0.5, plot.width());
            double y = plot.y(value.getAsDouble());
            if (on) {
                g.lineTo(x, y);
            } else {
                g.moveTo(x, y);
            }
            on = true;
        }
        g.stroke();
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().quiet());
        for (StudyWork.MovingTrack moving : work.movingProperty().get()) {
            double from = scale().x(moving.movement().firstFrame(), width);
            double to = scale().x(moving.movement().lastFrame() + 1, width);
            g.fillRect(from, 2, to - from, 1);
        }
    }
}
