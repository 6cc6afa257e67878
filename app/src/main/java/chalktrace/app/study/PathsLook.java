package chalktrace.app.study;

import chalktrace.app.board.BoardView;
import chalktrace.app.session.View;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.shot.Mark;
import java.awt.geom.Point2D;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.beans.InvalidationListener;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;

/**
 * The paths of the tracked points over the board, for some frames before and after the gate: a tick a frame, so that spacing is seen, the present frame large, keys
 * circled, breakdowns underlined; the smoothed arc faint beside the measured one.
 */
final class PathsLook extends Canvas {

    /** So many frames before and after the gate. */
    private static final int SPAN = 24;

    private static final double TICK_PX = 2.2;
    private static final double PRESENT_PX = 5.5;
    private static final double KEY_PX = 7;

    /** The dark edge of dots and words. */
    private static final double EDGE_PX = 1.2;

    /** With more points than these, only the chosen one shows its smoothed arc, and a line with a dark edge; the dots of all have one. */
    private static final int MOST_WHOLE = 5;

    private final StudyWork work;
    private final BoardView board;
    private final Map<Dot, Image> dots = new HashMap<>();

    PathsLook(StudyWork work, BoardView board) {
        this.work = work;
        this.board = board;
        setId("paths");
        setMouseTransparent(true);
        setManaged(false);
        InvalidationListener all = changed -> show();
        board.framesShownProperty().addListener(all);
        work.movingProperty().addListener(all);
        work.chosenProperty().addListener(all);
        work.session().view().stepProperty().addListener(all);
        work.session().view().toolProperty().addListener(all);
        work.session().document().shownProperty().addListener(all);
    }

    private void show() {
        View view = work.session().view();
        boolean shown = !work.movingProperty().get().isEmpty()
                && (view.stepProperty().get() == View.Step.STUDY
                        || view.toolProperty().get().equals(TrackTool.TOOL));
        setVisible(shown);
        if (!shown) {
            return;
        }
        setWidth(board.getWidth());
        setHeight(board.getHeight());
        GraphicsContext g = getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        work.movingProperty().get().forEach(track -> paint(g, track));
    }

    private void paint(GraphicsContext g, StudyWork.MovingTrack moving) {
        MovingPoint path = moving.movement();
        int gate = work.session().transport().frame();
        int from = Math.max(path.firstFrame(), gate - SPAN);
        int to = Math.min(path.lastFrame(), gate + SPAN);
        Color color = Color.rgb(
                moving.track().color().red(),
                moving.track().color().green(),
                moving.track().color().blue());
        boolean chosen = moving.track().id().equals(work.chosenProperty().get());
        boolean whole = chosen || work.movingProperty().get().size() <= MOST_WHOLE;
        if (whole) {
            // Dark under light, to be seen over any picture and on white paper.
            line(g, path, from, to, Theme.tones().window(), chosen ? 3.6 : 2.8);
        }
        line(g, path, from, to, color, chosen ? 1.8 : 1.2);
        if (whole) {
            g.setLineDashes(3, 3);
            line(g, moving.smoothed(), from, to, color.deriveColor(0, 0.6, 1.2, 0.7), 0.8);
            g.setLineDashes();
        }
        for (int frame = from; frame <= to; frame++) {
            if (path.knows(frame)) {
                Point2D at = board.toBoard(path.x(frame), path.y(frame));
                if (moving.isDrawn()) {
                    square(g, at, frame == gate ? PRESENT_PX : TICK_PX, color);
                } else {
                    tick(g, at, frame, frame == gate, color);
                }
            }
        }
        if (path.knows(gate)) {
            words(g, moving, path, gate, color);
        }
    }

    private void line(GraphicsContext g, MovingPoint path, int from, int to, Color color, double width) {
        g.setStroke(color);
        g.setLineWidth(width);
        g.beginPath();
        boolean on = false;
        for (int frame = from; frame <= to; frame++) {
            if (!path.knows(frame)) {
                on = false;
                continue;
            }
            Point2D at = board.toBoard(path.x(frame), path.y(frame));
            if (on) {
                g.lineTo(at.getX(), at.getY());
            } else {
                g.moveTo(at.getX(), at.getY());
            }
            on = true;
        }
        g.stroke();
    }

    private void tick(GraphicsContext g, Point2D at, int frame, boolean present, Color color) {
        dot(g, at, new Dot(present ? PRESENT_PX : TICK_PX, color, Theme.tones().window()));
        Optional<Mark> mark = work.session().document().shown().markAt(frame);
        g.setStroke(color);
        g.setLineWidth(1.4);
        if (mark.isPresent() && mark.get().kind() == Mark.Kind.KEY) {
            g.strokeOval(at.getX() - KEY_PX, at.getY() - KEY_PX, 2 * KEY_PX, 2 * KEY_PX);
        } else if (mark.isPresent() && mark.get().kind() == Mark.Kind.BREAKDOWN) {
            g.strokeLine(at.getX() - KEY_PX, at.getY() + KEY_PX, at.getX() + KEY_PX, at.getY() + KEY_PX);
        }
    }

    /** Of a drawn part, told from those of footage by its form. */
    private static void square(GraphicsContext g, Point2D at, double radius, Color color) {
        g.setFill(Theme.tones().window());
        g.fillRect(at.getX() - radius - 1.2, at.getY() - radius - 1.2, 2 * radius + 2.4, 2 * radius + 2.4);
        g.setFill(color);
        g.fillRect(at.getX() - radius, at.getY() - radius, 2 * radius, 2 * radius);
    }

    /** How far a drawn part is from the chosen point, in figures. */
    private String apart(StudyWork.MovingTrack moving, int gate) {
        if (!moving.isDrawn()) {
            return "";
        }
        return work.movingProperty().get().stream()
                .filter(other -> other.track().id().equals(work.chosenProperty().get()))
                .filter(other -> other.movement().knows(gate))
                .findFirst()
                .map(other -> String.format(
                        Locale.ROOT,
                        Words.STUDY.of("from"),
                        Math.hypot(
                                other.movement().x(gate) - moving.movement().x(gate),
                                other.movement().y(gate) - moving.movement().y(gate)),
                        other.track().name()))
                .orElse("");
    }

    private void dot(GraphicsContext g, Point2D at, Dot dot) {
        double half = dot.halfPx();
        g.drawImage(dots.computeIfAbsent(dot, Dot::picture), at.getX() - half, at.getY() - half, 2 * half, 2 * half);
    }

    /** A dot with a dark edge, painted once: hundreds of them lie on a board. */
    private record Dot(double radius, Color color, Color edge) {

        /** Pixels of the picture for one of the board, for screens that have as many. */
        private static final int FINE = 2;

        double halfPx() {
            return Math.ceil(radius + EDGE_PX + 1);
        }

        Image picture() {
            int size = (int) (2 * halfPx() * FINE);
            WritableImage out = new WritableImage(size, size);
            for (int y = 0; y < size; y++) {
                for (int x = 0; x < size; x++) {
                    double away = Math.hypot(x + 0.5 - size / 2.0, y + 0.5 - size / 2.0) / FINE;
                    double inside = share(radius - away);
                    Color mixed = edge.interpolate(color, inside);
                    out.getPixelWriter().setColor(x, y, mixed.deriveColor(0, 1, 1, share(radius + EDGE_PX - away)));
                }
            }
            return out;
        }

        /** How much of a pixel is covered by what reaches so far beyond its middle. */
        private static double share(double px) {
            return Math.max(0, Math.min(1, px * FINE + 0.5));
        }
    }

    /** The point's name and how far it comes from the frame before. */
    private void words(GraphicsContext g, StudyWork.MovingTrack moving, MovingPoint path, int gate, Color color) {
        Point2D at = board.toBoard(path.x(gate), path.y(gate));
        String spacing = path.spacing(gate).isPresent()
                ? String.format(Locale.ROOT, "  %.1f px", path.spacing(gate).getAsDouble())
                : "";
        String said = moving.track().name() + spacing + apart(moving, gate);
        g.setFont(Theme.sans(12));
        double x = Math.max(4, Math.min(getWidth() - 120, at.getX() + 11));
        double y = Math.max(14, Math.min(getHeight() - 6, at.getY() - 10));
        // Letters are kept as pictures where their outlines would be drawn anew: eight of them round the word edge it.
        g.setFill(Theme.tones().window());
        for (int side = 0; side < 8; side++) {
            g.fillText(said, x + EDGE_PX * Math.cos(side * Math.PI / 4), y + EDGE_PX * Math.sin(side * Math.PI / 4));
        }
        g.setFill(color);
        g.fillText(said, x, y);
    }
}
