package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;

/** Gives clear pixels beside a line its colour: a coding that shares colour among neighbours would else pale the line. */
final class ClearEdges {

    /** So far a coding mixes colours. */
    private static final int REACH = 8;

    private ClearEdges() {}

    /** @param words of straight opacity, row after row; painted in place, their opacity stays */
    static void spread(int[] words, PictureSize size) {
        int width = size.width();
        int height = size.height();
        for (int y = 0; y < height; y++) {
            spread(words, y * width, 1, width);
            spread(words, (y + 1) * width - 1, -1, width);
        }
        for (int x = 0; x < width; x++) {
            spread(words, x, width, height);
            spread(words, (height - 1) * width + x, -width, height);
        }
    }

    private static void spread(int[] words, int start, int step, int count) {
        int color = 0;
        int left = 0;
        for (int i = 0, at = start; i < count; i++, at += step) {
            if (words[at] != 0) {
                color = words[at] & 0xFFFFFF;
                left = words[at] >>> 24 == 0 ? left - 1 : REACH;
            } else if (left > 0) {
                words[at] = color;
                left--;
            }
        }
    }
}
