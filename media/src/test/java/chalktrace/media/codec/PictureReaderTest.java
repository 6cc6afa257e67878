package chalktrace.media.codec;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.YuvMatrix;
import chalktrace.core.picture.YuvPicture;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avutil;
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
            assertThat(((YuvPicture) reader.read(frame)).matrix()).isEqualTo(matrix);
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
}
