package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.PressureCurve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.media.UnreadableException;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DrawingFilesTest {

    private static final String HEAD = "<svg xmlns='http://www.w3.org/2000/svg' width='200' height='100'>";

    @TempDir
    Path folder;

    @Test
    void aDrawingComesBackFromSvgWithoutLoss() throws Exception {
        Chalk dry = new Chalk(
                "chalk-9",
                "soot & \"smoke\"",
                new Rgb(1, 2, 3),
                new LineShape(7.5, 0.1, 30, LineShape.Tip.DRY, 0.2, new PressureCurve(0.1, 0.7, 0.4, 1)),
                0.8,
                Chalk.Role.SELF_LINE);
        Shot shot = Shots.empty();
        shot = shot.withChalks(
                Stream.concat(shot.chalks().stream(), Stream.of(dry)).toList());
        int[] words = {0xFF102030, 0x80FFFFFF, 0, 0xFF000000, 0x01020304, 0xFFABCDEF};
        DrawingPiece piece = new DrawingPiece(
                List.of(new Stroke("chalk-9", Curve.of(1.234, 2, 0.5, 3, 4, 0.6, 5, 6, 0.7, 8, 9, 1), "left eye")),
                List.of(new Fill(
                        shot.chalks().get(0).id(), Contours.of(List.of(new double[] {0, 0, 10, 0, 10.25, 10})))),
                List.of(PastedPicture.at(new Pixels(new PictureSize(3, 2), words), 12.5, -3, 0.75)));

        ImportedDrawing back = DrawingFiles.read(file("own.svg", DrawingFiles.svg(piece, shot)));

        assertThat(back.piece()).isEqualTo(piece);
        assertThat(back.chalks()).containsExactlyInAnyOrder(dry, shot.chalks().get(0));
    }

    @Test
    void linesAndShapesOfOtherProgramsBecomeStrokesAndPaint() throws Exception {
        ImportedDrawing read = svg(HEAD
                + "<style>.ink{fill:none;stroke:#ff0000;stroke-width:4}</style>"
                + "<g transform='translate(10 20) scale(2)'>"
                + "<path class='ink' d='M0 0 C 0 10 20 10 20 0 L 20 -5'/>"
                + "<rect x='1' y='2' width='10' height='5' fill='rgb(0,128,0)' fill-opacity='0.5'/></g>"
                + "<circle cx='50' cy='50' r='10' fill='blue'/></svg>");

        Stroke line = read.piece().strokes().get(0);
        Chalk red = chalk(read, line.chalk());
        assertThat(line.curve().toArray())
                .containsExactly(
                        new double[] {
                            10, 20, 1, 10, 40, 1, 50, 40, 1, 50, 20, 1, 50, 16.667, 1, 50, 13.333, 1, 50, 10, 1
                        },
                        within(0.001));
        assertThat(red.color()).isEqualTo(new Rgb(255, 0, 0));
        assertThat(red.width()).isEqualTo(8);

        Fill box = read.piece().fills().get(0);
        assertThat(box.area().area()).isCloseTo(20 * 10, within(0.01));
        assertThat(chalk(read, box.chalk()).color()).isEqualTo(new Rgb(0, 128, 0));
        assertThat(chalk(read, box.chalk()).opacity()).isCloseTo(0.5, within(0.01));
        assertThat(read.piece().fills().get(1).area().area()).isCloseTo(Math.PI * 100, within(2.0));
    }

    @Test
    void windingMakesHolesAsTheDrawingSays() throws Exception {
        String squares = "M0 0 H40 V40 H0 Z M10 10 H30 V30 H10 Z";
        ImportedDrawing nonZero = svg(HEAD + "<path d='" + squares + "'/></svg>");
        ImportedDrawing evenOdd = svg(HEAD + "<path fill-rule='evenodd' d='" + squares + "'/></svg>");

        assertThat(nonZero.piece().fills().get(0).area().contains(20, 20)).isTrue();
        assertThat(evenOdd.piece().fills().get(0).area().contains(20, 20)).isFalse();
        Shot shot = Shots.empty().withChalks(evenOdd.chalks());
        BufferedImage written = PaintedDrawings.byJava(DrawingSvg.write(
                Drawing.of(1, evenOdd.piece().items()),
                new PictureSize(PaintedDrawings.SIDE, PaintedDrawings.SIDE),
                shot::chalk));
        assertThat(written.getRGB(20, 20)).as("the hole in other programs").isEqualTo(-1);
        assertThat(written.getRGB(5, 20)).isNotEqualTo(-1);
    }

    @Test
    void aDrawingWithoutASizeAndOneWithAViewBoxAreRead() throws Exception {
        ImportedDrawing bare =
                svg("<svg xmlns='http://www.w3.org/2000/svg'><path stroke='red' fill='none' d='M1 1 9 9'/></svg>");
        ImportedDrawing box =
                svg("<svg xmlns='http://www.w3.org/2000/svg' width='200' height='200' viewBox='0 0 20 20'>"
                        + "<path stroke='red' fill='none' d='M1 1 9 9'/></svg>");

        assertThat(bare.piece().strokes()).hasSize(1);
        assertThat(box.piece().strokes().get(0).curve().x(3)).isCloseTo(90, within(0.01));
    }

    @Test
    void whatIsOutsideTheFileIsNeverLookedAt() throws Exception {
        Path secret = file("secret.txt", "TOP-SECRET".getBytes(StandardCharsets.UTF_8));
        String entity = "<!DOCTYPE svg [<!ENTITY x SYSTEM '" + secret.toUri() + "'>]>" + HEAD
                + "<text x='5' y='50'>&x;</text><path d='M0 0 9 9 0 9z'/></svg>";
        String image = HEAD + "<image width='9' height='9' href='" + secret.toUri() + "'/>"
                + "<script>while(true){}</script><path d='M0 0 9 9 0 9z' onload='x()'/></svg>";

        // Either it is refused, or read without the entity; never with what the entity names.
        try {
            assertThat(svg(entity).piece().fills()).hasSize(1);
        } catch (UnreadableException e) {
            assertThat(e.getMessage()).startsWith("drawing.svg ").doesNotContain("TOP-SECRET");
        }
        ImportedDrawing read = svg(image);
        assertThat(read.piece().pictures()).isEmpty();
        assertThat(read.piece().fills()).hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "no drawing at all",
                "<html><body/></html>",
                HEAD + "<path d='M0 0 L 9 9'",
                HEAD + "</svg>",
                HEAD + "<path d='M NaN NaN L Infinity 4' stroke='red'/></svg>",
                HEAD + "<path d='M0 0 L 1e30 1e30' stroke='red'/></svg>",
                "<!DOCTYPE s [<!ENTITY a 'aaaaaaaaaa'><!ENTITY b '&a;&a;&a;&a;&a;&a;'>]>" + HEAD + "&b;</svg>",
                "<svg xmlns='http://www.w3.org/2000/svg' xmlns:c='urn:chalk-trace:drawing:1'><path c:curve='1 2'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg' xmlns:c='urn:chalk-trace:drawing:1'><c:chalk id='x'/></svg>"
            })
    void aDrawingThatMakesNoSenseIsRefusedByName(String text) {
        assertThatThrownBy(() -> svg(text))
                .isInstanceOf(UnreadableException.class)
                .hasMessageStartingWith("drawing.svg ")
                .satisfies(refused -> assertThat(refused.getMessage()).doesNotContain("\n"));
    }

    @Test
    void endlessNestingIsRefused() {
        String deep = HEAD + "<g>".repeat(100_000) + "</g>".repeat(100_000) + "</svg>";

        assertThatThrownBy(() -> svg(deep))
                .isInstanceOf(UnreadableException.class)
                .hasMessageContaining("within each other");
    }

    @Test
    void aPictureBecomesAPictureAndADamagedOneIsRefused() throws Exception {
        Pixels pixels = new Pixels(new PictureSize(2, 1), new int[] {0xFF00FF00, 0x7F123456});
        byte[] png = PngPixels.write(pixels);

        assertThat(DrawingFiles.read(file("a.png", png))
                        .piece()
                        .pictures()
                        .get(0)
                        .pixels())
                .isEqualTo(pixels);
        for (int cut = 0; cut < png.length - 24; cut += 3) {
            Path broken = file("cut.png", Arrays.copyOf(png, cut));
            assertThatThrownBy(() -> DrawingFiles.read(broken))
                    .isInstanceOf(UnreadableException.class)
                    .hasMessageStartingWith("cut.png ");
        }
    }

    private static Chalk chalk(ImportedDrawing read, String id) {
        return read.chalks().stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow();
    }

    private ImportedDrawing svg(String text) throws IOException, UnreadableException {
        return DrawingFiles.read(file("drawing.svg", text.getBytes(StandardCharsets.UTF_8)));
    }

    private Path file(String name, byte[] bytes) throws IOException {
        return Files.write(folder.resolve(name), bytes);
    }

    /** A pen whose pressure is noisy by five per cent makes no large files. */
    @Test
    void strokesOfANoisyPenAreWrittenInFewBytes() {
        SplittableRandom random = new SplittableRandom(8);
        Chalk chalk = Shots.empty().chalks().get(0).withWidth(12);
        List<DrawingItem> strokes = new ArrayList<>();
        for (int n = 0; n < 18; n++) {
            Ink ink = new Ink(chalk.id(), Ink.USUAL_STEADINESS, 1, chalk.line().pressureShown());
            for (int i = 0; i <= 400; i++) {
                double noise = 0.05 * 3.4 * (random.nextDouble() - 0.5);
                ink.add(new PenSample(100 + 2 * i, 100 + 20 * n + 40 * Math.sin(i / 50.0 + n), 0.5 + noise, i * 0.005));
            }
            strokes.add(new DrawingItem.Line(ink.finish()));
        }
        Shot shot = Shots.empty().withChalks(List.of(chalk));
        assertThat(DrawingFiles.svg(new DrawingPiece(strokes), shot).length).isLessThan(150_000);
    }
}
