package chalktrace.core.testing;

import java.util.SplittableRandom;

/** What lies under drawings: papers and made-up photos, as opaque words row after row. */
public enum Grounds {
    WHITE_PAPER,
    MID_GREY,
    DARK_PHOTO,
    BRIGHT_PHOTO,
    TEAL_AND_PURPLE,
    STRIPES;

    public int[] words(int width, int height, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] phase = random.doubles(12, 0, 6.28).toArray();
        int[] out = new int[width * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double slow = Math.sin(x / 90.0 + phase[0]) * Math.cos(y / 70.0 + phase[1]);
                double fast = Math.sin(x / 9.0 + phase[2]) * Math.sin(y / 7.0 + phase[3]);
                double grain = random.nextDouble(-1, 1);
                out[y * width + x] = switch (this) {
                    case WHITE_PAPER -> 0xFFFFFFFF;
                    case MID_GREY -> 0xFF7C7F80;
                    case DARK_PHOTO -> word(34 + 26 * slow + 10 * fast + 6 * grain, 1.1, 0.95, 0.9);
                    case BRIGHT_PHOTO -> word(170 + 60 * slow + 20 * fast + 8 * grain, 1, 1, 0.95);
                    case TEAL_AND_PURPLE ->
                        slow > 0
                                ? word(105 + 30 * fast + 8 * grain, 0.45, 1.5, 1.4)
                                : word(105 + 30 * fast + 8 * grain, 1.5, 0.85, 1.6);
                    case STRIPES -> word(Math.sin(x / 14.0 + phase[4]) > 0 ? 220 + 5 * grain : 40 + 5 * grain, 1, 1, 1);
                };
            }
        }
        return out;
    }

    private static int word(double grey, double red, double green, double blue) {
        return 0xFF000000 | part(grey * red) << 16 | part(grey * green) << 8 | part(grey * blue);
    }

    private static int part(double value) {
        return (int) Math.max(0, Math.min(255, Math.round(value)));
    }
}
