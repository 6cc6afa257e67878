package chalktrace.core.space;

import java.util.ArrayList;
import java.util.List;

/** The lines of a floor under a model: squares of a round size, about a dozen and a half across. */
final class FloorGrid {

    /** A line of the floor. */
    record Line(Point3 from, Point3 to) {}

    private static final int HALF = 8;

    /** Pieces of a line, so that each is cut off by itself where it comes near the camera. */
    private static final int PIECES = 16;

    private FloorGrid() {}

    static List<Line> of(Bounds model) {
        double square = round(Math.max(1e-6, model.radius()) / 3);
        double middleX = Math.rint(model.middle().x() / square) * square;
        double middleZ = Math.rint(model.middle().z() / square) * square;
        double y = model.low().y();
        List<Line> lines = new ArrayList<>();
        double step = 2.0 * HALF / PIECES * square;
        for (int i = -HALF; i <= HALF; i++) {
            for (int k = 0; k < PIECES; k++) {
                double from = -HALF * square + k * step;
                lines.add(new Line(
                        new Point3(middleX + i * square, y, middleZ + from),
                        new Point3(middleX + i * square, y, middleZ + from + step)));
                lines.add(new Line(
                        new Point3(middleX + from, y, middleZ + i * square),
                        new Point3(middleX + from + step, y, middleZ + i * square)));
            }
        }
        return lines;
    }

    /** 1, 2 or 5 times a power of ten, not above a length. */
    private static double round(double length) {
        double power = Math.pow(10, Math.floor(Math.log10(length)));
        double first = length / power;
        return power * (first >= 5 ? 5 : first >= 2 ? 2 : 1);
    }
}
