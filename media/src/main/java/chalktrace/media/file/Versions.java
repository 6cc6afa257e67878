package chalktrace.media.file;

import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import org.apache.commons.compress.archivers.zip.Zip64Mode;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;

/**
 * The states that a shot file had before it was saved over. Each is a list of the file's parts; a part that several have is there once,
 * named by the SHA-256 of what it holds, so that a version costs what changed. They lie in a folder beside the shot. Versions are thinned out with age; those
 * that somebody named stay.
 */
public final class Versions {

    private static final Logger LOG = Logger.getLogger(Versions.class.getName());
    private static final ObjectMapper JSON = new ObjectMapper();

    private static final String LIST = ".json";

    /** Beside that what it consists of, which is long and seldom asked for. */
    private static final String PARTS = ".parts";

    private static final String PENDING = ".before";
    private static final String FOLDER = ".versions";
    private static final String SUM = "[0-9a-f]{64}";
    private static final String WHOSE = "whose";
    private static final String TEMPORARY = ".writing-";

    /** Of two versions that are at most so old, one of each such span is kept. */
    private static final Map<Duration, Duration> ONE_OF = Map.of(
            Duration.ofHours(2), Duration.ZERO,
            Duration.ofDays(1), Duration.ofMinutes(10),
            Duration.ofDays(7), Duration.ofHours(1),
            Duration.ofDays(60), Duration.ofDays(1),
            Duration.ofDays(100_000), Duration.ofDays(7));

    private final Path shot;
    private final Path folder;

    /** @param shot the shot file */
    public Versions(Path shot) {
        this.shot = WholeFiles.real(shot);
        folder = this.shot.resolveSibling("." + this.shot.getFileName() + FOLDER);
    }

    /**
     * A state that the shot had.
     *
     * @param saved when it was saved
     * @param name that somebody gave it; empty for none
     * @param words what the save after it changed
     * @param picture a small PNG of it; empty for none
     */
    public record Version(String id, Instant saved, String name, String words, byte[] picture) {}

    /** The file as it is before a save. */
    public final class Before {
        private final Path link;
        private final Instant saved;

        private Before(Path link, Instant saved) {
            this.link = link;
            this.saved = saved;
        }

        /** The save was not made. */
        public void drop() {
            Leftover.removeQuietly(link);
        }

        /**
         * The save was made: what was before is a version.
         *
         * @param words what the save changed
         * @param picture a small PNG of what was before
         */
        public void keep(String words, byte[] picture) throws IOException {
            // Also named as pending it is a version, should this be cut short.
            take(link, saved, words, picture);
            Files.deleteIfExists(link);
            sayWhose();
        }
    }

    /** Writes down which file these are versions of, so that they are found again when it is renamed. */
    private void sayWhose() throws IOException {
        FileMark mark = FileMark.of(shot);
        whole(
                folder.resolve(WHOSE),
                JSON.writeValueAsBytes(JSON.createObjectNode()
                        .put("file", shot.getFileName().toString())
                        .put("bytes", mark.bytes())
                        .put("sum", mark.sum())
                        .put("key", WholeFiles.key(shot).orElse(null))));
    }

    /** Takes the versions along that the shot had under another name beside this one. */
    private void takeAlong() {
        if (Files.exists(folder) || !Files.isRegularFile(shot)) {
            return;
        }
        Optional<FileMark> mark = FileMark.ifAny(shot);
        try (Stream<Path> beside = Files.list(shot.getParent())) {
            List<Path> others = beside.filter(
                            path -> path.getFileName().toString().endsWith(FOLDER))
                    .toList();
            for (Path other : others) {
                if (Files.exists(other.resolve(WHOSE))) {
                    JsonNode whose = JSON.readTree(Files.readAllBytes(other.resolve(WHOSE)));
                    boolean isThis = mark.equals(Optional.of(new FileMark(
                                    whose.path("bytes").asLong(),
                                    whose.path("sum").asText())))
                            && WholeFiles.key(shot)
                                    .equals(Optional.ofNullable(
                                            whose.path("key").asText(null)));
                    if (isThis
                            && !Files.exists(
                                    shot.resolveSibling(whose.path("file").asText()))) {
                        Files.move(other, folder);
                        return;
                    }
                }
            }
        } catch (IOException | RuntimeException e) {
            LOG.log(Level.INFO, "no versions of another name", e);
        }
    }

    /** Holds on to the file as it is now, before a save puts another in its place; empty where there is none, or it can't be. */
    public Optional<Before> before() {
        if (!Files.isRegularFile(shot)) {
            return Optional.empty();
        }
        takeAlong();
        Path link = folder.resolve(UUID.randomUUID() + PENDING);
        try {
            Instant saved = Files.getLastModifiedTime(shot).toInstant();
            if (!Files.isDirectory(folder)) {
                WholeFiles.createLike(folder, shot);
            }
            try {
                Files.createLink(link, shot);
            } catch (IOException | UnsupportedOperationException e) {
                WholeFiles.copy(shot, link);
            }
            return Optional.of(new Before(link, saved));
        } catch (IOException e) {
            LOG.log(Level.INFO, "no version of " + shot, e);
            return Optional.empty();
        }
    }

    private void take(Path file, Instant saved, String words, byte[] picture) throws IOException {
        ObjectNode parts = JSON.createObjectNode();
        try (ZipFile zip =
                ZipFile.builder().setPath(file).setIgnoreLocalFileHeader(true).get()) {
            for (ZipArchiveEntry entry : Collections.list(zip.getEntries())) {
                byte[] packed;
                try (InputStream raw = zip.getRawInputStream(entry)) {
                    packed = raw.readAllBytes();
                }
                String sum = sum(packed);
                Path part = part(sum);
                if (!Files.exists(part)) {
                    whole(part, packed);
                }
                parts.putObject(entry.getName())
                        .put("part", sum)
                        .put("method", entry.getMethod())
                        .put("size", entry.getSize())
                        .put("crc", entry.getCrc());
            }
        }
        String id = saved.toString().replaceAll("[^0-9TZ]", "") + "-"
                + UUID.randomUUID().toString().substring(0, 8);
        whole(folder.resolve(id + PARTS), JSON.writeValueAsBytes(parts));
        ObjectNode says = JSON.createObjectNode();
        says.put("saved", saved.toString()).put("name", "").put("words", words).put("picture", picture);
        whole(folder.resolve(id + LIST), JSON.writeValueAsBytes(says));
    }

    private Path part(String sum) {
        return folder.resolve(sum);
    }

    private static void whole(Path file, byte[] bytes) throws IOException {
        Path temporary = file.resolveSibling(TEMPORARY + UUID.randomUUID());
        Files.write(temporary, bytes);
        WholeFiles.move(temporary, file);
    }

    private static String sum(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /** All there are, the latest first. */
    public List<Version> all() {
        takeAlong();
        takePending();
        List<Version> all = new ArrayList<>();
        for (Path list : named(LIST)) {
            try {
                all.add(version(list));
            } catch (IOException | RuntimeException e) {
                LOG.info("the version " + list + " can't be read: " + e.getMessage());
            }
        }
        all.sort(Comparator.comparing(Version::saved).thenComparing(Version::id).reversed());
        return all;
    }

    private static Version version(Path list) throws IOException {
        JsonNode json = JSON.readTree(Files.readAllBytes(list));
        String name = list.getFileName().toString();
        return new Version(
                name.substring(0, name.length() - LIST.length()),
                Instant.parse(json.path("saved").asText()),
                json.path("name").asText(),
                json.path("words").asText(),
                json.path("picture").isTextual() ? json.path("picture").binaryValue() : new byte[0]);
    }

    /** What a program that was cut short had held on to is a version too, if another state has come since. */
    private void takePending() {
        for (Path pending : named(PENDING)) {
            try {
                boolean isTheFile = FileMark.ifAny(shot).equals(FileMark.ifAny(pending));
                boolean isOld = Files.getLastModifiedTime(folder)
                        .toInstant()
                        .plus(Duration.ofMinutes(10))
                        .isBefore(Instant.now());
                if (isOld && !isTheFile) {
                    take(pending, Files.getLastModifiedTime(pending).toInstant(), "", new byte[0]);
                }
                if (isOld) {
                    Files.deleteIfExists(pending);
                }
            } catch (IOException | RuntimeException e) {
                LOG.info("the state " + pending + " is not kept: " + e.getMessage());
            }
        }
    }

    private List<Path> named(String ending) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(path -> path.getFileName().toString().endsWith(ending))
                    .toList();
        } catch (IOException | UncheckedIOException e) {
            LOG.info(folder + " can't be listed: " + e.getMessage());
            return List.of();
        }
    }

    /**
     * Opens one; paths of its media are as they were of the shot.
     *
     * @throws UnreadableException when a part of it is missing or damaged
     */
    public ShotFile.Opened open(Version version) throws UnreadableException {
        Path whole = null;
        try {
            whole = Files.createTempFile("chalk-version", ShotFile.ENDING);
            write(version, whole);
            return ShotFile.open(whole, shot);
        } catch (IOException e) {
            throw UnreadableException.of(
                    folder.resolve(version.id + LIST),
                    "can't be read (" + e.getMessage() + ")",
                    "Take another version.",
                    e);
        } finally {
            if (whole != null) {
                Leftover.removeQuietly(whole);
            }
        }
    }

    /** Writes one as a shot file. */
    public void write(Version version, Path to) throws IOException {
        JsonNode parts = JSON.readTree(Files.readAllBytes(folder.resolve(version.id + PARTS)));
        try (OutputStream out = Files.newOutputStream(to);
                ZipArchiveOutputStream zip = new ZipArchiveOutputStream(out)) {
            zip.setUseZip64(Zip64Mode.AsNeeded);
            for (Iterator<Map.Entry<String, JsonNode>> all = parts.fields(); all.hasNext(); ) {
                Map.Entry<String, JsonNode> part = all.next();
                byte[] packed = Files.readAllBytes(part(sumOf(part.getValue())));
                ZipArchiveEntry entry = new ZipArchiveEntry(part.getKey());
                entry.setMethod(part.getValue().path("method").asInt(ZipEntry.DEFLATED));
                entry.setSize(part.getValue().path("size").asLong());
                entry.setCompressedSize(packed.length);
                entry.setCrc(part.getValue().path("crc").asLong());
                entry.setTime(0);
                zip.addRawArchiveEntry(entry, new ByteArrayInputStream(packed));
            }
        }
    }

    /** A list that somebody else made leads nowhere else. */
    private static String sumOf(JsonNode part) throws IOException {
        String sum = part.path("part").asText();
        if (!sum.matches(SUM)) {
            throw new IOException("it names no part");
        }
        return sum;
    }

    /** Names one, which then stays. @param name empty for none */
    public void name(Version version, String name) throws IOException {
        Path list = folder.resolve(version.id + LIST);
        ObjectNode json = (ObjectNode) JSON.readTree(Files.readAllBytes(list));
        whole(list, JSON.writeValueAsBytes(json.put("name", name)));
    }

    /**
     * Leaves out versions: the older they are the fewer stay, and no more than fit; never those with a name.
     *
     * @param now by the clock
     * @param mostBytes of all of them
     */
    public void thin(Instant now, long mostBytes) throws IOException {
        List<Version> kept = new ArrayList<>();
        boolean fewer = false;
        Instant newer = Instant.MAX;
        for (Version version : all()) {
            Duration span = span(Duration.between(version.saved, now));
            boolean isFar = newer == Instant.MAX
                    || Duration.between(version.saved, newer).compareTo(span) >= 0;
            if (isFar || !version.name.isEmpty()) {
                kept.add(version);
                newer = version.saved;
            } else {
                remove(version);
                fewer = true;
            }
        }
        long bytes = fewer ? sweep() : bytes();
        for (int i = kept.size() - 1; i > 0 && bytes > mostBytes; i--) {
            if (kept.get(i).name.isEmpty()) {
                remove(kept.get(i));
                bytes = sweep();
            }
        }
    }

    private void remove(Version version) throws IOException {
        Files.deleteIfExists(folder.resolve(version.id + LIST));
        Files.deleteIfExists(folder.resolve(version.id + PARTS));
    }

    private static Duration span(Duration age) {
        return ONE_OF.entrySet().stream()
                .filter(rule -> age.compareTo(rule.getKey()) <= 0)
                .min(Map.Entry.comparingByKey())
                .map(Map.Entry::getValue)
                .orElse(Duration.ZERO);
    }

    private List<Path> partFiles() throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(path -> path.getFileName().toString().matches(SUM))
                    .toList();
        }
    }

    private long bytes() throws IOException {
        long bytes = 0;
        for (Path part : partFiles()) {
            bytes += Files.size(part);
        }
        return bytes;
    }

    /** Removes parts that no version has, and what was left half written. @return the bytes of the others */
    private long sweep() throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            all.filter(path -> path.getFileName().toString().startsWith(TEMPORARY))
                    .forEach(Leftover::removeQuietly);
        }
        Set<String> used = new HashSet<>();
        for (Path parts : named(PARTS)) {
            JSON.readTree(Files.readAllBytes(parts))
                    .forEach(part -> used.add(part.path("part").asText()));
        }
        for (Path part : partFiles()) {
            if (!used.contains(part.getFileName().toString())) {
                Files.deleteIfExists(part);
            }
        }
        return bytes();
    }
}
