package chalktrace.benchmarks;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.stroke.Ink;
import chalktrace.core.stroke.PenSample;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRate;
import chalktrace.media.codec.MovieEncoder;
import chalktrace.media.footage.Gathered;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;

/** What the benchmarks work on: a 1080p clip with movement and grain, and a shot drawn over it. */
final class Material {

    static final PictureSize FULL_HD = new PictureSize(1920, 1080);
    static final String LEVEL = "level-1";

    private static final int STROKES = 30;

    private Material() {}

    /** A clip of 1080p pictures, about as hard to decode as filmed ones. */
    static Path clip(int frames) throws IOException {
        Path file = Files.createTempFile("benchmark", ".mp4");
        file.toFile().deleteOnExit();
        try (MovieEncoder encoder = new MovieEncoder(file, FULL_HD, FrameRate.FILM, false)) {
            for (int f = 0; f < frames; f++) {
                encoder.add(picture(f), null);
            }
            encoder.finish();
        }
        return file;
    }

    /** Waves that move, with grain. */
    static int[] picture(int frame) {
        int width = FULL_HD.width();
        int[] words = new int[width * FULL_HD.height()];
        SplittableRandom random = new SplittableRandom(frame);
        for (int y = 0; y < FULL_HD.height(); y++) {
            double across = Math.sin(y * 0.011 + frame * 0.07);
            for (int x = 0; x < width; x++) {
                int light = (int) (128 + 60 * across * Math.sin(x * 0.013 - frame * 0.05)) + random.nextInt(-6, 7);
                words[y * width + x] = 0xFF000000 | light << 16 | (light + 20) << 8 | light / 2 + 60;
            }
        }
        return words;
    }

    /** A shot over the clip with a drawing of thirty strokes on every second frame. */
    static Shot shot(Path clip) throws Exception {
        Gathered gathered = Gathered.from(clip, 0);
        Shot empty = Shot.empty("benchmark", gathered.offeredSetup(ShotSetup.standard(), Optional.empty()));
        Shot shot = gathered.edit(empty).change().apply(empty);
        List<Drawing> drawings = new ArrayList<>();
        List<Exposure> runs = new ArrayList<>();
        for (int f = 0; f + 2 <= shot.setup().length(); f += 2) {
            drawings.add(new Drawing(f / 2 + 1, strokes(f, STROKES)));
            runs.add(Exposure.of(f, 2, f / 2 + 1));
        }
        return shot.withLevel(
                LEVEL,
                level -> new Level(
                        level.id(), level.name(), true, false, 1, LevelStyle.ROUGH, drawings, new Exposures(runs)));
    }

    static List<Stroke> strokes(int seed, int count) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Stroke> out = new ArrayList<>();
        for (int s = 0; s < count; s++) {
            Ink ink = new Ink("chalk-1");
            samples(random).forEach(ink::add);
            out.add(ink.finish());
        }
        return out;
    }

    /** A curved stroke of a second, 125 samples. */
    static List<PenSample> samples(SplittableRandom random) {
        double x = random.nextDouble(300, 1500);
        double y = random.nextDouble(200, 800);
        double turn = random.nextDouble(0.01, 0.05);
        double heading = random.nextDouble(0, 6);
        List<PenSample> out = new ArrayList<>();
        for (int i = 0; i < 125; i++) {
            heading += turn;
            x += 4 * Math.cos(heading);
            y += 4 * Math.sin(heading);
            out.add(new PenSample(x, y, 0.3 + 0.5 * Math.sin(i * 0.025), i * 0.008));
        }
        return out;
    }
}
