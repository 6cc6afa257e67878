package chalktrace.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.edit.reference.SoundEdits;
import chalktrace.core.edit.timing.CueEdits;
import chalktrace.core.edit.timing.ShotTimingEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.testing.Shots;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SyncReportTest {

    /** ITU-R BT.1359-1: detectability +45 / -125 ms, acceptability +90 / -185 ms, sound before picture counted as positive. */
    @ParameterizedTest
    @CsvSource({
        "0, GOOD",
        "-45, GOOD",
        "125, GOOD",
        "-46, NOTICED",
        "126, NOTICED",
        "-90, NOTICED",
        "185, NOTICED",
        "-91, OFF",
        "186, OFF"
    })
    void lateAndEarlySoundIsJudgedByTheStandard(double lateMillis, SyncReport.Verdict verdict) {
        assertThat(SyncReport.verdict(lateMillis)).isEqualTo(verdict);
    }

    private static Shot with(double seconds, int frame, double lead) {
        return Shots.showing(Exposure.of(0, 24, 1), Exposure.of(24, 24, 2))
                .withCues(List.of(new Cue(
                        "cue-1",
                        "step",
                        seconds,
                        Cue.Kind.STEP,
                        Optional.of(new Cue.Tie(Optional.of("level-1"), frame, lead)))));
    }

    @Test
    void anIntendedLeadIsTakenOffFirst() {
        // Common practice: the sound of a step lies 1 to 2 frames before its contact, by choice.
        SyncReport.Row row = SyncReport.of(with(23 / 24.0, 24, 1)).get(0);
        assertThat(row.millis()).isCloseTo(0, within(1e-6));
        assertThat(SyncReport.of(with(23 / 24.0, 24, 0)).get(0).millis()).isCloseTo(-1000 / 24.0, within(1e-6));
    }

    @Test
    void thePictureMovesToItsSoundAndTheSoundToItsPicture() {
        Shot off = with(1.5, 24, 0);
        Shot moved = CueEdits.movePicture("cue-1").change().apply(off);
        assertThat(SyncReport.of(moved).get(0).millis()).isCloseTo(0, within(1e-6));
        assertThat(Shots.level(moved).exposures().at(36).map(Exposure::start)).hasValue(36);
        Shot sounding = off.withSounds(List.of(SoundClip.of("sound-1", "step", "step.wav", 1.4)));
        double by = CueEdits.secondsToPicture(sounding, "cue-1");
        Shot heard =
                SoundEdits.move("move", "sound-1", by, Set.of("cue-1")).change().apply(sounding);
        assertThat(SyncReport.of(heard).get(0).millis()).isCloseTo(0, within(1e-6));
        assertThat(heard.sounds().get(0).startSeconds()).isCloseTo(0.9, within(1e-9));
    }

    @Test
    void framesPutIntoTheShotMoveWhatACueIsTiedTo() {
        Shot longer = ShotTimingEdits.insertFrames(10, 5, new ShotTimingEdits.Along(true, true))
                .change()
                .apply(with(1, 24, 0));
        assertThat(SyncReport.of(longer).get(0).tie().frame()).isEqualTo(29);
        assertThat(SyncReport.of(longer).get(0).millis()).isCloseTo(0, within(1e-6));
    }
}
