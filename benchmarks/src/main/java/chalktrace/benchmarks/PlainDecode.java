package chalktrace.benchmarks;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacpp.PointerPointer;

/** The library's own decoding with nothing of ours between, kept open for a clip. */
final class PlainDecode {

    private static AVFormatContext input;
    private static AVCodecContext decoder;
    private static int stream;
    private static final AVPacket PACKET = avcodec.av_packet_alloc();
    private static final AVFrame FRAME = avutil.av_frame_alloc();

    private PlainDecode() {}

    /** Decodes so many pictures in order from a key picture on. @return how many came */
    static int fromKey(Path clip, int key, int pictures) {
        if (input == null) {
            open(clip);
        }
        long time = Math.round(key
                / 24.0
                * input.streams(stream).time_base().den()
                / input.streams(stream).time_base().num());
        avcodec.avcodec_flush_buffers(decoder);
        avformat.av_seek_frame(input, stream, time + 1, avformat.AVSEEK_FLAG_BACKWARD);
        int came = 0;
        while (came < pictures && avformat.av_read_frame(input, PACKET) >= 0) {
            if (PACKET.stream_index() == stream) {
                avcodec.avcodec_send_packet(decoder, PACKET);
                while (avcodec.avcodec_receive_frame(decoder, FRAME) == 0) {
                    came++;
                }
            }
            avcodec.av_packet_unref(PACKET);
        }
        return came;
    }

    private static void open(Path clip) {
        input = new AVFormatContext(null);
        avformat.avformat_open_input(input, clip.toString(), null, null);
        avformat.avformat_find_stream_info(input, (PointerPointer<?>) null);
        stream = avformat.av_find_best_stream(input, avutil.AVMEDIA_TYPE_VIDEO, -1, -1, (AVCodec) null, 0);
        AVCodec codec =
                avcodec.avcodec_find_decoder(input.streams(stream).codecpar().codec_id());
        decoder = avcodec.avcodec_alloc_context3(codec);
        avcodec.avcodec_parameters_to_context(decoder, input.streams(stream).codecpar());
        decoder.thread_count(Runtime.getRuntime().availableProcessors());
        avcodec.avcodec_open2(decoder, codec, (AVDictionary) null);
    }
}
