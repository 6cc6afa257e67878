package chalktrace.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.session.View.Step;
import chalktrace.app.testing.OpenWindow;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.SetAside;
import chalktrace.core.shot.SetAsidePart;
import java.nio.file.Files;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** What the checks found is where a person looks before handing on. */
@ExtendWith(ApplicationExtension.class)
class FindingListTest {

    private OpenWindow window;

    @Start
    void start(Stage stage) throws Exception {
        window = new OpenWindow(stage, Files.createTempDirectory("findings"));
    }

    @Test
    void theListOfPossibleMistakesStandsInFinishWithItsCount() {
        String level = window.onFx(() -> window.session.shot().levels().get(0).id());
        int found = 7;
        window.onFx(() -> {
            // Drawings that are shown on no frame.
            for (int number = 900; number < 900 + found; number++) {
                Drawing drawing = new Drawing(number, List.of());
                window.session
                        .document()
                        .apply(new Edit("a drawing", shot -> shot.withLevel(level, l -> l.with(drawing))));
            }
            return null;
        });
        window.await(() -> window.session.timing().findingsProperty().get().size() == found);
        window.onFx(() -> {
            window.session.view().stepProperty().set(Step.FINISH);
            return null;
        });
        window.awaitSettled();
        Parent list = window.onFx(
                () -> (Parent) window.workbench.board().getScene().getRoot().lookup("#findings"));
        assertThat(window.onFx(list::getScene)).isNotNull();
        assertThat(window.onFx(() -> list.getChildrenUnmodifiable().size())).isEqualTo(found);
        window.onFx(() -> {
            window.session.selection().levelProperty().set("");
            list.getChildrenUnmodifiable().get(0).getOnMouseClicked().handle(null);
            return null;
        });
        assertThat(window.onFx(() -> window.session.selection().level())).isEqualTo(level);

        window.onFx(() -> {
            window.session.selection().levelProperty().set("");
            button(list, 1).fire();
            return null;
        });
        window.await(() -> window.session.timing().findingsProperty().get().size() == found - 1);
        assertThat(window.onFx(() -> list.getChildrenUnmodifiable().size())).isEqualTo(found - 1);
        Button aside = window.onFx(() -> (Button) list.getScene().getRoot().lookup("#findings-aside"));
        assertThat(window.onFx(aside::isManaged)).isTrue();
        window.onFx(() -> {
            aside.fire();
            return null;
        });
        window.await(() -> window.session.timing().findingsProperty().get().size() == found);
        window.awaitSettled();
        assertThat(window.onFx(aside::isManaged)).isFalse();

        Set<Integer> before = drawings(level);
        window.onFx(() -> {
            button(list, 0).fire();
            return null;
        });
        window.await(() -> window.session.timing().findingsProperty().get().size() == found - 1);
        assertThat(before).containsAll(drawings(level)).hasSize(drawings(level).size() + 1);
    }

    @Test
    void aShotInWhichAllThatIsFoundIsMeantSaysThatItWasSetAside() {
        window.onFx(() -> {
            window.session.view().stepProperty().set(Step.FINISH);
            return null;
        });
        window.awaitSettled();
        Button aside = window.onFx(
                () -> (Button) window.workbench.board().getScene().getRoot().lookup("#findings-aside"));
        assertThat(window.onFx(aside::isManaged)).isFalse();
        window.onFx(() -> {
            String level = window.session.shot().levels().get(0).id();
            SetAside meant = new SetAside("one-frame-gap", level, 2, 0);
            window.session
                    .document()
                    .apply(new Edit("meant", shot -> shot.with(SetAsidePart.SET_ASIDE, List.of(meant))));
            return null;
        });
        window.await(aside::isManaged);
    }

    /** Of the first in the list: the mend, and what sets it aside. */
    private static Button button(Parent list, int number) {
        return (Button) List.copyOf(list.getChildrenUnmodifiable().get(0).lookupAll(".button"))
                .get(number);
    }

    private Set<Integer> drawings(String level) {
        return window.onFx(() -> window.session.shot().level(level).orElseThrow().drawings().stream()
                .map(Drawing::number)
                .collect(Collectors.toSet()));
    }
}
