package chalktrace.media.codec;

import chalktrace.core.time.PictureTimes;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
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
     */
    record Packet(long seen, long decoded, long duration, long position, boolean key, boolean discarded) {

        Packet seenAt(long time) {
            return new Packet(time, decoded, duration, position, key, discarded);
        }

        /** What tells it from the stream's other packets when it is met again. */
        Object mark() {
            return List.of(seen, decoded, position);
        }
    }

    static final long UNKNOWN = Long.MIN_VALUE;

    private static final double LONG_BEFORE_SECONDS = 0.5;

    private final List<Packet> packets;
    private final int[] packetOfPicture;
    private final int[] pictureOfPacket;
    private final Map<Object, Integer> byMark = new HashMap<>();
    private final BitSet falseKeys = new BitSet();
    private final PictureTimes times;

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
        this.pictureOfPacket = new int[packets.size()];
        Arrays.fill(pictureOfPacket, -1);
        for (int n = 0; n < order.length; n++) {
            pictureOfPacket[order[n]] = n;
        }
        for (int p = 0; p < packets.size(); p++) {
            byMark.putIfAbsent(packets.get(p).mark(), p);
        }
        this.times = times(unit, pictureSeconds);
    }

    /** An index from the packets' own times. Where they start again, as in files that were joined, they go on instead. */
    static PacketIndex fromTimes(List<Packet> packets, double unit, double pictureSeconds) {
        List<Packet> timed = goingOn(packets, unit, pictureSeconds);
        int[] order = IntStream.range(0, packets.size())
                .filter(p -> !packets.get(p).discarded())
                .boxed()
                .sorted(Comparator.comparingLong(p -> timed.get(p).seen()))
                .mapToInt(Integer::intValue)
                .toArray();
        return new PacketIndex(packets, timed, order, unit, pictureSeconds);
    }

    /** An index of whole tracks of which a list of edits says what is seen. */
    static PacketIndex fromEdits(List<Packet> packets, EditList edits, double unit, double pictureSeconds) {
        List<Packet> timed = new ArrayList<>(packets);
        List<Integer> seen = new ArrayList<>();
        for (int p = 0; p < packets.size(); p++) {
            OptionalLong time = edits.seen(packets.get(p).seen(), packets.get(p).duration(), unit);
            if (time.isPresent()) {
                timed.set(p, packets.get(p).seenAt(time.getAsLong()));
                seen.add(p);
            }
        }
        seen.sort(Comparator.comparingLong(p -> timed.get(p).seen()));
        int[] order = seen.stream().mapToInt(Integer::intValue).toArray();
        return new PacketIndex(packets, timed, order, unit, pictureSeconds);
    }

    private static List<Packet> goingOn(List<Packet> packets, double unit, double pictureSeconds) {
        List<Packet> out = new ArrayList<>(packets);
        long picture = Math.max(1, Math.round(pictureSeconds / unit));
        long latest = UNKNOWN;
        long shift = 0;
        for (int p = 0; p < packets.size(); p++) {
            if (p > 0 && startsAgain(packets, p, unit)) {
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

    PictureTimes times() {
        return times;
    }

    int packetOf(int picture) {
        return packetOfPicture[picture];
    }

    /** The picture of a packet, or -1 for one that is never seen. */
    int pictureOf(int packet) {
        return packet < 0 || packet >= pictureOfPacket.length ? -1 : pictureOfPacket[packet];
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

    /** Times that are missing, repeat or run back are set a picture's length after the one before. */
    private PictureTimes times(double unit, double pictureSeconds) {
        double[] starts = new double[packetOfPicture.length];
        for (int n = 0; n < starts.length; n++) {
            long seen = packets.get(packetOfPicture[n]).seen();
            double after = n == 0 ? 0 : starts[n - 1] + pictureSeconds;
            double own = seen == UNKNOWN ? after : (seen - firstSeen()) * unit;
            starts[n] = n > 0 && own <= starts[n - 1] ? after : own;
        }
        long lastDuration = packets.get(packetOfPicture[starts.length - 1]).duration();
        return PictureTimes.of(starts, lastDuration > 0 ? lastDuration * unit : pictureSeconds);
    }

    /** When picture 0 is seen, in the stream's unit; 0 when the file does not say. */
    long firstSeen() {
        long seen = packets.get(packetOfPicture[0]).seen();
        return seen == UNKNOWN ? 0 : seen;
    }
}
