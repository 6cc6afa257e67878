package chalktrace.media.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.FrameRate;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.Gathered;
import chalktrace.media.footage.VideoClip;
import chalktrace.media.sound.SoundFiles;
import chalktrace.media.testing.Clips;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ShotExportTest {

    private static final int CLICK = 20;

    @TempDir
    Path folder;

    private Shot shot;

    /** 48 frames over a clip with numbers and a click, and one line drawn on frames 10 and 11. */
    @BeforeEach
    void shot() throws Exception {
        Path clip = Clips.numbered(folder.resolve("clip.mp4"), 48, FrameRate.FILM, CLICK);
        Gathered gathered = Gathered.from(clip, 0);
        Shot drawn = Shots.showing(Exposure.of(10, 2, 4));
        Shot empty = drawn.withSetup(gathered.offeredSetup(drawn.setup(), Optional.empty()));
        shot = gathered.edit(empty).change().apply(empty);
    }

    private Exporter.Outcome export(boolean withFootage, Path target) throws Exception {
        return export(withFootage, target, Progress.NONE);
    }

    private Exporter.Outcome export(boolean withFootage, Path target, Progress progress) throws Exception {
        Exporter exporter = Exporters.forFile(target.toString(), 1).orElse(Exporters.forFolder());
        return exporter.write(shot, target, Choices.USUAL.with(Chosen.FOOTAGE, withFootage), progress);
    }

    private static boolean isLine(int word) {
        return (word >> 16 & 255) > 180 && (word >> 8 & 255) > 150 && (word & 255) < 130;
    }

    @Test
    void theLineIsOnItsFramesAndFootageStaysOut() throws Exception {
        Path movie = folder.resolve("out.mp4");
        export(false, movie);
        try (VideoClip out = VideoClip.open(movie)) {
            assertThat(out.times().count()).isEqualTo(48);
            for (int n = 0; n < 48; n++) {
                assertThat(isLine(out.picture(n).argbAt(50, 80)))
                        .as("frame " + n)
                        .isEqualTo(n == 10 || n == 11);
                assertThat(out.picture(n).argbAt(340, 40) & 0xFF).as("paper").isGreaterThan(220);
            }
        }
    }

    @Test
    void footageIsExactWhenItIsAskedFor() throws Exception {
        Path movie = folder.resolve("out.mp4");
        export(true, movie);
        try (VideoClip out = VideoClip.open(movie)) {
            for (int n = 0; n < 48; n++) {
                assertThat(Clips.number(out.picture(n))).isEqualTo(n);
            }
        }
    }

    @Test
    void theClickIsHeardOnItsFrame() throws Exception {
        Path movie = folder.resolve("out.mp4");
        export(false, movie);
        PcmBuffer sound = SoundFiles.read(movie);
        int first = 0;
        while (Math.abs(sound.at(first, 0)) < 0.3) {
            first++;
        }
        assertThat(first / (double) ShotMix.SAMPLE_RATE).isCloseTo(CLICK / 24.0, within(0.5 / 24));
    }

    @Test
    void picturesAreNumberedAsTheShotShowsThem() throws Exception {
        shot = shot.withSetup(shot.setup().withLength(3))
                .withLevels(Shots.empty().levels());
        Path out = folder.resolve("run");
        export(true, out);
        try (var files = Files.list(out)) {
            assertThat(files.map(path -> path.getFileName().toString()).sorted())
                    .containsExactly("test.0001.png", "test.0002.png", "test.0003.png");
        }
        try (VideoClip third = VideoClip.open(out.resolve("test.0003.png"))) {
            assertThat(Clips.number(third.picture(0))).isEqualTo(2);
        }
    }

    @Test
    void anEndedExportLeavesNothingBehind() throws Exception {
        Path movie = folder.resolve("out.mp4");
        Progress fiveFrames = (done, total) -> done < 5;
        assertThat(export(true, movie, fiveFrames).complete()).isFalse();
        assertThat(export(true, folder.resolve("run"), fiveFrames).complete()).isFalse();
        assertThat(export(true, folder.resolve("out.apng"), fiveFrames).complete())
                .isFalse();
        assertThat(folder.resolve("run")).doesNotExist();
        try (var files = Files.walk(folder)) {
            assertThat(files.filter(Files::isRegularFile)).containsExactly(folder.resolve("clip.mp4"));
        }
    }

    @Test
    void anEndedExportLeavesThePicturesOfAnEarlierOneAlone() throws Exception {
        shot = shot.withSetup(shot.setup().withLength(8));
        Path run = folder.resolve("run");
        export(false, run);
        byte[] before = Files.readAllBytes(run.resolve("test.0002.png"));
        export(true, run, (done, total) -> done < 5);
        assertThat(Files.readAllBytes(run.resolve("test.0002.png"))).isEqualTo(before);
        try (var files = Files.list(run)) {
            assertThat(files).hasSize(8);
        }
    }

    @Test
    void aHiddenReferenceThatIsMissingIsNoMatterForAnExport() throws Exception {
        shot = shot.withFootage(shot.footage().get(0).id(), clip -> clip.withVisible(false))
                .withSounds(List.of());
        Files.delete(folder.resolve("clip.mp4"));
        assertThat(export(true, folder.resolve("out.mp4")).complete()).isTrue();
    }

    /** Read again by FFmpeg, which knows nothing of ours. */
    @Test
    void anAnimatedPictureHoldsEveryFrameExactlyForItsTime() throws Exception {
        shot = shot.withSetup(shot.setup().withLength(16));
        Path file = folder.resolve("out.apng");
        export(false, file);
        Path pictures = folder.resolve("run");
        export(false, pictures);
        try (VideoClip out = VideoClip.open(file)) {
            // Nothing, the line on frames 10 and 11, nothing again: three pictures.
            assertThat(out.times().count()).isEqualTo(3);
            assertThat(out.times().seconds(1)).isCloseTo(10 / 24.0, within(1e-3));
            assertThat(out.times().seconds(2)).isCloseTo(12 / 24.0, within(1e-3));
            assertThat(out.picture(0).argbAt(50, 80)).isNotEqualTo(0);
            BufferedImage drawn = ImageIO.read(pictures.resolve("test.0011.png").toFile());
            for (int x = 0; x < drawn.getWidth(); x += 7) {
                assertThat(out.picture(1).argbAt(x, 80)).isEqualTo(drawn.getRGB(x, 80));
            }
        }
    }

    @Test
    void aMissingClipIsNamedBeforeAnythingIsWritten() throws Exception {
        Files.delete(folder.resolve("clip.mp4"));
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> export(true, folder.resolve("out.mp4")))
                .withMessageContaining("clip.mp4");
        assertThat(folder.resolve("out.mp4")).doesNotExist();
    }

    @Test
    void aShotOfOddSizeBecomesAMovieToo() throws Exception {
        ShotSetup odd = new ShotSetup(
                FrameRate.FILM, new PictureSize(321, 181), 4, 1, shot.setup().paper());
        shot = Shots.showing(Exposure.of(0, 4, 1)).withSetup(odd);
        Path movie = folder.resolve("odd.mp4");
        export(false, movie);
        try (VideoClip out = VideoClip.open(movie)) {
            assertThat(out.displaySize()).isEqualTo(new PictureSize(322, 182));
            assertThat(isLine(out.picture(3).argbAt(50, 20))).isTrue();
        }
    }
}
