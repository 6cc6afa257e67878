package chalktrace.app.session;

import chalktrace.core.edit.DrawingPiece;
import chalktrace.core.edit.Pick;
import chalktrace.core.edit.PickEdits;
import chalktrace.core.edit.StrokeLanding;
import chalktrace.core.time.FrameRange;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** What is done with what is picked, besides dragging it. Each is one step of the history. */
public final class Picking {

    private final Document document;
    private final Selection selection;
    private final Transport transport;
    private final View view;
    private final ReadOnlyObjectWrapper<DrawingPiece> copied = new ReadOnlyObjectWrapper<>();

    Picking(Document document, Selection selection, Transport transport, View view) {
        this.document = document;
        this.selection = selection;
        this.transport = transport;
        this.view = view;
        transport.frameProperty().addListener(changed -> leaveOtherDrawings());
        selection
                .levelProperty()
                .addListener(changed -> selection.pickProperty().set(null));
    }

    /** What was copied last; null for nothing. */
    public ReadOnlyObjectProperty<DrawingPiece> copiedProperty() {
        return copied.getReadOnlyProperty();
    }

    public void all() {
        selection
                .pickProperty()
                .set(Pick.all(document.shot(), String.valueOf(selection.level()), transport.frame())
                        .orElse(null));
        view.toolProperty().set(View.Tool.PICK);
    }

    public void putAway() {
        selection.pickProperty().set(null);
        view.bendingProperty().set(false);
    }

    public void copy() {
        with(pick -> copied.set(pick.lifted(document.shot())));
    }

    public void cut() {
        copy();
        remove();
    }

    /** Removes what is picked. @return whether anything was picked */
    public boolean remove() {
        Pick pick = selection.pickProperty().get();
        with(p -> {
            selection.pickProperty().set(null);
            document.apply(PickEdits.remove(p));
        });
        return pick != null;
    }

    /** Puts what was copied onto the drawing at the gate, in its own place, and picks it. */
    public void paste() {
        if (copied.get() != null) {
            put(copied.get());
        }
    }

    /** Puts what was copied on the frames from the gate on, as one drawing that is tied. */
    public void pasteOnSpan(int frames) {
        if (copied.get() == null) {
            return;
        }
        int start = transport.frame();
        int end = Math.min(document.shot().setup().length(), start + Math.max(1, frames));
        document.apply(
                PickEdits.pasteOnSpan(String.valueOf(selection.level()), new FrameRange(start, end), copied.get()));
    }

    public void duplicate() {
        with(pick -> put(pick.lifted(document.shot())));
    }

    public void nudge(double x, double y) {
        with(pick -> document.apply(PickEdits.transform("nudge", pick, AffineTransform.getTranslateInstance(x, y))));
    }

    /** Turns what is picked over about its own middle. */
    public void mirror(boolean sideways) {
        with(pick -> document.apply(PickEdits.transform(
                "turn over",
                pick,
                aboutMiddle(pick, AffineTransform.getScaleInstance(sideways ? -1 : 1, sideways ? 1 : -1)))));
    }

    /** Moves, scales and turns by typed numbers. */
    public void change(double right, double down, double percent, double degrees) {
        AffineTransform about = AffineTransform.getRotateInstance(Math.toRadians(degrees));
        about.scale(percent / 100, percent / 100);
        with(pick -> {
            AffineTransform all = AffineTransform.getTranslateInstance(right, down);
            all.concatenate(aboutMiddle(pick, about));
            document.apply(PickEdits.transform("move what is picked", pick, all));
        });
    }

    /** Scales each part that hangs together about its own middle. */
    public void scaleEach(double percent) {
        with(pick -> document.apply(PickEdits.transformEach(
                "scale each part", pick, AffineTransform.getScaleInstance(percent / 100, percent / 100))));
    }

    public void reorder(boolean toFront) {
        with(pick -> {
            Pick after = PickEdits.reordered(pick, document.shot(), toFront);
            document.apply(PickEdits.reorder(pick, toFront));
            selection.pickProperty().set(after);
        });
    }

    /** Draws what is picked with the chalk in hand. */
    public void rechalk() {
        with(pick ->
                document.apply(PickEdits.rechalk(pick, selection.chalkProperty().get())));
    }

    private void put(DrawingPiece piece) {
        StrokeLanding landing = StrokeLanding.of(
                document.shot(),
                String.valueOf(selection.level()),
                transport.frame(),
                view.holdFramesProperty().get());
        if (landing.canDraw()) {
            document.apply(PickEdits.paste(landing, piece));
            selection.pickProperty().set(PickEdits.pasted(document.shot(), landing, piece));
            view.toolProperty().set(View.Tool.PICK);
        }
    }

    private AffineTransform aboutMiddle(Pick pick, AffineTransform change) {
        Rectangle2D box = pick.bounds(document.shot());
        AffineTransform out = AffineTransform.getTranslateInstance(box.getCenterX(), box.getCenterY());
        out.concatenate(change);
        out.translate(-box.getCenterX(), -box.getCenterY());
        return out;
    }

    /** On a frame that shows another drawing nothing of it is picked. */
    private void leaveOtherDrawings() {
        Pick pick = selection.pickProperty().get();
        boolean stillShown = pick != null
                && document.shot()
                        .level(pick.level())
                        .flatMap(level -> level.exposures().at(transport.frame()))
                        .filter(run -> run.drawing() == pick.drawing()
                                && run.placement().equals(pick.placement()))
                        .isPresent();
        if (!stillShown) {
            selection.pickProperty().set(null);
        }
    }

    private void with(Consumer<Pick> does) {
        Optional.ofNullable(selection.pickProperty().get())
                .filter(pick -> pick.isIn(document.shot()))
                .ifPresent(does);
    }
}
