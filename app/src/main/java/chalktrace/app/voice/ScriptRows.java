package chalktrace.app.voice;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.speech.Alignment;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextArea;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The line as it was written, and what came of finding it in the recording. */
final class ScriptRows extends VBox {

    /** A row of more words that are not said is named by its ends. */
    private static final int MOST_NAMED = 4;

    private final VoiceWork work;
    private final Session session;
    private final TextArea script = new TextArea();
    private final ComboBox<String> sound = new ComboBox<>();
    private final Button align;
    private final Button cancel;
    private final ProgressBar progress = new ProgressBar();
    private final Label report = Rows.hint("");

    ScriptRows(VoiceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        script.setId("script");
        script.setPromptText(Words.VOICE.of("paste-the-line-as-it"));
        script.setWrapText(true);
        script.setPrefRowCount(3);
        script.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                getParent().requestFocus();
                event.consume();
            } else if (event.getCode() == KeyCode.ENTER && event.isShortcutDown()) {
                align();
                event.consume();
            }
        });
        script.focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                keepScript();
            }
        });
        sound.setId("voice-sound");
        sound.setFocusTraversable(false);
        sound.setMaxWidth(Double.MAX_VALUE);
        sound.setConverter(ShownAs.words(id ->
                id == null ? "" : session.shot().sound(id).map(SoundClip::name).orElse(id)));
        sound.setOnAction(event -> {
            if (sound.getValue() != null) {
                session.voiceSound().chosenProperty().set(sound.getValue());
            }
        });
        align = Buttons.edged(Icons.SPEECH, Words.VOICE.of("align-to-sound"), this::align);
        align.setTooltip(new Tooltip(Words.VOICE.of("find-the-words-in-the")));
        align.setId("align");
        cancel = Buttons.icon(Icons.REMOVE, Words.VOICE.of("stop-aligning"), () -> Optional.ofNullable(
                        work.voicing().aligningProperty().get())
                .ifPresent(Jobs.Job::cancel));
        progress.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(progress, Priority.ALWAYS);
        HBox running = new HBox(6, progress, cancel);
        running.setAlignment(Pos.CENTER_LEFT);
        running.visibleProperty().bind(work.voicing().aligningProperty().isNotNull());
        running.managedProperty().bind(running.visibleProperty());
        align.disableProperty().bind(work.voicing().aligningProperty().isNotNull());
        Node noScript = Buttons.words(
                Words.VOICE.of("find-speech-without-a-script"),
                Words.VOICE.of("a-word-for-each-stretch"),
                work.voicing()::findSpeech);
        noScript.setId("find-speech");
        report.setId("align-report");
        getChildren()
                .addAll(
                        script,
                        sound,
                        align,
                        running,
                        report,
                        new FlowPane(
                                4,
                                4,
                                noScript,
                                Buttons.words(
                                        Words.VOICE.of("find-syllables-button"),
                                        Words.VOICE.of("where-each-is-loudest-offered"),
                                        work.cueing()::findSyllables),
                                Buttons.words(
                                        Words.VOICE.of("trim-sound-to-voice"),
                                        Words.VOICE.of("trim-breath-and-room-noise"),
                                        work.voicing()::cutToVoice)));
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                work.voicing().reportProperty(),
                session.voiceSound().chosenProperty(),
                work.voicing().aligningProperty());
    }

    private void keepScript() {
        if (!script.getText().equals(session.shot().speech().script())) {
            session.document().apply(SpeechEdits.script(script.getText()));
        }
    }

    private void align() {
        keepScript();
        work.voicing().align();
        // Keys are keys again and no letters of the script.
        getParent().requestFocus();
    }

    private void show() {
        if (!script.isFocused()) {
            script.setText(session.shot().speech().script());
        }
        List<String> ids = session.shot().sounds().stream().map(SoundClip::id).toList();
        if (!sound.getItems().equals(ids)) {
            sound.getItems().setAll(ids);
        }
        sound.setValue(session.voiceSound().clip().map(SoundClip::id).orElse(null));
        sound.setDisable(ids.isEmpty());
        Jobs.Job job = work.voicing().aligningProperty().get();
        progress.progressProperty().unbind();
        if (job != null) {
            progress.progressProperty().bind(job.progressProperty());
        }
        report.setText(words(work.voicing().reportProperty().get()));
    }

    /** A row of words, by its first and last ones when it is long. */
    private static String shortened(List<String> row) {
        return row.size() <= MOST_NAMED
                ? String.join(", ", row)
                : Words.VOICE.of("row-of-words", row.get(0), row.get(row.size() - 1), row.size());
    }

    private String words(Voicing.Report found) {
        StringBuilder out = new StringBuilder();
        if (!found.fits()) {
            out.append(Words.VOICE.of("this-does-not-sound-like")).append(' ');
        }
        if (!found.missing().isEmpty()) {
            out.append(Words.VOICE.of(
                            "not-said",
                            found.missing().stream().map(ScriptRows::shortened).collect(Collectors.joining(", "))))
                    .append(' ');
        }
        if (!found.guessed().isEmpty()) {
            out.append(Words.VOICE.of("in-no-dictionary-said-as", String.join(", ", found.guessed())))
                    .append(' ');
        }
        for (Alignment.Extra extra : found.extra()) {
            ShotSetup setup = session.shot().setup();
            int from = setup.number(setup.rate().nearestFrame(extra.startSeconds()));
            out.append(
                            extra.repeats() > 0
                                    ? Words.VOICE.count("said-again", extra.repeats(), from)
                                    : Words.VOICE.of("not-in-the-script-speech", from))
                    .append(' ');
        }
        return out.toString().strip();
    }
}
