package chalktrace.media.codec;

import chalktrace.media.UnreadableException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;

/** Finds in one pass through a file which packet holds which picture. */
final class PacketIndexer {

    private PacketIndexer() {}

    /**
     * The index of the packets that are still to be read.
     *
     * @param edits of a file with several, whose reader leaves nothing out
     * @param jumps whether recordings may be joined in it with times that jump ahead
     * @throws UnreadableException when there is no picture, or one of a size that can't be shown
     */
    static PacketIndex of(
            PacketReader reader, AVCodecContext decoder, StreamFacts facts, Optional<EditList> edits, boolean jumps)
            throws UnreadableException {
        List<PacketIndex.Packet> packets = new ArrayList<>();
        List<Integer> torn = new ArrayList<>();
        long errors = Natives.errors();
        boolean more = true;
        while (more) {
            more = reader.next();
            if (Natives.errors() > errors && !packets.isEmpty()) {
                torn.add(packets.size() - 1);
            }
            errors = Natives.errors();
            if (more) {
                packets.add(reader.met());
            }
        }
        PacketIndex index = of(packets, reader, decoder, facts, edits, jumps);
        index.setTornBehind(torn);
        return index;
    }

    private static PacketIndex of(
            List<PacketIndex.Packet> packets,
            PacketReader reader,
            AVCodecContext decoder,
            StreamFacts facts,
            Optional<EditList> edits,
            boolean jumps)
            throws UnreadableException {
        if (packets.stream().allMatch(PacketIndex.Packet::discarded)) {
            throw UnreadableException.of(
                    reader.file(),
                    "has a track for pictures, but no picture in it",
                    "Copy it again, or choose another file.");
        }
        facts.requireSize(reader.file());
        if (edits.isPresent() && PacketIndex.haveTimes(packets)) {
            return fromEdits(reader, packets, edits.get(), facts);
        }
        boolean contradicted = decoder.has_b_frames() > 0 && PacketIndex.areInDecodingOrder(packets);
        return PacketIndex.haveTimes(packets) && !contradicted
                ? withoutLost(reader, decoder, packets, facts, jumps)
                : PacketIndex.fromDecoding(
                        packets,
                        orderOfDecoding(reader, decoder, packets.size()),
                        facts.unitSeconds(),
                        facts.pictureSeconds(),
                        contradicted || facts.hasTimesOfDecodingOnly());
    }

    private static PacketIndex fromEdits(
            PacketReader reader, List<PacketIndex.Packet> packets, EditList edits, StreamFacts facts)
            throws UnreadableException {
        List<EditList.Shown> shown = edits.shown(packets, facts.unitSeconds());
        if (shown.isEmpty()) {
            throw UnreadableException.of(
                    reader.file(),
                    "has a list of edits that shows none of its pictures",
                    "Save it again with the program that made it.");
        }
        return PacketIndex.fromEdits(packets, shown, facts.unitSeconds(), facts.pictureSeconds());
    }

    /**
     * Without the pictures that are seen before the first key and that no decoder can make, as a clip was cut in front of what they lean on: those
     * are none. A decoder tells which.
     */
    private static PacketIndex withoutLost(
            PacketReader reader,
            AVCodecContext decoder,
            List<PacketIndex.Packet> packets,
            StreamFacts facts,
            boolean jumps)
            throws UnreadableException {
        PacketIndex index = PacketIndex.fromTimes(packets, facts.unitSeconds(), facts.pictureSeconds(), jumps);
        int first = index.pictureOf(0);
        if (first <= 0 || !packets.get(0).key()) {
            return index;
        }
        BitSet lost = new BitSet();
        for (int n = 0; n < first; n++) {
            lost.set(index.packetOf(n));
        }
        BitSet made = new BitSet();
        reader.reopen();
        decode(reader, decoder, lost.length(), (number, whole) -> made.set(number, whole));
        lost.andNot(made);
        List<PacketIndex.Packet> left = new ArrayList<>(packets);
        lost.stream().forEach(p -> left.set(p, packets.get(p).unseen()));
        return PacketIndex.fromTimes(left, facts.unitSeconds(), facts.pictureSeconds(), jumps);
    }

    /** What comes out of a decoder: the number of the packet, and whether all of it is there. */
    private interface Made {
        void take(int number, boolean whole);
    }

    /** Decodes the first packets from the start of the file, and what the decoder holds back then. */
    private static void decode(PacketReader reader, AVCodecContext decoder, int count, Made made) {
        AVFrame frame = avutil.av_frame_alloc();
        try {
            int number = 0;
            boolean more = true;
            while (more) {
                more = number < count && reader.next();
                if (more) {
                    reader.send(decoder, number++);
                } else {
                    avcodec.avcodec_send_packet(decoder, null);
                }
                while (avcodec.avcodec_receive_frame(decoder, frame) == 0) {
                    if (frame.pts() >= 0 && frame.pts() < count) {
                        made.take(
                                (int) frame.pts(),
                                frame.decode_error_flags() == 0
                                        && (frame.flags() & AVFrame.AV_FRAME_FLAG_CORRUPT) == 0);
                    }
                }
            }
        } finally {
            avutil.av_frame_free(frame);
        }
        avcodec.avcodec_flush_buffers(decoder);
    }

    /** For files without times: one pass through the decoder tells the order in which pictures are seen. */
    private static int[] orderOfDecoding(PacketReader reader, AVCodecContext decoder, int packets)
            throws UnreadableException {
        // A bare stream of pictures can't be rewound.
        reader.reopen();
        List<Integer> order = new ArrayList<>();
        decode(reader, decoder, packets, (number, whole) -> order.add(number));
        if (order.isEmpty()) {
            throw UnreadableException.of(
                    reader.file(), "holds no picture that can be decoded", "Copy it again from where it came.");
        }
        return order.stream().mapToInt(Integer::intValue).distinct().toArray();
    }
}
