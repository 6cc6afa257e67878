package chalktrace.app.sheet;

import chalktrace.app.controls.WhileWanted;
import chalktrace.app.keys.Keys;
import chalktrace.app.session.Session;
import chalktrace.app.session.Timing;
import chalktrace.app.theme.Theme;
import chalktrace.app.theme.Tones;
import chalktrace.app.words.Words;
import chalktrace.core.edit.SheetEdits;
import chalktrace.core.edit.drawing.DrawingEdits;
import chalktrace.core.shot.ExposureSheet;
import chalktrace.core.shot.Level;
import chalktrace.core.shot.Shot;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;

/**
 * The exposure sheet in the board's place: frames down, levels across, then words, mouths, cues and notes. It is edited by keys
 * alone: a number exposes that drawing from the cell on, x a blank, Enter settles it and goes on by as many frames as were held
 * last, arrows move, Backspace takes a showing away, a full stop holds what is above one frame longer.
 */
public final class SheetPane extends Region {

    private static final double ROW = 20;
    private static final double HEAD = 26;
    private static final double NUMBER = 64;
    private static final double LEVEL = 84;
    private static final double TEXT = 110;

    private static final Set<KeyCode> TAKEN = taken();

    private final Session session;
    private final Canvas canvas = new Canvas();
    private String typed = "";

    public SheetPane(Session session) {
        this.session = session;
        getStyleClass().add("sheet");
        setFocusTraversable(true);
        getProperties().put(Keys.TAKES_KEYS, TAKEN);
        setAccessibleRole(AccessibleRole.TABLE_VIEW);
        setAccessibleText(Words.DESK.of("exposure-sheet"));
        setMinSize(0, 0);
        getChildren().add(canvas);
        canvas.setManaged(false);
        InvalidationListener all = changed -> requestLayout();
        session.document().shownProperty().addListener(all);
        WhileWanted.show(
                this::isVisible,
                List.of(visibleProperty()),
                () -> {
                    typed = "";
                    requestLayout();
                },
                session.transport().frameProperty());
        session.timing().spanProperty().addListener(all);
        session.selection().levelProperty().addListener(all);
        Theme.lookProperty().addListener(new WeakInvalidationListener(all));
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
        addEventHandler(ScrollEvent.SCROLL, event -> {
            if (event.getDeltaY() != 0) {
                session.transport().step(event.getDeltaY() > 0 ? -1 : 1);
            }
            event.consume();
        });
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    }

    private static Set<KeyCode> taken() {
        Set<KeyCode> all = EnumSet.of(
                KeyCode.X,
                KeyCode.ENTER,
                KeyCode.BACK_SPACE,
                KeyCode.DELETE,
                KeyCode.PERIOD,
                KeyCode.DECIMAL,
                KeyCode.UP,
                KeyCode.DOWN,
                KeyCode.LEFT,
                KeyCode.RIGHT);
        Arrays.stream(KeyCode.values()).filter(KeyCode::isDigitKey).forEach(all::add);
        return all;
    }

    private List<String> levelIds() {
        return session.document().shown().levels().stream().map(Level::id).toList();
    }

    /** The current level's. */
    private int column() {
        return Math.max(0, levelIds().indexOf(session.selection().level()));
    }

    private Shot shown() {
        return session.document().shown();
    }

    private int rowsShown() {
        return Math.max(1, (int) ((getHeight() - HEAD) / ROW));
    }

    /** The frame in the first row: the gate's frame stays near the middle, as on the bench. */
    private int top() {
        int rows = rowsShown();
        return Math.max(
                0,
                Math.min(session.transport().frame() - rows / 2, shown().setup().length() - rows));
    }

    private void press(MouseEvent event) {
        requestFocus();
        int frame = top() + (int) Math.floor((event.getY() - HEAD) / ROW);
        int at = (int) Math.floor((event.getX() - NUMBER) / LEVEL);
        List<String> ids = levelIds();
        if (at >= 0 && at < ids.size()) {
            choose(at);
        }
        if (event.getY() > HEAD && frame < shown().setup().length()) {
            session.transport().go(frame);
        }
        event.consume();
    }

    private void choose(int at) {
        session.selection()
                .levelProperty()
                .set(levelIds().get(Math.max(0, Math.min(levelIds().size() - 1, at))));
    }

    private void key(KeyEvent event) {
        KeyCode code = event.getCode();
        if (event.isShortcutDown() || event.isAltDown() || levelIds().isEmpty()) {
            return;
        }
        boolean taken = true;
        if (code.isDigitKey() || code == KeyCode.X) {
            typed += code == KeyCode.X ? "x" : event.getText().replaceAll("[^0-9]", "");
            requestLayout();
        } else if (code == KeyCode.ENTER) {
            enter();
        } else if (code == KeyCode.BACK_SPACE || code == KeyCode.DELETE) {
            if (typed.isEmpty()) {
                settle("");
            } else {
                typed = typed.substring(0, typed.length() - 1);
                requestLayout();
            }
        } else if (code == KeyCode.PERIOD || code == KeyCode.DECIMAL) {
            session.document()
                    .apply(DrawingEdits.hold(
                            levelIds().get(column()), session.transport().frame(), 1));
            session.transport().step(1);
        } else if (code == KeyCode.UP || code == KeyCode.DOWN) {
            session.transport().step(code == KeyCode.UP ? -1 : 1);
        } else if (code == KeyCode.LEFT || code == KeyCode.RIGHT) {
            choose(column() + (code == KeyCode.LEFT ? -1 : 1));
        } else if (code == KeyCode.ESCAPE && !typed.isEmpty()) {
            typed = "";
            requestLayout();
        } else {
            taken = false;
        }
        if (taken) {
            event.consume();
        }
    }

    private void enter() {
        if (!typed.isEmpty()) {
            String text = typed;
            typed = "";
            if (!settle(text)) {
                return;
            }
        }
        session.transport().step(session.framesFromHere());
    }

    /** @return whether it could be done */
    private boolean settle(String text) {
        try {
            Level level = session.shot().levels().get(column());
            session.document().apply(SheetEdits.type(level, session.transport().frame(), text));
            return true;
        } catch (IllegalArgumentException e) {
            session.notices().problem(e.getMessage());
            return false;
        }
    }

    @Override
    protected void layoutChildren() {
        if (!isVisible()) {
            return;
        }
        canvas.setWidth(Math.max(1, getWidth()));
        canvas.setHeight(Math.max(1, getHeight()));
        GraphicsContext g = canvas.getGraphicsContext2D();
        Tones tones = Theme.tones();
        g.setFill(tones.window());
        g.fillRect(0, 0, getWidth(), getHeight());
        g.setTextBaseline(VPos.CENTER);
        ExposureSheet sheet = new ExposureSheet(shown());
        head(g, tones, sheet.levels());
        int first = top();
        int last = Math.min(sheet.rows(), first + rowsShown() + 1) - 1;
        for (int frame = first; frame <= last; frame++) {
            row(g, tones, sheet.row(frame), HEAD + (frame - first) * ROW);
        }
    }

    private void head(GraphicsContext g, Tones tones, List<String> levels) {
        g.setFill(tones.panel());
        g.fillRect(0, 0, getWidth(), HEAD);
        g.setFont(Theme.sans(12));
        g.setFill(tones.quiet());
        g.fillText(Words.DESK.of("frame-lower"), 8, HEAD / 2);
        for (int c = 0; c < levels.size(); c++) {
            g.setFill(c == column() ? tones.accent() : tones.quiet());
            g.fillText(levels.get(c), NUMBER + c * LEVEL + 6, HEAD / 2, LEVEL - 10);
        }
        String[] more = {
            Words.DESK.of("words"),
            Words.DESK.of("mouth"),
            Words.DESK.of("cues"),
            Words.DESK.of("notes"),
            Words.DESK.of("camera")
        };
        g.setFill(tones.quiet());
        for (int c = 0; c < more.length; c++) {
            g.fillText(more[c], NUMBER + levels.size() * LEVEL + c * TEXT + 6, HEAD / 2);
        }
    }

    private void row(GraphicsContext g, Tones tones, ExposureSheet.Row row, double y) {
        int frame = row.frame();
        boolean here = frame == session.transport().frame();
        int second = Math.max(1, shown().setup().rate().nearestFrame(1));
        if (here) {
            g.setFill(tones.accentWash());
            g.fillRect(0, y, getWidth(), ROW);
        }
        span(g, tones, frame, y);
        g.setStroke((frame + 1) % second == 0 ? tones.edge() : tones.line());
        g.setLineWidth(1);
        g.strokeLine(0, y + ROW - 0.5, getWidth(), y + ROW - 0.5);
        g.setFont(Theme.mono(12));
        g.setFill(row.mark().isEmpty() ? tones.quiet() : tones.text());
        String number = Integer.toString(row.number());
        g.fillText(number, 14, y + ROW / 2);
        mark(g, tones, row.mark(), number, y);
        for (int c = 0; c < row.cells().size(); c++) {
            cell(g, tones, row.cells().get(c), here && c == column(), NUMBER + c * LEVEL, y);
        }
        double x = NUMBER + row.cells().size() * LEVEL;
        g.setFont(Theme.sans(12));
        g.setFill(tones.text());
        for (String text : List.of(row.words(), row.mouth(), row.cues(), row.note(), row.camera())) {
            g.fillText(text, x + 6, y + ROW / 2, TEXT - 10);
            x += TEXT;
        }
    }

    /** The cells of the span that is chosen on the bench. */
    private void span(GraphicsContext g, Tones tones, int frame, double y) {
        Timing.Span span = session.timing().spanProperty().get();
        if (span == null || !span.frames().contains(frame)) {
            return;
        }
        g.setFill(tones.accentWash());
        List<Level> levels = shown().levels();
        for (int c = 0; c < levels.size(); c++) {
            if (span.levels().contains(levels.get(c).id())) {
                g.fillRect(NUMBER + c * LEVEL, y, LEVEL, ROW);
            }
        }
    }

    private static void mark(GraphicsContext g, Tones tones, String mark, String number, double y) {
        double width = 7.3 * number.length();
        g.setStroke(tones.text());
        if (mark.equals("key")) {
            g.strokeOval(9, y + 1.5, width + 10, ROW - 4);
        } else if (mark.equals("breakdown")) {
            g.strokeLine(13, y + ROW - 3.5, 15 + width, y + ROW - 3.5);
        }
    }

    private void cell(GraphicsContext g, Tones tones, String text, boolean chosen, double x, double y) {
        boolean hold = text.equals(ExposureSheet.HOLD);
        if (hold) {
            g.setStroke(tones.quiet());
            g.strokeLine(x + 12.5, y, x + 12.5, y + ROW);
        }
        String shownText = chosen && !typed.isEmpty() ? typed + "_" : hold ? "" : text;
        g.setFill(chosen && !typed.isEmpty() ? tones.accent() : tones.text());
        g.fillText(shownText, x + 8, y + ROW / 2);
        if (chosen) {
            g.setStroke(tones.accent());
            g.strokeRoundRect(x + 1.5, y + 1.5, LEVEL - 4, ROW - 4, 4, 4);
        }
    }
}
