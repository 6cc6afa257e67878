package chalktrace.media.codec;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;

/**
 * The pictures of an animated WebP (Google, "WebP Container Specification"), which the codecs read only one by one: its frames are laid over each other here. Lives on
 * one thread at a time; must be closed.
 */
public final class AnimatedWebp implements AutoCloseable {

    private static final int HEAD = 12;
    private static final int ANIMATED = 0x02;
    private static final int HAS_OPACITY = 0x10;
    private static final int FRAME_HEAD = 16;
    private static final long LARGEST = 1L << 30;

    /** What is said to be seen for less is seen for so long. */
    private static final int SHORTEST_MS = 10;

    /**
     * A part of the canvas that changes.
     *
     * @param at where its own data begins in the file, @param end where they end
     * @param cleared whether it is taken away again after it was seen
     * @param laidOver whether it leaves what shows through it, and does not take its place
     */
    private record Frame(
            int x, int y, int width, int height, int at, int end, int ms, boolean cleared, boolean laidOver) {

        boolean covers(PictureSize canvas) {
            return !laidOver && x == 0 && y == 0 && width == canvas.width() && height == canvas.height();
        }
    }

    private final Path file;
    private final ByteBuffer bytes;
    private final PictureSize size;
    private final List<Frame> frames = new ArrayList<>();
    private final PictureReader reader = new PictureReader();
    private final AVFrame decoded = avutil.av_frame_alloc();
    private AVCodecContext decoder;
    private int[] canvas;

    /** The frame that was laid last; -1 for none. */
    private int last = -1;

    private AnimatedWebp(Path file, ByteBuffer bytes) throws UnreadableException {
        this.file = file;
        this.bytes = bytes.order(ByteOrder.LITTLE_ENDIAN);
        try {
            size = new PictureSize(1 + whole24(HEAD + 12), 1 + whole24(HEAD + 15));
            findFrames();
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw damaged("its head is not whole");
        }
        if (frames.isEmpty()) {
            throw damaged("it has no picture");
        }
        Natives.load();
        AVCodec codec = avcodec.avcodec_find_decoder(avcodec.AV_CODEC_ID_WEBP);
        decoder = avcodec.avcodec_alloc_context3(codec);
        decoder.max_pixels(PictureSize.MOST_PIXELS);
        decoder.thread_count(1);
        avcodec.avcodec_open2(decoder, codec, (AVDictionary) null);
        canvas = new int[size.width() * size.height()];
    }

    /** Whether a file is one, by its head. */
    public static boolean is(Path file) {
        try (var in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(HEAD + 12);
            return head.length == HEAD + 12
                    && new String(head, 8, 8, StandardCharsets.ISO_8859_1).equals("WEBPVP8X")
                    && (head[HEAD + 8] & ANIMATED) != 0;
        } catch (IOException e) {
            return false;
        }
    }

    /** @throws UnreadableException when it is none, is damaged, or its pictures are too large */
    public static AnimatedWebp open(Path file) throws UnreadableException {
        try {
            if (Files.size(file) > LARGEST) {
                throw UnreadableException.of(file, "is larger than 1 GB", "Save it as a video.");
            }
            return new AnimatedWebp(file, ByteBuffer.wrap(Files.readAllBytes(file)));
        } catch (IOException e) {
            throw UnreadableException.of(file, "can't be read (" + e.getMessage() + ")", "Is its disk still there?", e);
        }
    }

    private UnreadableException damaged(String what) {
        return UnreadableException.of(file, "is damaged: " + what, "Copy it again from where it came.");
    }

    private int whole24(int at) {
        return bytes.get(at) & 255 | (bytes.get(at + 1) & 255) << 8 | (bytes.get(at + 2) & 255) << 16;
    }

    private String name(int at) {
        return new String(bytes.array(), at, 4, StandardCharsets.ISO_8859_1);
    }

    /** The end of a piece, which is filled up to an even length; no farther than that of what it lies in. */
    private int end(int at, int within) {
        long length = bytes.getInt(at + 4) & 0xFFFFFFFFL;
        return (int) Math.min(within, at + 8 + length + (length & 1));
    }

    private void findFrames() {
        int all = bytes.capacity();
        for (int at = HEAD; at + 8 <= all; at = end(at, all)) {
            if (name(at).equals("ANMF") && at + 8 + FRAME_HEAD <= all) {
                int in = at + 8;
                int flags = bytes.get(in + 15);
                Frame frame = new Frame(
                        2 * whole24(in),
                        2 * whole24(in + 3),
                        1 + whole24(in + 6),
                        1 + whole24(in + 9),
                        in + FRAME_HEAD,
                        Math.max(in + FRAME_HEAD, end(at, all)),
                        Math.max(SHORTEST_MS, whole24(in + 12)),
                        (flags & 1) != 0,
                        (flags & 2) == 0);
                if (frame.x + frame.width > size.width() || frame.y + frame.height > size.height()) {
                    throw new IllegalArgumentException("a frame lies outside");
                }
                frames.add(frame);
            }
        }
    }

    public PictureSize size() {
        return size;
    }

    /** Each as long as its frame says. */
    public PictureTimes times() {
        double[] starts = new double[frames.size()];
        for (int n = 1; n < starts.length; n++) {
            starts[n] = starts[n - 1] + frames.get(n - 1).ms / 1000.0;
        }
        return PictureTimes.of(starts, frames.get(frames.size() - 1).ms / 1000.0);
    }

    /** @throws PictureUnavailableException when it, or one that shows through it, is damaged */
    public Picture picture(int n) throws PictureUnavailableException {
        int from = n;
        while (from > 0 && !frames.get(from).covers(size) && from != last + 1) {
            from--;
        }
        if (n != last) {
            if (from == 0 || from != last + 1) {
                Arrays.fill(canvas, 0);
            }
            for (int k = from; k <= n; k++) {
                last = -1;
                if (k > from || from > 0 && !frames.get(from).covers(size)) {
                    clear(frames.get(k - 1));
                }
                lay(k);
                last = k;
            }
        }
        return new ArgbPicture(size, canvas.clone());
    }

    private void clear(Frame frame) {
        for (int y = 0; frame.cleared && y < frame.height; y++) {
            int row = (frame.y + y) * size.width() + frame.x;
            Arrays.fill(canvas, row, row + frame.width, 0);
        }
    }

    private void lay(int n) throws PictureUnavailableException {
        Frame frame = frames.get(n);
        int[] words = decode(n, frame);
        for (int y = 0; y < frame.height; y++) {
            for (int x = 0; x < frame.width; x++) {
                int at = (frame.y + y) * size.width() + frame.x + x;
                int word = words[y * frame.width + x];
                canvas[at] = frame.laidOver ? over(word, canvas[at]) : word;
            }
        }
    }

    /** A straight-alpha word over another. */
    private static int over(int word, int below) {
        int a = word >>> 24;
        if (a == 255 || below >>> 24 == 0) {
            return word;
        }
        int b = ((below >>> 24) * (255 - a) + 127) / 255;
        if (a + b == 0) {
            return 0;
        }
        int out = a + b << 24;
        for (int shift = 0; shift <= 16; shift += 8) {
            out |= ((word >> shift & 255) * a + (below >> shift & 255) * b + (a + b) / 2) / (a + b) << shift;
        }
        return out;
    }

    /** As a file of its own, which the codec knows. */
    private int[] decode(int n, Frame frame) throws PictureUnavailableException {
        boolean withOpacity = frame.at + 8 <= frame.end && name(frame.at).equals("ALPH");
        int head = withOpacity ? 18 : 0;
        int length = frame.end - frame.at;
        AVPacket packet = avcodec.av_packet_alloc();
        try {
            avcodec.av_new_packet(packet, HEAD + head + length);
            ByteBuffer alone =
                    packet.data().capacity(HEAD + head + length).asByteBuffer().order(ByteOrder.LITTLE_ENDIAN);
            alone.put("RIFF".getBytes(StandardCharsets.ISO_8859_1)).putInt(4 + head + length);
            alone.put("WEBP".getBytes(StandardCharsets.ISO_8859_1));
            if (withOpacity) {
                alone.put("VP8X".getBytes(StandardCharsets.ISO_8859_1))
                        .putInt(10)
                        .putInt(HAS_OPACITY);
                put24(alone, frame.width - 1);
                put24(alone, frame.height - 1);
            }
            alone.put(bytes.array(), frame.at, length);
            boolean came = avcodec.avcodec_send_packet(decoder, packet) >= 0
                    && avcodec.avcodec_receive_frame(decoder, decoded) >= 0;
            if (!came || decoded.width() != frame.width || decoded.height() != frame.height) {
                avcodec.avcodec_flush_buffers(decoder);
                throw new PictureUnavailableException("Picture " + n + " (counted from 0) of " + file.getFileName()
                        + " is damaged and can't be shown.");
            }
            return reader.read(decoded).toArgb();
        } finally {
            avcodec.av_packet_free(packet);
        }
    }

    private static void put24(ByteBuffer out, int number) {
        out.put((byte) number).put((byte) (number >> 8)).put((byte) (number >> 16));
    }

    @Override
    public void close() {
        if (decoder != null) {
            avcodec.avcodec_free_context(decoder);
            decoder = null;
            reader.close();
            avutil.av_frame_free(decoded);
        }
    }
}
