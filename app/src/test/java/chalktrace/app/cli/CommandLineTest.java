package chalktrace.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.testing.ChalkLine;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRate;
import chalktrace.media.export.Exporters;
import chalktrace.media.export.ShotSources;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.Gathered;
import chalktrace.media.footage.VideoClip;
import chalktrace.media.testing.Clips;
import com.fasterxml.jackson.databind.JsonNode;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CommandLineTest {

    @TempDir
    Path folder;

    private Path clip;
    private final ChalkLine line = new ChalkLine();

    @BeforeEach
    void clip() throws Exception {
        clip = Clips.numbered(folder.resolve("clip.mp4"), 36, FrameRate.parse("23.976"), 7);
    }

    private int run(Object... arguments) {
        return line.run(arguments);
    }

    private JsonNode json(Object... arguments) throws Exception {
        return line.json(arguments);
    }

    @Test
    void infoSaysWhatAVideoIs() throws Exception {
        JsonNode info = json("info", clip, "--json");
        assertThat(info.path("kind").asText()).isEqualTo("video");
        assertThat(info.path("width").asInt()).isEqualTo(352);
        assertThat(info.path("height").asInt()).isEqualTo(96);
        assertThat(info.path("frames").asInt()).isEqualTo(36);
        assertThat(info.path("rate").asText()).isEqualTo("24000/1001");
        assertThat(info.path("seconds").asDouble()).isCloseTo(36 * 1001 / 24000.0, within(0.001));
        assertThat(info.path("sound").path("sampleRate").asInt()).isEqualTo(48_000);
        assertThat(info.path("sound").path("channels").asInt()).isEqualTo(2);
        assertThat(info.path("sound").path("seconds").asDouble()).isCloseTo(1.5, within(0.05));
    }

    @Test
    void frameWritesExactlyThatPicture() throws Exception {
        Path png = folder.resolve("out.png");
        json("frame", clip, 29, png, "--json");
        try (VideoClip picture = VideoClip.open(png)) {
            assertThat(Clips.number(picture.picture(0))).isEqualTo(29);
        }
    }

    @Test
    void aShotIsMadeCheckedAndExported() throws Exception {
        Path shot = folder.resolve("walk.chalk");
        JsonNode made = json("new", shot, "--footage", clip, "--json");
        assertThat(made.path("frames").asInt()).isEqualTo(36);
        assertThat(made.path("rate").asText()).isEqualTo("24000/1001");
        assertThat(json("check-file", shot, "--json").path("whole").asBoolean()).isTrue();
        assertThat(json("info", shot, "--json").path("footage").asInt()).isEqualTo(1);

        Path movie = folder.resolve("walk-out.mp4");
        json("export", shot, movie, "--with-footage", "--json");
        try (VideoClip video = VideoClip.open(movie)) {
            assertThat(video.times().count()).isEqualTo(36);
            assertThat(Clips.number(video.picture(35))).isEqualTo(35);
        }
        json("export", shot, folder.resolve("run") + "/", "--json");
        assertThat(folder.resolve("run").toFile().list()).hasSize(36);

        Files.delete(clip);
        JsonNode missing = json("check-file", shot, "--json").path("missing");
        assertThat(missing).hasSize(1);
        assertThat(missing.get(0).asText()).endsWith("clip.mp4");
    }

    @Test
    void givenValuesComeBeforeTheClips() throws Exception {
        JsonNode made = json(
                "new",
                folder.resolve("a.chalk"),
                "--footage",
                clip,
                "--fps",
                "12",
                "--size",
                "640x360",
                "--frames",
                "99",
                "--json");
        assertThat(made.path("rate").asText()).isEqualTo("12");
        assertThat(made.path("width").asInt()).isEqualTo(640);
        assertThat(made.path("frames").asInt()).isEqualTo(99);
    }

    @Test
    void conformListsFrameAfterFrame() throws Exception {
        JsonNode conform = json(
                "conform",
                clip,
                "--rate",
                "24000/1001",
                "--in",
                "4",
                "--out",
                "11",
                "--every",
                "2",
                "--mode",
                "picture-for-frame",
                "--json");
        assertThat(conform.path("frames").asInt()).isEqualTo(4);
        assertThat(conform.path("rows").get(3).path("picture").asInt()).isEqualTo(10);
        assertThat(conform.path("rows").get(3).path("frame").asInt()).isEqualTo(3);
        assertThat(conform.path("rows").get(0).path("seconds").asDouble()).isCloseTo(4 * 1001 / 24000.0, within(1e-3));
        assertThat(run("conform", clip, "--in", "30", "--out", "40")).isEqualTo(1);
        assertThat(line.err()).contains("0 to 35");
    }

    @Test
    void filesAreAddedToAShotAndFoundAgainAfterTheyMoved() throws Exception {
        Path shot = folder.resolve("walk.chalk");
        json("new", shot, "--fps", "24", "--json");
        JsonNode added = json("shot", "add", shot, clip, "--at", "12", "--in", "6", "--json");
        assertThat(added.path("footage").asInt()).isEqualTo(1);
        assertThat(added.path("sounds").asInt()).isEqualTo(1);

        Files.createDirectories(folder.resolve("elsewhere/deep"));
        Files.move(clip, folder.resolve("elsewhere/deep/clip.mp4"));
        assertThat(json("check-file", shot, "--json").path("missing")).hasSize(1);
        assertThat(json("shot", "relink", shot, folder.resolve("elsewhere"), "--json")
                        .path("found")
                        .asInt())
                .isEqualTo(1);
        assertThat(json("check-file", shot, "--json").path("missing")).isEmpty();

        Path movie = folder.resolve("out.mp4");
        json("export", shot, movie, "--with-footage", "--json");
        try (VideoClip video = VideoClip.open(movie)) {
            int[] words = video.picture(12).toArgb();
            assertThat(words)
                    .as("the clip fills the picture from frame 12 on")
                    .isNotEqualTo(video.picture(11).toArgb());
        }
    }

    @Test
    void theSheetIsWrittenAndTimingIsChangedOrOnlyProposed() throws Exception {
        Path shot = folder.resolve("timed.chalk");
        Shot made = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 3, 2), Exposure.of(7, 2, 3))
                .withMarks(
                        List.of(new Mark(0, Mark.Kind.KEY), new Mark(7, Mark.Kind.KEY), new Mark(20, Mark.Kind.KEY)));
        ShotFile.fresh().save(made, shot);

        Path csv = folder.resolve("sheet.csv");
        assertThat(run("sheet", shot, "--csv", csv)).as(line.err()).isZero();
        List<String> lines = Files.readAllLines(csv);
        assertThat(lines.get(0)).startsWith("frame,mark,rough,");
        assertThat(lines.get(1)).startsWith("1,key,1,");
        assertThat(lines.get(2)).startsWith("2,,|,");
        assertThat(lines).hasSize(49);
        Path pdf = folder.resolve("sheet.pdf");
        assertThat(run("sheet", shot, "--pdf", pdf)).as(line.err()).isZero();
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(document))
                    .contains("rough")
                    .contains("48");
        }

        JsonNode proposed = json("time", shot, "--onto-twos", "--dry-run", "--json");
        assertThat(proposed.path("moves").get(1).path("to").asInt()).isEqualTo(8);
        assertThat(ShotFile.open(shot).shot()).isEqualTo(made);
        json("time", shot, "--onto-twos", "--json");
        assertThat(ShotFile.open(shot).shot().markAt(8)).isPresent();
        JsonNode missing = json("time", shot, "--missing", 2, "--json");
        assertThat(missing.path("missing").findValuesAsText("frame")).containsExactly("4", "6");
        assertThat(run("time", shot, "--stretch", "0-8:2")).isEqualTo(1);
        assertThat(line.err()).contains("timed.chalk").contains("need");
        assertThat(run("time", shot, "--reverse", "9-3")).isEqualTo(2);
        assertThat(run("time", shot)).isEqualTo(2);
    }

    @Test
    void whatACommandChangedCanBeTakenOutOfTheVersions() throws Exception {
        Path shot = folder.resolve("walk.chalk");
        json("new", shot, "--footage", clip, "--json");
        assertThat(json("versions", shot, "--json").path("versions")).isEmpty();
        Shot before = ShotFile.open(shot).shot();
        json("shot", "add", shot, clip, "--at", "5", "--json");
        assertThat(ShotFile.open(shot).shot()).isNotEqualTo(before);
        JsonNode versions = json("versions", shot, "--json").path("versions");
        assertThat(versions).hasSize(1);
        assertThat(versions.get(0).path("number").asInt()).isEqualTo(1);
        assertThat(versions.get(0).path("thenChanged").asText()).contains("footage");
        Path out = folder.resolve("before.chalk");
        json("versions", shot, "--take", "1", out, "--json");
        assertThat(ShotFile.open(out).shot()).isEqualTo(before);
        assertThat(run("versions", shot, "--take", "1", out))
                .as("never over a file")
                .isEqualTo(1);
        assertThat(run("versions", shot, "--take", "2", folder.resolve("b.chalk")))
                .isEqualTo(1);
        assertThat(run("versions", shot, "--take", "1")).isEqualTo(1);
    }

    @Test
    void badInputIsOneLineAndExitsWithOne() throws Exception {
        Path text = Files.writeString(folder.resolve("text.mp4"), "no movie");
        Path shot = Files.writeString(folder.resolve("bad.chalk"), "no shot");
        List<Object[]> calls = List.of(
                new Object[] {"info", text},
                new Object[] {"info", folder.resolve("gone.mp4")},
                new Object[] {"frame", clip, 36, folder.resolve("o.png")},
                new Object[] {"frame", clip, 0, folder.resolve("nowhere/o.png")},
                new Object[] {"check-file", shot},
                new Object[] {"export", shot, folder.resolve("o.mp4")},
                new Object[] {"new", clip, "--footage", clip});
        for (Object[] call : calls) {
            assertThat(run(call)).as(Arrays.toString(call)).isEqualTo(1);
            assertThat(line.err().strip().lines()).as(line.err()).hasSize(1);
            assertThat(line.out()).isEmpty();
        }
    }

    /** A JPEG whose end is missing is shown as far as it goes, and everywhere said to be doubtful. */
    @Test
    void damageIsSaidByFrameByInfoAndByExports() throws Exception {
        BufferedImage noise = new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB);
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < 64 * 48; i++) {
            noise.setRGB(i % 64, i / 64, random.nextInt(1 << 24));
        }
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(noise, "jpg", jpeg);
        Path sound = Files.write(folder.resolve("sound.jpg"), jpeg.toByteArray());
        Path cut = Files.write(folder.resolve("cut.jpg"), Arrays.copyOf(jpeg.toByteArray(), jpeg.size() * 3 / 4));
        assertThat(json("frame", sound, 0, folder.resolve("a.png"), "--json")
                        .path("doubt")
                        .isNull())
                .isTrue();
        assertThat(json("info", sound, "--check", "--json").path("doubts")).isEmpty();
        assertThat(json("frame", cut, 0, folder.resolve("b.png"), "--json")
                        .path("doubt")
                        .asText())
                .contains("cut.jpg is damaged");
        JsonNode doubts = json("info", cut, "--check", "--json").path("doubts");
        assertThat(doubts).hasSize(1);
        assertThat(doubts.get(0).path("picture").asInt()).isZero();
        ShotSetup setup = new ShotSetup(FrameRate.FILM, new PictureSize(64, 48), 1, 1, Rgb.WHITE);
        Shot shot = Gathered.from(cut, 0).edit(Shot.empty("s", setup)).change().apply(Shot.empty("s", setup));
        try (ShotSources sources = ShotSources.open(shot, true)) {
            assertThat(sources.at(shot.footage().get(0), 0)).isPresent();
            assertThat(sources.problems()).singleElement().asString().contains("cut.jpg is damaged");
        }
    }

    @Test
    void anExportHasTheFramesTheSizeAndThePaperThatAreAskedFor() throws Exception {
        Path shot = folder.resolve("walk.chalk");
        json("new", shot, "--footage", clip, "--json");
        Path run = folder.resolve("run");
        json(
                "export",
                shot,
                run + "/",
                "--range",
                "3-5",
                "--size",
                "50%",
                "--transparent",
                "--numbers",
                "one",
                "--json");
        assertThat(run.toFile().list()).hasSize(3);
        BufferedImage first = ImageIO.read(run.resolve("walk.0001.png").toFile());
        assertThat(first.getWidth()).isEqualTo(Clips.SIZE.width() / 2);
        assertThat(first.getRGB(5, 5)).isZero();
        Path still = folder.resolve("one.png");
        json("export", shot, still, "--range", "7", "--with-footage", "--json");
        try (VideoClip read = VideoClip.open(still)) {
            assertThat(Clips.number(read.picture(0))).isEqualTo(7);
        }
        Path silent = folder.resolve("silent.webm");
        json("export", shot, silent, "--range", "0-5", "--no-sound", "--quality", "small", "--json");
        assertThat(json("info", silent, "--json").path("sound").asBoolean()).isFalse();
        Path loop = folder.resolve("loop.png");
        json("export", shot, loop, "--as", "apng", "--range", "0-5", "--json");
        assertThat(loop).isNotEmptyFile();
    }

    @Test
    void exportsThatCanNotBeAreRefusedInASentence() throws Exception {
        Path shot = folder.resolve("walk.chalk");
        json("new", shot, "--footage", clip, "--json");
        Path png = folder.resolve("o.png");
        assertThat(run("export", shot, png)).isEqualTo(2);
        assertThat(line.err()).contains("--as apng").contains("OUT/");
        assertThat(run("export", shot, folder.resolve("o.mp4"), "--transparent"))
                .isEqualTo(2);
        assertThat(line.err()).contains("no transparency");
        assertThat(run("export", shot, folder.resolve("o.pdf"), "--size", "50%"))
                .isEqualTo(2);
        assertThat(run("export", shot, folder.resolve("o.pdf"), "--transparent"))
                .isEqualTo(2);
        assertThat(run("export", shot, folder.resolve("o.mp4"), "--size", "big"))
                .isEqualTo(2);
        assertThat(run("export", shot, folder.resolve("o.mp4"), "--range", "30-40"))
                .isEqualTo(1);
        assertThat(run("export", shot, folder.resolve("o.mp4"), "--as", "vhs")).isEqualTo(2);
        assertThat(run("export", shot)).isEqualTo(2);
        assertThat(folder.toFile().list((in, name) -> name.startsWith("o."))).isEmpty();
    }

    @Test
    void aFrameOfAShotIsToldFromAPictureOfAClipByContent() throws Exception {
        Path shot = folder.resolve("walk.chalk");
        json("new", shot, "--footage", clip, "--json");
        Path named = Files.copy(shot, folder.resolve("walk.mp4"));
        Path png = folder.resolve("frame.png");
        JsonNode said = json("frame", named, "3", png, "--json");
        assertThat(said.path("frame").asInt()).isEqualTo(3);
        // References stay out, so it is all paper.
        assertThat(ImageIO.read(png.toFile()).getRGB(20, 20)).isEqualTo(0xFFF4F1E8);
        assertThat(json("frame", clip, "3", png, "--json").path("picture").asInt())
                .isEqualTo(3);
        assertThat(run("frame", named, "3000", png)).isEqualTo(1);
    }

    @Test
    void theListNamesEachFormatWithWhatCanBeChosen() throws Exception {
        JsonNode formats = json("export", "--list", "--json").path("formats");
        assertThat(formats).hasSize(Exporters.all().size());
        assertThat(formats.findValuesAsText("switch")).contains("--range", "--no-sound", "--quality", "--with-footage");
    }

    @Test
    void badUsageExitsWithTwo() {
        assertThat(run("frame", clip, "seven", "o.png")).isEqualTo(2);
        assertThat(run("export", folder.resolve("a.chalk"), "movie.avi")).isEqualTo(2);
        assertThat(run("new", folder.resolve("a.chalk"), "--fps", "fast")).isEqualTo(2);
        assertThat(run("nonsense")).isEqualTo(2);
        assertThat(line.err().strip().lines()).hasSize(1);
    }
}
