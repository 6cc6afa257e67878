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
        Segment line = new Segment(x1, y1, x2 - x1, y2 - y1);
        double dx = line.dx;
        double dy = line.dy;
        if (Math.abs(dx) > Math.abs(dy)) {
            double half = reach * line.length / Math.abs(dx);
            int from = first(Math.min(x1, x2) - reach, tile.x());
            int to = last(Math.max(x1, x2) + reach, tile.x() + tile.width());
            for (int x = from; x <= to; x++) {
                double middle = y1 + dy * share((x + 0.5 - x1) / dx);
                int down = last(middle + half, tile.y() + tile.height());
                for (int y = first(middle - half, tile.y()); y <= down; y++) {
                    lay(x, y, reach - line.away(x + 0.5, y + 0.5), color);
                }
            }
        } else {
            double half = line.length == 0 ? reach : reach * line.length / Math.abs(dy);
            int from = first(Math.min(y1, y2) - reach, tile.y());
            int to = last(Math.max(y1, y2) + reach, tile.y() + tile.height());
            for (int y = from; y <= to; y++) {
                double middle = line.length == 0 ? x1 : x1 + dx * share((y + 0.5 - y1) / dy);
                int right = last(middle + half, tile.x() + tile.width());
                for (int x = first(middle - half, tile.x()); x <= right; x++) {
                    lay(x, y, reach - line.away(x + 0.5, y + 0.5), color);
                }
            }
        }
    }

    /** From a place on, by some way: what is asked of it for every pixel near it costs no root and no division but at its ends. */
    private static final class Segment {
        private final double x;
        private final double y;
        private final double dx;
        private final double dy;
        private final double length;
        private final double alongX;
        private final double alongY;

        Segment(double x, double y, double dx, double dy) {
            this.x = x;
            this.y = y;
            this.dx = dx;
            this.dy = dy;
            this.length = Math.sqrt(dx * dx + dy * dy);
            this.alongX = length == 0 ? 0 : dx / length;
            this.alongY = length == 0 ? 0 : dy / length;
        }

        /** How far a place lies from it. */
        double away(double placeX, double placeY) {
            double offX = placeX - x;
            double offY = placeY - y;
            double along = offX * alongX + offY * alongY;
            if (along > 0 && along < length) {
                return Math.abs(offX * alongY - offY * alongX);
            }
            if (along >= length) {
                offX -= dx;
                offY -= dy;
            }
            return Math.sqrt(offX * offX + offY * offY);
        }
    }

    /** A filled circle. */
    void dot(double x, double y, double radius, int color) {
        dot(x, y, radius, color, 0, color);
    }

    /** A filled circle within another, as if they were painted one after the other. @param edge how much larger the other is */
    void dot(double x, double y, double radius, int color, double edge, int edgeColor) {
        double reach = radius + edge + SOFT;
        if (!meets(x, y, x, y, reach)) {
            return;
        }
        double inner = radius - SOFT;
        int right = last(x + reach, tile.x() + tile.width());
        int down = last(y + reach, tile.y() + tile.height());
        for (int py = first(y - reach, tile.y()); py <= down; py++) {
            double offY = py + 0.5 - y;
            for (int px = first(x - reach, tile.x()); px <= right; px++) {
                double offX = px + 0.5 - x;
                double square = offX * offX + offY * offY;
                if (inner > 0 && square <= inner * inner) {
                    lay(px, py, 1, color);
                } else if (square < reach * reach) {
                    double away = Math.sqrt(square);
                    if (edge > 0) {
                        lay(px, py, reach - away, edgeColor);
                    }
                    lay(px, py, radius + SOFT - away, color);
                }
            }
        }
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
                double offX = px + 0.5 - x;
                double offY = py + 0.5 - y;
                double off = Math.abs(Math.sqrt(offX * offX + offY * offY) - radius);
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

    private static double share(double value) {
        return Math.max(0, Math.min(1, value));
    }

    private void lay(int x, int y, double cover, int color) {
        if (cover <= 0) {
            return;
        }
        int at = tile.index(x, y);
        int word = cover >= 1 ? color : Blend.scale(color, (int) (cover * 256 + 0.5));
        tile.pixels()[at] = Blend.over(tile.pixels()[at], word);
    }
}
