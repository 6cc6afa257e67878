package chalktrace.app.board;

import chalktrace.app.board.pen.MousePen;
import chalktrace.app.controls.Buttons;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.session.View;
import chalktrace.app.words.Words;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.shot.Shot;
import chalktrace.core.stroke.PenSample;
import java.awt.geom.Point2D;
import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.animation.PauseTransition;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.DragEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.util.Duration;

/** The board with what lies over it: the brush ring, the reason why a stroke was refused, a word when it is empty. */
public final class Board extends StackPane {

    private static final double ZOOM_STEP = 1.15;
    private static final double REACH_PX = 6;

    /** A drag so long doubles the view, or halves it. */
    private static final double ZOOM_DRAG_PX = 160;

    private static final Duration REFUSAL_STAYS = Duration.seconds(3);

    private final Session session;
    private final List<BoardTool> tools;
    private Optional<BoardTool> inHand = Optional.empty();
    private OptionalDouble ringPx = OptionalDouble.empty();
    private final BoardView view;
    private final PenHand hand;
    private final BooleanProperty penNear = new SimpleBooleanProperty();
    private final BooleanProperty moving = new SimpleBooleanProperty();
    private final Circle ring = new Circle();
    private final Circle outerRing = new Circle();
    private final Label penWord = new Label();
    private final Label emptyWord = new Label(
            Words.TRACE.of("drop-footage-a-3d-model", Action.OPEN.keys().getDisplayText()));
    private final Button viewState = Buttons.text("", "", () -> view().fit());
    private final PauseTransition penWordStays = new PauseTransition(REFUSAL_STAYS);
    private double lastX;
    private double lastY;
    private double pressedX;
    private double pressedY;
    private boolean panning;

    /**
     * @param tools with the chalk among them
     * @param looks what is composed with the frame
     * @param overlays what else lies over it
     * @param dropped hears of files that were dropped on the board
     */
    public Board(
            Session session,
            List<BoardTool> tools,
            List<SceneLook> looks,
            Function<BoardView, List<Node>> overlays,
            Consumer<List<Path>> dropped) {
        this.session = session;
        this.tools = List.copyOf(tools);
        this.view = new BoardView(session, looks);
        this.hand = new PenHand(session, view, tools, this::sayAtPen);
        // They go with the pen: what moves them must not have all of the window laid out anew.
        ring.setManaged(false);
        outerRing.setManaged(false);
        Pane over = new Pane(outerRing, ring, penWord);
        over.setMouseTransparent(true);
        ring.getStyleClass().add("brush-ring");
        outerRing.getStyleClass().add("brush-ring-outer");
        penWord.getStyleClass().add("pen-word");
        penWord.setVisible(false);
        penWordStays.setOnFinished(done -> penWord.setVisible(false));
        emptyWord.getStyleClass().add("empty-word");
        emptyWord.setMouseTransparent(true);
        StackPane.setAlignment(emptyWord, Pos.BOTTOM_CENTER);
        StackPane.setMargin(emptyWord, new Insets(16));
        session.keys().named(viewState, Words.TRACE.of("set-the-view-right"), Action.FIT);
        viewState.getStyleClass().add("view-state");
        StackPane.setAlignment(viewState, Pos.TOP_LEFT);
        StackPane.setMargin(viewState, new Insets(8));
        view.framesShownProperty().addListener(changed -> {
            showViewState();
            sizeRing();
        });
        Pane marks = new Pane();
        tools.forEach(tool -> marks.getChildren().addAll(tool.overlay(view)));
        marks.getChildren().addAll(overlays.apply(view));
        marks.setMouseTransparent(true);
        addEventHandler(MouseEvent.ANY, event -> inHand.ifPresent(tool -> tool.pointer(event, view)));
        getChildren().addAll(view, marks, over);
        tools.forEach(tool -> getChildren().addAll(tool.grips(view)));
        getChildren().addAll(new PlacingFrame(session, view), emptyWord, viewState);
        showViewState();
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        setMinSize(0, 0);
        new MousePen(
                        this,
                        view::toShot,
                        event -> !moving.get()
                                && !penNear.get()
                                && session.view().placingProperty().get() == null)
                .start(hand::take);
        addEventHandler(MouseEvent.ANY, this::mouse);
        addEventHandler(ScrollEvent.SCROLL, this::scroll);
        acceptDrops(dropped);
        session.document().shotProperty().addListener(changed -> showEmptyWord());
        session.looking().sourceProperty().addListener(changed -> showEmptyWord());
        session.view().toolProperty().addListener(changed -> takeInHand());
        session.selection().chalkProperty().addListener(changed -> sizeRing());
        session.view().dusterWidthProperty().addListener(changed -> sizeRing());
        showEmptyWord();
        takeInHand();
    }

    public BoardView view() {
        return view;
    }

    /** Chooses the level in front that has a stroke under the pointer. */
    public void chooseLevelHere() {
        Point2D place = view.toShot(lastX, lastY);
        Shot shot = session.shot();
        shot.levels().stream()
                .filter(level -> !DrawingEdits.touched(
                                shot,
                                level.id(),
                                session.transport().frame(),
                                place.getX(),
                                place.getY(),
                                REACH_PX / view.scale())
                        .isEmpty())
                .findFirst()
                .ifPresent(level -> session.selection().levelProperty().set(level.id()));
    }

    /** Takes what other pens than the mouse do. */
    public PenHand hand() {
        return hand;
    }

    /** Whether a pen is over its tablet: the pointer then only follows it, and does not draw. */
    public BooleanProperty penNearProperty() {
        return penNear;
    }

    /** The shot pixels at a place of the screen; empty where the board is not, or something lies on it. */
    public Optional<Point2D> shotAt(double screenX, double screenY) {
        var local = screenToLocal(screenX, screenY);
        return local != null && contains(local)
                ? Optional.of(view.toShot(local.getX(), local.getY()))
                : Optional.empty();
    }

    /** Whether the pointer moves the view instead of drawing, for as long as a key is held. */
    public BooleanProperty movingProperty() {
        return moving;
    }

    private void mouse(MouseEvent event) {
        boolean inside = event.getEventType() != MouseEvent.MOUSE_EXITED;
        boolean placing = session.view().placingProperty().get() != null || ringPx.isEmpty();
        ring.setVisible(inside && !moving.get() && !placing);
        outerRing.setVisible(ring.isVisible());
        setCursor(moving.get() ? Cursor.MOVE : placing ? Cursor.CROSSHAIR : Cursor.NONE);
        for (Circle circle : List.of(ring, outerRing)) {
            circle.setCenterX(event.getX());
            circle.setCenterY(event.getY());
        }
        session.view().shiftHeldProperty().set(event.isShiftDown());
        if (event.getEventType() == MouseEvent.MOUSE_PRESSED) {
            requestFocus();
            pressedX = event.getX();
            pressedY = event.getY();
            panning = moving.get() || event.getButton() == MouseButton.MIDDLE;
        } else if (event.getEventType() == MouseEvent.MOUSE_DRAGGED && panning) {
            moveView(event);
        } else if (event.getEventType() == MouseEvent.MOUSE_RELEASED) {
            panning = false;
        }
        lastX = event.getX();
        lastY = event.getY();
    }

    /** With Shift the view turns about the board's middle, with Alt it zooms about where the drag began. */
    private void moveView(MouseEvent event) {
        if (event.isShiftDown()) {
            double middleX = getWidth() / 2;
            double middleY = getHeight() / 2;
            double before = Math.atan2(lastY - middleY, lastX - middleX);
            double now = Math.atan2(event.getY() - middleY, event.getX() - middleX);
            view.turn(Math.toDegrees(Math.IEEEremainder(now - before, 2 * Math.PI)), middleX, middleY);
        } else if (event.isAltDown()) {
            view.zoom(Math.pow(2, (lastY - event.getY()) / ZOOM_DRAG_PX), pressedX, pressedY);
        } else {
            view.pan(event.getX() - lastX, event.getY() - lastY);
        }
    }

    private void showViewState() {
        List<String> words = new ArrayList<>();
        if (view.isTurnedOver()) {
            words.add(Words.TRACE.of("view-mirrored"));
        }
        if (Math.abs(view.turnedBy()) >= 0.5) {
            words.add(Words.TRACE.of("view-turned", Math.round(view.turnedBy())));
        }
        viewState.setText(Words.TRACE.of("set-right", String.join(", ", words)));
        viewState.setVisible(!words.isEmpty());
    }

    private void scroll(ScrollEvent event) {
        if (event.getDeltaY() != 0) {
            view.zoom(event.getDeltaY() > 0 ? ZOOM_STEP : 1 / ZOOM_STEP, event.getX(), event.getY());
        }
        event.consume();
    }

    private void takeInHand() {
        View.Tool chosen = session.view().toolProperty().get();
        inHand = tools.stream().filter(tool -> tool.tool().equals(chosen)).findFirst();
        sizeRing();
    }

    private void sizeRing() {
        ringPx = inHand.map(tool -> tool.ringPx(view.scale())).orElse(OptionalDouble.empty());
        ringPx.ifPresent(radius -> {
            ring.setRadius(radius);
            outerRing.setRadius(radius + 1);
        });
    }

    private void sayAtPen(PenSample sample, String why) {
        Point2D place = view.toBoard(sample.x(), sample.y());
        penWord.setText(why);
        penWord.setVisible(true);
        penWord.applyCss();
        penWord.autosize();
        penWord.relocate(
                Math.max(4, Math.min(getWidth() - penWord.getWidth() - 4, place.getX() + 14)),
                Math.max(4, Math.min(getHeight() - penWord.getHeight() - 4, place.getY() + 14)));
        penWordStays.playFromStart();
    }

    private void showEmptyWord() {
        Shot shot = session.shot();
        emptyWord.setVisible(session.looking().sourceProperty().get() == null
                && shot.mediaFiles().isEmpty()
                && shot.levels().stream().allMatch(level -> level.drawings().isEmpty()));
    }

    private void acceptDrops(Consumer<List<Path>> dropped) {
        addEventHandler(DragEvent.DRAG_OVER, event -> {
            if (event.getDragboard().hasFiles()) {
                event.acceptTransferModes(TransferMode.COPY);
            }
            event.consume();
        });
        addEventHandler(DragEvent.DRAG_DROPPED, event -> {
            boolean taken = event.getDragboard().hasFiles();
            if (taken) {
                dropped.accept(event.getDragboard().getFiles().stream()
                        .map(File::toPath)
                        .toList());
            }
            event.setDropCompleted(taken);
            event.consume();
        });
    }
}
