package chalktrace.media.codec;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.YuvMatrix;
import chalktrace.core.picture.YuvPicture;
import java.util.Random;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.ffmpeg.global.swscale;
import org.bytedeco.ffmpeg.swscale.SwsContext;
import org.bytedeco.javacpp.IntPointer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PictureReaderTest {

    private static AVFrame frame(int format, int width, int height) {
        AVFrame frame = avutil.av_frame_alloc();
        frame.format(format);
        frame.width(width);
        frame.height(height);
        avutil.av_frame_get_buffer(frame, 0);
        return frame;
    }

    /** Common practice: what is larger than standard definition is BT.709 where a file does not say. */
    @ParameterizedTest
    @CsvSource({
        "720, 576, BT601",
        "1050, 576, BT601",
        "1278, 536, BT709",
        "1080, 608, BT709",
        "960, 540, BT601",
        "640, 578, BT709"
    })
    void theMatrixOfAPictureThatDoesNotSayIsThatOfItsSize(int width, int height, YuvMatrix matrix) throws Exception {
        AVFrame frame = frame(avutil.AV_PIX_FMT_YUV420P, width, height);
        try (PictureReader reader = new PictureReader()) {
            assertThat(((YuvPicture) reader.read(frame)).colour().matrix()).isEqualTo(matrix);
        } finally {
            avutil.av_frame_free(frame);
        }
    }

    @Test
    void greyOfSixteenBitsThatDoesNotSayUsesAllItsValues() throws Exception {
        AVFrame frame = frame(avutil.AV_PIX_FMT_GRAY16LE, 64, 2);
        for (int x = 0; x < 64; x++) {
            for (int y = 0; y < 2; y++) {
                frame.data(0).position((long) y * frame.linesize(0) + 2L * x).putShort((short) (x * 65_535 / 63));
            }
        }
        frame.data(0).position(0);
        try (PictureReader reader = new PictureReader()) {
            Picture picture = reader.read(frame);
            assertThat(picture.argbAt(0, 0) & 255).isZero();
            assertThat(picture.argbAt(63, 0) & 255).isEqualTo(255);
            // 4/63 of the way from black to white; of a limited range it would be black.
            assertThat(picture.argbAt(4, 0) & 255).isBetween(15, 17);
        } finally {
            avutil.av_frame_free(frame);
        }
    }

    /** Colour edges everywhere, read as FFmpeg's own converter reads them where it is told of the same place of chroma. */
    @ParameterizedTest
    @CsvSource({
        "yuv420p, left, 0, 128",
        "yuv420p, center, 128, 128",
        "yuv420p, topleft, 0, 0",
        "yuv420p, unspecified, 0, 128",
        "yuvj420p, unspecified, 128, 128",
        "yuv422p, left, 0, 0",
        "yuv444p, left, 0, 0"
    })
    void chromaIsReadWhereTheConverterReadsIt(String format, String location, int across, int down) throws Exception {
        AVFrame frame = frame(avutil.av_get_pix_fmt(format), 96, 64);
        Random random = new Random(5);
        for (int plane = 0; plane < 3; plane++) {
            for (int i = 0; i < frame.linesize(plane) * (plane == 0 || !format.contains("420") ? 64 : 32); i++) {
                frame.data(plane).put(i, (byte) (60 + random.nextInt(130)));
            }
        }
        frame.colorspace(avutil.AVCOL_SPC_BT709);
        frame.chroma_location(avutil.av_chroma_location_from_name(location));
        try (PictureReader reader = new PictureReader()) {
            int[] ours = reader.read(frame).toArgb();
            int[] theirs = byConverter(frame, across, down);
            int worst = 0;
            for (int y = 2; y < 62; y++) {
                for (int x = 2; x < 94; x++) {
                    for (int shift = 0; shift <= 16; shift += 8) {
                        int i = y * 96 + x;
                        worst = Math.max(worst, Math.abs((ours[i] >> shift & 255) - (theirs[i] >> shift & 255)));
                    }
                }
            }
            assertThat(worst).isLessThanOrEqualTo(3);
        } finally {
            avutil.av_frame_free(frame);
        }
    }

    private static int[] byConverter(AVFrame frame, int across, int down) {
        SwsContext scaler = swscale.sws_alloc_context();
        option(scaler, "srcw", 96);
        option(scaler, "srch", 64);
        option(scaler, "src_format", frame.format());
        option(scaler, "dstw", 96);
        option(scaler, "dsth", 64);
        option(scaler, "dst_format", avutil.AV_PIX_FMT_BGRA);
        option(
                scaler,
                "sws_flags",
                swscale.SWS_BILINEAR
                        | swscale.SWS_FULL_CHR_H_INT
                        | swscale.SWS_FULL_CHR_H_INP
                        | swscale.SWS_ACCURATE_RND);
        option(scaler, "src_h_chr_pos", across);
        option(scaler, "src_v_chr_pos", down);
        assertThat(swscale.sws_init_context(scaler, null, null)).isNotNegative();
        IntPointer weights = swscale.sws_getCoefficients(swscale.SWS_CS_ITU709);
        int range = frame.format() == avutil.AV_PIX_FMT_YUVJ420P ? 1 : 0;
        swscale.sws_setColorspaceDetails(scaler, weights, range, weights, 1, 0, 1 << 16, 1 << 16);
        AVFrame out = frame(avutil.AV_PIX_FMT_BGRA, 96, 64);
        assertThat(swscale.sws_scale_frame(scaler, out, frame)).isNotNegative();
        int[] words = new int[96 * 64];
        for (int y = 0; y < 64; y++) {
            new IntPointer(out.data(0).getPointer((long) y * out.linesize(0))).get(words, y * 96, 96);
        }
        avutil.av_frame_free(out);
        swscale.sws_freeContext(scaler);
        return words;
    }

    private static void option(SwsContext scaler, String name, int value) {
        assertThat(avutil.av_opt_set_int(scaler, name, value, 0)).as(name).isNotNegative();
    }
}
