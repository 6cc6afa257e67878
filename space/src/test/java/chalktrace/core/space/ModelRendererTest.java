package chalktrace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.testing.Models;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.ForkJoinPool;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class ModelRendererTest {

    private static final PictureSize SIZE = new PictureSize(320, 180);
    private static final Orbit FRONT = new Orbit(0, 0, 0, 5, Point3.ZERO, new Lens(50));
    private static final Dress FLAT = Dress.USUAL.withLook(ModelLook.FLAT);

    /**
     * The area of triangles by their corners in the picture, against the share of samples that they cover. Along an edge at an unlucky angle all
     * samples may be off to one side, by an eighth of a pixel at most; over many it evens out.
     */
    @Property(tries = 3)
    void trianglesCoverTheirArea(@ForAll long seed) {
        double allCovered = 0;
        double allArea = 0;
        for (int i = 0; i < 100; i++) {
            Figure triangle = Models.scattered(1, seed + i);
            Orbit whole = FRONT.withDistance(7);
            double covered = covered(ModelRenderer.render(triangle.rest(), whole, FLAT, SIZE));
            Camera camera = Camera.of(whole, SIZE.width(), SIZE.height());
            Camera.Projected a = camera.project(triangle.rest().corner(0, 0));
            Camera.Projected b = camera.project(triangle.rest().corner(0, 1));
            Camera.Projected c = camera.project(triangle.rest().corner(0, 2));
            double area = Math.abs((b.x() - a.x()) * (c.y() - a.y()) - (c.x() - a.x()) * (b.y() - a.y())) / 2;
            double round = Math.hypot(b.x() - a.x(), b.y() - a.y())
                    + Math.hypot(c.x() - b.x(), c.y() - b.y())
                    + Math.hypot(a.x() - c.x(), a.y() - c.y());
            assertThat(covered).isCloseTo(area, within(1.5 + 0.125 * round));
            allCovered += covered;
            allArea += area;
        }
        assertThat(allCovered).isCloseTo(allArea, within(0.006 * allArea));
    }

    /** A fan about a common middle leaves no gap along its edges and covers nothing twice: as much as the outline alone. */
    @Property(tries = 100)
    void trianglesWithCommonEdgesLeaveNoGap(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int count = 3 + random.nextInt(20);
        float[] places = new float[3 * (count + 1)];
        int[] corners = new int[3 * count];
        for (int i = 0; i < count; i++) {
            double angle = 2 * Math.PI * (i + 0.3 * random.nextDouble()) / count;
            places[3 * i] = (float) Math.cos(angle);
            places[3 * i + 1] = (float) Math.sin(angle) * 0.8f;
            corners[3 * i] = i;
            corners[3 * i + 1] = (i + 1) % count;
            corners[3 * i + 2] = count;
        }
        places[3 * count] = (float) (random.nextDouble() - 0.5) * 0.4f;
        int[] words = ModelRenderer.render(Models.of(places, corners).rest(), FRONT, FLAT, SIZE)
                .toArgb();
        int[] row = new int[SIZE.width()];
        for (int y = 0; y < SIZE.height(); y++) {
            System.arraycopy(words, y * SIZE.width(), row, 0, SIZE.width());
            assertNoHole(row);
        }
    }

    /** The outline is nearly convex: in a row nothing clear lies between what is whole. */
    private static void assertNoHole(int[] row) {
        int first = -1;
        int last = -1;
        for (int x = 0; x < row.length; x++) {
            if (row[x] >>> 24 == 255) {
                first = first < 0 ? x : first;
                last = x;
            }
        }
        int holes = 0;
        for (int x = Math.max(0, first); x < last; x++) {
            holes += row[x] >>> 24 == 255 ? 0 : 1;
        }
        assertThat(holes).isLessThanOrEqualTo(first < 0 ? 0 : (last - first) / 4);
    }

    /** Against a ray through each sample, which meets all triangles in turn: a pixel's grey lies among those of its samples. */
    @Property(tries = 25)
    void whatIsNearestIsSeen(@ForAll long seed, @ForAll @DoubleRange(min = -180, max = 180) double yaw) {
        Figure figure = Models.scattered(12, seed);
        PictureSize small = new PictureSize(64, 36);
        Orbit orbit = FRONT.withYaw(yaw).withPitch(20);
        Dress depth = Dress.USUAL.withLook(ModelLook.DEPTH);
        int[] words = ModelRenderer.render(figure.rest(), orbit, depth, small).toArgb();
        StagedPicture staged = new StagedPicture(figure, "", 0, orbit, depth, small);
        Bounds bounds = figure.rest().bounds();
        double nearest = -staged.camera().seen(bounds.middle()).z() - bounds.radius();
        int wrong = 0;
        for (int i = 0; i < words.length; i++) {
            long darkest = 255;
            long lightest = 0;
            for (int s = 0; s < DepthBand.SAMPLES; s++) {
                Optional<Touch> touch =
                        Touch.at(staged, i % 64 + DepthBand.sampleX(s), Math.floorDiv(i, 64) + DepthBand.sampleY(s));
                if (touch.isPresent()) {
                    double share = (touch.get().distance() - nearest) / (2 * bounds.radius());
                    long grey = Math.round(240 - 180 * Math.max(0, Math.min(1, share)));
                    darkest = Math.min(darkest, grey);
                    lightest = Math.max(lightest, grey);
                }
            }
            int seen = words[i] & 255;
            wrong += words[i] >>> 24 > 0 && (seen < darkest - 6 || seen > lightest + 6) ? 1 : 0;
        }
        // Steep triangles change by more within a pixel.
        assertThat(wrong).isLessThanOrEqualTo(words.length / 100);
    }

    @Test
    void ofTwoCubesTheNearerHidesTheOther() {
        Figure cube = Models.cube();
        Orbit near = FRONT.withTarget(new Point3(0, 0, 0));
        int[] words = ModelRenderer.render(cube.rest(), near, Dress.USUAL.withLook(ModelLook.DEPTH), SIZE)
                .toArgb();
        Bounds bounds = cube.rest().bounds();
        // The front side lies 1 before the middle, of a ball with a radius of the root of 3: (radius - 1) / (2 radius)
        // of the way back.
        double back = (bounds.radius() - 1) / (2 * bounds.radius());
        assertThat(words[90 * 320 + 160] & 255).isCloseTo((int) Math.round(240 - 180 * back), within(1));
    }

    @Test
    void theSameIsDrawnOnAnyNumberOfThreads() throws Exception {
        Figure figure = Models.scattered(300, 5);
        int[] many =
                ModelRenderer.render(figure.rest(), FRONT, Dress.USUAL, SIZE).toArgb();
        ForkJoinPool one = new ForkJoinPool(1);
        int[] alone = one.submit(() -> ModelRenderer.render(figure.rest(), FRONT, Dress.USUAL, SIZE)
                        .toArgb())
                .get();
        one.shutdown();
        assertThat(alone).isEqualTo(many);
    }

    @Test
    void fromWithinAFormItsInsideIsSeen() {
        Orbit within = FRONT.withDistance(0.01);
        int[] words = ModelRenderer.render(Models.cube().rest(), within, Dress.USUAL, SIZE)
                .toArgb();
        assertThat(words[90 * 320 + 160] >>> 24).isEqualTo(255);
        assertThat(words[0] >>> 24).isEqualTo(255);
    }

    @Test
    void linesOfACubeShowItsEdgesAndLeaveItsSidesClear() {
        Orbit corner = FRONT.withYaw(35).withPitch(25);
        ArgbPicture lines =
                ModelRenderer.render(Models.cube().rest(), corner, Dress.USUAL.withLook(ModelLook.LINES), SIZE);
        Camera camera = Camera.of(corner, SIZE.width(), SIZE.height());
        // The middle of the edge nearest to the camera, and the middle of the front.
        Camera.Projected edge = camera.project(new Point3(1, 0, 1));
        Camera.Projected side = camera.project(new Point3(0, 0, 1));
        assertThat(lines.argbAt(edge.x() - 0.5, edge.y() - 0.5) >>> 24).isGreaterThan(120);
        assertThat(lines.argbAt(side.x() - 0.5, side.y() - 0.5) >>> 24).isZero();
        // The farthest edge is hidden, or faint when asked for.
        Camera.Projected hidden = camera.project(new Point3(-1, -0.4, -1));
        assertThat(lines.argbAt(hidden.x() - 0.5, hidden.y() - 0.5) >>> 24).isZero();
        ArgbPicture faint = ModelRenderer.render(
                Models.cube().rest(),
                corner,
                Dress.USUAL.withLook(ModelLook.LINES).withHidden(true),
                SIZE);
        assertThat(faint.argbAt(hidden.x() - 0.5, hidden.y() - 0.5) >>> 24).isBetween(10, 90);
    }

    /** At the poles of a ball all corners of a ring lie at one place. */
    @Test
    void aBallShowsItsOutlineAlone() {
        int around = 24;
        int rings = 12;
        float[] places = new float[3 * around * (rings + 1)];
        int[] corners = new int[6 * around * rings];
        int at = 0;
        for (int ring = 0; ring <= rings; ring++) {
            for (int k = 0; k < around; k++) {
                double high = Math.PI * (ring / (double) rings - 0.5);
                double angle = 2 * Math.PI * k / around;
                double wide = ring == 0 || ring == rings ? 0 : Math.cos(high);
                int v = ring * around + k;
                places[3 * v] = (float) (wide * Math.cos(angle));
                places[3 * v + 1] = (float) Math.sin(high);
                places[3 * v + 2] = (float) (wide * Math.sin(angle));
                if (ring < rings) {
                    int next = ring * around + (k + 1) % around;
                    for (int corner : new int[] {v, v + around, next, next, v + around, next + around}) {
                        corners[at++] = corner;
                    }
                }
            }
        }
        Orbit fromAbove = FRONT.withPitch(70);
        Figure ball = Models.of(places, corners);
        ArgbPicture lines = ModelRenderer.render(ball.rest(), fromAbove, Dress.USUAL.withLook(ModelLook.LINES), SIZE);
        Camera.Projected pole =
                Camera.of(fromAbove, SIZE.width(), SIZE.height()).project(Point3.UP);
        assertThat(lines.argbAt(pole.x() - 0.5, pole.y() - 0.5) >>> 24).isZero();
        assertThat(ball.isClosed(0)).isTrue();
    }

    @Test
    void bandsAreLightTowardsTheLightAndDarkAwayFromIt() {
        Dress bands = Dress.USUAL.withLook(ModelLook.BANDS);
        int towards = middle(bands.withLight(new Light(0, 5)));
        int away = middle(bands.withLight(new Light(180, 5)));
        assertThat(towards & 255).isGreaterThan(200);
        assertThat(away & 255).isLessThan(110);
    }

    /** A ball has its normals along its own places; seen from in front of the light and from behind it. */
    @Test
    void roundedFormsAreLitByTheirNormals() {
        float[] places = Models.cubeAt(0, 0, 0, 1);
        Mesh rounded = new Mesh(
                places,
                Optional.of(places.clone()),
                Optional.empty(),
                new int[] {4, 5, 6, 4, 6, 7},
                0,
                List.of(),
                Optional.empty(),
                Optional.empty());
        Figure front = new Figure(new Model(
                List.of(Node.of("n", -1, Stance.NONE, List.of(0))),
                List.of(rounded),
                List.of(Surface.PLAIN),
                List.of(),
                List.of(),
                "",
                List.of()));
        Dress fromLeft = Dress.USUAL.withLight(new Light(-80, 5));
        for (ModelLook look : List.of(ModelLook.CLAY, ModelLook.BANDS)) {
            assertThat(fromLeftToRight(front, fromLeft.withLook(look), 5, 35)).isLessThan(-20);
            assertThat(fromLeftToRight(front, fromLeft.withLook(look), 100, 2)).isLessThan(-20);
        }
    }

    /** How much lighter it gets from so many pixels left of the middle to as many right of it. */
    private static int fromLeftToRight(Figure figure, Dress dress, double distance, int px) {
        int[] words = ModelRenderer.render(figure.rest(), FRONT.withDistance(distance), dress, SIZE)
                .toArgb();
        return (words[90 * 320 + 160 + px] & 255) - (words[90 * 320 + 160 - px] & 255);
    }

    @Test
    void aShadowFallsAwayFromTheLight() {
        Orbit above = FRONT.withPitch(35).withDistance(12);
        Dress lit = FLAT.withShadow(true).withLight(new Light(-90, 40));
        ArgbPicture picture = ModelRenderer.render(Models.cube().rest(), above, lit, SIZE);
        Camera camera = Camera.of(above, SIZE.width(), SIZE.height());
        Camera.Projected right = camera.project(new Point3(2, -1, 0));
        Camera.Projected left = camera.project(new Point3(-2, -1, 0));
        assertThat(picture.argbAt(right.x(), right.y()) >>> 24).isBetween(30, 120);
        assertThat(picture.argbAt(left.x(), left.y()) >>> 24).isZero();
    }

    /** A joint's way through the picture agrees with a mark that hangs on it, within half a pixel. */
    @Property(tries = 60)
    void pointsOfAModelLieWhereTheyAreDrawn(
            @ForAll @DoubleRange(min = -70, max = 70) double yaw,
            @ForAll @DoubleRange(min = 0, max = 1) double seconds) {
        Figure bones = Models.twoBones();
        Orbit orbit = new Orbit(yaw, 10, 0, 6, new Point3(0, 1, 0), new Lens(50));
        StagedPicture staged = new StagedPicture(bones, "bend", seconds, orbit, Dress.USUAL, SIZE);
        Point3 joint = staged.pose().joint(2);
        ModelPoint.Seen seen = ModelPoint.joint(bones.model(), 2).in(staged);

        float[] mark = Models.cubeAt(joint.x(), joint.y(), joint.z(), 0.05);
        int[] corners = {
            0, 3, 2, 0, 2, 1, 4, 5, 6, 4, 6, 7, 0, 1, 5, 0, 5, 4, 1, 2, 6, 1, 6, 5, 2, 3, 7, 2, 7, 6, 3, 0, 4, 3, 4, 7
        };
        ArgbPicture drawn = ModelRenderer.render(Models.of(mark, corners).rest(), orbit, Dress.USUAL, SIZE);
        double sumX = 0;
        double sumY = 0;
        double all = 0;
        int[] words = drawn.toArgb();
        for (int i = 0; i < words.length; i++) {
            sumX += (words[i] >>> 24) * (i % SIZE.width() + 0.5);
            sumY += (words[i] >>> 24) * (i / SIZE.width() + 0.5);
            all += words[i] >>> 24;
        }
        assertThat(seen.x()).isCloseTo(sumX / all, within(0.5));
        assertThat(seen.y()).isCloseTo(sumY / all, within(0.5));
    }

    @Test
    void aPointBehindTheModelIsHidden() {
        StagedPicture staged = new StagedPicture(Models.cube(), "", 0, FRONT, Dress.USUAL, SIZE);
        ModelPoint front = new ModelPoint("front", pose -> new Point3(0, 0, 1));
        ModelPoint back = new ModelPoint("back", pose -> new Point3(0, 0, -1));
        assertThat(front.in(staged).hidden()).isFalse();
        assertThat(back.in(staged).hidden()).isTrue();
    }

    private static int middle(Dress dress) {
        return ModelRenderer.render(Models.cube().rest(), FRONT, dress, SIZE).toArgb()[90 * 320 + 160];
    }

    private static double covered(ArgbPicture picture) {
        double all = 0;
        for (int word : picture.toArgb()) {
            all += (word >>> 24) / 255.0;
        }
        return all;
    }
}
