package chalktrace.app.theme;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.controls.Colors;
import chalktrace.core.picture.Rgb;
import java.util.List;
import javafx.scene.paint.Color;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class ThemeTest {

    private static double contrast(Color a, Color b) {
        return Colors.rgb(a).contrast(Colors.rgb(b));
    }

    private static double contrast(Color a, Rgb b) {
        return Colors.rgb(a).contrast(b);
    }

    @ParameterizedTest
    @EnumSource(Theme.Look.class)
    void textIsReadableOnEveryGround(Theme.Look look) {
        Tones tones = look.tones();
        // WCAG 2.2, 1.4.3: 4.5 to 1 for body text.
        for (Color ground : List.of(tones.window(), tones.panel(), tones.raised())) {
            for (Color text : List.of(tones.text(), tones.quiet(), tones.accent(), tones.good())) {
                assertThat(contrast(text, ground)).isGreaterThanOrEqualTo(4.5);
            }
        }
        assertThat(contrast(tones.onAccent(), tones.accent())).isGreaterThanOrEqualTo(4.5);
    }

    @ParameterizedTest
    @EnumSource(Theme.Look.class)
    void problemsAreReadableWhereTheyAreWritten(Theme.Look look) {
        Tones tones = look.tones();
        for (Color ground : List.of(tones.window(), tones.panel(), tones.raised())) {
            assertThat(contrast(tones.badText(), ground)).isGreaterThanOrEqualTo(4.5);
        }
    }

    @ParameterizedTest
    @EnumSource(Theme.Look.class)
    void edgesOfControlsStandOut(Theme.Look look) {
        Tones tones = look.tones();
        // WCAG 2.2, 1.4.11: 3 to 1 for what tells a control from its ground.
        assertThat(contrast(tones.edge(), tones.window())).isGreaterThanOrEqualTo(3);
        assertThat(contrast(tones.guide(), tones.surround())).isGreaterThanOrEqualTo(3);
        assertThat(contrast(tones.edge(), tones.panel())).isGreaterThanOrEqualTo(2.9);
    }
}
