package chalktrace.core.render;

/** Mixing of colour words, two parts of a word at a time. */
final class Blend {

    private static final int ODD = 0x00FF00FF;

    private Blend() {}

    /** All four parts of a word times a share of 0 to 256. */
    static int scale(int word, int share) {
        int odd = (word & ODD) * share >>> 8 & ODD;
        int even = (word >>> 8 & ODD) * share & ~ODD;
        return odd | even;
    }

    /** A premultiplied word laid over an opaque one. */
    static int over(int below, int above) {
        int alpha = above >>> 24;
        // 255 must hide all of what lies below, 0 none of it.
        return above + scale(below, 256 - alpha - (alpha >> 7)) | 0xFF000000;
    }

    /**
     * Lays a row of premultiplied words over a row of a tile. Both lie in arrays of their own from their first word on, and
     * each loop is plain: so the machine takes many words at a time.
     *
     * @param above as many words as the tile is wide; they are scaled in place
     * @param below room for as many
     * @param share 0 to 256, of what is laid over
     */
    static void rowOver(PixelTile tile, int y, int[] above, int[] below, int share) {
        int count = tile.width();
        int at = tile.index(tile.x(), y);
        System.arraycopy(tile.pixels(), at, below, 0, count);
        if (share < 256) {
            scaleAll(above, count, share);
        }
        overAll(below, above, count);
        System.arraycopy(below, 0, tile.pixels(), at, count);
    }

    private static void scaleAll(int[] words, int count, int share) {
        for (int i = 0; i < count; i++) {
            words[i] = scale(words[i], share);
        }
    }

    private static void overAll(int[] below, int[] above, int count) {
        for (int i = 0; i < count; i++) {
            below[i] = over(below[i], above[i]);
        }
    }

    /** A premultiplied word laid over another that may be clear. */
    static int overClear(int below, int above) {
        int alpha = above >>> 24;
        return below == 0 || alpha == 255 ? above : above + scale(below, 256 - alpha - (alpha >> 7));
    }

    /** A premultiplied word multiplied onto an opaque one: white changes nothing, black gives black. */
    static int multiply(int below, int above) {
        int clear = 255 - (above >>> 24);
        int out = 0xFF000000;
        for (int shift = 0; shift <= 16; shift += 8) {
            int factor = (above >> shift & 255) + clear;
            out |= ((below >> shift & 255) * Math.min(255, factor) + 127) / 255 << shift;
        }
        return out;
    }

    /** Between two opaque words: share 0 is {@code a}, 256 is {@code b}. */
    static int mix(int a, int b, int share) {
        int odd = (a & ODD) + (((b & ODD) - (a & ODD)) * share >> 8) & ODD;
        int even = (a >>> 8 & ODD) + (((b >>> 8 & ODD) - (a >>> 8 & ODD)) * share >> 8) & ODD;
        return even << 8 | odd | 0xFF000000;
    }

    /** The share that a line's opacity of 0 to 255 covers where it must not get lost: what is left open is cubed. */
    static int firm(int alpha) {
        int open = 256 - alpha - (alpha >> 7);
        return 256 - (open * open * open >> 16);
    }

    /** A word of straight opacity as a premultiplied one. */
    static int premultiply(int word) {
        int alpha = word >>> 24;
        return alpha == 255 ? word : scale(word & 0xFFFFFF | 0xFF000000, alpha + (alpha >> 7)) & 0xFFFFFF | alpha << 24;
    }

    /** What covers an opaque word, as a word of straight opacity, by how it looks over black and over white. */
    static int straight(int overBlack, int overWhite) {
        int open = 0;
        for (int shift = 0; shift <= 16; shift += 8) {
            open += (overWhite >> shift & 255) - (overBlack >> shift & 255);
        }
        int alpha = 255 - Math.max(0, (open + 1) / 3);
        if (alpha == 0) {
            return 0;
        }
        int out = alpha << 24;
        for (int shift = 0; shift <= 16; shift += 8) {
            out |= Math.min(255, ((overBlack >> shift & 255) * 255 + alpha / 2) / alpha) << shift;
        }
        return out;
    }

    /** A share of 0 to 1 as 0 to 256. */
    static int share(double part) {
        return (int) Math.round(part * 256);
    }
}
