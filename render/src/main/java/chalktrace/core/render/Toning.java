package chalktrace.core.render;

import chalktrace.core.picture.Srgb;
import chalktrace.core.shot.Footage;

/** Lays rows of footage over a tile: tinted, then lightened, then faded. */
final class Toning {

    private final int lighten;
    private final int tint;
    private final int tintRed;
    private final int tintGreen;
    private final int tintBlue;
    private final int saturation;
    private final int opacity;

    /** By part of a word, the part in the exposure; null where that is as it is. */
    private final int[] exposure;

    /** @param stops of exposure that are still to be added */
    Toning(Footage.Look look, double stops, double opacity) {
        this.lighten = Blend.share(look.lighten());
        this.tint = Blend.share(look.tint());
        this.tintRed = look.color().red();
        this.tintGreen = look.color().green();
        this.tintBlue = look.color().blue();
        this.saturation = Blend.share(look.saturation());
        this.opacity = Blend.share(opacity);
        this.exposure = stops == 0 ? null : exposure(stops);
    }

    /**
     * @param row words of straight opacity; {@code count} of them go to {@code pixels} from {@code at} on; used as scratch
     * @param opaque whether all words are known to be opaque
     */
    void lay(int[] row, boolean opaque, int count, int[] pixels, int at) {
        if (exposure != null) {
            for (int i = 0; i < count; i++) {
                int word = row[i];
                row[i] = word & 0xFF000000
                        | exposure[word >> 16 & 255] << 16
                        | exposure[word >> 8 & 255] << 8
                        | exposure[word & 255];
            }
        }
        if (saturation < 256) {
            for (int i = 0; i < count; i++) {
                int grey = lightness(row[i]) * 0x010101;
                row[i] = row[i] & 0xFF000000 | Blend.mix(grey, row[i], saturation) & 0xFFFFFF;
            }
        }
        if (tint > 0) {
            for (int i = 0; i < count; i++) {
                row[i] = row[i] & 0xFF000000 | Blend.mix(row[i], tinted(row[i]), tint) & 0xFFFFFF;
            }
        }
        if (lighten > 0) {
            // Plain arithmetic without branches, so that several words are worked on at once.
            int white = Blend.scale(0xFFFFFF, lighten);
            for (int i = 0; i < count; i++) {
                row[i] = row[i] & 0xFF000000 | (Blend.scale(row[i], 256 - lighten) & 0xFFFFFF) + white;
            }
        }
        if (opaque && opacity == 256) {
            System.arraycopy(row, 0, pixels, at, count);
        } else if (opaque) {
            for (int i = 0; i < count; i++) {
                pixels[at + i] = Blend.mix(pixels[at + i], row[i], opacity);
            }
        } else {
            for (int i = 0; i < count; i++) {
                pixels[at + i] = Blend.over(pixels[at + i], Blend.scale(Blend.premultiply(row[i]), opacity));
            }
        }
    }

    /** Through linear light. */
    private static int[] exposure(double stops) {
        int[] table = new int[256];
        for (int i = 0; i < 256; i++) {
            double light = Math.min(1, Srgb.light(i / 255.0) * Math.pow(2, stops));
            table[i] = (int) Math.round(255 * Srgb.part(light));
        }
        return table;
    }

    /** The word's lightness in shades from black over the tint's colour to white. */
    private int tinted(int word) {
        int light = lightness(word);
        return shade(tintRed, light) << 16 | shade(tintGreen, light) << 8 | shade(tintBlue, light);
    }

    /** After the luma weights of BT.709. */
    private static int lightness(int word) {
        return (word >> 16 & 255) * 54 + (word >> 8 & 255) * 183 + (word & 255) * 19 >> 8;
    }

    private static int shade(int part, int light) {
        return light < 128 ? part * light >> 7 : part + ((255 - part) * (light - 128) >> 7);
    }
}
