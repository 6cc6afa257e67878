package chalktrace.core.stroke;

import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;

/**
 * Bends what lies in a box by a grid of points: a surface of Bernstein polynomials through the grid's corners, after
 * Sederberg, Parry, "Free-Form Deformation of Solid Geometric Models", 1986, in the plane. Two by two points move the four
 * corners freely.
 */
public final class GridWarp implements Warp {

    private final Rectangle2D box;
    private final int columns;
    private final int rows;
    private final double[] x;
    private final double[] y;

    private GridWarp(Rectangle2D box, int columns, int rows, double[] x, double[] y) {
        this.box = box;
        this.columns = columns;
        this.rows = rows;
        this.x = x;
        this.y = y;
    }

    /**
     * A grid at rest, which changes nothing.
     *
     * @param box what is bent; a side of 0 counts as one pixel
     * @throws IllegalArgumentException when there are less than two rows or columns, or more than eight
     */
    public static GridWarp atRest(Rectangle2D box, int columns, int rows) {
        if (columns < 2 || rows < 2 || columns > 8 || rows > 8) {
            throw new IllegalArgumentException("A bend grid has two to eight rows and columns.");
        }
        Rectangle2D solid = new Rectangle2D.Double(
                box.getX(), box.getY(), Math.max(1, box.getWidth()), Math.max(1, box.getHeight()));
        double[] x = new double[columns * rows];
        double[] y = new double[columns * rows];
        for (int j = 0; j < rows; j++) {
            for (int i = 0; i < columns; i++) {
                x[j * columns + i] = solid.getX() + solid.getWidth() * i / (columns - 1);
                y[j * columns + i] = solid.getY() + solid.getHeight() * j / (rows - 1);
            }
        }
        return new GridWarp(solid, columns, rows, x, y);
    }

    public int columns() {
        return columns;
    }

    public int rows() {
        return rows;
    }

    public Point2D point(int column, int row) {
        return new Point2D.Double(x[row * columns + column], y[row * columns + column]);
    }

    /** With one point of the grid elsewhere. */
    public GridWarp with(int column, int row, double newX, double newY) {
        double[] movedX = x.clone();
        double[] movedY = y.clone();
        movedX[row * columns + column] = newX;
        movedY[row * columns + column] = newY;
        return new GridWarp(box, columns, rows, movedX, movedY);
    }

    @Override
    public Point2D at(double px, double py) {
        double[] across = bernstein(columns - 1, (px - box.getX()) / box.getWidth());
        double[] down = bernstein(rows - 1, (py - box.getY()) / box.getHeight());
        double sumX = 0;
        double sumY = 0;
        for (int j = 0; j < rows; j++) {
            for (int i = 0; i < columns; i++) {
                double weight = across[i] * down[j];
                sumX += weight * x[j * columns + i];
                sumY += weight * y[j * columns + i];
            }
        }
        return new Point2D.Double(sumX, sumY);
    }

    private static double[] bernstein(int degree, double t) {
        double[] weights = new double[degree + 1];
        weights[0] = 1;
        for (int d = 1; d <= degree; d++) {
            for (int i = d; i > 0; i--) {
                weights[i] = weights[i] * (1 - t) + weights[i - 1] * t;
            }
            weights[0] *= 1 - t;
        }
        return weights;
    }
}
