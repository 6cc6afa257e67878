package chalktrace.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.testing.BareSession;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.OnionSkin;
import chalktrace.core.shot.Placement;
import chalktrace.core.sound.PlayPath.Round;
import chalktrace.core.stroke.Ink;
import chalktrace.core.testing.Shots;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;

@ExtendWith(ApplicationExtension.class)
class AsLeftTest {

    private static final OnionSkin SET = new OnionSkin(
            Set.of(),
            3,
            2,
            OnionSkin.Step.KEYS,
            0.25,
            0.5,
            0.75,
            true,
            new Rgb(1, 2, 3),
            new Rgb(200, 100, 50),
            Set.of(7),
            Placement.AS_IS,
            Placement.AS_IS);

    @TempDir
    Path folder;

    private BareSession open() {
        return new BareSession(folder, Shots.empty());
    }

    @Test
    void whatWasSetIsSetInTheNextRunButForWhatBelongsToTheShot() {
        BareSession first = open();
        first.run(() -> {
            first.session.view().onionProperty().set(SET.withLevels(Set.of("level-9")));
            first.session.view().onionSkinProperty().set(false);
            first.session.view().onionAllLevelsProperty().set(true);
            first.session.view().steadinessProperty().set(0.125);
            first.session.view().dusterWidthProperty().set(61);
            first.session.view().snapToGuidesProperty().set(false);
            first.session.transport().speedProperty().set(0.5);
            first.session.transport().roundProperty().set(Round.TO_AND_FRO);
        });
        first.close();
        BareSession next = open();
        View view = next.session.view();
        OnionSkin onion = view.onionProperty().get();
        assertThat(onion.kept()).isEmpty();
        assertThat(onion.withLevels(Set.of()).withKept(SET.kept())).isEqualTo(SET);
        assertThat(onion.levels()).doesNotContain("level-9");
        assertThat(view.onionSkinProperty().get()).isFalse();
        assertThat(view.onionAllLevelsProperty().get()).isTrue();
        assertThat(view.steadinessProperty().get()).isEqualTo(0.125);
        assertThat(view.dusterWidthProperty().get()).isEqualTo(61);
        assertThat(view.snapToGuidesProperty().get()).isFalse();
        assertThat(next.session.transport().speedProperty().get()).isEqualTo(0.5);
        assertThat(next.session.transport().roundProperty().get()).isEqualTo(Round.TO_AND_FRO);
        next.close();
    }

    @Test
    void aDamagedLineIsAsInANewProgramAndTheOthersHold() throws Exception {
        BareSession first = open();
        first.run(() -> {
            first.session.view().onionProperty().set(SET);
            first.session.view().steadinessProperty().set(0.125);
            first.session.view().dusterWidthProperty().set(61);
            first.session.transport().speedProperty().set(0.5);
            first.session.transport().roundProperty().set(Round.TO_AND_FRO);
        });
        first.close();
        Path file;
        try (Stream<Path> files = Files.walk(folder)) {
            file = files.filter(path -> path.toString().endsWith(".properties"))
                    .findFirst()
                    .orElseThrow();
        }
        List<String> damaged = Files.readAllLines(file).stream()
                .map(line -> line.startsWith("left.onion=") ? "left.onion=3 2 KEYS" : line)
                .map(line -> line.startsWith("left.smoothing=") ? "left.smoothing=NaN" : line)
                .map(line -> line.startsWith("left.play-round=") ? "left.play-round=SPIRAL" : line)
                .map(line -> line.startsWith("left.play-speed=") ? "left.play-speed=0.01" : line)
                .toList();
        Files.write(file, damaged);
        BareSession next = open();
        View view = next.session.view();
        assertThat(view.onionProperty().get()).isEqualTo(OnionSkin.usual(""));
        assertThat(view.steadinessProperty().get()).isEqualTo(Ink.USUAL_STEADINESS);
        assertThat(next.session.transport().roundProperty().get()).isNotEqualTo(Round.TO_AND_FRO);
        assertThat(next.session.transport().speedProperty().get()).isEqualTo(1);
        assertThat(view.dusterWidthProperty().get()).isEqualTo(61);
        next.close();
    }
}
