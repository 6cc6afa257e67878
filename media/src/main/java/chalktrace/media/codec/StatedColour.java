package chalktrace.media.codec;

import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avutil;

/**
 * What a container says of its pictures' colours (in the numbers of ITU-T H.273): it holds where the pictures themselves say nothing, as those
 * of ProRes may with their {@code colr} box.
 */
record StatedColour(int matrix, int primaries, int transfer, int range, int chromaLocation) {

    static final StatedColour NOTHING = new StatedColour(
            avutil.AVCOL_SPC_UNSPECIFIED,
            avutil.AVCOL_PRI_UNSPECIFIED,
            avutil.AVCOL_TRC_UNSPECIFIED,
            avutil.AVCOL_RANGE_UNSPECIFIED,
            avutil.AVCHROMA_LOC_UNSPECIFIED);

    static StatedColour of(AVCodecParameters stream) {
        return new StatedColour(
                stream.color_space(),
                stream.color_primaries(),
                stream.color_trc(),
                stream.color_range(),
                stream.chroma_location());
    }

    /** Says it of a picture that does not say it. */
    void fill(AVFrame frame) {
        if (frame.colorspace() == avutil.AVCOL_SPC_UNSPECIFIED) {
            frame.colorspace(matrix);
        }
        if (frame.color_primaries() == avutil.AVCOL_PRI_UNSPECIFIED) {
            frame.color_primaries(primaries);
        }
        if (frame.color_trc() == avutil.AVCOL_TRC_UNSPECIFIED) {
            frame.color_trc(transfer);
        }
        if (frame.color_range() == avutil.AVCOL_RANGE_UNSPECIFIED) {
            frame.color_range(range);
        }
        if (frame.chroma_location() == avutil.AVCHROMA_LOC_UNSPECIFIED) {
            frame.chroma_location(chromaLocation);
        }
    }
}
