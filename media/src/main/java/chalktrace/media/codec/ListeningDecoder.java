package chalktrace.media.codec;

import chalktrace.media.UnreadableException;
import java.util.BitSet;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;

/** Decodes a file on one thread alone, only to hear of which packets the codec complains. Lives on one thread at a time; must be closed. */
final class ListeningDecoder implements AutoCloseable {

    private final PacketReader packets;
    private final StreamDecoder decoder;
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
            this.decoder = new StreamDecoder(input.decoder(stream, 1));
        } catch (UnreadableException | RuntimeException e) {
            packets.close();
            avutil.av_frame_free(frame);
            throw e;
        }
        this.feed = new PacketFeed(packets, decoder, index, number -> before = Natives.errors());
    }

    /**
     * What was heard.
     *
     * @param spoilt packets of which the codec complained, and on which others may lean
     * @param alone those of which it complained and on which no other leans
     * @param fresh packets whose pictures are decoded from nothing before them, without a complaint
     */
    record Heard(BitSet spoilt, BitSet alone, BitSet fresh) {}

    /** Decodes packets from a key on to before {@code end}. */
    Heard listen(int key, int end) throws UnreadableException {
        Heard heard = new Heard(new BitSet(), new BitSet(), new BitSet());
        boolean more = feed.jumpTo(key);
        while (more) {
            hear(heard);
            more = feed.next() < end && feed.feed();
        }
        heard.fresh.andNot(heard.spoilt);
        return heard;
    }

    private void hear(Heard heard) {
        while (avcodec.avcodec_receive_frame(decoder.context(), frame) == 0) {
            boolean whole = frame.decode_error_flags() == 0 && (frame.flags() & AVFrame.AV_FRAME_FLAG_CORRUPT) == 0;
            boolean startsAnew =
                    (frame.flags() & AVFrame.AV_FRAME_FLAG_KEY) != 0 && frame.pict_type() == avutil.AV_PICTURE_TYPE_I;
            if (whole && startsAnew && frame.pts() >= 0) {
                heard.fresh.set((int) frame.pts());
            }
            avutil.av_frame_unref(frame);
        }
        if (Natives.errors() > before) {
            int packet = feed.next() - 1;
            (feed.isLeantOnByNone(packet) ? heard.alone : heard.spoilt).set(packet);
            before = Natives.errors();
        }
    }

    @Override
    public void close() {
        packets.close();
        avutil.av_frame_free(frame);
        decoder.close();
    }
}
