package chalktrace.media.codec;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;

/**
 * Exact pictures of a video file in any order. Lives on one thread at a time; must be closed.
 *
 * <p>Each packet is sent to the decoder with its own number in place of its time; the number comes back on the picture
 * that it became, so that a picture is known by what it is and not by when it should have come.
 */
public final class VideoDecoder implements AutoCloseable {

    private static final int THREADS = Runtime.getRuntime().availableProcessors() + 1;

    private static final String DAMAGED = " is damaged, or leans on one that is: it may look wrong.";

    /** From so many earlier keys a picture that does not come is tried. */
    private static final int MOST_KEYS_BACK = 2;

    private MediaInput input;
    private final int stream;
    private final boolean onePicture;
    private final AVCodecContext decoder;
    private final Unpacker unpacker;
    private final PictureReader reader = new PictureReader();
    private final AVPacket packet = avcodec.av_packet_alloc();
    private final AVFrame frame = avutil.av_frame_alloc();
    private final PacketIndex index;
    private final StreamFacts facts;

    /** The key packet from which the decoder was fed in one run; -1 when it must be brought to one. */
    private int runStart = -1;

    /** The number of the next packet that the container will give. */
    private int nextPacket;

    private boolean draining;
    private int lastSeen = -1;
    private boolean closed;

    /** Whether something since the last sound key picture was damaged, on which later pictures may lean. */
    private boolean damageBefore;

    private boolean sendFailed;

    /** What is wrong with pictures that were given all the same. */
    private final Map<Integer, String> doubts = new HashMap<>();

    /** Of which packets the decoder complained, where it is listened to; null otherwise. */
    private final BitSet complaints;

    private final DamageCheck damage;

    private VideoDecoder(MediaInput input, int stream, Optional<PacketIndex> known) throws UnreadableException {
        this.input = input;
        this.stream = stream;
        // Of one picture the errors of its decoder are heard, which only one of one thread tells on this one.
        this.onePicture = input.isPicture();
        this.complaints = known.isPresent() ? new BitSet() : null;
        this.decoder = input.decoder(stream, onePicture || known.isPresent() ? 1 : THREADS);
        this.unpacker = Unpacker.of(input.stream(stream));
        this.facts = StreamFacts.of(input, stream, decoder);
        try {
            this.index = known.isPresent() ? known.get() : makeIndex();
        } catch (UnreadableException e) {
            release();
            throw e;
        }
        this.damage = new DamageCheck(input.file(), stream, index);
    }

    /** @throws UnreadableException when the file is not media, has no picture, or can't be decoded */
    public static VideoDecoder open(Path file) throws UnreadableException {
        MediaInput input = MediaInput.open(file);
        try {
            int stream = input.videoStream();
            if (stream < 0) {
                throw UnreadableException.of(
                        file,
                        input.soundStream() >= 0 ? "holds sound but no picture" : "holds no picture",
                        "Import it as a sound, or choose another file.");
            }
            return new VideoDecoder(input, stream, Optional.empty());
        } catch (UnreadableException | RuntimeException e) {
            input.close();
            throw e;
        }
    }

    /** Another decoder of a file, on one thread alone, which only hears what the codec complains of. */
    static VideoDecoder listening(Path file, int stream, PacketIndex index) throws UnreadableException {
        MediaInput input = MediaInput.open(file);
        try {
            return new VideoDecoder(input, stream, Optional.of(index));
        } catch (UnreadableException | RuntimeException e) {
            input.close();
            throw e;
        }
    }

    /** Decodes packets from a key on to before {@code end}. @return of which of them the codec complained */
    BitSet listen(int key, int end) throws PictureUnavailableException {
        complaints.clear();
        jumpTo(key);
        boolean more = true;
        while (more && nextPacket < end) {
            more = feed();
        }
        return complaints;
    }

    /** Whether a file that can be opened has pictures, cover art left out. */
    public static boolean has(Path file) throws UnreadableException {
        try (MediaInput input = MediaInput.open(file)) {
            return input.videoStream() >= 0;
        }
    }

    public PictureTimes times() {
        return index.times();
    }

    /** The size as it is meant to be seen: pixels made square, turned upright. */
    public PictureSize displaySize() {
        return facts.displaySize();
    }

    /** How far stored pictures are turned to stand upright, counter-clockwise: 0, 90, 180 or 270 degrees. */
    public int turnDegrees() {
        return facts.turnDegrees();
    }

    /** Whether the file says that its pictures hold two moments each, in turns of rows. */
    public boolean isInterlaced() {
        return facts.interlaced();
    }

    /** The rate that the file states, or the mean of its pictures. */
    public FrameRate rate() {
        return facts.statedRate().orElseGet(() -> {
            double seconds = times().endSeconds(times().count() - 1);
            double mean = seconds > 0 ? times().count() / seconds : 24;
            return new FrameRate((int) Math.max(1, Math.min(1_000_000, Math.round(mean * 1000))), 1000);
        });
    }

    /** When picture 0 is seen on the container's clock, in seconds: where the file's sound is anchored. */
    public double startSeconds() {
        return index.firstSeen() * facts.unitSeconds();
    }

    /**
     * Picture n, counted from 0 in the order in which pictures are seen.
     *
     * @param wanted which of the pictures decoded on the way the sink takes; others are not converted
     * @throws PictureUnavailableException when the picture is damaged or missing
     */
    public Picture picture(int n, IntPredicate wanted, PictureSource.Sink sink) throws PictureUnavailableException {
        if (n < 0 || n >= index.pictures()) {
            throw new PictureUnavailableException(input.file().getFileName() + " has pictures 0 to "
                    + (index.pictures() - 1) + " (counted from 0), and no picture " + n + ".");
        }
        long errors = Natives.errors();
        Picture picture = fromKeys(n, wanted, sink);
        boolean complained = Natives.errors() > errors || damage.isBad(index.packetOf(n));
        if (onePicture && (complained || JpegEnd.isMissing(input.file()))) {
            doubts.putIfAbsent(n, input.file().getFileName() + " is damaged: it may look wrong.");
        }
        return picture;
    }

    private Picture fromKeys(int n, IntPredicate wanted, PictureSource.Sink sink) throws PictureUnavailableException {
        int start = index.startFor(n);
        for (int back = 0; ; back++) {
            try {
                return picture(n, start, wanted, sink);
            } catch (PictureUnavailableException e) {
                // A key that only begins to mend the picture, bit by bit, needs what was before it.
                if (start == 0 || back == MOST_KEYS_BACK) {
                    throw e;
                }
                start = index.keyBefore(start);
            }
        }
    }

    private Picture picture(int n, int start, IntPredicate wanted, PictureSource.Sink sink)
            throws PictureUnavailableException {
        boolean onTheWay = runStart >= 0 && runStart <= start && start <= nextPacket && lastSeen < n;
        if (!onTheWay) {
            jumpTo(start);
        }
        boolean tried = false;
        while (true) {
            int received = avcodec.avcodec_receive_frame(decoder, frame);
            if (received == 0) {
                int seen = index.pictureOf((int) frame.pts());
                if (seen < 0) {
                    continue;
                }
                if (isFalseKey((int) frame.pts())) {
                    index.deny((int) frame.pts());
                    if (index.startFor(n) < start) {
                        return fromKeys(n, wanted, sink);
                    }
                }
                lastSeen = Math.max(lastSeen, seen);
                judge(seen, (int) frame.pts());
                if (seen == n) {
                    return reader.read(frame);
                }
                if (seen > n && !tried) {
                    tried = true;
                    // The picture did not come in its turn; a fresh start from the key decides.
                    jumpTo(start);
                } else if (seen > n) {
                    return lastBeforeAnEnd(n, start);
                } else if (wanted.test(seen)) {
                    sink.take(seen, reader.read(frame));
                }
            } else if (received == avutil.AVERROR_EAGAIN()) {
                feed();
            } else if (received == avutil.AVERROR_EOF() || !feed()) {
                runStart = -1;
                throw damaged(n);
            }
        }
    }

    /**
     * A picture that does not come while later ones are fed: a decoder may drop what it holds back when the pictures change
     * their size. It comes when the stream is made to end after it.
     */
    private Picture lastBeforeAnEnd(int n, int start) throws PictureUnavailableException {
        jumpTo(start);
        int last = index.packetOf(n);
        boolean more = true;
        while (more) {
            int received = avcodec.avcodec_receive_frame(decoder, frame);
            if (received == 0) {
                int seen = index.pictureOf((int) frame.pts());
                if (seen >= 0) {
                    judge(seen, (int) frame.pts());
                }
                if (seen == n) {
                    Picture picture = reader.read(frame);
                    runStart = -1;
                    return picture;
                }
            } else if (nextPacket <= last) {
                more = feed();
            } else if (!draining) {
                draining = true;
                avcodec.avcodec_send_packet(decoder, null);
            } else {
                more = false;
            }
        }
        runStart = -1;
        throw damaged(n);
    }

    /** What is wrong with a picture that was given: damage that the codec patched over, or another size. */
    public Optional<String> doubt(int n) {
        if (!onePicture && damage.isBad(index.packetOf(n))) {
            return Optional.of(name(n) + DAMAGED);
        }
        return Optional.ofNullable(doubts.get(n));
    }

    /** Whether a picture leans on others though the container calls its packet a key: some call all so. */
    private boolean isFalseKey(int packetNumber) {
        int type = frame.pict_type();
        return index.isKey(packetNumber)
                && packetNumber > 0
                && (frame.flags() & AVFrame.AV_FRAME_FLAG_KEY) == 0
                && (type == avutil.AV_PICTURE_TYPE_P || type == avutil.AV_PICTURE_TYPE_B);
    }

    private void judge(int n, int packetNumber) {
        damage.hear(nextPacket);
        boolean damaged = frame.decode_error_flags() != 0 || (frame.flags() & AVFrame.AV_FRAME_FLAG_CORRUPT) != 0;
        boolean isFreshStart = index.isKey(packetNumber) && !damaged && !sendFailed;
        damageBefore = !isFreshStart && (damageBefore || damaged || sendFailed);
        sendFailed = false;
        if (damageBefore) {
            doubts.put(n, name(n) + DAMAGED);
        } else if (frame.width() != facts.width() || frame.height() != facts.height()) {
            doubts.put(
                    n,
                    name(n) + " is stored as " + frame.width() + "x" + frame.height() + ", unlike the first, which is "
                            + facts.width() + "x" + facts.height() + ": it is stretched to fit.");
        } else {
            doubts.remove(n);
        }
    }

    @Override
    public void close() {
        if (!closed) {
            release();
            input.close();
        }
    }

    private void release() {
        closed = true;
        if (damage != null) {
            damage.close();
        }
        reader.close();
        unpacker.close();
        avcodec.av_packet_free(packet);
        avutil.av_frame_free(frame);
        avcodec.avcodec_free_context(decoder);
    }

    /** Sends the next packet of the stream, or the end; false when there was nothing left to send. */
    private boolean feed() {
        if (draining) {
            return false;
        }
        if (readNext()) {
            int number = nextPacket++;
            if (isLeading(number)) {
                avcodec.av_packet_unref(packet);
            } else {
                send(number);
            }
        } else {
            draining = true;
            avcodec.avcodec_send_packet(decoder, null);
        }
        return true;
    }

    /**
     * Whether a packet's picture comes before the key picture with which the run began: it leans on what lies before
     * that key, and would come out broken, with times that are not its own.
     */
    private boolean isLeading(int number) {
        int picture = index.pictureOf(number);
        return picture >= 0 && picture < index.pictureOf(runStart);
    }

    /** Reads on to the stream's next packet, into {@link #packet}; false at the end of the file. */
    private boolean readNext() {
        avcodec.av_packet_unref(packet);
        while (avformat.av_read_frame(input.context(), packet) >= 0) {
            if (packet.stream_index() == stream && packet.size() > 0 && unpacker.pass(packet)) {
                return true;
            }
            avcodec.av_packet_unref(packet);
        }
        return false;
    }

    /** A damaged packet is the decoder's to conceal or to refuse; the next may be sound. */
    private void send(int number) {
        packet.pts(number);
        packet.dts(number);
        if (damage != null && complaints == null && decoder.codec_id() == avcodec.AV_CODEC_ID_MJPEG) {
            byte[] bytes = new byte[packet.size()];
            packet.data().get(bytes);
            if (JpegScan.isDamaged(bytes)) {
                damage.spoilt(number);
            }
        }
        long errors = Natives.errors();
        sendFailed |= avcodec.avcodec_send_packet(decoder, packet) < 0;
        avcodec.av_packet_unref(packet);
        if (complaints != null) {
            while (avcodec.avcodec_receive_frame(decoder, frame) == 0) {
                avutil.av_frame_unref(frame);
            }
            if (Natives.errors() > errors) {
                complaints.set(number);
            }
        }
    }

    /** Brings container and decoder to a key packet; a container that lands later is asked for earlier places. */
    private void jumpTo(int start) throws PictureUnavailableException {
        int ask = start;
        for (int back = 1; seek(ask); back *= 2) {
            int landed = readNext() ? index.find(met(packet)) : -1;
            boolean before = firstMayBeTorn() ? landed < start : landed <= start;
            if (landed >= 0 && before && feedFrom(landed, start)) {
                return;
            }
            if (ask == 0) {
                break;
            }
            ask = Math.max(0, ask - back);
        }
        reopen();
        if (!readNext() || !feedFrom(0, start)) {
            throw damaged(index.pictureOf(start));
        }
    }

    /** In a stream without a table of packets a jump may land within one: the first that comes then is not whole. */
    private boolean firstMayBeTorn() {
        return input.context().iformat().name().getString().startsWith("mpeg");
    }

    private boolean seek(int toPacket) {
        PacketIndex.Packet goal = index.packet(toPacket);
        long time = goal.decoded() != PacketIndex.UNKNOWN ? goal.decoded() : goal.seen();
        resetDecoder();
        return time != PacketIndex.UNKNOWN
                && avformat.av_seek_frame(input.context(), stream, time, avformat.AVSEEK_FLAG_BACKWARD) >= 0;
    }

    /**
     * Drops packets from {@code landed}, which is read already, to before the key, and sends the key.
     *
     * @return false when what was found at the key's place is not it: times that are worked out anew after a jump may
     *     mislead
     */
    private boolean feedFrom(int landed, int start) {
        for (int number = landed; number < start; number++) {
            if (!readNext()) {
                return false;
            }
        }
        if (unpacker.isKey(packet) != index.packet(start).key()) {
            return false;
        }
        send(start);
        runStart = start;
        nextPacket = start + 1;
        return true;
    }

    /** For containers that can't jump: the file anew from its first packet. */
    private void reopen() throws PictureUnavailableException {
        resetDecoder();
        try {
            openInputAgain();
        } catch (UnreadableException e) {
            throw new PictureUnavailableException(e.getMessage(), e);
        }
    }

    private void openInputAgain() throws UnreadableException {
        MediaInput again = MediaInput.open(input.file());
        input.close();
        input = again;
    }

    private void resetDecoder() {
        avcodec.avcodec_flush_buffers(decoder);
        unpacker.flush();
        draining = false;
        lastSeen = -1;
        runStart = -1;
        damageBefore = false;
        sendFailed = false;
    }

    private PacketIndex makeIndex() throws UnreadableException {
        List<PacketIndex.Packet> packets = new ArrayList<>();
        while (readNext()) {
            packets.add(met(packet));
        }
        if (packets.stream().allMatch(PacketIndex.Packet::discarded)) {
            throw UnreadableException.of(
                    input.file(),
                    "has a track for pictures, but no picture in it",
                    "Copy it again, or choose another file.");
        }
        facts.requireSize(input.file());
        boolean contradicted = decoder.has_b_frames() > 0 && PacketIndex.areInDecodingOrder(packets);
        return PacketIndex.haveTimes(packets) && !contradicted
                ? PacketIndex.fromTimes(packets, facts.unitSeconds(), facts.pictureSeconds())
                : PacketIndex.fromDecoding(
                        packets,
                        orderOfDecoding(packets),
                        facts.unitSeconds(),
                        facts.pictureSeconds(),
                        contradicted || facts.hasTimesOfDecodingOnly());
    }

    /** For files without times: one pass through the decoder tells the order in which pictures are seen. */
    private int[] orderOfDecoding(List<PacketIndex.Packet> packets) throws UnreadableException {
        // A bare stream of pictures can't be rewound.
        openInputAgain();
        unpacker.flush();
        List<Integer> order = new ArrayList<>();
        int number = 0;
        boolean more = true;
        while (more) {
            more = readNext();
            if (more) {
                send(number++);
            } else {
                avcodec.avcodec_send_packet(decoder, null);
            }
            while (avcodec.avcodec_receive_frame(decoder, frame) == 0) {
                if (frame.pts() >= 0 && frame.pts() < packets.size()) {
                    order.add((int) frame.pts());
                }
            }
        }
        if (order.isEmpty()) {
            throw UnreadableException.of(
                    input.file(), "holds no picture that can be decoded", "Copy it again from where it came.");
        }
        resetDecoder();
        return order.stream().mapToInt(Integer::intValue).distinct().toArray();
    }

    private PictureUnavailableException damaged(int n) {
        return new PictureUnavailableException(name(n) + " is damaged and can't be shown.");
    }

    private String name(int n) {
        return "Picture " + n + " (counted from 0) of " + input.file().getFileName();
    }

    private PacketIndex.Packet met(AVPacket packet) {
        return new PacketIndex.Packet(
                packet.pts() == avutil.AV_NOPTS_VALUE ? PacketIndex.UNKNOWN : packet.pts(),
                packet.dts() == avutil.AV_NOPTS_VALUE ? PacketIndex.UNKNOWN : packet.dts(),
                packet.duration(),
                packet.pos(),
                unpacker.isKey(packet),
                (packet.flags() & avcodec.AV_PKT_FLAG_DISCARD) != 0);
    }
}
