package chalktrace.app.controls;

import java.util.Locale;
import java.util.function.DoubleConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * A number with a name that can be dragged and typed. While it is dragged it previews; one change is told at the end, so
 * that a drag is one step of the history.
 */
public final class ValueSlider extends HBox {

    private final Label label = new Label();
    private final Slider slider = new Slider();
    private final TextField field = new TextField();
    private final int decimals;
    private final DoubleConsumer changed;
    private DoubleConsumer previewed = value -> {};
    /** What was settled on last; the dial stands at its end where that lies beyond. */
    private double settled;

    private double highest;

    /** @param changed hears the value that was settled on */
    public ValueSlider(String name, double lowest, double highest, int decimals, DoubleConsumer changed) {
        super(8);
        this.decimals = decimals;
        this.changed = changed;
        setAlignment(Pos.CENTER_LEFT);
        label.setText(name);
        label.setMinWidth(76);
        label.getStyleClass().add("quiet");
        slider.setMin(lowest);
        slider.setMax(highest);
        this.highest = highest;
        this.settled = slider.getValue();
        slider.setAccessibleText(name);
        slider.setFocusTraversable(false);
        HBox.setHgrow(slider, Priority.ALWAYS);
        slider.setMinWidth(60);
        field.getStyleClass().add("value-field");
        field.setAccessibleText(name);
        field.setFocusTraversable(false);
        getChildren().addAll(label, slider, field);
        slider.valueProperty().addListener((property, before, now) -> {
            if (slider.isValueChanging() || slider.isPressed()) {
                field.setText(text(now.doubleValue()));
                previewed.accept(now.doubleValue());
            }
        });
        slider.setOnMouseReleased(event -> {
            settled = slider.getValue();
            changed.accept(settled);
        });
        field.setOnAction(event -> typed());
        field.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                field.setText(text(settled));
            }
        });
        field.focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                typed();
            }
        });
    }

    /** Hears the value while it is dragged. */
    public ValueSlider previewing(DoubleConsumer preview) {
        this.previewed = preview;
        return this;
    }

    /** Lets values be typed beyond the dial's end. */
    public ValueSlider typedUpTo(double most) {
        this.highest = most;
        return this;
    }

    /** Takes half the width and twice the height. */
    public ValueSlider stacked() {
        label.setMinWidth(0);
        HBox head = new HBox(4, label, Rows.space(), field);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox both = new VBox(head, slider);
        HBox.setHgrow(both, Priority.ALWAYS);
        getChildren().setAll(both);
        return this;
    }

    public double value() {
        return slider.getValue();
    }

    /** Shows a value without telling anybody. */
    public void show(double value) {
        if (!slider.isPressed() && !field.isFocused()) {
            settled = value;
            slider.setValue(value);
            field.setText(text(value));
        }
    }

    private void typed() {
        if (field.getText().equals(text(settled))) {
            // Nothing was typed: what the text rounds away stays as it is.
            return;
        }
        try {
            double value = Double.parseDouble(field.getText().strip().replace(',', '.'));
            double held = Math.max(slider.getMin(), Math.min(highest, value));
            field.setText(text(held));
            if (Math.abs(held - settled) > 1e-9) {
                settled = held;
                slider.setValue(held);
                changed.accept(held);
            }
        } catch (NumberFormatException e) {
            field.setText(text(settled));
        }
    }

    private String text(double value) {
        return String.format(Locale.ROOT, "%." + decimals + "f", value);
    }
}
