package chalktrace.media.codec;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.ChromaSite;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.picture.Plane;
import chalktrace.core.picture.VideoColour;
import chalktrace.core.picture.VideoLight;
import chalktrace.core.picture.YuvMatrix;
import chalktrace.core.picture.YuvPicture;
import java.nio.ByteOrder;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.ffmpeg.global.swscale;
import org.bytedeco.ffmpeg.swscale.SwsContext;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.DoublePointer;
import org.bytedeco.javacpp.IntPointer;

/** Turns decoded frames into pictures of the core. Lives on one thread at a time; must be closed. */
final class PictureReader implements AutoCloseable {

    /** PAL with square pixels, in the wide format. */
    private static final int SD_WIDTH = 1050;

    private static final int SD_HEIGHT = 576;

    private final StatedColour stated;
    private SwsContext scaler;
    private String scalerFor = "";
    private final AVFrame converted = avutil.av_frame_alloc();

    PictureReader() {
        this(StatedColour.NOTHING);
    }

    /** @param stated of the pictures' container */
    PictureReader(StatedColour stated) {
        this.stated = stated;
    }

    Picture read(AVFrame frame) throws PictureUnavailableException {
        stated.fill(frame);
        int format = frame.format();
        if (isPlanar8(format)) {
            return yuv(frame, colour(frame));
        }
        AVPixFmtDescriptor pixels = avutil.av_pix_fmt_desc_get(format);
        if ((pixels.flags() & avutil.AV_PIX_FMT_FLAG_FLOAT) != 0) {
            return LightPlanes.read(frame, pixels);
        }
        boolean isColor = (pixels.flags() & (avutil.AV_PIX_FMT_FLAG_RGB | avutil.AV_PIX_FMT_FLAG_PAL)) != 0
                || (pixels.flags() & avutil.AV_PIX_FMT_FLAG_ALPHA) != 0
                || pixels.nb_components() < 3;
        int to = isColor ? avutil.AV_PIX_FMT_BGRA : planar8(pixels.log2_chroma_w(), pixels.log2_chroma_h());
        convert(frame, to);
        return isColor ? argb(converted) : yuv(converted, colour(frame));
    }

    /** As {@link #read(AVFrame)}, for planes of which another than the frame says how they are meant. */
    Picture read(AVFrame frame, VideoColour colour) throws PictureUnavailableException {
        return isPlanar8(frame.format()) ? yuv(frame, colour) : read(frame);
    }

    @Override
    public void close() {
        swscale.sws_freeContext(scaler);
        scaler = null;
        avutil.av_frame_free(converted);
    }

    private void convert(AVFrame frame, int to) throws PictureUnavailableException {
        String wanted = frame.width() + "x" + frame.height() + ":" + frame.format() + ":" + to + ":"
                + frame.color_range() + ":" + frame.colorspace();
        if (!wanted.equals(scalerFor)) {
            swscale.sws_freeContext(scaler);
            scaler = swscale.sws_getContext(
                    frame.width(),
                    frame.height(),
                    frame.format(),
                    frame.width(),
                    frame.height(),
                    to,
                    swscale.SWS_BICUBIC | swscale.SWS_FULL_CHR_H_INT | swscale.SWS_ACCURATE_RND,
                    null,
                    null,
                    (DoublePointer) null);
            if (scaler == null || scaler.isNull()) {
                scalerFor = "";
                throw new PictureUnavailableException("The pictures' format is not one that can be shown.");
            }
            scalerFor = wanted;
            IntPointer weights = swscale.sws_getCoefficients(
                    switch (matrix(frame)) {
                        case BT601 -> swscale.SWS_CS_ITU601;
                        case BT709 -> swscale.SWS_CS_ITU709;
                        case BT2020 -> swscale.SWS_CS_BT2020;
                    });
            int range = isFullRange(frame) ? 1 : 0;
            swscale.sws_setColorspaceDetails(
                    scaler, weights, range, weights, to == avutil.AV_PIX_FMT_BGRA ? 1 : range, 0, 1 << 16, 1 << 16);
        }
        avutil.av_frame_unref(converted);
        converted.format(to);
        converted.width(frame.width());
        converted.height(frame.height());
        if (avutil.av_frame_get_buffer(converted, 0) < 0 || swscale.sws_scale_frame(scaler, converted, frame) < 0) {
            throw new PictureUnavailableException("A picture could not be converted for the screen.");
        }
    }

    private static Picture yuv(AVFrame planes, VideoColour colour) {
        AVPixFmtDescriptor pixels = avutil.av_pix_fmt_desc_get(planes.format());
        int width = planes.width();
        int height = planes.height();
        int chromaWidth = -(-width >> pixels.log2_chroma_w());
        int chromaHeight = -(-height >> pixels.log2_chroma_h());
        return new YuvPicture(
                plane(planes, 0, width, height),
                plane(planes, 1, chromaWidth, chromaHeight),
                plane(planes, 2, chromaWidth, chromaHeight),
                colour);
    }

    private static VideoColour colour(AVFrame frame) {
        return new VideoColour(matrix(frame), isFullRange(frame), site(frame), light(frame));
    }

    /** A video that does not name its primaries has those that go with its matrix. */
    private static VideoLight light(AVFrame frame) {
        boolean unsaid = frame.color_primaries() == avutil.AVCOL_PRI_UNSPECIFIED;
        if (frame.color_primaries() != avutil.AVCOL_PRI_BT2020 && !(unsaid && matrix(frame) == YuvMatrix.BT2020)) {
            return VideoLight.SCREEN;
        } else if (frame.color_trc() == avutil.AVCOL_TRC_SMPTE2084) {
            return VideoLight.PQ;
        }
        return frame.color_trc() == avutil.AVCOL_TRC_ARIB_STD_B67 ? VideoLight.HLG : VideoLight.WIDE;
    }

    private static Plane plane(AVFrame frame, int number, int width, int height) {
        byte[] samples = new byte[width * height];
        BytePointer rows = frame.data(number);
        int stride = frame.linesize(number);
        for (int y = 0; y < height; y++) {
            rows.position((long) y * stride).get(samples, y * width, width);
        }
        rows.position(0);
        return new Plane(width, height, samples);
    }

    private static Picture argb(AVFrame frame) {
        int width = frame.width();
        int height = frame.height();
        int[] words = new int[width * height];
        BytePointer rows = frame.data(0);
        int stride = frame.linesize(0);
        for (int y = 0; y < height; y++) {
            rows.position((long) y * stride)
                    .limit((long) y * stride + 4L * width)
                    .asByteBuffer()
                    .order(ByteOrder.LITTLE_ENDIAN)
                    .asIntBuffer()
                    .get(words, y * width, width);
        }
        return new ArgbPicture(new PictureSize(width, height), words);
    }

    /** Where a file does not name its matrix, pictures larger than those of standard definition are BT.709 (common practice). */
    private static YuvMatrix matrix(AVFrame frame) {
        int space = frame.colorspace();
        if (space == avutil.AVCOL_SPC_BT709) {
            return YuvMatrix.BT709;
        }
        if (space == avutil.AVCOL_SPC_BT470BG || space == avutil.AVCOL_SPC_SMPTE170M) {
            return YuvMatrix.BT601;
        }
        if (space == avutil.AVCOL_SPC_BT2020_NCL || space == avutil.AVCOL_SPC_BT2020_CL) {
            return YuvMatrix.BT2020;
        }
        return frame.width() > SD_WIDTH || frame.height() > SD_HEIGHT ? YuvMatrix.BT709 : YuvMatrix.BT601;
    }

    /** Where a file does not say where its chroma lies, it does as JPEG has it in pictures of full range, else as MPEG-2 (common practice). */
    private static ChromaSite site(AVFrame frame) {
        AVPixFmtDescriptor pixels = avutil.av_pix_fmt_desc_get(frame.format());
        int x = pixels.log2_chroma_w();
        int y = pixels.log2_chroma_h();
        int location = frame.chroma_location();
        if (location == avutil.AVCHROMA_LOC_UNSPECIFIED) {
            location = isFullRange(frame) ? avutil.AVCHROMA_LOC_CENTER : avutil.AVCHROMA_LOC_LEFT;
        }
        double right = ChromaSite.middle(x, y).x();
        double down = (1 << y) - 1;
        if (location == avutil.AVCHROMA_LOC_TOPLEFT) {
            return ChromaSite.topLeft();
        } else if (location == avutil.AVCHROMA_LOC_TOP) {
            return new ChromaSite(right, 0);
        } else if (location == avutil.AVCHROMA_LOC_BOTTOMLEFT) {
            return new ChromaSite(0, down);
        } else if (location == avutil.AVCHROMA_LOC_BOTTOM) {
            return new ChromaSite(right, down);
        }
        return location == avutil.AVCHROMA_LOC_LEFT ? ChromaSite.left(x, y) : ChromaSite.middle(x, y);
    }

    private static boolean isFullRange(AVFrame frame) {
        int format = frame.format();
        // Grey pictures that say nothing use all of their values, as RGB does.
        boolean isPlainGrey = frame.color_range() == avutil.AVCOL_RANGE_UNSPECIFIED
                && avutil.av_pix_fmt_desc_get(format).nb_components() < 3;
        return isPlainGrey
                || frame.color_range() == avutil.AVCOL_RANGE_JPEG
                || format == avutil.AV_PIX_FMT_YUVJ420P
                || format == avutil.AV_PIX_FMT_YUVJ422P
                || format == avutil.AV_PIX_FMT_YUVJ444P;
    }

    private static boolean isPlanar8(int format) {
        return format == avutil.AV_PIX_FMT_YUV420P
                || format == avutil.AV_PIX_FMT_YUV422P
                || format == avutil.AV_PIX_FMT_YUV444P
                || format == avutil.AV_PIX_FMT_YUVJ420P
                || format == avutil.AV_PIX_FMT_YUVJ422P
                || format == avutil.AV_PIX_FMT_YUVJ444P;
    }

    private static int planar8(int chromaShiftX, int chromaShiftY) {
        if (chromaShiftX == 0 && chromaShiftY == 0) {
            return avutil.AV_PIX_FMT_YUV444P;
        }
        return chromaShiftY == 0 ? avutil.AV_PIX_FMT_YUV422P : avutil.AV_PIX_FMT_YUV420P;
    }
}
