package chalktrace.media.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.FrameComposer;
import chalktrace.core.render.RasterCache;
import chalktrace.core.render.SceneOptions;
import chalktrace.core.render.Scenes;
import chalktrace.core.render.Viewpoint;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.testing.Strokes;
import chalktrace.core.time.FrameRange;
import chalktrace.core.time.FrameRate;
import chalktrace.media.Progress;
import chalktrace.media.UnwritableException;
import chalktrace.media.export.Chosen.Paper;
import chalktrace.media.export.Chosen.Size;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import chalktrace.media.sound.SoundFiles;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Each kind of file, read again: pictures by the readers of footage and by ImageIO. */
class ExportKindsTest {

    private static final PictureSize SIZE = new PictureSize(160, 90);
    private static final double CLICK_SECONDS = 0.5;

    @TempDir
    Path folder;

    private Shot shot;

    /** A second of 24: a broad half-clear blue line on frames 0 to 11, a red one on 12 to 23 on a level of its own, and a click. */
    @BeforeEach
    void shot() throws Exception {
        float[] samples = new float[ShotMix.SAMPLE_RATE];
        for (int i = 0; i < 480; i++) {
            samples[(int) (CLICK_SECONDS * ShotMix.SAMPLE_RATE) + i] = 0.9f;
        }
        Path click = folder.resolve("click.wav");
        SoundFiles.writeWav(new PcmBuffer(ShotMix.SAMPLE_RATE, 1, samples), click);
        shot = Shot.empty("kinds", new ShotSetup(FrameRate.FILM, SIZE, 24, 1, Rgb.parse("#F0E0D0")))
                .withChalks(List.of(
                        new Chalk("chalk-1", "blue", new Rgb(20, 60, 220), 30, 0.5),
                        new Chalk("chalk-2", "red", new Rgb(220, 40, 30), 30, 1)))
                .withLevels(List.of(level("first", "chalk-1", 0), level("second", "chalk-2", 12)))
                .withSounds(List.of(SoundClip.of("sound-1", "click", click.toString(), 0)));
    }

    private static Level level(String name, String chalk, int start) {
        return Level.empty(name, name)
                .with(Drawing.empty(1).plus(Strokes.line(30, 45, 130, 45).withChalk(chalk)))
                .with(Exposures.of(Exposure.of(start, 12, 1)));
    }

    static Stream<Exporter> movies() {
        return Exporters.all().stream().filter(exporter -> exporter instanceof MovieExporter);
    }

    static Stream<String> clearKinds() {
        return Stream.of("lossless", "webp", "prores", "webm");
    }

    private Exporter.Outcome write(String id, String name, Choices choices) throws Exception {
        return Exporters.byId(id).orElseThrow().write(shot, folder.resolve(name), choices, Progress.NONE);
    }

    private static Choices half() {
        return Choices.USUAL
                .with(Chosen.RANGE, Optional.of(new FrameRange(6, 18)))
                .with(Chosen.SIZE, new Size(50, true));
    }

    @ParameterizedTest
    @MethodSource("movies")
    void aPartAtHalfSizeHasItsFramesItsSizeAndItsSound(Exporter exporter) throws Exception {
        String name = "part" + exporter.endings().get(0);
        Exporter.Outcome outcome = write(exporter.id(), name, half());
        assertThat(outcome.frames()).isEqualTo(12);
        boolean even = exporter.id().equals("movie") || exporter.id().equals("prores");
        assertThat(outcome.problems()).hasSize(even ? 1 : 0);
        try (Reference written = References.open(folder.resolve(name))) {
            assertThat(written.displaySize()).isEqualTo(new PictureSize(80, even ? 46 : 45));
            // Pictures that look the same are written once and held.
            int each = exporter.id().equals("webp") ? 6 : 1;
            assertThat(written.times().count()).isEqualTo(12 / each);
            for (int n = 0; n < 12 / each; n++) {
                assertThat(written.times().seconds(n)).isCloseTo(n * each / 24.0, within(0.0021));
                int word = written.picture(n).argbAt(40, 22);
                assertThat((word & 255) > (word >> 16 & 255)).as("blue on " + n).isEqualTo(n * each < 6);
                near(written.picture(n).argbAt(4, 4), shot.setup().paper().argb(), 3);
            }
        }
        if (exporter.choices().contains(Chosen.SOUND)) {
            PcmBuffer sound = SoundFiles.read(folder.resolve(name));
            int first = 0;
            while (Math.abs(sound.at(first, 0)) < 0.3) {
                first++;
            }
            // Frame 6 is the first: a quarter of a second earlier.
            assertThat(first / (double) sound.sampleRate()).isCloseTo(CLICK_SECONDS - 0.25, within(0.002));
        }
    }

    @ParameterizedTest
    @MethodSource("clearKinds")
    void withoutPaperMoviesKeepWhatCovers(String id) throws Exception {
        String name = "clear" + Exporters.byId(id).orElseThrow().endings().get(0);
        write(id, name, Choices.USUAL.with(Chosen.PAPER, Paper.NONE));
        boolean lossless = id.equals("lossless") || id.equals("webp");
        try (Reference written = References.open(folder.resolve(name))) {
            for (int n : new int[] {0, 11, 12, 23}) {
                int[] wanted = clear(n);
                Picture picture = written.picture(id.equals("webp") ? n / 12 : n);
                assertThat(picture.isOpaque()).isFalse();
                for (int y = 0; y < SIZE.height(); y++) {
                    for (int x = 0; x < SIZE.width(); x++) {
                        int want = wanted[y * SIZE.width() + x];
                        int got = picture.argbAt(x, y);
                        if (lossless) {
                            assertThat(got >>> 24).isEqualTo(want >>> 24);
                        } else if (y < 20 || Math.abs(y - 45) < 8 && x > 40 && x < 120) {
                            assertThat(got >>> 24).isCloseTo(want >>> 24, within(4));
                        }
                        if (want >>> 24 == 255 && lossless) {
                            assertThat(got).isEqualTo(want);
                        } else if (want >>> 24 == 255) {
                            // Up to its edge a line keeps its colour.
                            near(got, want, 16);
                        }
                    }
                }
            }
        }
    }

    private int[] clear(int frame) {
        return new FrameComposer(new RasterCache(1L << 20), Rgb.WHITE)
                .composeClear(
                        Scenes.of(shot, frame, SceneOptions.export(false), (clip, at) -> Optional.empty()),
                        Viewpoint.plain(SIZE.width(), SIZE.height()));
    }

    /** ImageIO reads what other programs do, and compares with what was composed. */
    @ParameterizedTest
    @ValueSource(strings = {"png", "tiff"})
    void numberedPicturesWithoutPaperAreExact(String kind) throws Exception {
        Choices choices = Choices.USUAL
                .with(Chosen.PAPER, Paper.NONE)
                .with(Chosen.RANGE, Optional.of(new FrameRange(11, 13)))
                .with(Chosen.SHOT_NUMBERS, false)
                .read(Chosen.PICTURES, kind);
        write("pictures", "run", choices);
        String ending = kind.equals("png") ? ".png" : ".tif";
        try (Stream<Path> files = Files.list(folder.resolve("run"))) {
            assertThat(files.map(file -> file.getFileName().toString()).sorted())
                    .containsExactly("kinds.0001" + ending, "kinds.0002" + ending);
        }
        for (int n = 0; n < 2; n++) {
            BufferedImage read = ImageIO.read(
                    folder.resolve("run/kinds.000" + (n + 1) + ending).toFile());
            assertThat(read.getRGB(0, 0, SIZE.width(), SIZE.height(), null, 0, SIZE.width()))
                    .isEqualTo(clear(11 + n));
        }
    }

    @Test
    void oneFrameIsAPictureOfItsLevelOnItsPaper() throws Exception {
        Choices choices = Choices.USUAL
                .with(Chosen.RANGE, Optional.of(FrameRange.of(12, 1)))
                .with(Chosen.PAPER, new Paper(Optional.of(new Rgb(1, 200, 3)), false));
        write("still", "one.jpg", choices);
        BufferedImage jpeg = ImageIO.read(folder.resolve("one.jpg").toFile());
        near(jpeg.getRGB(80, 45), 0xFFDC281E, 8);
        near(jpeg.getRGB(4, 4), 0xFF01C803, 8);
        write("still", "other.png", choices.with(Chosen.LEVELS, List.of("first")));
        BufferedImage png = ImageIO.read(folder.resolve("other.png").toFile());
        assertThat(png.getRGB(80, 45)).isEqualTo(0xFF01C803);
    }

    @Test
    void aHiddenLevelShowsWhenItIsAskedFor() throws Exception {
        shot = shot.withLevel("second", level -> level.withVisible(false));
        Choices twelve = Choices.USUAL.with(Chosen.RANGE, Optional.of(FrameRange.of(12, 1)));
        write("still", "hidden.png", twelve);
        write("still", "asked.png", twelve.with(Chosen.LEVELS, List.of("second")));
        assertThat(ImageIO.read(folder.resolve("hidden.png").toFile()).getRGB(80, 45))
                .isEqualTo(shot.setup().paper().argb());
        near(ImageIO.read(folder.resolve("asked.png").toFile()).getRGB(80, 45), 0xFFDC281E, 0);
    }

    /** Twice as large is drawn twice as large, and not blown up: its edges stay within a pixel. */
    @Test
    void twiceAsLargeIsDrawnSo() throws Exception {
        write(
                "still",
                "large.png",
                Choices.USUAL
                        .with(Chosen.RANGE, Optional.of(FrameRange.of(12, 1)))
                        .with(Chosen.SIZE, Size.parse("320")));
        BufferedImage large = ImageIO.read(folder.resolve("large.png").toFile());
        assertThat(large.getWidth()).isEqualTo(320);
        assertThat(large.getHeight()).isEqualTo(180);
        int between = 0;
        for (int y = 0; y < 180; y++) {
            int green = large.getRGB(160, y) >> 8 & 255;
            between += green > 50 && green < 215 ? 1 : 0;
        }
        assertThat(between).isLessThanOrEqualTo(2);
    }

    /** Common practice: 35 mm film has 16 frames to a foot, so that frame 17 from 0 begins at one foot and one frame. */
    @Test
    void whatIsWrittenInSaysWhereOneIs() throws Exception {
        Set<BurntIn.Item> all = Choices.USUAL
                .read(Chosen.BURN_IN, "time,frame,feet,shot,drawings,words")
                .get(Chosen.BURN_IN);
        Shot spoken = shot.withWords(List.of(new Word("word-1", "hot", 0.6, 0.8, 1, false, "", List.of())));
        assertThat(BurntIn.text(spoken, 17, all).split(" {4}"))
                .containsExactly("18", "0:00.708", "1+01", "kinds", "second 1", "hot");
        Choices choices = Choices.USUAL
                .with(Chosen.RANGE, Optional.of(FrameRange.of(12, 1)))
                .with(Chosen.SIZE, new Size(400, true));
        write("still", "plain.png", choices);
        write("still", "written.png", choices.read(Chosen.BURN_IN, "frame,shot"));
        BufferedImage plain = ImageIO.read(folder.resolve("plain.png").toFile());
        BufferedImage written = ImageIO.read(folder.resolve("written.png").toFile());
        int lower = 0;
        for (int y = 0; y < plain.getHeight(); y++) {
            for (int x = 0; x < plain.getWidth(); x++) {
                boolean same = plain.getRGB(x, y) == written.getRGB(x, y);
                if (y < plain.getHeight() * 0.9) {
                    assertThat(same).isTrue();
                } else if (!same) {
                    lower++;
                }
            }
        }
        assertThat(lower).isGreaterThan(plain.getWidth() * 10);
        assertThatExceptionOfType(IllegalArgumentException.class)
                .isThrownBy(() -> Choices.USUAL.read(Chosen.BURN_IN, "frame,weather"))
                .withMessageContaining("weather");
    }

    /** The longest line fits into the smallest picture. */
    @ParameterizedTest
    @ValueSource(ints = {1, 8, 40, 160})
    void aLongLineFitsIntoASmallPicture(int width) throws Exception {
        shot = shot.withName("a name that is longer than any picture of this width could ever hold in one line");
        Choices choices = Choices.USUAL
                .with(Chosen.RANGE, Optional.of(FrameRange.of(12, 1)))
                .with(Chosen.SIZE, new Size(width, false))
                .read(Chosen.BURN_IN, "shot,time,drawings");
        assertThat(write("still", "small.png", choices).complete()).isTrue();
        BufferedImage small = ImageIO.read(folder.resolve("small.png").toFile());
        if (width >= 40) {
            // No letter is cut by the right edge: nothing but the strip is there.
            int last = small.getRGB(width - 1, small.getHeight() - 1);
            for (int y = small.getHeight() - 8; y < small.getHeight(); y++) {
                assertThat(small.getRGB(width - 1, y)).isEqualTo(last);
            }
        }
    }

    @Test
    void whatCanNotBeIsSaidAndNothingIsLeft() throws Exception {
        refused("movie", "a.mp4", Choices.USUAL.read(Chosen.RANGE, "20-24"), "0 to 23");
        refused("movie", "a.mp4", Choices.USUAL.with(Chosen.LEVELS, List.of("third")), "first, second");
        refused("still", "a.png", Choices.USUAL, "--range");
        refused("pictures", "run", Choices.USUAL.with(Chosen.PAPER, Paper.NONE).read(Chosen.PICTURES, "jpeg"), "PNG");
        refused("movie", "a.mp4", Choices.USUAL.with(Chosen.SIZE, Size.parse("99999")), "99999");
        assertThatExceptionOfType(IllegalArgumentException.class)
                .isThrownBy(() -> Choices.USUAL.read(Chosen.OPAQUE_PAPER, "none"));
        for (String wrong : List.of("7-3", "x", "-4", "1-2-3", "")) {
            assertThatExceptionOfType(IllegalArgumentException.class)
                    .isThrownBy(() -> Choices.USUAL.read(Chosen.RANGE, wrong));
        }
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left).containsExactly(folder.resolve("click.wav"));
        }
    }

    private void refused(String id, String name, Choices choices, String said) {
        assertThatExceptionOfType(UnwritableException.class)
                .isThrownBy(() -> write(id, name, choices))
                .withMessageContaining(said);
    }

    private static void near(int word, int wanted, int off) {
        for (int shift = 0; shift <= 16; shift += 8) {
            assertThat(word >> shift & 255).isCloseTo(wanted >> shift & 255, within(off));
        }
    }
}
