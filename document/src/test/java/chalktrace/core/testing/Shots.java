package chalktrace.core.testing;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import java.util.Arrays;
import java.util.List;

/** Small shots for tests. */
public final class Shots {

    public static final String LEVEL = "level-1";

    private Shots() {}

    /** 24 frames a second, 320x180, 48 frames, numbered from 1, white paper, one empty level. */
    public static Shot empty() {
        return Shot.empty(
                "test", new ShotSetup(FrameRate.FILM, new PictureSize(320, 180), 48, 1, new Rgb(255, 255, 255)));
    }

    /** As {@link #empty()}, with drawings 1, 2, ... that each hold one line, shown by these runs. */
    public static Shot showing(Exposure... runs) {
        int highest = Arrays.stream(runs).mapToInt(Exposure::drawing).max().orElse(0);
        Level level = Level.empty(LEVEL, "rough");
        for (int n = 1; n <= highest; n++) {
            level = level.with(new Drawing(n, List.of(Strokes.line(10, 20 * n, 100, 20 * n))));
        }
        return empty().withLevels(List.of(level.with(Exposures.of(runs))));
    }

    public static Level level(Shot shot) {
        return shot.level(LEVEL).orElseThrow();
    }
}
