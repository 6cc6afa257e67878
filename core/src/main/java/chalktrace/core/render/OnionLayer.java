package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A neighbour of the present drawing that shows through: its lines in a colour of their own that is made darker or lighter along
 * the line until it stands out from what lies under it there, paper or footage alike. How much it stands out, as a contrast after WCAG
 * 2.2, is what its strength says. Where darker and lighter both would do, earlier drawings go dark and later ones light, which also
 * tells them apart for the colour-blind.
 *
 * @param lines of the neighbour; only where they cover counts
 * @param color of its kind
 * @param later whether it comes after the present drawing
 * @param strength 0 (not seen) to 1
 */
record OnionLayer(DrawingLayer lines, Rgb color, boolean later, double strength) implements SceneLayer {

    /** What lies under a line is looked at in cells of this many device pixels, and whether to go dark or light in larger ones. */
    private static final int CELL = 4;

    private static final int NEAR = 12;
    private static final int STRETCH = 64;

    /** The contrast at full strength is one more than this; a strength of 0.6 gives the 3:1 of WCAG 2.2, 1.4.11, and some to spare. */
    private static final double CONTRAST = 3.75;

    /** A way of standing out that gives this much is good enough. */
    private static final double ENOUGH = 3.3;

    /** At less contrast a line is lost. */
    private static final double LOST = 2;

    /** Lines are not made darker than that, where there is another way: colours can't be told apart there. */
    private static final double DARKEST = 1.2;

    private static final double GLARE = 0.05;

    /** Faint pressure makes thin lines fainter still; coverage is raised to this power of what is left open. */
    private static final double FIRMER = 1.7;

    private static final int TONES = 256;
    private static final float[] LINEAR = new float[256];
    private static final int[] FIRM = new int[256];
    private static final Map<Rgb, int[]> TONES_OF = new ConcurrentHashMap<>();

    static {
        for (int i = 0; i < 256; i++) {
            double c = i / 255.0;
            // The sRGB transfer curve of IEC 61966-2-1.
            LINEAR[i] = (float) (c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4));
            FIRM[i] = (int) Math.round(255 * (1 - Math.pow(1 - c, FIRMER)));
        }
    }

    @Override
    public void paint(Surface surface, PixelTile tile) {
        double seen = Math.max(0, Math.min(1, strength * lines.placement().opacity()));
        double target = 1 + CONTRAST * seen;
        int[] tones = TONES_OF.computeIfAbsent(color, OnionLayer::tones);
        // Larger cells are looked at in fewer places.
        Ground cells = new Ground(tile, CELL, 2);
        Ground nearby = new Ground(tile, NEAR, 3);
        Ground stretches = new Ground(tile, STRETCH, 8);
        int[] words = new int[cells.columns * cells.rows];
        lines.eachRun(surface, tile, (left, y, covers, from, count) -> {
            // Divided once for a run, and counted on from there: this is done for each pixel of every line.
            int cell = cells.at(left, y);
            int inCell = Math.floorMod(tile.x() + left, CELL);
            for (int i = 0; i < count; i++, inCell++) {
                if (inCell == CELL) {
                    inCell = 0;
                    cell++;
                }
                int alpha = covers[from + i] >>> 24;
                if (alpha == 0) {
                    continue;
                }
                if (words[cell] == 0) {
                    int x = left + i;
                    words[cell] = tones[
                            tone(
                                    cells.luminance(cell),
                                    nearby.luminance(nearby.at(x, y)),
                                    stretches.luminance(stretches.at(x, y)),
                                    target,
                                    later)];
                }
                int at = tile.offset() + y * tile.stride() + left + i;
                int cover = FIRM[alpha];
                tile.pixels()[at] = Blend.mix(tile.pixels()[at], words[cell], cover + (cover >> 7));
            }
        });
    }

    /** The number of the tone that stands out by a contrast from what lies under a line. */
    private static int tone(double ground, double near, double around, double target, boolean later) {
        double needed = Math.min(ENOUGH, target);
        boolean canLighten = (1 + GLARE) / (around + GLARE) >= needed;
        boolean canDarken = (around + GLARE) / GLARE >= needed * DARKEST;
        boolean goesDark = canLighten == canDarken ? canDarken ? !later : around > 0.18 : canDarken;
        // In a spot of other ground than around it a line changes over only where it would be lost else: a line that
        // flickers is hard to read.
        double byLight = (1 + GLARE) / (near + GLARE);
        double byDark = (near + GLARE) / GLARE;
        if ((goesDark ? byDark : byLight) < Math.min(LOST, target)) {
            goesDark = byDark > byLight;
        }
        // Seen against the spot itself and against what is right beside it.
        double lighter = (Math.max(ground, near) + GLARE) * target - GLARE;
        double darker = (Math.min(ground, near) + GLARE) / target - GLARE;
        double wanted = Math.max(0, Math.min(1, goesDark ? darker : lighter));
        return (int) Math.round(Math.sqrt(wanted) * (TONES - 1));
    }

    /** The colour at luminances from 0 to 1, in steps of their roots: mixed with black below its own, with white above. */
    private static int[] tones(Rgb color) {
        double[] linear = {LINEAR[color.red()], LINEAR[color.green()], LINEAR[color.blue()]};
        double own = Math.max(1e-4, color.luminance());
        int[] out = new int[TONES];
        for (int i = 0; i < TONES; i++) {
            double wanted = i / (double) (TONES - 1) * i / (TONES - 1);
            int word = 0xFF;
            for (double part : linear) {
                double mixed = wanted <= own
                        ? part * wanted / own
                        : part + (1 - part) * (wanted - own) / Math.max(1e-6, 1 - own);
                word = word << 8 | (int) Math.round(255 * encoded(Math.max(0, Math.min(1, mixed))));
            }
            out[i] = word;
        }
        return out;
    }

    private static double encoded(double linear) {
        return linear <= 0.0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;
    }

    /** The mean luminance of what a tile holds, cell by cell; cells lie on the surface and not on the tile. */
    private static final class Ground {

        private final PixelTile tile;
        private final int cell;
        private final int every;
        private final int columns;
        private final int rows;
        private final float[] luminance;

        /** @param every in how many pixels, across and down, one is looked at */
        Ground(PixelTile tile, int cell, int every) {
            this.tile = tile;
            this.cell = cell;
            this.every = every;
            columns = Math.floorDiv(tile.x() + tile.width() - 1, cell) - Math.floorDiv(tile.x(), cell) + 1;
            rows = Math.floorDiv(tile.y() + tile.height() - 1, cell) - Math.floorDiv(tile.y(), cell) + 1;
            luminance = new float[columns * rows];
            Arrays.fill(luminance, -1);
        }

        int at(int x, int y) {
            int column = Math.floorDiv(tile.x() + x, cell) - Math.floorDiv(tile.x(), cell);
            int row = Math.floorDiv(tile.y() + y, cell) - Math.floorDiv(tile.y(), cell);
            return row * columns + column;
        }

        double luminance(int at) {
            if (luminance[at] < 0) {
                int left = (Math.floorDiv(tile.x(), cell) + at % columns) * cell - tile.x();
                int top = (Math.floorDiv(tile.y(), cell) + at / columns) * cell - tile.y();
                float sum = 0;
                int count = 0;
                for (int y = Math.max(0, top); y < Math.min(tile.height(), top + cell); y += every) {
                    for (int x = Math.max(0, left); x < Math.min(tile.width(), left + cell); x += every) {
                        int word = tile.pixels()[tile.offset() + y * tile.stride() + x];
                        sum += 0.2126f * LINEAR[word >> 16 & 255]
                                + 0.7152f * LINEAR[word >> 8 & 255]
                                + 0.0722f * LINEAR[word & 255];
                        count++;
                    }
                }
                luminance[at] = sum / count;
            }
            return luminance[at];
        }
    }
}
