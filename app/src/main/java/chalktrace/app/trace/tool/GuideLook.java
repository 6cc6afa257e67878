package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardView;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.guide.EllipseRail;
import chalktrace.core.guide.Guide;
import java.awt.geom.Point2D;
import java.util.List;
import javafx.beans.InvalidationListener;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;

/** The guides over the board: their lines, and while they are set, the points that move them. */
final class GuideLook extends Canvas {

    private static final double GRIP_PX = 6;
    private static final double FAR_PX = 20_000;

    /** Lines in perspective are shown this far from each other, in degrees about their point. */
    private static final int RAY_DEGREES = 10;

    private static final double RAY_OPACITY = 0.35;
    private static final int ELLIPSE_PIECES = 96;

    private final Session session;
    private final BoardView board;

    GuideLook(Session session, BoardView board) {
        this.session = session;
        this.board = board;
        setMouseTransparent(true);
        setManaged(false);
        InvalidationListener all = changed -> show();
        board.framesShownProperty().addListener(all);
        session.document().shownProperty().addListener(all);
        session.view().toolProperty().addListener(all);
        session.view().guidesShownProperty().addListener(all);
    }

    private void show() {
        List<Guide> guides =
                session.document().shown().guides(session.transport().frame());
        boolean setting = session.view().toolProperty().get().equals(View.Tool.GUIDES);
        boolean shown = !guides.isEmpty()
                && (setting || session.view().guidesShownProperty().get());
        setVisible(shown);
        if (!shown) {
            return;
        }
        setWidth(board.getWidth());
        setHeight(board.getHeight());
        GraphicsContext to = getGraphicsContext2D();
        to.clearRect(0, 0, getWidth(), getHeight());
        to.setStroke(Theme.tones().guide());
        to.setFill(Theme.tones().guide());
        to.setFont(Theme.sans(12));
        for (Guide guide : guides) {
            to.setLineWidth(1.25);
            to.setLineDashes();
            lines(guide, to);
            if (setting) {
                guide.points().forEach(spot -> grip(at(spot), to));
            }
        }
    }

    private void lines(Guide guide, GraphicsContext to) {
        switch (guide.kind()) {
            case LINE -> through(at(guide.point(0)), at(guide.point(1)), to);
            case ELLIPSE -> ellipse(guide, to);
            case FLOOR, HEIGHT -> {
                Guide.Spot spot = guide.point(0);
                if (guide.kind() == Guide.Kind.HEIGHT) {
                    to.setLineDashes(8, 6);
                }
                through(at(spot), board.toBoard(spot.x() + 1, spot.y()), to);
                Point2D word = at(spot);
                word(
                        guide.kind() == Guide.Kind.FLOOR ? Words.TRACE.of("floor") : Words.TRACE.of("height"),
                        word.getX() + 8,
                        word.getY() - 6,
                        to);
            }
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

    /** A word on a ground of its own, as it lies over any picture. */
    private static void word(String text, double x, double y, GraphicsContext to) {
        to.setFill(Theme.tones().panel());
        to.fillRoundRect(x - 4, y - 12, 7 * text.length() + 8, 16, 6, 6);
        to.setFill(Theme.tones().text());
        to.fillText(text, x, y);
    }

    private void rays(Point2D from, GraphicsContext to) {
        to.setGlobalAlpha(RAY_OPACITY);
        for (int degrees = RAY_DEGREES; degrees < 180; degrees += RAY_DEGREES) {
            double angle = Math.toRadians(degrees);
            through(from, new Point2D.Double(from.getX() + Math.cos(angle), from.getY() + Math.sin(angle)), to);
        }
        to.setGlobalAlpha(1);
    }

    private void ellipse(Guide guide, GraphicsContext to) {
        EllipseRail rail = new EllipseRail(guide);
        double[] xs = new double[ELLIPSE_PIECES];
        double[] ys = new double[ELLIPSE_PIECES];
        for (int i = 0; i < ELLIPSE_PIECES; i++) {
            Point2D place = rail.at(2 * Math.PI * i / ELLIPSE_PIECES);
            Point2D onBoard = board.toBoard(place.getX(), place.getY());
            xs[i] = onBoard.getX();
            ys[i] = onBoard.getY();
        }
        to.strokePolygon(xs, ys, ELLIPSE_PIECES);
    }

    private static void through(Point2D a, Point2D b, GraphicsContext to) {
        double length = Math.max(1e-9, a.distance(b));
        double dx = (b.getX() - a.getX()) / length * FAR_PX;
        double dy = (b.getY() - a.getY()) / length * FAR_PX;
        to.strokeLine(a.getX() - dx, a.getY() - dy, a.getX() + dx, a.getY() + dy);
    }

    private static void grip(Point2D place, GraphicsContext to) {
        to.setFill(Theme.tones().window());
        to.fillOval(place.getX() - GRIP_PX, place.getY() - GRIP_PX, 2 * GRIP_PX, 2 * GRIP_PX);
        to.setFill(Theme.tones().guide());
        to.setLineDashes();
        to.setLineWidth(2);
        to.strokeOval(place.getX() - GRIP_PX, place.getY() - GRIP_PX, 2 * GRIP_PX, 2 * GRIP_PX);
    }

    private Point2D at(Guide.Spot spot) {
        return board.toBoard(spot.x(), spot.y());
    }
}
