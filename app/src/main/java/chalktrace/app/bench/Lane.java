package chalktrace.app.bench;

import chalktrace.app.controls.Sentence;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.theme.Tones;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;
import java.util.Optional;
import java.util.function.DoubleFunction;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.beans.InvalidationListener;
import javafx.beans.Observable;
import javafx.beans.WeakInvalidationListener;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.util.Duration;

/**
 * One strip of the bench, painted by hand. Dragging an empty part pulls the shot through the gate; an item drags itself,
 * and becomes one step of the history when it is let go; a click selects.
 */
public abstract class Lane extends Region {

    static final double FOLDED_HEIGHT = 7;

    /** So near to an end of the lane a drag goes on. */
    private static final double EDGE_ZONE_PX = 24;

    private static final double EDGE_FRAMES_A_SECOND = 24;

    private static final double CLICK_PX = 3;
    private static final double EDGE_PX = 5;
    private static final double ZOOM_STEP = 1.2;

    /** In play a lane is painted so far beyond both ends, and then only moved. */
    private static final double LEAST_BEYOND_PX = 400;

    /** Lanes are painted so much further one than the other, so that not all are painted anew on one frame. */
    private static final double BEYOND_STEP_PX = 40;

    private static final int BEYOND_STEPS = 6;
    private static int made;

    /**
     * Something that the pointer can take hold of.
     *
     * @param select what a click does
     * @param edit what a drag by some frames (parts of them included) does
     */
    public record Grab(Cursor cursor, Runnable select, DoubleFunction<Edit> edit) {}

    private final Session session;
    private final BenchScale scale;
    private final String name;
    private double openHeight;
    private final Canvas canvas = new Canvas();
    private final LaneGate gate = new LaneGate();
    private final Text standing = new Text();
    private final double mostBeyond = LEAST_BEYOND_PX + BEYOND_STEP_PX * (made++ % BEYOND_STEPS);
    private final InvalidationListener repaint = changed -> paintAnew();
    private final InvalidationListener move = changed -> move();

    /** The frame for which the canvas was painted, and how far beyond both ends. */
    private int paintedAt;

    private double beyond;
    private boolean stale = true;
    private boolean folded;
    private final Tooltip foldedName = new Tooltip();

    private Grab held;
    private double pressedX;
    private int pressedFrame;
    private boolean dragging;
    private boolean choosing;
    private int chosenFrom;
    private MouseEvent lastDrag;

    /** While a drag rests near an end of the lane, the shot goes on under it. */
    private final Timeline atEdge =
            new Timeline(new KeyFrame(Duration.seconds(1 / EDGE_FRAMES_A_SECOND), tick -> goOnAtEdge()));

    protected Lane(String name, double openHeight, Session session, BenchScale scale) {
        this.session = session;
        this.scale = scale;
        this.name = name;
        this.openHeight = openHeight;
        atEdge.setCycleCount(Animation.INDEFINITE);
        setAccessibleRole(AccessibleRole.SLIDER);
        setAccessibleText(Words.DESK.of("lane", name));
        standing.setMouseTransparent(true);
        standing.setTextOrigin(VPos.TOP);
        canvas.setManaged(false);
        standing.setManaged(false);
        getChildren().addAll(canvas, standing, gate);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        fold(false);
        repaintOn(
                session.document().shownProperty(),
                session.transport().playingProperty(),
                session.selection().itemProperty(),
                session.selection().levelProperty(),
                scale.pixelsPerFrameProperty(),
                Theme.lookProperty());
        session.transport().frameProperty().addListener(new WeakInvalidationListener(move));
        foldedName.setText(Words.DESK.of("click-to-open-this-lane", Sentence.of(name)));
        parentProperty().addListener((property, before, row) -> {
            if (row != null) {
                row.visibleProperty().addListener(new WeakInvalidationListener(repaint));
            }
        });
        addEventHandler(MouseEvent.ANY, this::mouse);
        addEventHandler(ScrollEvent.SCROLL, this::scroll);
    }

    /**
     * Paints the lane at its full height, with the gate in the middle of its width. In play that is wider than the lane, and what was painted
     * is moved from frame to frame: it hangs on the gate in no other way.
     */
    protected abstract void paint(GraphicsContext g, double width, double height);

    /** Paints what the folded line shows. */
    protected abstract void paintFolded(GraphicsContext g, double width, double height);

    /** Whether it is moved, and not painted anew, from one frame to the next when nothing plays too; then nothing of it hangs on its own ends. */
    protected boolean isMovedAtRest() {
        return false;
    }

    /** Words that stand still at the lane's left end; none by default. */
    protected Optional<Standing> standing() {
        return Optional.empty();
    }

    /** Words that stand still. @param y of their top */
    public record Standing(String words, double size, double y, Color color) {

        /** What is wrong, in the middle of a lane's height. */
        static Standing problem(String words, double height) {
            return new Standing(words, 12, height / 2 - 8, tones().badText());
        }
    }

    /** What lies under the pointer; nothing by default. */
    protected Optional<Grab> grab(double x, double y) {
        return Optional.empty();
    }

    /** Whether a touch goes to its frame and a drag chooses a span, instead of pulling the shot through the gate. */
    protected boolean isForChoosing() {
        return false;
    }

    /** A drag with Shift from one frame to another. @param y of the pointer @return whether it means anything here */
    protected boolean chooseSpan(int from, int to, double y) {
        return false;
    }

    /** The pointer is held down on nothing that can be dragged, or has begun to drag. */
    void held(double x, boolean alt) {}

    /** It has been let go. */
    void letGo() {}

    /** A double click; nothing by default. */
    protected void doubleClick(double x, double y) {}

    /** Paints anew whenever one of these changes; a lane that is gone is not kept alive by them. */
    protected final void repaintOn(Observable... observed) {
        for (Observable one : observed) {
            one.addListener(new WeakInvalidationListener(repaint));
        }
    }

    final String name() {
        return name;
    }

    final void fold(boolean fold) {
        folded = fold;
        // A folded lane says its name; an open one has it before it.
        if (fold) {
            Tooltip.install(this, foldedName);
        } else {
            Tooltip.uninstall(this, foldedName);
        }
        double height = fold ? FOLDED_HEIGHT : openHeight;
        setMinHeight(height);
        setPrefHeight(height);
        setMaxHeight(height);
        paintAnew();
    }

    /** Changes how high the lane is when it is open. */
    final void stretch(double height) {
        openHeight = height;
        fold(folded);
    }

    protected final Session session() {
        return session;
    }

    protected final BenchScale scale() {
        return scale;
    }

    /** The shot as it is seen, with what a drag has not yet settled. */
    protected final Shot shown() {
        return session.document().shownProperty().get();
    }

    protected static Tones tones() {
        return Theme.tones();
    }

    /** Whether a place is at an edge that can be trimmed. */
    protected static boolean isEdge(double x, double edge) {
        return Math.abs(x - edge) <= EDGE_PX;
    }

    /** A lane that does not fit is not painted until it comes into view. */
    private boolean isSeen() {
        return getParent() == null || getParent().isVisible();
    }

    @Override
    protected void layoutChildren() {
        if (!isSeen() || !stale) {
            return;
        }
        stale = false;
        double width = Math.max(1, getWidth());
        double height = Math.max(1, getHeight());
        beyond = isMovedAtRest() || session.transport().playingProperty().get() ? mostBeyond : 0;
        paintedAt = session.transport().frame();
        paintCanvas(width + 2 * beyond, height);
        canvas.setTranslateX(-beyond);
        standing.setVisible(!folded && standing().isPresent());
        standing().ifPresent(words -> {
            standing.setText(words.words());
            standing.setFont(Theme.sans(words.size()));
            standing.setFill(words.color());
            standing.relocate(8, words.y());
        });
        gate.place(scale.x(session.transport().frame(), width), scale.pixelsPerFrame(), height);
    }

    private void paintCanvas(double width, double height) {
        canvas.setWidth(width);
        canvas.setHeight(height);
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.setFill(tones().window());
        g.fillRect(0, 0, width, height);
        double start = scale.x(0, width);
        double end = scale.x(shown().setup().length(), width);
        g.setFill(tones().panel());
        g.fillRect(Math.max(0, start), 0, Math.min(width, end) - Math.max(0, start), height - 1);
        if (folded) {
            paintFolded(g, width, height);
        } else {
            paint(g, width, height);
        }
    }

    /** In play what was painted is moved as long as it reaches; else it is painted for each frame. */
    private void move() {
        double by = (session.transport().frame() - paintedAt) * scale.pixelsPerFrame();
        if (Math.abs(by) < beyond && !stale) {
            canvas.setTranslateX(Math.rint(-beyond - by));
        } else {
            paintAnew();
        }
    }

    private void paintAnew() {
        stale = true;
        requestLayout();
    }

    @Override
    protected void setWidth(double width) {
        stale |= width != getWidth();
        super.setWidth(width);
    }

    @Override
    protected void setHeight(double height) {
        stale |= height != getHeight();
        super.setHeight(height);
    }

    private void mouse(MouseEvent event) {
        if (event.getEventType() == MouseEvent.MOUSE_MOVED) {
            setCursor(
                    folded || session.document().isLooking()
                            ? Cursor.DEFAULT
                            : isForChoosing()
                                    ? Cursor.CROSSHAIR
                                    : grab(event.getX(), event.getY())
                                            .map(Grab::cursor)
                                            .orElse(Cursor.OPEN_HAND));
        } else if (event.getButton() == MouseButton.PRIMARY) {
            if (event.getEventType() == MouseEvent.MOUSE_PRESSED) {
                press(event);
            } else if (event.getEventType() == MouseEvent.MOUSE_DRAGGED) {
                drag(event);
            } else if (event.getEventType() == MouseEvent.MOUSE_RELEASED) {
                release(event);
            }
        }
    }

    private void press(MouseEvent event) {
        requestFocus();
        held = folded || session.document().isLooking()
                ? null
                : grab(event.getX(), event.getY()).orElse(null);
        pressedX = event.getX();
        pressedFrame = session.transport().frame();
        dragging = false;
        chosenFrom = frameAt(pressedX);
        choosing = !folded && (isForChoosing() || event.isShiftDown() && chooseSpan(chosenFrom, chosenFrom, 0));
        if (choosing) {
            held = null;
        }
        if (event.isPrimaryButtonDown() && (!choosing || isForChoosing())) {
            session.timing().spanProperty().set(null);
        }
        if (event.getClickCount() == 2 && !folded && !session.document().isLooking()) {
            doubleClick(event.getX(), event.getY());
        }
        if (held == null && !choosing) {
            held(event.getX(), event.isAltDown());
        }
        event.consume();
    }

    private void drag(MouseEvent event) {
        dragging |= Math.abs(event.getX() - pressedX) > CLICK_PX;
        if (!dragging) {
            return;
        }
        if (choosing || held != null) {
            lastDrag = event;
            dragTo(event);
            boolean isAtEdge = event.getX() < EDGE_ZONE_PX || event.getX() > getWidth() - EDGE_ZONE_PX;
            if (isAtEdge && atEdge.getStatus() != Animation.Status.RUNNING) {
                atEdge.playFromStart();
            } else if (!isAtEdge) {
                atEdge.stop();
            }
        } else {
            letGo();
            setCursor(Cursor.CLOSED_HAND);
            session.transport().go(pressedFrame - (int) Math.round((event.getX() - pressedX) / scale.pixelsPerFrame()));
        }
        event.consume();
    }

    private void dragTo(MouseEvent event) {
        if (choosing) {
            chooseSpan(chosenFrom, frameAt(event.getX()), event.getY());
        } else if (held != null) {
            held.select().run();
            session.view().pushesWhatFollowsProperty().set(event.isAltDown());
            session.document().preview(held.edit().apply(draggedFrames(event)));
        }
    }

    /** How far the pointer has gone over the shot, also where the shot has gone on under it. */
    private double draggedFrames(MouseEvent event) {
        return (event.getX() - pressedX) / scale.pixelsPerFrame()
                + session.transport().frame()
                - pressedFrame;
    }

    private void goOnAtEdge() {
        if (getScene() == null) {
            // The lane went while it was dragged, and its release with it.
            atEdge.stop();
            return;
        }
        int by = lastDrag.getX() < getWidth() / 2 ? -1 : 1;
        int to = session.transport().frame() + by;
        if (to >= 0 && to < session.shot().setup().length()) {
            session.transport().go(to);
            dragTo(lastDrag);
        }
    }

    private void release(MouseEvent event) {
        atEdge.stop();
        if (choosing && !dragging && isForChoosing()) {
            session.transport().go(chosenFrom);
        }
        if (choosing && dragging) {
            // The last movement may come with the release only.
            chooseSpan(chosenFrom, frameAt(event.getX()), event.getY());
        }
        if (held != null && dragging) {
            Edit edit = held.edit().apply(draggedFrames(event));
            session.document().preview(null);
            session.document().apply(edit);
        } else if (held != null) {
            held.select().run();
        } else if (!dragging && !choosing) {
            session.selection().itemProperty().set(null);
            if (folded) {
                fold(false);
            }
        }
        held = null;
        letGo();
        event.consume();
    }

    private int frameAt(double x) {
        return (int) Math.floor(scale.frame(x, getWidth()));
    }

    private void scroll(ScrollEvent event) {
        double turns = event.getDeltaY() == 0 ? event.getDeltaX() : event.getDeltaY();
        if (turns == 0) {
            return;
        }
        if (event.isControlDown()) {
            scale.zoom(turns > 0 ? ZOOM_STEP : 1 / ZOOM_STEP);
        } else {
            session.transport().step(turns > 0 ? -1 : 1);
        }
        event.consume();
    }
}
