package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.controls.WhileWanted;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.theme.Theme;
import chalktrace.app.theme.Tones;
import chalktrace.app.words.Words;
import chalktrace.core.guide.EllipseRail;
import chalktrace.core.guide.Guide;
import java.awt.geom.Line2D;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;

/**
 * The guides over the board: their lines, and while they are set, the points that move them. They are made anew when they, or the view, have changed, and
 * not for each frame.
 */
final class GuideLook extends Pane {

    private static final double GRIP_PX = 6;
    private static final double LINE_PX = 1.25;
    private static final double FAR_PX = 20_000;

    /** Lines in perspective are shown this far from each other, in degrees about their point. */
    private static final int RAY_DEGREES = 10;

    private static final double RAY_OPACITY = 0.35;
    private static final int ELLIPSE_PIECES = 96;

    private final Session session;
    private final BoardView board;
    private Shown shown = Shown.NOTHING;

    /** What the guides look like depends on. @param corners of the board, in shot pixels */
    private record Shown(List<Guide> guides, boolean setting, List<Point2D> corners, Tones tones) {

        static final Shown NOTHING = new Shown(List.of(), false, List.of(), null);
    }

    GuideLook(Session session, BoardView board) {
        this.session = session;
        this.board = board;
        setMouseTransparent(true);
        setManaged(false);
        View view = session.view();
        WhileWanted.show(
                this::isWanted,
                List.of(session.document().shownProperty(), view.toolProperty(), view.guidesShownProperty()),
                this::show,
                board.framesShownProperty());
    }

    private boolean isWanted() {
        return !session.document().shown().guides().isEmpty()
                && (isSetting() || session.view().guidesShownProperty().get());
    }

    private boolean isSetting() {
        return session.view().toolProperty().get().equals(View.Tool.GUIDES);
    }

    private void show() {
        List<Guide> guides =
                session.document().shown().guides(session.transport().frame());
        boolean setting = isSetting();
        boolean seen = isWanted();
        setVisible(seen);
        Shown wanted = seen
                ? new Shown(
                        guides,
                        setting,
                        List.of(board.toShot(0, 0), board.toShot(board.getWidth(), board.getHeight())),
                        Theme.tones())
                : Shown.NOTHING;
        if (!wanted.equals(shown)) {
            shown = wanted;
            List<Node> all = new ArrayList<>();
            for (Guide guide : wanted.guides()) {
                lines(guide, all);
                if (setting) {
                    guide.points().forEach(spot -> all.add(grip(at(spot))));
                }
            }
            getChildren().setAll(all);
        }
    }

    private void lines(Guide guide, List<Node> to) {
        switch (guide.kind()) {
            case LINE -> through(at(guide.point(0)), at(guide.point(1)), to);
            case ELLIPSE -> to.add(ellipse(guide));
            case FLOOR -> level(guide, Words.TRACE.of("floor"), to);
            case HEIGHT ->
                level(guide, Words.TRACE.of("height"), to)
                        .forEach(line -> line.getStrokeDashArray().setAll(8.0, 6.0));
            case ONE_POINT -> {
                Guide.Spot spot = guide.point(0);
                through(at(spot), board.toBoard(spot.x() + 1, spot.y()), to);
                rays(at(spot), to);
            }
            case TWO_POINTS -> {
                through(at(guide.point(0)), at(guide.point(1)), to);
                rays(at(guide.point(0)), to);
                rays(at(guide.point(1)), to);
            }
        }
    }

    private List<Line> level(Guide guide, String name, List<Node> to) {
        Guide.Spot spot = guide.point(0);
        List<Line> out = through(at(spot), board.toBoard(spot.x() + 1, spot.y()), to);
        Point2D word = at(spot);
        word(name, word.getX() + 8, word.getY() - 6, to);
        return out;
    }

    /** A word on a ground of its own, as it lies over any picture. */
    private static void word(String text, double x, double y, List<Node> to) {
        Text word = new Text(x, y, text);
        word.setFont(Theme.sans(12));
        word.setFill(Theme.tones().text());
        Rectangle ground = new Rectangle(x - 4, y - 12, word.getLayoutBounds().getWidth() + 8, 16);
        ground.setArcWidth(6);
        ground.setArcHeight(6);
        ground.setFill(Theme.tones().panel());
        to.addAll(List.of(ground, word));
    }

    private void rays(Point2D from, List<Node> to) {
        for (int degrees = RAY_DEGREES; degrees < 180; degrees += RAY_DEGREES) {
            double angle = Math.toRadians(degrees);
            Point2D other = new Point2D.Double(from.getX() + Math.cos(angle), from.getY() + Math.sin(angle));
            through(from, other, to).forEach(ray -> ray.setOpacity(RAY_OPACITY));
        }
    }

    private Polygon ellipse(Guide guide) {
        EllipseRail rail = new EllipseRail(guide);
        Polygon out = new Polygon();
        for (int i = 0; i < ELLIPSE_PIECES; i++) {
            Point2D place = rail.at(2 * Math.PI * i / ELLIPSE_PIECES);
            Point2D onBoard = board.toBoard(place.getX(), place.getY());
            out.getPoints().addAll(onBoard.getX(), onBoard.getY());
        }
        return drawn(out, LINE_PX);
    }

    /** A line through two places, as far as it lies over the board. @return the line; none where it passes by */
    private List<Line> through(Point2D a, Point2D b, List<Node> to) {
        double length = Math.max(1e-9, a.distance(b));
        double dx = (b.getX() - a.getX()) / length * FAR_PX;
        double dy = (b.getY() - a.getY()) / length * FAR_PX;
        Line2D whole = new Line2D.Double(a.getX() - dx, a.getY() - dy, a.getX() + dx, a.getY() + dy);
        List<Line> out = within(whole).stream()
                .map(part -> drawn(new Line(part.getX1(), part.getY1(), part.getX2(), part.getY2()), LINE_PX))
                .toList();
        to.addAll(out);
        return out;
    }

    /** The part of a line over the board, by Liang and Barsky (1984). */
    private Optional<Line2D> within(Line2D line) {
        double dx = line.getX2() - line.getX1();
        double dy = line.getY2() - line.getY1();
        double[] towards = {-dx, dx, -dy, dy};
        double[] room = {line.getX1(), board.getWidth() - line.getX1(), line.getY1(), board.getHeight() - line.getY1()};
        double from = 0;
        double until = 1;
        for (int side = 0; side < 4; side++) {
            double share = room[side] / towards[side];
            if (towards[side] < 0) {
                from = Math.max(from, share);
            } else if (towards[side] > 0) {
                until = Math.min(until, share);
            } else if (room[side] < 0) {
                return Optional.empty();
            }
        }
        return from >= until
                ? Optional.empty()
                : Optional.of(new Line2D.Double(
                        line.getX1() + from * dx,
                        line.getY1() + from * dy,
                        line.getX1() + until * dx,
                        line.getY1() + until * dy));
    }

    private static Circle grip(Point2D place) {
        Circle out = drawn(new Circle(place.getX(), place.getY(), GRIP_PX), 2);
        out.setFill(Theme.tones().window());
        return out;
    }

    private static <S extends Shape> S drawn(S shape, double widthPx) {
        shape.setStroke(Theme.tones().guide());
        shape.setStrokeWidth(widthPx);
        shape.setFill(Color.TRANSPARENT);
        return shape;
    }

    private Point2D at(Guide.Spot spot) {
        return board.toBoard(spot.x(), spot.y());
    }
}
