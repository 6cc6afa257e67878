package chalktrace.app.voice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.app.testing.BareSession;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.edit.timing.CueEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.Onsets;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.testing.Shots;
import chalktrace.core.time.Conform;
import chalktrace.media.sound.SoundFiles;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

/** Clicks at 0.25, 0.75 and 1.25 s of a file of 1.5 s that starts a quarter of a second into the shot; the second is loudest. */
@ExtendWith(ApplicationExtension.class)
class CueingTest {

    private static final int RATE = 48_000;
    private static final double[] CLICKS = {0.25, 0.75, 1.25};
    private static final double STARTS = 0.25;
    private static final Offset<Double> TWO_MILLIS = within(0.002);

    @TempDir
    Path folder;

    private BareSession bare;
    private Cueing cueing;

    @BeforeEach
    void open() throws Exception {
        float[] samples = new float[RATE * 3 / 2];
        for (int click = 0; click < CLICKS.length; click++) {
            for (int i = 0; i < 48; i++) {
                double level = click == 1 ? 0.8 : 0.4;
                samples[(int) (CLICKS[click] * RATE) + i] = (float) (i % 2 == 0 ? level : -level);
            }
        }
        Path file = folder.resolve("clicks.wav");
        SoundFiles.writeWav(new PcmBuffer(RATE, 1, samples), file);
        Shot shot = Shots.empty()
                .withSounds(List.of(SoundClip.of("sound-1", "clicks", file.toString(), STARTS)))
                .withWords(List.of(new Word("word-1", "tick", 1.2, 1.4)));
        bare = new BareSession(folder, shot);
        cueing = bare.get(() -> new VoiceWork(bare.session)).cueing();
        bare.await(() ->
                bare.session.sounds().of(bare.session.shot().sounds().get(0)).isPresent());
    }

    @AfterEach
    void close() {
        bare.close();
    }

    private List<Onsets.Onset> found() {
        bare.run(cueing::findCues);
        bare.await(() -> !cueing.candidatesProperty().get().isEmpty());
        return bare.get(() -> cueing.candidatesProperty().get());
    }

    private SoundClip clip() {
        return bare.shot().sounds().get(0);
    }

    @Test
    void candidatesLieOnTheRulerOfTheShotAndTheStrongestIsOfFullStrength() {
        List<Onsets.Onset> found = found();
        assertThat(found).hasSize(3);
        for (int i = 0; i < 3; i++) {
            assertThat(found.get(i).seconds()).isCloseTo(CLICKS[i] + STARTS, TWO_MILLIS);
        }
        assertThat(found).extracting(Onsets.Onset::strength).allMatch(strength -> strength > 0 && strength <= 1);
    }

    @Test
    void keptOnesBecomeCuesAndAreNoCandidatesAnyMore() {
        List<Onsets.Onset> found = found();
        bare.run(() -> cueing.keep(found.subList(0, 2), Cue.Kind.STEP));
        assertThat(bare.shot().cues()).extracting(Cue::kind).containsExactly(Cue.Kind.STEP, Cue.Kind.STEP);
        assertThat(bare.get(() -> cueing.candidatesProperty().get())).containsExactly(found.get(2));
        bare.run(() -> cueing.keep(found.subList(0, 2), Cue.Kind.STEP));
        assertThat(bare.shot().cues()).hasSize(2);
        bare.run(cueing::dropCandidates);
        assertThat(bare.get(() -> cueing.candidatesProperty().get())).isEmpty();
    }

    @Test
    void whatIsCutOffAtTheEndsOffersNothing() {
        bare.run(() -> bare.session
                .document()
                .apply(ReferenceEdits.changeSound(
                        "trim", "sound-1", clip -> clip.withTrim(new SoundClip.Trim(0.5, 0.5)))));
        assertThat(found()).hasSize(1);
    }

    @Test
    void theSoundComesToItsPictureWithItsWordsAndOtherCues() {
        List<Onsets.Onset> found = found();
        bare.run(() -> {
            cueing.keep(found, Cue.Kind.HIT);
            String second = bare.session.shot().cues().get(1).id();
            bare.session.document().apply(CueEdits.tie(second, Optional.empty(), 36));
            cueing.moveSound(second);
        });
        // Frame 36 at 24 a second is 1.5 s; the second click lay at 1.0 s.
        assertThat(clip().startSeconds()).isCloseTo(STARTS + 0.5, TWO_MILLIS);
        assertThat(bare.shot().cues().get(0).seconds()).isCloseTo(1.0, TWO_MILLIS);
        assertThat(bare.shot().words().get(0).startSeconds()).isCloseTo(1.7, TWO_MILLIS);
    }

    @Test
    void anEffectBesideTheWordsLeavesThemWhereTheyAre() {
        Word later = new Word("word-2", "tock", 1.95, 1.99);
        bare.run(() -> {
            Shot shot = bare.session.shot();
            bare.session
                    .document()
                    .apply(new Edit(
                            "say more",
                            before -> shot.withWords(List.of(shot.words().get(0), later))));
            bare.session.soundMoves().move("move", "sound-1", 0.125);
        });
        assertThat(bare.shot().words()).extracting(Word::startSeconds).containsExactly(1.2, 1.95);
        bare.run(() -> {
            bare.session.voiceSound().chosenProperty().set("sound-1");
            bare.session.soundMoves().move("move", "sound-1", 0.125);
        });
        assertThat(bare.shot().words()).extracting(Word::startSeconds).containsExactly(1.325, 1.95);
    }

    @Test
    void footageTakesTheWordsOfItsOwnSoundAlong() {
        bare.run(() -> {
            Shot shot = bare.session.shot();
            Footage clip = Footage.of(
                    "footage-1",
                    "clip",
                    folder.resolve("clip.mp4").toString(),
                    new Conform(0, 0, 24, 1, Conform.Pace.KEEP_TIME));
            bare.session.document().apply(new Edit("a clip", before -> shot.withFootage(List.of(clip))
                    .withSound("sound-1", sound -> sound.withFootage("footage-1"))));
            bare.session.soundMoves().moveFootage("footage-1", 6);
        });
        assertThat(clip().startSeconds()).isCloseTo(STARTS + 0.25, TWO_MILLIS);
        assertThat(bare.shot().words().get(0).startSeconds()).isCloseTo(1.45, TWO_MILLIS);
    }

    @Test
    void aCueOutsideOfEverySoundMovesAlone() {
        bare.run(() -> {
            bare.session.document().apply(CueEdits.add(List.of(new Cue("", "door", 1.9))));
            String door = bare.session.shot().cues().get(0).id();
            bare.session.document().apply(CueEdits.tie(door, Optional.empty(), 42));
            cueing.moveSound(door);
        });
        assertThat(bare.shot().cues().get(0).seconds()).isCloseTo(1.75, within(1e-9));
        assertThat(clip().startSeconds()).isEqualTo(STARTS);
    }

    @Test
    void anEffectIsLaidWithItsStrongestStartOnTheGateLessTheLead() {
        bare.run(() -> {
            bare.session.transport().go(24);
            bare.session.soundMoves().placeOnGate("sound-1", 1);
        });
        // Common practice: a step sounds a frame before its contact.
        double wanted = 1 - 1 / 24.0 - CLICKS[1];
        bare.await(() -> Math.abs(bare.session.shot().sounds().get(0).startSeconds() - wanted) < 0.002);
        assertThat(clip().startSeconds()).isCloseTo(wanted, TWO_MILLIS);
    }

    @Test
    void halfSecondClicksAreTwelveFramesABeat() {
        bare.run(cueing::findTempo);
        bare.await(() -> cueing.tempoProperty().get() != null);
        double perMinute = bare.get(() -> cueing.tempoProperty().get().beatsPerMinute());
        assertThat(24 * 60 / perMinute).isCloseTo(12, within(0.5));
    }
}
