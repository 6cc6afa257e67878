package chalktrace.media.codec;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** Looks for the marker with which a JPEG ends (ITU-T T.81, B.1.1.3): a decoder fills up what was cut off without a word. */
final class JpegEnd {

    private static final int MARKER = 0xFF;
    private static final int START_OF_IMAGE = 0xD8;
    private static final int START_OF_SCAN = 0xDA;
    private static final int END_OF_IMAGE = 0xD9;

    private JpegEnd() {}

    /** Whether a file is a JPEG whose last scan does not end; others, and what can't be read, have nothing missing. */
    static boolean isMissing(Path file) {
        byte[] bytes;
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            // Other pictures, which may be large, are not read a second time.
            if (in.read() != MARKER || in.read() != START_OF_IMAGE) {
                return false;
            }
            bytes = in.readAllBytes();
        } catch (IOException e) {
            return false;
        }
        for (int i = bytes.length - 2; i >= 0; i--) {
            if ((bytes[i] & 255) == MARKER) {
                int code = bytes[i + 1] & 255;
                if (code == END_OF_IMAGE) {
                    return false;
                }
                if (code == START_OF_SCAN) {
                    return true;
                }
            }
        }
        return true;
    }
}
