package chalktrace.media.codec;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A part of an ISO base media file such as MP4 (ISO/IEC 14496-12, 4.2).
 *
 * @param type four letters
 * @param content behind the head; reading it moves no other's place
 */
record IsoBox(String type, ByteBuffer content) {

    private static final int HEAD_BYTES = 16;

    /** A table of contents larger than this is none. */
    private static final long MOST_BYTES = 64L << 20;

    /** The table of contents of a file; empty when it has none that can be read. */
    static Optional<IsoBox> movie(Path file) {
        try (FileChannel channel = FileChannel.open(file)) {
            ByteBuffer head = ByteBuffer.allocate(HEAD_BYTES);
            long at = 0;
            while (at + 8 <= channel.size()) {
                head.clear();
                channel.read(head, at);
                long size = head.getInt(0) & 0xFFFFFFFFL;
                int headBytes = size == 1 ? HEAD_BYTES : 8;
                size = size == 1 ? head.getLong(8) : size;
                String type = new String(head.array(), 4, 4, StandardCharsets.ISO_8859_1);
                if (size < headBytes) {
                    break;
                }
                if (type.equals("moov")) {
                    boolean whole = size <= MOST_BYTES && at + size <= channel.size();
                    return whole
                            ? Optional.of(read(channel, at + headBytes, (int) size - headBytes))
                            : Optional.empty();
                }
                at += size;
            }
        } catch (IOException e) {
            // Whoever opens it says so.
        }
        return Optional.empty();
    }

    private static IsoBox read(FileChannel channel, long at, int bytes) throws IOException {
        ByteBuffer content = ByteBuffer.allocate(bytes);
        while (content.hasRemaining() && channel.read(content, at + content.position()) >= 0) {
            // On to the rest.
        }
        return new IsoBox("moov", content.flip());
    }

    /** The parts in this one, as far as they are whole. */
    List<IsoBox> parts() {
        List<IsoBox> out = new ArrayList<>();
        ByteBuffer in = content.duplicate();
        while (in.remaining() >= 8) {
            int start = in.position();
            int size = in.getInt(start);
            if (size < 8 || size > in.remaining()) {
                break;
            }
            byte[] type = new byte[4];
            in.get(start + 4, type);
            out.add(new IsoBox(new String(type, StandardCharsets.ISO_8859_1), in.slice(start + 8, size - 8)));
            in.position(start + size);
        }
        return out;
    }

    Stream<IsoBox> parts(String wanted) {
        return parts().stream().filter(part -> part.type.equals(wanted));
    }

    /** The first part along a way down. */
    Optional<IsoBox> at(String... way) {
        Optional<IsoBox> out = Optional.of(this);
        for (String step : way) {
            out = out.flatMap(box -> box.parts(step).findFirst());
        }
        return out;
    }
}
