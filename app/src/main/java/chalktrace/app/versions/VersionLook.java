package chalktrace.app.versions;

import chalktrace.app.board.SceneLook;
import chalktrace.app.controls.Colors;
import chalktrace.app.session.Comparing;
import chalktrace.app.theme.Theme;
import chalktrace.core.render.Scene;
import chalktrace.core.render.Scenes;
import java.util.List;
import javafx.beans.Observable;

/** What is looked at, over the board: its frame as thin lines in one colour. */
final class VersionLook implements SceneLook {

    private final Comparing comparing;

    VersionLook(Comparing comparing) {
        this.comparing = comparing;
    }

    @Override
    public Scene over(Scene scene, Moment moment) {
        Comparing.Compared compared = comparing.comparedProperty().get();
        return compared == null || comparing.whereProperty().get() != Comparing.Where.OVER
                ? scene
                : Scenes.withEarlier(
                        scene,
                        compared.shot(),
                        moment.frame(),
                        Colors.rgb(Theme.tones().draft()));
    }

    @Override
    public List<Observable> changes() {
        return List.of(comparing.comparedProperty(), comparing.whereProperty());
    }
}
