package chalktrace.media.export;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRate;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.WrittenFile;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.zip.CRC32;

/**
 * One picture that moves and loops, without loss and without sound, as browsers show it: an animated PNG after the PNG specification, third
 * edition (W3C 2025). Frames that look the same are written once and held.
 */
final class AnimatedPngExporter implements Exporter {

    private static final int SIGNATURE = 8;

    /** A delay is a fraction of two numbers of 16 bits. */
    private static final int LONGEST = 0xFFFF;

    @Override
    public String id() {
        return "apng";
    }

    @Override
    public String title() {
        return "Loop (animated PNG)";
    }

    @Override
    public List<String> endings() {
        return List.of(".apng");
    }

    @Override
    public List<Choice<?>> choices() {
        return List.of(Chosen.RANGE, Chosen.SIZE, Chosen.PAPER, Chosen.LEVELS, Chosen.FOOTAGE, Chosen.BURN_IN);
    }

    @Override
    public Outcome write(Shot shot, Path target, Choices choices, Progress progress)
            throws UnreadableException, UnwritableException, InterruptedException {
        try (ShotSources sources = ShotSources.open(shot, choices.get(Chosen.FOOTAGE));
                FrameFeed frames = new FrameFeed(shot, sources, choices);
                WrittenFile file = new WrittenFile(target)) {
            int total = frames.frames().frames();
            Held held = new Held(frames.size(), frames.isClear(), shot.setup().rate());
            // How many pictures there are stands before the first of them, so the body is written first.
            Path body = target.resolveSibling("." + target.getFileName() + ".frames");
            boolean complete = true;
            try {
                try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(body))) {
                    for (int f = 0; f < total && complete; f++) {
                        held.add(frames.next(), out);
                        complete = progress.at(f + 1, total);
                    }
                    held.flush(out);
                }
                if (complete) {
                    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file.path()))) {
                        held.head(out);
                        Files.copy(body, out);
                        chunk(out, "IEND", new byte[0]);
                    }
                    file.done();
                }
            } finally {
                Files.deleteIfExists(body);
            }
            return new Outcome(complete, total, sources.problems());
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", WrittenFile.KEPT, e);
        }
    }

    /** The picture that is held, until another comes. */
    private static final class Held {

        private final PictureSize size;
        private final boolean clear;
        private final FrameRate rate;
        private byte[] header;
        private int[] pixels;
        private int frames;
        private int sequence;
        private int pictures;

        Held(PictureSize size, boolean clear, FrameRate rate) {
            this.size = size;
            this.clear = clear;
            this.rate = rate;
        }

        void add(int[] next, OutputStream out) throws IOException {
            boolean longer = (frames + 1L) * rate.denominator() <= LONGEST;
            if (pixels != null && longer && Arrays.equals(pixels, next)) {
                frames++;
                return;
            }
            flush(out);
            pixels = next.clone();
            frames = 1;
        }

        void flush(OutputStream out) throws IOException {
            if (pixels == null) {
                return;
            }
            ByteArrayOutputStream png = new ByteArrayOutputStream();
            PngFiles.write(pixels, size, clear, png);
            control(out);
            ByteBuffer in = ByteBuffer.wrap(png.toByteArray()).position(SIGNATURE);
            while (in.hasRemaining()) {
                byte[] data = new byte[in.getInt()];
                byte[] type = new byte[4];
                in.get(type).get(data).getInt();
                String name = new String(type, StandardCharsets.US_ASCII);
                if (name.equals("IHDR")) {
                    header = data;
                } else if (name.equals("IDAT") && pictures == 0) {
                    chunk(out, "IDAT", data);
                } else if (name.equals("IDAT")) {
                    chunk(out, "fdAT", numbered(data));
                }
            }
            pictures++;
            pixels = null;
        }

        private void control(OutputStream out) throws IOException {
            ByteBuffer control = ByteBuffer.allocate(26);
            control.putInt(sequence++)
                    .putInt(size.width())
                    .putInt(size.height())
                    .putInt(0)
                    .putInt(0);
            control.putShort((short) (frames * rate.denominator())).putShort((short) rate.numerator());
            chunk(out, "fcTL", control.array());
        }

        private byte[] numbered(byte[] data) {
            return ByteBuffer.allocate(4 + data.length)
                    .putInt(sequence++)
                    .put(data)
                    .array();
        }

        /** Signature, size, and how many pictures there are, looped without end. */
        void head(OutputStream out) throws IOException {
            out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'});
            chunk(out, "IHDR", header);
            chunk(out, "acTL", ByteBuffer.allocate(8).putInt(pictures).putInt(0).array());
        }
    }

    private static void chunk(OutputStream out, String type, byte[] data) throws IOException {
        byte[] name = type.getBytes(StandardCharsets.US_ASCII);
        CRC32 crc = new CRC32();
        crc.update(name);
        crc.update(data);
        out.write(ByteBuffer.allocate(8).putInt(data.length).put(name).array());
        out.write(data);
        out.write(ByteBuffer.allocate(4).putInt((int) crc.getValue()).array());
    }
}
