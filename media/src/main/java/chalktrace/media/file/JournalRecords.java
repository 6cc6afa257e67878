package chalktrace.media.file;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32C;

/**
 * The records of a journal, one after the other: each has a magic word, its kind, the lengths of its key and its body, and a CRC-32C (RFC 3720,
 * Castagnoli) over all of that. A commit ends what belongs together; what follows the last commit counts for nothing. A record that is
 * damaged is skipped: reading goes on at the next magic word.
 */
final class JournalRecords {

    /** A part of the shot, a part that is gone, the end of what belongs together, and the same where it equals the saved file. */
    enum Kind {
        PART,
        GONE,
        COMMIT,
        SAVED
    }

    private static final int MAGIC = 0x43544A31;
    private static final int HEAD = 4 + 1 + 2 + 4 + 4;

    /** What a journal holds at its last commit. @param damaged how many of its records can't be read */
    record Held(Map<String, Held.Part> parts, boolean committed, boolean saved, int damaged) {

        /** @param bytes null for one that is gone, @param at where its record starts */
        record Part(byte[] bytes, long at, int length) {}
    }

    private JournalRecords() {}

    static byte[] record(Kind kind, String key, byte[] body) {
        byte[] name = key.getBytes(StandardCharsets.UTF_8);
        ByteBuffer out = ByteBuffer.allocate(HEAD + name.length + body.length);
        out.putInt(MAGIC)
                .put((byte) kind.ordinal())
                .putShort((short) name.length)
                .putInt(body.length);
        out.putInt(0).put(name).put(body);
        out.putInt(HEAD - 4, check(out.array(), 0, out.capacity()));
        return out.array();
    }

    static Held read(byte[] file) {
        Map<String, Held.Part> parts = new LinkedHashMap<>();
        List<Runnable> pending = new ArrayList<>();
        boolean committed = false;
        boolean saved = false;
        int damaged = 0;
        boolean skipping = false;
        ByteBuffer in = ByteBuffer.wrap(file);
        int at = 0;
        while (at + HEAD <= file.length) {
            int length = lengthOf(in, at);
            if (length < 0) {
                damaged += skipping ? 0 : 1;
                skipping = true;
                at++;
                continue;
            }
            skipping = false;
            Kind kind = Kind.values()[in.get(at + 4)];
            int nameLength = Short.toUnsignedInt(in.getShort(at + 5));
            String key = new String(file, at + HEAD, nameLength, StandardCharsets.UTF_8);
            switch (kind) {
                case PART, GONE -> {
                    byte[] body = kind == Kind.GONE ? null : body(file, at, nameLength, length);
                    Held.Part part = new Held.Part(body, at, length);
                    pending.add(() -> parts.put(key, part));
                }
                case COMMIT, SAVED -> {
                    pending.forEach(Runnable::run);
                    pending.clear();
                    committed = true;
                    saved = kind == Kind.SAVED;
                }
            }
            at += length;
        }
        // What breaks off at the end was being written: nothing that was committed is missing.
        return new Held(parts, committed, saved, skipping && damaged > 0 ? damaged - 1 : damaged);
    }

    private static byte[] body(byte[] file, int at, int nameLength, int length) {
        byte[] body = new byte[length - HEAD - nameLength];
        System.arraycopy(file, at + HEAD + nameLength, body, 0, body.length);
        return body;
    }

    /** How long a whole record is; negative where none starts. */
    private static int lengthOf(ByteBuffer in, int at) {
        if (in.getInt(at) != MAGIC || in.get(at + 4) < 0 || in.get(at + 4) >= Kind.values().length) {
            return -1;
        }
        long length = (long) HEAD + Short.toUnsignedInt(in.getShort(at + 5)) + in.getInt(at + 7);
        if (in.getInt(at + 7) < 0 || at + length > in.capacity()) {
            return -1;
        }
        return in.getInt(at + HEAD - 4) == check(in.array(), at, (int) length) ? (int) length : -1;
    }

    /** Of a record without its own check. */
    private static int check(byte[] bytes, int at, int length) {
        CRC32C crc = new CRC32C();
        crc.update(bytes, at, HEAD - 4);
        crc.update(bytes, at + HEAD, length - HEAD);
        return (int) crc.getValue();
    }
}
