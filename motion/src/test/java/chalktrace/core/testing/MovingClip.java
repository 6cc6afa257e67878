package chalktrace.core.testing;

import chalktrace.core.motion.Luma;
import java.util.Random;

/**
 * A thing with a texture that moves, turns, grows, is blurred by its movement and changes its light before a ground with another texture, in grain; at
 * times a bar passes before it. Where each point of it is, is known. All of it follows from the seed.
 */
public final class MovingClip {

    public static final int WIDTH = 480;
    public static final int HEIGHT = 270;

    private static final int TEXTURE = 512;

    private final Random random;
    private final double[] ground;
    private final double[] skin;
    private final double[] bar;
    private final double size;
    private final double rough;
    private final double[] phases = new double[6];
    private final double reachX;
    private final double reachY;
    private final double periodX;
    private final double periodY;
    private final double turn;
    private final double growth;
    private final double darkening;
    private final double grain;
    private final int frames;
    private final double shutter;
    private final int coveredFrom;

    /** @param fastest in px a frame @param coveredFrom the frame in which the bar's edge comes to the thing's middle; -1 for no bar */
    public MovingClip(long seed, int frames, double fastest, boolean blurred, int coveredFrom) {
        this(seed, frames, fastest, blurred ? 0.5 : 0, coveredFrom);
    }

    /** @param shutter for what share of a frame it is open, 0 to 1 */
    public MovingClip(long seed, int frames, double fastest, double shutter, int coveredFrom) {
        this.random = new Random(seed);
        this.frames = frames;
        this.shutter = shutter;
        this.coveredFrom = coveredFrom;
        ground = texture(110 + 30 * random.nextDouble());
        skin = texture(110 + 30 * random.nextDouble());
        bar = texture(90 + 60 * random.nextDouble());
        size = 45 + 25 * random.nextDouble();
        rough = 0.15 * random.nextDouble();
        for (int i = 0; i < phases.length; i++) {
            phases[i] = 2 * Math.PI * random.nextDouble();
        }
        periodX = 25 + 30 * random.nextDouble();
        periodY = 25 + 30 * random.nextDouble();
        reachX = Math.min(150, fastest * periodX / (2 * Math.PI) * 0.8);
        reachY = Math.min(60, fastest * periodY / (2 * Math.PI) * 0.55);
        turn = 15 * (0.4 + 0.6 * random.nextDouble());
        growth = 0.05 + 0.15 * random.nextDouble();
        darkening = 0.3 * random.nextDouble();
        grain = 1 + 3 * random.nextDouble();
    }

    private double[] texture(double mean) {
        double[] out = new double[TEXTURE * TEXTURE];
        for (int cell = 4; cell <= 64; cell *= 2) {
            int cells = TEXTURE / cell;
            double[] knots = new double[cells * cells];
            for (int i = 0; i < knots.length; i++) {
                knots[i] = random.nextGaussian();
            }
            double strength = 5 * Math.pow(cell, 0.35);
            double[] shares = new double[cell];
            for (int i = 0; i < cell; i++) {
                shares[i] = smooth(i / (double) cell);
            }
            for (int y = 0; y < TEXTURE; y++) {
                int top = y / cell * cells;
                int below = (y / cell + 1) % cells * cells;
                double v = shares[y % cell];
                for (int x = 0; x < TEXTURE; x++) {
                    int left = x / cell;
                    int right = (left + 1) % cells;
                    double u = shares[x % cell];
                    double high = knots[top + left] * (1 - u) + knots[top + right] * u;
                    double low = knots[below + left] * (1 - u) + knots[below + right] * u;
                    out[y * TEXTURE + x] += strength * (high * (1 - v) + low * v);
                }
            }
        }
        for (int i = 0; i < out.length; i++) {
            out[i] += mean;
        }
        return out;
    }

    private static double smooth(double t) {
        return t * t * (3 - 2 * t);
    }

    private static double at(double[] texture, double x, double y) {
        int left = (int) Math.floor(x);
        int top = (int) Math.floor(y);
        double u = x - left;
        double v = y - top;
        int l = left & TEXTURE - 1;
        int r = left + 1 & TEXTURE - 1;
        int t = (top & TEXTURE - 1) * TEXTURE;
        int b = (top + 1 & TEXTURE - 1) * TEXTURE;
        return (texture[t + l] * (1 - u) + texture[t + r] * u) * (1 - v)
                + (texture[b + l] * (1 - u) + texture[b + r] * u) * v;
    }

    private double middleX(double frame) {
        return WIDTH / 2.0 + reachX * Math.sin(2 * Math.PI * frame / periodX + phases[0]);
    }

    private double middleY(double frame) {
        return HEIGHT / 2.0 + reachY * Math.sin(2 * Math.PI * frame / periodY + phases[1]);
    }

    private double scale(double frame) {
        return 1 + growth * Math.sin(2 * Math.PI * frame / 60 + phases[2]);
    }

    private double radians(double frame) {
        return Math.toRadians(turn * Math.sin(2 * Math.PI * frame / 50 + phases[3]));
    }

    private double barX(double frame) {
        return middleX(coveredFrom) - 70 + 12 * (frame - coveredFrom);
    }

    /** Where a point of the thing is, given by its place about the thing's middle. */
    public double[] truth(double u, double v, double frame) {
        double s = scale(frame);
        double cos = Math.cos(radians(frame));
        double sin = Math.sin(radians(frame));
        return new double[] {middleX(frame) + s * (u * cos - v * sin), middleY(frame) + s * (u * sin + v * cos)};
    }

    /** Whether the bar lies over a point of the thing. */
    public boolean covers(double u, double v, int frame) {
        double x = truth(u, v, frame)[0];
        return coveredFrom >= 0 && x >= barX(frame) && x < barX(frame) + 70;
    }

    /** How far the thing reaches from its middle. */
    public double size() {
        return size;
    }

    public int frames() {
        return frames;
    }

    public Luma picture(int frame) {
        Random noise = new Random(31L * frame + Double.doubleToLongBits(phases[0]));
        byte[] out = new byte[WIDTH * HEIGHT];
        double[] sum = new double[WIDTH * HEIGHT];
        int samples = shutter == 0 ? 1 : shutter > 0.5 ? 10 : 4;
        for (int k = 0; k < samples; k++) {
            // It is open about the frame's own time.
            add(frame + ((k + 0.5) / samples - 0.5) * shutter, sum);
        }
        double light = 1 - darkening * frame / frames;
        for (int i = 0; i < sum.length; i++) {
            out[i] = (byte)
                    Math.max(0, Math.min(255, Math.rint(light * sum[i] / samples + grain * noise.nextGaussian())));
        }
        return new Luma(out, WIDTH, HEIGHT);
    }

    private void add(double frame, double[] sum) {
        double cx = middleX(frame);
        double cy = middleY(frame);
        double cos = Math.cos(radians(frame)) / scale(frame);
        double sin = Math.sin(radians(frame)) / scale(frame);
        double from = barX(frame);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double u = (x - cx) * cos + (y - cy) * sin;
                double v = -(x - cx) * sin + (y - cy) * cos;
                double far = Math.sqrt(u * u + v * v);
                boolean thing =
                        far < size * 1.2 && far < size * (1 + rough * Math.sin(5 * Math.atan2(v, u) + phases[4]));
                double value = thing ? at(skin, u + 200, v + 200) : ground[(y & TEXTURE - 1) * TEXTURE + x];
                if (coveredFrom >= 0 && x >= from && x < from + 70) {
                    value = at(bar, x - from, y);
                }
                sum[y * WIDTH + x] += value;
            }
        }
    }
}
