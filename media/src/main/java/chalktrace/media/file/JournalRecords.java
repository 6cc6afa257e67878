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

    /**
     * A part of the shot, a part that is gone, the end of what belongs together, the same where it equals the saved file, and a change of a
     * drawing.
     */
    enum Kind {
        PART,
        GONE,
        COMMIT,
        SAVED,
        CHANGE
    }

    private static final int MAGIC = 0x43544A31;
    private static final int HEAD = 4 + 1 + 2 + 4 + 4;

    /**
     * What a journal holds at its last commit.
     *
     * @param commits how many there are, those that were folded counted
     * @param damaged how many of its records can't be read
     */
    record Held(Map<String, Held.Part> parts, int commits, boolean saved, int damaged) {

        /** What the changes of a part are changes of. */
        enum Since {
            WHOLE,
            OF_THE_FILE,
            GONE
        }

        /**
         * @param bytes empty but for a whole one
         * @param changes of it, one after the other
         */
        record Part(Since since, byte[] bytes, List<byte[]> changes) {

            static final Part GONE = new Part(Since.GONE, new byte[0], List.of());

            static Part whole(byte[] bytes) {
                return new Part(Since.WHOLE, bytes, new ArrayList<>());
            }

            static Part ofTheFile() {
                return new Part(Since.OF_THE_FILE, new byte[0], new ArrayList<>());
            }

            boolean isGone() {
                return since == Since.GONE;
            }
        }

        boolean committed() {
            return commits > 0;
        }

        /** The records that say the same in the shortest way. */
        List<byte[]> records() {
            List<byte[]> all = new ArrayList<>();
            parts.forEach((key, part) -> {
                if (part.since != Since.OF_THE_FILE) {
                    all.add(record(part.isGone() ? Kind.GONE : Kind.PART, key, part.bytes));
                }
                part.changes.forEach(change -> all.add(record(Kind.CHANGE, key, change)));
            });
            byte[] count = ByteBuffer.allocate(Integer.BYTES).putInt(commits).array();
            all.add(record(saved ? Kind.SAVED : Kind.COMMIT, "", count));
            return all;
        }
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
        int commits = 0;
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
            byte[] body = body(file, at, nameLength, length);
            switch (kind) {
                case PART -> pending.add(() -> parts.put(key, Held.Part.whole(body)));
                case GONE -> pending.add(() -> parts.put(key, Held.Part.GONE));
                case CHANGE ->
                    pending.add(() -> {
                        Held.Part part = parts.computeIfAbsent(key, first -> Held.Part.ofTheFile());
                        if (!part.isGone()) {
                            part.changes.add(body);
                        }
                    });
                case COMMIT, SAVED -> {
                    pending.forEach(Runnable::run);
                    pending.clear();
                    // One that was folded says of how many it is.
                    commits +=
                            body.length == Integer.BYTES ? ByteBuffer.wrap(body).getInt() : 1;
                    saved = kind == Kind.SAVED;
                }
            }
            at += length;
        }
        // What breaks off at the end was being written: nothing that was committed is missing.
        return new Held(parts, commits, saved, skipping && damaged > 0 ? damaged - 1 : damaged);
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
