package chalktrace.app.study;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.render.DrawnArea;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** The area of the current level's drawing beside that of a rest drawing: squash and stretch that keeps its volume stays at 100 %. */
final class SquashRows extends VBox {

    /** Which drawing of which level is at rest. */
    private record Rest(String level, int drawing) {}

    private final Session session;
    private final Label words = Rows.hint("");
    private Optional<Rest> rest = Optional.empty();

    /** How often it was looked at what to say. */
    private int asked;

    SquashRows(Session session) {
        super(4);
        this.session = session;
        Button here = Buttons.words(
                Words.STUDY.of("rest-drawing-here"), Words.STUDY.of("measure-the-area-of-others"), this::takeRest);
        here.setId("rest-drawing");
        words.setId("squash-words");
        getChildren().addAll(Rows.section(Words.STUDY.of("squash-and-stretch")), here, words);
        session.document().whenOpened(() -> rest = Optional.empty());
        Refresh.on(
                this,
                this::show,
                session.document().shownProperty(),
                session.selection().levelProperty(),
                session.transport().frameProperty());
    }

    private Optional<Level> level() {
        Shot shot = session.document().shown();
        return shot.level(session.selection().level());
    }

    private void takeRest() {
        rest = level().flatMap(level -> level.exposures()
                .at(session.transport().frame())
                .filter(run -> !run.isBlank())
                .map(Exposure::drawing)
                .map(drawing -> new Rest(level.id(), drawing)));
        if (rest.isEmpty()) {
            session.notices().problem(Words.STUDY.of("the-current-level-shows-no"));
        }
        show();
    }

    /** Areas of crowded drawings take time: they are found in the background, and only the latest are said. */
    private void show() {
        int mine = ++asked;
        if (rest.isEmpty()) {
            words.setText(Words.STUDY.of("choose-a-drawing-at-rest"));
            return;
        }
        Rest at = rest.get();
        Shot shot = session.document().shown();
        Optional<Level> level = level();
        int frame = session.transport().frame();
        session.proposals().findQuietly(job -> words(shot, at, level, frame), found -> {
            if (mine == asked) {
                words.setText(found);
            }
        });
    }

    private static String words(Shot shot, Rest at, Optional<Level> shown, int frame) {
        OptionalDouble own = shot.level(at.level())
                .flatMap(level -> level.drawing(at.drawing()))
                .map(DrawnArea::of)
                .orElse(OptionalDouble.empty());
        if (own.isEmpty()) {
            return Words.STUDY.of("the-rest-drawing-has-no");
        }
        OptionalDouble here = shown.map(level -> DrawnArea.on(level, frame)).orElse(OptionalDouble.empty());
        return here.isEmpty()
                ? Words.STUDY.of("nothing-closed-is-shown-here")
                : String.format(
                        Locale.ROOT,
                        Words.STUDY.of("area-of-drawing-a-form"),
                        100 * here.getAsDouble() / own.getAsDouble(),
                        at.drawing());
    }
}
