package chalktrace.media.codec;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;

/**
 * Whether an OpenEXR picture ends before all pieces that its table lists, which decoders leave black without a word (Academy Software Foundation,
 * "OpenEXR File Layout").
 */
final class ExrEnd {

    private static final int MAGIC = 20000630;
    private static final int TILED = 0x200;

    /** Parts that are deep, or several, have other tables. */
    private static final int OTHER_TABLES = 0x800 | 0x1000;

    private static final int LONGEST_HEAD = 1 << 20;

    private ExrEnd() {}

    static boolean isMissing(Path file) {
        try (FileChannel channel = FileChannel.open(file)) {
            long size = channel.size();
            ByteBuffer start = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN);
            // Of other pictures no more is read.
            if (channel.read(start, 0) < 4 || start.getInt(0) != MAGIC) {
                return false;
            }
            ByteBuffer head =
                    ByteBuffer.allocate((int) Math.min(size, LONGEST_HEAD)).order(ByteOrder.LITTLE_ENDIAN);
            channel.read(head, 0);
            head.flip();
            head.getInt();
            int flags = head.getInt();
            if ((flags & OTHER_TABLES) != 0) {
                return false;
            }
            skipAttributes(head);
            return isAnyMissing(channel, head, (flags & TILED) != 0 ? 16 : 4, size);
        } catch (IOException e) {
            return false;
        } catch (RuntimeException e) {
            // It ends within its head or its table.
            return true;
        }
    }

    private static void skipAttributes(ByteBuffer head) {
        while (skipName(head) > 0) {
            skipName(head);
            int size = head.getInt();
            head.position(head.position() + size);
        }
    }

    /** @return its length */
    private static int skipName(ByteBuffer head) {
        int length = 0;
        while (head.get() != 0) {
            length++;
        }
        return length;
    }

    /** The table reaches to the first piece. @param place bytes before a piece's size */
    private static boolean isAnyMissing(FileChannel channel, ByteBuffer head, int place, long size) throws IOException {
        long first = head.getLong(head.position());
        long count = (first - head.position()) / 8;
        if (count <= 0 || first > size) {
            return true;
        }
        ByteBuffer piece = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < count; i++) {
            long at = head.getLong();
            piece.clear();
            if (at <= 0 || channel.read(piece, at + place) < 4 || at + place + 4 + piece.getInt(0) > size) {
                return true;
            }
        }
        return false;
    }
}
