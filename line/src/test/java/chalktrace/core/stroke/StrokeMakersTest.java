package chalktrace.core.stroke;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.guide.Guide;
import chalktrace.core.guide.Guide.Kind;
import chalktrace.core.guide.Guide.Spot;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class StrokeMakersTest {

    @Test
    void anEllipseIsOneWithinAThirtiethOfAPercent() {
        Curve curve = Stroke.ellipse("c", 100, 80, 60, 30, 30, 0.7).curve();
        double cos = Math.cos(Math.toRadians(30));
        double sin = Math.sin(Math.toRadians(30));
        for (int i = 0; i <= 400; i++) {
            double dx = curve.at(i / 100.0, 0) - 100;
            double dy = curve.at(i / 100.0, 1) - 80;
            double u = (dx * cos + dy * sin) / 60;
            double v = (dy * cos - dx * sin) / 30;
            // 2.7e-4 is the largest error of a quarter circle as one cubic Bezier (Dokken, Daehlen, Lyche, Morken
            // 1990).
            assertThat(Math.hypot(u, v)).isCloseTo(1, within(3e-4));
        }
    }

    @Test
    void aDraggedEllipseFillsItsBoxAndACircleKeepsItsShape() {
        DraggedEllipse free = new DraggedEllipse("c", false);
        DraggedEllipse circle = new DraggedEllipse("c", true);
        for (StrokeMaker maker : List.of(free, circle)) {
            maker.add(new PenSample(100, 100, 0.5, 0));
            maker.add(new PenSample(60, 110, 0.5, 0.1));
        }
        assertThat(StrokeSelection.bounds(free.finish()).getWidth()).isCloseTo(40, within(0.1));
        assertThat(StrokeSelection.bounds(free.finish()).getHeight()).isCloseTo(10, within(0.1));
        assertThat(StrokeSelection.bounds(circle.finish()).getHeight()).isCloseTo(40, within(0.1));
        assertThat(StrokeSelection.bounds(circle.finish()).getMaxX()).isCloseTo(100, within(0.1));
    }

    @Test
    void aClosedShapeEndsWhereItBeganWithoutACorner() {
        ClosedShape shape = new ClosedShape(new Ink("c", 0.2, 1));
        for (int i = 0; i <= 50; i++) {
            double angle = 1.7 * Math.PI * i / 50;
            shape.add(new PenSample(200 + 80 * Math.cos(angle), 200 + 80 * Math.sin(angle), 0.5, i * 0.01));
        }
        Curve curve = shape.finish().curve();
        int end = curve.points() - 1;
        assertThat(curve.x(end)).isEqualTo(curve.x(0));
        assertThat(curve.y(end)).isEqualTo(curve.y(0));
        assertThat(CurvePoints.isSmooth(curve, curve.segments() - 1)).isTrue();
    }

    @Test
    void aShakyLineNearAGuideRunsExactlyAlongIt() {
        Random random = new Random(3);
        Guide line = new Guide("g", Kind.LINE, List.of(new Spot(0, 100), new Spot(300, 400)));
        GuidedInk ink = new GuidedInk(new Ink("c", 0.5, 1), List.of(line), 8);
        for (int i = 0; i < 60; i++) {
            ink.add(new PenSample(
                    20 + 3 * i + random.nextGaussian(), 122 + 3 * i + random.nextGaussian(), 0.5, i * 0.01));
        }
        Curve curve = ink.finish().curve();
        for (int p = 0; p < curve.points(); p++) {
            assertThat(curve.y(p) - curve.x(p)).isCloseTo(100, within(0.01));
        }
    }

    @Test
    void inPerspectiveTheFirstPixelsSayWhichPointALineRunsTo() {
        Guide one = new Guide("g", Kind.ONE_POINT, List.of(new Spot(500, 200)));
        GuidedInk ink = new GuidedInk(new Ink("c", 0.5, 1), List.of(one), 8);
        for (int i = 0; i < 40; i++) {
            ink.add(new PenSample(100 + 4 * i, 600 - 4.3 * i, 0.5, i * 0.01));
        }
        Curve curve = ink.finish().curve();
        for (int p = 1; p < curve.points(); p++) {
            assertThat((curve.y(p) - 600) / (curve.x(p) - 100)).isCloseTo(-1, within(0.01));
        }
        GuidedInk free = new GuidedInk(new Ink("c", 0.5, 1), List.of(), 8);
        Ink plain = new Ink("c", 0.5, 1);
        for (int i = 0; i < 40; i++) {
            PenSample sample = new PenSample(100 + 4 * i, 600 - i * i / 10.0, 0.5, i * 0.01);
            free.add(sample);
            plain.add(sample);
        }
        assertThat(free.finish()).isEqualTo(plain.finish());
    }

    @Test
    void whatIsShownWhileDrawingNeverChangesWhatIsKept() {
        List<PenSample> samples = new ArrayList<>();
        for (int i = 0; i < 80; i++) {
            samples.add(new PenSample(10 * i, 50 * Math.sin(i / 9.0), 0.4 + 0.3 * Math.sin(i / 5.0), i * 0.007));
        }
        Ink looked = new Ink("c");
        Ink quiet = new Ink("c");
        for (PenSample sample : samples) {
            looked.add(sample);
            looked.soFar();
            quiet.add(sample);
        }
        assertThat(looked.finish()).isEqualTo(quiet.finish());
    }

    @Test
    void aBrokenStreamIsPutRight() {
        PenStream stream = new PenStream();
        assertThat(stream.take(new PenSample(1, 2, 7, 5))).contains(new PenSample(1, 2, 1, 5));
        assertThat(stream.take(new PenSample(Double.NaN, 2, 0.5, 5.01))).isEmpty();
        assertThat(stream.take(new PenSample(2, Double.POSITIVE_INFINITY, 0.5, 5.01)))
                .isEmpty();
        PenSample back = stream.take(new PenSample(3, 3, -1, 2)).orElseThrow();
        assertThat(back.pressure()).isZero();
        assertThat(back.seconds()).isGreaterThan(5);
        PenSample next = stream.take(new PenSample(4, 4, Double.NaN, 2.01)).orElseThrow();
        assertThat(next.seconds() - back.seconds())
                .as("the clock goes on from where it was set back")
                .isCloseTo(0.01, within(1e-9));
        assertThat(next.pressure()).isZero();
    }

    @Test
    void aClockThatIsSetBackDoesNotHoldTheLineBack() {
        PenStream stream = new PenStream();
        Ink ink = new Ink("c");
        for (int i = 0; i < 60; i++) {
            double seconds = i < 30 ? 100 + i * 0.01 : i * 0.01;
            ink.add(stream.take(new PenSample(10 * i, 40, 0.5, seconds)).orElseThrow());
        }
        assertThat(StrokeSelection.bounds(ink.finish()).getMaxX()).isCloseTo(590, within(1.0));
        assertThat(ink.samples().get(45).x()).isGreaterThan(350);
    }
}
