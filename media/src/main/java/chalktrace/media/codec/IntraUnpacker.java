package chalktrace.media.codec;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureUnavailableException;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;

/** Reads what {@link IntraPacker} packed. Lives on one thread at a time; must be closed. */
public final class IntraUnpacker implements AutoCloseable {

    private final AVCodecContext[] decoders = new AVCodecContext[IntraPacker.Kind.values().length];
    private final PictureReader reader = new PictureReader();
    private final AVPacket packet = avcodec.av_packet_alloc();
    private final AVFrame frame = avutil.av_frame_alloc();

    public IntraUnpacker() {
        Natives.load();
    }

    /** @throws PictureUnavailableException when the bytes are not such a picture */
    public Picture unpack(IntraPacker.Packed packed) throws PictureUnavailableException {
        AVCodecContext decoder = decoder(packed.kind());
        avcodec.av_packet_unref(packet);
        if (avcodec.av_new_packet(packet, packed.bytes().length) < 0) {
            throw new PictureUnavailableException("There is not enough memory for a packed picture.");
        }
        packet.data().put(packed.bytes());
        boolean read =
                avcodec.avcodec_send_packet(decoder, packet) >= 0 && avcodec.avcodec_receive_frame(decoder, frame) >= 0;
        avcodec.av_packet_unref(packet);
        if (!read) {
            avcodec.avcodec_flush_buffers(decoder);
            throw new PictureUnavailableException("A packed picture is damaged.");
        }
        return packed.colour() == null ? reader.read(frame) : reader.read(frame, packed.colour());
    }

    @Override
    public void close() {
        reader.close();
        avcodec.av_packet_free(packet);
        avutil.av_frame_free(frame);
        for (AVCodecContext decoder : decoders) {
            if (decoder != null) {
                avcodec.avcodec_free_context(decoder);
            }
        }
    }

    private AVCodecContext decoder(IntraPacker.Kind kind) throws PictureUnavailableException {
        if (decoders[kind.ordinal()] == null) {
            AVCodec codec = avcodec.avcodec_find_decoder(
                    kind == IntraPacker.Kind.JPEG ? avcodec.AV_CODEC_ID_MJPEG : avcodec.AV_CODEC_ID_QOI);
            AVCodecContext made = avcodec.avcodec_alloc_context3(codec);
            made.thread_count(1);
            if (avcodec.avcodec_open2(made, codec, (AVDictionary) null) < 0) {
                avcodec.avcodec_free_context(made);
                throw new PictureUnavailableException("The codec of packed pictures can't be started.");
            }
            decoders[kind.ordinal()] = made;
        }
        return decoders[kind.ordinal()];
    }
}
