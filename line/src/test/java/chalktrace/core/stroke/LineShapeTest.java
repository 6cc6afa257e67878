package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.Strokes;
import java.awt.geom.Rectangle2D;
import org.junit.jupiter.api.Test;

class LineShapeTest {

    private static Rectangle2D bounds(Curve curve, LineShape shape) {
        return StrokeOutline.of(curve, shape, 4).getBounds2D();
    }

    @Test
    void taperRunsToAPointAtBothEndsAndLeavesTheMiddle() {
        LineShape tapered = LineShape.round(10).withTaper(20);
        Curve line = Strokes.line(0, 0, 100, 0).curve();
        assertThat(bounds(line, tapered).getMinX()).as("no round end").isCloseTo(0, within(0.1));
        assertThat(bounds(line, tapered).getHeight()).isCloseTo(10, within(0.1));
        assertThat(StrokeOutline.of(line, tapered, 4).contains(1, 3)).isFalse();
        assertThat(StrokeOutline.of(line, LineShape.round(10), 4).contains(1, 3))
                .isTrue();
    }

    @Test
    void aFlatTipIsBroadAcrossAndThinAlongItsEdge() {
        LineShape flat = LineShape.round(10).withTip(LineShape.Tip.FLAT);
        double along = bounds(Strokes.line(0, 0, 70.7, 70.7).curve(), flat).getWidth();
        double across = bounds(Strokes.line(0, 70.7, 70.7, 0).curve(), flat).getWidth();
        // At 45 degrees the round ends add the whole width: 10 across, 3 along.
        assertThat(across - 70.7).isCloseTo(10, within(0.2));
        assertThat(along - 70.7).isCloseTo(3, within(0.2));
    }

    @Test
    void pressureCountsAsMuchAsTheChalkSays() {
        assertThat(LineShape.round(8).radius(0)).isEqualTo(1);
        assertThat(LineShape.round(8).withThinnest(1).radius(0)).isEqualTo(4);
        assertThat(LineShape.round(8).withThinnest(0).radius(0.5)).isEqualTo(2);
    }
}
