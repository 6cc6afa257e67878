package chalktrace.app.gather;

import chalktrace.app.controls.Colors;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.timing.RateEdits;
import chalktrace.core.edit.timing.SetupEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;

/** What the shot is made on, open to change at any time. */
final class SetupCard extends GridPane {

    private final Session session;
    private final ComboBox<Boolean> keeps = new ComboBox<>();
    private final Label rateWords = Rows.hint("");
    private final TextField rate = field(0, Words.GATHER.of("frame-rate-fps"), "setup-rate");
    private final TextField size = field(1, Words.GATHER.of("size-label"), "setup-size");
    private final TextField length = field(2, Words.GATHER.of("length"), "setup-length");
    private final TextField firstNumber = field(3, Words.GATHER.of("first-number"), "setup-first-number");
    private final ColorPicker paper = new ColorPicker();

    SetupCard(Session session) {
        this.session = session;
        getStyleClass().add("card");
        setHgap(8);
        setVgap(4);
        setAlignment(Pos.CENTER_LEFT);
        onRate();
        on(size, text -> withSize(PictureSize.parse(text)));
        on(length, text -> session.shot().setup().withLength(whole(text)));
        on(firstNumber, text -> withFirstNumber(whole(text)));
        Label name = new Label(Words.GATHER.of("paper-colour"));
        name.getStyleClass().add("quiet");
        add(name, 0, 4);
        add(paper, 1, 4);
        paper.setFocusTraversable(false);
        paper.setMaxWidth(Double.MAX_VALUE);
        paper.setMinWidth(0);
        paper.getStyleClass().add("without-letters");
        paper.setOnAction(event -> apply(session.shot().setup().withPaper(Colors.rgb(paper.getValue()))));
    }

    /** A typed rate says what would come of it before Enter settles it. */
    private void onRate() {
        keeps.getItems().setAll(false, true);
        keeps.setValue(false);
        keeps.setId("rate-keeps");
        keeps.setFocusTraversable(false);
        keeps.setMaxWidth(Double.MAX_VALUE);
        keeps.setConverter(
                ShownAs.words(seconds -> seconds ? Words.GATHER.of("seconds") : Words.GATHER.of("frames-lower")));
        Label word = new Label(Words.GATHER.of("keep"));
        word.getStyleClass().add("quiet");
        add(word, 0, 5);
        add(keeps, 1, 5);
        add(rateWords, 0, 6, 2, 1);
        rateWords.setManaged(false);
        rate.textProperty().addListener(changed -> showRateWords());
        Consumer<String> typed = text -> {
            try {
                FrameRate wanted = FrameRate.parse(text);
                if (!wanted.equals(session.shot().setup().rate())) {
                    session.document()
                            .apply(keeps.getValue() ? RateEdits.keepSeconds(wanted) : RateEdits.keepFrames(wanted));
                }
            } catch (IllegalArgumentException e) {
                session.notices().problem(e.getMessage());
            }
            show(session.shot().setup());
        };
        rate.setOnAction(event -> {
            typed.accept(rate.getText());
            getParent().requestFocus();
        });
        rate.focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                typed.accept(rate.getText());
            }
        });
    }

    private void showRateWords() {
        String words = "";
        try {
            words = rate.isFocused() ? RateEdits.words(session.shot(), FrameRate.parse(rate.getText())) : "";
        } catch (IllegalArgumentException e) {
            // Not typed to its end yet.
        }
        rateWords.setText(words);
    }

    void show(ShotSetup setup) {
        show(rate, setup.rate().spoken());
        show(size, setup.size().toString());
        show(length, Integer.toString(setup.length()));
        show(firstNumber, Integer.toString(setup.firstNumber()));
        paper.setValue(Colors.of(setup.paper()));
    }

    private TextField field(int row, String name, String id) {
        TextField field = new TextField();
        field.getStyleClass().add("value-field");
        field.setAccessibleText(name);
        field.setId(id);
        field.setFocusTraversable(false);
        field.setPrefWidth(104);
        Label label = new Label(name);
        label.getStyleClass().add("quiet");
        label.setMinWidth(Region.USE_PREF_SIZE);
        add(label, 0, row);
        add(field, 1, row);
        return field;
    }

    private void on(TextField field, Function<String, ShotSetup> read) {
        Runnable typed = () -> {
            try {
                apply(read.apply(field.getText()));
            } catch (IllegalArgumentException e) {
                session.notices().problem(e.getMessage());
            }
            show(session.shot().setup());
        };
        field.setOnAction(event -> {
            typed.run();
            getParent().requestFocus();
        });
        field.focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                typed.run();
            }
        });
    }

    private void apply(ShotSetup setup) {
        session.document().apply(SetupEdits.change(setup));
    }

    private ShotSetup withSize(PictureSize newSize) {
        ShotSetup s = session.shot().setup();
        return new ShotSetup(s.rate(), newSize, s.length(), s.firstNumber(), s.paper());
    }

    private ShotSetup withFirstNumber(int number) {
        ShotSetup s = session.shot().setup();
        return new ShotSetup(s.rate(), s.size(), s.length(), number, s.paper());
    }

    private static int whole(String text) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Words.GATHER.of("is-no-whole-number", text.strip()), e);
        }
    }

    private static void show(TextField field, String text) {
        if (!field.isFocused()) {
            field.setText(text);
        }
    }
}
