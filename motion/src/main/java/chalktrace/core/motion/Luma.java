package chalktrace.core.motion;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.Plane;
import chalktrace.core.picture.YuvPicture;

/**
 * How bright a picture is, as a tracker sees it. The values are shared and never written after this object is made.
 *
 * @param values row after row, 0 to 255
 */
public record Luma(byte[] values, int width, int height) {

    public Luma {
        if (values.length != width * height || width < 1 || height < 1) {
            throw new IllegalArgumentException("A picture has a value for each of its pixels.");
        }
    }

    /** As a decoded picture has it; the samples of video are shared and not copied. */
    public static Luma of(Picture picture) {
        if (picture instanceof YuvPicture video) {
            Plane plane = video.luma();
            return new Luma(plane.samples(), plane.width(), plane.height());
        }
        return of(picture.toArgb(), picture.size().width(), picture.size().height());
    }

    /** @param argb row after row */
    public static Luma of(int[] argb, int width, int height) {
        byte[] out = new byte[width * height];
        for (int i = 0; i < out.length; i++) {
            // ITU-R BT.601 weights, in whole numbers.
            int red = argb[i] >> 16 & 0xFF;
            int green = argb[i] >> 8 & 0xFF;
            int blue = argb[i] & 0xFF;
            out[i] = (byte) ((77 * red + 150 * green + 29 * blue) >> 8);
        }
        return new Luma(out, width, height);
    }

    /** The value between four pixels; at the picture's edge the outermost ones go on. */
    double at(double x, double y) {
        double inX = Math.max(0, Math.min(width - 1.001, x));
        double inY = Math.max(0, Math.min(height - 1.001, y));
        int left = (int) inX;
        int top = (int) inY;
        double right = inX - left;
        double down = inY - top;
        int at = top * width + left;
        double above = pixel(at) * (1 - right) + (width > 1 ? pixel(at + 1) * right : 0);
        double below = height > 1 ? pixel(at + width) * (1 - right) + pixel(at + width + 1) * right : above;
        return above * (1 - down) + below * down;
    }

    /** The values around a place, row after row, 2 radius + 1 a side. */
    void window(double x, double y, int radius, double[] out) {
        int left = (int) Math.floor(x) - radius;
        int top = (int) Math.floor(y) - radius;
        int side = 2 * radius + 1;
        if (left < 0 || top < 0 || left + side >= width || top + side >= height) {
            for (int i = 0; i < out.length; i++) {
                out[i] = at(x + i % side - radius, y + i / side - radius);
            }
            return;
        }
        double right = x - Math.floor(x);
        double down = y - Math.floor(y);
        for (int row = 0, i = 0; row < side; row++) {
            int at = (top + row) * width + left;
            double above = pixel(at);
            double below = pixel(at + width);
            for (int column = 0; column < side; column++, i++) {
                double nextAbove = pixel(at + column + 1);
                double nextBelow = pixel(at + width + column + 1);
                double high = above + (nextAbove - above) * right;
                double low = below + (nextBelow - below) * right;
                out[i] = high + (low - high) * down;
                above = nextAbove;
                below = nextBelow;
            }
        }
    }

    private int pixel(int at) {
        return values[at] & 0xFF;
    }

    /** Half as large, each pixel the mean of four. */
    Luma halved() {
        int w = Math.max(1, width / 2);
        int h = Math.max(1, height / 2);
        byte[] out = new byte[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int at = 2 * y * width + 2 * x;
                int right = 2 * x + 1 < width ? at + 1 : at;
                int down = 2 * y + 1 < height ? width : 0;
                out[y * w + x] = (byte) ((pixel(at) + pixel(right) + pixel(at + down) + pixel(right + down) + 2) / 4);
            }
        }
        return new Luma(out, w, h);
    }
}
