package chalktrace.media.file;

import chalktrace.core.fill.Gradient;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.ChalkText;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** A gradient within a drawing's SVG: as any program shows it, and, in a line of our own, with the chalks of its stops. */
final class GradientSvg {

    private GradientSvg() {}

    /** The definition, for other programs. @param id by which the area refers to it */
    static void write(XMLStreamWriter xml, String id, Gradient gradient, Function<String, Chalk> chalks)
            throws XMLStreamException {
        boolean linear = gradient.kind() == Gradient.Kind.LINEAR;
        xml.writeStartElement(linear ? "linearGradient" : "radialGradient");
        xml.writeAttribute("id", id);
        xml.writeAttribute("gradientUnits", "userSpaceOnUse");
        if (linear) {
            xml.writeAttribute("x1", "0");
            xml.writeAttribute("y1", "0");
            xml.writeAttribute("x2", "1");
            xml.writeAttribute("y2", "0");
        } else {
            xml.writeAttribute("cx", "0");
            xml.writeAttribute("cy", "0");
            xml.writeAttribute("r", "1");
            xml.writeAttribute("fx", ChalkText.number(gradient.focusX()));
            xml.writeAttribute("fy", ChalkText.number(gradient.focusY()));
        }
        xml.writeAttribute("gradientTransform", "matrix(" + numbers(gradient.place()) + ")");
        xml.writeAttribute("spreadMethod", name(gradient.spread()));
        for (Gradient.Stop stop : gradient.stops()) {
            Chalk chalk = chalks.apply(stop.chalk());
            xml.writeEmptyElement("stop");
            xml.writeAttribute("offset", ChalkText.number(stop.offset()));
            xml.writeAttribute("stop-color", chalk.color().hex());
            xml.writeAttribute("stop-opacity", ChalkText.number(chalk.opacity()));
        }
        xml.writeEndElement();
    }

    /** Kind, spread, focus, place and stops in one line. */
    static String text(Gradient gradient) {
        String stops = gradient.stops().stream()
                .map(stop -> ChalkText.number(stop.offset()) + " ="
                        + URLEncoder.encode(stop.chalk(), StandardCharsets.UTF_8))
                .collect(Collectors.joining(" "));
        return name(gradient.kind()) + " " + name(gradient.spread()) + " " + ChalkText.number(gradient.focusX()) + " "
                + ChalkText.number(gradient.focusY()) + " " + numbers(gradient.place()) + " " + stops;
    }

    /** @throws IllegalArgumentException when it is no such line */
    static Gradient read(String text) {
        String[] words = text.strip().split("\\s+");
        if (words.length < 12 || words.length % 2 != 0) {
            throw new IllegalArgumentException("a gradient in it lacks numbers or stops");
        }
        List<Double> place =
                IntStream.range(4, 10).mapToObj(i -> Double.valueOf(words[i])).toList();
        List<Gradient.Stop> stops = new ArrayList<>();
        for (int i = 10; i < words.length; i += 2) {
            stops.add(new Gradient.Stop(
                    Double.parseDouble(words[i]),
                    URLDecoder.decode(words[i + 1].substring(1), StandardCharsets.UTF_8)));
        }
        return new Gradient(
                Gradient.Kind.valueOf(words[0].toUpperCase(Locale.ROOT)),
                stops,
                Gradient.Spread.valueOf(words[1].toUpperCase(Locale.ROOT)),
                Double.parseDouble(words[2]),
                Double.parseDouble(words[3]),
                place);
    }

    private static String name(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    private static String numbers(List<Double> values) {
        return values.stream().map(ChalkText::number).collect(Collectors.joining(" "));
    }
}
