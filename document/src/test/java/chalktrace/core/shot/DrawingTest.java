package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Items keep their order whatever is done to one kind of them. */
class DrawingTest {

    private static final Stroke A = Strokes.line(0, 0, 10, 0);
    private static final Stroke B = Strokes.line(0, 10, 10, 10);
    private static final Stroke C = Strokes.line(0, 20, 10, 20);
    private static final Fill PAINT = fill(0);
    private static final Pixels PIXELS = new Pixels(new PictureSize(40, 20), new int[800]);

    private static Fill fill(double x) {
        return new Fill("p", Contours.of(List.of(new double[] {x, 0, x + 5, 0, x + 5, 5})));
    }

    private static DrawingItem line(Stroke stroke) {
        return new DrawingItem.Line(stroke);
    }

    private static DrawingItem paint(Fill fill) {
        return new DrawingItem.Paint(fill);
    }

    private static final Drawing MIXED = Drawing.of(1, List.of(line(A), paint(PAINT), line(B)));

    @Test
    void asManyTakeEachOthersPlaces() {
        assertThat(MIXED.withStrokes(List.of(B, A)).items()).containsExactly(line(B), paint(PAINT), line(A));
    }

    @Test
    void whatIsRemovedLeavesTheOthersWhereTheyAre() {
        assertThat(MIXED.withStrokes(List.of(B)).items()).containsExactly(paint(PAINT), line(B));
        assertThat(MIXED.without(List.of(B)).items()).containsExactly(line(A), paint(PAINT));
    }

    @Test
    void aStrokeInPiecesKeepsItsPlace() {
        assertThat(MIXED.withStrokes(List.of(C, C, B)).items())
                .containsExactly(line(C), line(C), paint(PAINT), line(B));
        assertThat(MIXED.replacing(List.of(A), stroke -> List.of(C, C)).items())
                .containsExactly(line(C), line(C), paint(PAINT), line(B));
    }

    @Test
    void newLinesLieInFrontAndNewPaintBehindTheLowestLine() {
        assertThat(MIXED.plus(C).items()).containsExactly(line(A), paint(PAINT), line(B), line(C));
        assertThat(MIXED.plus(fill(9)).items()).containsExactly(paint(fill(9)), line(A), paint(PAINT), line(B));
        Drawing usual = new Drawing(1, List.of(A), List.of(PAINT));
        assertThat(usual.plus(fill(9)).items()).containsExactly(paint(PAINT), paint(fill(9)), line(A));
    }

    private static PastedPicture picture(double x) {
        return PastedPicture.at(PIXELS, x, 5, 2);
    }

    @Test
    void newPicturesLieInFrontOfThosePicturesThatAreBehindAll() {
        Drawing behind = MIXED.plus(picture(1)).plus(picture(2));
        assertThat(behind.items())
                .containsExactly(
                        new DrawingItem.Picture(picture(1)),
                        new DrawingItem.Picture(picture(2)),
                        line(A),
                        paint(PAINT),
                        line(B));
        assertThat(behind.pictures()).containsExactly(picture(1), picture(2));
        assertThat(behind.plus(List.of(line(C), paint(PAINT))).items()).endsWith(line(B), line(C), paint(PAINT));
    }

    /** More than there were: each kind goes where a new one of it goes. */
    @Test
    void whatIsAddedToAKindThatHasNoneGoesWhereNewOnesGo() {
        Drawing lines = Drawing.of(1, List.of(line(A)));
        assertThat(lines.withFills(List.of(PAINT)).items()).containsExactly(paint(PAINT), line(A));
        assertThat(lines.withPictures(List.of(picture(1))).items())
                .containsExactly(new DrawingItem.Picture(picture(1)), line(A));
        assertThat(Drawing.of(1, List.of(paint(PAINT))).withStrokes(List.of(A)).items())
                .containsExactly(paint(PAINT), line(A));
        // Those that stay keep their places, told apart by identity and in order; the new one follows the one before
        // it.
        assertThat(MIXED.withStrokes(List.of(A, C, B)).items())
                .containsExactly(line(A), line(C), paint(PAINT), line(B));
        assertThat(MIXED.withStrokes(List.of()).items()).containsExactly(paint(PAINT));
    }

    @Test
    void aPictureIsCentredAndShrunkToFit() {
        ShotSetup setup = Shots.empty().setup();
        PastedPicture small = PastedPicture.centred(new Pixels(new PictureSize(40, 20), new int[800]), setup);
        assertThat(small).isEqualTo(PastedPicture.at(small.pixels(), 140, 80, 1));
        PastedPicture wide = PastedPicture.centred(new Pixels(new PictureSize(640, 20), new int[12_800]), setup);
        assertThat(wide).isEqualTo(PastedPicture.at(wide.pixels(), 0, 85, 0.5));
        PastedPicture moved = small.transformed(AffineTransform.getTranslateInstance(3, -4));
        assertThat(moved).isEqualTo(PastedPicture.at(small.pixels(), 143, 76, 1));
        assertThat(wide.edge().getBounds2D()).isEqualTo(new Rectangle2D.Double(0, 85, 320, 10));
    }

    /** What two drawings share is held once. */
    @Test
    void whatIsSharedWithAnotherDrawingTakesNoMemoryOfItsOwn() {
        Drawing more = MIXED.plus(C);
        long beside = more.bytesBeside(MIXED);
        assertThat(beside).isLessThan(more.bytes() / 2).isGreaterThan(line(C).bytes());
        assertThat(more.bytesBeside(more)).isLessThan(beside);
        assertThat(more.bytesBeside(Drawing.empty(1))).isGreaterThan(beside);
        assertThat(more.bytes()).isGreaterThan(MIXED.bytes());
        assertThat(MIXED.hashCode()).isEqualTo(Drawing.of(1, MIXED.items()).hashCode());
    }
}
