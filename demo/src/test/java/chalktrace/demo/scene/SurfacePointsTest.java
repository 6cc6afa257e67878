package chalktrace.demo.scene;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.motion.Luma;
import chalktrace.core.motion.PointTracker;
import chalktrace.core.motion.Pyramid;
import chalktrace.core.motion.Spot;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The shipped clip was rendered from a known camera and known bodies: points that are followed in it lie on their surfaces. */
class SurfacePointsTest {

    private static final Path CLIP = Path.of("../app/src/main/resources/chalktrace/app/demo/kettle-clip.mp4");
    private static final int FRAMES = 40;
    private static final int POINTS = 12;

    @ParameterizedTest
    @ValueSource(ints = {0, 150})
    void pointsOfTheClipAreFollowedWhereTheirBodiesGo(int first) throws Exception {
        List<Pyramid> pictures = new ArrayList<>();
        try (Reference clip = References.open(CLIP)) {
            for (int frame = first; frame < first + FRAMES; frame++) {
                pictures.add(new Pyramid(Luma.of(clip.picture(frame))));
            }
        }
        int width = pictures.get(0).whole().width();
        int height = pictures.get(0).whole().height();
        int radius = PointTracker.usualRadius(height);
        SurfacePoints points = new SurfacePoints(new Performance(frame -> 0), (double) width / height);
        SplittableRandom random = new SplittableRandom(first + 1);
        List<Double> errors = new ArrayList<>();
        int found = 0;
        for (int tried = 0; tried < 20_000 && found < POINTS; tried++) {
            double x = random.nextDouble(0.05, 0.95);
            double y = random.nextDouble(0.05, 0.95);
            if (Spot.of(pictures.get(0).whole(), x * width, y * height, radius).kind() == Spot.Kind.GOOD
                    && points.isSteady(x, y, (double) radius / height, first, FRAMES)) {
                found++;
                List<double[]> truth = points.path(x, y, first, FRAMES).orElseThrow();
                PointTracker tracker = new PointTracker(pictures.get(0), x * width - 0.5, y * height - 0.5, radius);
                for (int frame = 1; frame < FRAMES; frame++) {
                    if (!(tracker.next(pictures.get(frame)) instanceof PointTracker.Found at)) {
                        break;
                    }
                    double[] is = truth.get(frame);
                    errors.add(Math.hypot(at.x() + 0.5 - is[0] * width, at.y() + 0.5 - is[1] * height));
                }
            }
        }
        errors.sort(Comparator.naturalOrder());
        assertThat(found).isEqualTo(POINTS);
        assertThat(errors.get(errors.size() / 2)).as("median in px").isLessThan(1);
        assertThat(errors.get(errors.size() * 95 / 100)).as("p95 in px").isLessThan(2);
    }
}
