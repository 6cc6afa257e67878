package chalktrace.app.window;

import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FeetFrames;
import java.util.Locale;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;

/**
 * The frame at the gate as one value in three views: its number, the time at which it starts, the feet and frames that
 * have run. Each can be typed.
 */
final class Readout extends HBox {

    private static final Pattern MINUTES_SECONDS = Pattern.compile("(?:(\\d{1,4}):)?(\\d{1,6}(?:[.,]\\d{1,6})?)");

    private final Session session;
    private final TextField frame;
    private final TextField time;
    private final TextField feet;

    Readout(Session session) {
        this.session = session;
        getStyleClass().add("readout");
        frame = field("frame-field", 6, Words.DESK.of("the-frame-in-the-shots"), this::frameOf);
        time = field("time-field", 10, Words.DESK.of("the-time-at-which-the"), this::frameAtTime);
        feet = field("feet-field", 7, Words.DESK.of("feet-frames-that-have-run"), this::frameAtFeet);
        Label word = new Label(Words.DESK.of("frame"));
        word.getStyleClass().add("quiet");
        getChildren().addAll(word, frame, time, feet);
        session.transport().frameProperty().addListener(changed -> show());
        session.document().shownProperty().addListener(changed -> show());
        show();
    }

    private TextField field(String id, int columns, String use, Function<String, Integer> read) {
        TextField field = new TextField();
        field.setId(id);
        field.setPrefColumnCount(columns);
        field.setFocusTraversable(false);
        field.setTooltip(new Tooltip(Words.DESK.of("type", use)));
        field.setAccessibleText(use);
        field.setOnAction(event -> {
            go(read, field.getText());
            getScene().getRoot().requestFocus();
        });
        field.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                getScene().getRoot().requestFocus();
            }
        });
        field.focusedProperty().addListener((property, before, focused) -> {
            if (focused) {
                // After the click that brought the focus has put its caret somewhere.
                Platform.runLater(field::selectAll);
            } else {
                show();
            }
        });
        return field;
    }

    private void go(Function<String, Integer> read, String typed) {
        try {
            int wanted = read.apply(typed.strip());
            ShotSetup setup = session.document().shown().setup();
            session.transport().go(wanted);
            if (!setup.frames().contains(wanted)) {
                session.notices()
                        .say(Words.DESK.of(
                                "lies-outside-the-shot-which",
                                typed.strip(),
                                setup.number(0),
                                setup.number(setup.length() - 1)));
            }
        } catch (IllegalArgumentException e) {
            session.notices().problem(e.getMessage());
        }
    }

    private int frameOf(String typed) {
        try {
            return session.document().shown().setup().frame(Integer.parseInt(typed));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Words.DESK.of("is-no-frame-number-write", typed), e);
        }
    }

    private int frameAtTime(String typed) {
        Matcher parts = MINUTES_SECONDS.matcher(typed);
        if (!parts.matches()) {
            throw new IllegalArgumentException(Words.DESK.of("is-no-time-write-0", typed));
        }
        double minutes = parts.group(1) == null ? 0 : Double.parseDouble(parts.group(1));
        double seconds = minutes * 60 + Double.parseDouble(parts.group(2).replace(',', '.'));
        // The shown time has whole milliseconds: half of one keeps a time that was read off on its own frame.
        return session.document().shown().setup().rate().frameAt(seconds + 0.0005);
    }

    private int frameAtFeet(String typed) {
        return FeetFrames.parse(typed).toFrame();
    }

    private void show() {
        ShotSetup setup = session.document().shown().setup();
        int now = session.transport().frame();
        show(frame, Integer.toString(setup.number(now)));
        show(time, clock(setup.rate().seconds(now)));
        show(feet, FeetFrames.of(now).toString());
    }

    private static void show(TextField field, String text) {
        if (!field.isFocused()) {
            field.setText(text);
        }
    }

    private static String clock(double seconds) {
        long milliseconds = Math.round(seconds * 1000);
        return String.format(
                Locale.ROOT, "%d:%02d.%03d", milliseconds / 60_000, milliseconds / 1000 % 60, milliseconds % 1000);
    }
}
