package chalktrace.benchmarks;

import chalktrace.core.motion.MotionProposal;
import chalktrace.core.motion.MovingPart;
import chalktrace.core.motion.MovingParts;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.Study;
import chalktrace.core.motion.StudySettings;
import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;

/**
 * How many keys are proposed, without a touch, in clips in which nothing moves: grain, compression, flicker, a camera held by hand before one depth and before two;
 * and how many of the true ones are found where something does: {@code StillQuality SEED PHOTO...}. Ten seconds each at 24 a second.
 */
public final class StillQuality {

    private static final PictureSize SIZE = new PictureSize(480, 360);
    private static final int FRAMES = Integer.getInteger("chalktrace.frames", 240);
    private static final int NEAR = 2;

    /** What spoils a clip. */
    private enum Kind {
        GRAIN,
        COMPRESSED,
        FLICKER,
        HAND_HELD,
        TWO_DEPTHS
    }

    private StillQuality() {}

    public static void main(String[] arguments) throws Exception {
        long seed = Long.parseLong(arguments[0]);
        List<BufferedImage> photos = new ArrayList<>();
        for (String name : Arrays.copyOfRange(arguments, 1, arguments.length)) {
            photos.add(ImageIO.read(new File(name)));
        }
        int found = 0;
        int truth = 0;
        int right = 0;
        int proposed = 0;
        int still = 0;
        for (Kind kind : Kind.values()) {
            StringBuilder line = new StringBuilder();
            for (int p = 0; p < photos.size(); p++) {
                int false1 =
                        keys(new Scene(photos.get(p), kind, false, seed + p)).size();
                still += false1;
                Scene moving = new Scene(photos.get(p), kind, true, seed + p);
                List<Integer> keys = keys(moving);
                List<Integer> wanted = keys(List.of(moving.truth()));
                found += near(wanted, keys);
                truth += wanted.size();
                right += near(keys, wanted);
                proposed += keys.size();
                line.append(String.format(
                        "  still %2d, moving %d of %d, %d of %d right;",
                        false1, near(wanted, keys), wanted.size(), near(keys, wanted), keys.size()));
            }
            System.out.println(kind + line.toString());
        }
        System.out.printf(
                "false keys in %d still clips %d; true keys found %d of %d (%.1f %%), right %d of %d%n",
                photos.size() * Kind.values().length, still, found, truth, 100.0 * found / truth, right, proposed);
    }

    private static int near(List<Integer> some, List<Integer> others) {
        return (int) some.stream()
                .filter(frame -> others.stream().anyMatch(other -> Math.abs(other - frame) <= NEAR))
                .count();
    }

    private static List<Integer> keys(Scene scene) throws Exception {
        List<MovingPoint> points = new ArrayList<>();
        for (MovingPart part : MovingParts.of(scene, 0, FRAMES, (done, total) -> true)) {
            points.add(MovingPoint.of("part " + points.size(), part.steady()));
        }
        return keys(points);
    }

    private static List<Integer> keys(List<MovingPoint> points) {
        return Study.of(points, 0, FRAMES - 1, StudySettings.usual(SIZE.height())).keys().stream()
                .map(MotionProposal::frame)
                .toList();
    }

    /** A photo, perhaps with a part of another before it. */
    private static final class Scene implements PictureSource {

        private final int[] words;
        private final int wide;
        private final int high;
        private final double scale;
        private final Kind kind;
        private final boolean moves;
        private final long seed;
        private final double[][] camera = new double[FRAMES][2];
        private final double[][] way = new double[FRAMES][2];

        Scene(BufferedImage photo, Kind kind, boolean moves, long seed) {
            this.wide = photo.getWidth();
            this.high = photo.getHeight();
            this.words = photo.getRGB(0, 0, wide, high, null, 0, wide);
            this.scale = Math.min((wide - 1) / (SIZE.width() + 60.0), (high - 1) / (SIZE.height() + 60.0));
            this.kind = kind;
            this.moves = moves;
            this.seed = seed;
            Random random = new Random(seed * 31 + kind.ordinal());
            boolean sways = kind == Kind.HAND_HELD || kind == Kind.TWO_DEPTHS;
            for (int axis = 0; axis < 2; axis++) {
                double[] phase = random.doubles(4, 0, 2 * Math.PI).toArray();
                double[] size = random.doubles(4, 0.5, 1).toArray();
                for (int n = 0; n < FRAMES; n++) {
                    double t = n / 24.0;
                    camera[n][axis] = !sways
                            ? 0
                            : 5 * size[0] * Math.sin(1.3 * t + phase[0])
                                    + 2.5 * size[1] * Math.sin(4.1 * t + phase[1])
                                    + 0.7 * size[2] * Math.sin(17 * t + phase[2]);
                }
            }
            int at = 0;
            double x = 240;
            double y = 180;
            while (at < FRAMES) {
                double toX = 120 + 240 * random.nextDouble();
                double toY = 110 + 140 * random.nextDouble();
                int rest = random.nextInt(3) * 8;
                int go = 10 + random.nextInt(22);
                for (int k = 0; k < rest + go && at < FRAMES; k++, at++) {
                    double share = Math.max(0, k - rest) / (double) go;
                    double eased = share * share * (3 - 2 * share);
                    way[at][0] = x + (toX - x) * eased;
                    way[at][1] = y + (toY - y) * eased;
                }
                x = toX;
                y = toY;
            }
        }

        MovingPoint truth() {
            return new MovingPoint(
                    "truth",
                    0,
                    Arrays.stream(way).mapToDouble(p -> p[0]).toArray(),
                    Arrays.stream(way).mapToDouble(p -> p[1]).toArray());
        }

        @Override
        public PictureSize displaySize() {
            return SIZE;
        }

        @Override
        public PictureTimes times() {
            return PictureTimes.even(FrameRate.FILM, FRAMES);
        }

        @Override
        public int turnDegrees() {
            return 0;
        }

        @Override
        public Picture picture(int n) {
            Random random = new Random(seed * 100_003 + n * 17L + kind.ordinal());
            double gain = kind == Kind.FLICKER ? 1 + 0.05 * Math.sin(2.1 * n) + 0.03 * random.nextGaussian() : 1;
            double grain = kind == Kind.GRAIN ? 8 : 3.5;
            int[] out = new int[SIZE.width() * SIZE.height()];
            for (int y = 0; y < SIZE.height(); y++) {
                for (int x = 0; x < SIZE.width(); x++) {
                    double[] light = light(n, x, y);
                    double noise = grain * random.nextGaussian();
                    int word = 255;
                    for (double part : light) {
                        word = word << 8 | (int) Math.max(0, Math.min(255, Math.round(gain * part + noise)));
                    }
                    out[y * SIZE.width() + x] = word;
                }
            }
            return kind == Kind.COMPRESSED ? compressed(out) : new ArgbPicture(SIZE, out);
        }

        private double[] light(int n, int x, int y) {
            double sceneX = x + camera[n][0];
            double sceneY = y + camera[n][1];
            if (moves) {
                double dx = (sceneX - way[n][0]) / 46;
                double dy = (sceneY - way[n][1]) / 60;
                if (dx * dx + dy * dy < 1) {
                    return sample(430 - 46 * dx, 60 + 60 * dy);
                }
            }
            if (kind == Kind.TWO_DEPTHS) {
                double nearX = x + 1.8 * camera[n][0];
                double nearY = y + 1.8 * camera[n][1];
                if (nearX < 150 + 20 * Math.sin(nearY / 30)) {
                    return sample(nearX + 200, SIZE.height() - nearY);
                }
            }
            return sample(sceneX, sceneY);
        }

        private double[] sample(double sceneX, double sceneY) {
            double x = Math.max(0, Math.min(wide - 1.001, (sceneX + 30) * scale));
            double y = Math.max(0, Math.min(high - 1.001, (sceneY + 30) * scale));
            int at = (int) y * wide + (int) x;
            double fx = x - (int) x;
            double fy = y - (int) y;
            double[] out = new double[3];
            for (int part = 0; part < 3; part++) {
                int shift = 16 - 8 * part;
                out[part] = ((words[at] >> shift & 255) * (1 - fx) + (words[at + 1] >> shift & 255) * fx) * (1 - fy)
                        + ((words[at + wide] >> shift & 255) * (1 - fx) + (words[at + wide + 1] >> shift & 255) * fx)
                                * fy;
            }
            return out;
        }

        private static Picture compressed(int[] words) {
            BufferedImage image = new BufferedImage(SIZE.width(), SIZE.height(), BufferedImage.TYPE_INT_RGB);
            image.setRGB(0, 0, SIZE.width(), SIZE.height(), words, 0, SIZE.width());
            ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
            ImageWriteParam rough = writer.getDefaultWriteParam();
            rough.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            rough.setCompressionQuality(0.3f);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            try {
                writer.setOutput(ImageIO.createImageOutputStream(bytes));
                writer.write(null, new IIOImage(image, null, null), rough);
                writer.dispose();
                BufferedImage back = ImageIO.read(new ByteArrayInputStream(bytes.toByteArray()));
                return new ArgbPicture(SIZE, back.getRGB(0, 0, SIZE.width(), SIZE.height(), null, 0, SIZE.width()));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
