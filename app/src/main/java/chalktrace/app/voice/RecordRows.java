package chalktrace.app.voice;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.sound.Recording;
import chalktrace.app.sound.Transport;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Recording of a line, how loud it comes in, and how late sound is heard. */
final class RecordRows extends VBox {

    private static final double FAINTEST_DECIBELS = -60;

    private final VoiceWork work;
    private final Session session;
    private final Label state = Rows.hint("");
    private final ProgressBar meter = new ProgressBar(0);
    private final Button record;
    private final NumberField countIn;
    private final NumberField late;

    RecordRows(VoiceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        Recording recording = work.recording();
        record = Buttons.edged(Icons.RECORD, Words.VOICE.of("record"), () -> {
            if (recording.recordingProperty().get()) {
                recording.stop();
            } else {
                recording.start();
            }
        });
        record.setId("record");
        countIn = new NumberField("count-in", recording.countInProperty().get(), this::typeCount);
        countIn.setPrefWidth(48);
        countIn.setMinWidth(48);
        HBox count = new HBox(6, record, countIn, Rows.quiet(Words.VOICE.of("s-counted-in")));
        count.setAlignment(Pos.CENTER_LEFT);
        meter.setMaxWidth(Double.MAX_VALUE);
        meter.setAccessibleText(Words.VOICE.of("input-level"));
        late = new NumberField(
                "output-latency", session.transport().latencyMillisProperty().get(), this::typeLate);
        HBox lateRow = new HBox(6, Rows.quiet(Words.VOICE.of("output-latency-ms")), late);
        lateRow.setAlignment(Pos.CENTER_LEFT);
        CheckBox pitch = new CheckBox(Words.VOICE.of("pitch-stays-at-other-speeds"));
        pitch.setFocusTraversable(false);
        pitch.selectedProperty().bindBidirectional(session.transport().keepsPitchProperty());
        CheckBox spectrum = new CheckBox(Words.VOICE.of("sound-lanes-as-spectrogram"));
        spectrum.setId("spectrogram");
        spectrum.setFocusTraversable(false);
        spectrum.selectedProperty().bindBidirectional(session.view().spectrogramProperty());
        getChildren().addAll(count, meter, state, spectrum, pitch, lateRow);
        Refresh.on(
                this,
                this::show,
                recording.recordingProperty(),
                recording.levelProperty(),
                recording.secondsProperty());
    }

    private void show() {
        Recording recording = work.recording();
        boolean on = recording.recordingProperty().get();
        record.setText(on ? Words.VOICE.of("stop") : Words.VOICE.of("record"));
        double seconds = recording.secondsProperty().get();
        state.setText(
                !on
                        ? ""
                        : seconds < 0
                                ? Words.VOICE.of("starts-in", (int) Math.ceil(-seconds))
                                : String.format(Locale.ROOT, Words.VOICE.of("recording-s"), seconds));
        Rows.show(meter, on);
        meter.setProgress(Math.max(0, Math.min(1, 1 - recording.levelProperty().get() / FAINTEST_DECIBELS)));
    }

    private void typeCount() {
        int value = (int) Math.max(0, Math.min(10, countIn.value()));
        countIn.set(value);
        work.recording().countInProperty().set(value);
    }

    private void typeLate() {
        double value = Math.max(0, Math.min(Transport.MOST_LATENCY_MILLIS, late.value()));
        late.set(value);
        session.transport().latencyMillisProperty().set(value);
        session.preferences().setOutputLatencyMillis(value);
    }
}
