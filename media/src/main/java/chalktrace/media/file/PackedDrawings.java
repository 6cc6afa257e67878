package chalktrace.media.file;

import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.ZipEntry;
import org.apache.commons.compress.archivers.zip.Zip64Mode;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;

/**
 * The drawings as they were opened or saved last, in their packed form: a drawing that is still the same object, in the same chalks, is
 * written again without packing it again.
 */
final class PackedDrawings {

    private record Packed(byte[] deflated, long size, long crc, List<Chalk> chalks) {}

    private Map<Drawing, Packed> last = new IdentityHashMap<>();

    /** Takes drawings as they lie in the file from which they were read. @param chalks of that file's shot */
    void put(Map<Drawing, ShotArchive.Packed> read, List<Chalk> chalks) {
        read.forEach((drawing, part) -> {
            if (part.isDeflated()) {
                last.put(drawing, new Packed(part.bytes(), part.size(), part.crc(), chalks));
            }
        });
    }

    /** Writes the whole archive; {@code out} is left open. */
    void write(Shot shot, byte[] document, OutputStream out) throws IOException {
        Map<Drawing, Packed> now = new IdentityHashMap<>();
        try (ZipArchiveOutputStream zip = new ZipArchiveOutputStream(out)) {
            zip.setUseZip64(Zip64Mode.AsNeeded);
            put(zip, ShotFile.DOCUMENT, pack(document, List.of()));
            for (Level level : shot.levels()) {
                for (Drawing drawing : level.drawings()) {
                    Packed known = last.get(drawing);
                    Packed packed = known != null && known.chalks.equals(shot.chalks())
                            ? known
                            : pack(DrawingSvg.write(drawing, shot.setup().size(), shot::chalk), shot.chalks());
                    now.put(drawing, packed);
                    put(zip, ShotFile.entryOf(level, drawing), packed);
                }
            }
        }
        last = now;
    }

    private static void put(ZipArchiveOutputStream zip, String name, Packed packed) throws IOException {
        ZipArchiveEntry entry = new ZipArchiveEntry(name);
        entry.setMethod(ZipEntry.DEFLATED);
        entry.setSize(packed.size);
        entry.setCompressedSize(packed.deflated.length);
        entry.setCrc(packed.crc);
        // A fixed time: the same shot gives the same bytes.
        entry.setTime(0);
        zip.addRawArchiveEntry(entry, new ByteArrayInputStream(packed.deflated));
    }

    private static Packed pack(byte[] bytes, List<Chalk> chalks) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Deflater deflater = new Deflater(Deflater.DEFAULT_COMPRESSION, true);
        try (DeflaterOutputStream deflating = new DeflaterOutputStream(out, deflater)) {
            deflating.write(bytes);
        } finally {
            deflater.end();
        }
        CRC32 crc = new CRC32();
        crc.update(bytes);
        return new Packed(out.toByteArray(), bytes.length, crc.getValue(), chalks);
    }
}
