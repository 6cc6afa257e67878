package chalktrace.core.render;

import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.lang.ref.SoftReference;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;

/**
 * Painted pixels of a surface: premultiplied ARGB words. A drawing is mostly bare, so only runs of painted words are kept,
 * row by row: memory and the cost of laying them over something go with the ink and not with the area.
 */
final class Raster {

    static final Raster NOTHING = new Raster(0, 0, new int[1], new int[0], new int[0], new int[0]);

    /** Runs closer than this are kept as one: a few clear words cost less than another run. */
    private static final int SMALLEST_GAP = 32;

    /** A row that has fewer painted words than this part of a tile's width is laid over run by run. */
    private static final int FULL_ROW = 6;

    private final int top;
    private final int height;
    private final int[] firstRunOfRow;
    private final int[] runX;
    private final int[] runStart;
    private final int[] words;
    private volatile SoftReference<Plain> plain = new SoftReference<>(null);

    private Raster(int top, int height, int[] firstRunOfRow, int[] runX, int[] runStart, int[] words) {
        this.top = top;
        this.height = height;
        this.firstRunOfRow = firstRunOfRow;
        this.runX = runX;
        this.runStart = runStart;
        this.words = words;
    }

    /**
     * @param pixels premultiplied words of an area, row after row
     * @param stride words from one row to the next
     */
    static Raster of(Rectangle area, int[] pixels, int stride) {
        Builder built = new Builder(area.height);
        for (int y = 0; y < area.height; y++) {
            built.row(y, pixels, y * stride, area.width, area.x);
        }
        return built.build(area);
    }

    /** Rasters laid over each other, the first at the bottom. */
    static Raster merged(List<Raster> all) {
        List<Raster> some =
                all.stream().filter(raster -> raster.runX.length > 0).toList();
        if (some.size() < 2) {
            return some.isEmpty() ? NOTHING : some.get(0);
        }
        Rectangle area =
                some.stream().map(Raster::area).reduce(Rectangle::union).orElseThrow();
        int half = area.height / 2;
        Rectangle upper = new Rectangle(area.x, area.y, area.width, half);
        Rectangle lower = new Rectangle(area.x, area.y + half, area.width, area.height - half);
        return Stream.of(upper, lower)
                .parallel()
                .map(band -> merged(some, band))
                .reduce(Builder::then)
                .orElseThrow()
                .build(area);
    }

    /** Row by row, so that the row stays at hand for the machine. */
    private static Builder merged(List<Raster> all, Rectangle band) {
        int[] pixels = new int[band.width];
        Builder built = new Builder(band.height);
        for (int y = 0; y < band.height; y++) {
            Arrays.fill(pixels, 0);
            for (Raster raster : all) {
                raster.overClearRow(band.y + y, band.x, pixels);
            }
            built.row(y, pixels, 0, band.width, band.x);
        }
        return built;
    }

    /** Lays a row of the surface over words that may be clear. @param left of the first of them */
    private void overClearRow(int surfaceY, int left, int[] below) {
        int y = surfaceY - top;
        if (y < 0 || y >= height) {
            return;
        }
        for (int run = firstRunOfRow[y]; run < firstRunOfRow[y + 1]; run++) {
            int to = runX[run] - left;
            for (int i = runStart[run]; i < runStart[run + 1]; i++, to++) {
                below[to] = Blend.overClear(below[to], words[i]);
            }
        }
    }

    private Rectangle area() {
        int left = Integer.MAX_VALUE;
        int right = Integer.MIN_VALUE;
        for (int run = 0; run < runX.length; run++) {
            left = Math.min(left, runX[run]);
            right = Math.max(right, runX[run] + runStart[run + 1] - runStart[run]);
        }
        return runX.length == 0 ? new Rectangle() : new Rectangle(left, top, right - left, height);
    }

    long bytes() {
        return 4L * (words.length + runX.length + runStart.length + firstRunOfRow.length) + 96;
    }

    /** Lays the raster over a tile. @param opacity 0 to 1 */
    void over(PixelTile tile, double opacity) {
        int share = Blend.share(opacity);
        if (share == 0) {
            return;
        }
        int from = Math.max(top, tile.y());
        int to = Math.min(top + height, tile.y() + tile.height());
        int[] above = new int[tile.width()];
        int[] below = new int[tile.width()];
        for (int y = from; y < to; y++) {
            if (painted(y - top) * FULL_ROW < tile.width()) {
                runsOver(tile, y, share);
            } else {
                Arrays.fill(above, 0);
                copyRow(y - top, tile.x(), tile.width(), above, 0);
                Blend.rowOver(tile, y, above, below, share);
            }
        }
    }

    private int painted(int row) {
        return runStart[firstRunOfRow[row + 1]] - runStart[firstRunOfRow[row]];
    }

    private void runsOver(PixelTile tile, int y, int share) {
        eachRun(y - top, tile.x(), tile.width(), (x, from, count) -> {
            int at = tile.index(x, y);
            for (int i = 0; i < count; i++) {
                tile.pixels()[at + i] = Blend.over(tile.pixels()[at + i], Blend.scale(words[from + i], share));
            }
        });
    }

    /** Copies what a row has painted between two columns. */
    private void copyRow(int row, int left, int width, int[] to, int at) {
        eachRun(row, left, width, (x, from, count) -> System.arraycopy(words, from, to, at + x - left, count));
    }

    /** Takes a run of painted words. */
    @FunctionalInterface
    private interface Words {

        /** @param x of the first on the surface, @param from its place among the words */
        void take(int x, int from, int count);
    }

    /** Hands out the runs of a row between two columns, cut at these. */
    private void eachRun(int row, int left, int width, Words taker) {
        int end = firstRunOfRow[row + 1];
        for (int run = firstRunEndingAfter(row, left); run < end && runX[run] < left + width; run++) {
            int first = Math.max(runX[run], left);
            int last = Math.min(runX[run] + runStart[run + 1] - runStart[run], left + width);
            taker.take(first, runStart[run] + first - runX[run], last - first);
        }
    }

    private int firstRunEndingAfter(int row, int left) {
        int from = firstRunOfRow[row];
        int to = firstRunOfRow[row + 1];
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (runX[middle] + runStart[middle + 1] - runStart[middle] > left) {
                to = middle;
            } else {
                from = middle + 1;
            }
        }
        return from;
    }

    /** Takes a run of painted words of one row of a tile. */
    @FunctionalInterface
    interface RunTaker {

        /** @param x of the first, in the tile, @param y of all, in the tile, @param from the first one's place among the words */
        void take(int x, int y, int[] words, int from, int count);
    }

    /** Hands out what is painted on a tile, which takes no time for what is not. */
    void eachRun(PixelTile tile, RunTaker taker) {
        int from = Math.max(top, tile.y());
        int to = Math.min(top + height, tile.y() + tile.height());
        for (int y = from; y < to; y++) {
            int rowOfTile = y - tile.y();
            eachRun(
                    y - top,
                    tile.x(),
                    tile.width(),
                    (x, at, count) -> taker.take(x - tile.x(), rowOfTile, words, at, count));
        }
    }

    /** The words of a tile's area, row after row, clear where nothing is painted. */
    int[] alone(PixelTile tile) {
        int[] out = new int[tile.width() * tile.height()];
        int from = Math.max(top, tile.y());
        int to = Math.min(top + height, tile.y() + tile.height());
        for (int y = from; y < to; y++) {
            copyRow(y - top, tile.x(), tile.width(), out, (y - tile.y()) * tile.width());
        }
        return out;
    }

    /** As {@link #alone(PixelTile)}, seen through a change of places of the surface: the nearest pixels, not smoothed. */
    int[] alone(PixelTile tile, AffineTransform change) {
        int[] out = new int[tile.width() * tile.height()];
        Plain plain = plain();
        if (plain.area.isEmpty() || change.getDeterminant() == 0) {
            return out;
        }
        AffineTransform back = new AffineTransform(change);
        try {
            back.invert();
        } catch (NoninvertibleTransformException e) {
            return out;
        }
        double[] start = new double[2];
        for (int y = 0; y < tile.height(); y++) {
            start[0] = tile.x() + 0.5;
            start[1] = tile.y() + y + 0.5;
            back.transform(start, 0, start, 0, 1);
            // Fixed point of 16 bits keeps up with a row of any screen.
            long fx = Math.round((start[0] - plain.area.x) * 65536);
            long fy = Math.round((start[1] - plain.area.y) * 65536);
            long stepX = Math.round(back.getScaleX() * 65536);
            long stepY = Math.round(back.getShearY() * 65536);
            for (int x = 0; x < tile.width(); x++) {
                long sx = fx >> 16;
                long sy = fy >> 16;
                if (sx >= 0 && sy >= 0 && sx < plain.area.width && sy < plain.area.height) {
                    out[y * tile.width() + x] = plain.words[(int) sy * plain.area.width + (int) sx];
                }
                fx += stepX;
                fy += stepY;
            }
        }
        return out;
    }

    /** All words of the box around what is painted, row after row, for reaching any pixel at once. */
    private record Plain(Rectangle area, int[] words) {}

    private Plain plain() {
        Plain known = plain.get();
        if (known != null) {
            return known;
        }
        Rectangle area = area();
        int[] all = new int[area.width * area.height];
        for (int y = 0; y < area.height; y++) {
            for (int run = firstRunOfRow[y]; run < firstRunOfRow[y + 1]; run++) {
                System.arraycopy(
                        words,
                        runStart[run],
                        all,
                        y * area.width + runX[run] - area.x,
                        runStart[run + 1] - runStart[run]);
            }
        }
        Plain made = new Plain(area, all);
        plain = new SoftReference<>(made);
        return made;
    }

    private static final class Builder {

        private final int[] firstRunOfRow;
        private int[] runX = new int[64];
        private int[] runStart = new int[65];
        private int[] words = new int[1024];
        private int runs;
        private int count;

        Builder(int height) {
            firstRunOfRow = new int[height + 1];
        }

        void row(int y, int[] pixels, int offset, int width, int left) {
            int rowEnd = offset + width;
            int start = firstPainted(pixels, offset, rowEnd);
            while (start < rowEnd) {
                int end;
                int next = start;
                do {
                    end = firstBare(pixels, next + 1, rowEnd);
                    next = firstPainted(pixels, end, Math.min(rowEnd, end + SMALLEST_GAP));
                } while (next < rowEnd && pixels[next] != 0);
                run(left + start - offset, pixels, start, end - start);
                start = firstPainted(pixels, next, rowEnd);
            }
            firstRunOfRow[y + 1] = runs;
        }

        private static int firstBare(int[] pixels, int from, int end) {
            int i = from;
            while (i < end && pixels[i] != 0) {
                i++;
            }
            return i;
        }

        /** The place of the first word that is painted, or the end; bare ones are passed over many at a time. */
        private static int firstPainted(int[] pixels, int from, int end) {
            int i = from;
            while (i + 8 <= end
                    && (pixels[i]
                                    | pixels[i + 1]
                                    | pixels[i + 2]
                                    | pixels[i + 3]
                                    | pixels[i + 4]
                                    | pixels[i + 5]
                                    | pixels[i + 6]
                                    | pixels[i + 7])
                            == 0) {
                i += 8;
            }
            while (i < end && pixels[i] == 0) {
                i++;
            }
            return i;
        }

        /** With the rows of another under its own. */
        Builder then(Builder below) {
            int rows = firstRunOfRow.length - 1;
            Builder both = new Builder(rows + below.firstRunOfRow.length - 1);
            both.runX = joined(runX, runs, below.runX, below.runs);
            both.runStart = joined(runStart, runs, below.runStart, below.runs + 1);
            both.words = joined(words, count, below.words, below.count);
            both.runs = runs + below.runs;
            both.count = count + below.count;
            for (int run = runs; run <= both.runs; run++) {
                both.runStart[run] += count;
            }
            System.arraycopy(firstRunOfRow, 0, both.firstRunOfRow, 0, rows);
            for (int y = rows; y < both.firstRunOfRow.length; y++) {
                both.firstRunOfRow[y] = runs + below.firstRunOfRow[y - rows];
            }
            return both;
        }

        private static int[] joined(int[] first, int ofFirst, int[] second, int ofSecond) {
            int[] both = Arrays.copyOf(first, ofFirst + ofSecond);
            System.arraycopy(second, 0, both, ofFirst, ofSecond);
            return both;
        }

        private void run(int x, int[] pixels, int from, int length) {
            if (runs == runX.length) {
                runX = Arrays.copyOf(runX, 2 * runs);
                runStart = Arrays.copyOf(runStart, 2 * runs + 1);
            }
            if (count + length > words.length) {
                words = Arrays.copyOf(words, Math.max(2 * words.length, count + length));
            }
            System.arraycopy(pixels, from, words, count, length);
            runX[runs] = x;
            runStart[runs] = count;
            count += length;
            runs++;
            runStart[runs] = count;
        }

        Raster build(Rectangle area) {
            return new Raster(
                    area.y,
                    area.height,
                    firstRunOfRow,
                    Arrays.copyOf(runX, runs),
                    Arrays.copyOf(runStart, runs + 1),
                    Arrays.copyOf(words, count));
        }
    }
}
