package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.testing.Shots;
import chalktrace.core.testing.Strokes;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.testing.FullShot;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayInputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ShotFileTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path folder;

    private Shot full() {
        return FullShot.of(folder);
    }

    private Path saved(Shot shot) throws UnwritableException {
        Path file = folder.resolve("shot.chalk");
        ShotFile.fresh().save(shot, file);
        return file;
    }

    private Path withDocument(UnaryOperator<String> change) throws Exception {
        Path file = saved(full());
        try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
            Path document = zip.getPath(ShotFile.DOCUMENT);
            Files.writeString(document, change.apply(Files.readString(document)));
        }
        return file;
    }

    private void assertRefused(Path file, String... words) {
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> ShotFile.open(file))
                .withMessageContaining(file.getFileName().toString())
                .satisfies(e -> assertThat(e.getMessage()).contains(words));
    }

    @Test
    void whatIsSavedOpensEqual() throws Exception {
        assertThat(ShotFile.open(saved(full())).shot()).isEqualTo(full());
    }

    @ParameterizedTest
    @ValueSource(strings = {"de-DE", "tr-TR"})
    void numbersAndWordsAreTheSameInEveryLocale(String locale) throws Exception {
        Locale before = Locale.getDefault();
        try {
            Locale.setDefault(Locale.forLanguageTag(locale));
            assertThat(ShotFile.open(saved(full())).shot()).isEqualTo(full());
        } finally {
            Locale.setDefault(before);
        }
    }

    @Test
    void mediaPathsFollowTheShotFile() throws Exception {
        Files.createDirectories(folder.resolve("here"));
        Files.createDirectories(folder.resolve("elsewhere"));
        Path file = folder.resolve("here/shot.chalk");
        Shot shot = full().withFootage(
                        "footage-1",
                        f -> f.withFile(folder.resolve("here/clip.mp4").toString()));
        ShotFile.fresh().save(shot, file);
        Path moved = Files.move(file, folder.resolve("elsewhere/shot.chalk"));
        assertThat(ShotFile.open(moved).shot().footage().get(0).file())
                .isEqualTo(folder.resolve("elsewhere/clip.mp4").toString());
    }

    @Test
    void eachDrawingIsAnSvgThatOthersCanShow() throws Exception {
        Path file = saved(full());
        try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
            byte[] svg = Files.readAllBytes(zip.getPath("drawings/level-1/1.svg"));
            var root = DocumentBuilderFactory.newNSInstance()
                    .newDocumentBuilder()
                    .parse(new ByteArrayInputStream(svg))
                    .getDocumentElement();
            assertThat(root.getNamespaceURI()).isEqualTo("http://www.w3.org/2000/svg");
            var paths = root.getElementsByTagNameNS("http://www.w3.org/2000/svg", "path");
            // Two strokes, an area, and, of the stroke that fades, the one band of its mask.
            assertThat(paths.getLength()).isEqualTo(4);
            assertThat(paths.item(0).getAttributes().getNamedItem("fill").getNodeValue())
                    .isEqualTo("#F2D13C");
            assertThat(paths.item(0).getAttributes().getNamedItem("d").getNodeValue())
                    .matches("[-mlz0-9. ]+");
        }
    }

    @Test
    void aMouthOfOnesOwnInAnOlderFileIsKnownByItsDrawing() throws Exception {
        Path file = withDocument(text -> text.replaceAll("\"drawing\"( ?: ?)31,", "\"shape\"$1\"drawing 31\","));
        assertThat(ShotFile.open(file).shot().mouths()).isEqualTo(full().mouths());
    }

    @Test
    void fieldsOfALaterVersionSurviveASave() throws Exception {
        Path file = withDocument(text -> {
            try {
                ObjectNode root = (ObjectNode) JSON.readTree(text);
                root.put("mood", "calm");
                ((ObjectNode) root.path("levels").get(0)).put("weather", "fog");
                return root.toString();
            } catch (IOException e) {
                throw new AssertionError(e);
            }
        });
        ShotFile.Opened opened = ShotFile.open(file);
        opened.file().save(opened.shot().withName("renamed"), file);
        try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
            var root = JSON.readTree(Files.readString(zip.getPath(ShotFile.DOCUMENT)));
            assertThat(root.path("mood").asText()).isEqualTo("calm");
            assertThat(root.path("levels").get(0).path("weather").asText()).isEqualTo("fog");
            assertThat(root.path("name").asText()).isEqualTo("renamed");
        }
    }

    /** Older programs may go on with what they know. */
    @Test
    void onlyAShotWithAGradientNeedsTheNewestVersion() throws Exception {
        assertThat(version(saved(full()))).isEqualTo(3);
        Shot plain = full().withLevel(
                        Shots.LEVEL,
                        level -> level.with(level.drawing(2).orElseThrow().withFills(List.of())));
        assertThat(version(saved(plain))).isEqualTo(2);
    }

    private static int version(Path file) throws IOException {
        try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
            return JSON.readTree(Files.readString(zip.getPath(ShotFile.DOCUMENT)))
                    .path("formatVersion")
                    .asInt();
        }
    }

    @Test
    void aNewerVersionOpensForReadingOnly() throws Exception {
        Path file = withDocument(text -> text.replaceFirst("\"formatVersion\" : \\d+", "\"formatVersion\" : 7"));
        assertThat(ShotFile.open(file).whyReadOnly()).get().asString().contains("newer version");
    }

    @Test
    void aShotThatIsCutShortSaysSo() throws Exception {
        Path file = saved(full());
        byte[] whole = Files.readAllBytes(file);
        for (int length : new int[] {whole.length - 1, whole.length / 2, 40}) {
            Files.write(file, Arrays.copyOf(whole, length));
            assertRefused(file, "cut short");
        }
        Files.write(file, new byte[0]);
        assertRefused(file, "empty");
    }

    @Test
    void whatIsNoShotSaysSo() throws Exception {
        assertRefused(Files.writeString(folder.resolve("letter.chalk"), "dear sir"), "no shot");
        assertRefused(folder.resolve("gone.chalk"), "not there");
        Path other = folder.resolve("other.chalk");
        try (FileSystem zip = FileSystems.newFileSystem(other, Map.of("create", "true"))) {
            Files.writeString(zip.getPath("readme.txt"), "hello");
        }
        assertRefused(other, "no shot");
    }

    @Test
    void aWrongDocumentNamesThePlace() throws Exception {
        assertRefused(withDocument(text -> text.substring(0, text.length() / 2)), "line");
        assertRefused(withDocument(text -> text.replace("\"length\" : 48", "\"length\" : \"long\"")), "setup.length");
        assertRefused(withDocument(text -> text.replace("\"pace\" : \"keep-time\"", "\"pace\" : \"slow\"")), "slow");
        assertRefused(withDocument(text -> text.replace("\"drawing\" : 2", "\"drawing\" : 9")), "drawing 9");
        assertRefused(withDocument(text -> text.replace("level-1/2.svg", "level-1/gone.svg")), "gone.svg");
        assertRefused(withDocument(text -> text.replace("#F2D13C", "yellowish")), "yellowish");
    }

    @Test
    void aDrawingMayNotReachOutsideItself() throws Exception {
        Path secret = Files.writeString(folder.resolve("secret.txt"), "12 34 1");
        Path file = saved(full());
        try (FileSystem zip = FileSystems.newFileSystem(file, Map.of())) {
            Files.writeString(
                    zip.getPath("drawings/level-1/1.svg"),
                    "<!DOCTYPE svg [<!ENTITY x SYSTEM \"" + secret.toUri() + "\">]>"
                            + "<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:c=\"urn:chalk-trace:drawing:1\">"
                            + "<path c:chalk=\"chalk-1\" c:curve=\"&x;\"/></svg>");
        }
        assertRefused(file, "1.svg");
    }

    @Test
    void aFullDiskLeavesTheOldFileWhole() throws Exception {
        Path file = saved(full());
        byte[] before = Files.readAllBytes(file);
        ShotFile onFullDisk = ShotFile.fresh(path -> new OutputStream() {
            private final OutputStream real = Files.newOutputStream(path);
            private int room = 600;

            @Override
            public void write(int b) throws IOException {
                if (room-- <= 0) {
                    throw new IOException("No space left on device");
                }
                real.write(b);
            }

            @Override
            public void close() throws IOException {
                real.close();
            }
        });
        assertThatExceptionOfType(UnwritableException.class)
                .isThrownBy(() -> onFullDisk.save(full().withName("changed"), file))
                .withMessageContaining("shot.chalk")
                .withMessageContaining("disk is full");
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        try (var left = Files.list(folder)) {
            assertThat(left).containsExactly(file);
        }
    }

    @Test
    void aFolderThatIsNotThereIsNamed() {
        assertThatExceptionOfType(UnwritableException.class)
                .isThrownBy(() -> ShotFile.fresh().save(full(), folder.resolve("nowhere/shot.chalk")))
                .withMessageContaining("nowhere");
    }

    @Test
    void theSameShotGivesTheSameBytes() throws Exception {
        ShotFile file = ShotFile.fresh();
        Path one = folder.resolve("one.chalk");
        file.save(full(), one);
        byte[] first = Files.readAllBytes(one);
        file.save(full(), one);
        assertThat(Files.readAllBytes(one)).isEqualTo(first);
        assertThat(new String(first, StandardCharsets.ISO_8859_1)).startsWith("PK");
    }

    /** Rewrites parts of a shot file. */
    private Path withParts(BiFunction<String, byte[], byte[]> change) throws Exception {
        Path file = saved(full());
        Path changed = folder.resolve("changed.chalk");
        try (ZipFile zip = new ZipFile(file.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(changed))) {
            for (ZipEntry entry : Collections.list(zip.entries())) {
                out.putNextEntry(new ZipEntry(entry.getName()));
                out.write(
                        change.apply(entry.getName(), zip.getInputStream(entry).readAllBytes()));
            }
        }
        return changed;
    }

    @Test
    void drawingsThatDidNotChangeAreSavedAsTheyLayInTheFile() throws Exception {
        String comment = "<!-- of another hand -->";
        Path file = withParts((name, bytes) -> name.endsWith(".svg")
                ? new String(bytes, StandardCharsets.UTF_8)
                        .replace("</svg>", comment + "</svg>")
                        .getBytes(StandardCharsets.UTF_8)
                : bytes);
        ShotFile.Opened opened = ShotFile.open(file);
        Shot changed = opened.shot()
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(level.drawing(1).orElseThrow().plus(Strokes.line(1, 2, 3, 4))));
        opened.file().save(changed, file);
        assertThat(ShotFile.open(file).shot()).isEqualTo(changed);
        try (ZipFile zip = new ZipFile(file.toFile())) {
            for (ZipEntry entry : Collections.list(zip.entries())) {
                String text = new String(zip.getInputStream(entry).readAllBytes(), StandardCharsets.UTF_8);
                boolean isOld = entry.getName().endsWith(".svg")
                        && !entry.getName().equals("drawings/" + Shots.LEVEL + "/1.svg");
                assertThat(text.contains(comment)).as(entry.getName()).isEqualTo(isOld);
            }
        }
    }

    @Test
    void aFileWhosePartsUnpackToFarMoreThanItHoldsIsRefused() throws Exception {
        Path file = withParts((name, bytes) -> name.endsWith(".svg")
                ? (new String(bytes, StandardCharsets.UTF_8) + " ".repeat(40 << 20)).getBytes(StandardCharsets.UTF_8)
                : bytes);
        assertRefused(file, "changed.chalk", "drawing");
    }

    @Test
    void ofAFileThatALinkInTheFolderLeadsToNothingIsReadUnasked() throws Exception {
        Path outside = Files.createDirectory(folder.resolve("outside"));
        Path inside = Files.createDirectory(folder.resolve("inside"));
        Path link = inside.resolve("line.wav");
        Path file = inside.resolve("shot.chalk");
        // As somebody else made it, where there was no such file.
        ShotFile.fresh().save(full().withSounds(List.of(SoundClip.of("sound-1", "line", link.toString(), 0))), file);
        Files.createSymbolicLink(link, Files.writeString(outside.resolve("secret.wav"), "nobody's business"));
        ShotFile.Opened opened = ShotFile.open(file);
        opened.file().save(opened.shot().withName("later"), file);
        assertThat(ShotFile.open(file).file().marks()).doesNotContainKey(link);
        opened.file().mayRead(List.of(link.toString()));
        opened.file().save(opened.shot().withName("allowed"), file);
        assertThat(ShotFile.open(file).file().marks()).containsKey(link);
    }

    @Test
    void aSaveKeepsLinksAndModes() throws Exception {
        Path file = saved(full());
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
        Path link = Files.createSymbolicLink(folder.resolve("link.chalk"), file);
        ShotFile.fresh().save(full().withName("later"), link);
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("later");
        ShotFile.Opened reopened = ShotFile.open(file);
        ShotFile.fresh().save(full().withName("another's"), file);
        assertThatThrownBy(() -> ShotFile.saveOver(reopened, full(), file, Versions.Before::drop))
                .hasMessageContaining("another program");
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("another's");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                .isEqualTo("rw-------");
    }

    @Test
    void whatASaveThatWasCutShortLeftIsRemoved() throws Exception {
        Path file = saved(full());
        Path left = Files.write(folder.resolve(".shot.chalk." + UUID.randomUUID() + ".saving"), new byte[9]);
        Path ofAnother = Files.write(folder.resolve(".shot.chalk.b." + UUID.randomUUID() + ".saving"), new byte[9]);
        ShotFile.tidy(file);
        assertThat(left).doesNotExist();
        assertThat(ofAnother).exists();
        assertThat(ShotFile.open(file).shot()).isEqualTo(full());
    }

    @Test
    void twoSavesIntoOneFileAtTheSameTimeLeaveOneOfThemWhole() throws Exception {
        Path file = folder.resolve("shot.chalk");
        ShotFile second = ShotFile.fresh();
        Shot inTheMiddle = full().withName("in the middle");
        boolean[] begun = new boolean[1];
        ShotFile first = ShotFile.fresh(path -> new FilterOutputStream(Files.newOutputStream(path)) {
            @Override
            public void write(byte[] bytes, int from, int count) throws IOException {
                out.write(bytes, from, count);
                if (!begun[0]) {
                    begun[0] = true;
                    // Another one opens the shot, which tidies beside it, and saves.
                    ShotFile.tidy(file);
                    assertThatCode(() -> second.save(inTheMiddle, file)).doesNotThrowAnyException();
                }
            }
        });
        first.save(full(), file);
        assertThat(ShotFile.open(file).shot()).isEqualTo(full());
        try (Stream<Path> beside = Files.list(folder)) {
            assertThat(beside.filter(path -> path.toString().endsWith(".saving")))
                    .isEmpty();
        }
    }

    @Test
    void workWithoutAWindowLeavesAloneWhatIsOpenOrNewer() throws Exception {
        Path file = saved(full());
        byte[] before = Files.readAllBytes(file);
        ShotFile.Opened opened = ShotFile.open(file);
        try (ShotLock held = ShotLock.take(file).lock().orElseThrow()) {
            assertThatThrownBy(() -> ShotFile.saveOver(opened, full().withName("later"), file, Versions.Before::drop))
                    .hasMessageContaining("is open by");
        }
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        ShotFile.saveOver(opened, full().withName("later"), file, Versions.Before::drop);
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("later");
        ShotFile.Opened reopened = ShotFile.open(file);
        ShotFile.fresh().save(full().withName("another's"), file);
        assertThatThrownBy(() -> ShotFile.saveOver(reopened, full(), file, Versions.Before::drop))
                .hasMessageContaining("another program");
        assertThat(ShotFile.open(file).shot().name()).isEqualTo("another's");
        Path newer = withDocument(json -> json.replaceFirst("\"formatVersion\" : \\d+", "\"formatVersion\" : 99"));
        byte[] asItWas = Files.readAllBytes(newer);
        ShotFile.Opened readOnly = ShotFile.open(newer);
        assertThatThrownBy(() -> ShotFile.saveOver(readOnly, full().withName("later"), newer, Versions.Before::drop))
                .hasMessageContaining("newer version");
        assertThat(Files.readAllBytes(newer)).isEqualTo(asItWas);
    }

    @Test
    void aFileThatNamesOnePartThousandsOfTimesIsRefused() throws Exception {
        Path file = withDocument(json -> {
            String one = "{\"number\" : 1, \"file\" : \"drawings/level-1/1.svg\"}";
            return json.replaceFirst(
                    "\"drawings\" : \\[",
                    "\"drawings\" : [" + String.join(",", Collections.nCopies(20_000, one)) + ",");
        });
        assertRefused(file, "names 20002 drawings");
    }
}
