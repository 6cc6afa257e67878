package chalktrace.core.testing;

import chalktrace.core.motion.Luma;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.Plane;
import chalktrace.core.picture.YuvMatrix;
import chalktrace.core.picture.YuvPicture;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import java.util.function.IntFunction;

/** Pictures of {@link MovingClip}s as a camera sees it that is held by hand: it drifts, sways and turns a little. Where it looks is known. */
public final class HandHeldClip implements PictureSource {

    /** What the camera never sees of the clip, on each side, in px, so that it never looks beyond it. */
    private static final int MARGIN = 30;

    private static final int WIDTH = MovingClip.WIDTH - 2 * MARGIN;
    private static final int HEIGHT = MovingClip.HEIGHT - 2 * MARGIN;

    private final IntFunction<Luma> scene;
    private final int frames;
    private final double sway;
    private final double[] phases;
    private final Map<Integer, Picture> made = new HashMap<>();

    public HandHeldClip(MovingClip clip, long seed, double sway) {
        this(clip::picture, clip.frames(), seed, sway);
    }

    /** @param scene of the size of a moving clip, by frame @param sway of the camera, in px; 0 for one on a stand */
    public HandHeldClip(IntFunction<Luma> scene, int frames, long seed, double sway) {
        this.scene = scene;
        this.frames = frames;
        this.sway = sway;
        this.phases = new Random(seed).doubles(7, 0, 2 * Math.PI).toArray();
    }

    private double swayed(int frame, double slow, double fast, int phase) {
        return sway
                * (Math.sin(slow * frame + phases[phase])
                        + 0.6 * Math.sin(2.7 * slow * frame + phases[phase + 1])
                        + 0.3 * Math.sin(fast * frame + phases[phase + 2]));
    }

    /** The place of the clip that the camera sees at a place of its picture, px from pixel middles. */
    public double[] clipPlace(double x, double y, int frame) {
        double u = x - WIDTH / 2.0;
        double v = y - HEIGHT / 2.0;
        double turned = 0.0015 * sway * Math.sin(0.4 * frame + phases[6]);
        double cos = Math.cos(turned);
        double sin = Math.sin(turned);
        return new double[] {
            MovingClip.WIDTH / 2.0 + u * cos - v * sin + swayed(frame, 0.31, 1.9, 0),
            MovingClip.HEIGHT / 2.0 + u * sin + v * cos + swayed(frame, 0.27, 2.1, 3)
        };
    }

    public Luma luma(int frame) {
        Luma seen = scene.apply(frame);
        byte[] out = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < out.length; i++) {
            double[] at = clipPlace(i % WIDTH, i / WIDTH, frame);
            out[i] = (byte) Math.rint(between(seen, at[0], at[1]));
        }
        return new Luma(out, WIDTH, HEIGHT);
    }

    private static double between(Luma picture, double x, double y) {
        int left = (int) x;
        int top = (int) y;
        double above = row(picture, left, top, x - left);
        return above + (row(picture, left, top + 1, x - left) - above) * (y - top);
    }

    private static double row(Luma picture, int left, int y, double right) {
        int at = y * picture.width() + left;
        int value = picture.values()[at] & 0xFF;
        return value + ((picture.values()[at + 1] & 0xFF) - value) * right;
    }

    @Override
    public PictureSize displaySize() {
        return new PictureSize(WIDTH, HEIGHT);
    }

    @Override
    public PictureTimes times() {
        return PictureTimes.even(FrameRate.of(24), frames);
    }

    @Override
    public int turnDegrees() {
        return 0;
    }

    @Override
    public Picture picture(int n) {
        return made.computeIfAbsent(n, frame -> {
            byte[] grey = new byte[(WIDTH / 2) * (HEIGHT / 2)];
            Arrays.fill(grey, (byte) 128);
            Plane chroma = new Plane(WIDTH / 2, HEIGHT / 2, grey);
            return new YuvPicture(
                    new Plane(WIDTH, HEIGHT, luma(frame).values()), chroma, chroma, YuvMatrix.BT709, true);
        });
    }
}
