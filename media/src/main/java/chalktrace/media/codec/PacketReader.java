package chalktrace.media.codec;

import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;

/** The packets of one stream of a file, in the order in which they are stored. Lives on one thread at a time; must be closed. */
final class PacketReader implements AutoCloseable {

    private final int stream;
    private final Unpacker unpacker;
    private final PictureHeads heads;
    private final AVPacket packet = avcodec.av_packet_alloc();
    private MediaInput input;

    /** @param input is closed with this */
    PacketReader(MediaInput input, int stream) {
        this.input = input;
        this.stream = stream;
        this.unpacker = Unpacker.of(input.stream(stream));
        this.heads = new PictureHeads(input.stream(stream).codecpar());
    }

    Path file() {
        return input.file();
    }

    int stream() {
        return stream;
    }

    /** Goes on to the stream's next packet; false at the end of the file. */
    boolean next() {
        avcodec.av_packet_unref(packet);
        while (avformat.av_read_frame(input.context(), packet) >= 0) {
            if (packet.stream_index() == stream && packet.size() > 0 && unpacker.pass(packet)) {
                return true;
            }
            avcodec.av_packet_unref(packet);
        }
        return false;
    }

    /** Drops the packet that was met last. */
    void drop() {
        avcodec.av_packet_unref(packet);
    }

    /** The bytes of the packet that was met last. */
    byte[] bytes() {
        byte[] bytes = new byte[packet.size()];
        packet.data().get(bytes);
        return bytes;
    }

    /** The packet that was met last, as an index keeps it. */
    PacketIndex.Packet met() {
        return new PacketIndex.Packet(
                packet.pts() == avutil.AV_NOPTS_VALUE ? PacketIndex.UNKNOWN : packet.pts(),
                packet.dts() == avutil.AV_NOPTS_VALUE ? PacketIndex.UNKNOWN : packet.dts(),
                packet.duration(),
                packet.pos(),
                isKey(),
                (packet.flags() & avcodec.AV_PKT_FLAG_DISCARD) != 0);
    }

    /** Whether decoding can start with the packet that was met last. */
    boolean isKey() {
        return unpacker.isKey(packet);
    }

    /** Whether no other picture leans on that of the packet that was met last. */
    boolean isLeantOnByNone() {
        return (packet.flags() & avcodec.AV_PKT_FLAG_DISPOSABLE) != 0 || heads.isLeantOnByNone(packet);
    }

    /** Gives the packet that was met last to a decoder, and drops it. @return whether the decoder took it */
    boolean send(AVCodecContext decoder, int number) {
        packet.pts(number);
        packet.dts(number);
        boolean taken = avcodec.avcodec_send_packet(decoder, packet) >= 0;
        avcodec.av_packet_unref(packet);
        return taken;
    }

    /** Goes to before a time, in the stream's unit. @return whether the container can do so */
    boolean seek(long time) {
        // A jump into a bare stream lands within a packet, and what comes then is counted wrongly.
        return !input.isBare()
                && avformat.av_seek_frame(input.context(), stream, time, avformat.AVSEEK_FLAG_BACKWARD) >= 0;
    }

    /** Forgets what is held back, before a jump. */
    void flush() {
        unpacker.flush();
    }

    /** The file anew from its first packet, for containers that can't jump. */
    void reopen() throws UnreadableException {
        MediaInput again = input.again();
        input.close();
        input = again;
        unpacker.flush();
    }

    /** In a stream without a table of packets a jump may land within one: the first that comes then is not whole. */
    boolean firstMayBeTorn() {
        return input.context().iformat().name().getString().startsWith("mpeg");
    }

    @Override
    public void close() {
        unpacker.close();
        avcodec.av_packet_free(packet);
        input.close();
    }
}
