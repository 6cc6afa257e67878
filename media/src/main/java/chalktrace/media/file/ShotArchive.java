package chalktrace.media.file;

import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.zip.CRC32;
import java.util.zip.ZipException;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;

/** The ZIP of a shot file, open for reading. Entries are only ever read by the names that the shot gives them. */
final class ShotArchive implements AutoCloseable {

    private static final int LARGEST_ENTRY_BYTES = 256 << 20;
    private static final int MOST_ENTRIES = 1_000_000;

    /** What is unpacked of all parts is no more than this and so many times the file; drawings pack to a tenth. */
    private static final long UNPACKED_BYTES = 64L << 20;

    private static final long UNPACKED_TIMES = 64;

    private final Path path;
    private final ZipFile zip;
    private final int parts;
    private long unpacked;
    private final long mostUnpacked;

    private ShotArchive(Path path, ZipFile zip) throws IOException {
        this.path = path;
        mostUnpacked = UNPACKED_BYTES + UNPACKED_TIMES * Files.size(path);
        this.zip = zip;
        this.parts = Collections.list(zip.getEntries()).size();
    }

    static ShotArchive open(Path path) throws UnreadableException {
        if (!Files.exists(path)) {
            throw UnreadableException.of(
                    path, "is not there (" + path.toAbsolutePath() + ")", "Was it moved or renamed?");
        }
        if (Files.isDirectory(path)) {
            throw UnreadableException.of(path, "is a folder", "Choose a shot file.");
        }
        try {
            ShotArchive archive = new ShotArchive(
                    path,
                    ZipFile.builder()
                            .setPath(path)
                            .setIgnoreLocalFileHeader(true)
                            .get());
            if (archive.parts > MOST_ENTRIES) {
                archive.close();
                throw UnreadableException.of(path, "holds too many parts", "Choose a shot file.");
            }
            return archive;
        } catch (IOException | RuntimeException e) {
            throw UnreadableException.of(path, whatIsWrong(path), "Take an earlier copy, or copy it again.", e);
        }
    }

    /** How many parts it holds. */
    int parts() {
        return parts;
    }

    byte[] read(String name) throws UnreadableException {
        return part(name).bytes;
    }

    /** A part as it is, and as it lies in the file. */
    record Part(byte[] bytes, Packed packed) {}

    /** @param size of what it holds, @param isDeflated whether it is packed as parts are here */
    record Packed(byte[] bytes, long size, long crc, boolean isDeflated) {}

    Part part(String name) throws UnreadableException {
        ZipArchiveEntry entry = zip.getEntry(name);
        if (entry == null) {
            throw UnreadableException.of(
                    path,
                    name.equals(ShotFile.DOCUMENT) ? "is no shot of Chalk Trace" : "lacks the part " + name,
                    "Choose a file that was saved as a " + ShotFile.ENDING + " shot.");
        }
        try (InputStream raw = zip.getRawInputStream(entry);
                InputStream in = zip.getInputStream(entry)) {
            int most = (int) Math.min(LARGEST_ENTRY_BYTES, mostUnpacked - unpacked);
            byte[] bytes = in.readNBytes(most);
            if (bytes.length == most) {
                throw UnreadableException.of(path, "has a part of absurd size (" + name + ")", "Take an earlier copy.");
            }
            unpacked += bytes.length;
            CRC32 sum = new CRC32();
            sum.update(bytes);
            if (entry.getCrc() >= 0 && sum.getValue() != entry.getCrc()) {
                throw new ZipException("its sum is wrong");
            }
            Packed packed = new Packed(
                    raw.readAllBytes(), bytes.length, sum.getValue(), entry.getMethod() == ZipArchiveEntry.DEFLATED);
            return new Part(bytes, packed);
        } catch (IOException | RuntimeException e) {
            throw UnreadableException.of(path, "is damaged in its part " + name, "Take an earlier copy.", e);
        }
    }

    @Override
    public void close() {
        try {
            zip.close();
        } catch (IOException e) {
            // All that was wanted has been read.
        }
    }

    private static String whatIsWrong(Path path) {
        if (!Files.isReadable(path)) {
            return "may not be read by this user";
        }
        try (InputStream in = Files.newInputStream(path)) {
            byte[] start = in.readNBytes(2);
            if (start.length == 0) {
                return "is empty (0 bytes)";
            }
            return start.length == 2 && start[0] == 'P' && start[1] == 'K'
                    ? "is cut short or damaged: the table at its end is missing"
                    : "is no shot of Chalk Trace";
        } catch (IOException e) {
            return "can't be read (" + e.getMessage() + ")";
        }
    }
}
