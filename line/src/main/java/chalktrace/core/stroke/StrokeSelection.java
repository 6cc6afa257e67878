package chalktrace.core.stroke;

import java.awt.Shape;
import java.awt.geom.Rectangle2D;

/** Which strokes a loop or a box takes hold of. */
public final class StrokeSelection {

    private static final double MOSTLY = 0.5;
    private static final double STEP_PX = 2;

    private StrokeSelection() {}

    /** Whether at least half of a stroke's length lies within a shape, such as a loop drawn round it. */
    public static boolean isMostlyWithin(Stroke stroke, Shape shape) {
        double[] lengths = length(stroke, shape);
        return lengths[1] > 0 && lengths[1] >= MOSTLY * lengths[0];
    }

    /** Whether any part of a stroke's middle line lies within a shape. */
    public static boolean touches(Stroke stroke, Shape shape) {
        return length(stroke, shape)[1] > 0;
    }

    /** The length of a stroke's middle line, and how much of it lies within a shape; a dot counts as one pixel. */
    private static double[] length(Stroke stroke, Shape shape) {
        Sampled line = Sampled.of(stroke.curve());
        if (line.count() == 1) {
            return new double[] {1, shape.contains(line.x()[0], line.y()[0]) ? 1 : 0};
        }
        double all = 0;
        double within = 0;
        for (int i = 1; i < line.count(); i++) {
            double piece = Math.hypot(line.x()[i] - line.x()[i - 1], line.y()[i] - line.y()[i - 1]);
            int steps = (int) Math.max(1, Math.ceil(piece / STEP_PX));
            for (int k = 0; k < steps; k++) {
                double share = (k + 0.5) / steps;
                double x = line.x()[i - 1] + share * (line.x()[i] - line.x()[i - 1]);
                double y = line.y()[i - 1] + share * (line.y()[i] - line.y()[i - 1]);
                within += shape.contains(x, y) ? piece / steps : 0;
            }
            all += piece;
        }
        return new double[] {all, within};
    }

    /** The box around a stroke's middle line. */
    public static Rectangle2D bounds(Stroke stroke) {
        Sampled line = Sampled.of(stroke.curve());
        Rectangle2D.Double box = new Rectangle2D.Double(line.x()[0], line.y()[0], 0, 0);
        for (int i = 1; i < line.count(); i++) {
            box.add(line.x()[i], line.y()[i]);
        }
        return box;
    }
}
