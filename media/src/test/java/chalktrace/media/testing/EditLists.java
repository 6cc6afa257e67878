package chalktrace.media.testing;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** Writes other lists of edits into MP4 files whose table stands at their end (ISO/IEC 14496-12, 8.6.6). */
public final class EditLists {

    private static final int TICKS = 1000;

    /** A part of each track, in seconds: how long it is seen, and from where on. */
    public record Part(double seconds, double from) {}

    private EditLists() {}

    /** @param bytes of a file whose movie counts thousandths of a second */
    public static byte[] write(byte[] bytes, Part... parts) {
        int movie = 0;
        while (!type(bytes, movie).equals("moov")) {
            movie += length(bytes, movie);
        }
        byte[] made = rebuilt(bytes, movie, parts);
        byte[] out = new byte[movie + made.length];
        System.arraycopy(bytes, 0, out, 0, movie);
        System.arraycopy(made, 0, out, movie, made.length);
        return out;
    }

    private static String type(byte[] bytes, int at) {
        return new String(bytes, at + 4, 4, StandardCharsets.ISO_8859_1);
    }

    private static int length(byte[] bytes, int at) {
        return ByteBuffer.wrap(bytes).getInt(at);
    }

    private static byte[] rebuilt(byte[] bytes, int at, Part... parts) {
        ByteBuffer out = ByteBuffer.allocate(length(bytes, at) + 1000);
        out.putInt(0).put(bytes, at + 4, 4);
        int end = at + length(bytes, at);
        for (int child = at + 8; child < end; child += length(bytes, child)) {
            switch (type(bytes, child)) {
                case "trak" -> out.put(rebuilt(bytes, child, parts));
                case "edts" -> {
                    // The other takes its place.
                }
                case "tkhd" -> out.put(bytes, child, length(bytes, child)).put(list(bytes, at, parts));
                default -> out.put(bytes, child, length(bytes, child));
            }
        }
        out.putInt(0, out.position());
        return Arrays.copyOf(out.array(), out.position());
    }

    private static byte[] list(byte[] bytes, int track, Part... parts) {
        String text = new String(bytes, track, length(bytes, track), StandardCharsets.ISO_8859_1);
        ByteBuffer in = ByteBuffer.wrap(bytes);
        int ticks = in.getInt(track + text.indexOf("mdhd") + 16);
        int before = text.indexOf("elst");
        // What the track itself leaves out before its first picture or sound.
        int first = before < 0 ? 0 : in.getInt(track + before + 16);
        int size = 16 + 12 * parts.length;
        ByteBuffer out = ByteBuffer.allocate(8 + size);
        out.putInt(8 + size).put("edts".getBytes(StandardCharsets.ISO_8859_1));
        out.putInt(size)
                .put("elst".getBytes(StandardCharsets.ISO_8859_1))
                .putInt(0)
                .putInt(parts.length);
        for (Part part : parts) {
            out.putInt((int) Math.round(part.seconds() * TICKS));
            out.putInt(first + (int) Math.round(part.from() * ticks)).putInt(0x10000);
        }
        return out.array();
    }
}
