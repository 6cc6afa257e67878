package chalktrace.core.speech;

import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthChart.Side;
import chalktrace.core.speech.MouthShape.Part;
import chalktrace.core.speech.MouthShape.Role;
import chalktrace.core.stroke.Curve;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The drawings of the shipped charts' mouths, from three sides. */
public final class ShippedMouths {

    private static final List<MouthShape> FRONT = List.of(
            new MouthShape(MouthChart.REST, "rest", List.of(line(0.5, 0.03))),
            new MouthShape(MouthChart.CLOSED, "M B P", List.of(line(0.46, 0.0), line(0.34, -0.075), line(0.30, 0.085))),
            new MouthShape(
                    MouthChart.LIP_BITE,
                    "F V",
                    List.of(
                            cavity(0.44, 0.10, 0.07),
                            teeth(0.36, -0.085, 0.03),
                            lips(0.44, 0.10, 0.07),
                            line(0.30, 0.12))),
            new MouthShape(MouthChart.NARROW, "S T K", open(0.46, 0.08, 0.12, true, false)),
            new MouthShape(MouthChart.WIDE, "EE EH", open(0.56, 0.12, 0.18, true, false)),
            new MouthShape(MouthChart.HALF, "UH", open(0.42, 0.10, 0.24, true, false)),
            new MouthShape(MouthChart.OPEN, "AH", open(0.46, 0.16, 0.42, true, true)),
            new MouthShape(MouthChart.ROUND, "OH", open(0.30, 0.22, 0.30, false, true)),
            new MouthShape(MouthChart.PURSED, "OO W", open(0.17, 0.12, 0.14, false, false)),
            new MouthShape(MouthChart.TONGUE, "L TH", tongueUp()));

    /** How far the left and the right half of a mouth reach, seen from a side: heads look to the right. */
    private static final Map<Side, double[]> HALVES = Map.of(
            Side.FRONT, new double[] {1, 1}, Side.THREE_QUARTER, new double[] {0.92, 0.55}, Side.SIDE, new double[] {
                0.8, 0.06
            });

    private ShippedMouths() {}

    public static List<MouthShape> front() {
        return FRONT;
    }

    /** The shape of an id from the front; an unknown one gives the first, which is the mouth at rest. */
    public static MouthShape shape(String id) {
        return FRONT.stream().filter(shape -> shape.id().equals(id)).findFirst().orElse(FRONT.get(0));
    }

    /** As {@link #shape(String)}, seen from a side: what turns away is foreshortened. */
    public static MouthShape shape(String id, Side side) {
        double[] halves = HALVES.get(side);
        MouthShape front = shape(id);
        return new MouthShape(
                front.id(),
                front.sounds(),
                front.parts().stream()
                        .map(part -> new Part(part.role(), foreshortened(part.edge(), halves[0], halves[1])))
                        .toList());
    }

    private static Curve foreshortened(Curve curve, double left, double right) {
        double[] values = curve.toArray();
        for (int i = 0; i < values.length; i += 3) {
            values[i] *= values[i] < 0 ? left : right;
        }
        return Curve.of(values);
    }

    private static List<Part> open(double halfWidth, double up, double down, boolean teeth, boolean tongue) {
        List<Part> parts = new ArrayList<>();
        parts.add(cavity(halfWidth, up, down));
        if (tongue) {
            parts.add(new Part(Role.TONGUE, lens(halfWidth * 0.55, down * 0.72, 0.35 * down, 0.16 * down)));
        }
        if (teeth) {
            parts.add(teeth(halfWidth * 0.72, -up * 0.72, up * 0.45));
        }
        parts.add(lips(halfWidth, up, down));
        return parts;
    }

    private static List<Part> tongueUp() {
        List<Part> parts = new ArrayList<>(open(0.46, 0.12, 0.24, true, false));
        parts.add(parts.size() - 1, new Part(Role.TONGUE, lens(0.20, 0.06, 0.13, 0.13)));
        return parts;
    }

    private static Part cavity(double halfWidth, double up, double down) {
        return new Part(Role.CAVITY, lens(halfWidth, 0, up, down));
    }

    private static Part lips(double halfWidth, double up, double down) {
        return new Part(Role.LIPS, lens(halfWidth, 0, up, down));
    }

    private static Part teeth(double halfWidth, double top, double height) {
        return new Part(Role.TEETH, lens(halfWidth, top, 0.01, height));
    }

    /** A line across that sags (positive) or rises by a part of its width. */
    private static Part line(double halfWidth, double y) {
        double sag = y + 0.05;
        return new Part(
                Role.LIPS, Curve.of(-halfWidth, y, 1, -halfWidth / 3, sag, 1, halfWidth / 3, sag, 1, halfWidth, y, 1));
    }

    /** A closed edge from the left corner over the top to the right corner and back below. */
    private static Curve lens(double halfWidth, double y, double up, double down) {
        // A cubic whose handles lie at 4/3 of the height reaches that height in its middle.
        double top = y - up * 4 / 3;
        double bottom = y + down * 4 / 3;
        double inner = halfWidth * 0.72;
        return Curve.of(
                -halfWidth,
                y,
                1,
                -inner,
                top,
                1,
                inner,
                top,
                1,
                halfWidth,
                y,
                1,
                inner,
                bottom,
                1,
                -inner,
                bottom,
                1,
                -halfWidth,
                y,
                1);
    }
}
