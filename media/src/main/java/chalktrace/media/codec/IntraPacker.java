package chalktrace.media.codec;

import chalktrace.core.picture.ChromaSite;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Plane;
import chalktrace.core.picture.VideoColour;
import chalktrace.core.picture.VideoLight;
import chalktrace.core.picture.YuvMatrix;
import chalktrace.core.picture.YuvPicture;
import java.io.IOException;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.ffmpeg.global.swscale;
import org.bytedeco.ffmpeg.swscale.SwsContext;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.DoublePointer;
import org.bytedeco.javacpp.IntPointer;

/**
 * Packs pictures one by one, made smaller where wanted, so that each can be read without any other: as JPEG, or as QOI
 * where they have opacity. Samples of luma and chroma go in as they are, so that the matrix and range of the source hold
 * for what comes out. Lives on one thread at a time; must be closed.
 */
public final class IntraPacker implements AutoCloseable {

    /** A picture packed. @param colour none where it comes out as ARGB */
    public record Packed(byte[] bytes, Kind kind, VideoColour colour) {}

    /** How a picture is packed. */
    public enum Kind {
        JPEG,
        QOI
    }

    /** The codec's own scale of quality, 1 (best) to 31: at 3 lines and faces stay clean. */
    private static final int JPEG_QUALITY = 3;

    private static final VideoColour OF_JPEG =
            new VideoColour(YuvMatrix.BT601, true, ChromaSite.middle(1, 1), VideoLight.SCREEN);

    private final PictureSize largest;
    private final AVFrame source = avutil.av_frame_alloc();
    private final AVFrame scaled = avutil.av_frame_alloc();
    private final AVPacket packet = avcodec.av_packet_alloc();
    private SwsContext scaler;
    private AVCodecContext encoder;
    private String encoderFor = "";

    /** @param largest the size within whose area packed pictures stay */
    public IntraPacker(PictureSize largest) {
        Natives.load();
        this.largest = largest;
    }

    /** @throws IOException when the codecs refuse the picture */
    public Packed pack(Picture picture) throws IOException {
        PictureSize to = sizeFor(picture.size());
        if (picture instanceof YuvPicture planes) {
            fill(planes);
            encode(source.format(), to, avutil.AV_PIX_FMT_YUVJ420P, Kind.JPEG);
            return new Packed(taken(), Kind.JPEG, colour(planes, to));
        }
        int[] words = picture.toArgb();
        fill(picture.size(), words);
        if (isClearAnywhere(words)) {
            encode(avutil.AV_PIX_FMT_BGRA, to, avutil.AV_PIX_FMT_RGBA, Kind.QOI);
            return new Packed(taken(), Kind.QOI, null);
        }
        encode(avutil.AV_PIX_FMT_BGRA, to, avutil.AV_PIX_FMT_YUVJ420P, Kind.JPEG);
        return new Packed(taken(), Kind.JPEG, OF_JPEG);
    }

    /** Scaling takes chroma to lie in the middle. */
    private static VideoColour colour(YuvPicture picture, PictureSize to) {
        double times = (double) picture.size().width() / to.width();
        VideoColour colour = picture.colour();
        return new VideoColour(
                colour.matrix(),
                colour.fullRange(),
                colour.site().scaled(times, picture.shiftX(), picture.shiftY(), 1, 1),
                colour.light());
    }

    /** The size at which pictures of a size are packed: never larger, the same shape, both sides even where possible. */
    PictureSize sizeFor(PictureSize size) {
        double shrink =
                Math.sqrt((double) largest.width() * largest.height() / ((double) size.width() * size.height()));
        if (shrink >= 1) {
            return size;
        }
        return new PictureSize(even(size.width() * shrink), even(size.height() * shrink));
    }

    @Override
    public void close() {
        swscale.sws_freeContext(scaler);
        avutil.av_frame_free(source);
        avutil.av_frame_free(scaled);
        avcodec.av_packet_free(packet);
        if (encoder != null) {
            avcodec.avcodec_free_context(encoder);
        }
    }

    private void fill(YuvPicture picture) throws IOException {
        begin(picture.size(), format(picture.shiftX(), picture.shiftY()));
        copy(picture.luma(), 0);
        copy(picture.blue(), 1);
        copy(picture.red(), 2);
    }

    /** Of all ways to share chroma those that {@link YuvPicture} knows. */
    private static int format(int shiftX, int shiftY) throws IOException {
        String ways = shiftX + "/" + shiftY;
        return switch (ways) {
            case "0/0" -> avutil.AV_PIX_FMT_YUVJ444P;
            case "1/0" -> avutil.AV_PIX_FMT_YUVJ422P;
            case "0/1" -> avutil.AV_PIX_FMT_YUVJ440P;
            case "1/1" -> avutil.AV_PIX_FMT_YUVJ420P;
            case "2/0" -> avutil.AV_PIX_FMT_YUV411P;
            case "2/2" -> avutil.AV_PIX_FMT_YUV410P;
            default -> throw new IOException("Pictures whose chroma is shared as " + ways + " can't be packed.");
        };
    }

    private void fill(PictureSize size, int[] words) throws IOException {
        begin(size, avutil.AV_PIX_FMT_BGRA);
        for (int y = 0; y < size.height(); y++) {
            BytePointer row = source.data(0).getPointer((long) y * source.linesize(0));
            new IntPointer(row).put(words, y * size.width(), size.width());
        }
    }

    private void begin(PictureSize size, int format) throws IOException {
        if (source.format() == format
                && source.width() == size.width()
                && source.height() == size.height()
                && source.data(0) != null) {
            check(avutil.av_frame_make_writable(source));
            return;
        }
        avutil.av_frame_unref(source);
        source.format(format);
        source.width(size.width());
        source.height(size.height());
        check(avutil.av_frame_get_buffer(source, 0));
    }

    private void copy(Plane plane, int number) {
        BytePointer rows = source.data(number);
        int stride = source.linesize(number);
        for (int y = 0; y < plane.height(); y++) {
            rows.position((long) y * stride).put(plane.samples(), y * plane.width(), plane.width());
        }
        rows.position(0);
    }

    private void encode(int from, PictureSize to, int format, Kind kind) throws IOException {
        prepare(from, to, format, kind);
        boolean asIs = from == format && source.width() == to.width() && source.height() == to.height();
        AVFrame whole = source;
        if (!asIs) {
            check(avutil.av_frame_make_writable(scaled));
            check(swscale.sws_scale_frame(scaler, scaled, source));
            whole = scaled;
        }
        whole.quality(JPEG_QUALITY * avutil.FF_QP2LAMBDA);
        whole.color_range(avutil.AVCOL_RANGE_JPEG);
        check(avcodec.avcodec_send_frame(encoder, whole));
        check(avcodec.avcodec_receive_packet(encoder, packet));
    }

    private void prepare(int from, PictureSize to, int format, Kind kind) throws IOException {
        String wanted = source.width() + "x" + source.height() + ":" + from + ":" + to + ":" + format;
        if (wanted.equals(encoderFor)) {
            return;
        }
        encoderFor = "";
        swscale.sws_freeContext(scaler);
        scaler = swscale.sws_getContext(
                source.width(),
                source.height(),
                from,
                to.width(),
                to.height(),
                format,
                swscale.SWS_BILINEAR,
                null,
                null,
                (DoublePointer) null);
        if (scaler == null || scaler.isNull()) {
            throw new IOException("Pictures of " + source.width() + "x" + source.height() + " can't be packed.");
        }
        if (kind == Kind.JPEG) {
            IntPointer weights = swscale.sws_getCoefficients(swscale.SWS_CS_ITU601);
            swscale.sws_setColorspaceDetails(scaler, weights, 1, weights, 1, 0, 1 << 16, 1 << 16);
        }
        avutil.av_frame_unref(scaled);
        scaled.format(format);
        scaled.width(to.width());
        scaled.height(to.height());
        check(avutil.av_frame_get_buffer(scaled, 0));
        openEncoder(to, format, kind);
        encoderFor = wanted;
    }

    private void openEncoder(PictureSize to, int format, Kind kind) throws IOException {
        if (encoder != null) {
            avcodec.avcodec_free_context(encoder);
        }
        AVCodec codec =
                avcodec.avcodec_find_encoder(kind == Kind.JPEG ? avcodec.AV_CODEC_ID_MJPEG : avcodec.AV_CODEC_ID_QOI);
        encoder = avcodec.avcodec_alloc_context3(codec);
        encoder.width(to.width());
        encoder.height(to.height());
        encoder.pix_fmt(format);
        encoder.time_base(avutil.av_make_q(1, 24));
        encoder.color_range(avutil.AVCOL_RANGE_JPEG);
        encoder.thread_count(1);
        if (kind == Kind.JPEG) {
            encoder.flags(encoder.flags() | avcodec.AV_CODEC_FLAG_QSCALE);
            encoder.global_quality(JPEG_QUALITY * avutil.FF_QP2LAMBDA);
        }
        check(avcodec.avcodec_open2(encoder, codec, (AVDictionary) null));
    }

    private byte[] taken() {
        byte[] bytes = new byte[packet.size()];
        packet.data().get(bytes);
        avcodec.av_packet_unref(packet);
        return bytes;
    }

    private static boolean isClearAnywhere(int[] words) {
        int all = 0xFF000000;
        for (int word : words) {
            all &= word;
        }
        return all >>> 24 != 0xFF;
    }

    private static int even(double side) {
        return Math.max(2, (int) Math.round(side / 2) * 2);
    }

    private static void check(int code) throws IOException {
        if (code < 0) {
            throw new IOException("A picture could not be packed: " + Natives.words(code) + ".");
        }
    }
}
