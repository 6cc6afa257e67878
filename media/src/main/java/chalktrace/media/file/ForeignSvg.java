package chalktrace.media.file;

import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.media.file.DrawingSvg.BrokenDrawing;
import chalktrace.media.file.ImportedDrawing.Loss;
import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.parser.DocumentLimits;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import com.github.weisj.jsvg.renderer.NullPlatformSupport;
import com.github.weisj.jsvg.view.ViewBox;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Reads SVG 1.1 drawings of any program: lines become strokes, painted shapes become painted areas, pictures within become
 * pictures, all in the drawing's order and cut by its clips. Scripts and what lies outside the file are left out; so are masks, filters and
 * texts, which is told.
 */
final class ForeignSvg {

    private static final Pattern OPACITY = Pattern.compile("(?:^|;)\\s*opacity\\s*:([^;]+)");

    private static final List<String> MARKERS = List.of("marker-start", "marker-mid", "marker-end", "marker");

    /** What draws nothing by itself: a drawing may hold nothing else, such as a collection of gradients. */
    private static final Set<String> DEFINITIONS = Set.of(
            "defs", "symbol", "linearGradient", "radialGradient", "pattern", "clipPath", "mask", "filter", "marker");

    private static final int DEEPEST = 200;
    private static final int MOST_ELEMENTS = 200_000;
    private static final int MOST_USES = 15;

    /** For a drawing that does not say how large it is: the size that SVG 1.1 gives to browsers for one. */
    private static final float USUAL_WIDTH = 300;

    private static final float USUAL_HEIGHT = 150;

    /** @param losses what of it will be left out, @param defines whether it may hold only what other drawings use */
    private record Seen(Map<Loss, Integer> losses, boolean defines) {}

    private ForeignSvg() {}

    static ImportedDrawing read(byte[] given) throws BrokenDrawing {
        byte[] svg = SvgEntities.written(given);
        Seen seen = lookThrough(svg);
        Map<Loss, Integer> losses = seen.losses;
        SvgPictures pictures = new SvgPictures();
        try {
            LoaderContext context = LoaderContext.builder()
                    .externalResourcePolicy(pictures)
                    .resourceLoader(pictures)
                    .documentLimits(new DocumentLimits(DEEPEST, MOST_USES, MOST_ELEMENTS))
                    .build();
            SVGDocument document = new SVGLoader()
                    .load(
                            () -> new SvgSwitches(
                                    DrawingSvg.reader().createXMLEventReader(new ByteArrayInputStream(svg))),
                            null,
                            context);
            if (document == null) {
                throw new BrokenDrawing("is no SVG drawing that can be read", null);
            }
            float width = sensible(document.size().width, USUAL_WIDTH);
            float height = sensible(document.size().height, USUAL_HEIGHT);
            ShapeTaker taker = new ShapeTaker(edge(document.viewBox(), width, height));
            document.renderWithPlatform(NullPlatformSupport.INSTANCE, taker, new ViewBox(width, height));
            DrawingPiece piece = taker.piece();
            if (piece.items().isEmpty() && !seen.defines) {
                throw new BrokenDrawing("has no lines, painted shapes or pictures", null);
            }
            taker.losses().forEach((what, count) -> losses.merge(what, count, Integer::sum));
            if (pictures.lost() > 0) {
                losses.merge(Loss.PICTURE, pictures.lost(), Integer::sum);
            }
            return new ImportedDrawing(piece, taker.chalks(), width, height, losses);
        } catch (RuntimeException | StackOverflowError e) {
            // The library throws what it likes at nonsense; nothing of the shot has changed yet.
            throw new BrokenDrawing("makes no sense (" + DrawingSvg.oneLine(e.getMessage()) + ")", e);
        }
    }

    /** Where a drawing's view box lies in it, whole and in the middle: the library cuts there, and not at the drawing's edge. */
    private static Rectangle2D edge(ViewBox box, float width, float height) {
        double scale = Math.min(width / box.width, height / box.height);
        double wide = scale * box.width;
        double high = scale * box.height;
        return wide > 0 && high > 0
                ? new Rectangle2D.Double((width - wide) / 2, (height - high) / 2, wide, high)
                : new Rectangle2D.Double(0, 0, width, height);
    }

    /**
     * Refuses what is no SVG, or too deep or too much to be a drawing, before anything is built from it.
     *
     * @return what of it will be left out, and how often
     */
    private static Seen lookThrough(byte[] svg) throws BrokenDrawing {
        Map<Loss, Integer> losses = new EnumMap<>(Loss.class);
        boolean defines = false;
        try {
            XMLStreamReader xml = DrawingSvg.reader().createXMLStreamReader(new ByteArrayInputStream(svg));
            int depth = 0;
            int elements = 0;
            // Of each group that is seen through, how deep it lies, and how many elements there were with it.
            Deque<int[]> groups = new ArrayDeque<>();
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamReader.START_ELEMENT) {
                    if (elements == 0 && !xml.getLocalName().equals("svg")) {
                        throw new BrokenDrawing("is no SVG drawing", null);
                    }
                    elements++;
                    depth++;
                    defines |= DEFINITIONS.contains(xml.getLocalName());
                    count(xml, losses);
                    if (isSeenThrough(xml)) {
                        groups.push(new int[] {depth, elements});
                    }
                    if (depth > DEEPEST || elements > MOST_ELEMENTS) {
                        throw new BrokenDrawing(
                                "has more than " + MOST_ELEMENTS + " elements, or " + DEEPEST
                                        + " within each other (line "
                                        + xml.getLocation().getLineNumber() + ")",
                                null);
                    }
                } else if (event == XMLStreamReader.END_ELEMENT) {
                    if (!groups.isEmpty() && groups.peek()[0] == depth && elements > groups.pop()[1] + 1) {
                        losses.merge(Loss.GROUP, 1, Integer::sum);
                    }
                    depth--;
                }
            }
        } catch (XMLStreamException e) {
            throw new BrokenDrawing("is damaged (" + DrawingSvg.oneLine(e.getMessage()) + ")", e);
        }
        return new Seen(losses, defines);
    }

    private static void count(XMLStreamReader xml, Map<Loss, Integer> losses) {
        String style = String.valueOf(xml.getAttributeValue(null, "style"));
        if (xml.getLocalName().equals("text")) {
            losses.merge(Loss.TEXT, 1, Integer::sum);
        }
        if (uses(xml, style, "filter")) {
            losses.merge(Loss.FILTER, 1, Integer::sum);
        }
        if (MARKERS.stream().anyMatch(marker -> uses(xml, style, marker))) {
            losses.merge(Loss.MARKER, 1, Integer::sum);
        }
        if (uses(xml, style, "mask")) {
            losses.merge(Loss.MASK, 1, Integer::sum);
        }
    }

    /** Whether it is a group with an opacity of its own, which would count for all of its parts as one picture. */
    private static boolean isSeenThrough(XMLStreamReader xml) {
        String style = xml.getAttributeValue(null, "style");
        Matcher inStyle = OPACITY.matcher(style == null ? "" : style);
        String value = inStyle.find() ? inStyle.group(1) : xml.getAttributeValue(null, "opacity");
        try {
            return xml.getLocalName().equals("g") && value != null && Double.parseDouble(value.strip()) < 1;
        } catch (NumberFormatException e) {
            // Percentages are not of SVG 1.1; what is no number counts as opaque.
            return false;
        }
    }

    private static boolean uses(XMLStreamReader xml, String style, String property) {
        String value = xml.getAttributeValue(null, property);
        return value != null && value.contains("url(") || style.contains(property + ":url(");
    }

    private static float sensible(float length, float otherwise) {
        return length > 0 && length < PathShapes.FARTHEST ? length : otherwise;
    }
}
