package chalktrace.app.bench;

import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.session.Session;
import chalktrace.app.session.Timing;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.check.Finding;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.shot.Cycle;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import java.util.List;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/** The exposure of one level: each showing starts with its drawing's number, a line runs through the hold, a stop ends it. */
final class LevelLane extends Lane {

    private final String level;
    private Optional<String> dragged = Optional.empty();

    LevelLane(String level, String name, Session session, BenchScale scale) {
        super(name, 20, session, scale);
        this.level = level;
        repaintOn(session.timing().spanProperty(), session.timing().findingsProperty());
    }

    String level() {
        return level;
    }

    /** Whether it is the lane of a level. */
    boolean shows(String id) {
        return level.equals(id);
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        Optional<Level> found = shown().level(level);
        if (found.isEmpty()) {
            return;
        }
        paintSpan(g, width, height);
        boolean current = level.equals(session().selection().level());
        int touched = atGate(found.get());
        for (Exposure run : found.get().exposures().runs()) {
            double x = scale().x(run.start(), width);
            double end = scale().x(run.end(), width);
            if (end > 0 && x < width) {
                showing(g, run, x, end, height, current, run.drawing() == touched && touched != Exposure.BLANK);
            }
        }
        paintFindings(g, width);
        paintCycles(g, width, height);
        paintDragged(g, width, height);
    }

    /** Which drawing a stroke would go onto, all showings of which stand out; none in play, when nothing is drawn. */
    private int atGate(Level found) {
        return session().transport().playingProperty().get()
                ? Exposure.BLANK
                : found.exposures()
                        .at(session().transport().frame())
                        .map(Exposure::drawing)
                        .orElse(Exposure.BLANK);
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().edge());
        shown().level(level).ifPresent(l -> l.exposures().runs().stream()
                .filter(run -> !run.isBlank())
                .forEach(run -> g.fillRect(
                        scale().x(run.start(), width),
                        height / 2 - 1,
                        Math.max(1, run.frames() * scale().pixelsPerFrame() - 1),
                        2)));
    }

    @Override
    protected Optional<Grab> grab(double x, double y) {
        Shot shot = session().shot();
        int frame = (int) Math.floor(scale().frame(x, getWidth()));
        Optional<Level> found = shot.level(level);
        if (found.isEmpty()) {
            return Optional.empty();
        }
        Runnable choose = () -> session().selection().levelProperty().set(level);
        for (Exposure run : found.get().exposures().runs()) {
            if (isEdge(x, scale().x(run.end(), getWidth())) && run.start() <= frame) {
                return Optional.of(new Grab(
                        Cursor.H_RESIZE, choosing(choose, run), frames -> lengthen(run, (int) Math.round(frames))));
            }
        }
        return found.get()
                .exposures()
                .at(frame)
                .map(run -> new Grab(
                        Cursor.HAND,
                        choosing(choose, run),
                        frames ->
                                DrawingEdits.moveShowing(level, run.start(), run.start() + (int) Math.round(frames))));
    }

    /** The level's own mark of a showing's first frame: its number is circled or underlined, as the shot's are. */
    private void ownMark(GraphicsContext g, Exposure run, double x, double width, double height) {
        for (Mark mark : shown().marks()) {
            if (mark.frame() == run.start()
                    && mark.level().filter(level::equals).isPresent()) {
                if (mark.kind() == Mark.Kind.KEY) {
                    g.strokeOval(x - 3, 2.5, width + 5, height - 6);
                } else if (mark.kind() == Mark.Kind.BREAKDOWN) {
                    g.strokeLine(x, height - 4.5, x + width, height - 4.5);
                }
            }
        }
    }

    /** The end of a hold takes from what follows; with Alt it pushes it along. */
    private Edit lengthen(Exposure run, int frames) {
        boolean pushes = session().view().pushesWhatFollowsProperty().get();
        dragged = Optional.of(
                pushes ? Words.DESK.of("pushes-what-follows") : Words.DESK.of("takes-from-what-follows-alt"));
        return pushes
                ? DrawingEdits.hold(level, run.start(), frames)
                : DrawingEdits.trim(level, run.start(), run.end() + frames);
    }

    /** What is found on this level stands at its frame as a small flag. */
    private void paintFindings(GraphicsContext g, double width) {
        for (Finding finding : session().timing().findingsProperty().get()) {
            boolean here = finding.level().equals(level) && finding.shows();
            if (here) {
                double x = scale().x(finding.frame(), width);
                g.setFill(tones().badText());
                g.fillPolygon(new double[] {x + 1, x + 8, x + 1}, new double[] {0, 0, 7}, 3);
            }
        }
    }

    /** A cycle is a bar with two dots at its end, as a repeat is written in music, along the lane's foot. */
    private void paintCycles(GraphicsContext g, double width, double height) {
        g.setStroke(tones().accent());
        g.setFill(tones().accent());
        g.setLineWidth(2);
        for (Cycle cycle : shown().cycles()) {
            if (cycle.level().equals(level)) {
                double from = scale().x(cycle.frames().start(), width) + 1;
                double to = scale().x(cycle.frames().end(), width) - 2;
                g.strokeLine(from, height - 1.5, to, height - 1.5);
                g.strokeLine(from, height - 6, from, height - 1.5);
                g.strokeLine(to, height - 6, to, height - 1.5);
                g.fillOval(to - 6, height - 8, 2.5, 2.5);
                g.fillOval(to - 6, height - 5, 2.5, 2.5);
            }
        }
        g.setLineWidth(1);
    }

    private void paintDragged(GraphicsContext g, double width, double height) {
        boolean held = session().document().shown() != session().document().shot();
        if (held && dragged.isPresent()) {
            g.setFont(Theme.sans(11));
            g.setFill(tones().accent());
            g.fillText(dragged.get(), Math.max(4, width - 230), height / 2);
        } else if (!held) {
            dragged = Optional.empty();
        }
    }

    private void paintSpan(GraphicsContext g, double width, double height) {
        Timing.Span span = session().timing().spanProperty().get();
        if (span != null && span.levels().contains(level)) {
            double x = scale().x(span.frames().start(), width);
            g.setFill(tones().accentWash());
            g.fillRect(x, 0, scale().x(span.frames().end(), width) - x, height);
        }
    }

    /** A drag with Shift chooses a span: of this level, and of those up or down to where the pointer is. */
    @Override
    protected boolean chooseSpan(int from, int to, double y) {
        List<String> ids = shown().levels().stream().map(Level::id).toList();
        int here = ids.indexOf(level);
        int there = Math.max(0, Math.min(ids.size() - 1, here + (int) Math.floor(y / getHeight())));
        FrameRange frames = new FrameRange(clamped(Math.min(from, to)), clamped(Math.max(from, to)) + 1);
        session()
                .timing()
                .spanProperty()
                .set(new Timing.Span(ids.subList(Math.min(here, there), Math.max(here, there) + 1), frames));
        session().selection().levelProperty().set(level);
        return true;
    }

    private int clamped(int frame) {
        return shown().setup().clamp(frame);
    }

    private Runnable choosing(Runnable chooseLevel, Exposure run) {
        return () -> {
            chooseLevel.run();
            session().selection().itemProperty().set(Item.showing(level, run.start()));
        };
    }

    private void showing(
            GraphicsContext g, Exposure run, double x, double end, double height, boolean current, boolean touched) {
        double middle = height / 2;
        boolean chosen = session()
                .selection()
                .isChosen(Item.Kind.SHOWING, Item.showing(level, run.start()).id());
        if (touched || chosen) {
            g.setFill(tones().raised());
            g.fillRoundRect(x + 0.5, 1.5, end - x - 1, height - 3, 6, 6);
        }
        if (chosen) {
            g.setStroke(tones().accent());
            g.setLineWidth(1);
            g.strokeRoundRect(x + 0.5, 1.5, end - x - 1, height - 4, 6, 6);
        }
        Color ink = current ? tones().text() : tones().quiet();
        g.setFill(ink);
        g.setStroke(ink);
        g.setLineWidth(1);
        g.setFont(Theme.mono(11));
        g.setTextBaseline(VPos.CENTER);
        String number = run.isBlank() ? "\u00d7" : Integer.toString(run.drawing());
        double textEnd = x + 3 + 6.7 * number.length();
        if (textEnd <= end + 1) {
            g.fillText(number, x + 2, middle);
            ownMark(g, run, x + 2, 6.7 * number.length(), height);
        } else {
            textEnd = x;
        }
        double stop = Math.floor(end) - 1.5;
        if (stop > textEnd + 2) {
            g.strokeLine(textEnd + 1, middle + 0.5, stop, middle + 0.5);
        }
        g.strokeLine(stop, middle - 3, stop, middle + 4);
    }
}
