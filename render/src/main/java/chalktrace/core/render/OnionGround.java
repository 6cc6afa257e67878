package chalktrace.core.render;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.Stroke;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * What a frame's neighbours lie on, looked at coarsely and once, all along their lines and whatever the view: paper and footage. Says which way each goes, so
 * that it does not change over more often than it must. Safe for threads.
 */
final class OnionGround {

    /** The picture is looked at in so many cells across. */
    private static final int COLUMNS = 48;

    /** So many strokes of a drawing at most, and about so many places on all of them, are looked at. */
    private static final int MOST_STROKES = 100;

    private static final int PLACES = 300;

    private final List<SceneLayer> ground;
    private final Map<OnionLayer.Neighbour, Boolean> ways = new IdentityHashMap<>();
    private int[] roots;
    private int rows;

    /** @param layers that lie below; of these, those that are ground count */
    OnionGround(List<SceneLayer> layers) {
        ground = layers.stream().filter(SceneLayer::isGround).toList();
    }

    /** Whether most of a neighbour's lines stand out better when they are darker than what they lie on. */
    synchronized boolean goesDark(OnionLayer.Neighbour neighbour, Surface surface) {
        return ways.computeIfAbsent(neighbour, lines -> lines.tones().goesDark(under(lines.lines(), surface)));
    }

    /** How light it is under a drawing's lines, at places spread over them, as in {@link GroundLight}. */
    private IntStream under(DrawingLayer lines, Surface surface) {
        look(surface);
        PictureSize size = surface.size();
        AffineTransform toCells =
                AffineTransform.getScaleInstance(COLUMNS / (double) size.width(), rows / (double) size.height());
        toCells.concatenate(lines.onPicture(size));
        List<Stroke> strokes = lines.drawing().strokes();
        int step = 1 + strokes.size() / MOST_STROKES;
        int looked = strokes.size() / step;
        int places = PLACES / Math.max(1, looked);
        return IntStream.range(0, looked)
                .mapToObj(i -> strokes.get(i * step).curve())
                .flatMapToInt(curve -> IntStream.range(0, places).map(i -> root(curve, (i + 0.5) / places, toCells)));
    }

    private int root(Curve curve, double share, AffineTransform toCells) {
        double place = share * curve.segments();
        Point2D.Double at = new Point2D.Double(curve.at(place, 0), curve.at(place, 1));
        toCells.transform(at, at);
        int column = (int) Math.max(0, Math.min(COLUMNS - 1, at.x));
        int row = (int) Math.max(0, Math.min(rows - 1, at.y));
        return roots[row * COLUMNS + column];
    }

    private void look(Surface surface) {
        if (roots == null) {
            PictureSize size = surface.size();
            rows = Math.max(1, COLUMNS * size.height() / size.width());
            Surface small = new Surface(
                    size,
                    new Viewpoint(COLUMNS / (double) size.width(), 0, 0, 0, COLUMNS, rows),
                    surface.rasters(),
                    Haste.GLANCED);
            PixelTile tile = PixelTile.whole(new int[COLUMNS * rows], COLUMNS, rows);
            ground.forEach(layer -> layer.paint(small, tile));
            roots = GroundLight.roots(tile);
        }
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof OnionGround under && under.ground.equals(ground);
    }

    @Override
    public int hashCode() {
        return ground.size();
    }
}
