package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SchneiderFit;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import java.awt.image.BufferedImage;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Drawings of all kinds of shapes look as Java's own painter shows them, when they are read and when they are written. */
class AnyDrawingTest {

    private static final int SIDE = PaintedDrawings.SIDE;

    /** Java cuts by whole pixels, which shows along the edge of a clip, and dashes may lie a pixel farther along a long line. */
    private static final double ALIKE = 0.03;

    @Property(tries = 60, edgeCases = EdgeCasesMode.NONE)
    void whatIsReadLooksAsItsFileDoes(@ForAll long seed) throws Exception {
        byte[] svg = drawing(new Random(seed));
        PaintedDrawings.Difference difference =
                PaintedDrawings.difference(DrawingFiles.svg(Path.of("any.svg"), svg), PaintedDrawings.byJava(svg));
        assertThat(difference.painted()).isPositive();
        assertThat(difference.share())
                .as(new String(svg, StandardCharsets.UTF_8))
                .isLessThan(ALIKE);
    }

    @Property(tries = 30, edgeCases = EdgeCasesMode.NONE)
    void whatIsWrittenLooksTheSameInOtherPrograms(@ForAll long seed) throws Exception {
        ImportedDrawing read = DrawingFiles.svg(Path.of("any.svg"), drawing(new Random(seed)));
        Shot shot = Shots.empty().withChalks(read.chalks());
        byte[] written =
                DrawingSvg.write(Drawing.of(1, read.piece().items()), new PictureSize(SIDE, SIDE), shot::chalk);
        BufferedImage theirs = PaintedDrawings.byJava(written);
        assertThat(PaintedDrawings.difference(read, theirs).share()).isLessThan(0.01);
    }

    @Property(tries = 20, edgeCases = EdgeCasesMode.NONE)
    void whatFadesWithPressureFadesInOtherProgramsToo(@ForAll long seed) throws Exception {
        Random random = new Random(seed);
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i <= 60; i++) {
            double t = i / 60.0;
            samples.add(new PenSample(
                    20 + 200 * t, 120 + 70 * Math.sin(5 * t + seed % 7), 0.5 + 0.45 * Math.sin(7 * t), i / 60.0));
        }
        Chalk chalk = new Chalk(
                "soft", "soft", new Rgb(120, 30, 30), 6 + random.nextInt(20), 0.4 + 0.6 * random.nextDouble());
        Chalk fading = chalk.withLine(chalk.line().withFaintest(0.6 * random.nextDouble()));
        Stroke stroke = new Stroke("soft", SchneiderFit.fit(samples, 0.6));
        DrawingPiece piece = new DrawingPiece(List.of(new DrawingItem.Line(stroke)));
        Shot shot = Shots.empty().withChalks(List.of(fading));
        byte[] written = DrawingSvg.write(Drawing.of(1, piece.items()), new PictureSize(SIDE, SIDE), shot::chalk);
        ImportedDrawing own = new ImportedDrawing(piece, List.of(fading), SIDE, SIDE, Map.of());
        assertThat(PaintedDrawings.difference(own, PaintedDrawings.byJava(written))
                        .share())
                .isLessThan(0.01);
    }

    private static byte[] drawing(Random random) {
        StringBuilder out = new StringBuilder("<svg xmlns='http://www.w3.org/2000/svg' width='" + SIDE + "' height='"
                + SIDE + "'>" + "<defs><clipPath id='c'><circle cx='120' cy='120' r='90'/></clipPath>"
                + gradient(random, "g0") + gradient(random, "g1") + gradient(random, "g2") + "</defs>");
        for (int i = 0; i < 8; i++) {
            String group = text(
                    "<g transform='translate(%s %s) rotate(%s) scale(%s %s)'>",
                    random.nextInt(60),
                    random.nextInt(60),
                    random.nextInt(40) - 20,
                    0.6 + random.nextDouble(),
                    random.nextInt(3) == 0 ? 0.6 + random.nextDouble() : 1);
            out.append(random.nextInt(4) == 0 ? "<g clip-path='url(#c)'>" : "<g>")
                    .append(group);
            String shape = shape(random);
            // Java starts the dashes of rounded rectangles elsewhere than SVG does; they have a test of their own.
            String look =
                    shape.startsWith("rect") ? look(random, "none") : look(random, "none", "none", "12 7", "9 4 2");
            out.append('<').append(shape).append(look).append("/></g></g>");
        }
        return out.append("</svg>").toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String shape(Random random) {
        int x = random.nextInt(100);
        int y = random.nextInt(100);
        int wide = 20 + random.nextInt(90);
        int high = 20 + random.nextInt(90);
        return switch (random.nextInt(6)) {
            case 0 ->
                text(
                        "rect x='%s' y='%s' width='%s' height='%s' rx='%s' ry='%s'",
                        x, y, wide, high, random.nextInt(30), random.nextInt(30));
            case 1 -> text("ellipse cx='%s' cy='%s' rx='%s' ry='%s'", x + 20, y + 20, wide / 2, high / 2);
            case 2 -> text("polyline points='%s,%s %s,%s %s,%s'", x, y, x + wide, y + 9, x + 5, y + high);
            case 3 ->
                text(
                        "path d='M%s %s Q%s %s %s %s t%s 10%s'",
                        x, y, x + wide, y, x + wide, y + high, -wide / 2, random.nextBoolean() ? " Z" : "");
            default ->
                text(
                        "path d='M%s %s C%s %s %s %s %s %s L%s %s Z m8 8 h12 v10 %s'",
                        x,
                        y,
                        x + 2 * wide,
                        y,
                        x - wide,
                        y + high,
                        x + wide,
                        y + high,
                        x,
                        y + high / 2,
                        random.nextBoolean() ? "z" : "");
        };
    }

    private static String look(Random random, String... dashes) {
        boolean filled = random.nextBoolean();
        String fill = !filled ? "none" : random.nextInt(3) == 0 ? "url(#g" + random.nextInt(3) + ")" : color(random);
        String line = filled && random.nextBoolean() ? "none" : color(random);
        return text(
                " fill='%s' stroke='%s' fill-rule='%s' opacity='%s' stroke-width='%s' stroke-linecap='%s'"
                        + " stroke-linejoin='%s' stroke-miterlimit='%s' stroke-dasharray='%s' stroke-dashoffset='%s'",
                fill,
                line,
                random.nextBoolean() ? "evenodd" : "nonzero",
                !line.equals("none") && filled || random.nextBoolean() ? 1 : 0.3 + 0.6 * random.nextDouble(),
                1 + 9 * random.nextDouble(),
                one(random, "butt", "round", "square"),
                one(random, "miter", "round", "bevel"),
                2 + random.nextInt(6),
                one(random, dashes),
                random.nextInt(9));
    }

    private static String gradient(Random random, String id) {
        boolean linear = random.nextBoolean();
        String units = random.nextBoolean() ? "objectBoundingBox" : "userSpaceOnUse";
        double size = units.equals("objectBoundingBox") ? 1 : 120;
        String place = linear
                ? text(
                        "x1='%s' y1='%s' x2='%s' y2='%s'",
                        size * 0.3 * random.nextDouble(),
                        size * 0.3 * random.nextDouble(),
                        size * (0.6 + 0.4 * random.nextDouble()),
                        size * random.nextDouble())
                : text(
                        "cx='%s' cy='%s' r='%s' fx='%s' fy='%s'",
                        size * 0.5,
                        size * 0.5,
                        size * (0.3 + 0.3 * random.nextDouble()),
                        size * (0.4 + 0.2 * random.nextDouble()),
                        size * (0.4 + 0.2 * random.nextDouble()));
        StringBuilder out = new StringBuilder(text(
                "<%s id='%s' gradientUnits='%s' spreadMethod='%s' gradientTransform='rotate(%s)' %s>",
                linear ? "linearGradient" : "radialGradient",
                id,
                units,
                one(random, "pad", "reflect", "repeat"),
                random.nextInt(20),
                place));
        double offset = 0;
        for (int i = 0; i < 2 + random.nextInt(3); i++) {
            out.append(text(
                    "<stop offset='%s' stop-color='%s' stop-opacity='%s'/>",
                    offset, color(random), random.nextBoolean() ? 1 : random.nextDouble()));
            offset = Math.min(1, offset + 0.6 * random.nextDouble());
        }
        return out.append(linear ? "</linearGradient>" : "</radialGradient>").toString();
    }

    private static String one(Random random, String... of) {
        return of[random.nextInt(of.length)];
    }

    private static String color(Random random) {
        return String.format("#%06x", random.nextInt(1 << 24));
    }

    private static String text(String form, Object... values) {
        return String.format(Locale.ROOT, form, values);
    }
}
