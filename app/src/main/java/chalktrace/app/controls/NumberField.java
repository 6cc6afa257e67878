package chalktrace.app.controls;

import java.util.Locale;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;

/** A number that is typed, or dragged sideways; nonsense gives the last number back. What does not fit is rounded away until it is typed into. */
public final class NumberField extends TextField {

    private static final double PIXELS_A_STEP = 6;

    /** So many figures fit into the width that the style gives it, sign and point among them. */
    private static final int FITS = 5;

    private static final int MOST_DECIMALS = 3;

    private final Runnable changed;
    private double value;

    /** What it shows where nobody has typed. */
    private String shown = "";

    private double pressedX;
    private double pressedValue;
    private boolean dragging;

    /** @param changed hears that another number was typed or dragged */
    public NumberField(String name, double value, Runnable changed) {
        this.changed = changed;
        this.value = value;
        getStyleClass().add("value-field");
        setFocusTraversable(false);
        setAccessibleText(name);
        setId(name + "-number");
        show(text(value));
        setOnAction(event -> typed());
        focusedProperty().addListener((property, before, focused) -> {
            if (focused) {
                show(text(this.value, MOST_DECIMALS));
            } else {
                typed();
            }
        });
        setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                show(text(this.value));
            }
        });
        addEventFilter(MouseEvent.MOUSE_PRESSED, event -> {
            pressedX = event.getScreenX();
            pressedValue = this.value;
            dragging = false;
        });
        addEventFilter(MouseEvent.MOUSE_DRAGGED, this::drag);
    }

    public double value() {
        return value;
    }

    /** Shows a number without telling anybody. */
    public void set(double number) {
        value = number;
        show(text(number));
    }

    private void drag(MouseEvent event) {
        double steps = Math.rint((event.getScreenX() - pressedX) / PIXELS_A_STEP);
        dragging |= steps != 0;
        if (dragging) {
            set(pressedValue + steps);
            changed.run();
            event.consume();
        }
    }

    private void typed() {
        if (getText().equals(shown)) {
            // Nothing was typed: what the text rounds away stays as it is.
            show(text(value));
            return;
        }
        try {
            double number = Double.parseDouble(getText().strip().replace(',', '.'));
            if (number != value && Double.isFinite(number)) {
                set(number);
                changed.run();
                return;
            }
        } catch (NumberFormatException e) {
            // The last number comes back below.
        }
        show(text(value));
    }

    private void show(String text) {
        shown = text;
        setText(text);
    }

    private static String text(double number) {
        int whole = String.format(Locale.ROOT, "%.0f", number).length();
        return text(number, Math.max(0, Math.min(MOST_DECIMALS, FITS - 1 - whole)));
    }

    private static String text(double number, int decimals) {
        double unit = Math.pow(10, decimals);
        // Plus nothing, so that there is no minus before a zero.
        double rounded = Math.rint(number * unit) / unit + 0.0;
        return rounded == Math.rint(rounded)
                ? String.format(Locale.ROOT, "%.0f", rounded)
                : String.format(Locale.ROOT, "%." + decimals + "f", rounded).replaceAll("0+$", "");
    }
}
