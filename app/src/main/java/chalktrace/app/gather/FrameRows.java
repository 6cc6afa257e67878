package chalktrace.app.gather;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRange;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** On which frames footage shows: where it starts, and the only frames on which it is seen, if not all. Numbers are the shot's. */
final class FrameRows extends VBox {

    private final Session session;
    private final String id;
    private final FootageControls controls;
    private final NumberField start;
    private final CheckBox onlyOn;
    private final NumberField from;
    private final NumberField to;
    private final HBox startRow;
    private final HBox spanRow;

    FrameRows(Session session, String id) {
        super(6);
        this.session = session;
        this.id = id;
        controls = new FootageControls(session, id);
        start = new NumberField("footage-start", 1, this::move);
        from = new NumberField("span-from", 1, this::setSpan);
        to = new NumberField("span-to", 1, this::setSpan);
        onlyOn = controls.box(
                Words.GATHER.of("seen-on-some-frames-only"),
                Words.GATHER.of("set-the-frames-of-footage"),
                (f, on) -> f.withSpan(on ? Optional.of(session.shot().setup().frames()) : Optional.empty()));
        startRow = row(
                Rows.quiet(Words.GATHER.of("start-frame")),
                start,
                Buttons.text(Words.GATHER.of("set"), Words.GATHER.of("start-at-the-frame-at"), this::startHere));
        spanRow = row(Rows.quiet(Words.GATHER.of("from")), from, Rows.quiet(Words.GATHER.of("to")), to);
        getChildren().addAll(startRow, onlyOn, spanRow);
    }

    void show(Footage clip) {
        ShotSetup setup = session.shot().setup();
        boolean runs = !clip.isStill();
        Rows.show(startRow, runs);
        start.set(setup.number(clip.conform().startFrame()));
        onlyOn.setSelected(clip.span().isPresent());
        Rows.show(spanRow, clip.span().isPresent());
        clip.span().ifPresent(span -> {
            from.set(setup.number(span.start()));
            to.set(setup.number(span.last()));
        });
    }

    private void startHere() {
        session.soundMoves().moveFootage(id, session.transport().frame());
    }

    private void move() {
        session.soundMoves().moveFootage(id, session.shot().setup().frame((int) start.value()));
    }

    private void setSpan() {
        ShotSetup setup = session.shot().setup();
        int first = setup.frame((int) from.value());
        int last = setup.frame((int) to.value());
        if (last < first) {
            session.notices().problem(Words.GATHER.of("the-last-frame-comes-before"));
            session.shot().footage(id).ifPresent(this::show);
            return;
        }
        controls.change(
                Words.GATHER.of("set-the-frames-of-footage"),
                f -> f.withSpan(Optional.of(new FrameRange(first, last + 1))));
    }

    private static HBox row(Node... parts) {
        HBox row = new HBox(8, parts);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
