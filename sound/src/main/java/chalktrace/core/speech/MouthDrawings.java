package chalktrace.core.speech;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The shipped mouths as drawings of a level, to be used as they are or drawn anew. */
public final class MouthDrawings {

    private static final double FLATNESS_PX = 0.15;
    private static final double LIP_SHARE = 0.07;
    private static final String ID = "mouth-";

    private MouthDrawings() {}

    /** The chalks that mouths are drawn with; their ids say what they are for. */
    public static List<Chalk> chalks(MouthPlace place) {
        List<Chalk> out = new ArrayList<>();
        for (MouthShape.Role role : MouthShape.Role.values()) {
            Chalk chalk = new Chalk(
                    id(role),
                    name(role),
                    color(role),
                    LineShape.round(Math.max(1, LIP_SHARE * place.width())),
                    1,
                    role == MouthShape.Role.LIPS ? Chalk.Role.LINE : Chalk.Role.PAINT);
            out.add(chalk);
        }
        return out;
    }

    /** Whether a chalk is one of {@link #chalks}. */
    public static boolean isMouthChalk(Chalk chalk) {
        return chalk.id().startsWith(ID);
    }

    private static String id(MouthShape.Role role) {
        return ID + role.name().toLowerCase(Locale.ROOT);
    }

    private static String name(MouthShape.Role role) {
        return switch (role) {
            case CAVITY -> "mouth, inside";
            case TONGUE -> "mouth, tongue";
            case TEETH -> "mouth, teeth";
            case LIPS -> "mouth, lips";
        };
    }

    /** The colour of a part of a mouth. */
    public static Rgb color(MouthShape.Role role) {
        return switch (role) {
            case CAVITY -> new Rgb(0x4A, 0x1F, 0x24);
            case TONGUE -> new Rgb(0xC6, 0x5F, 0x5B);
            case TEETH -> new Rgb(0xF7, 0xF2, 0xE6);
            case LIPS -> new Rgb(0x3A, 0x20, 0x24);
        };
    }

    /** A drawing for each mouth of a chart from each side, numbered as the chart numbers them. */
    public static List<Drawing> of(MouthChart chart, MouthPlace place) {
        AffineTransform onPicture = AffineTransform.getTranslateInstance(place.x(), place.y());
        onPicture.scale(place.width(), place.width());
        List<Drawing> out = new ArrayList<>();
        for (MouthChart.Side side : MouthChart.Side.values()) {
            for (MouthChart.Mouth mouth : chart.mouths()) {
                out.add(drawing(chart.drawing(mouth.id(), side), ShippedMouths.shape(mouth.id(), side), onPicture));
            }
        }
        return out;
    }

    private static Drawing drawing(int number, MouthShape shape, AffineTransform onPicture) {
        List<Stroke> strokes = new ArrayList<>();
        List<Fill> fills = new ArrayList<>();
        for (MouthShape.Part part : shape.parts()) {
            if (part.role() == MouthShape.Role.LIPS) {
                strokes.add(new Stroke(id(part.role()), part.edge().transformed(onPicture), "mouth"));
            } else {
                fills.add(new Fill(id(part.role()), Contours.of(List.of(ring(part, onPicture)))));
            }
        }
        return new Drawing(number, strokes, fills);
    }

    private static double[] ring(MouthShape.Part part, AffineTransform onPicture) {
        List<Double> corners = new ArrayList<>();
        double[] at = new double[6];
        for (PathIterator it = part.path().getPathIterator(onPicture, FLATNESS_PX); !it.isDone(); it.next()) {
            if (it.currentSegment(at) != PathIterator.SEG_CLOSE) {
                corners.add(at[0]);
                corners.add(at[1]);
            }
        }
        return corners.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
