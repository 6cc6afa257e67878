package chalktrace.media.codec;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.LightPicture;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import org.bytedeco.ffmpeg.avutil.AVComponentDescriptor;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;
import org.bytedeco.ffmpeg.global.avutil;

/** Frames whose samples are floating-point numbers of 16 or 32 bits, in this machine's order of bytes. */
final class LightPlanes {

    /** A larger picture is seen as it is, without the light beyond white: it would take four times the memory. */
    private static final int MOST_PIXELS_WITH_LIGHT = 12_000_000;

    private final AVFrame frame;
    private final AVPixFmtDescriptor pixels;
    private final int width;

    private LightPlanes(AVFrame frame, AVPixFmtDescriptor pixels) {
        this.frame = frame;
        this.pixels = pixels;
        this.width = frame.width();
    }

    static Picture read(AVFrame frame, AVPixFmtDescriptor pixels) {
        LightPlanes planes = new LightPlanes(frame, pixels);
        PictureSize size = new PictureSize(frame.width(), frame.height());
        return (long) size.width() * size.height() > MOST_PIXELS_WITH_LIGHT
                ? new ArgbPicture(size, planes.words())
                : new LightPicture(
                        size,
                        planes.whole(planes.red()),
                        planes.whole(planes.green()),
                        planes.whole(planes.blue()),
                        planes.isClear() ? planes.whole(planes.opacity()) : null);
    }

    private AVComponentDescriptor red() {
        return pixels.comp(0);
    }

    private boolean isGrey() {
        return pixels.nb_components() < 3;
    }

    private AVComponentDescriptor green() {
        return pixels.comp(isGrey() ? 0 : 1);
    }

    private AVComponentDescriptor blue() {
        return pixels.comp(isGrey() ? 0 : 2);
    }

    private boolean isClear() {
        return (pixels.flags() & avutil.AV_PIX_FMT_FLAG_ALPHA) != 0;
    }

    private AVComponentDescriptor opacity() {
        return pixels.comp(pixels.nb_components() - 1);
    }

    private float[] whole(AVComponentDescriptor part) {
        float[] out = new float[width * frame.height()];
        for (int y = 0; y < frame.height(); y++) {
            row(part, y, out, y * width);
        }
        return out;
    }

    private int[] words() {
        int[] out = new int[width * frame.height()];
        float[] red = new float[width];
        float[] green = new float[width];
        float[] blue = new float[width];
        float[] opacity = new float[width];
        for (int y = 0; y < frame.height(); y++) {
            row(red(), y, red, 0);
            row(green(), y, green, 0);
            row(blue(), y, blue, 0);
            if (isClear()) {
                row(opacity(), y, opacity, 0);
            }
            for (int x = 0; x < width; x++) {
                out[y * width + x] = LightPicture.word(red[x], green[x], blue[x], isClear() ? opacity[x] : 1);
            }
        }
        return out;
    }

    private void row(AVComponentDescriptor part, int y, float[] out, int to) {
        int step = part.step();
        ByteBuffer row = frame.data(part.plane())
                .getPointer((long) y * frame.linesize(part.plane()))
                .limit((long) step * width)
                .asByteBuffer()
                .order(ByteOrder.nativeOrder());
        for (int x = 0; x < width; x++) {
            int at = x * step + part.offset();
            out[to + x] = part.depth() == 16 ? half(row.getShort(at)) : row.getFloat(at);
        }
    }

    /** IEEE 754 binary16. */
    static float half(short bits) {
        int sign = (bits & 0x8000) << 16;
        int exponent = bits >> 10 & 31;
        int fraction = bits & 0x3FF;
        if (exponent == 31) {
            return Float.intBitsToFloat(sign | 0x7F800000 | fraction << 13);
        } else if (exponent == 0) {
            float small = fraction / (float) (1 << 24);
            return sign == 0 ? small : -small;
        }
        return Float.intBitsToFloat(sign | exponent + 112 << 23 | fraction << 13);
    }
}
