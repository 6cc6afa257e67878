package chalktrace.media.codec;

import chalktrace.core.sound.PcmBuffer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.FloatBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Takes samples as they are decoded: a few minutes in memory, more in a file that only this program sees and that goes
 * with it. Silence in such a file takes no room.
 */
final class SoundStore implements AutoCloseable {

    /** Samples of all channels: three minutes of two channels. */
    private static final int MOST_IN_MEMORY = 1 << 24;

    private final List<FloatBuffer> mapped = new ArrayList<>();
    private float[] memory = new float[1 << 16];
    private ByteBuffer bytes;
    private FileChannel file;
    private long count;

    /** How many samples there are. */
    long count() {
        return count;
    }

    void add(float[] samples, int n) throws IOException {
        if (makeRoom(n)) {
            System.arraycopy(samples, 0, memory, (int) count, n);
        } else {
            bytes = bytes == null || bytes.capacity() < n * Float.BYTES
                    ? ByteBuffer.allocateDirect(n * Float.BYTES).order(ByteOrder.nativeOrder())
                    : bytes;
            bytes.clear().limit(n * Float.BYTES);
            bytes.asFloatBuffer().put(samples, 0, n);
            write(bytes, count);
        }
        count += n;
    }

    void addSilence(long n) throws IOException {
        makeRoom(n);
        count += n;
    }

    /** All samples so far; nothing may be added afterwards. */
    PcmBuffer finish(int sampleRate, int channels) throws IOException {
        if (file == null) {
            return new PcmBuffer(sampleRate, channels, Arrays.copyOf(memory, (int) count));
        }
        if (file.size() < count * Float.BYTES) {
            write(ByteBuffer.allocate(Float.BYTES), count - 1);
        }
        for (long from = 0; from < count; from += PcmBuffer.PIECE) {
            long size = Math.min(PcmBuffer.PIECE, count - from) * Float.BYTES;
            mapped.add(file.map(FileChannel.MapMode.READ_ONLY, from * Float.BYTES, size)
                    .order(ByteOrder.nativeOrder())
                    .asFloatBuffer());
        }
        return new PcmBuffer(sampleRate, channels, count, mapped);
    }

    /** Mapped samples stay readable. */
    @Override
    public void close() {
        if (file != null) {
            try {
                file.close();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** @return whether the samples go into memory */
    private boolean makeRoom(long n) throws IOException {
        if (file == null && count + n > MOST_IN_MEMORY) {
            Path path = Files.createTempFile("chalk-trace", ".sound");
            path.toFile().deleteOnExit();
            file = FileChannel.open(
                    path, StandardOpenOption.READ, StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE);
            float[] before = memory;
            memory = new float[0];
            long all = count;
            count = 0;
            add(before, (int) all);
        }
        if (file == null && count + n > memory.length) {
            memory = Arrays.copyOf(memory, (int) Math.min(MOST_IN_MEMORY, Math.max(count + n, 2L * memory.length)));
        }
        return file == null;
    }

    private void write(ByteBuffer from, long atSample) throws IOException {
        long place = atSample * Float.BYTES;
        while (from.hasRemaining()) {
            place += file.write(from, place);
        }
    }
}
