package chalktrace.app.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.testing.ChalkLine;
import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.testing.Movements;
import chalktrace.core.testing.MovingClip;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.media.file.PointFiles;
import chalktrace.media.file.ShotFile;
import chalktrace.media.testing.Clips;
import chalktrace.media.testing.TexturedClips;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StudyCommandsTest {

    private static final int FRAMES = 40;

    @TempDir
    Path folder;

    private final ChalkLine line = new ChalkLine();

    private static List<Integer> frames(JsonNode rows) {
        List<Integer> out = new ArrayList<>();
        rows.forEach(row -> out.add(row.path("frame").asInt()));
        return out;
    }

    @Test
    void aPointOfAMovieIsFollowedBothWaysAndLostWhereItIsCovered() throws Exception {
        MovingClip clip = new MovingClip(1, FRAMES, 8, false, 28);
        Path movie = TexturedClips.write(clip, folder.resolve("thing.mp4"));
        double[] at = clip.truth(6, -8, 10);
        JsonNode point = line.json("track", movie, "--at", "10," + (at[0] + 0.5) + "," + (at[1] + 0.5), "--json")
                .path("points")
                .path(0);
        assertThat(point.path("at").path("frame").asInt()).isEqualTo(10);
        assertThat(frames(point.path("track"))).contains(0, 10, 20);
        int covered = covered(clip);
        point.path("track").forEach(entry -> {
            if (entry.path("frame").asInt() >= covered) {
                return;
            }
            double[] truth = clip.truth(6, -8, entry.path("frame").asInt());
            assertThat(Math.hypot(
                            entry.path("x").asDouble() - truth[0] - 0.5,
                            entry.path("y").asDouble() - truth[1] - 0.5))
                    .as("frame " + entry.path("frame"))
                    .isLessThan(1);
            assertThat(entry.path("certainty").asDouble()).isBetween(0.0, 1.0);
        });
        assertThat(frames(point.path("lost")))
                .singleElement()
                .isIn(covered - 2, covered - 1, covered, covered + 1, covered + 2);
        assertThat(point.path("lost").path(0).path("reason").asText()).contains("covered");
    }

    @Test
    void ofAStillClipItSaysThatNothingMoves() throws Exception {
        Path movie = Clips.still(folder.resolve("still.mp4"), FRAMES, FrameRate.FILM);
        assertThat(line.run("study", movie)).isZero();
        assertThat(line.out()).startsWith("Nothing moves in still.mp4");
    }

    private static int covered(MovingClip clip) {
        int frame = 0;
        while (!clip.covers(6, -8, frame)) {
            frame++;
        }
        return frame;
    }

    @Test
    void twoPointsGiveTheTurnAndGrowthOfTheLineBetweenThem() throws Exception {
        MovingClip clip = new MovingClip(5, 24, 4, false, -1);
        Path movie = TexturedClips.write(clip, folder.resolve("thing.mp4"));
        double[] a = clip.truth(-24, 4, 0);
        double[] b = clip.truth(16, 8, 0);
        JsonNode pair = line.json(
                        "track",
                        movie,
                        "--at",
                        "0," + (a[0] + 0.5) + "," + (a[1] + 0.5),
                        "--at",
                        "0," + (b[0] + 0.5) + "," + (b[1] + 0.5),
                        "--pair",
                        "--json")
                .path("pair");
        assertThat(pair).hasSizeGreaterThan(20);
        JsonNode last = pair.path(pair.size() - 1);
        double[] endA = clip.truth(-24, 4, last.path("frame").asInt());
        double[] endB = clip.truth(16, 8, last.path("frame").asInt());
        double scale = Math.hypot(endB[0] - endA[0], endB[1] - endA[1]) / Math.hypot(b[0] - a[0], b[1] - a[1]);
        double turned =
                Math.toDegrees(Math.atan2(endB[1] - endA[1], endB[0] - endA[0]) - Math.atan2(b[1] - a[1], b[0] - a[0]));
        assertThat(last.path("scale").asDouble()).isBetween(scale - 0.02, scale + 0.02);
        assertThat(last.path("turned").asDouble()).isBetween(turned - 1.5, turned + 1.5);
    }

    @Test
    void proposalsFromATableHaveTheirReasonsAndTheSpacing() throws Exception {
        Path movie = TexturedClips.write(new MovingClip(1, 120, 2, false, -1), folder.resolve("thing.mp4"));
        Movements.Known known = Movements.swings(41, 0);
        Path table = Files.writeString(
                folder.resolve("hand.csv"), PointFiles.text(Path.of("hand.csv"), List.of(known.point())));
        JsonNode study = line.json("study", movie, "--points", table, "--json");
        assertThat(frames(study.path("keys"))).isEqualTo(known.turns());
        study.path("keys").forEach(key -> {
            assertThat(key.path("reason").asText()).isNotEmpty();
            assertThat(key.path("points").path(0).asText()).isEqualTo("hand");
        });
        assertThat(study.path("spans")).hasSize(known.turns().size() - 1);
        JsonNode spacing = study.path("spacing").path(3);
        assertThat(spacing.path("point").asText()).isEqualTo("hand");
        assertThat(spacing.path("px").asDouble())
                .isCloseTo(known.point().spacing(spacing.path("frame").asInt()).orElseThrow(), within(0.002));
    }

    @Test
    void aShotIsStudiedByItsTrackedPointsThroughTimingAndPlacement() throws Exception {
        Path movie = TexturedClips.write(new MovingClip(1, 30, 2, false, -1), folder.resolve("thing.mp4"));
        ShotSetup setup = new ShotSetup(FrameRate.of(24), new PictureSize(960, 540), 60, 1, Rgb.WHITE);
        List<TrackPath.Place> places = new ArrayList<>();
        for (int n = 0; n < 30; n++) {
            places.add(
                    new TrackPath.Place(n, 100 + 10 * (n < 15 ? n : 30 - n), 50, 1, 0, 1, TrackPath.Origin.FOLLOWED));
        }
        Shot shot = Shot.empty("study", setup)
                .withFootage(List.of(Footage.of(
                        "footage-1", "thing", movie.toString(), new Conform(20, 0, 30, 1, Conform.Pace.KEEP_TIME))))
                .withTracks(List.of(
                        new Track("track-1", "cup", Rgb.WHITE, true, "footage-1", 0, TrackPath.of(places, List.of()))));
        Path file = folder.resolve("study.chalk");
        ShotFile.fresh().save(shot, file);
        JsonNode study = line.json("study", file, "--json");
        assertThat(frames(study.path("keys"))).contains(35);
        // The source of 480 px is shown twice as wide in a shot of 960 px.
        assertThat(study.path("spacing").path(0).path("px").asDouble()).isEqualTo(20);
    }

    @Test
    void badInputGetsASentence() throws Exception {
        Path movie = TexturedClips.write(new MovingClip(1, 12, 2, false, -1), folder.resolve("thing.mp4"));
        assertThat(line.run("track", movie, "--at", "12,5,5")).isEqualTo(1);
        assertThat(line.err()).contains("picture 12, which is not among 0 to 11");
        assertThat(line.run("track", movie, "--at", "x,5,5")).isEqualTo(2);
        assertThat(line.err()).contains("not FRAME,X,Y");
        assertThat(line.run("track", movie, "--at", "0,5,5", "--pair")).isEqualTo(1);
        assertThat(line.err()).contains("--pair wants two points");
        assertThat(line.run("track", movie, "--at", "0,5,5", "--from", "9", "--to", "3"))
                .isEqualTo(1);
        assertThat(line.err()).contains("--from and --to");
        Path table = Files.writeString(folder.resolve("late.csv"), "point,frame,x,y\nhand,50,1,1\n");
        assertThat(line.run("study", movie, "--points", table)).isEqualTo(1);
        assertThat(line.err()).contains("late.csv names frame 50, but the clip has 12 frames");
        ShotFile.fresh().save(Shot.empty("none", ShotSetup.standard()), folder.resolve("none.chalk"));
        assertThat(line.run("study", folder.resolve("none.chalk"))).isEqualTo(1);
        assertThat(line.err()).contains("has no tracked point");
    }
}
