package chalktrace.media.codec;

import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.javacpp.BytePointer;

/** What the heads of the units in packets of H.264 and HEVC say (ITU-T H.264, 7.4.1; H.265, 7.4.2.2). */
final class NalUnits {

    /** Slices of pictures, by the type of unit. */
    private static final int H264_LAST_SLICE = 5;

    private static final int HEVC_FIRST_NO_SLICE = 32;

    /** Types of HEVC below this, if even, are pictures that no other of their layer leans on. */
    private static final int HEVC_LAST_LEANED_ON = 14;

    private final boolean isHevc;
    private final boolean isH264;

    /** Bytes of a unit's length before it; 0 where start codes stand between units. */
    private final int lengthBytes;

    NalUnits(AVCodecParameters parameters) {
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
        if (!isHevc && !isH264) {
            return false;
        }
        BytePointer data = packet.data();
        int size = packet.size();
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
