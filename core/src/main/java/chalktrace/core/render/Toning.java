package chalktrace.core.render;

import chalktrace.core.shot.Footage;

/** Lays rows of footage over a tile: tinted, then lightened, then faded. */
final class Toning {

    private final int lighten;
    private final int tint;
    private final int tintRed;
    private final int tintGreen;
    private final int tintBlue;
    private final int opacity;

    Toning(Footage.Look look, double opacity) {
        this.lighten = Blend.share(look.lighten());
        this.tint = Blend.share(look.tint());
        this.tintRed = look.color().red();
        this.tintGreen = look.color().green();
        this.tintBlue = look.color().blue();
        this.opacity = Blend.share(opacity);
    }

    /** @param row words of straight opacity; {@code count} of them go to {@code pixels} from {@code at} on */
    void lay(int[] row, int count, int[] pixels, int at) {
        for (int i = 0; i < count; i++) {
            int word = row[i];
            if (tint > 0) {
                word = word & 0xFF000000 | Blend.mix(word, tinted(word), tint) & 0xFFFFFF;
            }
            if (lighten > 0) {
                word = word & 0xFF000000 | Blend.mix(word, 0xFFFFFFFF, lighten) & 0xFFFFFF;
            }
            if (word >>> 24 == 255 && opacity == 256) {
                pixels[at + i] = word;
            } else {
                pixels[at + i] = Blend.over(pixels[at + i], Blend.scale(Blend.premultiply(word), opacity));
            }
        }
    }

    /** The word's lightness in shades from black over the tint's colour to white. */
    private int tinted(int word) {
        int light = (word >> 16 & 255) * 54 + (word >> 8 & 255) * 183 + (word & 255) * 19 >> 8;
        return shade(tintRed, light) << 16 | shade(tintGreen, light) << 8 | shade(tintBlue, light);
    }

    private static int shade(int part, int light) {
        return light < 128 ? part * light >> 7 : part + ((255 - part) * (light - 128) >> 7);
    }
}
