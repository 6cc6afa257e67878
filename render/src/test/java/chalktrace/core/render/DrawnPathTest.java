package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.motion.MovingPoint;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Placement;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Strokes;
import java.util.List;
import org.junit.jupiter.api.Test;

class DrawnPathTest {

    private static final PictureSize SIZE = new PictureSize(320, 180);

    private static Stroke hand(double x1, double y1, double x2, double y2) {
        return Strokes.line(x1, y1, x2, y2).withPart("hand");
    }

    private static MovingPoint path(Level level, DrawnPath.Anchor anchor) {
        return DrawnPath.of("hand", level, "hand", anchor, SIZE, 20).orElseThrow();
    }

    /** The middle counts by length, so that a stroke drawn in two pieces changes nothing; other parts count for nothing. */
    @Test
    void theMiddleOfAPartIsThatOfItsLines() {
        Level whole = Level.empty("l", "l")
                .with(new Drawing(1, List.of(hand(0, 50, 90, 50), Strokes.line(200, 0, 300, 0))))
                .with(Exposures.of(new Exposure(3, 4, 1, Placement.AS_IS)));
        Level pieces = whole.with(new Drawing(1, List.of(hand(0, 50, 30, 50), hand(30, 50, 90, 50))));
        for (Level level : List.of(whole, pieces)) {
            MovingPoint path = path(level, DrawnPath.Anchor.MIDDLE);
            assertThat(path.firstFrame()).isEqualTo(3);
            assertThat(path.lastFrame()).isEqualTo(6);
            assertThat(path.x(4)).isCloseTo(45, within(1e-9));
            assertThat(path.y(4)).isCloseTo(50, within(1e-9));
        }
    }

    @Test
    void aShowingsPlacementMovesItAndItsLongestLineHasEnds() {
        Level level = Level.empty("l", "l")
                .with(new Drawing(1, List.of(hand(10, 20, 14, 20), hand(100, 40, 160, 90))))
                .with(Exposures.of(
                        new Exposure(0, 2, 1, Placement.AS_IS),
                        new Exposure(4, 2, 1, new Placement(7, -3, 1, 180, 1))));
        assertThat(path(level, DrawnPath.Anchor.START).x(0)).isCloseTo(100, within(1e-9));
        MovingPoint end = path(level, DrawnPath.Anchor.END);
        assertThat(end.y(1)).isCloseTo(90, within(1e-9));
        assertThat(end.knows(3)).isFalse();
        // Turned by half a turn about the picture's middle (160, 90), where the end lies, and moved.
        assertThat(end.x(4)).isCloseTo(167, within(1e-9));
        assertThat(end.y(4)).isCloseTo(87, within(1e-9));
    }

    @Test
    void whatIsNeverDrawnHasNoWay() {
        Level level = Level.empty("l", "l").with(new Drawing(1, List.of(Strokes.line(0, 0, 1, 1))));
        assertThat(DrawnPath.of("hand", level, "hand", DrawnPath.Anchor.MIDDLE, SIZE, 20))
                .isEmpty();
    }
}
