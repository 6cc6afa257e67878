package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.media.sound.SoundFiles;
import chalktrace.media.testing.Clips;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class GatheredTest {

    @TempDir
    Path folder;

    @Test
    void aClipOffersItsOwnRateSizeAndLength() throws Exception {
        Gathered clip = Gathered.from(Clips.numbered(folder.resolve("a.mp4"), 50, FrameRate.of(25), 5), 0);
        ShotSetup offered = clip.offeredSetup(Shots.empty().setup(), Optional.empty());
        assertThat(offered.rate()).isEqualTo(FrameRate.of(25));
        assertThat(offered.size()).isEqualTo(Clips.SIZE);
        assertThat(offered.length()).isEqualTo(50);
        assertThat(clip.offeredSetup(Shots.empty().setup(), Optional.of(FrameRate.FILM))
                        .length())
                .as("two seconds at 24")
                .isEqualTo(48);
    }

    @Test
    void aClipOfAnUnusualRateOffersTheUsualOneNextToItOrTwentyFourAndKeepsItsTime() throws Exception {
        Gathered phone = Gathered.from(Clips.numbered(folder.resolve("a.mp4"), 60, new FrameRate(29966, 1000), 5), 0);
        assertThat(phone.offeredSetup(Shots.empty().setup(), Optional.empty()).rate())
                .isEqualTo(FrameRate.NTSC);
        Gathered slow = Gathered.from(Clips.numbered(folder.resolve("b.mp4"), 20, FrameRate.of(10), 5), 0);
        ShotSetup offered = slow.offeredSetup(Shots.empty().setup(), Optional.empty());
        assertThat(offered.rate()).isEqualTo(FrameRate.FILM);
        assertThat(offered.length()).as("two seconds at 24").isEqualTo(48);
    }

    @Test
    void soundComesAlongInStepWithThePicturesThatAreTaken() throws Exception {
        Gathered clip = Gathered.from(Clips.numbered(folder.resolve("a.mp4"), 50, FrameRate.of(25), 20), 0);
        Conform part = new Conform(12, 15, 40, 1, Conform.Pace.KEEP_TIME);
        Shot shot = clip.edit(Shots.empty(), Optional.of(part)).change().apply(Shots.empty());
        // Picture 20 is heard 5/25 s after picture 15, which shows at frame 12.
        double click = shot.sounds().get(0).startSeconds() + 20 / 25.0;
        assertThat(click).isCloseTo(12 / 24.0 + 5 / 25.0, within(0.01));
    }

    @Test
    void atAnotherPaceItsSoundWouldNotFitAndStaysAway() throws Exception {
        Gathered clip = Gathered.from(Clips.numbered(folder.resolve("a.mp4"), 50, FrameRate.of(25), 20), 0);
        for (Conform conform : List.of(
                new Conform(0, 0, 50, 1, Conform.Pace.PICTURE_FOR_FRAME),
                new Conform(0, 0, 50, 1, Conform.Pace.KEEP_TIME, 2))) {
            Shot shot = clip.edit(Shots.empty(), Optional.of(conform)).change().apply(Shots.empty());
            assertThat(shot.footage()).hasSize(1);
            assertThat(shot.sounds()).isEmpty();
        }
    }

    @Test
    void aSoundOffersItsLengthOnly() throws Exception {
        Path wav = folder.resolve("line.wav");
        SoundFiles.writeWav(new PcmBuffer(48_000, 1, new float[48_000 * 3 / 2]), wav);
        Gathered line = Gathered.from(wav, 0);
        ShotSetup offered = line.offeredSetup(Shots.empty().setup(), Optional.empty());
        assertThat(offered.size()).isEqualTo(new PictureSize(320, 180));
        assertThat(offered.length()).isEqualTo(37);
    }

    @Test
    void aRenamedFileIsKnownByItsContents() throws Exception {
        Path before = Files.writeString(folder.resolve("take 1.mp4"), "the very pictures");
        ContentMark mark = ContentMark.of(before).orElseThrow();
        Path now =
                Files.move(before, Files.createDirectories(folder.resolve("b")).resolve("final.mp4"));
        Files.writeString(Files.createDirectories(folder.resolve("c")).resolve("take 1.mp4"), "other pictures...");
        assertThat(LostFiles.find(List.of(before), Map.of(before, mark), folder))
                .containsExactly(Map.entry(before, now));
    }

    @Test
    void lostFilesAreFoundByNameAndTheLikeliestOfSeveralIsTaken() throws Exception {
        Path right = Files.createDirectories(folder.resolve("disk/shots/walk"));
        Path wrong = Files.createDirectories(folder.resolve("disk/old"));
        Files.writeString(right.resolve("clip.mp4"), "a");
        Files.writeString(wrong.resolve("clip.mp4"), "b");
        Path lost = Path.of("/before/shots/walk/clip.mp4");
        Path gone = Path.of("/before/shots/walk/never.mp4");
        Map<Path, Path> found = LostFiles.find(List.of(lost, gone), Map.of(), folder);
        assertThat(found).containsOnlyKeys(lost);
        assertThat(found.get(lost)).isEqualTo(right.resolve("clip.mp4"));
    }
}
