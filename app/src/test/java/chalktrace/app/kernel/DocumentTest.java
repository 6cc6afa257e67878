package chalktrace.app.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.BareSession;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Exposures;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

@ExtendWith(ApplicationExtension.class)
class DocumentTest {

    @TempDir
    Path folder;

    @Test
    void everyNewShotStartsAtItsFirstFrameAndNotOnlyTheFirstOne() {
        try (BareSession bare = new BareSession(folder, Shots.empty())) {
            for (int i = 0; i < 3; i++) {
                bare.run(() -> bare.session.transport().go(7));
                bare.run(() -> bare.session.shelf().startNew(Shots.empty()));
                assertThat(bare.get(() -> bare.session.transport().frame())).isZero();
                assertThat(bare.get(() -> bare.session.selection().level())).isEqualTo(Shots.LEVEL);
            }
        }
    }

    @Test
    void aShotOpensOnTheLevelThatWasDrawnOnMost() {
        Shot one = Shots.showing(Exposure.of(0, 2, 1), Exposure.of(2, 2, 2));
        Level mouths = new Level(
                "mouths",
                "mouths",
                true,
                false,
                1,
                LevelStyle.ROUGH.withRole(LevelStyle.Role.MOUTH),
                List.of(),
                Exposures.NONE);
        Shot shot = one.withLevels(List.of(mouths, Level.empty("cup", "cup"), Shots.level(one)));
        try (BareSession bare = new BareSession(folder, Shots.empty())) {
            bare.run(() -> bare.session.shelf().startNew(shot));
            assertThat(bare.get(() -> bare.session.selection().level())).isEqualTo(Shots.LEVEL);
        }
    }
}
