package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Placement;
import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.util.List;
import java.util.Optional;

/**
 * A drawing of a level, as it is placed in one showing.
 *
 * @param multiply whether it darkens what lies under it instead of covering it
 * @param within what it shows through: only where that has something; none for everywhere
 * @param moved how it is moved on the picture while it is dragged; else nothing
 *
 * @param chalks of the shot; the first serves strokes whose chalk is gone
 * @param opacity of the level, 0 to 1; the placement's own comes on top
 */
public record DrawingLayer(
        Drawing drawing,
        List<Chalk> chalks,
        InkLook look,
        Placement placement,
        double opacity,
        boolean multiply,
        Optional<DrawingLayer> within,
        AffineTransform moved)
        implements SceneLayer {

    /** Laid over what lies under it. */
    public DrawingLayer(Drawing drawing, List<Chalk> chalks, InkLook look, Placement placement, double opacity) {
        this(drawing, chalks, look, placement, opacity, false, Optional.empty(), new AffineTransform());
    }

    /** The same, moved on the picture. */
    DrawingLayer movedBy(AffineTransform change) {
        return new DrawingLayer(drawing, chalks, look, placement, opacity, multiply, within, change);
    }

    @Override
    public int glance() {
        return 31 * drawing.number() + drawing.items().size();
    }

    @Override
    public void paint(Surface surface, PixelTile tile) {
        double share = opacity * placement.opacity();
        if (!multiply && within.isEmpty() && !surface.quick()) {
            raster(surface).over(tile, share);
            return;
        }
        int[] mine = alone(surface, tile);
        if (!multiply && within.isEmpty()) {
            over(tile, mine, Blend.share(share));
            return;
        }
        int[] mask = within.map(layer -> layer.alone(surface, tile)).orElse(null);
        for (int y = 0; y < tile.height(); y++) {
            for (int x = 0; x < tile.width(); x++) {
                int i = y * tile.width() + x;
                if (mine[i] == 0) {
                    continue;
                }
                int part = mask == null ? Blend.share(share) : Blend.share(share * (mask[i] >>> 24) / 255);
                int word = Blend.scale(mine[i], part);
                if (word != 0) {
                    int at = tile.index(tile.x() + x, tile.y() + y);
                    tile.pixels()[at] =
                            multiply ? Blend.multiply(tile.pixels()[at], word) : Blend.over(tile.pixels()[at], word);
                }
            }
        }
    }

    private static void over(PixelTile tile, int[] mine, int share) {
        int[] above = new int[tile.width()];
        int[] below = new int[tile.width()];
        for (int y = 0; y < tile.height(); y++) {
            System.arraycopy(mine, y * tile.width(), above, 0, tile.width());
            Blend.rowOver(tile, tile.y() + y, above, below, share);
        }
    }

    /** Its words on a tile with nothing else, clear where it does not cover. */
    int[] alone(Surface surface, PixelTile tile) {
        if (surface.quick()) {
            Optional<RasterCache.Near> near = surface.rasters().near(drawing, key(surface), toDevice(surface));
            if (near.isPresent()) {
                return near.get().change().isIdentity()
                        ? near.get().raster().alone(tile)
                        : near.get().raster().alone(tile, near.get().change());
            }
        }
        return raster(surface).alone(tile);
    }

    /** What it paints on a tile with nothing else, run by run. */
    void eachRun(Surface surface, PixelTile tile, Raster.RunTaker taker) {
        if (!surface.quick()) {
            raster(surface).eachRun(tile, taker);
            return;
        }
        int[] words = alone(surface, tile);
        for (int y = 0; y < tile.height(); y++) {
            taker.take(0, y, words, y * tile.width(), tile.width());
        }
    }

    /** Makes its raster, if it is not at hand. */
    @Override
    public void warm(Surface surface) {
        raster(surface);
        within.ifPresent(layer -> layer.warmWhole(surface));
    }

    /** As {@link #warm}, for what is asked for run by run. */
    void warmWhole(Surface surface) {
        raster(surface).merged();
    }

    private RasterPile raster(Surface surface) {
        AffineTransform toDevice = toDevice(surface);
        RasterCache rasters = surface.rasters();
        return rasters.get(drawing, key(surface), toDevice, () -> {
            List<Drawing> pieces = rasters.pieces(drawing);
            if (pieces.size() == 1) {
                return painted(pieces.get(0), toDevice, surface);
            }
            Optional<Drawing> start = rasters.start(pieces);
            if (start.isEmpty()) {
                return merged(pieces, toDevice, surface);
            }
            int last = pieces.size() - 1;
            RasterPile below = rasters.get(
                    start.get(), key(surface), toDevice, () -> merged(pieces.subList(0, last), toDevice, surface));
            return new RasterPile(List.of(below.merged(), piece(pieces.get(last), toDevice, surface)));
        });
    }

    /** Pieces laid over each other. */
    private RasterPile merged(List<Drawing> pieces, AffineTransform toDevice, Surface surface) {
        return new RasterPile(List.of(Raster.merged(
                pieces.stream().map(piece -> piece(piece, toDevice, surface)).toList())));
    }

    private Raster piece(Drawing piece, AffineTransform toDevice, Surface surface) {
        return surface.rasters()
                .get(piece, key(surface), toDevice, () -> painted(piece, toDevice, surface))
                .merged();
    }

    private RasterPile painted(Drawing what, AffineTransform toDevice, Surface surface) {
        return new RasterPile(List.of(StrokePainter.paint(what, this::chalk, look, toDevice, whole(surface))));
    }

    private AffineTransform toDevice(Surface surface) {
        AffineTransform toDevice = surface.view().toDevice();
        toDevice.concatenate(onPicture(surface.size()));
        return toDevice;
    }

    /** Where its places come to lie on a picture of a size. */
    AffineTransform onPicture(PictureSize size) {
        AffineTransform out = new AffineTransform(moved);
        out.concatenate(placement.transform(size.width() / 2.0, size.height() / 2.0));
        return out;
    }

    private Object key(Surface surface) {
        return new Inked(look, chalks, whole(surface));
    }

    /**
     * All that changes its pixels besides the drawing and the transform. It is asked for with every tile, so the chalks are left
     * out of the hash: a shot keeps one list of them, which is found equal by being the same.
     */
    private record Inked(InkLook look, List<Chalk> chalks, Rectangle whole) {

        @Override
        public int hashCode() {
            return 31 * look.hashCode() + whole.hashCode();
        }
    }

    private static Rectangle whole(Surface surface) {
        return new Rectangle(0, 0, surface.view().width(), surface.view().height());
    }

    private Chalk chalk(String id) {
        for (Chalk chalk : chalks) {
            if (chalk.id().equals(id)) {
                return chalk;
            }
        }
        return chalks.get(0);
    }
}
