package chalktrace.core.render;

import java.awt.geom.AffineTransform;
import java.util.List;

/**
 * A drawing's raster, or rasters that make it up when they are laid over each other: a full drawing to which a stroke was added is that
 * of all its earlier strokes, which is at hand, and that of the last few. They are laid together only where they must be.
 */
final class RasterPile {

    /** The first at the bottom; one once they are laid together. */
    private volatile List<Raster> parts;

    private final long bytes;

    RasterPile(List<Raster> parts) {
        this.parts = List.copyOf(parts);
        this.bytes = parts.stream().mapToLong(Raster::bytes).sum();
    }

    /** What it took when it was made, as a budget must count the same when it comes and when it goes. */
    long bytes() {
        return bytes;
    }

    /** Lays it over a tile. @param opacity 0 to 1, of the whole and not of each part */
    void over(PixelTile tile, double opacity) {
        if (opacity < 1) {
            merged().over(tile, opacity);
        } else {
            parts.forEach(part -> part.over(tile, 1));
        }
    }

    /** As {@link Raster#alone(PixelTile)}. */
    int[] alone(PixelTile tile) {
        return merged().alone(tile);
    }

    /** As {@link Raster#alone(PixelTile, AffineTransform)}. */
    int[] alone(PixelTile tile, AffineTransform change) {
        return merged().alone(tile, change);
    }

    /** As {@link Raster#eachRun}. */
    void eachRun(PixelTile tile, Raster.RunTaker taker) {
        merged().eachRun(tile, taker);
    }

    /** All of it as one. */
    synchronized Raster merged() {
        if (parts.size() > 1) {
            parts = List.of(Raster.merged(parts));
        }
        return parts.get(0);
    }
}
