package chalktrace.media.file;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.ChalkText;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeOutline;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.StringTokenizer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;

/**
 * A drawing as SVG 1.1: each stroke is a filled outline that any program shows, with its chalk, its curve and its part
 * beside it in a namespace of our own. The chalk's id and the curve count; outline and colour are a preview of them. Chalks
 * may be described in the metadata, for drawings that leave their shot.
 */
final class DrawingSvg {

    private static final String SVG = "http://www.w3.org/2000/svg";
    static final String OWN = "urn:chalk-trace:drawing:1";

    private static final String XLINK = "http://www.w3.org/1999/xlink";

    /** The outlines are as fine as a view at this scale needs: within about 0.3 px. */
    private static final double PREVIEW_SCALE = 0.25;

    private static final double PREVIEW_FLATNESS = 0.3;

    private static final String PNG_DATA = "data:image/png;base64,";

    private static final int MOST_STROKES = 100_000;

    /** A broken drawing; the message is the rest of a sentence that starts with the drawing's name. */
    static final class BrokenDrawing extends Exception {

        private static final long serialVersionUID = 1;

        BrokenDrawing(String message, Throwable cause) {
            super(message, cause);
        }
    }

    private DrawingSvg() {}

    /** @param chalks gives the chalk of an id, for the preview */
    static byte[] write(Drawing drawing, PictureSize size, Function<String, Chalk> chalks) {
        return write(drawing, size, chalks, List.of());
    }

    /** @param described the chalks to describe, so that the drawing can go to another shot */
    static byte[] write(
            Drawing drawing, PictureSize size, Function<String, Chalk> chalks, Collection<Chalk> described) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(out, "UTF-8");
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeCharacters("\n");
            xml.writeStartElement("svg");
            xml.writeDefaultNamespace(SVG);
            xml.writeNamespace("chalk", OWN);
            if (!drawing.pictures().isEmpty()) {
                xml.writeNamespace("xlink", XLINK);
            }
            xml.writeAttribute("width", Integer.toString(size.width()));
            xml.writeAttribute("height", Integer.toString(size.height()));
            xml.writeAttribute("viewBox", "0 0 " + size.width() + " " + size.height());
            xml.writeAttribute("overflow", "visible");
            if (!described.isEmpty()) {
                xml.writeCharacters("\n");
                xml.writeStartElement("metadata");
                for (Chalk chalk : described) {
                    ChalkXml.write(xml, chalk);
                }
                xml.writeEndElement();
            }
            int gradients = 0;
            int fades = 0;
            for (DrawingItem item : drawing.items()) {
                xml.writeCharacters("\n");
                if (item instanceof DrawingItem.Picture) {
                    writePicture(xml, ((DrawingItem.Picture) item).picture());
                } else if (item instanceof DrawingItem.Paint) {
                    Fill fill = ((DrawingItem.Paint) item).fill();
                    writeFill(xml, fill, "colours-" + ++gradients, chalks);
                } else {
                    Stroke stroke = ((DrawingItem.Line) item).stroke();
                    writeStroke(xml, stroke, "fade-" + ++fades, chalks.apply(stroke.chalk()));
                }
            }
            xml.writeCharacters("\n");
            xml.writeEndElement();
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("writing to memory can't fail", e);
        }
        return out.toByteArray();
    }

    /** @throws BrokenDrawing when it is not such a drawing */
    static Drawing read(int number, byte[] svg) throws BrokenDrawing {
        return readWithChalks(number, svg).drawing();
    }

    /** A drawing with the chalks that it describes. */
    record WithChalks(Drawing drawing, List<Chalk> chalks) {}

    /** @throws BrokenDrawing when it is not such a drawing */
    static WithChalks readWithChalks(int number, byte[] svg) throws BrokenDrawing {
        List<DrawingItem> items = new ArrayList<>();
        List<Chalk> chalks = new ArrayList<>();
        try {
            XMLStreamReader xml = reader().createXMLStreamReader(new ByteArrayInputStream(svg));
            boolean isSvg = false;
            while (xml.hasNext()) {
                if (xml.next() != XMLStreamReader.START_ELEMENT) {
                    continue;
                }
                isSvg |= xml.getLocalName().equals("svg");
                if (items.size() + chalks.size() >= MOST_STROKES) {
                    throw new BrokenDrawing("has more than " + MOST_STROKES + " strokes", null);
                }
                String curve = xml.getAttributeValue(OWN, "curve");
                String area = xml.getAttributeValue(OWN, "area");
                String matrix = xml.getAttributeValue(OWN, "matrix");
                if (curve != null) {
                    items.add(new DrawingItem.Line(
                            stroke(xml.getAttributeValue(OWN, "chalk"), curve, xml.getAttributeValue(OWN, "part"))));
                }
                if (area != null) {
                    items.add(new DrawingItem.Paint(
                            fill(xml.getAttributeValue(OWN, "chalk"), area, xml.getAttributeValue(OWN, "gradient"))));
                }
                if (matrix != null) {
                    items.add(new DrawingItem.Picture(picture(matrix, xml.getAttributeValue(XLINK, "href"))));
                }
                if (OWN.equals(xml.getNamespaceURI())) {
                    chalks.add(ChalkXml.read(xml));
                }
            }
            if (!isSvg) {
                throw new BrokenDrawing("is no SVG drawing", null);
            }
            return new WithChalks(Drawing.of(number, items), chalks);
        } catch (XMLStreamException | IllegalArgumentException e) {
            throw new BrokenDrawing("is damaged (" + oneLine(e.getMessage()) + ")", e);
        }
    }

    private static PastedPicture picture(String matrix, String href) {
        double[] m = numbers(matrix);
        if (m.length != 6 || href == null || !href.startsWith(PNG_DATA)) {
            throw new IllegalArgumentException("a picture in it has no place or no pixels");
        }
        return new PastedPicture(
                PngPixels.read(Base64.getMimeDecoder().decode(href.substring(PNG_DATA.length()))),
                m[0],
                m[1],
                m[2],
                m[3],
                m[4],
                m[5]);
    }

    private static void writePicture(XMLStreamWriter xml, PastedPicture picture) throws XMLStreamException {
        String matrix = Stream.of(picture.xx(), picture.yx(), picture.xy(), picture.yy(), picture.x(), picture.y())
                .map(ChalkText::number)
                .collect(Collectors.joining(" "));
        xml.writeEmptyElement("image");
        xml.writeAttribute("width", Integer.toString(picture.pixels().size().width()));
        xml.writeAttribute("height", Integer.toString(picture.pixels().size().height()));
        xml.writeAttribute("transform", "matrix(" + matrix + ")");
        xml.writeAttribute("xlink", XLINK, "href", PNG_DATA + PngPixels.base64(picture.pixels()));
        xml.writeAttribute("chalk", OWN, "matrix", matrix);
    }

    /** Reads XML without looking at anything outside of it. */
    static XMLInputFactory reader() {
        XMLInputFactory factory = XMLInputFactory.newFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        return factory;
    }

    private static Stroke stroke(String chalk, String curve, String part) {
        return new Stroke(chalk == null ? "" : chalk, Curve.of(numbers(curve)), part == null ? "" : part);
    }

    private static Fill fill(String chalk, String area, String gradient) {
        List<double[]> rings = new ArrayList<>();
        for (String ring : area.split(";")) {
            if (!ring.isBlank()) {
                rings.add(numbers(ring));
            }
        }
        Contours contours = Contours.of(rings);
        return new Fill(
                chalk == null ? "" : chalk,
                contours,
                Optional.ofNullable(gradient).map(GradientSvg::read));
    }

    private static double[] numbers(String text) {
        StringTokenizer words = new StringTokenizer(text);
        double[] values = new double[words.countTokens()];
        for (int i = 0; i < values.length; i++) {
            values[i] = Double.parseDouble(words.nextToken());
        }
        return values;
    }

    private static void writeFill(XMLStreamWriter xml, Fill fill, String id, Function<String, Chalk> chalks)
            throws XMLStreamException {
        Chalk chalk = chalks.apply(fill.chalk());
        boolean plain = fill.gradient().isEmpty();
        if (!plain) {
            GradientSvg.write(xml, id, fill.gradient().get(), chalks);
        }
        xml.writeEmptyElement("path");
        xml.writeAttribute("d", pathText(fill.area().path().getPathIterator(null)));
        xml.writeAttribute("fill", plain ? chalk.color().hex() : "url(#" + id + ")");
        xml.writeAttribute("fill-rule", "evenodd");
        if (!plain) {
            xml.writeAttribute(
                    "chalk", OWN, "gradient", GradientSvg.text(fill.gradient().get()));
        }
        if (plain && chalk.opacity() < 1) {
            xml.writeAttribute("fill-opacity", ChalkText.number(chalk.opacity()));
        }
        xml.writeAttribute("chalk", OWN, "chalk", fill.chalk());
        StringBuilder area = new StringBuilder();
        for (int r = 0; r < fill.area().rings(); r++) {
            area.append(r == 0 ? "" : ";");
            double[] ring = fill.area().ring(r);
            for (int i = 0; i < ring.length; i++) {
                area.append(i == 0 ? "" : " ").append(ChalkText.number(ring[i]));
            }
        }
        xml.writeAttribute("chalk", OWN, "area", area.toString());
    }

    private static void writeStroke(XMLStreamWriter xml, Stroke stroke, String id, Chalk chalk)
            throws XMLStreamException {
        Rgb color = chalk.color();
        Path2D outline = StrokeOutline.of(stroke.curve(), chalk.line(), PREVIEW_SCALE);
        boolean fades = chalk.line().faintest() < 1;
        if (fades) {
            writeFade(xml, stroke, id, chalk);
        }
        xml.writeEmptyElement("path");
        xml.writeAttribute("d", pathText(outline.getPathIterator(null, PREVIEW_FLATNESS)));
        if (fades) {
            xml.writeAttribute("mask", "url(#" + id + ")");
        }
        xml.writeAttribute("fill", color.hex());
        if (chalk.opacity() < 1) {
            xml.writeAttribute("fill-opacity", ChalkText.number(chalk.opacity()));
        }
        xml.writeAttribute("chalk", OWN, "chalk", stroke.chalk());
        StringBuilder curve = new StringBuilder();
        for (double value : stroke.curve().toArray()) {
            curve.append(curve.length() == 0 ? "" : " ").append(ChalkText.number(value));
        }
        xml.writeAttribute("chalk", OWN, "curve", curve.toString());
        if (!stroke.part().isEmpty()) {
            xml.writeAttribute("chalk", OWN, "part", stroke.part());
        }
    }

    /**
     * A mask in whose greys a stroke fades with pressure, each band in the place of the fainter ones that it touches. Bands reach a pixel
     * beyond the stroke: edges that are soft in the mask as well would be soft twice, and the stroke too thin.
     */
    private static void writeFade(XMLStreamWriter xml, Stroke stroke, String id, Chalk chalk)
            throws XMLStreamException {
        Rectangle2D box =
                StrokeOutline.of(stroke.curve(), chalk.line(), PREVIEW_SCALE).getBounds2D();
        xml.writeStartElement("mask");
        xml.writeAttribute("id", id);
        xml.writeAttribute("maskUnits", "userSpaceOnUse");
        xml.writeAttribute("x", ChalkText.number(Math.floor(box.getMinX()) - 1));
        xml.writeAttribute("y", ChalkText.number(Math.floor(box.getMinY()) - 1));
        xml.writeAttribute("width", ChalkText.number(Math.ceil(box.getWidth()) + 3));
        xml.writeAttribute("height", ChalkText.number(Math.ceil(box.getHeight()) + 3));
        xml.writeAttribute("stroke-width", "2");
        xml.writeAttribute("stroke-linejoin", "round");
        for (StrokeOutline.Band band : StrokeOutline.bands(stroke.curve(), chalk.line(), PREVIEW_SCALE)) {
            int level = (int) Math.round(255 * band.opacity());
            String grey = new Rgb(level, level, level).hex();
            xml.writeEmptyElement("path");
            xml.writeAttribute("d", pathText(band.path().getPathIterator(null, PREVIEW_FLATNESS)));
            xml.writeAttribute("fill", grey);
            xml.writeAttribute("stroke", grey);
        }
        xml.writeEndElement();
    }

    /** A path of straight pieces in SVG's own words, relative and in tenths of a pixel, which is shortest. */
    private static String pathText(PathIterator path) {
        StringBuilder out = new StringBuilder();
        double[] at = new double[6];
        long penX = 0;
        long penY = 0;
        long startX = 0;
        long startY = 0;
        for (; !path.isDone(); path.next()) {
            int type = path.currentSegment(at);
            if (type == PathIterator.SEG_CLOSE) {
                out.append('z');
                penX = startX;
                penY = startY;
                continue;
            }
            long x = Math.round(at[0] * 10);
            long y = Math.round(at[1] * 10);
            out.append(type == PathIterator.SEG_MOVETO ? 'm' : 'l')
                    .append(ChalkText.number((x - penX) / 10.0))
                    .append(' ')
                    .append(ChalkText.number((y - penY) / 10.0));
            penX = x;
            penY = y;
            if (type == PathIterator.SEG_MOVETO) {
                startX = x;
                startY = y;
            }
        }
        return out.toString();
    }

    static String oneLine(String message) {
        return String.valueOf(message).replaceAll("\\s+", " ").strip();
    }
}
