package chalktrace.media.codec;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import java.nio.ByteOrder;
import java.nio.IntBuffer;
import java.nio.file.Path;
import java.util.Optional;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacketSideData;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;

/**
 * What a file says of its stream of pictures before one is decoded.
 *
 * @param width of stored pictures, in pixels
 * @param height of stored pictures, in pixels
 * @param pixelAspect how much wider than high a pixel is meant to be
 * @param turnDegrees how far stored pictures are turned to stand upright, counter-clockwise: 0, 90, 180 or 270
 * @param interlaced whether pictures hold two moments each, in turns of rows
 * @param unitSeconds of one tick of the stream's clock
 * @param pictureSeconds for how long a picture is seen, as far as it is stated
 * @param hasTimesOfDecodingOnly whether its times say when pictures are decoded and not when they are seen
 */
record StreamFacts(
        int width,
        int height,
        double pixelAspect,
        int turnDegrees,
        boolean interlaced,
        Optional<FrameRate> statedRate,
        boolean statesRate,
        double unitSeconds,
        double pictureSeconds,
        boolean hasTimesOfDecodingOnly) {

    private static final int MATRIX_BYTES = 36;

    static StreamFacts of(MediaInput input, int number, AVCodecContext decoder) {
        AVStream stream = input.stream(number);
        // What the container says counts before what the pictures themselves say.
        AVRational aspect = avformat.av_guess_sample_aspect_ratio(input.context(), stream, null);
        AVRational own = stream.codecpar().framerate();
        boolean states = own.num() > 0 && own.den() > 0;
        // FFmpeg gives a bare stream 25 pictures a second, whatever its own head states.
        AVRational mean = input.isBare() && states ? own : stream.avg_frame_rate();
        AVRational base = stream.time_base();
        int order = stream.codecpar().field_order();
        return new StreamFacts(
                decoder.width(),
                decoder.height(),
                aspect.num() > 0 && aspect.den() > 0 ? (double) aspect.num() / aspect.den() : 1,
                input.isPicture() && stream.codecpar().codec_id() == avcodec.AV_CODEC_ID_MJPEG
                        ? JpegOrientation.turnDegrees(input.file())
                        : turnDegrees(stream),
                order != avcodec.AV_FIELD_UNKNOWN && order != avcodec.AV_FIELD_PROGRESSIVE,
                rate(mean.num() > 0 ? mean : stream.r_frame_rate()),
                states || !input.isBare(),
                (double) base.num() / base.den(),
                mean.num() > 0 && mean.den() > 0 ? (double) mean.den() / mean.num() : 1.0 / 24,
                // AVI counts packets.
                input.context().iformat().name().getString().equals("avi"));
    }

    private static int turnDegrees(AVStream stream) {
        AVPacketSideData side = avcodec.av_packet_side_data_get(
                stream.codecpar().coded_side_data(),
                stream.codecpar().nb_coded_side_data(),
                avcodec.AV_PKT_DATA_DISPLAYMATRIX);
        if (side == null || side.isNull() || side.size() < MATRIX_BYTES) {
            return 0;
        }
        IntBuffer matrix = side.data()
                .capacity(MATRIX_BYTES)
                .asByteBuffer()
                .order(ByteOrder.nativeOrder())
                .asIntBuffer();
        double degrees = Math.toDegrees(Math.atan2(matrix.get(1), matrix.get(0)));
        return Math.floorMod((int) Math.round(-degrees / 90) * 90, 360);
    }

    private static Optional<FrameRate> rate(AVRational stated) {
        try {
            return Optional.of(new FrameRate(stated.num(), stated.den()));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /**
     * The size as it is meant to be seen: pixels made square, turned upright.
     *
     * @throws IllegalArgumentException when a side has no pixel or too many
     */
    PictureSize displaySize() {
        int wide = Math.max(1, (int) Math.round(width * pixelAspect));
        int shown = pixelAspect == 1 ? width : wide;
        return turnDegrees % 180 == 0 ? new PictureSize(shown, height) : new PictureSize(height, shown);
    }

    void requireSize(Path file) throws UnreadableException {
        try {
            displaySize();
        } catch (IllegalArgumentException e) {
            throw tooLarge(file, width, height);
        }
    }

    static UnreadableException tooLarge(Path file, int width, int height) {
        return UnreadableException.of(
                file,
                "has pictures of " + width + "x" + height,
                "Each side must be 1 to " + PictureSize.LONGEST_SIDE + " pixels, and all of it at most "
                        + PictureSize.MOST_PIXELS / 1_000_000 + " million.");
    }
}
