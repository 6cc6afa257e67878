package chalktrace.media.codec;

import java.util.concurrent.atomic.AtomicLong;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.bytedeco.ffmpeg.avutil.LogCallback;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacpp.BytePointer;

/** Loads the codecs once and sends their chatter to the program's log instead of standard error. */
final class Natives {

    private static final Logger LOG = Logger.getLogger("chalktrace.codecs");

    /**
     * H.264 was told to forget a picture that it does not have, as in a clip that was cut: no picture suffers. If that one was lost to damage, the damage
     * was told before.
     */
    private static final String NOTHING_TO_FORGET = "mmco: unref short failure";

    /** How many errors the codecs have told on each thread. */
    private static final ThreadLocal<long[]> ERRORS = ThreadLocal.withInitial(() -> new long[1]);

    private static final AtomicLong ALL_ERRORS = new AtomicLong();

    /** Kept for good: native code holds its address. */
    private static final LogCallback CHATTER = new LogCallback() {
        @Override
        public void call(int level, BytePointer message) {
            String line = message.getString().strip();
            if (level <= avutil.AV_LOG_ERROR && !line.contains(NOTHING_TO_FORGET)) {
                ERRORS.get()[0]++;
                ALL_ERRORS.incrementAndGet();
            }
            if (!line.isEmpty()) {
                LOG.log(level <= avutil.AV_LOG_ERROR ? Level.INFO : Level.FINE, line);
            }
        }
    };

    static {
        avutil.av_log_set_level(avutil.AV_LOG_WARNING);
        avutil.setLogCallback(CHATTER);
    }

    private Natives() {}

    static void load() {
        // Running the static block is all.
    }

    /** How many errors the codecs have told on this thread: what a decoder of one thread patches over is heard so. */
    static long errors() {
        return ERRORS.get()[0];
    }

    /** How many errors the codecs have told on all threads. */
    static long allErrors() {
        return ALL_ERRORS.get();
    }

    /** The library's own words for an error code. */
    static String words(int code) {
        try (BytePointer text = new BytePointer(256)) {
            avutil.av_strerror(code, text, 256);
            // All 256 bytes come back, whatever stands behind the end of the words.
            String all = text.getString();
            int end = all.indexOf('\0');
            return end < 0 ? all : all.substring(0, end);
        }
    }
}
