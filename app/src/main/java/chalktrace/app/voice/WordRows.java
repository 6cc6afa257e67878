package chalktrace.app.voice;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.Pronunciations;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The word that is chosen on its lane: its text, sounds and times. */
final class WordRows extends VBox {

    private final VoiceWork work;
    private final Session session;
    private final TextField text = new TextField();
    private final TextField phones = new TextField();
    private final TextField speaker = new TextField();
    private final NumberField startSeconds = new NumberField("word-start", 0, this::typeStart);
    private final NumberField startFrame = new NumberField("word-start-frame", 0, this::typeStartFrame);
    private final NumberField endSeconds = new NumberField("word-end", 0, this::typeEnd);
    private final NumberField endFrame = new NumberField("word-end-frame", 0, this::typeEndFrame);
    private final CheckBox pinned = new CheckBox(Words.VOICE.of("pinned-stays-when-aligned"));
    private final Label sure = Rows.hint("");

    WordRows(VoiceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        text.setId("word-text");
        text.getStyleClass().add("part-field");
        text.setOnAction(event -> change(
                Words.VOICE.of("rename-a-word"),
                word -> word.withText(text.getText().strip())));
        phones.setId("word-phones");
        phones.getStyleClass().add("part-field");
        phones.setTooltip(new Tooltip(Words.VOICE.of("how-it-is-said-in")));
        phones.setOnAction(event -> typePhones());
        speaker.setId("word-speaker");
        speaker.getStyleClass().add("part-field");
        speaker.setPromptText(Words.VOICE.of("nobody-named"));
        speaker.setOnAction(event -> change(
                Words.VOICE.of("who-speaks-a-word"),
                word -> word.withSpeaker(speaker.getText().strip())));
        HBox said = new HBox(6, Rows.quiet(Words.VOICE.of("said-by")), speaker);
        said.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(speaker, Priority.ALWAYS);
        pinned.setId("word-pinned");
        pinned.setOnAction(event -> change(Words.VOICE.of("pin-a-word"), word -> word.withPinned(pinned.isSelected())));
        getChildren()
                .addAll(
                        Rows.section(Words.VOICE.of("chosen-word")),
                        text,
                        phones,
                        said,
                        row(Words.VOICE.of("starts"), startFrame, startSeconds),
                        row(Words.VOICE.of("ends"), endFrame, endSeconds),
                        sure,
                        pinned,
                        new FlowPane(
                                4,
                                4,
                                Buttons.words(
                                        Words.VOICE.of("split-at-the-gate"),
                                        Words.VOICE.of("two-words-of-it"),
                                        this::split),
                                Buttons.words(
                                        Words.VOICE.of("join-with-the-next"),
                                        Words.VOICE.of("one-word-of-the-two"),
                                        () -> word().ifPresent(word ->
                                                session.document().apply(SpeechEdits.joinWord(word.id())))),
                                Buttons.words(
                                        Words.VOICE.of("remove"),
                                        Words.VOICE.of("take-the-word-away"),
                                        () -> word().ifPresent(word ->
                                                session.document().apply(SpeechEdits.removeWord(word.id()))))));
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.selection().itemProperty());
    }

    private static HBox row(String name, NumberField frame, NumberField seconds) {
        Label label = Rows.quiet(name);
        label.setMinWidth(44);
        frame.setPrefWidth(54);
        frame.setMinWidth(54);
        HBox row = new HBox(6, label, frame, seconds, Rows.quiet(Words.VOICE.of("s")));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private Optional<Word> word() {
        Item item = session.selection().itemProperty().get();
        return session.shot().words().stream()
                .filter(word -> new Item(Item.Kind.WORD, word.id()).equals(item))
                .findFirst();
    }

    private void show() {
        Optional<Word> word = word();
        Rows.show(this, word.isPresent());
        word.ifPresent(w -> {
            ShotSetup setup = session.shot().setup();
            if (!text.isFocused()) {
                text.setText(w.text());
            }
            if (!phones.isFocused()) {
                phones.setText(w.phones().stream().map(Phone::symbol).collect(Collectors.joining(" ")));
            }
            if (!speaker.isFocused()) {
                speaker.setText(w.speaker());
            }
            startSeconds.set(w.startSeconds());
            startFrame.set(setup.number(setup.rate().nearestFrame(w.startSeconds())));
            endSeconds.set(w.endSeconds());
            endFrame.set(setup.number(setup.rate().nearestFrame(w.endSeconds())));
            pinned.setSelected(w.pinned());
            sure.setText(sureness(w));
        });
    }

    private String sureness(Word word) {
        String place = word.pinned()
                ? Words.VOICE.of("set-by-hand")
                : String.format(Locale.ROOT, Words.VOICE.of("confidence"), 100 * word.sureness());
        String key = Pronunciations.key(word.text());
        boolean guessed = work.voicing().reportProperty().get().guessed().stream()
                .anyMatch(other -> Pronunciations.key(other).equals(key));
        return guessed ? Words.VOICE.of("no-dictionary-has-it-its", place) : place;
    }

    private void change(String name, UnaryOperator<Word> change) {
        word().ifPresent(word -> {
            try {
                session.document().apply(SpeechEdits.changeWord(name, word.id(), change));
            } catch (IllegalArgumentException e) {
                session.notices().problem(e.getMessage());
                show();
            }
        });
    }

    private void typePhones() {
        word().ifPresent(word -> {
            try {
                work.voicing().say(word.text(), Pronunciations.parse(phones.getText()));
            } catch (IllegalArgumentException e) {
                session.notices().problem(e.getMessage());
            }
        });
    }

    private void typeStart() {
        move(startSeconds.value(), Double.NaN);
    }

    private void typeEnd() {
        move(Double.NaN, endSeconds.value());
    }

    private void typeStartFrame() {
        move(seconds(startFrame), Double.NaN);
    }

    private void typeEndFrame() {
        move(Double.NaN, seconds(endFrame));
    }

    private double seconds(NumberField frame) {
        ShotSetup setup = session.shot().setup();
        return setup.rate().seconds(setup.frame((int) Math.round(frame.value())));
    }

    private void move(double start, double end) {
        change(Words.VOICE.of("move-a-word"), word -> word.withTimes(
                        Double.isNaN(start) ? word.startSeconds() : start, Double.isNaN(end) ? word.endSeconds() : end)
                .withPinned(true));
    }

    private void split() {
        double gate = session.shot().setup().rate().seconds(session.transport().frame());
        word().ifPresent(word -> {
            if (gate > word.startSeconds() && gate < word.endSeconds()) {
                session.document().apply(SpeechEdits.splitWord(word.id(), gate));
            } else {
                session.notices().problem(Words.VOICE.of("go-to-a-frame-within", word.text()));
            }
        });
    }
}
