package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import chalktrace.core.edit.SpeechEdits;
import chalktrace.core.fill.Contours;
import chalktrace.core.fill.Fill;
import chalktrace.core.guide.Guide;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.LevelGroup;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Region;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.StillView;
import chalktrace.core.shot.Word;
import chalktrace.core.stroke.Curve;
import chalktrace.core.stroke.LineShape;
import chalktrace.core.stroke.PressureCurve;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ShotFileTest {

    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path folder;

    /** A shot that uses everything that a file can hold. */
    private Shot full() {
        Shot shot = Shots.showing(
                        Exposure.of(0, 4, 1),
                        Exposure.of(4, 2, Exposure.BLANK),
                        new Exposure(
                                6,
                                3,
                                2,
                                Placement.AS_IS
                                        .withPosition(1.25, -3)
                                        .withScale(0.5)
                                        .withDegrees(7.5)))
                .withLevel(Shots.LEVEL, level -> level.with(level.drawing(1)
                                .orElseThrow()
                                .plus(new Stroke(
                                        "chalk-2",
                                        Curve.of(0.125, -40.5, 0.333, 1e3, 2, 0.5, 3, 4, 0, 5, 6, 1),
                                        "left \u00e9ar"))
                                .plus(new Fill(
                                        "chalk-3",
                                        Contours.of(List.of(
                                                new double[] {0, 0, 40.25, 0, 20, 30.5},
                                                new double[] {10, 2, 30, 2, 20, 12}))))
                                .plus(new PastedPicture(
                                        new Pixels(new PictureSize(2, 1), new int[] {0x7F102030, 0xFFFFFFFF}),
                                        0.5,
                                        0.125,
                                        -0.25,
                                        2,
                                        7.5,
                                        -3)))
                        .withStyle(new LevelStyle(
                                LevelStyle.Role.SHADOW,
                                Optional.of("level-9"),
                                Optional.of(new Rgb(1, 2, 254)),
                                true,
                                true,
                                false)))
                .withChalks(List.of(
                        new Chalk(
                                "chalk-1",
                                "reed",
                                new Rgb(0xF2, 0xD1, 0x3C),
                                new LineShape(
                                        3.5, 0.1, 12, LineShape.Tip.DRY, 0.3, new PressureCurve(0.1, 0.2, 0.3, 0.9)),
                                0.75,
                                Chalk.Role.BOUNDARY),
                        new Chalk("chalk-2", "soot", new Rgb(0, 0, 0), 4, 1)))
                .withGroups(List.of(new LevelGroup("group-1", "figure", List.of(Shots.LEVEL), true, false, 0.75, true)))
                .withGuides(List.of(
                        new Guide("guide-1", Guide.Kind.FLOOR, List.of(new Guide.Spot(4.5, -3))),
                        new Guide(
                                "guide-2",
                                Guide.Kind.TWO_POINTS,
                                List.of(new Guide.Spot(-900.25, 40), new Guide.Spot(1e5, 41)))))
                .withFootage(List.of(new Footage(
                        "footage-1",
                        "\u8336 clip",
                        folder.resolve("media/clip.mp4").toString(),
                        new Conform(2, 1, 90, 2, Conform.Pace.KEEP_TIME),
                        Optional.of(FrameRange.of(3, 12)),
                        List.of(
                                new StillView(0, 4, Region.WHOLE),
                                new StillView(7, 5, new Region(0.25, 0, 0.5, 0.125))),
                        Placement.AS_IS.withOpacity(0.4),
                        Footage.Look.AS_IS
                                .withLighten(0.3)
                                .withTint(0.1)
                                .withSaturation(0.5)
                                .withOneField(true),
                        true,
                        true,
                        true,
                        Footage.Where.BESIDE_BOARD,
                        "from the harbour, for study only")))
                .withSounds(List.of(new SoundClip(
                        "sound-1",
                        "line",
                        folder.resolve("line.wav").toString(),
                        1.5,
                        -6,
                        true,
                        new SoundClip.Trim(0.25, 0.5),
                        "footage-1",
                        new SoundClip.Fade(0.125, 0.75),
                        true)))
                .withMouthPlace(new MouthPlace(100.5, 60, 24, true))
                .withCues(List.of(new Cue("cue-1", "clink", 1.25)))
                .withMarks(List.of(new Mark(0, Mark.Kind.KEY), new Mark(6, Mark.Kind.BREAKDOWN)));
        Shot spoken = SpeechEdits.addWord(new Word("word-1", "now", 0.1, 0.45).withSpeaker("Ada"))
                .change()
                .apply(shot);
        return SpeechEdits.speaker("Bo")
                .change()
                .apply(SpeechEdits.speaker("Ada").change().apply(spoken));
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
            assertThat(paths.getLength()).isEqualTo(3);
            assertThat(paths.item(0).getAttributes().getNamedItem("fill").getNodeValue())
                    .isEqualTo("#F2D13C");
            assertThat(paths.item(0).getAttributes().getNamedItem("d").getNodeValue())
                    .matches("[-mlz0-9. ]+");
        }
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

    @Test
    void aNewerVersionOpensForReadingOnly() throws Exception {
        Path file = withDocument(text -> text.replace("\"formatVersion\" : 2", "\"formatVersion\" : 7"));
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

    @Test
    void anOpenShotIsNotOpenedByAnotherUnnoticed() {
        Path file = folder.resolve("shot.chalk");
        ShotLock.Taken mine = ShotLock.take(file);
        assertThat(mine.lock()).isPresent();
        assertThat(ShotLock.take(file).holder()).get().asString().contains(System.getProperty("user.name"));
        mine.lock().orElseThrow().close();
        ShotLock.Taken again = ShotLock.take(file);
        assertThat(again.lock()).isPresent();
        again.lock().orElseThrow().close();
    }

    @Test
    void aLockThatADeadProcessLeftIsTakenOver() throws Exception {
        Path file = folder.resolve("shot.chalk");
        Process ended = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-version")
                .redirectErrorStream(true)
                .start();
        ended.getInputStream().readAllBytes();
        ended.waitFor();
        ShotLock mine = ShotLock.take(file).lock().orElseThrow();
        Path lock = folder.resolve(".shot.chalk.open");
        String text = Files.readString(lock);
        mine.close();
        Files.writeString(
                lock, text.replace("\"process\":" + ProcessHandle.current().pid(), "\"process\":" + ended.pid()));
        ShotLock.Taken taken = ShotLock.take(file);
        assertThat(taken.lock()).isPresent();
        taken.lock().orElseThrow().close();
    }

    @Test
    void workThatWasNotSavedComesBackEqual() throws Exception {
        Path file = saved(full());
        Recovery recovery = Recovery.beside(file);
        recovery.keep(full());
        Shot later = full().withName("later")
                .withLevel(
                        Shots.LEVEL,
                        level -> level.with(level.drawing(2).orElseThrow().plus(Shots.line(3, 3, 9, 9))));
        recovery.keep(later);
        Recovery afterCrash = Recovery.beside(file);
        assertThat(afterCrash.exists()).isTrue();
        assertThat(afterCrash.read()).isEqualTo(later);
        afterCrash.discard();
        assertThat(Recovery.beside(file).exists()).isFalse();
    }
}
