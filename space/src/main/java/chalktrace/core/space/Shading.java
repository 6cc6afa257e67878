package chalktrace.core.space;

import chalktrace.core.picture.Srgb;

/**
 * What colour a triangle has at a place of the picture. Keeps what it found of the triangle that was asked for last: one for each thread.
 */
final class Shading {

    private static final int[] BANDS = {0xFF5B5A58, 0xFFA9A49B, 0xFFEDE8DC};

    /** From these cosines between surface and light on it is middle, and light. */
    private static final double MIDDLE = 0.02;

    private static final double LIGHT = 0.5;

    private static final double NEAR_GREY = 240;
    private static final double FAR_GREY = 60;

    private final Figure figure;
    private final SeenPose seen;
    private final Camera camera;
    private final ModelLook look;
    private final Point3 light;
    private final Point3 up;
    private final double nearest;
    private final double depths;
    private final SmallTriangle small;

    /** As the figure has them; null where it has none. */
    private final float[] vertexColors;

    private boolean isSmall;

    /** The triangle that the numbers below are of. */
    private int current = -1;

    /** Its corners' places among the seen vertices. */
    private int a;

    private int b;
    private int c;

    /** By these, times the direction in which a pixel looks, its corners count. */
    private double ax;

    private double ay;
    private double az;
    private double bx;
    private double by;
    private double bz;
    private double cx;
    private double cy;
    private double cz;

    /** Its own normal, towards who sees it. */
    private double fx;

    private double fy;
    private double fz;

    private double shareA;
    private double shareB;
    private double shareC;

    Shading(SeenPose seen, Camera camera, Dress dress) {
        this.figure = seen.pose().figure();
        this.seen = seen;
        this.camera = camera;
        this.look = dress.look();
        this.light = camera.turned(dress.light().direction());
        this.up = camera.turned(Point3.UP);
        this.small = new SmallTriangle(seen);
        this.vertexColors = figure.colors().orElse(null);
        Bounds bounds = figure.reach();
        double middle = -camera.seen(bounds.middle()).z();
        this.nearest = middle - bounds.radius();
        this.depths = Math.max(1e-9, 2 * bounds.radius());
    }

    /** An opaque word. */
    int argb(int triangle, double x, double y) {
        if (triangle != current) {
            turnTo(triangle);
        }
        if (isSmall) {
            return ClayLight.argb(small.light(x, y));
        }
        find(x, y);
        return switch (look) {
            case FLAT -> 0xFF000000 | color(triangle);
            case DEPTH -> depth();
            case BANDS -> {
                double cosine = lit(true);
                yield BANDS[cosine >= LIGHT ? 2 : cosine >= MIDDLE ? 1 : 0];
            }
            default -> ClayLight.argb(lit(false));
        };
    }

    /** How much of what is behind a triangle it covers, 0 to 1. */
    double opacity(int triangle, double x, double y) {
        if (triangle != current) {
            turnTo(triangle);
        }
        if (isSmall) {
            measure();
        }
        find(x, y);
        return (color(triangle) >>> 24) / 255.0;
    }

    /** Whether a triangle is open where it is clear. */
    boolean isOpen(int triangle, double x, double y) {
        return opacity(triangle, x, y) < figure.surface(triangle).cutout();
    }

    private int depth() {
        float[] places = seen.places();
        double depth = -(shareA * places[a + 2] + shareB * places[b + 2] + shareC * places[c + 2]);
        double far = Math.max(0, Math.min(1, (depth - nearest) / depths));
        int grey = (int) Math.round(NEAR_GREY + (FAR_GREY - NEAR_GREY) * far);
        return 0xFF000000 | grey << 16 | grey << 8 | grey;
    }

    /** Of its surface and its vertices together. */
    private int color(int triangle) {
        float[] uv = figure.texels();
        int i = a / 3 * 2;
        int k = b / 3 * 2;
        int m = c / 3 * 2;
        Surface surface = figure.surface(triangle);
        int word = surface.argb(
                shareA * uv[i] + shareB * uv[k] + shareC * uv[m],
                shareA * uv[i + 1] + shareB * uv[k + 1] + shareC * uv[m + 1]);
        return vertexColors == null ? word : colored(word, surface.cover());
    }

    /** Light is multiplied as light: glTF 2.0, 3.9.2. */
    private int colored(int word, Surface.Cover cover) {
        int alpha = cover == Surface.Cover.WHOLE ? 255 : (int) Math.round((word >>> 24) * vertexColor(3));
        int out = alpha << 24;
        for (int part = 0; part < 3; part++) {
            int shift = 16 - 8 * part;
            double light = Srgb.light((word >> shift & 255) / 255.0) * vertexColor(part);
            out |= (int) Math.round(255 * Srgb.part(light)) << shift;
        }
        return out;
    }

    /** A part of the colour that the corners have here. */
    private double vertexColor(int part) {
        return Math.max(
                0,
                Math.min(
                        1,
                        shareA * vertexColors[a / 3 * 4 + part]
                                + shareB * vertexColors[b / 3 * 4 + part]
                                + shareC * vertexColors[c / 3 * 4 + part]));
    }

    /** By the normal there: its cosine with the light alone, or all light of the clay look. */
    private double lit(boolean cosineAlone) {
        float[] normals = seen.normals();
        double nx = shareA * normals[a] + shareB * normals[b] + shareC * normals[c];
        double ny = shareA * normals[a + 1] + shareB * normals[b + 1] + shareC * normals[c + 1];
        double nz = shareA * normals[a + 2] + shareB * normals[b + 2] + shareC * normals[c + 2];
        double agrees = nx * fx + ny * fy + nz * fz;
        double length = nx * nx + ny * ny + nz * nz;
        if (length < 1e-20) {
            nx = fx;
            ny = fy;
            nz = fz;
            agrees = 1;
            length = fx * fx + fy * fy + fz * fz;
        }
        // What is seen from behind is lit as what is seen; the flat side decides, not the rounded normal.
        double to1 = (agrees < 0 ? -1 : 1) / Math.sqrt(Math.max(1e-60, length));
        double cosine = (nx * light.x() + ny * light.y() + nz * light.z()) * to1;
        return cosineAlone ? cosine : ClayLight.of(cosine, (nx * up.x() + ny * up.y() + nz * up.z()) * to1);
    }

    /**
     * How much each corner counts where a place of the picture looks: the volumes of the ray with two corners each; kept within the triangle, as the
     * middle of a pixel may lie just outside.
     */
    private void find(double px, double py) {
        double dx = (px - camera.middleX()) / camera.focalPx();
        double dy = (camera.middleY() - py) / camera.focalPx();
        double u = ax * dx + ay * dy - az;
        double v = bx * dx + by * dy - bz;
        double w = cx * dx + cy * dy - cz;
        // All three have the sign of the side that is seen.
        double sign = u + v + w < 0 ? -1 : 1;
        u = Math.max(0, u * sign);
        v = Math.max(0, v * sign);
        w = Math.max(0, w * sign);
        double all = u + v + w;
        double to1 = all > 0 ? 1 / all : 0;
        shareB = v * to1;
        shareC = w * to1;
        shareA = 1 - shareB - shareC;
    }

    private void turnTo(int triangle) {
        current = triangle;
        isSmall = look == ModelLook.CLAY && small.turnTo(triangle);
        if (!isSmall) {
            measure();
        }
    }

    private void measure() {
        int[] corners = figure.triangles();
        a = 3 * corners[3 * current];
        b = 3 * corners[3 * current + 1];
        c = 3 * corners[3 * current + 2];
        ax = across(b, c, 1, 2);
        ay = across(b, c, 2, 0);
        az = across(b, c, 0, 1);
        bx = across(c, a, 1, 2);
        by = across(c, a, 2, 0);
        bz = across(c, a, 0, 1);
        cx = across(a, b, 1, 2);
        cy = across(a, b, 2, 0);
        cz = across(a, b, 0, 1);
        fx = ax + bx + cx;
        fy = ay + by + cy;
        fz = az + bz + cz;
        float[] places = seen.places();
        if (fx * places[a] + fy * places[a + 1] + fz * places[a + 2] > 0) {
            fx = -fx;
            fy = -fy;
            fz = -fz;
        }
    }

    /** One part of the cross product of two seen vertices. */
    private double across(int v, int w, int i, int k) {
        float[] places = seen.places();
        return (double) places[v + i] * places[w + k] - (double) places[v + k] * places[w + i];
    }
}
