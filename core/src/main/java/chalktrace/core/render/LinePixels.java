package chalktrace.core.render;

/**
 * Thin straight lines and dots with edges a pixel soft, for the hundreds of them that are painted anew for each frame: by how far a pixel's middle lies from theirs,
 * so that one costs no more than the pixels it covers. Places and lengths in pixels of the surface, colours as premultiplied ARGB words. What is not finite paints
 * nothing.
 */
final class LinePixels {

    /** Half of a soft edge. */
    private static final double SOFT = 0.5;

    private final PixelTile tile;

    LinePixels(PixelTile tile) {
        this.tile = tile;
    }

    /** A line with round ends. */
    void line(double x1, double y1, double x2, double y2, double width, int color) {
        double reach = width / 2 + SOFT;
        if (!meets(Math.min(x1, x2), Math.min(y1, y2), Math.max(x1, x2), Math.max(y1, y2), reach)) {
            return;
        }
        double dx = x2 - x1;
        double dy = y2 - y1;
        double length = Math.hypot(dx, dy);
        if (Math.abs(dx) > Math.abs(dy)) {
            double half = reach * length / Math.abs(dx);
            int from = first(Math.min(x1, x2) - reach, tile.x());
            int to = last(Math.max(x1, x2) + reach, tile.x() + tile.width());
            for (int x = from; x <= to; x++) {
                double middle = y1 + dy * share((x + 0.5 - x1) / dx);
                int down = last(middle + half, tile.y() + tile.height());
                for (int y = first(middle - half, tile.y()); y <= down; y++) {
                    lay(x, y, reach - away(x + 0.5 - x1, y + 0.5 - y1, dx, dy, length), color);
                }
            }
        } else {
            double half = length == 0 ? reach : reach * length / Math.abs(dy);
            int from = first(Math.min(y1, y2) - reach, tile.y());
            int to = last(Math.max(y1, y2) + reach, tile.y() + tile.height());
            for (int y = from; y <= to; y++) {
                double middle = length == 0 ? x1 : x1 + dx * share((y + 0.5 - y1) / dy);
                int right = last(middle + half, tile.x() + tile.width());
                for (int x = first(middle - half, tile.x()); x <= right; x++) {
                    lay(x, y, reach - away(x + 0.5 - x1, y + 0.5 - y1, dx, dy, length), color);
                }
            }
        }
    }

    /** A filled circle. */
    void dot(double x, double y, double radius, int color) {
        line(x, y, x, y, 2 * radius, color);
    }

    /** A filled square that stands upright. @param half of its side */
    void square(double x, double y, double half, int color) {
        if (!meets(x, y, x, y, half + SOFT)) {
            return;
        }
        int right = last(x + half + SOFT, tile.x() + tile.width());
        int down = last(y + half + SOFT, tile.y() + tile.height());
        for (int py = first(y - half - SOFT, tile.y()); py <= down; py++) {
            double high = share(half + SOFT - Math.abs(py + 0.5 - y));
            for (int px = first(x - half - SOFT, tile.x()); px <= right; px++) {
                lay(px, py, high * share(half + SOFT - Math.abs(px + 0.5 - x)), color);
            }
        }
    }

    /** A circle. @param radius of the middle of its line */
    void ring(double x, double y, double radius, double width, int color) {
        double reach = radius + width / 2 + SOFT;
        if (!meets(x, y, x, y, reach)) {
            return;
        }
        int right = last(x + reach, tile.x() + tile.width());
        int down = last(y + reach, tile.y() + tile.height());
        for (int py = first(y - reach, tile.y()); py <= down; py++) {
            for (int px = first(x - reach, tile.x()); px <= right; px++) {
                double off = Math.abs(away(px + 0.5 - x, py + 0.5 - y, 0, 0, 0) - radius);
                lay(px, py, width / 2 + SOFT - off, color);
            }
        }
    }

    private boolean meets(double left, double top, double right, double bottom, double reach) {
        return right + reach > tile.x()
                && left - reach < tile.x() + tile.width()
                && bottom + reach > tile.y()
                && top - reach < tile.y() + tile.height()
                && Double.isFinite(right - left + bottom - top);
    }

    /** The first pixel whose middle lies at a place or after it, no earlier than the tile's. */
    private static int first(double place, int start) {
        return (int) Math.max(start, Math.ceil(place - 0.5));
    }

    private static int last(double place, int end) {
        return (int) Math.min(end - 1, Math.floor(place - 0.5));
    }

    /** How far a place lies from a line that starts at 0 and goes by {@code dx} and {@code dy}. */
    private static double away(double x, double y, double dx, double dy, double length) {
        double along = length == 0 ? 0 : share((x * dx + y * dy) / (length * length));
        double offX = x - along * dx;
        double offY = y - along * dy;
        return Math.sqrt(offX * offX + offY * offY);
    }

    private static double share(double value) {
        return Math.max(0, Math.min(1, value));
    }

    private void lay(int x, int y, double cover, int color) {
        int part = Blend.share(share(cover));
        if (part > 0) {
            int at = tile.index(x, y);
            tile.pixels()[at] = Blend.over(tile.pixels()[at], Blend.scale(color, part));
        }
    }
}
