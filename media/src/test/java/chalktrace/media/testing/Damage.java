package chalktrace.media.testing;

import java.util.SplittableRandom;

/** Spoils files, and tells whether it shows. */
public final class Damage {

    /** Under this a picture is plainly not the one that was stored. */
    private static final double WRONG_DECIBELS = 25;

    private Damage() {}

    /** Some bytes exchanged behind the head. */
    public static byte[] exchanged(byte[] bytes, int most, SplittableRandom random) {
        byte[] out = bytes.clone();
        int count = 1 + random.nextInt(most);
        for (int k = 0; k < count; k++) {
            out[bytes.length / 8 + random.nextInt(bytes.length * 7 / 8)] = (byte) random.nextInt(256);
        }
        return out;
    }

    /** Whether opaque words plainly show another picture: peak signal-to-noise ratio. */
    public static boolean looksWrong(int[] words, int[] right) {
        return words.length != right.length || decibels(words, right) < WRONG_DECIBELS;
    }

    private static double decibels(int[] a, int[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            for (int shift = 0; shift < 24; shift += 8) {
                int d = (a[i] >> shift & 255) - (b[i] >> shift & 255);
                sum += d * d;
            }
        }
        return sum == 0 ? 99 : 10 * Math.log10(255.0 * 255 * 3 * a.length / sum);
    }
}
