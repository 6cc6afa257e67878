package chalktrace.media.codec;

import chalktrace.media.UnreadableException;
import java.util.BitSet;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;

/** Decodes a file on one thread alone, only to hear of which packets the codec complains. Lives on one thread at a time; must be closed. */
final class ListeningDecoder implements AutoCloseable {

    private final PacketReader packets;
    private final AVCodecContext decoder;
    private final PacketFeed feed;
    private final AVFrame frame = avutil.av_frame_alloc();

    /** How many complaints there were when the last packet was about to be sent. */
    private long before;

    /**
     * @param input is closed with this
     * @param index of the file, as its own decoder has it
     */
    ListeningDecoder(MediaInput input, int stream, PacketIndex index) throws UnreadableException {
        this.packets = new PacketReader(input, stream);
        try {
            this.decoder = input.decoder(stream, 1);
        } catch (UnreadableException | RuntimeException e) {
            packets.close();
            avutil.av_frame_free(frame);
            throw e;
        }
        this.feed = new PacketFeed(packets, decoder, index, number -> before = Natives.errors());
    }

    /** Decodes packets from a key on to before {@code end}. @return of which of them the codec complained */
    BitSet listen(int key, int end) throws UnreadableException {
        BitSet complaints = new BitSet();
        boolean more = feed.jumpTo(key);
        while (more) {
            hear(complaints);
            more = feed.next() < end && feed.feed();
        }
        return complaints;
    }

    private void hear(BitSet complaints) {
        while (avcodec.avcodec_receive_frame(decoder, frame) == 0) {
            avutil.av_frame_unref(frame);
        }
        if (Natives.errors() > before) {
            complaints.set(feed.next() - 1);
            before = Natives.errors();
        }
    }

    @Override
    public void close() {
        packets.close();
        avutil.av_frame_free(frame);
        avcodec.avcodec_free_context(decoder);
    }
}
