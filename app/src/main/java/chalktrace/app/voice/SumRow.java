package chalktrace.app.voice;

import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FeetFrames;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.Timecode;
import java.util.Locale;
import java.util.function.ToIntFunction;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** A time typed in one way and read in the others: seconds, frames, timecode, feet+frames, at any rate. */
final class SumRow extends VBox {

    private final Session session;
    private final TextField rate = new TextField();
    private final TextField seconds = new TextField();
    private final TextField frames = new TextField();
    private final TextField timecode = new TextField();
    private final TextField feet = new TextField();

    SumRow(Session session) {
        super(4);
        this.session = session;
        rate.setText(session.shot().setup().rate().asText());
        line(Words.VOICE.of("frame-rate-fps"), "sum-rate", rate, text -> frameOf(frames.getText()));
        line(Words.VOICE.of("seconds"), "sum-seconds", seconds, text -> rate().nearestFrame(number(text)));
        line(Words.VOICE.of("frames-to-type"), "sum-frames", frames, this::frameOf);
        line(Words.VOICE.of("timecode"), "sum-timecode", timecode, text -> Timecode.parse(text)
                .toFrame(rate()));
        line(Words.VOICE.of("feet-frames"), "sum-feet", feet, text -> FeetFrames.parse(text)
                .toFrame());
        show(0);
    }

    private void line(String name, String id, TextField field, ToIntFunction<String> frame) {
        field.setId(id);
        field.getStyleClass().addAll("value-field", "wide");
        field.setAccessibleText(name);
        field.setFocusTraversable(false);
        field.setOnAction(event -> {
            try {
                double typed = field == seconds ? number(seconds.getText()) : Double.NaN;
                show(frame.applyAsInt(field.getText().strip()));
                if (field == seconds) {
                    // What was typed stays, also where it lies between two frames.
                    seconds.setText(text(typed));
                }
            } catch (IllegalArgumentException e) {
                session.notices().problem(e.getMessage());
            }
        });
        HBox row = new HBox(6, Rows.quiet(name), Rows.space(), field);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(row);
    }

    private FrameRate rate() {
        return FrameRate.parse(rate.getText().strip());
    }

    private int frameOf(String text) {
        double value = number(text);
        if (value != Math.rint(value) || Math.abs(value) > ShotSetup.LONGEST) {
            throw new IllegalArgumentException(Words.VOICE.of("is-no-number-of-whole", text));
        }
        return (int) value;
    }

    private static double number(String text) {
        try {
            double value = Double.parseDouble(text.strip().replace(',', '.'));
            if (!Double.isFinite(value) || value < 0) {
                throw new IllegalArgumentException(Words.VOICE.of("is-no-time-of-0", text));
            }
            return value;
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Words.VOICE.of("is-no-number", text), e);
        }
    }

    private void show(int frame) {
        FrameRate now = rate();
        seconds.setText(text(now.seconds(frame)));
        frames.setText(Integer.toString(frame));
        timecode.setText(Timecode.of(frame, now, false).toString());
        feet.setText(FeetFrames.of(frame).toString());
    }

    private static String text(double value) {
        return String.format(Locale.ROOT, "%.3f", value);
    }
}
