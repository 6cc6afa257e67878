package chalktrace.app.study;

import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.words.Words;
import chalktrace.core.render.DrawnPath;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import java.util.Arrays;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The named parts of the drawings, each of which can show its way beside those of the points. */
final class DrawnRows extends VBox {

    private static final String HIDDEN = Words.STUDY.of("hidden");

    private final StudyWork work;
    private final VBox parts = new VBox(2);

    DrawnRows(StudyWork work) {
        super(6);
        this.work = work;
        getChildren().addAll(Rows.section(Words.STUDY.of("drawn-parts")), parts);
        Refresh.on(this, this::show, work.session().document().shotProperty(), work.movingProperty());
    }

    private void show() {
        parts.getChildren().clear();
        Shot shot = work.session().shot();
        for (Level level : shot.levels()) {
            level.drawings().stream()
                    .flatMap(drawing -> drawing.strokes().stream())
                    .map(Stroke::part)
                    .filter(part -> !part.isEmpty())
                    .distinct()
                    .sorted()
                    .forEach(part -> parts.getChildren().add(row(level, part)));
        }
        if (parts.getChildren().isEmpty()) {
            parts.getChildren().add(Rows.hint(Words.STUDY.of("name-a-part-of-the")));
        }
    }

    private HBox row(Level level, String part) {
        ComboBox<String> choice = new ComboBox<>();
        choice.setId("drawn-" + part);
        choice.setAccessibleText(Words.STUDY.of("what-of-is-followed", part));
        choice.setFocusTraversable(false);
        choice.getItems().add(HIDDEN);
        for (DrawnPath.Anchor anchor : DrawnPath.Anchor.values()) {
            choice.getItems().add(Words.STUDY.name(anchor));
        }
        choice.setValue(work.drawn().stream()
                .filter(shown ->
                        shown.level().equals(level.id()) && shown.part().equals(part))
                .map(shown -> Words.STUDY.name(shown.anchor()))
                .findFirst()
                .orElse(HIDDEN));
        choice.setOnAction(event -> work.showDrawn(
                level.id(),
                part,
                Arrays.stream(DrawnPath.Anchor.values())
                        .filter(anchor -> Words.STUDY.name(anchor).equals(choice.getValue()))
                        .findFirst()));
        HBox row = new HBox(8, new Label(part), Rows.quiet(level.name()), Rows.space(), choice);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
