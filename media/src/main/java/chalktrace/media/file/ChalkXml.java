package chalktrace.media.file;

import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.ChalkText;
import chalktrace.core.stroke.LineEnds;
import chalktrace.core.stroke.LineShape;
import java.util.Locale;
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
        xml.writeAttribute("opacity", ChalkText.number(chalk.opacity()));
        xml.writeAttribute("role", word(chalk.role()));
        xml.writeAttribute("width", ChalkText.number(line.width()));
        xml.writeAttribute("thinnest", ChalkText.number(line.thinnest()));
        xml.writeAttribute("taper", ChalkText.number(line.taperPx()));
        xml.writeAttribute("tip", word(line.tip()));
        xml.writeAttribute("faintest", ChalkText.number(line.faintest()));
        xml.writeAttribute("answer", ChalkText.of(line.answer()));
        LineEnds ends = line.ends();
        if (!ends.equals(LineEnds.ROUND)) {
            xml.writeAttribute("cap", word(ends.cap()));
            xml.writeAttribute("join", word(ends.join()));
            xml.writeAttribute("miter-limit", ChalkText.number(ends.miterLimit()));
            xml.writeAttribute("dashes", ChalkText.dashes(ends));
            xml.writeAttribute("dash-offset", ChalkText.number(ends.dashOffset()));
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
                        ChalkText.answer(needed(xml, "answer")),
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
                        ChalkText.dashes(needed(xml, "dashes")),
                        number(xml, "dash-offset"));
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
