package chalktrace.core.picture;

/** A picture of ARGB words with straight (not premultiplied) opacity. */
public final class ArgbPicture extends Picture {

    private final int[] words;

    /** @throws IllegalArgumentException when the words are not width x height */
    public ArgbPicture(PictureSize size, int[] words) {
        super(size);
        if (words.length != size.width() * size.height()) {
            throw new IllegalArgumentException("A picture of " + size + " can't hold " + words.length + " words.");
        }
        this.words = words;
    }

    @Override
    public long bytes() {
        return 4L * words.length;
    }

    @Override
    public boolean isOpaque() {
        return false;
    }

    @Override
    public void argbRow(PictureSampling columns, double row, int count, int[] out) {
        int y = PictureSampling.fixed(row);
        PictureSampling.Columns at = columns.columns(0, 0, size().width());
        for (int i = 0; i < count; i++) {
            out[i] = sample((at.first() + at.index()[i]) * 256 + at.share()[i], y);
        }
    }

    @Override
    public int argbAt(double x, double y) {
        return sample(PictureSampling.fixed(x), PictureSampling.fixed(y));
    }

    @Override
    Picture makeHalf() {
        int w = (size().width() + 1) / 2;
        int h = (size().height() + 1) / 2;
        int[] out = new int[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                out[y * w + x] = sample(2 * x * 256 + 128, 2 * y * 256 + 128);
            }
        }
        return new ArgbPicture(new PictureSize(w, h), out);
    }

    /** Pictures with opacity or palettes are never interlaced. */
    @Override
    Picture makeOneField() {
        return this;
    }

    private int sample(int x, int y) {
        int width = size().width();
        int column = Math.max(0, Math.min(x >> 8, width - 1));
        int row = Math.max(0, Math.min(y >> 8, size().height() - 1));
        int fx = x < 0 || column == width - 1 ? 0 : x & 255;
        int fy = y < 0 || row == size().height() - 1 ? 0 : y & 255;
        int at = row * width + column;
        if ((fx | fy) == 0) {
            return words[at];
        }
        int right = fx == 0 ? 0 : 1;
        int below = fy == 0 ? 0 : width;
        return mix(mix(words[at], words[at + right], fx), mix(words[at + below], words[at + below + right], fx), fy);
    }

    /** Mixes two words so that a clear one lends no colour. */
    private static int mix(int a, int b, int share) {
        int weightA = (a >>> 24) * (256 - share);
        int weightB = (b >>> 24) * share;
        int total = weightA + weightB;
        if (total == 0) {
            return 0;
        }
        int red = ((a >> 16 & 255) * weightA + (b >> 16 & 255) * weightB) / total;
        int green = ((a >> 8 & 255) * weightA + (b >> 8 & 255) * weightB) / total;
        int blue = ((a & 255) * weightA + (b & 255) * weightB) / total;
        return total + 128 >> 8 << 24 | red << 16 | green << 8 | blue;
    }
}
