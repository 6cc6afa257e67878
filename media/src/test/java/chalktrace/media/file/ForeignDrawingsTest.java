package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.LineEnds;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRate;
import chalktrace.media.file.ImportedDrawing.Loss;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Drawings of other programs keep their order, lines, clips and choices; what can't be kept is told. */
class ForeignDrawingsTest {

    private static final String HEAD = "<svg xmlns='http://www.w3.org/2000/svg' width='200' height='100'>";
    private static final int SIDE = 240;

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
    void aGradientBecomesItsAverageAndIsTold() throws Exception {
        ImportedDrawing read = svg(HEAD + "<defs><linearGradient id='g'><stop offset='0' stop-color='#000'/>"
                + "<stop offset='1' stop-color='#fff'/></linearGradient></defs>"
                + "<rect width='90' height='90' fill='url(#g)'/><text x='5' y='5'>no</text></svg>");
        Rgb color = chalk(read, read.piece().fills().get(0).chalk()).color();
        assertThat(color.red()).isBetween(126, 129);
        assertThat(read.losses()).containsExactlyInAnyOrderEntriesOf(Map.of(Loss.GRADIENT, 1, Loss.TEXT, 1));
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
        int[] theirs = other.getRGB(0, 0, SIDE, SIDE, null, 0, SIDE);
        int[] ours = painted(read);
        int painted = 0;
        int differ = 0;
        for (int i = 0; i < ours.length; i++) {
            painted += ours[i] != -1 || theirs[i] != -1 ? 1 : 0;
            differ += isNear(ours[i], theirs, i) && isNear(theirs[i], ours, i) ? 0 : 1;
        }
        assertThat(painted).isGreaterThan(2_000);
        assertThat(differ / (double) painted).isLessThan(0.01);
    }

    private static int[] painted(ImportedDrawing read) {
        double scaleX = SIDE / read.width();
        double scaleY = SIDE / read.height();
        List<DrawingItem> items = read.piece()
                .transformed(AffineTransform.getScaleInstance(scaleX, scaleY))
                .items();
        Shot shot = Shot.empty("t", new ShotSetup(FrameRate.FILM, new PictureSize(SIDE, SIDE), 1, 1, Rgb.WHITE))
                .withChalks(read.chalks().stream()
                        .map(chalk -> chalk.withLine(chalk.line().scaled(Math.sqrt(scaleX * scaleY))))
                        .toList())
                .withLevels(List.of(Level.empty("l", "l")
                        .with(Drawing.of(1, items))
                        .with(new Exposures(List.of(Exposure.of(0, 1, 1))))));
        return new FrameComposer(new RasterCache(1 << 24), Rgb.WHITE)
                .composeWhole(Scenes.of(shot, 0, SceneOptions.export(false), (footage, frame) -> Optional.empty()));
    }

    /** Whether a colour is found at a place or right beside it. */
    private static boolean isNear(int color, int[] words, int at) {
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                int x = at % SIDE + dx;
                int y = at / SIDE + dy;
                if (x >= 0 && y >= 0 && x < SIDE && y < SIDE && difference(color, words[y * SIDE + x]) < 40) {
                    return true;
                }
            }
        }
        return false;
    }

    private static int difference(int a, int b) {
        int most = 0;
        for (int shift = 0; shift <= 16; shift += 8) {
            most = Math.max(most, Math.abs((a >> shift & 255) - (b >> shift & 255)));
        }
        return most;
    }
}
