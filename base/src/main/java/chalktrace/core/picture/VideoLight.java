package chalktrace.core.picture;

import java.util.function.DoubleUnaryOperator;

/**
 * What light the RGB of a video stands for, and how it is brought to that of the screen and of exported movies: the primaries of
 * ITU-R BT.709, white at what the video means as the white of a page, brighter light rolled off below it.
 */
public enum VideoLight {
    /** The primaries of the screen: nothing is done. */
    SCREEN(null),

    /** ITU-R BT.2020 at the usual brightness, shown as ITU-R BT.1886 has it. */
    WIDE(signal -> Math.pow(signal, VideoLight.DISPLAY_GAMMA)),

    /** ITU-R BT.2100 with the perceptual quantiser (SMPTE ST 2084). */
    PQ(signal -> VideoLight.rolledOff(VideoLight.nits(signal))),

    /** ITU-R BT.2100 with hybrid log-gamma, as a display of 1,000 cd/m2 shows it; each part on its own. */
    HLG(signal -> VideoLight.rolledOff(VideoLight.PEAK_NITS * Math.pow(VideoLight.scene(signal), 1.2)));

    private static final double DISPLAY_GAMMA = 2.4;

    /** ITU-R BT.2408: what a white page has, and what the brightest things usually have. */
    private static final double WHITE_NITS = 203;

    private static final double PEAK_NITS = 1000;

    // SMPTE ST 2084.
    private static final double M1 = 2610.0 / 16384;
    private static final double M2 = 2523.0 / 4096 * 128;
    private static final double C1 = 3424.0 / 4096;
    private static final double C2 = 2413.0 / 4096 * 32;
    private static final double C3 = 2392.0 / 4096 * 32;

    /** Linear BT.2020 to linear BT.709, in 65536ths: the inverse of that of ITU-R BT.2087. */
    private static final int[][] TO_SCREEN = {
        {108_823, -38_511, -4_776},
        {-8_164, 74_246, -546},
        {-1_190, -6_596, 73_322}
    };

    /** By linear light, 0 to 65535: the part of a word. */
    private static final byte[] SHOWN = shown();

    /** By part of a word: linear light, 0 to 65535; null where nothing is to be done. */
    private final int[] linear;

    VideoLight(DoubleUnaryOperator toLight) {
        linear = toLight == null ? null : new int[256];
        for (int i = 0; linear != null && i < 256; i++) {
            linear[i] = (int) Math.round(65535 * Math.min(1, toLight.applyAsDouble(i / 255.0)));
        }
    }

    private static byte[] shown() {
        byte[] table = new byte[65536];
        for (int i = 0; i < table.length; i++) {
            table[i] = (byte) Math.round(255 * Math.pow(i / 65535.0, 1 / DISPLAY_GAMMA));
        }
        return table;
    }

    /** Changes opaque words in place. */
    void toScreen(int[] words, int count) {
        if (linear == null) {
            return;
        }
        for (int i = 0; i < count; i++) {
            words[i] = toScreen(words[i]);
        }
    }

    int toScreen(int word) {
        if (linear == null) {
            return word;
        }
        int red = linear[word >> 16 & 255];
        int green = linear[word >> 8 & 255];
        int blue = linear[word & 255];
        return 0xFF000000
                | part(0, red, green, blue) << 16
                | part(1, red, green, blue) << 8
                | part(2, red, green, blue);
    }

    private static int part(int row, int red, int green, int blue) {
        int[] by = TO_SCREEN[row];
        long light = (long) by[0] * red + (long) by[1] * green + (long) by[2] * blue + 32768 >> 16;
        return SHOWN[(int) Math.max(0, Math.min(65535, light))] & 255;
    }

    /** Of a signal of the perceptual quantiser, 0 to 1, in cd/m2. */
    private static double nits(double signal) {
        double root = Math.pow(signal, 1 / M2);
        return 10_000 * Math.pow(Math.max(0, root - C1) / (C2 - C3 * root), 1 / M1);
    }

    private static double quantised(double nits) {
        double power = Math.pow(nits / 10_000, M1);
        return Math.pow((C1 + C2 * power) / (1 + C3 * power), M2);
    }

    /** Of a signal of hybrid log-gamma the light before the camera, 0 to 1 (ITU-R BT.2100, table 5). */
    private static double scene(double signal) {
        double a = 0.17883277;
        double b = 1 - 4 * a;
        double c = 0.5 - a * Math.log(4 * a);
        return signal <= 0.5 ? signal * signal / 3 : (Math.exp((signal - c) / a) + b) / 12;
    }

    /** Light of up to the usual peak brought below white by the spline of ITU-R BT.2390, 5.4.1; 1 is white. */
    private static double rolledOff(double nits) {
        double peak = quantised(PEAK_NITS);
        double most = quantised(WHITE_NITS) / peak;
        double knee = 1.5 * most - 0.5;
        double at = Math.min(1, quantised(nits) / peak);
        if (at >= knee) {
            double t = (at - knee) / (1 - knee);
            at = (2 * t * t * t - 3 * t * t + 1) * knee
                    + (t * t * t - 2 * t * t + t) * (1 - knee)
                    + (-2 * t * t * t + 3 * t * t) * most;
        }
        return nits(at * peak) / WHITE_NITS;
    }
}
