package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.picture.Rgb;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotPart;
import chalktrace.core.version.ShotDifference;
import chalktrace.core.version.TakeBack;
import chalktrace.media.testing.FullShot;
import chalktrace.media.testing.RandomEdits;
import chalktrace.media.testing.Variations;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;

/** Whatever differs between two states is listed, and taken back piece by piece gives the earlier one. */
class TakeBackTest {

    private final Shot shot = FullShot.of(Path.of("/work"));

    private static void assertTakenBack(String what, Shot then, Shot now) {
        ShotDifference difference = ShotDifference.between(then, now);
        assertThat(difference.isNothing()).isEqualTo(then.equals(now));
        Shot back = now;
        for (ShotDifference.OfLevel level : difference.levels()) {
            if (level.fate() != ShotDifference.Fate.ADDED) {
                back = TakeBack.level("level", then, level.id()).change().apply(back);
            }
        }
        for (ShotDifference.OfLevel level : difference.levels()) {
            back = TakeBack.level("level", then, level.id()).change().apply(back);
        }
        // What leans on something of a later part is taken back once that is there.
        for (int turn = 0; turn < 2; turn++) {
            for (ShotPart<?> part : difference.parts()) {
                back = TakeBack.part("part", then, part).change().apply(back);
            }
        }
        if (difference.inAnotherOrder()) {
            assertThat(back.levels()).containsExactlyInAnyOrderElementsOf(then.levels());
            back = back.withLevels(then.levels());
        }
        assertThat(back).as(what).isEqualTo(then);
        assertThat(TakeBack.all("all", then).change().apply(now)).isSameAs(then);
    }

    @Test
    void whateverIsChangedInAShotIsListedAndTakenBack() {
        for (Variations.Variation variation : Variations.of(shot)) {
            assertTakenBack(variation.place(), shot, (Shot) variation.value());
            assertTakenBack(variation.place(), (Shot) variation.value(), shot);
        }
    }

    @RepeatedTest(20)
    void afterManyEditsEachEarlierStateIsTakenBack() {
        List<Shot> states = new ArrayList<>(List.of(shot));
        states.addAll(RandomEdits.of(shot, 20));
        Shot last = states.get(states.size() - 1);
        states.forEach(then -> assertTakenBack("edits", then, last));
    }

    @Test
    void aDrawingIsTakenBackWithItsChalkAndNothingElse() {
        Level level = shot.levels().get(0);
        int number = level.drawings().get(0).number();
        Shot now = shot.withLevel(level.id(), is -> RandomEdits.drawn(is, number, 5))
                .withName("later");
        Shot back = TakeBack.drawings("drawing", shot, level.id(), List.of(number))
                .change()
                .apply(now);
        assertThat(back.level(level.id()).orElseThrow().drawing(number)).isEqualTo(level.drawing(number));
        assertThat(back.level(level.id()).orElseThrow().exposures())
                .isEqualTo(now.level(level.id()).orElseThrow().exposures());
        assertThat(back.name()).isEqualTo("later");
        Shot other = shot.withChalks(List.of(new Chalk("another", "another", new Rgb(1, 2, 3), 4, 1)));
        Shot chalked = TakeBack.drawings("drawing", shot, level.id(), List.of(number))
                .change()
                .apply(other);
        level.drawing(number).orElseThrow().strokes().forEach(stroke -> assertThat(chalked.chalk(stroke.chalk()))
                .isEqualTo(shot.chalk(stroke.chalk())));
    }
}
