package chalktrace.app.voice;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.check.SyncReport;
import chalktrace.core.edit.timing.CueEdits;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.sound.Onsets;
import chalktrace.core.sound.Tempo;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Cues, those that could be, and how well each meets what it is tied to. */
final class CueRows extends VBox {

    private final VoiceWork work;
    private final Session session;
    private final VBox list = new VBox(2);
    private final VBox found = new VBox(4);
    private final VBox chosen = new VBox(6);
    private final ValueSlider strength;
    private final TextField name = new TextField();
    private final ComboBox<Cue.Kind> kind = new ComboBox<>();
    private final NumberField lead = new NumberField("cue-lead", 0, this::typeLead);
    private final Label foundWords = Rows.hint("");
    private final Label tempoWords = Rows.hint("");

    CueRows(VoiceWork work, Runnable typeCue) {
        super(6);
        this.work = work;
        this.session = work.session();
        strength = new ValueSlider(Words.VOICE.of("stronger-than"), 0, 100, 0, v -> show()).previewing(v -> show());
        strength.show(25);
        ValueSlider grouping = new ValueSlider(Words.VOICE.of("fine-coarse"), 0, 100, 0, v -> work.cueing()
                        .groupingProperty()
                        .set(v / 100))
                .previewing(v -> work.cueing().groupingProperty().set(v / 100));
        grouping.show(100 * work.cueing().groupingProperty().get());
        Node find = Buttons.words(
                Words.VOICE.of("find-onsets-button"),
                Words.VOICE.of("steps-hits-clinks-in-the"),
                work.cueing()::findCues);
        find.setId("find-cues");
        Button cueHere = Buttons.words("", Words.VOICE.of("where-the-picture-must-meet"), typeCue);
        cueHere.textProperty().bind(session.keys().words(Words.VOICE.of("cue-at-the-gate"), Action.CUE));
        Node keep = Buttons.words(
                Words.VOICE.of("keep-as-cues"), Words.VOICE.of("keep-the-stronger-ones-as"), () -> work.cueing()
                        .keep(stronger(), Cue.Kind.OTHER));
        keep.setId("keep-cues");
        found.getChildren()
                .addAll(
                        foundWords,
                        strength,
                        grouping,
                        new FlowPane(
                                4,
                                4,
                                keep,
                                Buttons.words(
                                        Words.VOICE.of("discard-all"),
                                        Words.VOICE.of("discard-all-found-onsets"),
                                        work.cueing()::dropCandidates)));
        chosenRows();
        getChildren()
                .addAll(
                        Rows.section(Words.VOICE.of("cues-and-sync")),
                        list,
                        chosen,
                        new FlowPane(4, 4, cueHere, find),
                        found,
                        new Fold(
                                Words.VOICE.of("beat-of-music"),
                                false,
                                Buttons.words(
                                        Words.VOICE.of("find-beat-button"),
                                        Words.VOICE.of("of-the-chosen-sound"),
                                        work.cueing()::findTempo),
                                tempoWords,
                                Buttons.words(
                                        Words.VOICE.of("cues-on-the-beats"),
                                        Words.VOICE.of("from-the-first-to-the"),
                                        this::beats)));
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.selection().itemProperty(),
                work.cueing().candidatesProperty(),
                work.cueing().tempoProperty());
    }

    private void chosenRows() {
        name.setId("cue-name");
        name.getStyleClass().add("part-field");
        name.setOnAction(event -> change(
                Words.VOICE.of("rename-a-cue"),
                cue -> cue.withName(name.getText().strip())));
        kind.getItems().setAll(Cue.Kind.values());
        kind.setFocusTraversable(false);
        kind.setConverter(ShownAs.names(Words.VOICE));
        kind.setOnAction(event -> cue().filter(cue -> kind.getValue() != null && cue.kind() != kind.getValue())
                .ifPresent(cue -> change(Words.VOICE.of("kind-of-a-cue"), c -> c.withKind(kind.getValue()))));
        lead.setPrefWidth(48);
        lead.setMinWidth(48);
        HBox leadRow =
                new HBox(6, Rows.quiet(Words.VOICE.of("sound-leads-by")), lead, Rows.quiet(Words.VOICE.of("frames")));
        leadRow.setAlignment(Pos.CENTER_LEFT);
        Node tieLevel = Buttons.words(
                Words.VOICE.of("drawing-at-the-gate"),
                Words.VOICE.of("of-the-current-level"),
                () -> tie(Optional.ofNullable(session.selection().level())));
        tieLevel.setId("tie-drawing");
        Node tieMark = Buttons.words(
                Words.VOICE.of("frame-at-the-gate"),
                Words.VOICE.of("its-mark-or-the-frame"),
                () -> tie(Optional.empty()));
        Node moveSound = Buttons.words(
                Words.VOICE.of("move-sound"), Words.VOICE.of("to-meet-the-picture"), () -> cue().ifPresent(
                                cue -> work.cueing().moveSound(cue.id())));
        moveSound.setId("sync-sound");
        Node movePicture = Buttons.words(
                Words.VOICE.of("move-picture"), Words.VOICE.of("to-the-frame-that-meets"), () -> cue().ifPresent(
                                cue -> session.document().apply(CueEdits.movePicture(cue.id()))));
        movePicture.setId("sync-picture");
        HBox nameRow = new HBox(6, name, kind);
        nameRow.setAlignment(Pos.CENTER_LEFT);
        chosen.getChildren()
                .addAll(
                        nameRow,
                        new FlowPane(4, 4, Rows.quiet(Words.VOICE.of("link-to-the")), tieLevel, tieMark),
                        leadRow,
                        new FlowPane(4, 4, moveSound, movePicture));
    }

    private Optional<Cue> cue() {
        Item item = session.selection().itemProperty().get();
        return session.shot().cues().stream()
                .filter(cue -> new Item(Item.Kind.CUE, cue.id()).equals(item))
                .findFirst();
    }

    private void change(String what, UnaryOperator<Cue> change) {
        cue().ifPresent(cue -> session.document().apply(CueEdits.change(what, cue.id(), change)));
    }

    private void tie(Optional<String> level) {
        cue().ifPresent(cue -> session.document()
                .apply(CueEdits.tie(cue.id(), level, session.transport().frame())));
    }

    private void typeLead() {
        cue().ifPresent(cue -> {
            try {
                session.document().apply(CueEdits.lead(cue.id(), lead.value()));
            } catch (IllegalArgumentException e) {
                session.notices().problem(e.getMessage());
            }
        });
    }

    private List<Onsets.Onset> stronger() {
        return work.cueing().candidatesProperty().get().stream()
                .filter(onset -> 100 * onset.strength() >= strength.value())
                .toList();
    }

    private void beats() {
        Tempo tempo = work.cueing().tempoProperty().get();
        if (tempo == null) {
            session.notices().problem(Words.VOICE.of("find-the-beat-first"));
            return;
        }
        session.document()
                .apply(CueEdits.beats(
                        Words.VOICE.of("beat"),
                        Math.max(0, tempo.firstSeconds()),
                        tempo.secondsPerBeat(),
                        session.shot().setup().seconds()));
    }

    private void show() {
        Shot shot = session.shot();
        Map<String, SyncReport.Row> rows = SyncReport.of(shot).stream()
                .collect(Collectors.toMap(row -> row.cue().id(), row -> row));
        list.getChildren()
                .setAll(shot.cues().stream()
                        .map(cue -> row(cue, rows.get(cue.id())))
                        .toList());
        if (shot.cues().isEmpty()) {
            list.getChildren()
                    .add(Rows.hint(Words.VOICE.of(
                            "press-where-the-picture-must", session.keys().text(Action.CUE))));
        }
        Optional<Cue> cue = cue();
        Rows.show(chosen, cue.isPresent());
        cue.ifPresent(c -> {
            if (!name.isFocused()) {
                name.setText(c.name());
            }
            kind.setValue(c.kind());
            lead.set(c.tie().map(Cue.Tie::leadFrames).orElse(0.0));
            lead.setDisable(c.tie().isEmpty());
        });
        int all = work.cueing().candidatesProperty().get().size();
        Rows.show(found, all > 0);
        foundWords.setText(
                Words.VOICE.of("found-of-them-stronger-on", all, stronger().size()));
        Tempo tempo = work.cueing().tempoProperty().get();
        tempoWords.setText(
                tempo == null
                        ? ""
                        : String.format(
                                Locale.ROOT,
                                Words.VOICE.of("beats-a-minute-frames-a"),
                                tempo.beatsPerMinute(),
                                tempo.secondsPerBeat() * shot.setup().rate().framesPerSecond(),
                                tempo.firstSeconds()));
    }

    private Node row(Cue cue, SyncReport.Row sync) {
        ShotSetup setup = session.shot().setup();
        int frame = setup.rate().nearestFrame(cue.seconds());
        Item item = new Item(Item.Kind.CUE, cue.id());
        Label verdict = new Label(sync == null ? Words.VOICE.of("not-linked") : verdict(sync.verdict()));
        verdict.getStyleClass().add(sync == null ? "quiet" : style(sync.verdict()));
        VBox text = new VBox(new HBox(new Label(cue.name()), Rows.space(), verdict));
        if (sync != null) {
            Label by = Rows.quiet(words(sync));
            by.setTooltip(new Tooltip(Words.VOICE.of(
                    "ms-linked-to-frame",
                    Math.abs(Math.round(sync.millis())),
                    setup.number(sync.tie().frame()))));
            text.getChildren().add(by);
        }
        HBox.setHgrow(text, Priority.ALWAYS);
        HBox row = Rows.row(
                () -> {
                    session.selection().itemProperty().set(item);
                    session.transport().go(frame);
                },
                Rows.number(String.format(Locale.ROOT, "%4d", setup.number(frame))),
                text);
        row.setAccessibleText(cue.name() + ", " + verdict.getText());
        if (item.equals(session.selection().itemProperty().get())) {
            row.getStyleClass().add("current");
        }
        return row;
    }

    private String words(SyncReport.Row sync) {
        double frames = sync.differenceSeconds() * session.shot().setup().rate().framesPerSecond();
        long millis = Math.round(sync.millis());
        return millis == 0
                ? Words.VOICE.of(
                        "meets-frame", session.shot().setup().number(sync.tie().frame()))
                : String.format(
                        Locale.ROOT,
                        Words.VOICE.of("sound-by-frames"),
                        millis < 0 ? Words.VOICE.of("leads") : Words.VOICE.of("lags"),
                        Math.abs(frames));
    }

    private static String verdict(SyncReport.Verdict verdict) {
        return switch (verdict) {
            case GOOD -> Words.VOICE.of("in-sync");
            case NOTICED -> Words.VOICE.of("slightly-off");
            case OFF -> Words.VOICE.of("off");
        };
    }

    private static String style(SyncReport.Verdict verdict) {
        return switch (verdict) {
            case GOOD -> "good";
            case NOTICED -> "noticed";
            case OFF -> "bad";
        };
    }
}
