package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.DrawingItem;
import chalktrace.core.stroke.Stroke;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class StrokeChunksTest {

    private static final int STROKES = 2000;

    private final StrokeChunks chunks = new StrokeChunks();

    @Test
    void piecesTogetherAreTheDrawingAndNoneIsLong() {
        Drawing drawing = new Drawing(1, strokes(STROKES));
        List<Drawing> pieces = chunks.of(drawing);
        assertThat(pieces.stream().flatMap(piece -> piece.items().stream())).containsExactlyElementsOf(drawing.items());
        assertThat(pieces)
                .allSatisfy(piece -> assertThat(piece.strokes().size()).isBetween(1, StrokeChunks.LONGEST));
    }

    /** A stroke more at the end leaves all pieces but the last the same objects; one taken out leaves most. */
    @Test
    void whatIsNotTouchedStaysTheSameObject() {
        List<Stroke> strokes = strokes(STROKES);
        List<Drawing> before = chunks.of(new Drawing(1, strokes));
        List<Stroke> longer = new ArrayList<>(strokes);
        longer.addAll(strokes(1));
        Set<Drawing> known = Collections.newSetFromMap(new IdentityHashMap<>());
        known.addAll(before);
        List<Drawing> after = chunks.of(new Drawing(1, longer));
        assertThat(known).containsAll(after.subList(0, after.size() - 1));
        List<Stroke> shorter = new ArrayList<>(strokes);
        shorter.remove(STROKES / 3);
        List<Drawing> without = chunks.of(new Drawing(1, shorter));
        long anew = without.stream().filter(piece -> !known.contains(piece)).count();
        // Ends that were counted move until the next one that a stroke decides, one in sixteen.
        assertThat(anew).isBetween(1L, (long) without.size() / 5);
    }

    @Test
    void paintBetweenLinesStaysInItsPlace() {
        List<DrawingItem> items = new ArrayList<>();
        strokes(100).forEach(stroke -> items.add(new DrawingItem.Line(stroke)));
        Contours area = Contours.of(List.of(new double[] {0, 0, 20, 0, 20, 20}));
        items.add(50, new DrawingItem.Paint(new Fill("chalk-1", area)));
        Drawing drawing = Drawing.of(1, items);
        assertThat(chunks.of(drawing).stream().flatMap(piece -> piece.items().stream()))
                .containsExactlyElementsOf(drawing.items());
    }

    private static List<Stroke> strokes(int count) {
        List<Stroke> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(Stroke.straight("chalk-1", i, 0, i + 10, 50, 1));
        }
        return all;
    }
}
