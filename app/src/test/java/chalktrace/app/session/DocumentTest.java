package chalktrace.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.BareSession;
import chalktrace.core.testing.Shots;
import java.nio.file.Path;
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
}
