package chalktrace.app.trace.work;

import chalktrace.app.controls.WhileWanted;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Selection;
import chalktrace.app.session.Landings;
import chalktrace.app.session.View;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.between.SquashAndStretch;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.edit.selection.SpanEdits;
import chalktrace.core.edit.selection.SpanMove;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
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
        WhileWanted.hear(
                () -> selection.pickProperty().get() != null,
                List.of(selection.pickProperty()),
                this::leaveOtherDrawings,
                transport.frameProperty());
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
        view.handlingProperty().set(View.Handling.WHOLE);
    }

    public void copy() {
        if (!picks().isEmpty()) {
            copied.set(lifted());
        }
    }

    /** Removes what is picked. @return whether anything was picked */
    public boolean remove() {
        List<Pick> gone = picks();
        if (!gone.isEmpty()) {
            selection.pickProperty().set(null);
            document.apply(all(gone, PickEdits::remove));
        }
        return !gone.isEmpty();
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
        if (!picks().isEmpty()) {
            put(lifted());
        }
    }

    public void nudge(double x, double y) {
        each(pick -> PickEdits.transform(
                Words.TRACE.of("move-selection"), pick, AffineTransform.getTranslateInstance(x, y)));
    }

    /** Turns what is picked over about its own middle. */
    public void mirror(boolean sideways) {
        AffineTransform over = aboutMiddle(AffineTransform.getScaleInstance(sideways ? -1 : 1, sideways ? 1 : -1));
        each(pick -> PickEdits.transform(Words.TRACE.of("turn-over"), pick, over));
    }

    /** Moves, scales and turns by typed numbers. */
    public void change(double right, double down, double percent, double degrees) {
        AffineTransform about = AffineTransform.getRotateInstance(Math.toRadians(degrees));
        about.scale(percent / 100, percent / 100);
        AffineTransform all = AffineTransform.getTranslateInstance(right, down);
        all.concatenate(aboutMiddle(about));
        each(pick -> PickEdits.transform(Words.TRACE.of("move-selection"), pick, all));
    }

    /** Scales each part that hangs together about its own middle. */
    public void scaleEach(double percent) {
        each(pick -> PickEdits.transformEach(
                Words.TRACE.of("scale-each-part"),
                pick,
                AffineTransform.getScaleInstance(percent / 100, percent / 100)));
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
        each(pick -> PickEdits.rechalk(pick, selection.chalkProperty().get()));
    }

    /** Gives what is picked to a part of the figure. */
    public void name(String part) {
        each(pick -> PickEdits.name(pick, part.strip()));
    }

    /** Picks the strokes of a named part, on the current level. */
    public void pickPart(String part) {
        selection
                .pickProperty()
                .set(Pick.part(document.shot(), String.valueOf(selection.level()), transport.frame(), part)
                        .orElse(null));
    }

    /** The names of all parts of the current level, in the order of the alphabet. */
    public List<String> partNames() {
        return document.shot().level(String.valueOf(selection.level())).stream()
                .flatMap(level -> level.drawings().stream())
                .flatMap(drawing -> drawing.strokes().stream())
                .map(Stroke::part)
                .filter(name -> !name.isEmpty())
                .distinct()
                .sorted()
                .toList();
    }

    /**
     * Changes the picked part on frames from the gate on.
     *
     * @param showings whether the showings are placed anew, and not the drawings changed
     */
    public void moveOnSpan(int frames, SpanMove move, boolean showings) {
        int start = transport.frame();
        FrameRange range =
                new FrameRange(start, Math.min(document.shot().setup().length(), start + Math.max(1, frames)));
        if (showings) {
            Rectangle2D box = picks().isEmpty()
                    ? new Rectangle2D.Double(
                            0,
                            0,
                            document.shot().setup().size().width(),
                            document.shot().setup().size().height())
                    : bounds(document.shot());
            document.apply(SpanEdits.placeShowings(
                    String.valueOf(selection.level()), range, move, box.getCenterX(), box.getCenterY()));
        } else {
            each(pick -> SpanEdits.movePart(pick, range, move));
        }
    }

    /** On how many drawings from the gate on the picked part is, as words. */
    public String reachWords(int frames) {
        Pick pick = selection.pickProperty().get();
        if (pick == null || !pick.isIn(document.shot())) {
            return "";
        }
        int start = transport.frame();
        FrameRange range =
                new FrameRange(start, Math.min(document.shot().setup().length(), start + Math.max(1, frames)));
        long count = SpanEdits.drawingsWithPart(document.shot(), pick, range);
        return " " + Words.TRACE.count("part-on-drawings", count);
    }

    /** Squashes or stretches what is picked along a direction, each pick about the middle of all. */
    public void squash(double degrees, double percent, boolean keepArea, SquashAndStretch.Stays stays) {
        AffineTransform change =
                SquashAndStretch.along(bounds(document.shot()), degrees, percent / 100, keepArea, stays);
        each(pick -> PickEdits.transform(Words.TRACE.of("squash-and-stretch"), pick, change));
    }

    /** Lets the picked part follow the rest of its level late, on frames from the gate on. */
    public void followThrough(int frames, double delayFrames, double overshoot) {
        int start = transport.frame();
        FrameRange range =
                new FrameRange(start, Math.min(document.shot().setup().length(), start + Math.max(1, frames)));
        each(pick -> SpanEdits.followThrough(pick, range, delayFrames, overshoot));
    }

    /** All that is picked and still there. */
    public List<Pick> picks() {
        return selection.picks().stream()
                .filter(pick -> pick.isIn(document.shot()))
                .toList();
    }

    /** The box around all that is picked, as a shot shows it. */
    public Rectangle2D bounds(Shot shot) {
        return picks().stream()
                .map(pick -> pick.bounds(shot))
                .reduce(Rectangle2D::createUnion)
                .orElse(new Rectangle2D.Double());
    }

    /** The same change of all that is picked, as one step. */
    public Edit all(Function<Pick, Edit> change) {
        return all(picks(), change);
    }

    private static Edit all(List<Pick> picks, Function<Pick, Edit> change) {
        return picks.stream().map(change).reduce(Edit::then).orElseThrow();
    }

    private void each(Function<Pick, Edit> change) {
        if (!picks().isEmpty()) {
            document.apply(all(change));
        }
    }

    private DrawingPiece lifted() {
        return picks().stream()
                .map(pick -> pick.lifted(document.shot()))
                .reduce(DrawingPiece::and)
                .orElseThrow();
    }

    private void put(DrawingPiece piece) {
        StrokeLanding landing = Landings.next(document.shot(), selection, transport, view);
        if (landing.canDraw()) {
            document.apply(PickEdits.paste(landing, piece));
            selection.pickProperty().set(PickEdits.pasted(document.shot(), landing, piece));
            view.toolProperty().set(View.Tool.PICK);
        }
    }

    private AffineTransform aboutMiddle(AffineTransform change) {
        Rectangle2D box = bounds(document.shot());
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
