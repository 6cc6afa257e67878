package chalktrace.media.codec;

import java.util.Map;
import org.bytedeco.ffmpeg.global.avutil;

/**
 * How a movie is coded.
 *
 * @param container the name of FFmpeg's writer
 * @param video the name of FFmpeg's encoder of pictures
 * @param pixels what that takes, a constant of libavutil
 * @param clear whether pictures keep their opacity, which is then straight
 * @param even whether both sides must be even
 * @param bits for a pixel in good quality; 0 where the coding has no such choice
 * @param sound the name of FFmpeg's encoder of sound; empty for none
 * @param samples what that takes, a constant of libavutil
 * @param options of the picture's encoder, by FFmpeg's names
 */
public record MovieFormat(
        String container,
        String video,
        int pixels,
        boolean clear,
        boolean even,
        double bits,
        String sound,
        int samples,
        Map<String, String> options) {

    /** For a pixel: drawn lines over footage stay clean, and a 720p minute stays near 40 MB. */
    private static final double CLEAN_BITS = 0.25;

    /** H.264 and AAC, as every player shows it. */
    public static final MovieFormat MP4 = new MovieFormat(
            "mp4",
            "libopenh264",
            avutil.AV_PIX_FMT_YUV420P,
            false,
            true,
            CLEAN_BITS,
            "aac",
            avutil.AV_SAMPLE_FMT_FLTP,
            Map.of());

    /** ProRes 422 HQ and PCM. */
    public static final MovieFormat PRORES = new MovieFormat(
            "mov",
            "prores_ks",
            avutil.AV_PIX_FMT_YUV422P10LE,
            false,
            true,
            0,
            "pcm_s16le",
            avutil.AV_SAMPLE_FMT_S16,
            Map.of("profile", "3"));

    /** ProRes 4444 with 16 bits of opacity, and PCM. */
    public static final MovieFormat PRORES_CLEAR = new MovieFormat(
            "mov",
            "prores_ks",
            avutil.AV_PIX_FMT_YUVA444P10LE,
            true,
            true,
            0,
            "pcm_s16le",
            avutil.AV_SAMPLE_FMT_S16,
            Map.of("profile", "4", "alpha_bits", "16"));

    /** VP9 and Opus. */
    public static final MovieFormat WEBM = new MovieFormat(
            "webm",
            "libvpx-vp9",
            avutil.AV_PIX_FMT_YUV420P,
            false,
            false,
            CLEAN_BITS,
            "libopus",
            avutil.AV_SAMPLE_FMT_FLT,
            Map.of("deadline", "realtime", "cpu-used", "5", "row-mt", "1"));

    /** As {@link #WEBM}, with opacity in a second stream of VP9; that coder takes no two rows at once there. */
    public static final MovieFormat WEBM_CLEAR = new MovieFormat(
            "webm",
            "libvpx-vp9",
            avutil.AV_PIX_FMT_YUVA420P,
            true,
            false,
            CLEAN_BITS,
            "libopus",
            avutil.AV_SAMPLE_FMT_FLT,
            Map.of("deadline", "realtime", "cpu-used", "5", "auto-alt-ref", "0"));

    /** FFV1 and FLAC: nothing is lost. */
    public static final MovieFormat LOSSLESS = new MovieFormat(
            "matroska",
            "ffv1",
            avutil.AV_PIX_FMT_BGR0,
            false,
            false,
            0,
            "flac",
            avutil.AV_SAMPLE_FMT_S16,
            Map.of("level", "3", "slicecrc", "1"));

    /** As {@link #LOSSLESS}, with opacity. */
    public static final MovieFormat LOSSLESS_CLEAR = new MovieFormat(
            "matroska",
            "ffv1",
            avutil.AV_PIX_FMT_BGRA,
            true,
            false,
            0,
            "flac",
            avutil.AV_SAMPLE_FMT_S16,
            Map.of("level", "3", "slicecrc", "1"));

    /** A picture that moves and loops, without loss, with opacity and without sound. */
    public static final MovieFormat ANIMATED_WEBP = new MovieFormat(
            "webp",
            "libwebp_anim",
            avutil.AV_PIX_FMT_BGRA,
            true,
            false,
            0,
            "",
            avutil.AV_SAMPLE_FMT_NONE,
            Map.of("lossless", "1", "compression_level", "2"));

    /** Whether neighbours share what is left of their colours. */
    public boolean mixesColours() {
        return !isRgb();
    }

    boolean isRgb() {
        return pixels == avutil.AV_PIX_FMT_BGRA || pixels == avutil.AV_PIX_FMT_BGR0;
    }

    boolean isHalvedBothWays() {
        return pixels == avutil.AV_PIX_FMT_YUV420P || pixels == avutil.AV_PIX_FMT_YUVA420P;
    }
}
