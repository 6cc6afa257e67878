package chalktrace.core.render;

import chalktrace.core.picture.Srgb;
import java.util.Arrays;

/**
 * How light what a tile holds is, cell by cell: the roots of mean luminances (WCAG 2.2), 0 to 255, and the colours that lines get there. Cells lie on the surface and
 * not on the tile, so that lines don't change where tiles meet. Most cells hold no line: each is looked at when the first comes to it.
 */
final class GroundLight {

    /** What lies right under a line is looked at in cells of this many device pixels. */
    private static final int CELL = 4;

    /** What lies all around it, in cells of cells. */
    private static final int AROUND = 16;

    private static final int EVERY = 2;
    private static final float[] RED = new float[256];
    private static final float[] GREEN = new float[256];
    private static final float[] BLUE = new float[256];
    private static final int ROOTS = 4096;
    private static final short[] ROOT = new short[ROOTS + 1];

    static {
        for (int i = 0; i < 256; i++) {
            double light = Srgb.light(i / 255.0);
            RED[i] = (float) (0.2126 * light);
            GREEN[i] = (float) (0.7152 * light);
            BLUE[i] = (float) (0.0722 * light);
        }
        for (int i = 0; i <= ROOTS; i++) {
            ROOT[i] = (short) Math.round(Math.sqrt(i / (double) ROOTS) * 255);
        }
    }

    private final int[] pixels;
    private final int width;
    private final int height;
    private final int x0;
    private final int y0;
    private final int left;
    private final int top;
    private final int columns;
    private final int rows;

    /** Mean luminances of cells and of cells of cells; no number where none was asked for yet. */
    private final float[] cells;

    private final float[] blocks;
    private final int blockColumns;

    private OnionTones tones;
    private boolean goesDark;
    private final int[] words;
    private final boolean[] dark;

    /** For which start a cell's word was made. */
    private final int[] made;

    private int start;

    /** @param tile as it is now: what is painted on it later changes nothing here */
    GroundLight(PixelTile tile) {
        width = tile.width();
        height = tile.height();
        pixels = new int[width * height];
        for (int y = 0; y < height; y++) {
            System.arraycopy(tile.pixels(), tile.offset() + y * tile.stride(), pixels, y * width, width);
        }
        x0 = tile.x();
        y0 = tile.y();
        left = Math.floorDiv(x0, CELL);
        top = Math.floorDiv(y0, CELL);
        columns = Math.floorDiv(x0 + width - 1, CELL) - left + 1;
        rows = Math.floorDiv(y0 + height - 1, CELL) - top + 1;
        cells = new float[columns * rows];
        Arrays.fill(cells, Float.NaN);
        blockColumns = Math.floorDiv(left + columns - 1, AROUND) - Math.floorDiv(left, AROUND) + 1;
        blocks = new float[blockColumns * (Math.floorDiv(top + rows - 1, AROUND) - Math.floorDiv(top, AROUND) + 1)];
        Arrays.fill(blocks, Float.NaN);
        words = new int[cells.length];
        dark = new boolean[cells.length];
        made = new int[cells.length];
    }

    /** The root of the luminance of each pixel of a tile. */
    static int[] roots(PixelTile tile) {
        int[] out = new int[tile.width() * tile.height()];
        for (int y = 0; y < tile.height(); y++) {
            for (int x = 0; x < tile.width(); x++) {
                out[y * tile.width() + x] = root(luminance(tile.pixels()[tile.offset() + y * tile.stride() + x]));
            }
        }
        return out;
    }

    /** From now on colours are those of lines in these tones. */
    void start(OnionTones next, boolean nextGoesDark) {
        tones = next;
        goesDark = nextGoesDark;
        start++;
    }

    /** The word that a line gets at a pixel, counted from the tile's left and upper edge. */
    int color(int x, int y) {
        int column = Math.floorDiv(x0 + x, CELL) - left;
        int cell = (Math.floorDiv(y0 + y, CELL) - top) * columns + column;
        int word = word(cell, column);
        // From cell to cell it changes by and by, unless it changes over.
        if (column + 1 < columns) {
            int next = word(cell + 1, column + 1);
            if (dark[cell + 1] == dark[cell]) {
                return Blend.mix(word, next, (x0 + x - (left + column) * CELL) * 256 / CELL);
            }
        }
        return word;
    }

    private int word(int cell, int column) {
        if (made[cell] != start) {
            made[cell] = start;
            int row = cell / columns;
            int under = root(cell(column, row));
            int near = root(near(column, row));
            dark[cell] = tones.isDark(under, near, root(around(column, row)), goesDark);
            // Where light meets dark, the eye sees what is between as darker than the mean of their luminances, so a
            // dark line must be darker still.
            words[cell] = tones.over(under, dark[cell] ? nearBySight(column, row) : near, dark[cell]);
        }
        return words[cell];
    }

    private static float luminance(int word) {
        return RED[word >> 16 & 255] + GREEN[word >> 8 & 255] + BLUE[word & 255];
    }

    private static int root(float luminance) {
        return ROOT[Math.min(ROOTS, (int) (luminance * ROOTS + 0.5f))];
    }

    private float cell(int column, int row) {
        int at = row * columns + column;
        if (Float.isNaN(cells[at])) {
            cells[at] = mean((left + column) * CELL - x0, (top + row) * CELL - y0);
        }
        return cells[at];
    }

    private float mean(int fromX, int fromY) {
        float sum = 0;
        int count = 0;
        for (int y = Math.max(0, fromY); y < Math.min(height, fromY + CELL); y += EVERY) {
            for (int x = Math.max(0, fromX); x < Math.min(width, fromX + CELL); x += EVERY) {
                sum += luminance(pixels[y * width + x]);
                count++;
            }
        }
        return sum / count;
    }

    /** The mean of a cell and those that touch it, so that lines show no cells. */
    private float near(int column, int row) {
        float sum = 0;
        int count = 0;
        for (int y = Math.max(0, row - 1); y <= Math.min(rows - 1, row + 1); y++) {
            for (int x = Math.max(0, column - 1); x <= Math.min(columns - 1, column + 1); x++) {
                sum += cell(x, y);
                count++;
            }
        }
        return sum / count;
    }

    /** The mean of the roots of a cell and those that touch it. */
    private int nearBySight(int column, int row) {
        int sum = 0;
        int count = 0;
        for (int y = Math.max(0, row - 1); y <= Math.min(rows - 1, row + 1); y++) {
            for (int x = Math.max(0, column - 1); x <= Math.min(columns - 1, column + 1); x++) {
                sum += root(cell(x, y));
                count++;
            }
        }
        return (sum + count / 2) / count;
    }

    /** The mean of the cell of cells that a cell lies in. */
    private float around(int column, int row) {
        int blockColumn = Math.floorDiv(left + column, AROUND);
        int blockRow = Math.floorDiv(top + row, AROUND);
        int at = (blockRow - Math.floorDiv(top, AROUND)) * blockColumns + blockColumn - Math.floorDiv(left, AROUND);
        if (Float.isNaN(blocks[at])) {
            float sum = 0;
            int count = 0;
            for (int y = Math.max(0, blockRow * AROUND - top); y < Math.min(rows, (blockRow + 1) * AROUND - top); y++) {
                for (int x = Math.max(0, blockColumn * AROUND - left);
                        x < Math.min(columns, (blockColumn + 1) * AROUND - left);
                        x++) {
                    sum += cell(x, y);
                    count++;
                }
            }
            blocks[at] = sum / count;
        }
        return blocks[at];
    }
}
