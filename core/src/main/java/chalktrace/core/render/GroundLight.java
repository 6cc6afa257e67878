package chalktrace.core.render;

import chalktrace.core.picture.Srgb;

/**
 * How light what a tile holds is, cell by cell: the roots of mean luminances (WCAG 2.2), 0 to 255. Cells lie on the surface and not on the
 * tile, so that lines don't change where tiles meet.
 */
final class GroundLight {

    /** What lies right under a line is looked at in cells of this many device pixels. */
    private static final int CELL = 4;

    /** What lies all around it, in cells of cells. */
    private static final int AROUND = 16;

    private static final int EVERY = 2;
    private static final float[] LINEAR = new float[256];
    private static final int ROOTS = 4096;
    private static final short[] ROOT = new short[ROOTS + 1];

    static {
        for (int i = 0; i < 256; i++) {
            LINEAR[i] = (float) Srgb.light(i / 255.0);
        }
        for (int i = 0; i <= ROOTS; i++) {
            ROOT[i] = (short) Math.round(Math.sqrt(i / (double) ROOTS) * 255);
        }
    }

    private final int x0;
    private final int y0;
    private final int left;
    private final int top;
    private final int columns;
    private final int rows;
    private final int[] under;
    private final int[] near;
    private final int[] nearBySight;
    private final int[] around;

    GroundLight(PixelTile tile) {
        x0 = tile.x();
        y0 = tile.y();
        left = Math.floorDiv(x0, CELL);
        top = Math.floorDiv(y0, CELL);
        columns = Math.floorDiv(tile.x() + tile.width() - 1, CELL) - left + 1;
        rows = Math.floorDiv(tile.y() + tile.height() - 1, CELL) - top + 1;
        float[] cells = new float[columns * rows];
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                cells[row * columns + column] =
                        mean(tile, (left + column) * CELL - tile.x(), (top + row) * CELL - tile.y());
            }
        }
        under = roots(cells);
        near = roots(softened(cells));
        nearBySight = softenedRoots(under);
        around = roots(spread(cells, AROUND));
    }

    /** The root of the luminance of each pixel of a tile. */
    static int[] roots(PixelTile tile) {
        float[] luminances = new float[tile.width() * tile.height()];
        for (int y = 0; y < tile.height(); y++) {
            for (int x = 0; x < tile.width(); x++) {
                luminances[y * tile.width() + x] = luminance(tile.pixels()[tile.offset() + y * tile.stride() + x]);
            }
        }
        return roots(luminances);
    }

    /** The row of cells that a row of the tile lies in. */
    int row(int y) {
        return Math.floorDiv(y0 + y, CELL) - top;
    }

    /** The words that a row of cells gives lines in some tones, one for each pixel from the tile's left edge on. */
    void colors(OnionTones tones, boolean goesDark, int row, int[] out) {
        int x = 0;
        for (int column = 0; column < columns; column++) {
            int cell = row * columns + column;
            boolean dark = isDark(tones, cell, goesDark);
            int word = word(tones, cell, dark);
            int next = word;
            // From cell to cell it changes by and by, unless it changes over.
            if (column + 1 < columns && isDark(tones, cell + 1, goesDark) == dark) {
                next = word(tones, cell + 1, dark);
            }
            int start = (left + column) * CELL - x0;
            int end = Math.min(out.length, start + CELL);
            for (; x < end; x++) {
                out[x] = Blend.mix(word, next, (x - start) * 256 / CELL);
            }
        }
    }

    private boolean isDark(OnionTones tones, int cell, boolean goesDark) {
        return tones.isDark(under[cell], near[cell], around[cell], goesDark);
    }

    /** Where light meets dark, the eye sees what is between as darker than the mean of their luminances, so a dark line must be darker still. */
    private int word(OnionTones tones, int cell, boolean dark) {
        return tones.over(under[cell], dark ? nearBySight[cell] : near[cell], dark);
    }

    private static float luminance(int word) {
        return 0.2126f * LINEAR[word >> 16 & 255] + 0.7152f * LINEAR[word >> 8 & 255] + 0.0722f * LINEAR[word & 255];
    }

    private static float mean(PixelTile tile, int left, int top) {
        float sum = 0;
        int count = 0;
        for (int y = Math.max(0, top); y < Math.min(tile.height(), top + CELL); y += EVERY) {
            for (int x = Math.max(0, left); x < Math.min(tile.width(), left + CELL); x += EVERY) {
                sum += luminance(tile.pixels()[tile.offset() + y * tile.stride() + x]);
                count++;
            }
        }
        return sum / count;
    }

    /** The mean of each cell and those that touch it, so that lines show no cells. */
    private float[] softened(float[] cells) {
        float[] across = new float[cells.length];
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                int at = row * columns + column;
                across[at] = mean(cells, at, column > 0 ? 1 : 0, column + 1 < columns ? 1 : 0, 1);
            }
        }
        float[] out = new float[cells.length];
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                int at = row * columns + column;
                out[at] = mean(across, at, row > 0 ? 1 : 0, row + 1 < rows ? 1 : 0, columns);
            }
        }
        return out;
    }

    private int[] softenedRoots(int[] roots) {
        float[] values = new float[roots.length];
        for (int i = 0; i < roots.length; i++) {
            values[i] = roots[i];
        }
        float[] soft = softened(values);
        int[] out = new int[roots.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = Math.round(soft[i]);
        }
        return out;
    }

    private static float mean(float[] cells, int at, int before, int after, int step) {
        return (cells[at - before * step] * before + cells[at] + cells[at + after * step] * after)
                / (1 + before + after);
    }

    /** For each cell the mean of the larger one that it lies in. */
    private float[] spread(float[] cells, int size) {
        float[] out = new float[cells.length];
        for (int row = 0; row < rows; ) {
            int nextRow = Math.min(rows, (Math.floorDiv(top + row, size) + 1) * size - top);
            for (int column = 0; column < columns; ) {
                int nextColumn = Math.min(columns, (Math.floorDiv(left + column, size) + 1) * size - left);
                float sum = 0;
                for (int y = row; y < nextRow; y++) {
                    for (int x = column; x < nextColumn; x++) {
                        sum += cells[y * columns + x];
                    }
                }
                for (int y = row; y < nextRow; y++) {
                    for (int x = column; x < nextColumn; x++) {
                        out[y * columns + x] = sum / ((nextRow - row) * (nextColumn - column));
                    }
                }
                column = nextColumn;
            }
            row = nextRow;
        }
        return out;
    }

    private static int[] roots(float[] luminances) {
        int[] out = new int[luminances.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = ROOT[Math.min(ROOTS, (int) (luminances[i] * ROOTS + 0.5f))];
        }
        return out;
    }
}
