package chalktrace.media.footage;

import chalktrace.core.picture.ChromaSite;
import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.picture.VideoColour;
import chalktrace.core.picture.VideoLight;
import chalktrace.core.picture.YuvMatrix;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.codec.IntraPacker;
import chalktrace.media.codec.IntraPacker.Packed;
import chalktrace.media.codec.IntraUnpacker;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;

/**
 * Stand-ins for the pictures of footage whose own pictures take long to read: small, and each readable without any other.
 * Picture n of a proxy is picture n of its source. It can be read while it is still being made, and what a broken-off
 * making left is taken up again. Safe for threads; must be closed.
 *
 * <p>The file: the letters {@code CTPX} and a version, then a record for each picture in the order of making: number,
 * length, kind, matrix, range, bytes. A length of 0 stands for a picture that the source could not give.
 */
public final class Proxy implements PictureSource, AutoCloseable {

    /** Large enough to judge a pose by on the board, small enough to be read within a frame's time. */
    public static final PictureSize LARGEST = new PictureSize(1280, 720);

    private static final int MAGIC = 0x43545058;
    private static final int VERSION = 2;
    private static final int HEADER = 8;
    private static final int RECORD_HEAD = 14;

    /** The place of chroma is kept in so many parts of a sample. */
    private static final double SITE_PARTS = 64;

    private static final byte NO_MATRIX = -1;
    private static final int LARGEST_PICTURE = 1 << 26;
    private static final long NOT_MADE = -1;

    private final Path file;
    private final FileChannel channel;
    private final PictureSize displaySize;
    private final PictureTimes times;
    private final int turnDegrees;
    private final long[] places;
    private final IntraUnpacker unpacker = new IntraUnpacker();
    private final Object reading = new Object();
    private long end;
    private int made;
    private boolean closed;

    private Proxy(Path file, FileChannel channel, PictureSource source) throws IOException {
        this.file = file;
        this.channel = channel;
        this.displaySize = source.displaySize();
        this.times = source.times();
        this.turnDegrees = source.turnDegrees();
        this.places = new long[times.count()];
        Arrays.fill(places, NOT_MADE);
        takeUp();
    }

    /**
     * Opens the proxy of a source, or begins one.
     *
     * @throws IOException when the file can't be read or made
     */
    public static Proxy open(Path file, PictureSource source) throws IOException {
        FileChannel channel =
                FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
        try {
            return new Proxy(file, channel, source);
        } catch (IOException | RuntimeException e) {
            channel.close();
            throw e;
        }
    }

    public Path file() {
        return file;
    }

    @Override
    public PictureSize displaySize() {
        return displaySize;
    }

    @Override
    public PictureTimes times() {
        return times;
    }

    @Override
    public int turnDegrees() {
        return turnDegrees;
    }

    /** Whether picture n can be read by now. */
    @Override
    public synchronized boolean has(int n) {
        return !closed && n >= 0 && n < places.length && places[n] > 0;
    }

    /** Whether every picture is made, or known to be missing in the source. */
    public synchronized boolean isComplete() {
        return made == places.length;
    }

    /** Waits until picture n has been made, or the proxy is closed. @return whether it is there */
    public synchronized boolean await(int n) throws InterruptedException {
        while (places[n] == NOT_MADE && !closed) {
            wait();
        }
        return places[n] > 0;
    }

    @Override
    public Picture picture(int n) throws PictureUnavailableException {
        long place;
        synchronized (this) {
            if (!has(n)) {
                throw new PictureUnavailableException("The proxy has no picture " + n + " (counted from 0) yet.");
            }
            place = places[n];
        }
        synchronized (reading) {
            try {
                ByteBuffer head = read(place, RECORD_HEAD);
                int length = head.getInt(4);
                byte[] bytes = read(place + RECORD_HEAD, length).array();
                return unpacker.unpack(new Packed(bytes, IntraPacker.Kind.values()[head.get(8)], colour(head)));
            } catch (IOException e) {
                throw new PictureUnavailableException(
                        "The proxy " + file.getFileName() + " can't be read (" + e.getMessage() + ").", e);
            }
        }
    }

    /** Whether picture n still is to be made. */
    synchronized boolean lacks(int n) {
        return places[n] == NOT_MADE;
    }

    /** Adds a picture. */
    void add(int n, Packed packed) throws IOException {
        ByteBuffer record = ByteBuffer.allocate(RECORD_HEAD + packed.bytes().length);
        record.putInt(n)
                .putInt(packed.bytes().length)
                .put((byte) packed.kind().ordinal())
                .put(colour(packed.colour()))
                .put(packed.bytes());
        append(n, record.flip(), end);
    }

    private static byte[] colour(VideoColour colour) {
        return colour == null
                ? new byte[] {NO_MATRIX, 0, 0, 0, 0}
                : new byte[] {
                    (byte) colour.matrix().ordinal(),
                    (byte) (colour.fullRange() ? 1 : 0),
                    siteParts(colour.site().x()),
                    siteParts(colour.site().y()),
                    (byte) colour.light().ordinal()
                };
    }

    private static VideoColour colour(ByteBuffer head) {
        return head.get(9) == NO_MATRIX
                ? null
                : new VideoColour(
                        YuvMatrix.values()[head.get(9)],
                        head.get(10) != 0,
                        new ChromaSite(head.get(11) / SITE_PARTS, head.get(12) / SITE_PARTS),
                        VideoLight.values()[head.get(13)]);
    }

    private static byte siteParts(double site) {
        return (byte) Math.max(Byte.MIN_VALUE, Math.min(Byte.MAX_VALUE, Math.round(site * SITE_PARTS)));
    }

    /** Notes that the source could not give a picture. */
    void addMissing(int n) throws IOException {
        append(n, ByteBuffer.allocate(RECORD_HEAD).putInt(0, n), 0);
    }

    private void append(int n, ByteBuffer record, long place) throws IOException {
        int length = record.remaining();
        while (record.hasRemaining()) {
            channel.write(record, end + record.position());
        }
        synchronized (this) {
            end += length;
            places[n] = place;
            made++;
            notifyAll();
        }
    }

    @Override
    public void close() {
        synchronized (this) {
            if (closed) {
                return;
            }
            closed = true;
            notifyAll();
        }
        synchronized (reading) {
            unpacker.close();
            try {
                channel.close();
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        }
    }

    /** Finds what the file holds already; a torn end, or a file of another kind, is cut off and made anew. */
    private void takeUp() throws IOException {
        long size = channel.size();
        boolean ours = size >= HEADER
                && read(0, HEADER).getInt(0) == MAGIC
                && read(0, HEADER).getInt(4) == VERSION;
        if (!ours) {
            channel.truncate(0);
            channel.write(
                    ByteBuffer.allocate(HEADER).putInt(MAGIC).putInt(VERSION).flip(), 0);
            end = HEADER;
            return;
        }
        end = HEADER;
        while (end + RECORD_HEAD <= size) {
            ByteBuffer head = read(end, RECORD_HEAD);
            int n = head.getInt(0);
            int length = head.getInt(4);
            if (n < 0
                    || n >= places.length
                    || length < 0
                    || length > LARGEST_PICTURE
                    || !isKnown(head)
                    || end + RECORD_HEAD + length > size) {
                break;
            }
            made += places[n] == NOT_MADE ? 1 : 0;
            places[n] = length == 0 ? 0 : end;
            end += RECORD_HEAD + length;
        }
        channel.truncate(end);
    }

    private static boolean isKnown(ByteBuffer head) {
        return head.get(8) >= 0
                && head.get(8) < IntraPacker.Kind.values().length
                && head.get(9) >= NO_MATRIX
                && head.get(9) < YuvMatrix.values().length
                && head.get(13) >= 0
                && head.get(13) < VideoLight.values().length;
    }

    private ByteBuffer read(long place, int length) throws IOException {
        ByteBuffer bytes = ByteBuffer.allocate(length);
        while (bytes.hasRemaining()) {
            if (channel.read(bytes, place + bytes.position()) < 0) {
                throw new IOException("it ends too early");
            }
        }
        return bytes;
    }
}
