package chalktrace.media.codec;

import chalktrace.media.UnreadableException;
import java.util.BitSet;
import org.bytedeco.ffmpeg.global.avcodec;

/**
 * Feeds a decoder with the packets of a stream, from any key on in one run.
 *
 * <p>Each packet is sent with its own number in place of its time; the number comes back on the picture that it became, so that a picture is known by
 * what it is and not by when it should have come.
 */
final class PacketFeed {

    private static final int NONE = -1;

    /** Hears what becomes of packets. */
    interface Watching {

        /** The packet that was just met is sent next. */
        void sends(int packet);

        /** The decoder refused it. @param isLeantOn whether others may lean on it */
        default void refuses(int packet, boolean isLeantOn) {}
    }

    private final PacketReader packets;
    private final StreamDecoder decoder;
    private final PacketIndex index;
    private final Watching watching;

    /** The key packet from which the decoder was fed in one run. */
    private int runStart = NONE;

    /** The number of the next packet that the container will give. */
    private int next;

    /** Whether the decoder has met the stream's first packet. */
    private boolean introduced;

    private final BitSet leantOnByNone = new BitSet();
    private boolean draining;

    PacketFeed(PacketReader packets, StreamDecoder decoder, PacketIndex index, Watching watching) {
        this.packets = packets;
        this.decoder = decoder;
        this.index = index;
        this.watching = watching;
    }

    /** The number of the packet that is sent next. */
    int next() {
        return next;
    }

    /** Whether a packet is still to come in the run that began at a key, or later. */
    boolean isOnTheWayFrom(int key) {
        return runStart != NONE && runStart <= key && key <= next;
    }

    /** Whether no other picture leans on that of a packet that was sent. */
    boolean isLeantOnByNone(int number) {
        return leantOnByNone.get(number);
    }

    /** Sends the next packet of the stream, or the end; false when there was nothing left to send. */
    boolean feed() {
        if (draining) {
            return false;
        }
        if (!packets.next()) {
            end();
            return true;
        }
        int number = next++;
        if (isLeading(number)) {
            packets.drop();
        } else {
            send(number);
        }
        return true;
    }

    /** Makes the stream end here, so that the decoder gives what it holds back. @return false when it has ended before */
    boolean end() {
        if (draining) {
            return false;
        }
        draining = true;
        avcodec.avcodec_send_packet(decoder.context(), null);
        return true;
    }

    /** Makes the next picture start anew from a key. */
    void endRun() {
        runStart = NONE;
    }

    /**
     * Whether a packet's picture comes before the key picture with which the run began: it leans on what lies before
     * that key, and would come out broken, with times that are not its own. Of those before the first key only what can be decoded is left.
     */
    private boolean isLeading(int number) {
        int picture = index.pictureOf(number);
        return index.packet(number).lost() || runStart > 0 && picture >= 0 && picture < index.pictureOf(runStart);
    }

    /** A damaged packet is the decoder's to conceal or to refuse; the next may be sound. */
    private void send(int number) {
        watching.sends(number);
        leantOnByNone.set(number, packets.isLeantOnByNone());
        if (!packets.send(decoder.context(), number)) {
            watching.refuses(number, !leantOnByNone.get(number));
        }
    }

    /**
     * Brings container and decoder to a key packet; a container that lands later is asked for earlier places.
     *
     * @return false when the packet is not found again
     * @throws UnreadableException when the file is no longer there
     */
    boolean jumpTo(int key) throws UnreadableException {
        if (!introduced && key > 0) {
            introduce();
        }
        introduced = true;
        int ask = key;
        for (int back = 1; seek(ask); back *= 2) {
            int landed = packets.next() ? index.find(packets.met()) : NONE;
            boolean before = packets.firstMayBeTorn() ? landed < key : landed <= key;
            if (landed >= 0 && before && feedFrom(landed, key)) {
                return true;
            }
            if (ask == 0) {
                break;
            }
            ask = Math.max(0, ask - back);
        }
        reset();
        packets.reopen();
        return packets.next() && feedFrom(0, key);
    }

    /**
     * Shows the decoder the stream's first packet, of which nothing is kept but what it says of its encoder: some say so only there,
     * and pictures come out wrong when the decoder does not know whose faults to allow for.
     */
    private void introduce() throws UnreadableException {
        if (!seek(0) || !packets.next() || index.find(packets.met()) != 0) {
            packets.reopen();
            if (!packets.next()) {
                return;
            }
        }
        packets.send(decoder.context(), 0);
        reset();
    }

    private boolean seek(int toPacket) {
        PacketIndex.Packet goal = index.packet(toPacket);
        long time = goal.decoded() != PacketIndex.UNKNOWN ? goal.decoded() : goal.seen();
        reset();
        return time != PacketIndex.UNKNOWN && packets.seek(time);
    }

    /**
     * Drops packets from {@code landed}, which is met already, to before the key, and sends the key.
     *
     * @return false when what was found at the key's place is not it: times that are worked out anew after a jump may
     *     mislead
     */
    private boolean feedFrom(int landed, int key) {
        for (int number = landed; number < key; number++) {
            if (!packets.next()) {
                return false;
            }
        }
        if (packets.isKey() != index.packet(key).key()) {
            return false;
        }
        send(key);
        runStart = key;
        next = key + 1;
        return true;
    }

    private void reset() {
        decoder.clear();
        packets.flush();
        draining = false;
        runStart = NONE;
    }
}
