package chalktrace.core.render;

import chalktrace.core.picture.Rgb;
import java.util.List;

/**
 * The neighbours of a level's present drawing that show through: their lines in colours of their own that are made darker or lighter
 * along the line until they stand out from what lies under all of them there, paper or footage alike. How much a neighbour stands out is
 * what its strength says.
 *
 * @param neighbours the first at the bottom
 * @param ground what they lie on
 */
record OnionLayer(List<Neighbour> neighbours, OnionGround ground) implements SceneLayer {

    /** The contrast at full strength is one more than this; a strength of 0.6 gives the 3:1 of WCAG 2.2, 1.4.11, and some to spare. */
    private static final double CONTRAST = 3.75;

    /** One of them. @param lines it; only where they cover counts */
    record Neighbour(DrawingLayer lines, OnionTones tones) {

        /** @param later whether it comes after the present drawing @param strength 0 (not seen) to 1 */
        static Neighbour of(DrawingLayer lines, Rgb color, boolean later, double strength) {
            double seen = Math.max(0, Math.min(1, strength * lines.placement().opacity()));
            return new Neighbour(lines, OnionTones.of(color, 1 + CONTRAST * seen, later));
        }
    }

    OnionLayer {
        neighbours = List.copyOf(neighbours);
    }

    @Override
    public void warm(Surface surface) {
        for (Neighbour neighbour : neighbours) {
            neighbour.lines().warmWhole(surface);
            ground.goesDark(neighbour, surface);
        }
    }

    @Override
    public int glance() {
        int glance = 0;
        for (Neighbour neighbour : neighbours) {
            glance = 31 * glance + neighbour.lines().glance();
        }
        return glance;
    }

    @Override
    public boolean isCostly() {
        return true;
    }

    @Override
    public void paint(Surface surface, PixelTile tile) {
        Painting painting = new Painting(tile, surface);
        for (Neighbour neighbour : neighbours) {
            painting.start(neighbour);
            neighbour.lines().eachRun(surface, tile, painting);
        }
    }

    /** Looks at the ground of a tile before the first line is on it. */
    private final class Painting implements Raster.RunTaker {

        private final PixelTile tile;
        private final Surface surface;
        private GroundLight light;
        private Neighbour neighbour;
        private boolean started;

        Painting(PixelTile tile, Surface surface) {
            this.tile = tile;
            this.surface = surface;
        }

        void start(Neighbour next) {
            neighbour = next;
            started = false;
        }

        @Override
        public void take(int left, int y, int[] covers, int from, int count) {
            if (light == null) {
                light = new GroundLight(tile);
            }
            if (!started) {
                started = true;
                light.start(neighbour.tones(), ground.goesDark(neighbour, surface));
            }
            light.lay(left, y, covers, from, count);
        }
    }
}
