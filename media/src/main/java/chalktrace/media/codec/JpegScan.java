package chalktrace.media.codec;

/**
 * Reads the coefficients of a baseline JPEG without making a picture of them, to see whether they end where the file says (ITU-T T.81, annexes B, F
 * and K). A decoder takes whatever the codes say; after damage they say too much or too little before the next marker. Damage that leaves the
 * codes in step can't be known.
 */
final class JpegScan {

    private static final int START_OF_IMAGE = 0xD8;
    private static final int END_OF_IMAGE = 0xD9;
    private static final int START_OF_SCAN = 0xDA;
    private static final int TABLES = 0xC4;
    private static final int INTERVAL = 0xDD;
    private static final int BASELINE = 0xC0;
    private static final int EXTENDED = 0xC1;

    /** Some writers leave bytes over before a marker; more than this is damage. */
    private static final int MOST_LEFT_OVER = 3;

    private static final int PEEK = 9;

    /** Table K.3 to K.6: how many codes of each length, and what they mean; files without tables mean these. */
    private static final String[] USUAL = {
        "00010501010101010100000000000000" + "000102030405060708090a0b",
        "0002010303020403050504040000017d" + "01020300041105122131410613516107227114328191a1082342b1c11552d1f0"
                + "2433627282090a161718191a25262728292a3435363738393a434445464748494a535455565758595a636465666768696a"
                + "737475767778797a838485868788898a92939495969798999aa2a3a4a5a6a7a8a9aab2b3b4b5b6b7b8b9bac2c3c4c5c6"
                + "c7c8c9cad2d3d4d5d6d7d8d9dae1e2e3e4e5e6e7e8e9eaf1f2f3f4f5f6f7f8f9fa",
        "00030101010101010101010000000000" + "000102030405060708090a0b",
        "00020102040403040705040400010277" + "000102031104052131061241510761711322328108144291a1b1c109233352f0"
                + "156272d10a162434e125f11718191a262728292a35363738393a434445464748494a535455565758595a636465666768"
                + "696a737475767778797a82838485868788898a92939495969798999aa2a3a4a5a6a7a8a9aab2b3b4b5b6b7b8b9bac2c3"
                + "c4c5c6c7c8c9cad2d3d4d5d6d7d8d9dae2e3e4e5e6e7e8e9eaf2f3f4f5f6f7f8f9fa"
    };

    /** A Huffman table: for the next 9 bits length and meaning of a code that is no longer, and all codes by length. */
    private static final class Codes {

        private final int[] quick = new int[1 << PEEK];
        private final int[] most = new int[17];
        private final int[] from = new int[17];
        private final int[] meaning = new int[256];

        /** @return where the table ends */
        int read(byte[] bytes, int at) {
            int code = 0;
            int count = 0;
            for (int length = 1; length <= 16; length++) {
                int many = bytes[at + length - 1] & 255;
                from[length] = count - code;
                for (int i = 0; i < many && count < 256; i++, count++) {
                    meaning[count] = bytes[at + 16 + count] & 255;
                    for (int k = 0; length <= PEEK && k < 1 << PEEK - length; k++) {
                        int slot = (code << PEEK - length | k) & (1 << PEEK) - 1;
                        quick[slot] = length << 8 | meaning[count];
                    }
                    code++;
                }
                most[length] = many == 0 ? -1 : code - 1;
                code <<= 1;
            }
            return at + 16 + count;
        }
    }

    private record Component(int id, int across, int down) {}

    private static final class Damaged extends RuntimeException {
        Damaged() {
            super(null, null, false, false);
        }
    }

    private final byte[] bytes;
    private final Codes[] codes = new Codes[8];
    private Component[] components = new Component[0];
    private int width;
    private int height;
    private int interval;
    private boolean readable;
    private int at;

    /** Bits of the scan that are read but not used, the next one highest. */
    private long bits;

    private int bitCount;

    private JpegScan(byte[] bytes) {
        this.bytes = bytes;
        for (int i = 0; i < USUAL.length; i++) {
            byte[] usual = new byte[16 + 256];
            for (int k = 0; 2 * k < USUAL[i].length(); k++) {
                usual[k] = (byte) Integer.parseInt(USUAL[i].substring(2 * k, 2 * k + 2), 16);
            }
            int table = (i & 1) << 2 | i >> 1;
            codes[table] = new Codes();
            codes[table].read(usual, 0);
        }
    }

    /** Whether bytes are one or more JPEGs of which one is plainly damaged; of what is no baseline JPEG that is not known. */
    static boolean isDamaged(byte[] bytes) {
        if (bytes.length < 4 || (bytes[0] & 255) != 0xFF || (bytes[1] & 255) != START_OF_IMAGE) {
            return false;
        }
        try {
            new JpegScan(bytes).read();
            return false;
        } catch (Damaged | ArrayIndexOutOfBoundsException e) {
            return true;
        }
    }

    private void read() {
        at = 2;
        boolean ended = false;
        while (!ended && at + 4 <= bytes.length) {
            int marker = marker();
            if (marker == END_OF_IMAGE) {
                // The second of two interlaced pictures may follow.
                if (at + 1 >= bytes.length || (bytes[at] & 255) != 0xFF || (bytes[at + 1] & 255) != START_OF_IMAGE) {
                    return;
                }
                at += 2;
                readable = false;
                interval = 0;
                continue;
            }
            int length = (bytes[at] & 255) << 8 | bytes[at + 1] & 255;
            int next = at + length;
            switch (marker) {
                case BASELINE, EXTENDED -> frame(at + 2);
                case TABLES -> tables(at + 2, next);
                case INTERVAL -> interval = (bytes[at + 2] & 255) << 8 | bytes[at + 3] & 255;
                case START_OF_SCAN -> {
                    if (!readable) {
                        return;
                    }
                    scan(at + 2, next);
                    next = at;
                }
                default -> ended = marker >= 0xC2 && marker <= 0xCF && marker != 0xC8 && marker != 0xCC;
            }
            at = next;
        }
    }

    /** Goes on to behind the next marker. */
    private int marker() {
        while ((bytes[at] & 255) != 0xFF) {
            at++;
        }
        while ((bytes[at] & 255) == 0xFF) {
            at++;
        }
        return bytes[at++] & 255;
    }

    private void frame(int from) {
        height = (bytes[from + 1] & 255) << 8 | bytes[from + 2] & 255;
        width = (bytes[from + 3] & 255) << 8 | bytes[from + 4] & 255;
        components = new Component[bytes[from + 5] & 255];
        readable = (bytes[from] & 255) == 8 && height > 0 && width > 0;
        for (int i = 0; i < components.length; i++) {
            int k = from + 6 + 3 * i;
            components[i] = new Component(bytes[k] & 255, (bytes[k + 1] & 255) >> 4, bytes[k + 1] & 15);
            readable &= components[i].across() > 0 && components[i].down() > 0;
        }
    }

    private void tables(int from, int to) {
        int k = from;
        while (k + 17 <= to) {
            int table = bytes[k] >> 4 & 1;
            int slot = table << 2 | bytes[k] & 3;
            codes[slot] = new Codes();
            k = codes[slot].read(bytes, k + 1);
        }
    }

    private void scan(int from, int to) {
        int count = bytes[from] & 255;
        int mostAcross = 1;
        int mostDown = 1;
        for (Component component : components) {
            mostAcross = Math.max(mostAcross, component.across());
            mostDown = Math.max(mostDown, component.down());
        }
        int[] blocks = new int[count];
        Codes[] first = new Codes[count];
        Codes[] others = new Codes[count];
        Component alone = null;
        for (int i = 0; i < count; i++) {
            int id = bytes[from + 1 + 2 * i] & 255;
            int tables = bytes[from + 2 + 2 * i] & 255;
            first[i] = codes[tables >> 4 & 3];
            others[i] = codes[4 | tables & 3];
            for (Component component : components) {
                if (component.id() == id) {
                    blocks[i] = count == 1 ? 1 : component.across() * component.down();
                    alone = component;
                }
            }
            if (first[i] == null || others[i] == null || blocks[i] == 0) {
                throw new Damaged();
            }
        }
        long wide = 8L * mostAcross;
        long tall = 8L * mostDown;
        long units = ceil(width, wide) * ceil(height, tall);
        if (count == 1) {
            units = ceil((width * (long) alone.across() + mostAcross - 1) / mostAcross, 8)
                    * ceil((height * (long) alone.down() + mostDown - 1) / mostDown, 8);
        }
        at = to;
        bits = 0;
        bitCount = 0;
        for (long unit = 0; unit < units; unit++) {
            if (interval > 0 && unit > 0 && unit % interval == 0) {
                endOfPart();
                int marker = marker();
                if (marker < 0xD0 || marker > 0xD7) {
                    throw new Damaged();
                }
            }
            for (int i = 0; i < count; i++) {
                for (int block = 0; block < blocks[i]; block++) {
                    block(first[i], others[i]);
                }
            }
        }
        endOfPart();
    }

    private static long ceil(long a, long b) {
        return (a + b - 1) / b;
    }

    private void block(Codes first, Codes others) {
        int size = next(first);
        if (size > 11) {
            throw new Damaged();
        }
        skip(size);
        for (int k = 1; k < 64; k++) {
            int code = next(others);
            int zeros = code >> 4;
            int bitsOfIt = code & 15;
            if (bitsOfIt == 0) {
                if (zeros != 15) {
                    break;
                }
                k += 15;
            } else {
                k += zeros;
                if (k > 63 || bitsOfIt > 10) {
                    throw new Damaged();
                }
                skip(bitsOfIt);
            }
        }
    }

    private int next(Codes table) {
        fill();
        int peek = (int) (bits >>> 64 - PEEK);
        int quick = table.quick[peek];
        if (quick != 0) {
            skip(quick >> 8);
            return quick & 255;
        }
        for (int length = PEEK + 1; length <= 16; length++) {
            int code = (int) (bits >>> 64 - length);
            if (table.most[length] >= 0 && code <= table.most[length]) {
                int index = table.from[length] + code;
                if (index >= 0 && index < 256) {
                    skip(length);
                    return table.meaning[index];
                }
            }
        }
        throw new Damaged();
    }

    private void skip(int count) {
        if (bitCount < count) {
            fill();
            if (bitCount < count) {
                throw new Damaged();
            }
        }
        bits <<= count;
        bitCount -= count;
    }

    /** Takes in whole bytes up to the next marker; a stuffed zero after 255 is none. */
    private void fill() {
        while (bitCount <= 56 && at < bytes.length) {
            int b = bytes[at] & 255;
            if (b == 0xFF) {
                if (at + 1 >= bytes.length || bytes[at + 1] != 0) {
                    return;
                }
                at++;
            }
            at++;
            bits |= (long) b << 56 - bitCount;
            bitCount += 8;
        }
    }

    /** At a marker nothing may be left over but bits that fill a byte, and few bytes. */
    private void endOfPart() {
        int left = bitCount / 8;
        while (left <= MOST_LEFT_OVER && at + 1 < bytes.length && !((bytes[at] & 255) == 0xFF && bytes[at + 1] != 0)) {
            at++;
            left++;
        }
        if (left > MOST_LEFT_OVER || at + 1 >= bytes.length) {
            throw new Damaged();
        }
        bits = 0;
        bitCount = 0;
    }
}
