package chalktrace.media.codec;

import java.util.ArrayList;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;

/** Where the times of a stream of pictures jump ahead because other recordings were joined to it, which no picture says. */
final class TimeJumps {

    /** A stream that stands still for so long, and for so many pictures, is another. */
    private static final double LONG_SECONDS = 1;

    private static final double MANY_PICTURES = 20;

    /** Before and after which, in seconds, sound may stop and go on at the same jump. */
    private static final double BESIDE_SECONDS = 1;

    /** A jump in the times of a file's pictures, on its own clock. */
    private record Jump(double before, double after) {}

    private final List<Jump> jumps = new ArrayList<>();

    private TimeJumps() {}

    static boolean isOne(double seconds, double pictureSeconds) {
        return seconds > Math.max(LONG_SECONDS, MANY_PICTURES * pictureSeconds);
    }

    /** Whether streams in a container may be joined as they are, without new times. */
    static boolean mayBeIn(MediaInput input) {
        String name = input.context().iformat().name().getString();
        return name.equals("mpegts") || name.equals("mpeg");
    }

    /** Those of a file that is read from where it is to its end; none where it has no pictures. */
    static TimeJumps of(MediaInput input) {
        TimeJumps found = new TimeJumps();
        int stream = input.videoStream();
        if (stream < 0) {
            return found;
        }
        AVRational base = input.stream(stream).time_base();
        AVRational rate = input.stream(stream).avg_frame_rate();
        double pictureSeconds = rate.num() > 0 ? (double) rate.den() / rate.num() : 1.0 / 24;
        double before = Double.NaN;
        AVPacket packet = avcodec.av_packet_alloc();
        while (avformat.av_read_frame(input.context(), packet) >= 0) {
            if (packet.stream_index() == stream && packet.dts() != avutil.AV_NOPTS_VALUE) {
                double now = (double) packet.dts() * base.num() / base.den();
                if (isOne(now - before, pictureSeconds)) {
                    found.jumps.add(new Jump(before, now));
                }
                before = now;
            }
            avcodec.av_packet_unref(packet);
        }
        avcodec.av_packet_free(packet);
        return found;
    }

    /** Whether a hole in the times of sound is where those of the pictures jump. */
    boolean isAt(double from, double to) {
        return jumps.stream()
                .anyMatch(jump -> Math.abs(jump.before() - from) < BESIDE_SECONDS
                        && Math.abs(jump.after() - to) < BESIDE_SECONDS);
    }
}
