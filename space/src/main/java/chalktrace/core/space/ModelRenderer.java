package chalktrace.core.space;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.PictureSize;
import java.util.stream.IntStream;

/**
 * Draws a posed model as a camera sees it, without a graphics card: clear beside it, with four coverage samples a pixel. What lies in front is
 * found for all samples first and only that is then coloured (Burns and Hunt, "The visibility buffer", JCGT 2, 2013). The picture is worked on
 * in bands of rows on all cores and is the same on any number of them. Cost: triangles, plus the pixels that they cover.
 */
public final class ModelRenderer {

    private static final int BAND_ROWS = 16;

    /** The finest line, in px; on larger pictures more. */
    private static final double LINE_PX = 1.5;

    private static final int LINE_ROWS = 720;

    /** Lines are drawn so much of the model's size in front of what they lie on. */
    private static final double LINE_NEARER = 0.006;

    private static final int INK = 0xFF2B2A28;
    private static final double FAINT = 0.22;
    private static final int SHADOW = 0x48202830;
    private static final int GRID = 0x8C6E8791;

    private final Pose pose;
    private final Camera camera;
    private final Dress dress;
    private final PictureSize size;
    private final SeenPose seenPose;
    private final float[] seen;
    private final float[] screen;
    private final int triangleCount;

    /** Whether nothing comes too near, so that the backs of closed forms are never seen. */
    private final boolean outside;

    private final ScreenTriangles solid = new ScreenTriangles();
    private final ScreenTriangles lines = new ScreenTriangles();
    /** Whether anything is seen through. */
    private final boolean sheer;

    private final int shadowId;
    private final int gridId;
    private final int lineId;

    private ModelRenderer(Pose pose, Camera camera, Dress dress, PictureSize size) {
        this.pose = pose;
        this.camera = camera;
        this.dress = dress;
        this.size = size;
        this.triangleCount = pose.figure().triangles().length / 3;
        this.sheer = pose.figure().model().surfaces().stream()
                .anyMatch(surface -> surface.cover() == Surface.Cover.SEE_THROUGH);
        this.shadowId = triangleCount + 1;
        this.gridId = triangleCount + 2;
        this.lineId = triangleCount + 3;
        Projection projection = new Projection(camera, pose.bounds());
        this.seenPose = new SeenPose(pose, projection, camera, dress);
        this.seen = seenPose.places();
        this.screen = seenPose.screen();
        this.outside = Projection.isWhole(screen);
        addTriangles(projection);
        if (dress.grid()) {
            FloorGrid.of(pose.figure().reach())
                    .forEach(line -> projection.line(
                            projection.seen(line.from()), projection.seen(line.to()), 1, 0, gridId, solid));
        }
        if (dress.shadow()) {
            addShadow(projection);
        }
        if (dress.look() == ModelLook.LINES) {
            addLines(projection);
        }
    }

    /** A picture of straight-alpha words. */
    public static ArgbPicture render(Pose pose, Orbit orbit, Dress dress, PictureSize size) {
        Camera camera = Camera.of(orbit, size.width(), size.height());
        return new ArgbPicture(size, new ModelRenderer(pose, camera, dress, size).paint());
    }

    /** Only triangles that come too near are laid in pieces; the others go by their vertices. */
    private void addTriangles(Projection projection) {
        int[] corners = pose.figure().triangles();
        for (int t = 0; t < triangleCount; t++) {
            int a = corners[3 * t];
            int b = corners[3 * t + 1];
            int c = corners[3 * t + 2];
            boolean whole = screen[3 * a + 2] > 0 && screen[3 * b + 2] > 0 && screen[3 * c + 2] > 0;
            if (!whole && isShown(t, a, b, c)) {
                projection.cut(seen, a, b, c, t + 1, solid);
            }
        }
    }

    private boolean isShown(int triangle, int a, int b, int c) {
        return pose.figure().surface(triangle).twoSided()
                        && !(outside && pose.figure().isClosed(triangle))
                || isFacing(a, b, c);
    }

    /** Whole triangles by the sense in which their corners run on the screen; others in space. */
    private boolean isFacing(int a, int b, int c) {
        if (outside) {
            float x = screen[3 * a];
            float y = screen[3 * a + 1];
            return (screen[3 * b] - x) * (screen[3 * c + 1] - y) - (screen[3 * c] - x) * (screen[3 * b + 1] - y) < 0;
        }
        return facing(a, b, c, new float[3], 0);
    }

    /** Whether a triangle faces the camera; its normal, of length 1, into {@code normal}. */
    private boolean facing(int a, int b, int c, float[] normal, int at) {
        Point3 from = Projection.point(seen, a);
        Point3 across = Projection.point(seen, b)
                .minus(from)
                .cross(Projection.point(seen, c).minus(from))
                .unit();
        normal[at] = (float) across.x();
        normal[at + 1] = (float) across.y();
        normal[at + 2] = (float) across.z();
        return across.dot(from) < 0;
    }

    /** What stands above the floor, laid onto it along the light; where the grid was laid before, that shows. */
    private void addShadow(Projection projection) {
        double floor = pose.figure().reach().low().y();
        Point3 light = dress.light().direction();
        float[] laid = pose.positions().clone();
        for (int i = 0; i < laid.length; i += 3) {
            double above = Math.max(0, laid[i + 1] - floor) / light.y();
            laid[i] -= (float) (light.x() * above);
            laid[i + 1] = (float) floor;
            laid[i + 2] -= (float) (light.z() * above);
        }
        float[] onFloor = projection.seen(laid);
        int[] corners = pose.figure().triangles();
        for (int t = 0; t < triangleCount; t++) {
            projection.cut(onFloor, corners[3 * t], corners[3 * t + 1], corners[3 * t + 2], shadowId, solid);
        }
    }

    private void addLines(Projection projection) {
        int[] corners = pose.figure().triangles();
        float[] normals = new float[3 * triangleCount];
        boolean[] facing = new boolean[triangleCount];
        for (int t = 0; t < triangleCount; t++) {
            facing[t] = facing(corners[3 * t], corners[3 * t + 1], corners[3 * t + 2], normals, 3 * t);
        }
        FeatureEdges edges = pose.figure().edges();
        double width = LINE_PX * Math.max(1, (double) size.height() / LINE_ROWS);
        double nearer = LINE_NEARER * pose.figure().bounds().radius();
        for (int e = 0; e < edges.count(); e++) {
            if (edges.isLine(e, normals, facing)) {
                projection.line(
                        Projection.point(seen, edges.from(e)),
                        Projection.point(seen, edges.to(e)),
                        width,
                        nearer,
                        lineId,
                        lines);
            }
        }
    }

    private int[] paint() {
        int[] out = new int[size.width() * size.height()];
        int count = (size.height() + BAND_ROWS - 1) / BAND_ROWS;
        int workers = Math.min(count, Runtime.getRuntime().availableProcessors());
        int[] corners = pose.figure().triangles();
        Bands[] whole = new Bands[workers];
        IntStream.range(0, workers).parallel().forEach(worker -> {
            int from = (int) ((long) triangleCount * worker / workers);
            int to = (int) ((long) triangleCount * (worker + 1) / workers);
            whole[worker] = Bands.of(screen, corners, from, to, size, BAND_ROWS);
        });
        Bands pieces =
                Bands.of(solid.corners(), ScreenTriangles.ascending(solid.count()), 0, solid.count(), size, BAND_ROWS);
        Bands strips =
                Bands.of(lines.corners(), ScreenTriangles.ascending(lines.count()), 0, lines.count(), size, BAND_ROWS);
        IntStream.range(0, workers).parallel().forEach(worker -> {
            DepthBand band = new DepthBand(size.width(), BAND_ROWS);
            DepthBand behind = new DepthBand(dress.hidden() ? size.width() : 0, BAND_ROWS);
            Veils veils = new Veils(sheer ? size.width() : 0, BAND_ROWS);
            Shading shading = new Shading(seenPose, camera, dress);
            for (int b = worker; b < count; b += workers) {
                band.start(b * BAND_ROWS);
                behind.start(b * BAND_ROWS);
                veils.clear();
                layAll(whole, pieces, b, band, shading, null);
                lay(lines, strips, b, band, shading, null);
                if (sheer) {
                    layAll(whole, pieces, b, band, shading, veils);
                }
                if (dress.hidden()) {
                    lay(lines, strips, b, behind, shading, null);
                }
                color(band, behind, veils, b * BAND_ROWS, shading, out);
            }
        });
        return out;
    }

    private void layAll(Bands[] whole, Bands pieces, int band, DepthBand into, Shading shading, Veils veils) {
        for (Bands part : whole) {
            lay(part, band, into, shading, veils);
        }
        lay(solid, pieces, band, into, shading, veils);
    }

    /** @param veils where those that are seen through go, and only they are laid; null for the others */
    private void lay(Bands triangles, int band, DepthBand into, Shading shading, Veils veils) {
        int[] corners = pose.figure().triangles();
        for (int i = triangles.start(band); i < triangles.start(band + 1); i++) {
            int t = triangles.triangle(i);
            int a = corners[3 * t];
            int b = corners[3 * t + 1];
            int c = corners[3 * t + 2];
            if (isSheer(t) == (veils != null) && isShown(t, a, b, c)) {
                into.lay(screen, 3 * a, 3 * b, 3 * c, t + 1, holes(t, shading), veils);
            }
        }
    }

    private void lay(ScreenTriangles triangles, Bands bands, int band, DepthBand into, Shading shading, Veils veils) {
        for (int i = bands.start(band); i < bands.start(band + 1); i++) {
            int t = bands.triangle(i);
            int id = triangles.id(t);
            boolean ofModel = id <= triangleCount;
            if ((ofModel && isSheer(id - 1)) == (veils != null)) {
                into.lay(
                        triangles.corners(),
                        9 * t,
                        9 * t + 3,
                        9 * t + 6,
                        id,
                        ofModel ? holes(id - 1, shading) : null,
                        veils);
            }
        }
    }

    private boolean isSheer(int triangle) {
        return pose.figure().surface(triangle).cover() == Surface.Cover.SEE_THROUGH;
    }

    private DepthBand.Holes holes(int triangle, Shading shading) {
        boolean open = pose.figure().surface(triangle).cover() == Surface.Cover.HOLES;
        return open ? (x, y) -> shading.isOpen(triangle, x, y) : null;
    }

    private void color(DepthBand band, DepthBand behind, Veils veils, int top, Shading shading, int[] out) {
        int rows = Math.min(BAND_ROWS, size.height() - top);
        int[] words = new int[DepthBand.SAMPLES];
        // What is seen through hides no line where there are only lines.
        boolean veiled = !veils.isEmpty() && dress.look() != ModelLook.LINES;
        int from = Math.min(band.left(), behind.left());
        int to = Math.max(band.right(), behind.right());
        for (int row = 0; row < rows; row++) {
            for (int x = from; x < to; x++) {
                boolean under = veiled && veils.isAt(x, row);
                int id = under && !veils.isEven(x, row) ? -1 : band.whole(x, row);
                int word = id < 0
                        ? edge(band, under ? veils : null, x, row, top, shading, words)
                        : id == 0 ? 0 : word(id, x + 0.5, top + row + 0.5, shading);
                if (under && id >= 0) {
                    word = veiled(word, veils, veils.first(x, row, 0), x + 0.5, top + row + 0.5, shading);
                }
                if (dress.hidden() && word >>> 24 < 255) {
                    word = over(word, faint(behind, x, row));
                }
                out[(top + row) * size.width() + x] = word;
            }
        }
    }

    /** A word with all that is seen through before it. @param farthest the first of those */
    private int veiled(int word, Veils veils, int farthest, double x, double y, Shading shading) {
        int out = word;
        for (int veil = farthest; veil != 0; veil = veils.next(veil)) {
            int triangle = veils.id(veil) - 1;
            int alpha = (int) Math.round(255 * shading.opacity(triangle, x, y));
            if (alpha > 0) {
                out = over(alpha << 24 | shading.argb(triangle, x, y) & 0xFFFFFF, out);
            }
        }
        return out;
    }

    /** A pixel in which several things meet: each is coloured once, where its samples lie. @param veils null where nothing is seen through */
    private int edge(DepthBand band, Veils veils, int x, int row, int top, Shading shading, int[] words) {
        for (int s = 0; s < DepthBand.SAMPLES; s++) {
            int id = band.id(x, row, s);
            int before = -1;
            for (int k = 0; k < s && before < 0; k++) {
                before = band.id(x, row, k) == id ? k : -1;
            }
            words[s] = before >= 0
                    ? words[before]
                    : id == 0 ? 0 : word(id, x + DepthBand.sampleX(s), top + row + DepthBand.sampleY(s), shading);
        }
        for (int s = 0; veils != null && s < DepthBand.SAMPLES; s++) {
            double sampleX = x + DepthBand.sampleX(s);
            double sampleY = top + row + DepthBand.sampleY(s);
            words[s] = veiled(words[s], veils, veils.first(x, row, s), sampleX, sampleY, shading);
        }
        int alpha = 0;
        int red = 0;
        int green = 0;
        int blue = 0;
        for (int word : words) {
            int a = word >>> 24;
            alpha += a;
            red += (word >> 16 & 255) * a;
            green += (word >> 8 & 255) * a;
            blue += (word & 255) * a;
        }
        return alpha == 0
                ? 0
                : (alpha + 2) / 4 << 24
                        | (red + alpha / 2) / alpha << 16
                        | (green + alpha / 2) / alpha << 8
                        | (blue + alpha / 2) / alpha;
    }

    private int word(int id, double x, double y, Shading shading) {
        if (id <= triangleCount) {
            // With lines alone, the model only hides what is behind it.
            return dress.look() == ModelLook.LINES ? 0 : shading.argb(id - 1, x, y);
        }
        return id == shadowId ? SHADOW : id == gridId ? GRID : INK;
    }

    private int faint(DepthBand behind, int x, int row) {
        int covered = 0;
        for (int s = 0; s < DepthBand.SAMPLES; s++) {
            covered += behind.id(x, row, s) == 0 ? 0 : 1;
        }
        int alpha = (int) Math.round(255 * FAINT * covered / DepthBand.SAMPLES);
        return alpha << 24 | INK & 0xFFFFFF;
    }

    /** One straight-alpha word over another. */
    private static int over(int word, int below) {
        int a = word >>> 24;
        int b = (below >>> 24) * (255 - a) / 255;
        if (a + b == 0) {
            return 0;
        }
        int red = ((word >> 16 & 255) * a + (below >> 16 & 255) * b) / (a + b);
        int green = ((word >> 8 & 255) * a + (below >> 8 & 255) * b) / (a + b);
        int blue = ((word & 255) * a + (below & 255) * b) / (a + b);
        return a + b << 24 | red << 16 | green << 8 | blue;
    }
}
