package chalktrace.media.testing;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.Plane;
import chalktrace.core.picture.YuvPicture;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.PointerPointer;

/** FFmpeg's own sequential decode, with nothing of ours between: a checksum of the luma of each picture, in order. */
public final class SequentialDecode {

    private SequentialDecode() {}

    public static List<Long> lumaChecksums(Path file) {
        AVFormatContext context = new AVFormatContext(null);
        require(avformat.avformat_open_input(context, file.toString(), null, null));
        require(avformat.avformat_find_stream_info(context, (PointerPointer<?>) null));
        int stream = avformat.av_find_best_stream(context, avutil.AVMEDIA_TYPE_VIDEO, -1, -1, (AVCodec) null, 0);
        var codec =
                avcodec.avcodec_find_decoder(context.streams(stream).codecpar().codec_id());
        AVCodecContext decoder = avcodec.avcodec_alloc_context3(codec);
        avcodec.avcodec_parameters_to_context(decoder, context.streams(stream).codecpar());
        require(avcodec.avcodec_open2(decoder, codec, (AVDictionary) null));
        AVPacket packet = avcodec.av_packet_alloc();
        AVFrame frame = avutil.av_frame_alloc();
        List<Long> sums = new ArrayList<>();
        while (avformat.av_read_frame(context, packet) >= 0) {
            if (packet.stream_index() == stream) {
                avcodec.avcodec_send_packet(decoder, packet);
                drain(decoder, frame, sums);
            }
            avcodec.av_packet_unref(packet);
        }
        avcodec.avcodec_send_packet(decoder, null);
        drain(decoder, frame, sums);
        avutil.av_frame_free(frame);
        avcodec.av_packet_free(packet);
        avcodec.avcodec_free_context(decoder);
        avformat.avformat_close_input(context);
        return sums;
    }

    private static void drain(AVCodecContext decoder, AVFrame frame, List<Long> sums) {
        while (avcodec.avcodec_receive_frame(decoder, frame) == 0) {
            CRC32 crc = new CRC32();
            byte[] row = new byte[frame.width()];
            for (int y = 0; y < frame.height(); y++) {
                new BytePointer(frame.data(0))
                        .position((long) y * frame.linesize(0))
                        .get(row);
                crc.update(row);
            }
            sums.add(crc.getValue());
        }
    }

    /** The same checksum of a picture of ours. */
    public static long lumaChecksum(Picture picture) {
        Plane luma = ((YuvPicture) picture).luma();
        CRC32 crc = new CRC32();
        byte[] row = new byte[luma.width()];
        for (int y = 0; y < luma.height(); y++) {
            for (int x = 0; x < row.length; x++) {
                row[x] = (byte) luma.at(x, y);
            }
            crc.update(row);
        }
        return crc.getValue();
    }

    private static void require(int code) {
        if (code < 0) {
            throw new IllegalStateException("FFmpeg says " + code);
        }
    }
}
