package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import chalktrace.core.motion.Track;
import chalktrace.core.motion.TrackPath;
import chalktrace.core.picture.Rgb;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRange;
import java.util.List;
import org.junit.jupiter.api.Test;

class ShotTest {

    @Test
    void aGroupHidesFadesAndLocksItsLevels() {
        Shot shot = Shots.empty()
                .withLevels(List.of(Level.empty("level-1", "arm").withOpacity(0.5), Level.empty("level-2", "head")))
                .withGroups(List.of(new LevelGroup("group-1", "figure", List.of("level-1"), false, true, 0.5, false)));
        Level arm = shot.level("level-1").orElseThrow();
        Level head = shot.level("level-2").orElseThrow();
        assertThat(shot.isShown(arm)).isFalse();
        assertThat(shot.isLocked(arm)).isTrue();
        assertThat(shot.opacityOf(arm)).isEqualTo(0.25);
        assertThat(shot.isShown(head)).isTrue();
        assertThat(shot.isLocked(head)).isFalse();
        assertThat(shot.opacityOf(head)).isEqualTo(1);
    }

    @Test
    void anIdIsUsedOnce() {
        Shot shot = Shots.empty();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> shot.withLevels(List.of(Level.empty("level-1", "a"), Level.empty("level-1", "b"))));
        assertThat(shot.newId("level")).isEqualTo("level-2");
    }

    @Test
    void aLevelCanNotShowADrawingThatItLacks() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Level.empty("level-1", "rough").with(Exposures.of(Exposure.of(4, 1, 7))))
                .withMessageContaining("drawing 7");
    }

    @Test
    void framesAreNumberedAsTheShotSays() {
        ShotSetup fromZero = new ShotSetup(
                Shots.empty().setup().rate(),
                Shots.empty().setup().size(),
                10,
                0,
                Shots.empty().setup().paper());
        assertThat(Shots.empty().setup().number(11)).isEqualTo(12);
        assertThat(fromZero.number(11)).isEqualTo(11);
        assertThat(fromZero.frame(fromZero.number(3))).isEqualTo(3);
    }

    @Test
    void whatAnEditLeavesAloneIsTheSameList() {
        Shot shot = Shots.empty()
                .withFootage(
                        List.of(Footage.of("clip", "clip", "/a.mp4", new Conform(0, 0, 9, 1, Conform.Pace.KEEP_TIME))))
                .withTracks(List.of(new Track("t", "t", Rgb.WHITE, true, "clip", 0, TrackPath.NONE)))
                .withCycles(List.of(new Cycle(Shots.LEVEL, new FrameRange(0, 4))));
        Shot renamed = shot.withName("other");
        assertThat(renamed.tracks()).isSameAs(shot.tracks());
        assertThat(renamed.cycles()).isSameAs(shot.cycles());
        assertThat(renamed.footage()).isSameAs(shot.footage());
        assertThat(renamed.marks()).isSameAs(shot.marks());
        assertThat(shot.withFootage(List.of()).tracks())
                .as("those of footage that goes, go")
                .isEmpty();
    }
}
