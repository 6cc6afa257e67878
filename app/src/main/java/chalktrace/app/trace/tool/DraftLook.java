package chalktrace.app.trace.tool;

import chalktrace.app.board.SceneLook;
import chalktrace.app.controls.Colors;
import chalktrace.app.theme.Theme;
import chalktrace.app.trace.work.InBetweening;
import chalktrace.core.render.Scene;
import chalktrace.core.render.Scenes;
import chalktrace.core.shot.Drawing;
import java.util.List;
import javafx.beans.Observable;

/** The draft that is offered; strokes for which no partner was found stand out. */
public final class DraftLook implements SceneLook {

    private final InBetweening inBetweening;

    public DraftLook(InBetweening inBetweening) {
        this.inBetweening = inBetweening;
    }

    @Override
    public Scene over(Scene scene, Moment moment) {
        Drawing draft = inBetweening.draftProperty().get();
        if (draft == null) {
            return scene;
        }
        Scene drafted = Scenes.withDraft(
                scene, moment.shot(), draft, Colors.rgb(Theme.tones().draft()));
        return inBetweening
                .withoutPartner()
                .map(alone -> Scenes.withDraft(
                        drafted, moment.shot(), alone, Colors.rgb(Theme.tones().badText())))
                .orElse(drafted);
    }

    @Override
    public List<Observable> changes() {
        return List.of(inBetweening.draftProperty());
    }
}
