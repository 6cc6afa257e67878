package chalktrace.app.trace.work;

import chalktrace.app.controls.WhileWanted;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.kernel.Selection;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.edit.drawing.FillEdits;
import chalktrace.core.edit.drawing.FillEdits.Found;
import chalktrace.core.edit.drawing.FillEdits.Reach;
import chalktrace.core.fill.Contours;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.Stroke;
import chalktrace.core.time.FrameRange;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleIntegerProperty;

/** Painting between the lines of the current level: the region is found in the background, then painted in one step. */
public final class Painting {

    private static final double USUAL_HEIGHT = 1080;

    private final Document document;
    private final Selection selection;
    private final Transport transport;
    private final Proposals proposals;
    private final Notices notices;
    private final DoubleProperty gap = new SimpleDoubleProperty();
    private final DoubleProperty grow = new SimpleDoubleProperty();
    private final BooleanProperty paintBounds = new SimpleBooleanProperty();
    private final IntegerProperty span = new SimpleIntegerProperty(1);
    private final ReadOnlyObjectWrapper<Found> looked = new ReadOnlyObjectWrapper<>();
    private int latest;

    Painting(Document document, Selection selection, Transport transport, Proposals proposals, Notices notices) {
        this.document = document;
        this.selection = selection;
        this.transport = transport;
        this.proposals = proposals;
        this.notices = notices;
        suit(document.shot());
        document.whenOpened(() -> suit(document.shot()));
        document.shotProperty().addListener(changed -> looked.set(null));
        WhileWanted.hear(
                () -> looked.get() != null, List.of(looked), () -> looked.set(null), transport.frameProperty());
        selection.levelProperty().addListener(changed -> looked.set(null));
    }

    /** The widest opening that counts as closed, in shot pixels. */
    public DoubleProperty gapProperty() {
        return gap;
    }

    /** How far paint goes under the line, in shot pixels. */
    public DoubleProperty growProperty() {
        return grow;
    }

    /** Whether dark or thin paint counts as a line. */
    public BooleanProperty paintBoundsProperty() {
        return paintBounds;
    }

    /** On how many frames a touch paints, following the region. */
    public IntegerProperty spanProperty() {
        return span;
    }

    /** The region at the place that was looked at last; null for none. */
    public ReadOnlyObjectProperty<Found> lookedProperty() {
        return looked.getReadOnlyProperty();
    }

    /** Finds the region around a place without painting it, to show what a touch would paint. */
    public void look(double x, double y) {
        int mine = ++latest;
        find(x, y, found -> {
            // The pointer may have gone on.
            if (mine == latest) {
                looked.set(found.orElse(null));
            }
        });
    }

    /** Forgets what was looked at. */
    public void giveUp() {
        latest++;
        looked.set(null);
    }

    /** Paints the region around a place, on one frame or on the set number of frames. */
    public void fillAt(double x, double y) {
        int frame = transport.frame();
        String level = String.valueOf(selection.level());
        String chalk = selection.chalkProperty().get();
        if (span.get() > 1) {
            fillSpan(x, y, level, frame, chalk);
            return;
        }
        Reach reach = reach();
        proposals.propose(
                Words.TRACE.of("find-the-region"),
                shot -> List.of(reach.paintBounds() ? shot.levels() : lines(shot, level)),
                (shot, job) -> painted(FillEdits.region(shot, level, frame, x, y, reach), reach, level, frame, chalk));
    }

    /** The lines of a level, by which a region is found. */
    private static Optional<List<List<Stroke>>> lines(Shot shot, String level) {
        return shot.level(level)
                .map(l -> l.drawings().stream().map(Drawing::strokes).toList());
    }

    private Proposals.Outcome painted(Optional<Found> found, Reach reach, String level, int frame, String chalk) {
        if (found.isEmpty()) {
            return Proposals.Outcome.only(() -> notices.problem(
                    reach.paintBounds()
                            ? Words.TRACE.of("there-is-no-region-here")
                            : Words.TRACE.of("there-is-no-region-here-level")));
        }
        if (found.get().open()) {
            return Proposals.Outcome.only(
                    () -> notices.problem(Words.TRACE.of("the-lines-leave-this-region", Math.round(reach.gapPx()))));
        }
        return Proposals.Outcome.of(
                FillEdits.paint(level, frame, chalk, found.get().area()));
    }

    /** Paints what lies within a loop, given by its corners. */
    public void fillLoop(List<Point2D> loop) {
        double[] ring = new double[2 * loop.size()];
        for (int i = 0; i < loop.size(); i++) {
            ring[2 * i] = loop.get(i).getX();
            ring[2 * i + 1] = loop.get(i).getY();
        }
        document.apply(FillEdits.paint(
                String.valueOf(selection.level()),
                transport.frame(),
                selection.chalkProperty().get(),
                Contours.of(List.of(ring))));
    }

    /** Paints what of a stroke lies on what is painted already. */
    public void paintWithin(Stroke stroke) {
        int frame = transport.frame();
        String level = String.valueOf(selection.level());
        proposals.propose(
                Words.TRACE.of("paint-within-paint"),
                shot -> List.of(shot.levels()),
                (shot, job) -> FillEdits.paintWithinPaint(shot, level, frame, stroke)
                        .map(Proposals.Outcome::of)
                        .orElse(Proposals.Outcome.only(
                                () -> notices.problem(Words.TRACE.of("nothing-is-painted-here-the")))));
    }

    /** Paints all that lies within the outermost lines of the current level. */
    public void silhouette() {
        int frame = transport.frame();
        String level = String.valueOf(selection.level());
        String chalk = selection.chalkProperty().get();
        Reach reach = reach();
        proposals.propose(Words.TRACE.of("find-the-silhouette"), shot -> List.of(lines(shot, level)), (shot, job) -> {
            Contours area = FillEdits.silhouette(shot, level, frame, reach);
            return area.isEmpty()
                    ? Proposals.Outcome.only(() -> notices.problem(Words.TRACE.of("the-current-level-has-no")))
                    : Proposals.Outcome.of(FillEdits.paint(level, frame, chalk, area));
        });
    }

    private void fillSpan(double x, double y, String level, int frame, String chalk) {
        FrameRange frames =
                new FrameRange(frame, Math.min(document.shot().setup().length(), frame + span.get()));
        Reach reach = reach();
        proposals.propose(
                Words.TRACE.of("paint-frames", frames.frames()), shot -> List.of(shot.levels()), (shot, job) -> {
                    FillEdits.Followed followed = FillEdits.paintOnSpan(shot, level, frames, x, y, chalk, reach);
                    Runnable tell = () -> followed.lostAt()
                            .ifPresent(lost -> notices.problem(Words.TRACE.of(
                                    "painted-drawings-from-frame-on",
                                    followed.drawings(),
                                    shot.setup().number(lost))));
                    return new Proposals.Outcome(followed.drawings() > 0 ? followed.edit() : null, tell);
                });
    }

    private void find(double x, double y, Consumer<Optional<Found>> then) {
        Shot shot = document.shot();
        int frame = transport.frame();
        String level = String.valueOf(selection.level());
        Reach reach = reach();
        proposals.findQuietly(job -> FillEdits.region(shot, level, frame, x, y, reach), then);
    }

    private Reach reach() {
        return new Reach(gap.get(), grow.get(), paintBounds.get());
    }

    /** Widths are as they suit the picture's height. */
    private void suit(Shot shot) {
        double share = shot.setup().size().height() / USUAL_HEIGHT;
        gap.set(Math.max(1, Math.round(Reach.USUAL.gapPx() * share)));
        grow.set(Math.max(1, Math.round(Reach.USUAL.growPx() * share)));
    }
}
