package chalktrace.media.codec;

import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.javacpp.BytePointer;

/**
 * What packets say of their pictures: the heads of units of H.264 and HEVC (ITU-T H.264, 7.4.1; H.265, 7.4.2.2), and those of pictures of MPEG-1, 2 and 4
 * (ISO/IEC 11172-2, 2.4.3.4; 13818-2, 6.3.9; 14496-2, 6.3.5).
 */
final class PictureHeads {

    /** Slices of pictures, by the type of unit. */
    private static final int H264_LAST_SLICE = 5;

    private static final int HEVC_FIRST_NO_SLICE = 32;

    /** Types of HEVC below this, if even, are pictures that no other of their layer leans on. */
    private static final int HEVC_LAST_LEANED_ON = 14;

    /** Start codes of pictures, and their type for one between two others. */
    private static final int MPEG2_PICTURE = 0x00;

    private static final int MPEG2_BETWEEN = 3;
    private static final int MPEG4_PICTURE = 0xB6;
    private static final int MPEG4_BETWEEN = 2;

    private final boolean isMpeg2;
    private final boolean isMpeg4;
    private final boolean isHevc;
    private final boolean isH264;

    /** Bytes of a unit's length before it; 0 where start codes stand between units. */
    private final int lengthBytes;

    PictureHeads(AVCodecParameters parameters) {
        int codec = parameters.codec_id();
        isMpeg2 = codec == avcodec.AV_CODEC_ID_MPEG1VIDEO || codec == avcodec.AV_CODEC_ID_MPEG2VIDEO;
        isMpeg4 = codec == avcodec.AV_CODEC_ID_MPEG4;
        isHevc = parameters.codec_id() == avcodec.AV_CODEC_ID_HEVC;
        isH264 = parameters.codec_id() == avcodec.AV_CODEC_ID_H264;
        BytePointer head = parameters.extradata();
        int place = isHevc ? 21 : 4;
        boolean hasLengths = (isHevc || isH264) && parameters.extradata_size() > place && head.get(0) == 1;
        lengthBytes = hasLengths ? (head.get(place) & 3) + 1 : 0;
    }

    /**
     * Whether no other picture leans on that of a packet; false where that can't be told. All its slices say the same: where some are damaged, most
     * of them count.
     */
    boolean isLeantOnByNone(AVPacket packet) {
        BytePointer data = packet.data();
        int size = packet.size();
        if (isMpeg2 || isMpeg4) {
            return isBetween(data, size);
        }
        if (!isHevc && !isH264) {
            return false;
        }
        int leantOn = 0;
        int leantOnByNone = 0;
        int at = lengthBytes > 0 ? 0 : unitFrom(data, size, 0);
        while (at >= 0 && at + lengthBytes + 1 < size) {
            int head = data.get(at + lengthBytes) & 255;
            int type = isHevc ? head >> 1 & 63 : head & 31;
            boolean slice = isHevc ? type < HEVC_FIRST_NO_SLICE : type >= 1 && type <= H264_LAST_SLICE;
            boolean byNone = isHevc ? type <= HEVC_LAST_LEANED_ON && type % 2 == 0 : (head & 0x60) == 0;
            leantOnByNone += slice && byNone ? 1 : 0;
            leantOn += slice && !byNone ? 1 : 0;
            at = lengthBytes > 0 ? after(data, at) : unitFrom(data, size, at);
        }
        return leantOnByNone > leantOn;
    }

    private boolean isBetween(BytePointer data, int size) {
        int at = unitFrom(data, size, 0);
        while (at >= 0 && at + 2 < size) {
            int code = data.get(at) & 255;
            if (isMpeg2 && code == MPEG2_PICTURE) {
                return (data.get(at + 2) >> 3 & 7) == MPEG2_BETWEEN;
            }
            if (isMpeg4 && code == MPEG4_PICTURE) {
                return (data.get(at + 1) >> 6 & 3) == MPEG4_BETWEEN;
            }
            at = unitFrom(data, size, at);
        }
        return false;
    }

    private int after(BytePointer data, int at) {
        long length = 0;
        for (int i = 0; i < lengthBytes; i++) {
            length = length << 8 | data.get(at + i) & 255;
        }
        return (int) Math.min(Integer.MAX_VALUE / 2, at + lengthBytes + length);
    }

    /** Where the first unit after a place begins, behind its start code; -1 for none. */
    private static int unitFrom(BytePointer data, int size, int from) {
        for (int i = from; i + 3 < size; i++) {
            if (data.get(i) == 0 && data.get(i + 1) == 0 && data.get(i + 2) == 1) {
                return i + 3;
            }
        }
        return -1;
    }
}
