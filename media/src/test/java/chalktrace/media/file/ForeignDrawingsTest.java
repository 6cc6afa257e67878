package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.fill.Fill;
import chalktrace.core.fill.Gradient;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.LineEnds;
import chalktrace.core.testing.LineDistance;
import chalktrace.core.testing.Shots;
import chalktrace.media.file.ImportedDrawing.Loss;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Drawings of other programs keep their order, lines, clips and choices; what can't be kept is told. */
class ForeignDrawingsTest {

    private static final String HEAD = "<svg xmlns='http://www.w3.org/2000/svg' width='200' height='100'>";

    private static ImportedDrawing svg(String text) throws Exception {
        return DrawingFiles.svg(Path.of("other.svg"), text.getBytes(StandardCharsets.UTF_8));
    }

    private static Chalk chalk(ImportedDrawing read, String id) {
        return read.chalks().stream()
                .filter(chalk -> chalk.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void shapesKeepTheirOrderAndComeBackInIt() throws Exception {
        ImportedDrawing read = svg(HEAD + "<path d='M0 50H200' stroke='red'/><rect width='90' height='90'/>"
                + "<path d='M0 60H200' stroke='blue'/><rect x='100' width='50' height='90' fill='green'/></svg>");
        assertThat(read.piece().items())
                .extracting(item -> item.getClass().getSimpleName())
                .containsExactly("Line", "Paint", "Line", "Paint");
        Shot shot = Shots.empty().withChalks(read.chalks());
        ImportedDrawing back = DrawingFiles.svg(Path.of("own.svg"), DrawingFiles.svg(read.piece(), shot));
        assertThat(back.piece()).isEqualTo(read.piece());
    }

    @Test
    void linesKeepTheirCapsJoinsAndDashes() throws Exception {
        ImportedDrawing read = svg(
                HEAD + "<g transform='scale(2)'><path d='M0 0H50V30' fill='none' stroke='red' stroke-width='4'"
                        + " stroke-linecap='square' stroke-linejoin='bevel' stroke-dasharray='6 2' stroke-dashoffset='1'/></g></svg>");
        Chalk line = chalk(read, read.piece().strokes().get(0).chalk());
        assertThat(line.line().ends())
                .isEqualTo(new LineEnds(LineEnds.Cap.SQUARE, LineEnds.Join.BEVEL, 4, List.of(12.0, 4.0), 2));
        Shot shot = Shots.empty().withChalks(read.chalks());
        assertThat(DrawingFiles.svg(Path.of("own.svg"), DrawingFiles.svg(read.piece(), shot))
                        .chalks())
                .isEqualTo(read.chalks());
    }

    @Test
    void anUnevenlyScaledLineBecomesThePaintThatItCovers() throws Exception {
        ImportedDrawing read = svg(
                HEAD
                        + "<g transform='scale(3 1)'><path d='M10 10V60' stroke='red' stroke-width='4' fill='none'/></g></svg>");
        assertThat(read.piece().strokes()).isEmpty();
        assertThat(read.piece().fills().get(0).area().area()).isCloseTo(50 * 12, within(1.0));
    }

    @Test
    void aGradientKeepsItsStopsAsChalksAndComesBack() throws Exception {
        ImportedDrawing read = svg(HEAD + "<defs><linearGradient id='g' x1='0' x2='1' spreadMethod='reflect'>"
                + "<stop offset='0.2' stop-color='#f00'/><stop offset='1' stop-color='#00f' stop-opacity='0.5'/>"
                + "</linearGradient></defs>"
                + "<rect x='10' width='90' height='90' fill='url(#g)'/><text x='5' y='5'>no</text></svg>");
        Fill fill = read.piece().fills().get(0);
        Gradient gradient = fill.gradient().orElseThrow();
        assertThat(gradient.spread()).isEqualTo(Gradient.Spread.REFLECT);
        assertThat(gradient.stops().stream()
                        .map(stop -> chalk(read, stop.chalk()).color().hex()))
                .containsExactly("#FF0000", "#0000FF");
        assertThat(chalk(read, gradient.stops().get(1).chalk()).opacity()).isCloseTo(0.5, within(0.01));
        // From one side of the square to the other.
        assertThat(gradient.transform()
                        .transform(new Point2D.Double(0, 0), null)
                        .getX())
                .isCloseTo(10, within(1e-4));
        assertThat(gradient.transform()
                        .transform(new Point2D.Double(1, 0), null)
                        .getX())
                .isCloseTo(100, within(1e-4));
        assertThat(read.losses()).containsExactlyInAnyOrderEntriesOf(Map.of(Loss.TEXT, 1));
        Shot shot = Shots.empty().withChalks(read.chalks());
        ImportedDrawing again = DrawingFiles.svg(Path.of("own.svg"), DrawingFiles.svg(read.piece(), shot));
        assertThat(again.piece().fills()).isEqualTo(read.piece().fills());
        assertThat(again.chalks()).isEqualTo(read.chalks());
    }

    @Test
    void anotherChalkInAStopChangesTheGradientAndAPlainChalkTakesItsPlace() throws Exception {
        Fill fill = svg(HEAD + "<defs><radialGradient id='g'><stop offset='0' stop-color='#f00'/>"
                        + "<stop offset='1' stop-color='#00f'/></radialGradient></defs>"
                        + "<rect width='90' height='90' fill='url(#g)'/></svg>")
                .piece()
                .fills()
                .get(0);
        String last = fill.gradient().orElseThrow().stops().get(1).chalk();
        Fill other = fill.withChalks(chalk -> chalk.equals(last) ? "mine" : chalk);
        assertThat(other.chalks()).containsExactly(fill.chalk(), "mine");
        assertThat(fill.withChalk("mine").gradient()).isEmpty();
    }

    /** Nothing to see is no damage. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "<defs><linearGradient id='g'/></defs><rect width='9' height='9' fill='url(#g)'/>",
                "<defs><pattern id='p'/><clipPath id='c'/><mask id='m'/><filter id='f'/><marker id='k'/></defs>",
                "<linearGradient id='flag'><stop offset='0' stop-color='red'/></linearGradient>",
                "<defs><symbol id='s'/></defs><use href='#s'/><path d='M0 0H9' stroke='red'/>",
                "<defs><clipPath id='c'/></defs><rect width='9' height='9' clip-path='url(#c)'/>",
                "<defs><radialGradient id='g' r='0'><stop offset='0' stop-color='red'/></radialGradient></defs>"
                        + "<rect width='9' height='9' fill='url(#g)'/>"
            })
    void definitionsThatDrawNothingOpen(String inside) throws Exception {
        assertThat(svg(HEAD + inside + "</svg>").piece().items().size()).isLessThan(3);
    }

    @Test
    void aSeeThroughLineIsNotSeenTwiceWhereItsPiecesMeet() throws Exception {
        String pieces = "<path d='M10 50H90 M50 10V90' fill='none' stroke='red' stroke-width='8' opacity='%s'/></svg>";
        assertThat(svg(HEAD + String.format(pieces, "0.5")).piece().fills()).hasSize(1);
        assertThat(svg(HEAD + String.format(pieces, "1")).piece().strokes()).hasSize(2);
        String apart = "<path d='M10 10H40 M10 80H40' fill='none' stroke='red' stroke-width='4' opacity='0.5'/></svg>";
        assertThat(svg(HEAD + apart).piece().strokes()).hasSize(2);
    }

    /** SVG 1.1, 9.2, names the path of arcs that a rounded rectangle is, and where it starts. */
    @Test
    void dashesOfARoundedRectangleStartWhereTheStandardStartsThem() throws Exception {
        String look = " fill='none' stroke='red' stroke-width='2' stroke-dasharray='6 3'/></svg>";
        Curve box = svg(HEAD + "<rect x='10' y='20' width='90' height='60' rx='20' ry='10'" + look)
                .piece()
                .strokes()
                .get(0)
                .curve();
        Curve arcs = svg(HEAD + "<path d='M30 20 H80 A20 10 0 0 1 100 30 V70 A20 10 0 0 1 80 80 H30"
                        + " A20 10 0 0 1 10 70 V30 A20 10 0 0 1 30 20 Z'" + look)
                .piece()
                .strokes()
                .get(0)
                .curve();
        assertThat(LineDistance.farthest(LineDistance.dense(box), LineDistance.dense(arcs)))
                .isLessThan(0.05);
        assertThat(List.of(box.x(0), box.y(0), box.x(3), box.y(3))).isEqualTo(List.of(30.0, 20.0, 80.0, 20.0));
    }

    @Test
    void aPictureWithinADrawingLiesWhereItIsPutAndItsClipIsTold() throws Exception {
        String data = "data:image/png;base64,"
                + Base64.getEncoder()
                        .encodeToString(PngPixels.write(new Pixels(new PictureSize(2, 1), new int[] {-1, 0xFF336699})));
        String image =
                "<g transform='translate(30 10)'><image width='40' height='20'%s href='" + data + "'/></g></svg>";
        ImportedDrawing read = svg(HEAD + String.format(image, ""));
        PastedPicture picture = read.piece().pictures().get(0);
        assertThat(picture.pixels().size()).isEqualTo(new PictureSize(2, 1));
        assertThat(List.of(picture.xx(), picture.yx(), picture.xy(), picture.yy(), picture.x(), picture.y()))
                .isEqualTo(List.of(20.0, 0.0, 0.0, 20.0, 30.0, 10.0));
        assertThat(read.losses()).isEmpty();
        String clip = "<defs><clipPath id='c'><circle cx='10' cy='10' r='9'/></clipPath></defs>";
        assertThat(svg(HEAD + clip + String.format(image, " clip-path='url(#c)'"))
                        .losses())
                .isEqualTo(Map.of(Loss.PICTURE_NOT_CLIPPED, 1));
    }

    @Test
    void aPictureIsSeenThroughAsItsGroupIs() throws Exception {
        String data = "data:image/png;base64,"
                + Base64.getEncoder()
                        .encodeToString(PngPixels.write(new Pixels(new PictureSize(1, 1), new int[] {0xFF336699})));
        ImportedDrawing read =
                svg(HEAD + "<g opacity='0.5'><image width='4' height='4' href='" + data + "'/></g></svg>");
        assertThat(read.piece().pictures().get(0).pixels().toArray()).containsExactly(0x80336699);
    }

    @Test
    void aViewBoxOfOtherProportionsCutsNothingOff() throws Exception {
        ImportedDrawing read =
                svg("<svg xmlns='http://www.w3.org/2000/svg' width='200' height='100' viewBox='0 0 50 50'>"
                        + "<rect x='-40' y='10' width='130' height='10'/></svg>");
        Rectangle2D box = read.piece().fills().get(0).area().path().getBounds2D();
        assertThat(box).isEqualTo(new Rectangle2D.Double(-30, 20, 260, 20));
    }

    /** SVG 2, 9.5.4: what comes before a mistake in a path is drawn. The library looks for ever at some. */
    @ParameterizedTest
    @Timeout(30)
    @ValueSource(
            strings = {
                "M10 10L90 90z\u202E",
                "M10 10L90 90z 5",
                "M10 10L90 90zz;",
                "M10 10L90 90 x L0 0",
                "M10 10L90 90#",
                "\t M10,10 L90,90z m 5 5 é"
            })
    void aPathWithAMistakeIsDrawnUpToIt(String data) throws Exception {
        ImportedDrawing read = svg(HEAD + "<path fill='none' stroke='red' d='" + data + "'/></svg>");
        assertThat(read.piece().items()).isNotEmpty();
    }

    @Test
    void aPathOfAHundredThousandCommandsIsRead() throws Exception {
        String data = "M0 0" + "L 5 9 l-5-9".repeat(50_000);
        assertThat(svg(HEAD + "<path fill='none' stroke='red' d='" + data + "'/></svg>")
                        .piece()
                        .items())
                .hasSize(1);
    }

    @Test
    void markersAreTold() throws Exception {
        String marker = "<marker id='m'><path d='M0 0 4 2 0 4Z'/></marker>";
        String line = "<path d='M9 9 90 20' stroke='red' style='marker-end:url(#m)'/>";
        assertThat(svg(HEAD + "<defs>" + marker + "</defs>" + line + "</svg>").losses())
                .isEqualTo(Map.of(Loss.MARKER, 1));
    }

    @Test
    void partsOfTheDrawingItselfThatAreUsedAgainAreNoLoss() throws Exception {
        ImportedDrawing read = svg(HEAD + "<defs><linearGradient id='a'><stop stop-color='red'/></linearGradient>"
                + "<linearGradient id='b' href='#a'/><rect id='r' width='9' height='9' fill='url(#b)'/></defs>"
                + "<use href='#r'/><use href='#r' x='20'/></svg>");
        assertThat(read.piece().fills()).hasSize(2);
        assertThat(read.losses().keySet()).doesNotContain(Loss.PICTURE);
    }

    @Test
    void aSeeThroughGroupOfSeveralPartsIsTold() throws Exception {
        String box = "<rect width='9' height='9'/>";
        String text = HEAD + "<g opacity='0.5'>" + box + "</g><g opacity='1'>" + box + box + "</g>%s</svg>";
        assertThat(svg(String.format(text, "")).losses()).isEmpty();
        assertThat(svg(String.format(text, "<g style='fill:red; opacity: .5'>" + box + "<g>" + box + "</g></g>"))
                        .losses())
                .isEqualTo(Map.of(Loss.GROUP, 1));
    }

    /** Each is a few thousand bytes in the file and 36 million pixels in memory. */
    @Test
    void picturesThatWouldTakeTooMuchMemoryTogetherAreTold() throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(6000, 6000, BufferedImage.TYPE_BYTE_BINARY), "png", png);
        String image = "<image width='4' height='4' href='data:image/png;base64,"
                + Base64.getEncoder().encodeToString(png.toByteArray()) + "'/>";
        ImportedDrawing read = svg(HEAD + image.repeat(9) + "</svg>");
        assertThat(read.piece().pictures()).hasSize(1);
        assertThat(read.losses()).isEqualTo(Map.of(Loss.PICTURE, 8));
    }

    @Test
    void picturesThatAreDamagedOrOutsideTheFileAreTold() throws Exception {
        BufferedImage blue = new BufferedImage(16, 16, BufferedImage.TYPE_INT_RGB);
        blue.createGraphics().fillRect(0, 0, 9, 9);
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(blue, "jpg", jpeg);
        byte[] whole = jpeg.toByteArray();
        byte[] cut = Arrays.copyOf(whole, whole.length - 20);
        String image = "<image width='4' height='4' xlink:href='%s'/>";
        String head = HEAD.replace(">", " xmlns:xlink='http://www.w3.org/1999/xlink'>");
        String data = "data:image/jpeg;base64,\n  " + Base64.getMimeEncoder().encodeToString(whole);

        ImportedDrawing read = svg(head + String.format(image, data)
                + String.format(
                        image, "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(cut))
                + String.format(image, "data:image/png;base64,AAAA")
                + String.format(image, "data:image/svg+xml,%3Csvg/%3E")
                + String.format(image, "beside.png")
                + String.format(image, "not|a{name}.png")
                + String.format(image, "file:///etc/hostname") + "</svg>");

        assertThat(read.piece().pictures()).hasSize(1);
        assertThat(read.piece().items())
                .as("and no sign in the place of others")
                .hasSize(1);
        assertThat(read.losses()).isEqualTo(Map.of(Loss.PICTURE, 6));
    }

    @Test
    void aClipCutsWhatItIsPutOn() throws Exception {
        ImportedDrawing read =
                svg(HEAD + "<defs><clipPath id='c'><rect x='10' y='10' width='20' height='20'/></clipPath></defs>"
                        + "<rect width='90' height='90' clip-path='url(#c)'/></svg>");
        assertThat(read.piece().fills().get(0).area().area()).isCloseTo(400, within(0.5));
    }

    @Test
    void ofASwitchTheFirstPartThatNeedsNoExtensionIsShown() throws Exception {
        ImportedDrawing read =
                svg("<?xml version='1.0'?><!DOCTYPE svg PUBLIC 'a' 'b' [<!ENTITY ns_own 'http://example.org/own'>\n"
                        + "<!ENTITY far SYSTEM 'file:///etc/passwd'>]>"
                        + "<svg xmlns='http://www.w3.org/2000/svg' xmlns:i='&ns_own;' width='200' height='100'>"
                        + "<switch><foreignObject requiredExtensions='&ns_own;' width='1' height='1'><i:data/></foreignObject>"
                        + "<g><rect width='30' height='30'/></g><g><rect width='90' height='90'/></g></switch></svg>");
        assertThat(read.piece().fills()).hasSize(1);
        assertThat(read.piece().fills().get(0).area().area()).isCloseTo(900, within(0.5));
    }

    @Test
    void manyColoursAreAllKept() throws Exception {
        StringBuilder boxes = new StringBuilder(HEAD);
        for (int i = 0; i < 200; i++) {
            boxes.append(String.format("<rect x='%d' width='1' height='9' fill='#%02x40%02x'/>", i, i, 255 - i));
        }
        ImportedDrawing read = svg(boxes + "</svg>");
        assertThat(read.chalks()).hasSize(200);
        assertThat(read.losses()).isEmpty();
    }

    @Test
    void beyondAThousandColoursTheNearestIsShared() throws Exception {
        StringBuilder boxes = new StringBuilder(HEAD);
        for (int i = 0; i < 1001; i++) {
            boxes.append(String.format("<rect width='9' height='9' fill='#%02x%02x00'/>", 8 * (i % 32), 8 * (i / 32)));
        }
        ImportedDrawing read = svg(boxes + "<rect width='9' height='9' fill='#43790a'/></svg>");
        assertThat(read.chalks()).hasSize(1000);
        assertThat(read.losses()).isEqualTo(Map.of(Loss.COLOUR, 2));
        assertThat(chalk(read, read.piece().fills().get(1001).chalk()).color()).isEqualTo(new Rgb(0x40, 0x78, 0));
    }

    /**
     * Clip art of the Open Clip Art Library (in the public domain, Debian's openclipart-svg 0.18), against pictures made by
     * rsvg-convert 2.54.7: apart from edges of one pixel, less than one in a hundred painted pixels differs.
     */
    @ParameterizedTest
    @ValueSource(strings = {"aiga_baggage_lockers1", "frame_spreadsheet", "sakset1", "semaphore_charlie"})
    void clipArtLooksAsAnotherRendererPaintsIt(String name) throws Exception {
        ImportedDrawing read;
        BufferedImage other;
        try (InputStream svg = getClass().getResourceAsStream("clipart/" + name + ".svg");
                InputStream png = getClass().getResourceAsStream("clipart/" + name + ".png")) {
            read = DrawingFiles.svg(Path.of(name + ".svg"), svg.readAllBytes());
            other = ImageIO.read(png);
        }
        PaintedDrawings.Difference difference = PaintedDrawings.difference(read, other);
        assertThat(difference.painted()).isGreaterThan(2_000);
        assertThat(difference.share()).isLessThan(0.01);
    }
}
