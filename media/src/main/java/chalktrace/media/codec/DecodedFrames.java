package chalktrace.media.codec;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;

/**
 * The frames that a decoder gives, in the order in which they are seen. A picture may lean on one that is seen after it and was decoded before: so that damage
 * of that is known in time, frames can be taken ahead and are held until it is their turn. Lives on one thread at a time; must be closed.
 */
final class DecodedFrames implements AutoCloseable {

    private static final int NONE = -1;

    /** A decoder exchanges no more pictures than this (ITU-T H.264, A.3.1). */
    private static final int MOST_HELD = 16;

    private final StreamDecoder decoder;
    private final PacketFeed feed;
    private final PacketIndex index;
    private final Consumer<AVFrame> judge;
    private final AVFrame frame = avutil.av_frame_alloc();
    private final Deque<AVFrame> held = new ArrayDeque<>();

    /** The picture that is seen last of those that came. */
    private int latest = NONE;

    /** @param judge gets each frame as it comes from the decoder, once */
    DecodedFrames(StreamDecoder decoder, PacketFeed feed, PacketIndex index, Consumer<AVFrame> judge) {
        this.decoder = decoder;
        this.feed = feed;
        this.index = index;
        this.judge = judge;
    }

    /** The frame that was received last. */
    AVFrame frame() {
        return frame;
    }

    /** Receives the next one. @return as {@code avcodec_receive_frame} */
    int receive() {
        AVFrame next = held.poll();
        if (next == null) {
            return receive(frame);
        }
        avutil.av_frame_unref(frame);
        avutil.av_frame_move_ref(frame, next);
        avutil.av_frame_free(next);
        return 0;
    }

    private int receive(AVFrame into) {
        int received = avcodec.avcodec_receive_frame(decoder.context(), into);
        if (received == 0 && !decoder.isSpoilt()) {
            latest = Math.max(latest, index.pictureOf((int) into.pts()));
            judge.accept(into);
        }
        return received;
    }

    /** Takes frames ahead until all have come that are decoded before a packet, as far as they come at all. */
    void lookPast(int packet) {
        int until = index.latestSeenOfThoseBefore(packet);
        boolean more = true;
        while (more
                && latest < until
                && held.size() < MOST_HELD
                && feed.next() <= packet + DamageCheck.MOST_HELD_BACK) {
            AVFrame ahead = avutil.av_frame_alloc();
            int received = receive(ahead);
            if (received == 0) {
                held.add(ahead);
                more = !decoder.isSpoilt();
            } else {
                avutil.av_frame_free(ahead);
                more = received == avutil.AVERROR_EAGAIN() && !decoder.isSpoilt() && feed.feed();
            }
        }
    }

    /** Forgets those that are held; the decoder goes to another place. */
    void clear() {
        latest = NONE;
        while (!held.isEmpty()) {
            avutil.av_frame_free(held.poll());
        }
    }

    @Override
    public void close() {
        clear();
        avutil.av_frame_free(frame);
    }
}
