package chalktrace.media.codec;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;

/** Exact pictures of a video file in any order. Lives on one thread at a time; must be closed. */
public final class VideoDecoder implements AutoCloseable {

    private static final int THREADS = Runtime.getRuntime().availableProcessors() + 1;

    private static final String DAMAGED = " is damaged, or leans on one that is: it may look wrong.";

    /** By so many ticks of the stream's clock a picture may start early or late. */
    private static final double ROUNDED_TICKS = 1.5;

    /** From so many earlier keys a picture that does not come is tried. */
    private static final int MOST_KEYS_BACK = 2;

    private final Path file;
    private final boolean onePicture;
    private final StreamDecoder decoder;
    private final PacketReader packets;
    private final PictureReader reader;
    private final PacketIndex index;
    private final Showing showing;
    private final StreamFacts facts;
    private final PacketFeed feed;
    private final DecodedFrames frames;

    private int lastSeen = -1;
    private boolean closed;

    /** What is wrong with pictures that were given all the same, damage of video aside. */
    private final Map<Integer, String> doubts = new HashMap<>();

    private final DamageCheck damage;

    private VideoDecoder(MediaInput input, int stream, Optional<EditList> edits) throws UnreadableException {
        this.reader = new PictureReader(input.statedColour(stream));
        this.file = input.file();
        // Of one picture the errors of its decoder are heard, which only one of one thread tells on this one.
        this.onePicture = input.isPicture();
        AVCodecContext opened = input.decoder(stream, onePicture ? 1 : THREADS);
        this.decoder = new StreamDecoder(opened);
        this.facts = StreamFacts.of(input, stream, opened);
        this.packets = new PacketReader(input, stream);
        try {
            this.index = PacketIndexer.of(packets, opened, facts, edits, TimeJumps.mayBeIn(input));
        } catch (UnreadableException e) {
            free();
            throw e;
        }
        this.showing = index.showing();
        this.damage = new DamageCheck(input, stream, index);
        boolean isMotionJpeg = opened.codec_id() == avcodec.AV_CODEC_ID_MJPEG;
        this.feed = new PacketFeed(packets, decoder, index, new PacketFeed.Watching() {
            @Override
            public void sends(int packet) {
                if (isMotionJpeg && JpegScan.isDamaged(packets.bytes())) {
                    damage.spoilt(packet);
                }
            }

            @Override
            public void refuses(int packet, boolean isLeantOn) {
                damage.judge(packet, true, isLeantOn);
            }
        });
        this.frames = new DecodedFrames(decoder, feed, index, this::judge);
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
            Optional<EditList> edits = input.isIsoContainer()
                    ? EditList.ofSeveral(file, input.stream(stream).id())
                    : Optional.empty();
            if (edits.isPresent()) {
                input.close();
                input = MediaInput.openWholeTracks(file);
            }
            return new VideoDecoder(input, stream, edits);
        } catch (UnreadableException | RuntimeException e) {
            input.close();
            throw e;
        }
    }

    /** Whether a file that can be opened has pictures, cover art left out. */
    public static boolean has(Path file) throws UnreadableException {
        try (MediaInput input = MediaInput.open(file)) {
            return input.videoStream() >= 0;
        }
    }

    public PictureTimes times() {
        return showing.times();
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

    /** Whether the file says at which rate its pictures follow each other; else FFmpeg's 25 are taken. */
    public boolean statesRate() {
        return facts.statesRate();
    }

    /** The rate that the file states, or the mean of its pictures. */
    public FrameRate rate() {
        // Some containers state what was guessed from their first pictures.
        Optional<FrameRate> even = times().evenRate(facts.statedRate(), ROUNDED_TICKS * facts.unitSeconds());
        return even.or(facts::statedRate).orElseGet(() -> {
            double seconds = times().endSeconds(times().count() - 1);
            double mean = seconds > 0 ? times().count() / seconds : 24;
            return new FrameRate((int) Math.max(1, Math.min(1_000_000, Math.round(mean * 1000))), 1000);
        });
    }

    /** The pictures behind which the container itself is damaged, so that others may be missing there. */
    public List<Integer> tornBehind() {
        return index.tornBehind().stream()
                .map(index::pictureOf)
                .filter(n -> n >= 0 && showing.turns(n).length > 0)
                .map(n -> showing.turns(n)[0])
                .toList();
    }

    /** When picture 0 is seen on the container's clock, in seconds: where the file's sound is anchored. */
    public double startSeconds() {
        return showing.firstSeen() * facts.unitSeconds();
    }

    /**
     * Picture n, counted from 0 in the order in which pictures are seen.
     *
     * @param wanted which of the pictures decoded on the way the sink takes; others are not converted
     * @throws PictureUnavailableException when the picture is damaged or missing
     */
    public Picture picture(int n, IntPredicate wanted, PictureSource.Sink sink) throws PictureUnavailableException {
        if (n < 0 || n >= showing.count()) {
            throw new PictureUnavailableException(file.getFileName() + " has pictures 0 to " + (showing.count() - 1)
                    + " (counted from 0), and no picture " + n + ".");
        }
        long errors = Natives.errors();
        int stored = showing.picture(n);
        Picture picture = fromKeys(stored, met -> showing.isWanted(met, wanted), (met, taken) -> {
            for (int turn : showing.turns(met)) {
                if (wanted.test(turn)) {
                    sink.take(turn, taken);
                }
            }
        });
        boolean complained = Natives.errors() > errors || damage.isBad(index.packetOf(stored));
        if (onePicture && (complained || JpegEnd.isMissing(file) || ExrEnd.isMissing(file))) {
            doubts.putIfAbsent(stored, file.getFileName() + " is damaged: it may look wrong.");
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
        boolean onTheWay = feed.isOnTheWayFrom(start) && lastSeen < n;
        if (!onTheWay) {
            jumpTo(start);
        }
        boolean tried = false;
        while (true) {
            int received = frames.receive();
            if (decoder.isSpoilt()) {
                return lastBeforeAnEnd(n, start);
            }
            if (received == 0) {
                int packet = (int) frames.frame().pts();
                int seen = index.pictureOf(packet);
                if (seen < 0) {
                    continue;
                }
                if (isFalseKey(packet)) {
                    index.deny(packet);
                    if (index.startFor(n) < start) {
                        return fromKeys(n, wanted, sink);
                    }
                }
                lastSeen = Math.max(lastSeen, seen);
                if (seen == n) {
                    Picture picture = reader.read(frames.frame());
                    frames.lookPast(packet);
                    return picture;
                }
                if (seen > n && !tried) {
                    tried = true;
                    // The picture did not come in its turn; a fresh start from the key decides.
                    jumpTo(start);
                } else if (seen > n) {
                    return lastBeforeAnEnd(n, start);
                } else if (wanted.test(seen)) {
                    sink.take(seen, reader.read(frames.frame()));
                }
            } else if (received == avutil.AVERROR_EAGAIN()) {
                feed.feed();
            } else if (received == avutil.AVERROR_EOF() || !feed.feed()) {
                feed.endRun();
                throw damaged(n);
            }
        }
    }

    /**
     * A picture that does not come while later ones are fed: a decoder may drop what it holds back when the pictures change
     * their size, or be spoilt by one of them. It comes when the stream is made to end after it.
     */
    private Picture lastBeforeAnEnd(int n, int start) throws PictureUnavailableException {
        jumpTo(start);
        int last = index.packetOf(n);
        boolean more = true;
        while (more) {
            int received = frames.receive();
            if (decoder.isSpoilt()) {
                break;
            }
            if (received == 0) {
                if (index.pictureOf((int) frames.frame().pts()) == n) {
                    Picture picture = reader.read(frames.frame());
                    feed.endRun();
                    return picture;
                }
            } else {
                more = feed.next() <= last ? feed.feed() : feed.end();
            }
        }
        feed.endRun();
        throw damaged(n);
    }

    /** What is wrong with a picture that was given: damage that the codec patched over, or another size. */
    public Optional<String> doubt(int n) {
        int stored = showing.picture(n);
        if (!onePicture && damage.isBad(index.packetOf(stored))) {
            return Optional.of(name(stored) + DAMAGED);
        }
        return Optional.ofNullable(doubts.get(stored));
    }

    /** Whether a picture leans on others though the container calls its packet a key: some call all so. */
    private boolean isFalseKey(int packetNumber) {
        AVFrame frame = frames.frame();
        int type = frame.pict_type();
        return index.isKey(packetNumber)
                && packetNumber > 0
                && (frame.flags() & AVFrame.AV_FRAME_FLAG_KEY) == 0
                && (type == avutil.AV_PICTURE_TYPE_P || type == avutil.AV_PICTURE_TYPE_B);
    }

    private void judge(AVFrame frame) {
        damage.hear(feed.next());
        int packet = (int) frame.pts();
        int n = index.pictureOf(packet);
        boolean damaged = frame.decode_error_flags() != 0 || (frame.flags() & AVFrame.AV_FRAME_FLAG_CORRUPT) != 0;
        damage.judge(packet, damaged, !feed.isLeantOnByNone(packet));
        if (!damaged
                && (frame.flags() & AVFrame.AV_FRAME_FLAG_KEY) != 0
                && frame.pict_type() == avutil.AV_PICTURE_TYPE_I) {
            damage.startsAnew(packet);
        }
        if (n < 0) {
            return;
        }
        if (frame.width() != facts.width() || frame.height() != facts.height()) {
            doubts.put(
                    n,
                    name(n) + " is stored as " + frame.width() + "x" + frame.height() + ", unlike the first, which is "
                            + facts.width() + "x" + facts.height() + ": it is stretched to fit.");
        } else {
            doubts.remove(n);
        }
    }

    /** Brings the decoder to a key packet. */
    private void jumpTo(int key) throws PictureUnavailableException {
        lastSeen = -1;
        frames.clear();
        try {
            if (!feed.jumpTo(key)) {
                throw damaged(index.pictureOf(key));
            }
        } catch (UnreadableException e) {
            throw new PictureUnavailableException(e.getMessage(), e);
        }
    }

    @Override
    public void close() {
        if (!closed) {
            closed = true;
            damage.close();
            frames.close();
            free();
        }
    }

    private void free() {
        packets.close();
        reader.close();
        decoder.close();
    }

    private PictureUnavailableException damaged(int n) {
        return new PictureUnavailableException(name(n) + " is damaged and can't be shown.");
    }

    /** @param n of the stream's pictures */
    private String name(int n) {
        return "Picture " + showing.turns(n)[0] + " (counted from 0) of " + file.getFileName();
    }
}
