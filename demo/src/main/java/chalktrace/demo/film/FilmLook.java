package chalktrace.demo.film;

import java.util.SplittableRandom;

/** Turns linear light into a picture that looks filmed: exposure that wavers, a soft lens, darker corners, grain. */
public final class FilmLook {

    private final int sourceWidth;
    private final int sourceHeight;
    private final int width;
    private final int height;

    public FilmLook(int sourceWidth, int sourceHeight, int width, int height) {
        this.sourceWidth = sourceWidth;
        this.sourceHeight = sourceHeight;
        this.width = width;
        this.height = height;
    }

    /**
     * @param light red, green, blue of each source pixel, row after row
     * @param samples how many moments were added up in {@code light}
     * @return opaque words, row after row
     */
    public int[] develop(float[] light, int samples, int frame) {
        int[] out = new int[width * height];
        SplittableRandom random = new SplittableRandom(9_001 + frame);
        double waver = 1 + 0.018 * Math.sin(frame * 0.31) + 0.012 * Math.sin(frame * 1.7 + 1);
        for (int y = 0; y < height; y++) {
            double sy = (y + 0.5) * sourceHeight / height - 0.5;
            for (int x = 0; x < width; x++) {
                double sx = (x + 0.5) * sourceWidth / width - 0.5;
                double dx = (x + 0.5) / width - 0.5;
                double dy = (y + 0.5) / height - 0.5;
                double corner = 1 - 0.75 * (dx * dx + 0.8 * dy * dy);
                double uneven = 1 + 0.10 * Math.sin(3 * dx + 0.8 * Math.sin(frame * 0.05)) * Math.cos(2.2 * dy + 0.4);
                double gain = waver * corner * uneven / samples;
                double grain = (random.nextDouble() + random.nextDouble() + random.nextDouble() - 1.5) * 0.034;
                int red = part(sample(light, sx, sy, 0) * gain, grain);
                int green = part(sample(light, sx, sy, 1) * gain, grain);
                int blue = part(sample(light, sx, sy, 2) * gain, grain * 1.2);
                out[y * width + x] = 0xFF000000 | red << 16 | green << 8 | blue;
            }
        }
        return out;
    }

    private double sample(float[] light, double x, double y, int part) {
        int x0 = Math.max(0, Math.min(sourceWidth - 2, (int) Math.floor(x)));
        int y0 = Math.max(0, Math.min(sourceHeight - 2, (int) Math.floor(y)));
        double fx = Math.max(0, Math.min(1, x - x0));
        double fy = Math.max(0, Math.min(1, y - y0));
        int at = 3 * (y0 * sourceWidth + x0) + part;
        int below = at + 3 * sourceWidth;
        return (light[at] * (1 - fx) + light[at + 3] * fx) * (1 - fy)
                + (light[below] * (1 - fx) + light[below + 3] * fx) * fy;
    }

    /** A shoulder for the bright parts, then the sRGB curve (IEC 61966-2-1) and grain, which shows most in the middle. */
    private static int part(double light, double grain) {
        double c = 0.92 * light;
        double bent = c < 0.6 ? c : 0.6 + (1 - Math.exp(-(c - 0.6) / 0.4)) * 0.4;
        double curve = bent <= 0.0031308 ? 12.92 * bent : 1.055 * Math.pow(bent, 1 / 2.4) - 0.055;
        double grained = curve + grain * (0.6 + 0.8 * curve * (1 - curve));
        return (int) Math.max(0, Math.min(255, Math.round(255 * (0.015 + 0.985 * grained))));
    }
}
