package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** A lane on which names can be typed in place. */
public abstract class TypingLane extends Lane {

    private static final double NARROWEST_FIELD = 90;

    private final TextField field = new TextField();
    private double fieldX;
    private double fieldWidth;
    private BiConsumer<String, Boolean> done = (text, on) -> {};
    private boolean spaceGoesOn;

    protected TypingLane(String name, double openHeight, Session session, BenchScale scale) {
        super(name, openHeight, session, scale);
        field.setManaged(false);
        field.setVisible(false);
        field.setId(name + "-field");
        getChildren().add(field);
        field.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                close();
                event.consume();
            } else if (event.getCode() == KeyCode.ENTER) {
                finish(false);
                event.consume();
            }
        });
        field.addEventFilter(KeyEvent.KEY_TYPED, event -> {
            if (spaceGoesOn && event.getCharacter().equals(" ")) {
                event.consume();
                if (!field.getText().isBlank()) {
                    finish(true);
                }
            }
        });
        field.focusedProperty().addListener((property, before, focused) -> {
            if (!focused && field.isVisible()) {
                finish(false);
            }
        });
    }

    /**
     * Opens the field at a place; not while another shot is looked at. A text that is left empty changes nothing.
     *
     * @param spaceEnds whether a space ends the text and asks for the next
     * @param then hears the text, and whether the next is wanted
     */
    protected final void type(
            double x, double width, String text, boolean spaceEnds, BiConsumer<String, Boolean> then) {
        open(x, width, text, spaceEnds, (typed, on) -> {
            if (!typed.isEmpty()) {
                then.accept(typed, on);
            }
        });
    }

    /** Opens the field with a text that may also be emptied. */
    protected final void typeOrEmpty(double x, String text, Consumer<String> then) {
        open(x, 0, text, false, (typed, on) -> then.accept(typed));
    }

    private void open(double x, double width, String text, boolean spaceEnds, BiConsumer<String, Boolean> then) {
        if (session().document().isLooking()) {
            session().notices().say(Words.DESK.of("previewing-not-imported-import-it"));
            return;
        }
        fold(false);
        fieldX = x;
        fieldWidth = Math.max(NARROWEST_FIELD, width);
        done = then;
        spaceGoesOn = spaceEnds;
        field.setText(text);
        field.setVisible(true);
        requestLayout();
        field.requestFocus();
        field.selectAll();
    }

    @Override
    protected void layoutChildren() {
        super.layoutChildren();
        field.resizeRelocate(fieldX, 0, fieldWidth, getHeight());
    }

    private void finish(boolean on) {
        String text = field.getText().strip();
        BiConsumer<String, Boolean> then = done;
        close();
        then.accept(text, on);
    }

    private void close() {
        boolean focused = field.isFocused();
        field.setVisible(false);
        if (focused) {
            requestFocus();
        }
    }
}
