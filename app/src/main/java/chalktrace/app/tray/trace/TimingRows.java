package chalktrace.app.tray.trace;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.session.Session;
import chalktrace.app.session.Timing;
import chalktrace.app.session.View;
import chalktrace.core.check.ExposureChecks;
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

    private static final int MOST_FINDINGS = 6;

    private final Session session;
    private final Label where = Rows.hint("");
    private final NumberField count = new NumberField("timing-count", 2, this::showProposal);
    private final Label proposal = Rows.hint("");

    private final ComboBox<View.Only> only = new ComboBox<>();
    private final TextField note = new TextField();
    private final TextField camera = new TextField();
    private final VBox findings = new VBox(2);

    TimingRows(Session session) {
        super(6);
        this.session = session;
        Timing timing = session.timing();
        count.setPrefWidth(48);
        count.setMinWidth(48);
        CheckBox sound = new CheckBox("Words, cues, sounds");
        sound.selectedProperty().bindBidirectional(timing.soundAlongProperty());
        CheckBox footage = new CheckBox("References");
        footage.selectedProperty().bindBidirectional(timing.footageAlongProperty());
        only.getItems().setAll(View.Only.values());
        only.setValue(View.Only.ALL);
        only.setId("see-only");
        only.setFocusTraversable(false);
        only.setConverter(ShownAs.names());
        only.valueProperty().bindBidirectional(session.view().onlyProperty());
        CheckBox runs = new CheckBox("Footage runs on meanwhile");
        runs.selectedProperty().bindBidirectional(session.view().footageRunsProperty());
        runs.setFocusTraversable(false);
        written(note, "frame-note", "note for this frame", MarkEdits::note);
        written(camera, "camera-note", "what the camera does at this frame", MarkEdits::camera);
        CheckBox follow = new CheckBox("Stretch references along");
        follow.setId("references-follow");
        follow.setFocusTraversable(false);
        follow.selectedProperty().bindBidirectional(timing.referencesFollowProperty());
        sound.setFocusTraversable(false);
        footage.setFocusTraversable(false);
        getChildren()
                .addAll(
                        row(Rows.quiet("Show"), only),
                        runs,
                        note,
                        camera,
                        row(Buttons.words(
                                "Mark on this level",
                                "key, breakdown, in-between, none, for the current level",
                                () -> session.document()
                                        .apply(MarkEdits.turn(
                                                session.transport().frame(),
                                                Optional.ofNullable(
                                                        session.selection().level()))))),
                        where,
                        row(Rows.quiet("n"), count, Rows.quiet("frames or times")),
                        flow(
                                words(
                                        "Reverse",
                                        "reverse the order of the span",
                                        s -> TimingEdits.reverse(s.levels(), s.frames())),
                                words(
                                        "To and fro",
                                        "there and back",
                                        s -> TimingEdits.toAndFro(s.levels(), s.frames())),
                                named(
                                        "repeat",
                                        Buttons.words(
                                                "Repeat n times",
                                                "repeat the span as linked copies",
                                                () -> timing.repeat(n()))),
                                words(
                                        "Hold n each",
                                        "hold each drawing for n frames",
                                        s -> TimingEdits.each(s.levels(), s.frames(), n())),
                                words(
                                        "Keep every n",
                                        "keep what shows on every n-th frame, held",
                                        s -> TimingEdits.onEvery(s.levels(), s.frames(), n())),
                                words(
                                        "Stretch span to n",
                                        "make the span n frames long",
                                        s -> TimingEdits.stretch(s.levels(), s.frames(), n())),
                                words(
                                        "Later by n",
                                        "shift; with a negative number earlier",
                                        s -> TimingEdits.shift(s.levels(), s.frames(), n())),
                                words(
                                        "Blanks on every n",
                                        "on every n-th free frame",
                                        s -> TimingEdits.blanks(s.levels(), s.frames(), n())),
                                words(
                                        "New drawings on every n",
                                        "on every n-th free frame",
                                        s -> TimingEdits.drawings(s.levels(), s.frames(), n())),
                                words(
                                        "Linked copy",
                                        "link the span again at the gate",
                                        s -> TimingEdits.copyTied(
                                                s.levels(),
                                                s.frames(),
                                                session.transport().frame())),
                                words(
                                        "Own copy",
                                        "copy the span to the gate with its own drawings",
                                        s -> TimingEdits.copyOwn(
                                                s.levels(),
                                                s.frames(),
                                                session.transport().frame())),
                                words(
                                        "Unlink",
                                        "give the exposure at the gate its own drawing",
                                        s -> TimingEdits.cutTie(
                                                String.valueOf(
                                                        session.selection().level()),
                                                session.transport().frame())),
                                words(
                                        "Remove span",
                                        "remove these frames on these levels; what follows moves",
                                        s -> TimingEdits.removeFrames(s.levels(), s.frames())),
                                words(
                                        "Insert n frames",
                                        "before the span on these levels",
                                        s -> TimingEdits.insertFrames(
                                                s.levels(), s.frames().start(), n())),
                                named(
                                        "swap",
                                        Buttons.words(
                                                "Swap with the next level",
                                                "what the current level and the one behind it show, drawings and all",
                                                this::swap)),
                                words(
                                        "Delete unused drawings",
                                        "delete drawings that no frame shows",
                                        s -> TimingEdits.removeUnused(s.levels()))),
                        Rows.quiet("The whole shot, with"),
                        sound,
                        footage,
                        flow(
                                Buttons.words(
                                        "Insert n frames (shot)",
                                        "before the span, on all levels",
                                        () -> timing.insertInShot(n())),
                                Buttons.words("Remove span (shot)", "on all levels", timing::removeFromShot)),
                        Rows.quiet("Marks on every n frames"),
                        proposal,
                        follow,
                        flow(
                                named(
                                        "onto-twos",
                                        Buttons.words(
                                                "Move marks",
                                                "with the drawings between them",
                                                () -> timing.moveOnto(n()))),
                                Buttons.words(
                                        "Create missing",
                                        "empty drawings on every n-th free frame",
                                        () -> timing.makeMissing(n()))));
        Refresh.on(
                this,
                this::show,
                session.timing().spanProperty(),
                session.timing().findingsProperty(),
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
        where.setText("Frames " + setup.number(span.frames().start()) + " to "
                + setup.number(span.frames().last()) + " of " + names
                + (session.timing().spanProperty().get() == null
                        ? ". Drag over a level's lane with Shift to choose a span."
                        : "."));
        showWritten(note, Mark.Kind.NOTE);
        showWritten(camera, Mark.Kind.CAMERA);
        showFindings();
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
            session.notices().problem("There is no level behind the current one to swap with.");
        }
    }

    private void showFindings() {
        findings.getChildren().clear();
        List<ExposureChecks.Finding> all = session.timing().findingsProperty().get();
        if (!all.isEmpty()) {
            findings.getChildren().add(Rows.quiet("Possible mistakes"));
        }
        all.stream().limit(MOST_FINDINGS).forEach(finding -> {
            Label words = new Label(session.timing().words(finding));
            words.setWrapText(true);
            findings.getChildren().add(Rows.row(() -> session.transport().go(finding.frame()), words));
        });
        if (all.size() > MOST_FINDINGS) {
            findings.getChildren().add(Rows.quiet("and " + (all.size() - MOST_FINDINGS) + " more"));
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
