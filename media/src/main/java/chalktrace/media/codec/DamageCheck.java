package chalktrace.media.codec;

import chalktrace.media.UnreadableException;
import java.util.BitSet;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * Finds which packets of a video are damaged though pictures came of them. Decoders patch damage over and only complain, on whichever of their
 * threads they meet it. So a complaint from anywhere makes what was decoded about then suspect; what is suspect and asked for is decoded once more,
 * alone on one thread, where each complaint belongs to the packet that was sent. Lives on the thread of its decoder.
 */
final class DamageCheck implements AutoCloseable {

    private static final Logger LOG = Logger.getLogger(DamageCheck.class.getName());

    /** A decoder holds back no more packets than this, on all its threads. */
    static final int MOST_HELD_BACK = 64;

    private final MediaInput input;
    private final int stream;
    private final PacketIndex index;
    private final BitSet suspect = new BitSet();
    private final BitSet checked = new BitSet();
    private final BitSet bad = new BitSet();

    /** Damaged, but no other leans on them. */
    private final BitSet alone = new BitSet();

    /** What came of them was damaged when they were decoded last, and others lean on it. */
    private final BitSet flawed = new BitSet();

    /** Likewise, but no other leans on it. */
    private final BitSet flawedAlone = new BitSet();

    /** Decoded from nothing before them: what is damaged before such a picture harms none after it. */
    private final BitSet fresh = new BitSet();

    private long heard = Natives.allErrors();
    private ListeningDecoder listener;

    /** @param input that can be opened again; it is not read */
    DamageCheck(MediaInput input, int stream, PacketIndex index) {
        this.input = input;
        this.stream = stream;
        this.index = index;
    }

    /** Hears whether anything complained since; called after each picture. @param next the packet that is sent next */
    void hear(int next) {
        long now = Natives.allErrors();
        if (now != heard) {
            heard = now;
            suspect.set(Math.max(0, next - MOST_HELD_BACK), Math.max(next, 1));
            suspect.andNot(checked);
        }
    }

    /** Takes a packet for damaged, without listening to the decoder. */
    void spoilt(int packet) {
        bad.set(packet);
    }

    /**
     * Takes what its decoder said of a packet when it was decoded last.
     *
     * @param isLeantOn whether pictures that are decoded later may lean on it
     */
    void judge(int packet, boolean damaged, boolean isLeantOn) {
        flawed.set(packet, damaged && isLeantOn);
        flawedAlone.set(packet, damaged && !isLeantOn);
    }

    /** Takes a packet's picture for decoded from nothing before it. */
    void startsAnew(int packet) {
        fresh.set(packet);
    }

    /** Whether a packet's picture is damaged, or leans on one that is. */
    boolean isBad(int packet) {
        if (packet < 0) {
            return false;
        }
        int key = keyFor(packet);
        int first = suspect.nextSetBit(key);
        if (first >= 0 && first <= packet) {
            check(key, Math.min(index.keyAfter(packet), packet + MOST_HELD_BACK));
        }
        int worst = Math.max(bad.previousSetBit(packet), flawed.previousSetBit(packet));
        return alone.get(packet) || flawedAlone.get(packet) || worst >= key && !isMended(worst, packet);
    }

    /** From where on damage may count: what is seen before its key picture leans on what lies before that. */
    private int keyFor(int packet) {
        int key = index.keyAt(packet);
        return index.pictureOf(packet) < index.pictureOf(key) ? index.keyBefore(key) : key;
    }

    /** Whether a picture is made anew between a damaged packet and another, and seen no later than that one's. */
    private boolean isMended(int damaged, int packet) {
        for (int p = fresh.nextSetBit(damaged + 1); p >= 0 && p <= packet; p = fresh.nextSetBit(p + 1)) {
            if (index.pictureOf(p) <= index.pictureOf(packet)) {
                return true;
            }
        }
        return false;
    }

    private void check(int key, int end) {
        suspect.clear(key, end);
        checked.set(key, end);
        try {
            if (listener == null) {
                listener = new ListeningDecoder(input.again(), stream, index);
            }
            // From the key before: what is complained of for want of what came earlier is no damage.
            ListeningDecoder.Heard heard = listener.listen(key == 0 ? 0 : index.keyBefore(key), end);
            heard.spoilt().stream().filter(packet -> packet >= key).forEach(bad::set);
            heard.alone().stream().filter(packet -> packet >= key).forEach(alone::set);
            fresh.or(heard.fresh());
        } catch (UnreadableException e) {
            LOG.log(Level.INFO, "a second look at " + input.file(), e);
        }
    }

    @Override
    public void close() {
        if (listener != null) {
            listener.close();
        }
    }
}
