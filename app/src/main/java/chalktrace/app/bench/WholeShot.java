package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.theme.Tones;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Cue;
import chalktrace.core.shot.Exposure;
import chalktrace.core.shot.Mark;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRange;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/** A map of all frames: where drawings, words, cues and keys lie, and where the gate is. Click or drag to go there. */
final class WholeShot extends Region {

    private static final double HEIGHT = 16;

    private final Session session;
    private final BenchScale scale;
    private final Canvas canvas = new Canvas();

    /** Over which frames the bench reaches, and the one at the gate; only these move with it. */
    private final Rectangle reach = new Rectangle();

    private final Rectangle gate = new Rectangle();

    WholeShot(Session session, BenchScale scale) {
        this.session = session;
        this.scale = scale;
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setMaxHeight(HEIGHT);
        getStyleClass().add("whole-shot");
        setCursor(Cursor.HAND);
        setAccessibleRole(AccessibleRole.SLIDER);
        setAccessibleText(Words.DESK.of("whole-shot"));
        reach.setManaged(false);
        gate.setManaged(false);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.setHeight(HEIGHT);
        setClip(clip);
        getChildren().addAll(reach, canvas, gate);
        InvalidationListener repaint = changed -> requestLayout();
        session.document().shownProperty().addListener(repaint);
        session.transport().frameProperty().addListener(changed -> placeGate());
        session.selection().levelProperty().addListener(repaint);
        scale.pixelsPerFrameProperty().addListener(repaint);
        session.transport().withinProperty().addListener(repaint);
        Theme.lookProperty().addListener(new WeakInvalidationListener(repaint));
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::go);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::go);
    }

    @Override
    protected void layoutChildren() {
        double width = Math.max(1, getWidth());
        canvas.setWidth(width);
        canvas.setHeight(HEIGHT);
        Shot shot = session.document().shownProperty().get();
        Tones tones = Theme.tones();
        double frame = width / shot.setup().length();
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, width, HEIGHT);
        g.setFill(tones.edge());
        shot.level(String.valueOf(session.selection().level())).ifPresent(level -> {
            for (Exposure run : level.exposures().runs()) {
                if (!run.isBlank()) {
                    g.fillRect(run.start() * frame, 9, Math.max(1, run.frames() * frame - 0.7), 4);
                }
            }
        });
        double perSecond = frame * shot.setup().rate().framesPerSecond();
        g.setFill(tones.quiet());
        for (Word word : shot.words()) {
            g.fillRect(
                    word.startSeconds() * perSecond, 5, (word.endSeconds() - word.startSeconds()) * perSecond - 0.7, 2);
        }
        g.setFill(tones.text());
        for (Mark mark : shot.marks()) {
            g.fillRect(mark.frame() * frame, 1, 1.5, 3);
        }
        g.setFill(tones.good());
        for (Cue cue : shot.cues()) {
            g.fillRect(cue.seconds() * perSecond, 1, 1.5, 6);
        }
        FrameRange within = session.transport().withinProperty().get();
        if (within != null) {
            g.setFill(tones.accent());
            g.fillRect(within.start() * frame, HEIGHT - 2, within.frames() * frame, 2);
        }
        reach.setFill(tones.raised());
        gate.setFill(tones.accent());
        placeGate();
    }

    private void placeGate() {
        int now = session.transport().frame();
        double frame = getWidth() / session.document().shown().setup().length();
        double seen = getWidth() / scale.pixelsPerFrame();
        reach.setX((now + 0.5 - seen / 2) * frame);
        reach.setWidth(seen * frame);
        reach.setHeight(HEIGHT);
        gate.setX(Math.floor(now * frame));
        gate.setWidth(Math.max(2, frame));
        gate.setHeight(HEIGHT);
    }

    private void go(MouseEvent event) {
        session.transport().go((int) Math.floor(
                event.getX() / getWidth() * session.document().shown().setup().length()));
        event.consume();
    }
}
