package chalktrace.core.stroke;

import java.util.Arrays;
import java.util.function.IntConsumer;

/** The straight pieces of a line by the squares of a grid that they lie in, so that only those close to another piece are looked at. */
final class PieceGrid {

    private static final int MOST_CELLS = 1 << 16;

    private final double left;
    private final double top;
    private final double right;
    private final double bottom;
    private final double cell;
    private final int columns;
    private final int rows;

    /** The first piece of each square, and for each entry the next one of the same square. */
    private final int[] firsts;

    private int[] nexts = new int[64];
    private int[] pieces = new int[64];
    private int entries;

    /** When a piece was handed out last, so that it is handed out once, however many squares it lies in. */
    private final int[] asked;

    private int question;

    PieceGrid(Sampled line) {
        left = Arrays.stream(line.x()).min().orElse(0);
        right = Arrays.stream(line.x()).max().orElse(0);
        top = Arrays.stream(line.y()).min().orElse(0);
        bottom = Arrays.stream(line.y()).max().orElse(0);
        double width = Math.max(1, right - left);
        double height = Math.max(1, bottom - top);
        // About as many squares as pieces.
        cell = Math.sqrt(width * height / Math.max(1, Math.min(MOST_CELLS, line.count()))) + 1e-6;
        columns = (int) (width / cell) + 1;
        rows = (int) (height / cell) + 1;
        firsts = new int[columns * rows];
        Arrays.fill(firsts, -1);
        asked = new int[line.count()];
        for (int i = 1; i < line.count(); i++) {
            int[] box = box(line, i);
            for (int row = box[1]; row <= box[3]; row++) {
                for (int column = box[0]; column <= box[2]; column++) {
                    put(row * columns + column, i);
                }
            }
        }
    }

    /** Whether a curve can touch the line at all, by the box of its control points. */
    boolean reaches(Curve curve) {
        double lowX = Double.MAX_VALUE;
        double highX = -Double.MAX_VALUE;
        double lowY = Double.MAX_VALUE;
        double highY = -Double.MAX_VALUE;
        for (int p = 0; p < curve.points(); p++) {
            lowX = Math.min(lowX, curve.x(p));
            highX = Math.max(highX, curve.x(p));
            lowY = Math.min(lowY, curve.y(p));
            highY = Math.max(highY, curve.y(p));
        }
        return lowX <= right && highX >= left && lowY <= bottom && highY >= top;
    }

    /** Hands out the numbers of the pieces that lie in the same squares as a piece of another line, each once. */
    void near(Sampled line, int piece, IntConsumer found) {
        double lowX = Math.min(line.x()[piece - 1], line.x()[piece]);
        double highX = Math.max(line.x()[piece - 1], line.x()[piece]);
        double lowY = Math.min(line.y()[piece - 1], line.y()[piece]);
        double highY = Math.max(line.y()[piece - 1], line.y()[piece]);
        if (lowX > right || highX < left || lowY > bottom || highY < top) {
            return;
        }
        question++;
        int[] box = box(line, piece);
        for (int row = box[1]; row <= box[3]; row++) {
            for (int column = box[0]; column <= box[2]; column++) {
                for (int e = firsts[row * columns + column]; e >= 0; e = nexts[e]) {
                    if (asked[pieces[e]] != question) {
                        asked[pieces[e]] = question;
                        found.accept(pieces[e]);
                    }
                }
            }
        }
    }

    private int[] box(Sampled line, int i) {
        return new int[] {
            column(Math.min(line.x()[i - 1], line.x()[i])),
            row(Math.min(line.y()[i - 1], line.y()[i])),
            column(Math.max(line.x()[i - 1], line.x()[i])),
            row(Math.max(line.y()[i - 1], line.y()[i]))
        };
    }

    private int column(double x) {
        return (int) Math.max(0, Math.min(columns - 1, (x - left) / cell));
    }

    private int row(double y) {
        return (int) Math.max(0, Math.min(rows - 1, (y - top) / cell));
    }

    private void put(int square, int piece) {
        if (entries == pieces.length) {
            pieces = Arrays.copyOf(pieces, 2 * entries);
            nexts = Arrays.copyOf(nexts, 2 * entries);
        }
        pieces[entries] = piece;
        nexts[entries] = firsts[square];
        firsts[square] = entries++;
    }
}
