package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.geom.Point2D;
import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class LiveWireTest {

    private static final int SIZE = 240;
    private static final double RADIUS = 80;

    /** A dark disc on a light ground with grain, as footage has it; its rim is a circle of radius 80. */
    private static int[] disc(int grain) {
        SplittableRandom random = new SplittableRandom(3);
        int[] words = new int[SIZE * SIZE];
        for (int y = 0; y < SIZE; y++) {
            for (int x = 0; x < SIZE; x++) {
                double inside = Math.max(0, Math.min(1, RADIUS + 0.5 - Math.hypot(x - 120, y - 120)));
                int light = (int) Math.round(200 - 120 * inside) + (grain == 0 ? 0 : random.nextInt(-grain, grain + 1));
                words[y * SIZE + x] = 0xFF000000 | light * 0x10101;
            }
        }
        return words;
    }

    private static double offRim(double x, double y) {
        return Math.abs(Math.hypot(x - 120, y - 120) - RADIUS);
    }

    @Test
    void theWireFollowsARimWithinAPixel() {
        EdgeMap edges = EdgeMap.of(disc(0), SIZE, SIZE);
        for (Point2D place : LiveWire.between(edges, new Point2D.Double(200, 120), new Point2D.Double(120, 40))) {
            assertThat(offRim(place.getX(), place.getY())).isLessThan(1.2);
        }
    }

    @Test
    void aLooseGestureAroundARimInGrainBecomesOneStrokeOnTheRim() {
        EdgeInk ink = new EdgeInk("chalk-1", EdgeMap.of(disc(12), SIZE, SIZE), 8);
        // Drawn four to six pixels off, wavering, all the way round.
        for (int i = 0; i <= 120; i++) {
            double angle = 2 * Math.PI * i / 120;
            double radius = RADIUS + 5 + Math.sin(5 * angle);
            ink.add(new PenSample(120 + radius * Math.cos(angle), 120 + radius * Math.sin(angle), 0.6, i * 0.01));
        }
        Curve curve = ink.finish().curve();
        double worst = 0;
        double sum = 0;
        for (int i = 0; i <= 400; i++) {
            double place = curve.segments() * i / 400.0;
            double off = offRim(curve.at(place, 0), curve.at(place, 1));
            worst = Math.max(worst, off);
            sum += off;
        }
        assertThat(sum / 401).isLessThan(0.6);
        assertThat(worst).isLessThan(1.6);
        assertThat(curve.segments()).as("a line that can be worked on").isLessThan(40);
        assertThat(curve.pressure(3)).isBetween(0.55, 0.65);
    }

    @Test
    void onBarePaperTheLineGoesWhereThePenGoes() {
        int[] bare = new int[SIZE * SIZE];
        Arrays.fill(bare, 0xFFF0F0F0);
        EdgeInk ink = new EdgeInk("chalk-1", EdgeMap.of(bare, SIZE, SIZE), 8);
        for (int i = 0; i <= 40; i++) {
            ink.add(new PenSample(30 + 4 * i, 60 + 2 * i, 1, i * 0.01));
        }
        Curve curve = ink.finish().curve();
        for (int i = 0; i <= 50; i++) {
            double place = curve.segments() * i / 50.0;
            assertThat(Math.abs(curve.at(place, 1) - 60 - (curve.at(place, 0) - 30) / 2))
                    .isLessThan(6);
        }
        assertThat(curve.x(curve.points() - 1)).isEqualTo(190);
    }

    @Test
    void thePenIsDrawnToTheStrongestEdgeWithinReachAndToNoneBeyond() {
        EdgeMap edges = EdgeMap.of(disc(0), SIZE, SIZE);
        assertThat(offRim(
                        edges.snapped(206, 120, 8).getX(),
                        edges.snapped(206, 120, 8).getY()))
                .isLessThan(1.1);
        assertThat(edges.snapped(230, 120, 8)).isEqualTo(new Point2D.Double(230, 120));
        assertThat(edges.snapped(-50, -50, 8)).isEqualTo(new Point2D.Double(-50, -50));
    }
}
