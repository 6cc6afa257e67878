package chalktrace.core.render;

import chalktrace.core.picture.Srgb;

/**
 * How light what a tile holds is, cell by cell: the roots of mean luminances (WCAG 2.2), 0 to 255, and the lines that are laid over it. Cells lie on the surface and
 * not on the tile, so that lines don't change where tiles meet. Most of a tile holds no line: each block of cells is looked at before the first is laid on it.
 */
final class GroundLight {

    /** What lies right under a line is looked at in cells of two to the power of this many device pixels. */
    private static final int CELL_BITS = 2;

    private static final int CELL = 1 << CELL_BITS;

    /** What lies all around it, in blocks of two to the power of so many cells. */
    private static final int BLOCK_BITS = 4;

    private static final int BLOCK = 1 << BLOCK_BITS;

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

    private final PixelTile tile;

    /** Of the first cell, counted on the surface. */
    private final int left;

    private final int top;
    private final int columns;
    private final int rows;
    private final int blockColumns;

    /** Mean luminances of cells, and their roots; none before their block is looked at. */
    private final float[] cells;

    private final int[] roots;

    /** The roots of the mean luminances of blocks. */
    private final int[] around;

    private final boolean[] looked;
    private OnionTones tones;
    private boolean goesDark;
    private final int[] words;
    private final boolean[] dark;

    /** For which start a cell's word was made. */
    private final int[] made;

    private int start;

    /** @param tile on which from now on only this paints: blocks are looked at as they are when the first line comes to them */
    GroundLight(PixelTile tile) {
        this.tile = tile;
        left = tile.x() >> CELL_BITS;
        top = tile.y() >> CELL_BITS;
        columns = (tile.x() + tile.width() - 1 >> CELL_BITS) - left + 1;
        rows = (tile.y() + tile.height() - 1 >> CELL_BITS) - top + 1;
        blockColumns = blockOf(left + columns - 1) - blockOf(left) + 1;
        cells = new float[columns * rows];
        roots = new int[cells.length];
        words = new int[cells.length];
        dark = new boolean[cells.length];
        made = new int[cells.length];
        around = new int[blockColumns * (blockOf(top + rows - 1) - blockOf(top) + 1)];
        looked = new boolean[around.length];
    }

    private static int blockOf(int cell) {
        return cell >> BLOCK_BITS;
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

    /** From now on lines are laid in these tones. */
    void start(OnionTones next, boolean nextGoesDark) {
        tones = next;
        goesDark = nextGoesDark;
        start++;
    }

    /**
     * Lays a run of a line over the tile.
     *
     * @param x of its first pixel and @param y counted from the tile's left and upper edge
     * @param covers words of which only the opacity counts, from one of them on
     */
    void lay(int x, int y, int[] covers, int from, int count) {
        int cellRow = (tile.y() + y >> CELL_BITS) - top;
        int[] pixels = tile.pixels();
        int at = tile.offset() + y * tile.stride() + x - from;
        int end = from + count;
        int i = from;
        while (i < end) {
            if (covers[i] == 0) {
                i++;
                continue;
            }
            int column = (tile.x() + x + i - from >> CELL_BITS) - left;
            int cell = cellRow * columns + column;
            int word = word(cell, column, cellRow);
            int next = nextWord(cell, column, cellRow);
            // The place of the first word of the cell.
            int cellStart = from - x + (left + column) * CELL - tile.x();
            int cellEnd = Math.min(end, cellStart + CELL);
            for (; i < cellEnd; i++) {
                int color = Blend.mix(word, next, (i - cellStart) * 256 / CELL);
                pixels[at + i] = Blend.mix(pixels[at + i], color, Blend.firm(covers[i] >>> 24));
            }
        }
    }

    /** What a cell's colour goes over to by and by: that of the next, unless it changes over there. */
    private int nextWord(int cell, int column, int row) {
        if (column + 1 < columns) {
            int next = word(cell + 1, column + 1, row);
            if (dark[cell + 1] == dark[cell]) {
                return next;
            }
        }
        return words[cell];
    }

    private int word(int cell, int column, int row) {
        if (made[cell] != start) {
            made[cell] = start;
            int block = look(column, row);
            int under = roots[cell];
            if (isAtEdge(left + column) || isAtEdge(top + row)) {
                int above = Math.max(0, row - 1);
                int below = Math.min(rows - 1, row + 1);
                look(before(column), above);
                look(after(column), above);
                look(before(column), below);
                look(after(column), below);
            }
            int near = near(column, row);
            dark[cell] = tones.isDark(under, near, around[block], goesDark);
            // Where light meets dark, the eye sees what is between as darker than the mean of their luminances, so a
            // dark line must be darker still.
            words[cell] = tones.over(under, dark[cell] ? nearBySight(column, row) : near, dark[cell]);
        }
        return words[cell];
    }

    /** Whether a row or column of cells is the first or the last of its block. */
    private static boolean isAtEdge(int cell) {
        return (cell + 1 & BLOCK - 1) < 2;
    }

    /** Looks at the block that a cell lies in. @return its number */
    private int look(int column, int row) {
        int blockColumn = blockOf(left + column);
        int blockRow = blockOf(top + row);
        int block = (blockRow - blockOf(top)) * blockColumns + blockColumn - blockOf(left);
        if (!looked[block]) {
            looked[block] = true;
            float sum = 0;
            int fromRow = Math.max(0, blockRow * BLOCK - top);
            int toRow = Math.min(rows, (blockRow + 1) * BLOCK - top);
            int fromColumn = Math.max(0, blockColumn * BLOCK - left);
            int toColumn = Math.min(columns, (blockColumn + 1) * BLOCK - left);
            for (int y = fromRow; y < toRow; y++) {
                for (int x = fromColumn; x < toColumn; x++) {
                    float mean = mean((left + x) * CELL - tile.x(), (top + y) * CELL - tile.y());
                    cells[y * columns + x] = mean;
                    roots[y * columns + x] = root(mean);
                    sum += mean;
                }
            }
            around[block] = root(sum / ((toRow - fromRow) * (toColumn - fromColumn)));
        }
        return block;
    }

    private static float luminance(int word) {
        return RED[word >> 16 & 255] + GREEN[word >> 8 & 255] + BLUE[word & 255];
    }

    private static int root(float luminance) {
        return ROOT[Math.min(ROOTS, (int) (luminance * ROOTS + 0.5f))];
    }

    /** Of four samples; a cell that the tile's edge cuts is taken to go on as it ends. */
    private float mean(int fromX, int fromY) {
        int upper = rowAt(fromY);
        int lower = rowAt(fromY + EVERY);
        int first = columnAt(fromX);
        int second = columnAt(fromX + EVERY);
        int[] pixels = tile.pixels();
        return (luminance(pixels[upper + first])
                        + luminance(pixels[upper + second])
                        + luminance(pixels[lower + first])
                        + luminance(pixels[lower + second]))
                / 4;
    }

    private int rowAt(int y) {
        return tile.offset() + Math.max(0, Math.min(tile.height() - 1, y)) * tile.stride();
    }

    private int columnAt(int x) {
        return Math.max(0, Math.min(tile.width() - 1, x));
    }

    /** The root of the mean of a cell and those that touch it, so that lines show no cells. */
    private int near(int column, int row) {
        float sum = 0;
        for (int y = row - 1; y <= row + 1; y++) {
            int at = firstOf(y);
            sum += cells[at + before(column)] + cells[at + column] + cells[at + after(column)];
        }
        return root(sum / 9);
    }

    /** The mean of the roots of a cell and those that touch it. */
    private int nearBySight(int column, int row) {
        int sum = 4;
        for (int y = row - 1; y <= row + 1; y++) {
            int at = firstOf(y);
            sum += roots[at + before(column)] + roots[at + column] + roots[at + after(column)];
        }
        return sum / 9;
    }

    /** The first cell of a row; beside the tile, of the nearest on it. */
    private int firstOf(int row) {
        return Math.max(0, Math.min(rows - 1, row)) * columns;
    }

    private static int before(int column) {
        return Math.max(0, column - 1);
    }

    private int after(int column) {
        return Math.min(columns - 1, column + 1);
    }
}
