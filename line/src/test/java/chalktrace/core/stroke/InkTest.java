package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.testing.Strokes;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class InkTest {

    @Test
    void aFastLineStartsAndEndsWhereThePenDid() {
        Ink ink = new Ink("chalk-1");
        for (int i = 0; i <= 20; i++) {
            ink.add(new PenSample(100 + 20 * i, 50 + 5 * i, 0.7, i * 0.008));
        }
        Curve curve = ink.finish().curve();
        assertThat(curve.x(0)).isCloseTo(100, within(0.01));
        assertThat(curve.x(curve.points() - 1)).isCloseTo(500, within(Ink.FIT_TOLERANCE_PX));
        assertThat(curve.y(curve.points() - 1)).isCloseTo(150, within(Ink.FIT_TOLERANCE_PX));
    }

    @Test
    void aShakingHandGivesACalmerLine() {
        SplittableRandom random = new SplittableRandom(3);
        Ink ink = new Ink("chalk-1");
        double rawShake = 0;
        for (int i = 0; i <= 200; i++) {
            double shake = random.nextDouble(-1.5, 1.5);
            rawShake += Math.abs(shake);
            ink.add(new PenSample(100 + i, 80 + shake, 0.5, i * 0.008));
        }
        double calmShake = ink.samples().stream()
                .skip(10)
                .mapToDouble(sample -> Math.abs(sample.y() - 80))
                .sum();
        assertThat(calmShake).isLessThan(rawShake * 0.6);
    }

    @Test
    void theDusterReachesTheInkAndNotOnlyTheMiddleLine() {
        Stroke stroke = Strokes.line(0, 0, 100, 0);
        assertThat(StrokeHit.distance(
                        stroke, LineShape.round(10), 50, LineShape.round(10).radius(1) - 0.1))
                .isNegative();
        assertThat(StrokeHit.distance(stroke, LineShape.round(10), 50, 25))
                .isCloseTo(25 - LineShape.round(10).radius(1), within(1e-6));
    }

    @Test
    void theDialGoesFromTheHandsOwnLineToASlowOne() {
        double raw = waver(new Ink("chalk-1", 0, 1));
        double usual = waver(new Ink("chalk-1"));
        double slow = waver(new Ink("chalk-1", 1, 1));
        assertThat(raw).isGreaterThan(1.5 * usual);
        assertThat(usual).isGreaterThan(1.5 * slow);
    }

    /** How far a line strays up and down that a trembling hand draws straight, tremble of two pixels, ten times a second. */
    private static double waver(Ink ink) {
        for (int i = 0; i < 200; i++) {
            double seconds = i / 100.0;
            ink.add(new PenSample(i, 50 + 2 * Math.sin(2 * Math.PI * 10 * seconds), 0.5, seconds));
        }
        // The latest are led over to where the pen is.
        return ink.samples().stream()
                .limit(140)
                .skip(40)
                .mapToDouble(sample -> Math.abs(sample.y() - 50))
                .max()
                .orElseThrow();
    }

    @Test
    void pressureThatTremblesIsKeptCalmAndInFewSegments() {
        Ink ink =
                new Ink("chalk-1", Ink.USUAL_STEADINESS, 1, LineShape.round(12).pressureShown());
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i <= 300; i++) {
            double pressure = 0.5 + 0.05 * (random.nextDouble() + random.nextDouble() + random.nextDouble() - 1.5) * 2;
            ink.add(new PenSample(100 + 2 * i, 80 + 40 * Math.sin(i / 60.0), pressure, i * 0.005));
        }
        Curve curve = ink.finish().curve();
        assertThat(curve.segments()).isLessThan(8);
        for (double place = 0; place <= curve.segments(); place += 0.05) {
            assertThat(curve.at(place, 2)).isCloseTo(0.5, within(0.06));
        }
    }

    @Test
    void pressureThatSwingsIsKeptWithinWhatTheChalkShows() {
        LineShape broad = LineShape.round(40);
        Ink ink = new Ink("chalk-1", Ink.USUAL_STEADINESS, 1, broad.pressureShown());
        for (int i = 0; i <= 400; i++) {
            ink.add(new PenSample(100 + 2 * i, 80, 0.5 + 0.4 * Math.sin(i / 40.0), i * 0.005));
        }
        Curve curve = ink.finish().curve();
        for (double place = 0; place <= curve.segments(); place += 0.02) {
            double pressed = 0.5 + 0.4 * Math.sin((curve.at(place, 0) - 100) / 80);
            assertThat(2 * Math.abs(broad.radius(curve.at(place, 2)) - broad.radius(pressed)))
                    .as("px of width")
                    .isLessThan(1.2);
        }
    }
}
