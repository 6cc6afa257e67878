package chalktrace.core.between;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.SchneiderFit;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.stroke.StrokeSelection;
import chalktrace.core.testing.DrawnAnew;
import chalktrace.core.testing.DrawnAnew.Kind;
import chalktrace.core.testing.DrawnAnew.Pose;
import chalktrace.core.testing.Strokes;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Poses that were each drawn anew find each other, in whatever order, direction and pieces they were drawn. */
class DrawnAnewTest {

    @Property(tries = 3, edgeCases = EdgeCasesMode.NONE)
    void mostStrokesOfAFigureThatIsDrawnAnewFindThemselves(@ForAll long seed) {
        for (Kind kind : List.of(Kind.PERSON, Kind.FACE)) {
            int all = 0;
            int missed = 0;
            int wrong = 0;
            List<Pose> poses = DrawnAnew.poses(kind, seed, 7, 20);
            for (int p = 0; p + 1 < poses.size(); p++) {
                Pose a = poses.get(p);
                Pose b = poses.get(p + 1);
                StrokeMatching.Matched matched = StrokeMatching.match(a.strokes(), b.strokes());
                all += a.strokes().size();
                missed += matched.leftOver().size();
                wrong += (int) matched.pairs().stream()
                        .filter(pair -> a.features().get(pair.of()).stream()
                                .noneMatch(b.features().get(pair.with())::contains))
                        .count();
            }
            // On many figures 3 to 8 % and 0 to 6 %; a single one may be harder.
            assertThat(missed / (double) all).as("%s missed", kind).isLessThan(0.2);
            assertThat(wrong / (double) all).as("%s wrong", kind).isLessThan(0.2);
        }
    }

    /** Where a closed line starts is chance, and so is how far it runs on beyond its start. */
    @Property(tries = 40, edgeCases = EdgeCasesMode.NONE)
    void anOvalIsOneHalfWayWhereverBothAreBegun(@ForAll long seed) {
        double first = (seed & 255) / 255.0;
        double second = (seed >> 8 & 255) / 255.0;
        double over = 0.15 * (seed >> 16 & 255) / 255.0;
        Stroke a = oval(100, first, 0, (seed & 1) == 0);
        Stroke b = oval(160, second, over, (seed & 2) == 0);
        Stroke half = InBetween.of(
                        List.of(a, Strokes.line(0, 200, 300, 200)), List.of(b, Strokes.line(60, 200, 360, 200)))
                .at(0.5)
                .strokes()
                .get(0);
        Rectangle2D box = StrokeSelection.bounds(half);
        assertThat(box.getWidth()).isBetween(150.0, 170.0);
        assertThat(box.getHeight()).isBetween(52.0, 68.0);
    }

    /** What is called unsure is wrong several times as often as what is not. */
    @Test
    void wrongPairsAreMostlyAmongTheUnsureOnes() {
        int[][] count = new int[2][2];
        for (long seed = 1; seed <= 4; seed++) {
            List<Pose> poses = DrawnAnew.poses(Kind.ANIMAL, seed, 6, 30);
            for (int p = 0; p + 1 < poses.size(); p++) {
                Pose a = poses.get(p);
                Pose b = poses.get(p + 1);
                StrokeMatching.Matched matched = StrokeMatching.match(a.strokes(), b.strokes());
                for (StrokeMatching.Pair pair : matched.pairs()) {
                    boolean right = a.features().get(pair.of()).stream()
                            .anyMatch(b.features().get(pair.with())::contains);
                    count[matched.unsure().contains(pair.of()) ? 1 : 0][right ? 1 : 0]++;
                }
            }
        }
        double wrongOfSure = count[0][0] / (double) (count[0][0] + count[0][1]);
        double wrongOfUnsure = count[1][0] / (double) (count[1][0] + count[1][1]);
        assertThat(wrongOfUnsure).isGreaterThan(4 * wrongOfSure);
        List<Stroke> apart = List.of(Strokes.line(0, 0, 100, 0), Strokes.line(0, 200, 30, 240));
        assertThat(StrokeMatching.match(apart, apart).unsure()).isEmpty();
    }

    /** Half as high as wide. @param x of its middle, @param start where on it, 0 to 1, @param over how far it runs on, in rounds */
    private static Stroke oval(double x, double start, double over, boolean back) {
        List<PenSample> samples = new ArrayList<>();
        int count = (int) Math.round(60 * (1 + over));
        for (int i = 0; i <= count; i++) {
            double angle = 2 * Math.PI * (start + (back ? -i : i) / 60.0);
            samples.add(new PenSample(x + 80 * Math.cos(angle), 100 + 30 * Math.sin(angle), 0.5, i));
        }
        return new Stroke("chalk-1", SchneiderFit.fit(samples, 0.5));
    }
}
