package chalktrace.app.window;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Colors;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.kernel.Shelf;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import chalktrace.media.footage.Gathered;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Asks for what a shot is made on, in one card over the board; a first clip offers its own values. */
final class NewShotCard extends StackPane {

    private final Session session;
    private final Runnable putAway;
    private final TextField name = new TextField(Shelf.UNTITLED);
    private final TextField size = new TextField();
    private final TextField rate = new TextField();
    private final TextField length = new TextField();
    private final TextField firstNumber = new TextField();
    private final ColorPicker paper = new ColorPicker();
    private final Label clipName = Rows.hint(Words.DESK.of("no-clip-an-empty-shot"));
    private final Label problem = Rows.hint("");
    private Optional<Gathered> clip = Optional.empty();

    NewShotCard(Session session, FileChoice files, Runnable putAway) {
        this.session = session;
        this.putAway = putAway;
        getStyleClass().add("shade");
        VBox card = new VBox();
        card.getStyleClass().add("new-shot");
        card.setMaxHeight(0);
        Label title = new Label(Words.DESK.of("new-shot-title"));
        title.getStyleClass().add("title");
        GridPane grid = new GridPane();
        grid.setHgap(12);
        grid.setVgap(8);
        row(grid, 0, Words.DESK.of("name"), name, "new-name");
        row(grid, 1, Words.DESK.of("size"), size, "new-size");
        row(grid, 2, Words.DESK.of("frame-rate-fps"), rate, "new-rate");
        row(grid, 3, Words.DESK.of("length-in-frames"), length, "new-length");
        row(grid, 4, Words.DESK.of("first-frame-number"), firstNumber, "new-first-number");
        grid.add(new Label(Words.DESK.of("paper-colour")), 0, 5);
        grid.add(paper, 1, 5);
        paper.setMaxWidth(Double.MAX_VALUE);
        Button choose = Buttons.edged(Icons.MOVIE, Words.DESK.of("use-values-of-a-clip"), () -> files.openMedia()
                .filter(chosen -> !chosen.isEmpty())
                .ifPresent(chosen -> session.gathering().look(chosen.get(0), 0, this::offer)));
        problem.getStyleClass().add("bad");
        Button cancel = Buttons.edged(Icons.CLOSE, Words.DESK.of("cancel-button"), putAway);
        Button make = Buttons.main(Icons.ADD, Words.DESK.of("create-shot"), this::make);
        make.setId("make-shot");
        make.setDefaultButton(true);
        HBox foot = new HBox(8, Rows.space(), cancel, make);
        foot.setAlignment(Pos.CENTER_RIGHT);
        card.getChildren().addAll(title, grid, choose, clipName, problem, foot);
        getChildren().add(card);
        show(ShotSetup.standard());
        addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                putAway.run();
            }
        });
    }

    @Override
    public void requestFocus() {
        name.requestFocus();
        name.selectAll();
    }

    private static void row(GridPane grid, int row, String label, TextField field, String id) {
        field.setId(id);
        grid.add(new Label(label), 0, row);
        grid.add(field, 1, row);
    }

    private void offer(Gathered gathered) {
        clip = Optional.of(gathered);
        clipName.setText(
                Words.DESK.of("with-as-its-first-footage", gathered.file().getFileName()));
        show(gathered.offeredSetup(ShotSetup.standard(), Optional.empty()));
        name.setText(gathered.file().getFileName().toString().replaceFirst("\\.[^.]+$", ""));
    }

    private void show(ShotSetup setup) {
        size.setText(setup.size().toString());
        rate.setText(setup.rate().spoken());
        length.setText(Integer.toString(setup.length()));
        firstNumber.setText(Integer.toString(setup.firstNumber()));
        paper.setValue(Colors.of(setup.paper()));
    }

    private void make() {
        try {
            ShotSetup setup = new ShotSetup(
                    FrameRate.parse(rate.getText()),
                    PictureSize.parse(size.getText()),
                    whole(Words.DESK.of("length"), length.getText()),
                    whole(Words.DESK.of("first-frame-number"), firstNumber.getText()),
                    Colors.rgb(paper.getValue()));
            Shot shot = Shot.empty(
                    name.getText().isBlank() ? Shelf.UNTITLED : name.getText().strip(), setup);
            session.shelf()
                    .startNew(clip.map(c -> c.edit(shot).change().apply(shot)).orElse(shot));
            putAway.run();
        } catch (IllegalArgumentException e) {
            problem.setText(e.getMessage());
        }
    }

    private static int whole(String what, String text) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Words.DESK.of("the-is-no-whole-number", what, text.strip()), e);
        }
    }
}
