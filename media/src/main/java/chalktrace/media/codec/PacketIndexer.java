package chalktrace.media.codec;

import chalktrace.media.UnreadableException;
import java.util.ArrayList;
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
     * @throws UnreadableException when there is no picture, or one of a size that can't be shown
     */
    static PacketIndex of(PacketReader reader, AVCodecContext decoder, StreamFacts facts, Optional<EditList> edits)
            throws UnreadableException {
        List<PacketIndex.Packet> packets = new ArrayList<>();
        while (reader.next()) {
            packets.add(reader.met());
        }
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
                ? PacketIndex.fromTimes(packets, facts.unitSeconds(), facts.pictureSeconds())
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
        boolean nothingSeen = packets.stream()
                .noneMatch(packet -> edits.seen(packet.seen(), packet.duration(), facts.unitSeconds())
                        .isPresent());
        if (nothingSeen) {
            throw UnreadableException.of(
                    reader.file(),
                    "has a list of edits that shows none of its pictures",
                    "Save it again with the program that made it.");
        }
        return PacketIndex.fromEdits(packets, edits, facts.unitSeconds(), facts.pictureSeconds());
    }

    /** For files without times: one pass through the decoder tells the order in which pictures are seen. */
    private static int[] orderOfDecoding(PacketReader reader, AVCodecContext decoder, int packets)
            throws UnreadableException {
        // A bare stream of pictures can't be rewound.
        reader.reopen();
        List<Integer> order = new ArrayList<>();
        AVFrame frame = avutil.av_frame_alloc();
        try {
            int number = 0;
            boolean more = true;
            while (more) {
                more = reader.next();
                if (more) {
                    reader.send(decoder, number++);
                } else {
                    avcodec.avcodec_send_packet(decoder, null);
                }
                while (avcodec.avcodec_receive_frame(decoder, frame) == 0) {
                    if (frame.pts() >= 0 && frame.pts() < packets) {
                        order.add((int) frame.pts());
                    }
                }
            }
        } finally {
            avutil.av_frame_free(frame);
        }
        if (order.isEmpty()) {
            throw UnreadableException.of(
                    reader.file(), "holds no picture that can be decoded", "Copy it again from where it came.");
        }
        avcodec.avcodec_flush_buffers(decoder);
        return order.stream().mapToInt(Integer::intValue).distinct().toArray();
    }
}
