package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import java.util.Arrays;
import java.util.function.Supplier;

/**
 * The one renderer, for the screen, for export and for tests: paints a scene, or a tile of it, into opaque ARGB words.
 * Safe for threads: tiles of one scene may be composed side by side.
 */
public final class FrameComposer {

    /** How much of the surround lies over what is drawn beside the picture, of 256. */
    private static final int DIMMED = 160;

    private final RasterCache rasters;
    private final GroundCache ground = new GroundCache(GroundCache.USUAL_WORDS);
    private final Supplier<Rgb> surroundNow;

    /** @param surround the colour beside the picture */
    public FrameComposer(RasterCache rasters, Rgb surround) {
        this(rasters, () -> surround);
    }

    /** @param surround the colour beside the picture, asked for each tile */
    public FrameComposer(RasterCache rasters, Supplier<Rgb> surround) {
        this.rasters = rasters;
        this.surroundNow = surround;
    }

    /** Paints every pixel of the tile. */
    public void compose(Scene scene, Viewpoint view, PixelTile tile) {
        compose(scene, view, tile, Haste.NONE);
    }

    /** Makes what drawings of a scene lack, so that composing it then takes no time for that. */
    public void warm(Scene scene, Viewpoint view) {
        Surface surface = new Surface(scene.size(), view, rasters, Haste.NONE);
        scene.layers().forEach(layer -> layer.warm(surface));
    }

    /** Paints every pixel of the tile. */
    public void compose(Scene scene, Viewpoint view, PixelTile tile, Haste haste) {
        Surface surface = new Surface(scene.size(), view, rasters, haste);
        int surround = surroundNow.get().argb();
        boolean paperCoversIt =
                scene.hasPaper() && view.degrees() == 0 && surface.picture().contains(tile.bounds());
        if (!paperCoversIt) {
            for (int row = 0; row < tile.height(); row++) {
                int from = tile.offset() + row * tile.stride();
                Arrays.fill(tile.pixels(), from, from + tile.width(), surround);
            }
        }
        for (SceneLayer layer : scene.layers()
                .subList(ground.paint(scene, surface, tile), scene.layers().size())) {
            layer.paint(surface, tile);
        }
        if (scene.hasPaper() && !paperCoversIt) {
            dimOutside(surface, tile, surround);
        }
    }

    /** What is drawn beside the picture is not handed on, and looks so. */
    private static void dimOutside(Surface surface, PixelTile tile, int beside) {
        for (int y = 0; y < tile.height(); y++) {
            int[] inside = surface.columnsOfPicture(tile.y() + y);
            int end = tile.x() + tile.width();
            dim(tile, y, tile.x(), Math.min(end, inside[0]), beside);
            dim(tile, y, Math.max(tile.x(), inside[1]), end, beside);
        }
    }

    private static void dim(PixelTile tile, int y, int from, int to, int beside) {
        int[] pixels = tile.pixels();
        int at = tile.index(tile.x(), tile.y() + y) - tile.x();
        for (int x = from; x < to; x++) {
            if (pixels[at + x] != beside) {
                pixels[at + x] = Blend.mix(pixels[at + x], beside, DIMMED);
            }
        }
    }

    /** The whole picture of a scene at its own size, row after row. */
    public int[] composeWhole(Scene scene) {
        int width = scene.size().width();
        int height = scene.size().height();
        int[] pixels = new int[width * height];
        compose(scene, Viewpoint.plain(width, height), PixelTile.whole(pixels, width, height));
        return pixels;
    }

    /**
     * What of a scene covers its paper: straight-alpha ARGB words, row after row. Told by how it looks over black and over white: {@code a c} and
     * {@code a c + (1 - a)} (triangulation matting; Smith and Blinn, "Blue Screen Matting", SIGGRAPH 1996). A level that multiplies onto the
     * paper comes out as a black that covers as much as it darkens.
     */
    public int[] composeClear(Scene scene, Viewpoint view) {
        int[] black = new int[view.width() * view.height()];
        int[] white = new int[black.length];
        compose(scene.onPaper(Rgb.BLACK), view, PixelTile.whole(black, view.width(), view.height()));
        compose(scene.onPaper(Rgb.WHITE), view, PixelTile.whole(white, view.width(), view.height()));
        for (int i = 0; i < black.length; i++) {
            black[i] = Blend.straight(black[i], white[i]);
        }
        return black;
    }
}
