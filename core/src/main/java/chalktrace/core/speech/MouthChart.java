package chalktrace.core.speech;

import chalktrace.core.speech.MouthShape.Part;
import chalktrace.core.speech.MouthShape.Role;
import chalktrace.core.stroke.Curve;
import java.util.ArrayList;
import java.util.List;

/** A set of mouth drawings and the sounds that each stands for. */
public record MouthChart(String name, List<MouthShape> shapes) {

    public static final String REST = "rest";
    public static final String CLOSED = "closed";
    public static final String LIP_BITE = "lip-bite";
    public static final String NARROW = "narrow";
    public static final String WIDE = "wide";
    public static final String OPEN = "open";
    public static final String ROUND = "round";
    public static final String PURSED = "pursed";
    public static final String TONGUE = "tongue";

    private static final MouthChart SHIPPED = new MouthChart(
            "plain",
            List.of(
                    new MouthShape(REST, "rest", List.of(line(0.5, 0.03))),
                    new MouthShape(CLOSED, "M B P", List.of(line(0.46, 0.0), line(0.34, -0.075), line(0.30, 0.085))),
                    new MouthShape(
                            LIP_BITE,
                            "F V",
                            List.of(
                                    cavity(0.44, 0.10, 0.07),
                                    teeth(0.36, -0.085, 0.03),
                                    lips(0.44, 0.10, 0.07),
                                    line(0.30, 0.12))),
                    new MouthShape(NARROW, "S T K", open(0.46, 0.08, 0.12, true, false)),
                    new MouthShape(WIDE, "EE EH", open(0.56, 0.12, 0.18, true, false)),
                    new MouthShape(OPEN, "AH", open(0.46, 0.16, 0.42, true, true)),
                    new MouthShape(ROUND, "OH", open(0.30, 0.22, 0.30, false, true)),
                    new MouthShape(PURSED, "OO W", open(0.17, 0.12, 0.14, false, false)),
                    new MouthShape(TONGUE, "L TH", tongueUp())));

    public MouthChart {
        shapes = List.copyOf(shapes);
    }

    /** The chart that comes with the program. */
    public static MouthChart shipped() {
        return SHIPPED;
    }

    /** The shape of an id; an unknown one gives the first, which is the mouth at rest. */
    public MouthShape shape(String id) {
        return shapes.stream()
                .filter(shape -> shape.id().equals(id))
                .findFirst()
                .orElse(shapes.get(0));
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
