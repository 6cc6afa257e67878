package chalktrace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.motion.MovingPoint;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Mark;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PathLayerTest {

    private static final int WIDTH = 700;
    private static final int HEIGHT = 60;
    private static final int FRAME = 30;
    private static final Rgb COLOR = new Rgb(200, 40, 30);
    private static final Rgb EDGE = new Rgb(10, 20, 40);
    private static final int PAPER = Rgb.WHITE.argb();

    /** From left to right, 10 px a frame, from frame 0 on; not known on one frame. */
    private static MovingPoint row(double y, int unknown) {
        double[] xs = new double[66];
        double[] ys = new double[66];
        for (int f = 0; f < xs.length; f++) {
            xs[f] = f == unknown ? Double.NaN : x(f);
            ys[f] = y;
        }
        return new MovingPoint("row", 0, xs, ys);
    }

    private static double x(int frame) {
        return 20.5 + 10 * frame;
    }

    private static PathLayer layer(boolean drawn, boolean whole, Map<Integer, Mark.Kind> marks, double unit) {
        return new PathLayer(
                List.of(new PathLayer.Path(row(30.5, 35), row(50.5, -1), COLOR, drawn, false, whole)),
                FRAME,
                marks,
                EDGE,
                unit);
    }

    private static int at(PathLayer layer, double x, double y) {
        PictureSize size = new PictureSize(WIDTH, HEIGHT);
        int[] pixels = new FrameComposer(new RasterCache(1 << 20), Rgb.WHITE)
                .composeWhole(new Scene(size, List.of(new PaperLayer(Rgb.WHITE), layer)));
        return pixels[(int) y * WIDTH + (int) x];
    }

    @Test
    void itTicksEachFrameNearAndNoOther() {
        PathLayer plain = layer(false, false, Map.of(), 1);
        for (int frame : new int[] {FRAME - PathLayer.SPAN, FRAME - 1, FRAME, FRAME + PathLayer.SPAN}) {
            assertThat(at(plain, x(frame), 30.5)).isEqualTo(COLOR.argb());
        }
        for (int frame : new int[] {FRAME - PathLayer.SPAN - 1, 35, FRAME + PathLayer.SPAN + 1}) {
            assertThat(at(plain, x(frame), 30.5)).isEqualTo(PAPER);
        }
        // No line leads over what is not known.
        assertThat(at(plain, x(34) + 5, 30.5)).isEqualTo(PAPER);
        assertThat(at(plain, x(33) + 5, 30.5)).isNotEqualTo(PAPER);
    }

    @Test
    void theFrameItselfIsLargeAndEdged() {
        PathLayer plain = layer(false, false, Map.of(), 1);
        assertThat(at(plain, x(FRAME), 30.5 - 4)).isEqualTo(COLOR.argb());
        assertThat(at(plain, x(FRAME), 30.5 - 6)).isEqualTo(EDGE.argb());
        assertThat(at(plain, x(FRAME - 1), 30.5 - 4)).isEqualTo(PAPER);
        assertThat(at(plain, x(FRAME - 1), 30.5 - 3)).isNotEqualTo(PAPER).isNotEqualTo(COLOR.argb());
    }

    @Test
    void keysAreCircledAndBreakdownsUnderlined() {
        PathLayer marked = layer(false, false, Map.of(20, Mark.Kind.KEY, 22, Mark.Kind.BREAKDOWN), 1);
        assertThat(at(marked, x(20), 30.5 - 7)).isEqualTo(COLOR.argb());
        assertThat(at(marked, x(20), 30.5 + 7)).isEqualTo(COLOR.argb());
        assertThat(at(marked, x(22), 30.5 - 7)).isEqualTo(PAPER);
        assertThat(at(marked, x(22) + 6, 30.5 + 7)).isEqualTo(COLOR.argb());
        assertThat(at(marked, x(24), 30.5 + 7)).isEqualTo(PAPER);
    }

    @Test
    void whatIsDrawnHasSquareTicks() {
        assertThat(at(layer(true, false, Map.of(), 1), x(FRAME) + 4, 30.5 + 4)).isEqualTo(COLOR.argb());
        assertThat(at(layer(false, false, Map.of(), 1), x(FRAME) + 4, 30.5 + 4)).isNotEqualTo(COLOR.argb());
    }

    @Test
    void theSmoothedArcIsBrokenAndOnlyOfWholeOnes() {
        PathLayer whole = layer(false, true, Map.of(), 1);
        long on = 0;
        int from = (int) x(10);
        int to = (int) x(50);
        for (int x = from; x < to; x++) {
            on += at(whole, x, 50.5) == PAPER ? 0 : 1;
        }
        assertThat((double) on / (to - from)).isBetween(0.4, 0.8);
        assertThat(at(layer(false, false, Map.of(), 1), x(20), 50.5)).isEqualTo(PAPER);
        assertThat(at(layer(false, false, Map.of(), 1), x(20) + 2, 50.5)).isEqualTo(PAPER);
    }

    @Test
    void ticksAreAsLargeForAPersonOnAFineScreen() {
        assertThat(at(layer(false, false, Map.of(), 2), x(FRAME), 30.5 - 9)).isEqualTo(COLOR.argb());
    }
}
