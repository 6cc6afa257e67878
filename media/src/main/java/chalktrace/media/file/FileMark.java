package chalktrace.media.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;

/**
 * What tells the states of a shot file apart without reading it whole: its length, and a SHA-256 of the directory at its end, in which each
 * part has its length and its sum (ZIP, APPNOTE 4.3.12 and 4.3.16). Of a file without such a directory, which is no shot, it is that of its end.
 */
public record FileMark(long bytes, String sum) {

    private static final int END_BYTES = 22;
    private static final int MOST_COMMENT_BYTES = 0xFFFF;
    private static final int END_MAGIC = 0x06054b50;
    private static final long ELSEWHERE = 0xFFFFFFFFL;
    private static final int BLOCK_BYTES = 1 << 16;

    /** @throws IOException when it can't be read */
    public static FileMark of(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            MessageDigest sum = MessageDigest.getInstance("SHA-256");
            long size = channel.size();
            channel.position(directory(channel, size));
            ByteBuffer block = ByteBuffer.allocate(BLOCK_BYTES);
            while (channel.read(block) >= 0) {
                sum.update(block.flip());
                block.clear();
            }
            return new FileMark(size, HexFormat.of().formatHex(sum.digest()));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /** Empty when it can't be read. */
    static Optional<FileMark> ifAny(Path file) {
        try {
            return Optional.of(of(file));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** Where the directory starts; not far before the end where none is found. */
    private static long directory(FileChannel channel, long size) throws IOException {
        int length = (int) Math.min(size, END_BYTES + MOST_COMMENT_BYTES);
        ByteBuffer end = ByteBuffer.allocate(length).order(ByteOrder.LITTLE_ENDIAN);
        while (end.hasRemaining() && channel.read(end, size - length + end.position()) >= 0) {
            continue;
        }
        for (int at = length - END_BYTES; at >= 0; at--) {
            if (end.getInt(at) == END_MAGIC) {
                long start = Integer.toUnsignedLong(end.getInt(at + 16));
                return start < ELSEWHERE && start <= size ? start : size - length;
            }
        }
        return size - length;
    }
}
