package chalktrace.app.space;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.Rows;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.Borrowed;
import chalktrace.core.space.Figure;
import chalktrace.core.space.JointNames;
import chalktrace.core.space.Staging;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Which joint of a model follows which one of the model whose animation it borrows. */
final class JointRows extends VBox {

    private static final String AT_REST = Words.MODELS.of("at-rest");
    private static final double MOST_HEIGHT = 220;
    private static final double CHOICE_WIDTH = 120;

    private final CameraWork work;
    private final String id;
    private final Label count = Rows.quiet("");
    private final VBox rows = new VBox(2);
    private final ScrollPane list = new ScrollPane(rows);
    private List<Object> listedOf = List.of();

    JointRows(CameraWork work, String id) {
        super(4);
        this.work = work;
        this.id = id;
        Button again = Buttons.text(
                Words.MODELS.of("match-by-names"), Words.MODELS.of("pair-the-joints-anew-by"), this::matchAgain);
        again.setId("model-match");
        list.setMaxHeight(MOST_HEIGHT);
        list.setFitToWidth(true);
        list.setFocusTraversable(false);
        getChildren().addAll(count, new Fold(Words.MODELS.of("joints"), false, again, list));
    }

    void show(Footage clip) {
        Optional<Borrowed> borrowed = clip.staging().flatMap(Staging::borrowed);
        Optional<Figure> own = work.own(clip);
        Optional<Figure> lender = borrowed.flatMap(lent -> work.lender(lent.footage()));
        boolean shown = own.isPresent() && lender.isPresent();
        Rows.show(this, shown);
        if (!shown) {
            return;
        }
        List<String> joints = JointNames.of(own.get().model());
        List<String> theirs = JointNames.of(lender.get().model());
        List<Object> now = List.of(borrowed.get(), joints, theirs);
        if (now.equals(listedOf)) {
            return;
        }
        listedOf = now;
        long following = joints.stream()
                .filter(joint -> borrowed.get().from(joint).isPresent())
                .count();
        count.setText(Words.MODELS.of("of-joints-follow", following, joints.size()));
        list(borrowed.get(), joints, theirs);
    }

    private void list(Borrowed borrowed, List<String> joints, List<String> theirs) {
        List<String> choices = new ArrayList<>(List.of(AT_REST));
        choices.addAll(theirs);
        rows.getChildren().clear();
        for (String joint : joints) {
            ComboBox<String> choice = new ComboBox<>();
            choice.getItems().setAll(choices);
            choice.setValue(borrowed.from(joint).orElse(AT_REST));
            choice.setPrefWidth(CHOICE_WIDTH);
            choice.setMinWidth(CHOICE_WIDTH);
            choice.setFocusTraversable(false);
            choice.setId("joint-" + joint);
            choice.setAccessibleText(Words.MODELS.of("what-follows", joint));
            choice.setOnAction(event -> pair(joint, choice.getValue()));
            Label name = new Label(joint);
            name.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(name, Priority.ALWAYS);
            HBox row = new HBox(6, name, choice);
            row.setAlignment(Pos.CENTER_LEFT);
            rows.getChildren().add(row);
        }
    }

    private void pair(String joint, String from) {
        Optional<String> chosen = Optional.of(from).filter(name -> !name.equals(AT_REST));
        work.change(Words.MODELS.of("pair-joints"), id, staging -> staging.borrowed()
                .map(lent -> staging.withBorrowed(lent.with(joint, chosen)))
                .orElse(staging));
    }

    private void matchAgain() {
        work.session()
                .shot()
                .footage(id)
                .flatMap(Footage::staging)
                .flatMap(Staging::borrowed)
                .ifPresent(lent -> work.borrow(id, lent.footage(), lent.motion()));
    }
}
