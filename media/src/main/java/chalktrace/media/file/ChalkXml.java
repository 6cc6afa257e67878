package chalktrace.media.file;

import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.stroke.LineEnds;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.PressureCurve;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;

/** A chalk as an element of our own namespace, for a drawing that leaves its shot. */
final class ChalkXml {

    private ChalkXml() {}

    static void write(XMLStreamWriter xml, Chalk chalk) throws XMLStreamException {
        LineShape line = chalk.line();
        xml.writeEmptyElement("chalk", "chalk", DrawingSvg.OWN);
        xml.writeAttribute("id", chalk.id());
        xml.writeAttribute("name", chalk.name());
        xml.writeAttribute("color", chalk.color().hex());
        xml.writeAttribute("opacity", DrawingSvg.number(chalk.opacity()));
        xml.writeAttribute("role", word(chalk.role()));
        xml.writeAttribute("width", DrawingSvg.number(line.width()));
        xml.writeAttribute("thinnest", DrawingSvg.number(line.thinnest()));
        xml.writeAttribute("taper", DrawingSvg.number(line.taperPx()));
        xml.writeAttribute("tip", word(line.tip()));
        xml.writeAttribute("faintest", DrawingSvg.number(line.faintest()));
        xml.writeAttribute("answer", text(line.answer()));
        LineEnds ends = line.ends();
        if (!ends.equals(LineEnds.ROUND)) {
            xml.writeAttribute("cap", word(ends.cap()));
            xml.writeAttribute("join", word(ends.join()));
            xml.writeAttribute("miter-limit", DrawingSvg.number(ends.miterLimit()));
            xml.writeAttribute("dashes", dashes(ends));
            xml.writeAttribute("dash-offset", DrawingSvg.number(ends.dashOffset()));
        }
    }

    /** @throws IllegalArgumentException when something of it is missing or has no sense */
    static Chalk read(XMLStreamReader xml) {
        return new Chalk(
                needed(xml, "id"),
                needed(xml, "name"),
                Rgb.parse(needed(xml, "color")),
                new LineShape(
                        number(xml, "width"),
                        number(xml, "thinnest"),
                        number(xml, "taper"),
                        LineShape.Tip.valueOf(constant(needed(xml, "tip"))),
                        number(xml, "faintest"),
                        answer(needed(xml, "answer")),
                        ends(xml)),
                number(xml, "opacity"),
                Chalk.Role.valueOf(constant(needed(xml, "role"))));
    }

    private static LineEnds ends(XMLStreamReader xml) {
        return xml.getAttributeValue(null, "cap") == null
                ? LineEnds.ROUND
                : new LineEnds(
                        LineEnds.Cap.valueOf(constant(needed(xml, "cap"))),
                        LineEnds.Join.valueOf(constant(needed(xml, "join"))),
                        number(xml, "miter-limit"),
                        dashes(needed(xml, "dashes")),
                        number(xml, "dash-offset"));
    }

    /** Dashes and gaps as numbers in turn. */
    static String dashes(LineEnds ends) {
        return ends.dashes().stream().map(DrawingSvg::number).collect(Collectors.joining(" "));
    }

    /** @throws IllegalArgumentException when these are no numbers */
    static List<Double> dashes(String text) {
        return text.isBlank()
                ? List.of()
                : Stream.of(text.strip().split("\\s+")).map(Double::valueOf).toList();
    }

    /** A pressure curve's handles as four numbers. */
    static String text(PressureCurve curve) {
        return DrawingSvg.number(curve.x1()) + " " + DrawingSvg.number(curve.y1()) + " " + DrawingSvg.number(curve.x2())
                + " " + DrawingSvg.number(curve.y2());
    }

    /** @throws IllegalArgumentException when these are not four numbers within 0 and 1 */
    static PressureCurve answer(String text) {
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

    private static String needed(XMLStreamReader xml, String name) {
        String value = xml.getAttributeValue(null, name);
        if (value == null) {
            throw new IllegalArgumentException("a chalk in it has no " + name);
        }
        return value;
    }

    private static double number(XMLStreamReader xml, String name) {
        return Double.parseDouble(needed(xml, name));
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static String constant(String word) {
        return word.toUpperCase(Locale.ROOT).replace('-', '_');
    }
}
