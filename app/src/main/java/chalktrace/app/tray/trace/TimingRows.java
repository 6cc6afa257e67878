package chalktrace.app.tray.trace;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.session.Timing;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.TimingEdits;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.ShotSetup;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What can be done with the span that is chosen on the bench, or else with the showing at the gate. */
final class TimingRows extends VBox {

    private final Session session;
    private final Label where = Rows.hint("");
    private final NumberField count = new NumberField("timing-count", 2, this::showProposal);
    private final Label proposal = Rows.hint("");

    TimingRows(Session session) {
        super(6);
        this.session = session;
        Timing timing = session.timing();
        count.setPrefWidth(48);
        count.setMinWidth(48);
        CheckBox sound = new CheckBox("words, cues, sounds");
        sound.selectedProperty().bindBidirectional(timing.soundAlongProperty());
        CheckBox footage = new CheckBox("references");
        footage.selectedProperty().bindBidirectional(timing.footageAlongProperty());
        sound.setFocusTraversable(false);
        footage.setFocusTraversable(false);
        getChildren()
                .addAll(
                        where,
                        row(Rows.quiet("n"), count, Rows.quiet("frames or times")),
                        flow(
                                words(
                                        "reverse",
                                        "the other way round",
                                        s -> TimingEdits.reverse(s.levels(), s.frames())),
                                words(
                                        "to and fro",
                                        "there and back",
                                        s -> TimingEdits.toAndFro(s.levels(), s.frames())),
                                named(
                                        "repeat",
                                        Buttons.words(
                                                "repeat n times",
                                                "once after the other, tied",
                                                () -> timing.repeat(n()))),
                                words(
                                        "n each",
                                        "hold each drawing for n frames",
                                        s -> TimingEdits.each(s.levels(), s.frames(), n())),
                                words(
                                        "on every n",
                                        "keep what shows on every n-th frame, held",
                                        s -> TimingEdits.onEvery(s.levels(), s.frames(), n())),
                                words(
                                        "stretch to n",
                                        "make the span n frames long",
                                        s -> TimingEdits.stretch(s.levels(), s.frames(), n())),
                                words(
                                        "later by n",
                                        "shift; with a negative number earlier",
                                        s -> TimingEdits.shift(s.levels(), s.frames(), n())),
                                words(
                                        "blanks",
                                        "on every n-th free frame",
                                        s -> TimingEdits.blanks(s.levels(), s.frames(), n())),
                                words(
                                        "new drawings",
                                        "on every n-th free frame",
                                        s -> TimingEdits.drawings(s.levels(), s.frames(), n())),
                                words(
                                        "copy here, tied",
                                        "shows the span again at the gate",
                                        s -> TimingEdits.copyTied(
                                                s.levels(),
                                                s.frames(),
                                                session.transport().frame())),
                                words(
                                        "copy here, own",
                                        "the same, with drawings of its own",
                                        s -> TimingEdits.copyOwn(
                                                s.levels(),
                                                s.frames(),
                                                session.transport().frame())),
                                words(
                                        "cut the tie",
                                        "give the showing at the gate a drawing of its own",
                                        s -> TimingEdits.cutTie(
                                                String.valueOf(
                                                        session.selection().level()),
                                                session.transport().frame())),
                                words(
                                        "take out",
                                        "remove these frames on these levels; what follows moves",
                                        s -> TimingEdits.removeFrames(s.levels(), s.frames())),
                                words(
                                        "put n in",
                                        "n frames before the span on these levels",
                                        s -> TimingEdits.insertFrames(
                                                s.levels(), s.frames().start(), n())),
                                words(
                                        "unused away",
                                        "remove drawings that show nowhere",
                                        s -> TimingEdits.removeUnused(s.levels()))),
                        Rows.quiet("the whole shot, with"),
                        sound,
                        footage,
                        flow(
                                Buttons.words(
                                        "put n frames in",
                                        "before the span, on all levels",
                                        () -> timing.insertInShot(n())),
                                Buttons.words("take the span out", "on all levels", timing::removeFromShot)),
                        Rows.quiet("marks on every n frames"),
                        proposal,
                        flow(
                                named(
                                        "onto-twos",
                                        Buttons.words(
                                                "move marks",
                                                "with the drawings between them",
                                                () -> timing.moveOnto(n()))),
                                Buttons.words(
                                        "make what is missing",
                                        "empty drawings on every n-th free frame",
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
        where.setText("Frames " + setup.number(span.frames().start()) + " to "
                + setup.number(span.frames().last()) + " of " + names
                + (session.timing().spanProperty().get() == null
                        ? ". Drag over a level's lane with Shift to choose a span."
                        : "."));
        showProposal();
    }

    private void showProposal() {
        proposal.setText(session.timing().proposalWords(Math.max(1, n())));
    }

    private int n() {
        return (int) count.value();
    }

    private Node words(String text, String use, Function<Timing.Span, Edit> edit) {
        return named(text.replace(' ', '-').replace(",", ""), Buttons.words(text, use, () -> session.timing()
                .apply(edit)));
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
