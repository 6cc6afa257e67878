package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.session.Session;
import chalktrace.app.session.Timing;
import chalktrace.app.session.View;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.timing.MarkEdits;
import chalktrace.core.edit.timing.TimingEdits;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.ShotSetup;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What can be done with the span that is chosen on the bench, or else with the showing at the gate. */
final class TimingRows extends VBox {

    private final Session session;
    private final Label where = Rows.hint("");
    private final NumberField count = new NumberField("timing-count", 2, this::showProposal);
    private final Label proposal = Rows.hint("");

    private final ComboBox<View.Only> only = new ComboBox<>();
    private final TextField note = new TextField();
    private final TextField camera = new TextField();

    TimingRows(Session session) {
        super(6);
        this.session = session;
        Timing timing = session.timing();
        count.setPrefWidth(48);
        count.setMinWidth(48);
        CheckBox sound = new CheckBox(Words.TRACE.of("words-cues-sounds"));
        sound.selectedProperty().bindBidirectional(timing.soundAlongProperty());
        CheckBox footage = new CheckBox(Words.TRACE.of("references"));
        footage.selectedProperty().bindBidirectional(timing.footageAlongProperty());
        only.getItems().setAll(View.Only.values());
        only.setValue(View.Only.ALL);
        only.setId("see-only");
        only.setFocusTraversable(false);
        only.setConverter(ShownAs.names(Words.TRACE));
        only.valueProperty().bindBidirectional(session.view().onlyProperty());
        CheckBox runs = new CheckBox(Words.TRACE.of("footage-keeps-moving"));
        runs.selectedProperty().bindBidirectional(session.view().footageRunsProperty());
        runs.setFocusTraversable(false);
        written(note, "frame-note", Words.TRACE.of("note-for-this-frame"), MarkEdits::note);
        written(camera, "camera-note", Words.TRACE.of("what-the-camera-does-at"), MarkEdits::camera);
        CheckBox follow = new CheckBox(Words.TRACE.of("stretch-references-along"));
        follow.setId("references-follow");
        follow.setFocusTraversable(false);
        follow.selectedProperty().bindBidirectional(timing.referencesFollowProperty());
        sound.setFocusTraversable(false);
        footage.setFocusTraversable(false);
        getChildren()
                .addAll(
                        row(Rows.quiet(Words.TRACE.of("show")), only),
                        runs,
                        note,
                        camera,
                        row(Buttons.words(
                                Words.TRACE.of("mark-on-this-level"),
                                Words.TRACE.of("key-breakdown-in-between-none"),
                                () -> session.document()
                                        .apply(MarkEdits.turn(
                                                session.transport().frame(),
                                                Optional.ofNullable(
                                                        session.selection().level()))))),
                        where,
                        row(Rows.quiet(Words.TRACE.of("n")), count, Rows.quiet(Words.TRACE.of("frames-or-times"))),
                        flow(
                                words(
                                        Words.TRACE.of("reverse"),
                                        Words.TRACE.of("reverse-the-order-of-the"),
                                        s -> TimingEdits.reverse(s.levels(), s.frames())),
                                words(
                                        Words.TRACE.of("to-and-fro"),
                                        Words.TRACE.of("there-and-back"),
                                        s -> TimingEdits.toAndFro(s.levels(), s.frames())),
                                named(
                                        "repeat",
                                        Buttons.words(
                                                Words.TRACE.of("repeat-n-times"),
                                                Words.TRACE.of("repeat-the-span-as-linked"),
                                                () -> timing.repeat(n()))),
                                words(
                                        Words.TRACE.of("hold-n-each"),
                                        Words.TRACE.of("hold-each-drawing-for-n"),
                                        s -> TimingEdits.each(s.levels(), s.frames(), n())),
                                words(
                                        Words.TRACE.of("keep-every-n"),
                                        Words.TRACE.of("keep-what-shows-on-every"),
                                        s -> TimingEdits.onEvery(s.levels(), s.frames(), n())),
                                words(
                                        Words.TRACE.of("stretch-span-to-n"),
                                        Words.TRACE.of("make-the-span-n-frames"),
                                        s -> TimingEdits.stretch(s.levels(), s.frames(), n())),
                                words(
                                        Words.TRACE.of("later-by-n"),
                                        Words.TRACE.of("shift-with-a-negative-number"),
                                        s -> TimingEdits.shift(s.levels(), s.frames(), n())),
                                words(
                                        Words.TRACE.of("blanks-on-every-n"),
                                        Words.TRACE.of("on-every-n-th-free"),
                                        s -> TimingEdits.blanks(s.levels(), s.frames(), n())),
                                words(
                                        Words.TRACE.of("new-drawings-on-every-n"),
                                        Words.TRACE.of("on-every-n-th-free"),
                                        s -> TimingEdits.drawings(s.levels(), s.frames(), n())),
                                words(
                                        Words.TRACE.of("linked-copy"),
                                        Words.TRACE.of("link-the-span-again-at"),
                                        s -> TimingEdits.copyTied(
                                                s.levels(),
                                                s.frames(),
                                                session.transport().frame())),
                                words(
                                        Words.TRACE.of("own-copy"),
                                        Words.TRACE.of("copy-the-span-to-the"),
                                        s -> TimingEdits.copyOwn(
                                                s.levels(),
                                                s.frames(),
                                                session.transport().frame())),
                                words(
                                        Words.TRACE.of("unlink"),
                                        Words.TRACE.of("give-the-exposure-at-the"),
                                        s -> TimingEdits.cutTie(
                                                String.valueOf(
                                                        session.selection().level()),
                                                session.transport().frame())),
                                words(
                                        Words.TRACE.of("remove-span"),
                                        Words.TRACE.of("remove-these-frames-on-these"),
                                        s -> TimingEdits.removeFrames(s.levels(), s.frames())),
                                words(
                                        Words.TRACE.of("insert-n-frames"),
                                        Words.TRACE.of("before-the-span-on-these"),
                                        s -> TimingEdits.insertFrames(
                                                s.levels(), s.frames().start(), n())),
                                named(
                                        "swap",
                                        Buttons.words(
                                                Words.TRACE.of("swap-with-the-next-level"),
                                                Words.TRACE.of("what-the-current-level-and"),
                                                this::swap)),
                                words(
                                        Words.TRACE.of("delete-unused-drawings"),
                                        Words.TRACE.of("delete-drawings-that-no-frame"),
                                        s -> TimingEdits.removeUnused(s.levels()))),
                        Rows.quiet(Words.TRACE.of("the-whole-shot-with")),
                        sound,
                        footage,
                        flow(
                                Buttons.words(
                                        Words.TRACE.of("insert-n-frames-shot"),
                                        Words.TRACE.of("before-the-span-on-all"),
                                        () -> timing.insertInShot(n())),
                                Buttons.words(
                                        Words.TRACE.of("remove-span-shot"),
                                        Words.TRACE.of("on-all-levels"),
                                        timing::removeFromShot)),
                        Rows.quiet(Words.TRACE.of("marks-on-every-n-frames")),
                        proposal,
                        follow,
                        flow(
                                named(
                                        "onto-twos",
                                        Buttons.words(
                                                Words.TRACE.of("move-marks"),
                                                Words.TRACE.of("with-the-drawings-between-them"),
                                                () -> timing.moveOnto(n()))),
                                Buttons.words(
                                        Words.TRACE.of("create-missing"),
                                        Words.TRACE.of("empty-drawings-on-every-n"),
                                        () -> timing.makeMissing(n()))));
        Refresh.on(
                this,
                this::show,
                session.timing().spanProperty(),
                session.transport().frameProperty(),
                session.selection().levelProperty(),
                session.document().shotProperty());
    }

    private void show() {
        Timing.Span span = session.timing().span();
        ShotSetup setup = session.shot().setup();
        String names = span.levels().stream()
                .map(id -> session.shot().level(id).map(Level::name).orElse(id))
                .collect(Collectors.joining(", "));
        where.setText(Words.TRACE.of(
                "frames-to-of",
                setup.number(span.frames().start()),
                setup.number(span.frames().last()),
                names,
                session.timing().spanProperty().get() == null ? Words.TRACE.of("drag-over-a-levels-lane") : "."));
        showWritten(note, Mark.Kind.NOTE);
        showWritten(camera, Mark.Kind.CAMERA);
        showProposal();
    }

    private void written(TextField field, String id, String prompt, BiFunction<Integer, String, Edit> edit) {
        field.setPromptText(prompt);
        field.setId(id);
        field.setFocusTraversable(false);
        field.getStyleClass().add("part-field");
        field.setOnAction(event -> {
            session.document().apply(edit.apply(session.transport().frame(), field.getText()));
            getParent().requestFocus();
        });
    }

    private void showWritten(TextField field, Mark.Kind kind) {
        if (!field.isFocused()) {
            field.setText(session.shot().marks().stream()
                    .filter(mark -> mark.kind() == kind
                            && mark.frame() == session.transport().frame())
                    .map(Mark::text)
                    .collect(Collectors.joining("; ")));
        }
    }

    private void swap() {
        List<String> ids = session.shot().levels().stream().map(Level::id).toList();
        int here = ids.indexOf(session.selection().level());
        if (here >= 0 && here + 1 < ids.size()) {
            session.document().apply(TimingEdits.swap(ids.get(here), ids.get(here + 1)));
        } else {
            session.notices().problem(Words.TRACE.of("there-is-no-level-behind"));
        }
    }

    private void showProposal() {
        proposal.setText(session.timing().proposalWords(Math.max(1, n())));
    }

    private int n() {
        return (int) count.value();
    }

    private Node words(String text, String use, Function<Timing.Span, Edit> edit) {
        return named(
                text.toLowerCase(Locale.ROOT).replaceAll("[,()]", "").replace(' ', '-'),
                Buttons.words(text, use, () -> session.timing().apply(edit)));
    }

    private static Node named(String id, Node node) {
        node.setId("timing-" + id);
        return node;
    }

    private static FlowPane flow(Node... parts) {
        return new FlowPane(4, 4, parts);
    }

    private static HBox row(Node... parts) {
        HBox row = new HBox(6, parts);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
