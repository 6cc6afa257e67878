package chalktrace.core.shot;

import chalktrace.core.stroke.LineEnds;
import chalktrace.core.stroke.PressureCurve;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What of a chalk stands in files as a text, in shots and in drawings that leave them. */
public final class ChalkText {

    private ChalkText() {}

    /** The shortest text that reads back to the same number, without a needless ".0". */
    public static String number(double value) {
        String text = Double.toString(value);
        return text.endsWith(".0") ? text.substring(0, text.length() - 2) : text;
    }

    /** Dashes and gaps as numbers in turn. */
    public static String dashes(LineEnds ends) {
        return ends.dashes().stream().map(ChalkText::number).collect(Collectors.joining(" "));
    }

    /** @throws IllegalArgumentException when these are no numbers */
    public static List<Double> dashes(String text) {
        return text.isBlank()
                ? List.of()
                : Stream.of(text.strip().split("\\s+")).map(Double::valueOf).toList();
    }

    /** A pressure curve's handles as four numbers. */
    public static String of(PressureCurve curve) {
        return Stream.of(curve.x1(), curve.y1(), curve.x2(), curve.y2())
                .map(ChalkText::number)
                .collect(Collectors.joining(" "));
    }

    /** @throws IllegalArgumentException when these are not four numbers within 0 and 1 */
    public static PressureCurve answer(String text) {
        String[] words = text.strip().split("\\s+");
        if (words.length != 4) {
            throw new IllegalArgumentException("a pressure curve is four numbers, not \"" + text + "\"");
        }
        return new PressureCurve(
                Double.parseDouble(words[0]),
                Double.parseDouble(words[1]),
                Double.parseDouble(words[2]),
                Double.parseDouble(words[3]));
    }
}
