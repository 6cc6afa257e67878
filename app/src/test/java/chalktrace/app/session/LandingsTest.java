package chalktrace.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.testing.Shots;
import org.junit.jupiter.api.Test;

class LandingsTest {

    private static String words(Shot shot, int frame) {
        return Landings.words(shot, StrokeLanding.of(shot, Shots.LEVEL, frame));
    }

    @Test
    void framesAreToldInTheShotsNumbering() {
        Shot shot = Shots.showing(Exposure.of(4, 4, 3), Exposure.of(20, 1, 3));
        assertThat(words(shot, 5)).isEqualTo("rough: drawing 3, frames 5 to 8, linked at 21");
        assertThat(words(shot, 30)).isEqualTo("rough: new drawing 4, frames 31 to 32");
        assertThat(words(shot, 47)).isEqualTo("rough: new drawing 4, frame 48");
    }
}
