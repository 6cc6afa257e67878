package chalktrace.media.codec;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.time.FrameRate;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Map;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.ffmpeg.global.swscale;
import org.bytedeco.ffmpeg.swscale.SwsContext;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.FloatPointer;
import org.bytedeco.javacpp.IntPointer;
import org.bytedeco.javacpp.ShortPointer;

/**
 * Writes a movie in one of the {@link MovieFormat}s, where it is no RGB with the matrix of BT.709 in limited range. Frames are given in turn, each
 * with the sound of its time. Lives on one thread; {@link #finish} makes the file whole, {@link #close} frees it in any case.
 */
public final class MovieEncoder implements AutoCloseable {

    private static final int SOUND_BITS_PER_SECOND = 192_000;

    /** A key picture at least twice a second at 24, so that other programs step through the movie well. */
    private static final int KEY_EVERY = 12;

    private static final int FFV1_SLICES = 4;

    /** Moments at a time for a coding of sound that takes any number. */
    private static final int USUAL_MOMENTS = 1024;

    private final MovieFormat format;
    private final PictureSize size;
    private final AVFormatContext container;
    private final AVCodecContext video;
    private final AVStream videoStream;
    private final AVCodecContext sound;
    private final AVStream soundStream;
    private final SwsContext converter;
    private final AVFrame source = avutil.av_frame_alloc();
    private final AVFrame picture = avutil.av_frame_alloc();
    private final AVFrame soundFrame = avutil.av_frame_alloc();
    private final AVPacket packet = avcodec.av_packet_alloc();
    private final float[] pending;
    private int pendingLength;
    private long framesWritten;
    private long samplesWritten;
    private boolean fileOpen;

    /** An MP4 of good quality. */
    public MovieEncoder(Path file, PictureSize size, FrameRate rate, boolean withSound) throws IOException {
        this(file, MovieFormat.MP4, size, rate, withSound, MovieFormat.MP4.bits());
    }

    /**
     * @param size both sides even where the format says so
     * @param bitsPerPixel how much each pixel of a picture may take, where the format has such a choice
     * @throws IOException when the file can't be made or the size is refused
     */
    public MovieEncoder(
            Path file, MovieFormat format, PictureSize size, FrameRate rate, boolean withSound, double bitsPerPixel)
            throws IOException {
        Natives.load();
        if (format.even() && (size.width() % 2 != 0 || size.height() % 2 != 0)) {
            throw new IllegalArgumentException("The sides of such a movie are even, unlike " + size + ".");
        }
        this.format = format;
        this.size = size;
        container = new AVFormatContext(null);
        // The library opens the file by this name once more, to move its table to the front.
        try (BytePointer name = url(file);
                BytePointer kind = new BytePointer(format.container())) {
            check(avformat.avformat_alloc_output_context2(container, null, kind, name), "start the movie");
        }
        video = videoCodec(rate, bitsPerPixel);
        videoStream = stream(video);
        sound = withSound && !format.sound().isEmpty() ? soundCodec() : null;
        soundStream = sound == null ? null : stream(sound);
        pending = new float[sound == null ? 0 : moments() * ShotMix.CHANNELS];
        converter = converter();
        allocate();
        openFile(file);
    }

    /**
     * Adds a picture.
     *
     * @param argb words, row after row, of the movie's size: opaque, or of straight opacity for a format that keeps it
     * @param soundOfFrame the sound of the frame's time, left and right side by side at 48 kHz; ignored without sound
     */
    public void add(int[] argb, float[] soundOfFrame) throws IOException {
        check(avutil.av_frame_make_writable(source), "write a picture");
        new IntPointer(source.data(0)).put(argb, 0, size.width() * size.height());
        check(avutil.av_frame_make_writable(picture), "write a picture");
        if (converter == null) {
            check(avutil.av_frame_copy(picture, source), "write a picture");
        } else {
            check(swscale.sws_scale_frame(converter, picture, source), "convert a picture");
        }
        picture.pts(framesWritten++);
        encode(video, videoStream, picture);
        if (sound != null) {
            addSound(soundOfFrame);
        }
    }

    /** Writes all that is still held, and the table that makes the file readable. */
    public void finish() throws IOException {
        if (sound != null && pendingLength > 0) {
            encodeSound();
        }
        encode(video, videoStream, null);
        if (sound != null) {
            encode(sound, soundStream, null);
        }
        check(avformat.av_write_trailer(container), "finish the movie");
        fileOpen = false;
        AVIOContext io = container.pb();
        container.pb(null);
        check(avformat.avio_closep(io), "finish the movie");
    }

    @Override
    public void close() {
        if (fileOpen) {
            fileOpen = false;
            avformat.avio_closep(container.pb());
        }
        swscale.sws_freeContext(converter);
        avutil.av_frame_free(source);
        avutil.av_frame_free(picture);
        avutil.av_frame_free(soundFrame);
        avcodec.av_packet_free(packet);
        avcodec.avcodec_free_context(video);
        if (sound != null) {
            avcodec.avcodec_free_context(sound);
        }
        avformat.avformat_free_context(container);
    }

    private AVCodecContext videoCodec(FrameRate rate, double bitsPerPixel) throws IOException {
        AVCodec codec = avcodec.avcodec_find_encoder_by_name(format.video());
        AVCodecContext context = avcodec.avcodec_alloc_context3(codec);
        context.width(size.width());
        context.height(size.height());
        context.time_base(rational(rate.denominator(), rate.numerator()));
        context.framerate(rational(rate.numerator(), rate.denominator()));
        context.pix_fmt(format.pixels());
        if (format.bits() > 0) {
            context.bit_rate((long) (bitsPerPixel * size.width() * size.height() * rate.framesPerSecond()));
        }
        context.gop_size(KEY_EVERY);
        context.slices(format.video().equals("ffv1") ? FFV1_SLICES : 2);
        context.thread_count(2);
        context.color_primaries(avutil.AVCOL_PRI_BT709);
        context.color_trc(avutil.AVCOL_TRC_BT709);
        if (!format.isRgb()) {
            context.colorspace(avutil.AVCOL_SPC_BT709);
            context.color_range(avutil.AVCOL_RANGE_MPEG);
            context.chroma_sample_location(avutil.AVCHROMA_LOC_LEFT);
        }
        open(context, codec, format.options(), "pictures");
        return context;
    }

    private AVCodecContext soundCodec() throws IOException {
        AVCodec codec = avcodec.avcodec_find_encoder_by_name(format.sound());
        AVCodecContext context = avcodec.avcodec_alloc_context3(codec);
        context.sample_fmt(format.samples());
        context.sample_rate(ShotMix.SAMPLE_RATE);
        avutil.av_channel_layout_default(context.ch_layout(), ShotMix.CHANNELS);
        context.bit_rate(SOUND_BITS_PER_SECOND);
        context.time_base(rational(1, ShotMix.SAMPLE_RATE));
        open(context, codec, Map.of(), "sound");
        return context;
    }

    private int moments() {
        return sound.frame_size() > 0 ? sound.frame_size() : USUAL_MOMENTS;
    }

    private void open(AVCodecContext context, AVCodec codec, Map<String, String> chosen, String name)
            throws IOException {
        if ((container.oformat().flags() & avformat.AVFMT_GLOBALHEADER) != 0) {
            context.flags(context.flags() | avcodec.AV_CODEC_FLAG_GLOBAL_HEADER);
        }
        try (AVDictionary options = new AVDictionary(null)) {
            chosen.forEach((option, value) -> avutil.av_dict_set(options, option, value, 0));
            int opened = avcodec.avcodec_open2(context, codec, options);
            avutil.av_dict_free(options);
            check(opened, "start the movie's " + name + " at " + size);
        }
    }

    private AVStream stream(AVCodecContext context) throws IOException {
        AVStream stream = avformat.avformat_new_stream(container, null);
        stream.time_base(context.time_base());
        if (context == video) {
            stream.avg_frame_rate(context.framerate());
        }
        check(avcodec.avcodec_parameters_from_context(stream.codecpar(), context), "start the movie");
        return stream;
    }

    /** Null where pictures are taken as they are. */
    private SwsContext converter() throws IOException {
        if (format.isRgb()) {
            return null;
        }
        SwsContext context = swscale.sws_alloc_context();
        set(context, "srcw", size.width());
        set(context, "srch", size.height());
        set(context, "src_format", avutil.AV_PIX_FMT_BGRA);
        set(context, "dstw", size.width());
        set(context, "dsth", size.height());
        set(context, "dst_format", format.pixels());
        set(context, "sws_flags", swscale.SWS_BILINEAR | swscale.SWS_FULL_CHR_H_INP | swscale.SWS_ACCURATE_RND);
        if (format.isHalvedBothWays()) {
            // Where a player looks for it when a movie of H.264 says nothing, and also says.
            set(context, "dst_h_chr_pos", 0);
            set(context, "dst_v_chr_pos", 128);
        }
        if (swscale.sws_init_context(context, null, null) < 0) {
            swscale.sws_freeContext(context);
            throw new IOException("Pictures of " + size + " can't be converted for the movie.");
        }
        IntPointer weights = swscale.sws_getCoefficients(swscale.SWS_CS_ITU709);
        swscale.sws_setColorspaceDetails(context, weights, 1, weights, 0, 0, 1 << 16, 1 << 16);
        return context;
    }

    private static void set(SwsContext context, String option, int value) {
        avutil.av_opt_set_int(context, option, value, 0);
    }

    private void allocate() throws IOException {
        for (AVFrame frame : new AVFrame[] {source, picture}) {
            frame.width(size.width());
            frame.height(size.height());
        }
        source.format(converter == null ? format.pixels() : avutil.AV_PIX_FMT_BGRA);
        picture.format(format.pixels());
        if (!format.isRgb()) {
            picture.colorspace(avutil.AVCOL_SPC_BT709);
            picture.color_range(avutil.AVCOL_RANGE_MPEG);
        }
        // Rows of the source lie end to end, as the words of a picture do.
        check(avutil.av_frame_get_buffer(source, 1), "hold a picture");
        check(avutil.av_frame_get_buffer(picture, 0), "hold a picture");
        if (source.linesize(0) != 4 * size.width()) {
            throw new IOException("Rows of " + size.width() + " pixels can't be held end to end.");
        }
        if (sound != null) {
            soundFrame.nb_samples(moments());
            soundFrame.format(format.samples());
            soundFrame.sample_rate(ShotMix.SAMPLE_RATE);
            avutil.av_channel_layout_copy(soundFrame.ch_layout(), sound.ch_layout());
            check(avutil.av_frame_get_buffer(soundFrame, 0), "hold sound");
        }
    }

    private static BytePointer url(Path file) {
        return new BytePointer("file:" + file.toAbsolutePath(), StandardCharsets.UTF_8);
    }

    private void openFile(Path file) throws IOException {
        AVIOContext io = new AVIOContext(null);
        try (BytePointer name = url(file)) {
            check(
                    avformat.avio_open2(io, name, avformat.AVIO_FLAG_WRITE, null, (AVDictionary) null),
                    "write to " + file.toAbsolutePath());
        }
        container.pb(io);
        fileOpen = true;
        try (AVDictionary options = new AVDictionary(null)) {
            if (format.container().equals("webp")) {
                avutil.av_dict_set(options, "loop", "0", 0);
            } else if (format.container().equals("mp4") || format.container().equals("mov")) {
                avutil.av_dict_set(options, "movflags", "+faststart", 0);
            }
            check(avformat.avformat_write_header(container, options), "start the movie");
            avutil.av_dict_free(options);
        }
    }

    private void addSound(float[] soundOfFrame) throws IOException {
        int at = 0;
        while (at < soundOfFrame.length) {
            int count = Math.min(soundOfFrame.length - at, pending.length - pendingLength);
            System.arraycopy(soundOfFrame, at, pending, pendingLength, count);
            pendingLength += count;
            at += count;
            if (pendingLength == pending.length) {
                encodeSound();
            }
        }
    }

    private void encodeSound() throws IOException {
        check(avutil.av_frame_make_writable(soundFrame), "write sound");
        int moments = pendingLength / ShotMix.CHANNELS;
        soundFrame.nb_samples(moments);
        if (format.samples() == avutil.AV_SAMPLE_FMT_FLTP) {
            float[] channel = new float[moments];
            for (int c = 0; c < ShotMix.CHANNELS; c++) {
                for (int i = 0; i < moments; i++) {
                    channel[i] = pending[i * ShotMix.CHANNELS + c];
                }
                new FloatPointer(soundFrame.data(c)).put(channel, 0, moments);
            }
        } else if (format.samples() == avutil.AV_SAMPLE_FMT_FLT) {
            new FloatPointer(soundFrame.data(0)).put(pending, 0, pendingLength);
        } else {
            short[] whole = new short[pendingLength];
            for (int i = 0; i < whole.length; i++) {
                whole[i] = (short) Math.round(Math.max(-1, Math.min(1, pending[i])) * Short.MAX_VALUE);
            }
            new ShortPointer(soundFrame.data(0)).put(whole, 0, whole.length);
        }
        soundFrame.pts(samplesWritten);
        samplesWritten += moments;
        pendingLength = 0;
        encode(sound, soundStream, soundFrame);
    }

    private void encode(AVCodecContext codec, AVStream stream, AVFrame frame) throws IOException {
        check(avcodec.avcodec_send_frame(codec, frame), "encode");
        while (true) {
            int received = avcodec.avcodec_receive_packet(codec, packet);
            if (received == avutil.AVERROR_EAGAIN() || received == avutil.AVERROR_EOF()) {
                return;
            }
            check(received, "encode");
            if (codec == video && packet.duration() == 0) {
                packet.duration(1);
            }
            avcodec.av_packet_rescale_ts(packet, codec.time_base(), stream.time_base());
            packet.stream_index(stream.index());
            check(avformat.av_interleaved_write_frame(container, packet), "write");
        }
    }

    private static AVRational rational(int numerator, int denominator) {
        return avutil.av_make_q(numerator, denominator);
    }

    private static void check(int code, String doing) throws IOException {
        if (code < 0) {
            throw new IOException("Could not " + doing + ": " + Natives.words(code) + ".");
        }
    }
}
