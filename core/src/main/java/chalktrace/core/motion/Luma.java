package chalktrace.core.motion;

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
