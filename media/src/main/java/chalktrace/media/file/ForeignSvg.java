package chalktrace.media.file;

import chalktrace.core.edit.DrawingPiece;
import chalktrace.media.file.DrawingSvg.BrokenDrawing;
import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.parser.DocumentLimits;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import com.github.weisj.jsvg.parser.resources.ResourcePolicy;
import com.github.weisj.jsvg.renderer.NullPlatformSupport;
import com.github.weisj.jsvg.view.ViewBox;
import java.io.ByteArrayInputStream;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Reads SVG 1.1 drawings of any program: lines become strokes, painted shapes become painted areas, pictures within become
 * pictures. Scripts, what lies outside the file, clips, masks and filters are left out.
 */
final class ForeignSvg {

    private static final int DEEPEST = 200;
    private static final int MOST_ELEMENTS = 200_000;
    private static final int MOST_USES = 15;

    /** For a drawing that does not say how large it is: the size that SVG 1.1 gives to browsers for one. */
    private static final float USUAL_WIDTH = 300;

    private static final float USUAL_HEIGHT = 150;

    private ForeignSvg() {}

    static ImportedDrawing read(byte[] svg) throws BrokenDrawing {
        lookThrough(svg);
        try {
            LoaderContext context = LoaderContext.builder()
                    .externalResourcePolicy(ResourcePolicy.DENY_ALL)
                    .documentLimits(new DocumentLimits(DEEPEST, MOST_USES, MOST_ELEMENTS))
                    .build();
            SVGDocument document = new SVGLoader()
                    .load(() -> DrawingSvg.reader().createXMLEventReader(new ByteArrayInputStream(svg)), null, context);
            if (document == null) {
                throw new BrokenDrawing("is no SVG drawing that can be read", null);
            }
            float width = sensible(document.size().width, USUAL_WIDTH);
            float height = sensible(document.size().height, USUAL_HEIGHT);
            ShapeTaker taker = new ShapeTaker();
            document.renderWithPlatform(NullPlatformSupport.INSTANCE, taker, new ViewBox(width, height));
            DrawingPiece piece = taker.piece();
            if (piece.strokes().isEmpty()
                    && piece.fills().isEmpty()
                    && piece.pictures().isEmpty()) {
                throw new BrokenDrawing("has no lines and no painted shapes", null);
            }
            return new ImportedDrawing(piece, taker.chalks(), width, height);
        } catch (RuntimeException | StackOverflowError e) {
            // The library throws what it likes at nonsense; nothing of the shot has changed yet.
            throw new BrokenDrawing("makes no sense (" + DrawingSvg.oneLine(e.getMessage()) + ")", e);
        }
    }

    /** Refuses what is no SVG, or too deep or too much to be a drawing, before anything is built from it. */
    private static void lookThrough(byte[] svg) throws BrokenDrawing {
        try {
            XMLStreamReader xml = DrawingSvg.reader().createXMLStreamReader(new ByteArrayInputStream(svg));
            int depth = 0;
            int elements = 0;
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamReader.START_ELEMENT) {
                    if (elements == 0 && !xml.getLocalName().equals("svg")) {
                        throw new BrokenDrawing("is no SVG drawing", null);
                    }
                    elements++;
                    depth++;
                    if (depth > DEEPEST || elements > MOST_ELEMENTS) {
                        throw new BrokenDrawing(
                                "has more than " + MOST_ELEMENTS + " elements, or " + DEEPEST
                                        + " within each other (line "
                                        + xml.getLocation().getLineNumber() + ")",
                                null);
                    }
                } else if (event == XMLStreamReader.END_ELEMENT) {
                    depth--;
                }
            }
        } catch (XMLStreamException e) {
            throw new BrokenDrawing("is damaged (" + DrawingSvg.oneLine(e.getMessage()) + ")", e);
        }
    }

    private static float sensible(float length, float otherwise) {
        return length > 0 && length < PathShapes.FARTHEST ? length : otherwise;
    }
}
