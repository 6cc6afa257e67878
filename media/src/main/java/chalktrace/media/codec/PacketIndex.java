package chalktrace.media.codec;

import chalktrace.core.time.PictureTimes;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToLongFunction;
import java.util.stream.IntStream;

/**
 * Which packet of a stream holds which picture. Packets are counted in the order in which they are decoded, pictures in
 * the order in which they are seen; one pass through the file finds both, and no picture's place is ever computed from a
 * rate.
 */
final class PacketIndex {

    /**
     * A packet as the container gives it.
     *
     * @param seen when its picture is seen, in the stream's unit; or {@link #UNKNOWN}
     * @param decoded when it is decoded, in the stream's unit; or {@link #UNKNOWN}
     * @param discarded decoded for others' sake, but never seen
     * @param lost leans on what is not there: not even to be decoded
     */
    record Packet(long seen, long decoded, long duration, long position, boolean key, boolean discarded, boolean lost) {

        Packet(long seen, long decoded, long duration, long position, boolean key, boolean discarded) {
            this(seen, decoded, duration, position, key, discarded, false);
        }

        Packet seenAt(long time) {
            return new Packet(time, decoded, duration, position, key, discarded, lost);
        }

        Packet unseen() {
            return new Packet(seen, decoded, duration, position, key, true, true);
        }

        /** What tells it from the stream's other packets when it is met again. */
        Object mark() {
            return List.of(seen, decoded, position);
        }
    }

    static final long UNKNOWN = Long.MIN_VALUE;

    /** A decoder exchanges no more pictures than this (ITU-T H.264, A.3.1; H.265, 7.4.3.2.1). */
    private static final int MOST_EXCHANGED = 16;

    private static final double LONG_BEFORE_SECONDS = 0.5;

    private final List<Packet> packets;
    private final int[] packetOfPicture;
    private final int[] pictureOfPacket;
    private final Map<Object, Integer> byMark = new HashMap<>();
    private final BitSet falseKeys = new BitSet();
    private final Showing showing;
    private List<Integer> tornBehind = List.of();

    /**
     * @param order for each picture, its packet
     * @param unit of the times of the packets, in seconds
     * @param pictureSeconds how long a picture shows where the packets don't say
     */
    private PacketIndex(List<Packet> packets, int[] order, double unit, double pictureSeconds) {
        this(packets, packets, order, unit, pictureSeconds);
    }

    /** @param timed the packets with times that were worked out; {@code packets} are as the container gives them */
    private PacketIndex(List<Packet> packets, List<Packet> timed, int[] order, double unit, double pictureSeconds) {
        this.packets = List.copyOf(timed);
        this.packetOfPicture = order;
        this.pictureOfPacket = picturesOf(order, packets.size());
        addMarks(packets);
        int[] inTurn = IntStream.range(0, order.length).toArray();
        Packet last = packets.get(order[order.length - 1]);
        this.showing = showing(inTurn, this::seen, last.duration(), unit, pictureSeconds);
    }

    /** @param shows what is seen in turn, and when, of pictures in the order of their track */
    private PacketIndex(
            List<Packet> packets, int[] order, List<EditList.Shown> shows, double unit, double pictureSeconds) {
        this.packets = List.copyOf(packets);
        this.packetOfPicture = order;
        this.pictureOfPacket = picturesOf(order, packets.size());
        addMarks(packets);
        int[] inTurn = shows.stream()
                .mapToInt(shown -> pictureOfPacket[shown.packet()])
                .toArray();
        long lastDuration = shows.get(shows.size() - 1).duration();
        this.showing = showing(inTurn, n -> shows.get(n).time(), lastDuration, unit, pictureSeconds);
    }

    private static int[] picturesOf(int[] order, int packets) {
        int[] pictures = new int[packets];
        Arrays.fill(pictures, -1);
        for (int n = 0; n < order.length; n++) {
            pictures[order[n]] = n;
        }
        return pictures;
    }

    private void addMarks(List<Packet> asTheyAre) {
        for (int p = 0; p < asTheyAre.size(); p++) {
            byMark.putIfAbsent(asTheyAre.get(p).mark(), p);
        }
    }

    /**
     * An index from the packets' own times. Where they start again, as in files that were joined, they go on instead.
     *
     * @param jumps whether that may be later as well, as in streams that are joined without new times
     */
    static PacketIndex fromTimes(List<Packet> packets, double unit, double pictureSeconds, boolean jumps) {
        List<Packet> timed = goingOn(packets, unit, pictureSeconds, jumps);
        int[] order = IntStream.range(0, packets.size())
                .filter(p -> !packets.get(p).discarded())
                .boxed()
                .sorted(Comparator.comparingLong(p -> timed.get(p).seen()))
                .mapToInt(Integer::intValue)
                .toArray();
        return new PacketIndex(packets, timed, order, unit, pictureSeconds);
    }

    /** An index of whole tracks of which a list of edits says what is seen. @param shows at least one */
    static PacketIndex fromEdits(List<Packet> packets, List<EditList.Shown> shows, double unit, double pictureSeconds) {
        int[] order = shows.stream()
                .map(EditList.Shown::packet)
                .distinct()
                .sorted(Comparator.comparingLong(p -> packets.get(p).seen()))
                .mapToInt(Integer::intValue)
                .toArray();
        return new PacketIndex(packets, order, shows, unit, pictureSeconds);
    }

    private static List<Packet> goingOn(List<Packet> packets, double unit, double pictureSeconds, boolean jumps) {
        List<Packet> out = new ArrayList<>(packets);
        long picture = Math.max(1, Math.round(pictureSeconds / unit));
        long latest = UNKNOWN;
        long shift = 0;
        for (int p = 0; p < packets.size(); p++) {
            boolean isLater = p > 0 && jumps && jumpsOn(packets.get(p - 1), packets.get(p), unit, pictureSeconds);
            if (isLater || p > 0 && startsAgain(packets, p, unit)) {
                shift = latest + picture - earliest(packets, p, unit);
            }
            long seen = packets.get(p).seen() + shift;
            latest = Math.max(latest, seen);
            out.set(p, packets.get(p).seenAt(seen));
        }
        return out;
    }

    /**
     * Decoding only goes on in time: a key that is decoded long before the packet in front of it begins another recording, and so
     * does another packet, unless it stands alone there with a time that is wrong.
     */
    private static boolean startsAgain(List<Packet> packets, int at, double unit) {
        Packet before = packets.get(at - 1);
        boolean next = at + 1 == packets.size() || isLongBefore(packets.get(at + 1), before, unit);
        return isLongBefore(packets.get(at), before, unit) && (packets.get(at).key() || next);
    }

    /** Whether another recording begins between two packets, with later times. */
    private static boolean jumpsOn(Packet before, Packet packet, double unit, double pictureSeconds) {
        return before.decoded() != UNKNOWN
                && packet.decoded() != UNKNOWN
                && TimeJumps.isOne((packet.decoded() - before.decoded()) * unit, pictureSeconds);
    }

    private static boolean isLongBefore(Packet packet, Packet other, double unit) {
        return packet.decoded() != UNKNOWN
                && other.decoded() != UNKNOWN
                && (other.decoded() - packet.decoded()) * unit > LONG_BEFORE_SECONDS;
    }

    private static long earliest(List<Packet> packets, int from, double unit) {
        long earliest = packets.get(from).seen();
        for (int p = from + 1; p < packets.size() && !startsAgain(packets, p, unit); p++) {
            earliest = Math.min(earliest, packets.get(p).seen());
        }
        return earliest;
    }

    /**
     * An index from the order in which a decoder gave the pictures back, for files that leave out times. Where all
     * packets say when they are decoded, the n-th picture is seen as long after the first as the n-th packet is decoded.
     *
     * @param decodingOnly whether the times of seeing are not to be believed
     */
    static PacketIndex fromDecoding(
            List<Packet> packets, int[] order, double unit, double pictureSeconds, boolean decodingOnly) {
        long[] decoded = packets.stream().mapToLong(Packet::decoded).sorted().toArray();
        boolean allDecodedKnown = decoded.length >= order.length && decoded[0] != UNKNOWN;
        if (!allDecodedKnown) {
            return new PacketIndex(packets, order, unit, pictureSeconds);
        }
        long delay = 0;
        for (int n = 0; n < order.length && !decodingOnly; n++) {
            long seen = packets.get(order[n]).seen();
            if (seen != UNKNOWN) {
                delay = seen - decoded[n];
                break;
            }
        }
        List<Packet> timed = new ArrayList<>(packets);
        for (int n = 0; n < order.length; n++) {
            timed.set(order[n], packets.get(order[n]).seenAt(decoded[n] + delay));
        }
        return new PacketIndex(packets, timed, order, unit, pictureSeconds);
    }

    static boolean haveTimes(List<Packet> packets) {
        return packets.stream().noneMatch(packet -> packet.seen() == UNKNOWN);
    }

    /** Whether times say that pictures are seen as they are decoded; of a stream that exchanges pictures that can't be true. */
    static boolean areInDecodingOrder(List<Packet> packets) {
        long before = UNKNOWN;
        for (Packet packet : packets) {
            if (packet.seen() == UNKNOWN || packet.seen() <= before) {
                return false;
            }
            before = packet.seen();
        }
        return true;
    }

    int pictures() {
        return packetOfPicture.length;
    }

    int packets() {
        return packets.size();
    }

    Packet packet(int p) {
        return packets.get(p);
    }

    /** Whether decoding can start with a packet: the container says so, and its picture did not turn out to lean on others. */
    boolean isKey(int p) {
        return packets.get(p).key() && !falseKeys.get(p);
    }

    /** Takes a packet for no key, whatever the container says. */
    void deny(int p) {
        falseKeys.set(p);
    }

    /** Takes packets as the last before a place that the container could not read. */
    void setTornBehind(List<Integer> found) {
        tornBehind = List.copyOf(found);
    }

    List<Integer> tornBehind() {
        return tornBehind;
    }

    /** What is seen when. */
    Showing showing() {
        return showing;
    }

    int packetOf(int picture) {
        return packetOfPicture[picture];
    }

    /** The picture of a packet, or -1 for one that is never seen. */
    int pictureOf(int packet) {
        return packet < 0 || packet >= pictureOfPacket.length ? -1 : pictureOfPacket[packet];
    }

    /** The picture seen last of those that are decoded before a packet, and of its own; as far back as pictures change places. */
    int latestSeenOfThoseBefore(int packet) {
        int latest = pictureOf(packet);
        for (int p = packet - 1; p >= Math.max(0, packet - MOST_EXCHANGED) && !isKey(p + 1); p--) {
            latest = Math.max(latest, pictureOf(p));
        }
        return latest;
    }

    /** Which packet this is, met again after a jump; -1 when it is not in the index. */
    int find(Packet met) {
        return byMark.getOrDefault(met.mark(), -1);
    }

    /**
     * Where decoding must start to reach a picture: the last key packet that is decoded before it and seen no later.
     * Pictures that follow a key in the file but come before it on screen may lean on what lies before that key.
     */
    int startFor(int picture) {
        int target = packetOfPicture[picture];
        for (int p = target; p > 0; p--) {
            boolean seenInTime = pictureOfPacket[p] < 0 || pictureOfPacket[p] <= picture;
            if (isKey(p) && seenInTime) {
                return p;
            }
        }
        return 0;
    }

    /** The key packet at or before a packet. */
    int keyAt(int packet) {
        return packet > 0 && !isKey(packet) ? keyBefore(packet) : packet;
    }

    /** The first key packet after a packet; the number of packets when none is. */
    int keyAfter(int packet) {
        int p = packet + 1;
        while (p < packets.size() && !isKey(p)) {
            p++;
        }
        return p;
    }

    /** The last key packet before another; the first packet when there is none. */
    int keyBefore(int packet) {
        for (int p = packet - 1; p > 0; p--) {
            if (isKey(p)) {
                return p;
            }
        }
        return 0;
    }

    private long seen(int picture) {
        return packets.get(packetOfPicture[picture]).seen();
    }

    /** Times that are missing, repeat or run back are set a picture's length after the one before. */
    private Showing showing(
            int[] inTurn, IntToLongFunction seen, long lastDuration, double unit, double pictureSeconds) {
        long first = seen.applyAsLong(0) == UNKNOWN ? 0 : seen.applyAsLong(0);
        double[] starts = new double[inTurn.length];
        for (int n = 0; n < starts.length; n++) {
            long at = seen.applyAsLong(n);
            double after = n == 0 ? 0 : starts[n - 1] + pictureSeconds;
            double own = at == UNKNOWN ? after : (at - first) * unit;
            starts[n] = n > 0 && own <= starts[n - 1] ? after : own;
        }
        PictureTimes times = PictureTimes.of(starts, lastDuration > 0 ? lastDuration * unit : pictureSeconds);
        return new Showing(inTurn, packetOfPicture.length, times, first);
    }
}
