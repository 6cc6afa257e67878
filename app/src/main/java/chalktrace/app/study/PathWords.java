package chalktrace.app.study;

import chalktrace.app.board.BoardView;
import chalktrace.app.controls.Colors;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.motion.MovingPoint;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;

/** Beside each tracked point its name and how far it comes from the frame before. */
final class PathWords extends Pane {

    private static final double FONT_PX = 12;

    /** The dark edge of letters. */
    private static final double EDGE_PX = 1.2;

    /** Room for a line of words. */
    private static final double WIDTH = 420;

    private static final double HEIGHT = 20;
    private static final double BASELINE = 14;

    private final StudyWork work;
    private final BoardView board;
    private final PathsLook look;
    private final List<Line> lines = new ArrayList<>();

    PathWords(StudyWork work, BoardView board, PathsLook look) {
        this.work = work;
        this.board = board;
        this.look = look;
        setId("path-words");
        setMouseTransparent(true);
        setManaged(false);
        WhileWanted.show(look::isShown, look.changes(), this::show, board.framesShownProperty());
    }

    private void show() {
        setVisible(look.isShown());
        if (!isVisible()) {
            return;
        }
        int frame = board.frameSeen();
        List<StudyWork.MovingTrack> here = work.movingProperty().get().stream()
                .filter(moving -> moving.movement().knows(frame))
                .toList();
        while (lines.size() < here.size()) {
            lines.add(new Line());
        }
        if (getChildren().size() != here.size()) {
            getChildren().setAll(lines.subList(0, here.size()));
        }
        for (int i = 0; i < here.size(); i++) {
            show(lines.get(i), here.get(i), frame);
        }
    }

    private void show(Line line, StudyWork.MovingTrack moving, int frame) {
        MovingPoint path = moving.movement();
        Point2D at = board.toBoard(path.x(frame), path.y(frame));
        String spacing = path.spacing(frame).isPresent()
                ? String.format(Locale.ROOT, "  %.1f px", path.spacing(frame).getAsDouble())
                : "";
        double x = Math.max(4, Math.min(board.getWidth() - 120, at.getX() + 11));
        double y = Math.max(14, Math.min(board.getHeight() - 6, at.getY() - 10));
        line.relocate(Math.rint(x), Math.rint(y - BASELINE));
        line.say(
                moving.track().name() + spacing + apart(moving, frame),
                Colors.of(moving.track().color()));
    }

    /** How far a drawn part is from the chosen point, in figures. */
    private String apart(StudyWork.MovingTrack moving, int frame) {
        if (!moving.isDrawn()) {
            return "";
        }
        return work.movingProperty().get().stream()
                .filter(other -> other.track().id().equals(work.chosenProperty().get()))
                .filter(other -> other.movement().knows(frame))
                .findFirst()
                .map(other -> String.format(
                        Locale.ROOT,
                        Words.STUDY.of("from"),
                        Math.hypot(
                                other.movement().x(frame) - moving.movement().x(frame),
                                other.movement().y(frame) - moving.movement().y(frame)),
                        other.track().name()))
                .orElse("");
    }

    /** Words on a canvas of their own: one over the whole board takes longer to be shown than all that is on it. */
    private static final class Line extends Canvas {

        private String said = "";
        private Color color;
        private Color edge;

        Line() {
            super(WIDTH, HEIGHT);
        }

        void say(String words, Color in) {
            Color around = Theme.tones().window();
            if (words.equals(said) && in.equals(color) && around.equals(edge)) {
                return;
            }
            said = words;
            color = in;
            edge = around;
            GraphicsContext g = getGraphicsContext2D();
            g.clearRect(0, 0, WIDTH, HEIGHT);
            g.setFont(Theme.sans(FONT_PX));
            // Letters are kept as pictures where their outlines would be drawn anew: eight of them round the word edge
            // it.
            g.setFill(edge);
            for (int side = 0; side < 8; side++) {
                g.fillText(
                        words,
                        EDGE_PX + EDGE_PX * Math.cos(side * Math.PI / 4),
                        BASELINE + EDGE_PX * Math.sin(side * Math.PI / 4));
            }
            g.setFill(in);
            g.fillText(words, EDGE_PX, BASELINE);
        }
    }
}
