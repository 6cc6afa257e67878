package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.ChalkEdits;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.AfterEdits;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FrameComposerTest {

    private static final int WIDTH = 320;
    private static final int HEIGHT = 180;
    private static final int YELLOW = 0xFFF2D13C;
    private static final FootagePictures NO_FOOTAGE = (footage, frame) -> Optional.empty();
    private static final SceneOptions EXPORT = SceneOptions.export(true);
    private static final SceneOptions ONION =
            new SceneOptions(true, Optional.of(OnionSkin.usual(Shots.LEVEL)), Optional.empty(), Optional.empty());

    private static int[] whole(Shot shot, int frame, SceneOptions options, FootagePictures pictures) {
        return composer().composeWhole(Scenes.of(shot, frame, options, pictures));
    }

    private static FrameComposer composer() {
        return new FrameComposer(new RasterCache(1 << 24), new Rgb(10, 20, 30));
    }

    private static int at(int[] pixels, int x, int y) {
        return pixels[y * WIDTH + x];
    }

    /** The middle of the line of drawing n lies at y = 20 n. */
    private static Shot lines(Exposure... runs) {
        return Shots.showing(runs);
    }

    @Test
    void aDrawingThatWasPaintedOnceFollowsItsChalk() {
        FrameComposer composer = composer();
        Shot shot = lines(Exposure.of(0, 2, 1));
        assertThat(at(composer.composeWhole(Scenes.of(shot, 0, EXPORT, NO_FOOTAGE)), 50, 20))
                .isEqualTo(YELLOW);
        Shot blue =
                AfterEdits.after(shot, ChalkEdits.change(shot.chalks().get(0).withColor(new Rgb(0, 0, 255))));
        assertThat(at(composer.composeWhole(Scenes.of(blue, 0, EXPORT, NO_FOOTAGE)), 50, 20))
                .isEqualTo(0xFF0000FF);
        assertThat(at(composer.composeWhole(Scenes.of(shot, 0, EXPORT, NO_FOOTAGE)), 50, 20))
                .isEqualTo(YELLOW);
    }

    @Test
    void aDrawingShowsOnItsFramesInItsChalkAndOnNoOther() {
        Shot shot = lines(Exposure.of(4, 2, 1));
        assertThat(at(whole(shot, 4, EXPORT, NO_FOOTAGE), 50, 20)).isEqualTo(YELLOW);
        assertThat(at(whole(shot, 5, EXPORT, NO_FOOTAGE), 50, 20)).isEqualTo(YELLOW);
        assertThat(at(whole(shot, 6, EXPORT, NO_FOOTAGE), 50, 20)).isEqualTo(0xFFFFFFFF);
        assertThat(at(whole(shot, 4, EXPORT, NO_FOOTAGE), 50, 60)).isEqualTo(0xFFFFFFFF);
    }

    @Test
    void oneDrawingCanBeShiftedAndFadedInOneShowingOnly() {
        Shot shot = lines(
                Exposure.of(0, 1, 1),
                new Exposure(1, 1, 1, Placement.AS_IS.withPosition(0, 40).withOpacity(0.5)));
        assertThat(at(whole(shot, 0, EXPORT, NO_FOOTAGE), 50, 20)).isEqualTo(YELLOW);
        int[] shifted = whole(shot, 1, EXPORT, NO_FOOTAGE);
        assertThat(at(shifted, 50, 20)).isEqualTo(0xFFFFFFFF);
        // Half yellow, half white paper.
        int word = at(shifted, 50, 60);
        assertThat(word >> 16 & 255).isBetween(0xF7, 0xFA);
        assertThat(word & 255).isBetween(0x9B, 0x9F);
    }

    @Test
    void tilesAreExactlyPiecesOfTheWhole() {
        Shot shot = lines(Exposure.of(0, 1, 3));
        Scene scene = Scenes.of(shot, 0, EXPORT, NO_FOOTAGE);
        Viewpoint view = new Viewpoint(1.37, 0, -20.3, 11.8, 400, 260);
        int[] once = new int[400 * 260];
        composer().compose(scene, view, PixelTile.whole(once, 400, 260));
        int[] inTiles = new int[400 * 260];
        FrameComposer composer = composer();
        for (int y = 0; y < 260; y += 64) {
            for (int x = 0; x < 400; x += 64) {
                int w = Math.min(64, 400 - x);
                int h = Math.min(64, 260 - y);
                composer.compose(scene, view, new PixelTile(inTiles, y * 400 + x, 400, x, y, w, h));
            }
        }
        assertThat(inTiles).isEqualTo(once);
    }

    @Test
    void whatIsDrawnBesideThePictureShowsDimmedAndStaysOutOfAnExport() {
        Shot shot = lines(Exposure.of(0, 1, 1))
                .withLevel(Shots.LEVEL, level -> level.with(new Drawing(1, List.of(Strokes.line(-30, 20, 100, 20)))));
        int[] board = new int[400 * 260];
        composer()
                .compose(
                        Scenes.of(shot, 0, ONION, NO_FOOTAGE),
                        new Viewpoint(1, 0, 40, 40, 400, 260),
                        PixelTile.whole(board, 400, 260));
        assertThat(board[60 * 400 + 90]).as("on the picture").isEqualTo(YELLOW);
        int beside = board[60 * 400 + 20];
        assertThat(beside).isNotEqualTo(YELLOW).isNotEqualTo(0xFF0A141E);
        assertThat(beside >> 16 & 255).as("between chalk and surround").isBetween(0x40, 0x90);
        assertThat(board[5 * 400 + 5]).as("nothing there").isEqualTo(0xFF0A141E);
    }

    @Test
    void aTurnedPaperHasTurnedEdges() {
        int[] board = new int[400 * 400];
        Viewpoint turned = new Viewpoint(1, 30, 0, 0, 400, 400).moved(120, 40);
        composer().compose(Scenes.of(Shots.empty(), 0, EXPORT, NO_FOOTAGE), turned, PixelTile.whole(board, 400, 400));
        for (int i = 0; i < board.length; i++) {
            Point2D place = turned.toShot(i % 400 + 0.5, i / 400 + 0.5);
            boolean onPaper = place.getX() >= 0 && place.getX() < WIDTH && place.getY() >= 0 && place.getY() < HEIGHT;
            assertThat(board[i]).as("%s", place).isEqualTo(onPaper ? 0xFFFFFFFF : 0xFF0A141E);
        }
    }

    @Test
    void onionSkinShowsTheNeighboursAndStaysOutOfAnExport() {
        Shot shot = lines(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 3));
        int[] onion = whole(shot, 2, ONION, NO_FOOTAGE);
        int[] export = whole(shot, 2, EXPORT, NO_FOOTAGE);
        assertThat(at(onion, 50, 20)).isNotEqualTo(0xFFFFFFFF);
        assertThat(at(export, 50, 20)).isEqualTo(0xFFFFFFFF);
        assertThat(at(export, 50, 60)).isEqualTo(0xFFFFFFFF);
        // The later neighbour is broken: along its line there is ink and there is none.
        long inked = Arrays.stream(onion, 60 * WIDTH + 15, 60 * WIDTH + 95)
                .filter(word -> word != 0xFFFFFFFF)
                .count();
        assertThat(inked).isBetween(20L, 70L);
    }

    @Test
    void aHiddenGroupHidesItsLevel() {
        Shot shot = lines(Exposure.of(0, 1, 1))
                .withGroups(List.of(new LevelGroup("group-1", "figure", List.of(Shots.LEVEL), false, false, 1, false)));
        assertThat(at(whole(shot, 0, EXPORT, NO_FOOTAGE), 50, 20)).isEqualTo(0xFFFFFFFF);
    }

    @Test
    void footageFillsThePictureAndIsFadedLightenedAndLeftOut() {
        PictureSize size = new PictureSize(WIDTH, HEIGHT);
        int[] red = new int[WIDTH * HEIGHT];
        Arrays.fill(red, 0xFFC00000);
        FootagePictures pictures =
                (clip, frame) -> Optional.of(new FootagePictures.Shown(new ArgbPicture(size, red), size, 0));
        Footage clip =
                Footage.of("footage-1", "clip", "/clip.mp4", Conform.whole(0, PictureTimes.even(FrameRate.FILM, 48)));
        Shot shot = Shots.empty().withFootage(List.of(clip));
        assertThat(at(whole(shot, 0, EXPORT, pictures), 3, 3)).isEqualTo(0xFFC00000);
        assertThat(at(whole(shot, 0, SceneOptions.export(false), pictures), 3, 3))
                .isEqualTo(0xFFFFFFFF);
        Shot faded = shot.withFootage("footage-1", c -> c.withPlacement(Placement.AS_IS.withOpacity(0.5)));
        assertHalfWay(at(whole(faded, 0, EXPORT, pictures), 3, 3));
        Shot light = shot.withFootage("footage-1", c -> c.withLook(Footage.Look.AS_IS.withLighten(0.5)));
        assertHalfWay(at(whole(light, 0, EXPORT, pictures), 3, 3));
        Shot grey = shot.withFootage("footage-1", c -> c.withLook(Footage.Look.AS_IS.withTint(1)));
        int tinted = at(whole(grey, 0, EXPORT, pictures), 3, 3);
        assertThat(tinted & 255).as("shades of the tint's blue").isGreaterThan(tinted >> 16 & 255);
    }

    /** A clip whose left half is red and whose right half is blue. */
    private static FootagePictures redAndBlue() {
        PictureSize size = new PictureSize(WIDTH, HEIGHT);
        int[] words = new int[WIDTH * HEIGHT];
        for (int i = 0; i < words.length; i++) {
            words[i] = i % WIDTH < WIDTH / 2 ? 0xFFC00000 : 0xFF0000C0;
        }
        return (clip, frame) -> Optional.of(new FootagePictures.Shown(new ArgbPicture(size, words), size, 0));
    }

    private static Footage halves() {
        return Footage.of("footage-1", "halves", "/clip.mp4", Conform.whole(0, PictureTimes.even(FrameRate.FILM, 48)));
    }

    @Test
    void mirroredFootageExchangesLeftAndRight() {
        Shot shot = Shots.empty().withFootage(List.of(halves().withMirrored(true)));
        int[] mirrored = whole(shot, 0, EXPORT, redAndBlue());
        assertThat(at(mirrored, 0, 5)).isEqualTo(0xFF0000C0);
        assertThat(at(mirrored, WIDTH / 2 - 1, 5)).isEqualTo(0xFF0000C0);
        assertThat(at(mirrored, WIDTH / 2, 5)).isEqualTo(0xFFC00000);
        assertThat(at(mirrored, WIDTH - 1, 5)).isEqualTo(0xFFC00000);
    }

    @Test
    void footageLiesOverTheDrawingsWhenItIsToldTo() {
        Shot under = lines(Exposure.of(0, 1, 1)).withFootage(List.of(halves()));
        Shot over = under.withFootage("footage-1", clip -> clip.withWhere(Footage.Where.OVER_DRAWINGS));
        assertThat(at(whole(under, 0, EXPORT, redAndBlue()), 50, 20)).isEqualTo(YELLOW);
        assertThat(at(whole(over, 0, EXPORT, redAndBlue()), 50, 20)).isEqualTo(0xFFC00000);
    }

    @Test
    void footageWithoutSaturationIsGreyOfItsLightness() {
        Shot shot = Shots.empty().withFootage(List.of(halves().withLook(Footage.Look.AS_IS.withSaturation(0))));
        int grey = at(whole(shot, 0, EXPORT, redAndBlue()), 3, 3) & 0xFFFFFF;
        // ITU-R BT.709 luma of (192, 0, 0): 0.2126 x 192 = 40.8.
        assertThat(grey & 255).isBetween(39, 41);
        assertThat(grey).isEqualTo((grey & 255) * 0x010101);
    }

    /** IEC 61966-2-1: 192 of 255 is 0.527 of the light; half of that is 0.264, which is 140. */
    @Test
    void footageAtHalfTheLightIsAStopDarker() {
        Shot shot = Shots.empty().withFootage(List.of(halves().withLook(Footage.Look.AS_IS.withExposure(-1))));
        int red = at(whole(shot, 0, EXPORT, redAndBlue()), 3, 3);
        assertThat(red >> 16 & 255).isBetween(139, 141);
        assertThat(red & 0xFFFF).isZero();
    }

    /** Between the red 0xC00000 and white, to the nearest step. */
    private static void assertHalfWay(int word) {
        assertThat(word >> 16 & 255).isBetween(0xDF, 0xE0);
        assertThat(word >> 8 & 255).isBetween(0x7F, 0x80);
        assertThat(word & 255).isBetween(0x7F, 0x80);
    }

    @Test
    void aPictureThatLiesOnItsSideIsTurnedUpright() {
        // A phone's picture: stored 4 wide and 2 high, to be turned a quarter counter-clockwise.
        int[] stored = new int[8];
        Arrays.fill(stored, 0xFF000000);
        stored[3] = 0xFF00FF00;
        ArgbPicture picture = new ArgbPicture(new PictureSize(4, 2), stored);
        PictureSize seen = new PictureSize(2, 4);
        int[] upright = composer()
                .composeWhole(new Scene(
                        seen,
                        List.of(new FootageLayer(
                                new FootagePictures.Shown(picture, seen, 90),
                                Placement.AS_IS,
                                Footage.Look.AS_IS,
                                false))));
        // The upper right corner of what is stored becomes the upper left corner of what is seen.
        assertThat(upright[0]).isEqualTo(0xFF00FF00);
        assertThat(Arrays.stream(upright).filter(word -> word == 0xFF00FF00)).hasSize(1);
    }

    @Test
    void aPartOfASheetFillsThePictureAndTheRestDoesNotShow() {
        // Four quarters: red, green, blue, white.
        ArgbPicture sheet = new ArgbPicture(new PictureSize(320, 180), quarters(320, 180));
        Footage still = Footage.of("f", "sheet", "/sheet.png", new Conform(0, 0, 1, 1, Conform.Pace.HELD));
        FootagePictures pictures = (footage, frame) -> Optional.of(new FootagePictures.Shown(
                sheet, sheet.size(), 0, frame == 0 ? new Region(0.5, 0, 0.5, 0.5) : new Region(0, 0.5, 0.5, 0.5)));
        Shot shot = Shots.empty().withFootage(List.of(still));
        int[] first = whole(shot, 0, EXPORT, pictures);
        int[] second = whole(shot, 1, EXPORT, pictures);
        for (int[] place : new int[][] {{1, 1}, {318, 1}, {1, 178}, {318, 178}}) {
            assertThat(at(first, place[0], place[1])).isEqualTo(0xFF00FF00);
            assertThat(at(second, place[0], place[1])).isEqualTo(0xFF0000FF);
        }
        int[] turned = whole(
                shot.withFootage(
                        "f", f -> f.withPlacement(f.placement().withDegrees(45).withScale(0.5))),
                0,
                EXPORT,
                pictures);
        assertThat(turned).contains(0xFF00FF00).doesNotContain(0xFFFF0000, 0xFF0000FF);
    }

    @Test
    void aStillBesideTheBoardIsNotOnThePictureAndFitsItsOwnPlace() {
        ArgbPicture sheet = new ArgbPicture(new PictureSize(100, 100), quarters(100, 100));
        Footage still = Footage.of("f", "sheet", "/sheet.png", new Conform(0, 0, 1, 1, Conform.Pace.HELD))
                .withWhere(Footage.Where.BESIDE_BOARD)
                .withPlacement(Placement.AS_IS.withPosition(900, 900));
        FootagePictures pictures = (footage, frame) -> Optional.of(new FootagePictures.Shown(sheet, sheet.size(), 0));
        assertThat(whole(Shots.empty().withFootage(List.of(still)), 0, EXPORT, pictures))
                .containsOnly(0xFFFFFFFF);
        int[] beside = composer()
                .composeWhole(Scenes.beside(still, 0, new PictureSize(50, 200), pictures)
                        .orElseThrow());
        assertThat(beside[(100 - 20) * 50 + 5]).isEqualTo(0xFFFF0000);
        assertThat(beside[(100 + 20) * 50 + 5]).isEqualTo(0xFF0000FF);
    }

    /** A square of paint in the second chalk (brick), from 100 to 140 each way, on a level under the lines. */
    private static Shot painted(UnaryOperator<LevelStyle> style) {
        Contours square = Contours.of(List.of(new double[] {100, 100, 140, 100, 140, 140, 100, 140}));
        Drawing paint = new Drawing(1, List.of(), List.of(new Fill("chalk-2", square)));
        Level level = Level.empty("level-2", "paint")
                .with(paint)
                .with(Exposures.of(Exposure.of(0, 1, 1)))
                .withStyle(style.apply(LevelStyle.ROUGH));
        Shot lines = Shots.empty();
        return lines.withLevels(List.of(Shots.level(lines), level));
    }

    @Test
    void paintShowsInItsChalkAndFollowsIt() {
        Shot shot = painted(style -> style);
        assertThat(at(whole(shot, 0, EXPORT, NO_FOOTAGE), 120, 120)).isEqualTo(0xFFD2543A);
        assertThat(at(whole(shot, 0, EXPORT, NO_FOOTAGE), 99, 120)).isEqualTo(0xFFFFFFFF);
        Shot green = shot.withChalks(shot.chalks().stream()
                .map(chalk -> chalk.withColor(new Rgb(0, 200, 0)))
                .toList());
        assertThat(at(whole(green, 0, EXPORT, NO_FOOTAGE), 120, 120)).isEqualTo(0xFF00C800);
    }

    @Test
    void aTintedLevelShowsInOneColourAndAShadowDarkensWhatIsUnderIt() {
        Shot tinted = painted(style -> style.withTint(Optional.of(new Rgb(10, 20, 200))));
        assertThat(at(whole(tinted, 0, EXPORT, NO_FOOTAGE), 120, 120)).isEqualTo(0xFF0A14C8);
        Shot shadow = painted(style -> style.withMultiply(true))
                .withSetup(Shots.empty().setup().withPaper(new Rgb(128, 128, 128)));
        // By arithmetic: 128 times D2, 54, 3A in parts of 255.
        assertThat(at(whole(shadow, 0, EXPORT, NO_FOOTAGE), 120, 120)).isEqualTo(0xFF692A1D);
    }

    @Test
    void aClippedLevelShowsOnlyWithinTheOneUnderIt() {
        Shot shot = painted(style -> style);
        Drawing line = new Drawing(1, List.of(Strokes.line(80, 120, 160, 120)));
        Shot over = shot.withLevel(Shots.LEVEL, level -> level.with(line)
                .with(Exposures.of(Exposure.of(0, 1, 1)))
                .withStyle(LevelStyle.ROUGH.withClipped(true)));
        int[] pixels = whole(over, 0, EXPORT, NO_FOOTAGE);
        assertThat(at(pixels, 120, 120)).isEqualTo(YELLOW);
        assertThat(at(pixels, 90, 120)).as("beyond the paint").isEqualTo(0xFFFFFFFF);
        Shot alone = over.withLevel("level-2", level -> level.with(Exposures.NONE));
        assertThat(whole(alone, 0, EXPORT, NO_FOOTAGE)).containsOnly(0xFFFFFFFF);
    }

    @Test
    void linesThatOnlyBoundAreasStayOutOfAnExport() {
        Shot shot = lines(Exposure.of(0, 1, 1));
        Shot bounding = shot.withChalks(shot.chalks().stream()
                .map(chalk -> chalk.id().equals("chalk-1") ? chalk.withRole(Chalk.Role.BOUNDARY) : chalk)
                .toList());
        assertThat(at(whole(bounding, 0, ONION, NO_FOOTAGE), 50, 20)).isEqualTo(Chalk.SIGNAL.argb());
        assertThat(at(whole(bounding, 0, EXPORT, NO_FOOTAGE), 50, 20)).isEqualTo(0xFFFFFFFF);
    }

    @Test
    void aSelfLineTakesOnTheColourOfThePaintBesideItInAnExport() {
        Contours below = Contours.of(List.of(new double[] {5, 21, 105, 21, 105, 60, 5, 60}));
        Shot shot = lines(Exposure.of(0, 1, 1))
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(new Drawing(
                                1, List.of(Strokes.line(10, 20, 100, 20)), List.of(new Fill("chalk-3", below)))));
        Shot self = shot.withChalks(shot.chalks().stream()
                .map(chalk -> chalk.id().equals("chalk-1") ? chalk.withRole(Chalk.Role.SELF_LINE) : chalk)
                .toList());
        assertThat(at(whole(self, 0, ONION, NO_FOOTAGE), 50, 20)).isEqualTo(Chalk.SIGNAL.argb());
        assertThat(at(whole(self, 0, EXPORT, NO_FOOTAGE), 50, 20))
                .isEqualTo(self.chalk("chalk-3").color().argb());
        Shot bare = self.withLevel(
                Shots.LEVEL, level -> level.with(new Drawing(1, List.of(Strokes.line(10, 20, 100, 20)))));
        assertThat(at(whole(bare, 0, EXPORT, NO_FOOTAGE), 50, 20))
                .as("no paint beside it")
                .isEqualTo(0xFFFFFFFF);
    }

    @Test
    void pressureFadesALineEvenlyAndWithoutSeams() {
        Shot shot = lines(Exposure.of(0, 1, 1));
        LineShape fading = LineShape.round(12).withThinnest(1).withFaintest(0);
        // From nothing to all along 200 pixels; half way the colour is half of the chalk's over white.
        Curve rising = Curve.of(20, 90, 0, 86.667, 90, 1 / 3.0, 153.333, 90, 2 / 3.0, 220, 90, 1);
        Shot faded = shot.withChalks(shot.chalks().stream()
                        .map(chalk -> chalk.withLine(fading).withColor(new Rgb(0, 0, 0)))
                        .toList())
                .withLevel(Shots.LEVEL, level -> level.with(new Drawing(1, List.of(new Stroke("chalk-1", rising)))));
        int[] pixels = whole(faded, 0, EXPORT, NO_FOOTAGE);
        int before = 255;
        for (int x = 24; x < 216; x++) {
            int grey = at(pixels, x, 90) & 255;
            assertThat(grey).isLessThanOrEqualTo(before + 1).isGreaterThan(before - 11);
            before = grey;
        }
        assertThat(at(pixels, 120, 90) & 255).isBetween(118, 138);
    }

    @Test
    void aPictureInADrawingLiesUnderItsPaintPixelForPixel() {
        Pixels pixels = new Pixels(new PictureSize(2, 2), new int[] {0xFF0000FF, 0xFF00FF00, 0xFFFF0000, 0});
        Contours right = Contours.of(List.of(new double[] {61, 50, 62, 50, 62, 52, 61, 52}));
        Drawing drawing = new Drawing(
                1, List.of(), List.of(new Fill("chalk-1", right)), List.of(PastedPicture.at(pixels, 60, 50, 1)));
        Shot shot = lines(Exposure.of(0, 1, 1)).withLevel(Shots.LEVEL, level -> level.with(drawing));
        int[] all = whole(shot, 0, EXPORT, NO_FOOTAGE);
        assertThat(at(all, 60, 50)).isEqualTo(0xFF0000FF);
        assertThat(at(all, 60, 51)).isEqualTo(0xFFFF0000);
        assertThat(at(all, 61, 50)).isEqualTo(YELLOW);
        assertThat(at(all, 62, 50)).isEqualTo(0xFFFFFFFF);
    }

    @Test
    void aMirroredViewShowsTheSamePixelsTheOtherWayRound() {
        Shot shot = lines(Exposure.of(0, 1, 2));
        Scene scene = Scenes.of(shot, 0, EXPORT, NO_FOOTAGE);
        int[] plain = composer().composeWhole(scene);
        int[] mirrored = new int[WIDTH * HEIGHT];
        composer()
                .compose(scene, Viewpoint.plain(WIDTH, HEIGHT).turnedOver(), PixelTile.whole(mirrored, WIDTH, HEIGHT));
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                assertThat(at(mirrored, WIDTH - 1 - x, y)).isEqualTo(at(plain, x, y));
            }
        }
    }

    @Test
    void dryChalkHasAGrainThatIsTheSameEachTimeAndLiesStillUnderAView() {
        Shot shot = lines(Exposure.of(0, 1, 1));
        Shot dry = shot.withChalks(shot.chalks().stream()
                .map(chalk -> chalk.withLine(chalk.line().withWidth(30).withTip(LineShape.Tip.DRY)))
                .toList());
        int[] pixels = whole(dry, 0, EXPORT, NO_FOOTAGE);
        long different =
                IntStream.range(20, 90).map(x -> at(pixels, x, 20)).distinct().count();
        assertThat(different).isGreaterThan(10);
        assertThat(whole(dry, 0, EXPORT, NO_FOOTAGE)).isEqualTo(pixels);
        int[] moved = new int[WIDTH * HEIGHT];
        composer()
                .compose(
                        Scenes.of(dry, 0, EXPORT, NO_FOOTAGE),
                        new Viewpoint(1, 0, 7, 5, WIDTH, HEIGHT),
                        PixelTile.whole(moved, WIDTH, HEIGHT));
        assertThat(at(moved, 57, 25)).isEqualTo(at(pixels, 50, 20));
    }

    private static int[] quarters(int width, int height) {
        int[] words = new int[width * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                boolean right = x >= width / 2;
                words[y * width + x] =
                        y < height / 2 ? right ? 0xFF00FF00 : 0xFFFF0000 : right ? 0xFFFFFFFF : 0xFF0000FF;
            }
        }
        return words;
    }

    @Test
    void aFullDrawingChangedByAStrokeLooksAsIfItWerePaintedAnew() {
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            strokes.add(Strokes.line(i, 10 + i % 150, 300 - i, 170 - i % 140).withChalk("chalk-" + (1 + i % 6)));
        }
        Shot full = withStrokes(strokes);
        FrameComposer composer = composer();
        composer.composeWhole(Scenes.of(full, 0, EXPORT, NO_FOOTAGE));
        List<Stroke> fewer = new ArrayList<>(strokes);
        fewer.remove(70);
        fewer.add(Strokes.line(5, 5, 310, 170));
        Shot changed = withStrokes(fewer);
        int[] afterwards = composer.composeWhole(Scenes.of(changed, 0, EXPORT, NO_FOOTAGE));
        int[] anew = composer().composeWhole(Scenes.of(changed, 0, EXPORT, NO_FOOTAGE));
        assertThat(afterwards).isEqualTo(anew);
    }

    /** Laid over in two parts or as one, which may round otherwise; through a level's opacity they are one. */
    @ParameterizedTest
    @CsvSource({"1, 2", "0.5, 0"})
    void aFullDrawingLooksTheSameStrokeAfterStrokeAsPaintedAnew(double opacity, int apart) {
        FrameComposer composer = composer();
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < 150; i++) {
            strokes.add(Strokes.line(i, 10 + i % 150, 300 - i, 170 - i % 140).withChalk("chalk-" + (1 + i % 6)));
            if (i > 90) {
                Shot shot = withStrokes(strokes).withLevel("level-1", level -> level.withOpacity(opacity));
                int[] afterwards = composer.composeWhole(Scenes.of(shot, 0, EXPORT, NO_FOOTAGE));
                int[] anew = composer().composeWhole(Scenes.of(shot, 0, EXPORT, NO_FOOTAGE));
                assertThat(furthestApart(afterwards, anew)).isLessThanOrEqualTo(apart);
            }
            if (i % 20 == 10) {
                // Undone, and drawn otherwise.
                strokes.remove(strokes.size() - 1);
            }
        }
    }

    private static int furthestApart(int[] some, int[] others) {
        int most = 0;
        for (int i = 0; i < some.length; i++) {
            for (int shift = 0; shift < 32; shift += 8) {
                most = Math.max(most, Math.abs((some[i] >>> shift & 255) - (others[i] >>> shift & 255)));
            }
        }
        return most;
    }

    @Test
    void whileAViewIsMovedWhatIsAtHandServesAndItIsTheSameForWholePixels() {
        Shot shot = lines(Exposure.of(0, 1, 2));
        Scene scene = Scenes.of(shot, 0, EXPORT, NO_FOOTAGE);
        FrameComposer composer = composer();
        Viewpoint before = new Viewpoint(1, 0, 40, 20, 400, 260);
        int[] pixels = new int[400 * 260];
        composer.compose(scene, before, PixelTile.whole(pixels, 400, 260));
        int[] quick = new int[400 * 260];
        int[] exact = new int[400 * 260];
        Viewpoint moved = before.moved(7, -5);
        composer.compose(scene, moved, PixelTile.whole(quick, 400, 260), Haste.MOVED);
        composer().compose(scene, moved, PixelTile.whole(exact, 400, 260));
        assertThat(quick).isEqualTo(exact);
    }

    @Test
    void aPieceThatIsDraggedLooksAsItWillWhenItIsLetGo() {
        Shot shot = withStrokes(List.of(Strokes.line(10, 20, 100, 20), Strokes.line(10, 60, 100, 60)));
        Pick pick = Pick.at(shot, Shots.LEVEL, 0, 50, 60, 3).orElseThrow();
        AffineTransform change = AffineTransform.getTranslateInstance(30, 40);
        Shot dropped = PickEdits.transform("move", pick, change).change().apply(shot);
        SceneOptions dragging = EXPORT.withLifted(List.of(pick.apart(shot).withChange(change)));
        assertThat(whole(shot, 0, dragging, NO_FOOTAGE)).isEqualTo(whole(dropped, 0, EXPORT, NO_FOOTAGE));
    }

    @Test
    void aDraftLiesOverAllInItsOwnColourAndDotted() {
        Shot shot = withStrokes(List.of(Strokes.line(10, 20, 300, 20)));
        Drawing draft = new Drawing(1, List.of(Strokes.line(10, 20, 300, 20)));
        Scene scene = Scenes.withDraft(Scenes.of(shot, 0, EXPORT, NO_FOOTAGE), shot, draft, new Rgb(0, 0, 255));
        int[] pixels = composer().composeWhole(scene);
        long blue = 0;
        long yellow = 0;
        for (int x = 20; x < 290; x++) {
            blue += at(pixels, x, 20) == 0xFF0000FF ? 1 : 0;
            yellow += at(pixels, x, 20) == YELLOW ? 1 : 0;
        }
        assertThat(blue).isGreaterThan(50);
        assertThat(yellow).as("the line under it shows in the gaps").isGreaterThan(60);
    }

    @Test
    void footageUnderChangingDrawingsIsComposedAnewWhenItChanges() {
        Shot shot = withStrokes(List.of(Strokes.line(10, 20, 100, 20))).withFootage(List.of(halves()));
        FrameComposer composer = composer();
        FootagePictures red = flat(0xFFFF0000);
        FootagePictures blue = flat(0xFF0000FF);
        composer.composeWhole(Scenes.of(shot, 0, EXPORT, red));
        int[] again = composer.composeWhole(Scenes.of(shot, 0, EXPORT, red));
        int[] other = composer.composeWhole(Scenes.of(shot, 0, EXPORT, blue));
        assertThat(at(again, 200, 100)).isEqualTo(0xFFFF0000);
        assertThat(at(other, 200, 100)).isEqualTo(0xFF0000FF);
    }

    /** Frames, skins, opacities, drawings and views in any order, by a composer that has seen others and by one that has seen none. */
    @Property(tries = 20)
    void whatIsKeptOfFramesSeenBeforeNeverShowsInOthers(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Shot plain = lines(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2), Exposure.of(4, 2, 3), Exposure.of(6, 2, 1))
                .withFootage(List.of(halves()));
        Shot changed = plain.withLevel(
                Shots.LEVEL, level -> level.with(new Drawing(2, List.of(Strokes.line(10, 90, 200, 10)))));
        Shot faded = plain.withLevel(Shots.LEVEL, level -> level.withOpacity(0.5));
        List<FootagePictures> clip = List.of(flat(0xFFFF0000), flat(0xFF0000FF), flat(0xFF808080));
        FrameComposer used = composer();
        for (int step = 0; step < 30; step++) {
            Shot shot = List.of(plain, changed, faded).get(random.nextInt(3));
            SceneOptions options = random.nextInt(3) == 0 ? EXPORT : ONION;
            int frame = random.nextInt(8);
            Scene scene = Scenes.of(shot, frame, options, clip.get(random.nextInt(clip.size())));
            Viewpoint view = Viewpoint.plain(WIDTH, HEIGHT).moved(random.nextInt(2) * 7, 0);
            int[] seen = new int[WIDTH * HEIGHT];
            int[] anew = new int[WIDTH * HEIGHT];
            used.compose(scene, view, PixelTile.whole(seen, WIDTH, HEIGHT));
            composer().compose(scene, view, PixelTile.whole(anew, WIDTH, HEIGHT));
            assertThat(seen).as("step %d, frame %d", step, frame).isEqualTo(anew);
        }
    }

    private static FootagePictures flat(int word) {
        int[] words = new int[16 * 9];
        Arrays.fill(words, word);
        FootagePictures.Shown shown =
                new FootagePictures.Shown(new ArgbPicture(new PictureSize(16, 9), words), new PictureSize(16, 9), 0);
        return (footage, frame) -> Optional.of(shown);
    }

    private static Shot withStrokes(List<Stroke> strokes) {
        return lines(Exposure.of(0, 1, 1)).withLevel(Shots.LEVEL, level -> level.with(new Drawing(1, strokes)));
    }
}
