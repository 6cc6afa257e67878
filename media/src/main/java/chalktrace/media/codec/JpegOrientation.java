package chalktrace.media.codec;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;

/** How a camera says that its JPEG has to be turned: the orientation of Exif 2.32 (CIPA DC-008), tag 0x0112. */
final class JpegOrientation {

    /** Exif lies in the first segments, each of at most 64 kB. */
    private static final int READ_BYTES = 1 << 17;

    private static final int EXIF_SEGMENT = 0xE1;
    private static final long EXIF_NAME = 0x457869660000L;
    private static final int TAG = 0x0112;

    private JpegOrientation() {}

    /** How far the stored picture is turned to stand upright, counter-clockwise: 0, 90, 180 or 270 degrees; 0 where nothing is said. */
    static int turnDegrees(Path file) {
        ByteBuffer bytes = ByteBuffer.allocate(READ_BYTES);
        try (FileChannel in = FileChannel.open(file)) {
            while (bytes.hasRemaining() && in.read(bytes) >= 0) {
                // Until the buffer is full or the file ends.
            }
            return switch (orientation(bytes.flip())) {
                case 3 -> 180;
                case 6 -> 270;
                case 8 -> 90;
                default -> 0;
            };
        } catch (IOException | RuntimeException e) {
            // A broken note about a picture is none.
            return 0;
        }
    }

    private static int orientation(ByteBuffer jpeg) {
        int at = 2;
        while (at + 4 <= jpeg.limit() && (jpeg.get(at) & 0xFF) == 0xFF) {
            int marker = jpeg.get(at + 1) & 0xFF;
            int length = jpeg.getShort(at + 2) & 0xFFFF;
            if (marker == EXIF_SEGMENT && jpeg.getLong(at + 2) << 16 == EXIF_NAME << 16) {
                return inTiff(jpeg.slice(at + 10, Math.min(length - 8, jpeg.limit() - at - 10)));
            }
            at += 2 + length;
        }
        return 1;
    }

    /** The first directory of a TIFF header (TIFF 6.0). */
    private static int inTiff(ByteBuffer tiff) {
        tiff.order(tiff.getShort(0) == 0x4949 ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int at = tiff.getInt(4);
        int entries = tiff.getShort(at) & 0xFFFF;
        for (int i = 0; i < entries; i++) {
            int entry = at + 2 + 12 * i;
            if ((tiff.getShort(entry) & 0xFFFF) == TAG) {
                return tiff.getShort(entry + 8);
            }
        }
        return 1;
    }
}
