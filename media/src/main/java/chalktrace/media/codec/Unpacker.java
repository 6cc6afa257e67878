package chalktrace.media.codec;

import org.bytedeco.ffmpeg.avcodec.AVBSFContext;
import org.bytedeco.ffmpeg.avcodec.AVBitStreamFilter;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.javacpp.BytePointer;

/**
 * Takes apart packets of MPEG-4 that hold two pictures, as AVI needs where pictures are exchanged: each packet then holds one, and what only stood
 * for the second is left out. Other packets pass as they are. Lives on one thread at a time; must be closed.
 */
final class Unpacker implements AutoCloseable {

    /** The code with which a picture starts; the two bits after it are 0 for one that stands on its own (ISO/IEC 14496-2, 6.2.5). */
    private static final int VOP = 0xB6;

    private AVBSFContext filter;

    private Unpacker(AVBSFContext filter) {
        this.filter = filter;
    }

    static Unpacker of(AVStream stream) {
        if (stream.codecpar().codec_id() != avcodec.AV_CODEC_ID_MPEG4) {
            return new Unpacker(null);
        }
        AVBitStreamFilter kind = avcodec.av_bsf_get_by_name("mpeg4_unpack_bframes");
        AVBSFContext made = new AVBSFContext(null);
        if (kind == null || kind.isNull() || avcodec.av_bsf_alloc(kind, made) < 0) {
            return new Unpacker(null);
        }
        avcodec.avcodec_parameters_copy(made.par_in(), stream.codecpar());
        made.time_base_in(stream.time_base());
        if (avcodec.av_bsf_init(made) < 0) {
            avcodec.av_bsf_free(made);
            return new Unpacker(null);
        }
        return new Unpacker(made);
    }

    /** Takes a packet in and gives one back in its place. @return whether there is one; else the next has to be taken in */
    boolean pass(AVPacket packet) {
        return filter == null
                || avcodec.av_bsf_send_packet(filter, packet) >= 0
                        && avcodec.av_bsf_receive_packet(filter, packet) >= 0;
    }

    /** Whether decoding can start with a packet: the container's word for it, which of MPEG-4 pictures is read in the picture itself. */
    boolean isKey(AVPacket packet) {
        boolean said = (packet.flags() & avcodec.AV_PKT_FLAG_KEY) != 0;
        if (filter == null || !said) {
            return said;
        }
        BytePointer data = packet.data();
        for (long i = 0; i + 4 < packet.size(); i++) {
            if (data.get(i) == 0 && data.get(i + 1) == 0 && data.get(i + 2) == 1 && (data.get(i + 3) & 255) == VOP) {
                return (data.get(i + 4) & 0xC0) == 0;
            }
        }
        return false;
    }

    /** Forgets what it holds back, before a jump. */
    void flush() {
        if (filter != null) {
            avcodec.av_bsf_flush(filter);
        }
    }

    @Override
    public void close() {
        if (filter != null) {
            avcodec.av_bsf_free(filter);
            filter = null;
        }
    }
}
