package chalktrace.media.footage;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;

/**
 * What tells a file by what is in it, whatever it is called: its size, and a digest (SHA-256, cut to 16 bytes) of pieces
 * at its start, middle and end. Two files of one mark are taken for copies.
 *
 * @param bytes its size
 * @param digest 32 hexadecimal digits
 */
public record ContentMark(long bytes, String digest) {

    private static final int PIECE = 1 << 16;
    private static final int DIGEST_BYTES = 16;

    /** The mark of a file; empty when it is not there, is a folder, or can't be read. */
    public static Optional<ContentMark> of(Path file) {
        if (!Files.isRegularFile(file)) {
            return Optional.empty();
        }
        try (FileChannel channel = FileChannel.open(file)) {
            long size = channel.size();
            MessageDigest digest = sha256();
            ByteBuffer piece = ByteBuffer.allocate(PIECE);
            for (long at : new long[] {0, Math.max(0, size / 2 - PIECE / 2), Math.max(0, size - PIECE)}) {
                piece.clear();
                channel.read(piece, at);
                digest.update(piece.flip());
            }
            return Optional.of(new ContentMark(size, HexFormat.of().formatHex(digest.digest(), 0, DIGEST_BYTES)));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new AssertionError("every Java has SHA-256", e);
        }
    }
}
