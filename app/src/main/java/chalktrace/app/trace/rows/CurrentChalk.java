package chalktrace.app.trace.rows;

import chalktrace.app.controls.Colors;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.ChalkEdits;
import chalktrace.core.shot.Chalk;
import chalktrace.core.stroke.LineShape;
import java.util.function.BiFunction;
import javafx.scene.control.ColorPicker;

/** The chalk in hand, and the controls that change it. */
record CurrentChalk(Session session) {

    /** Where the dial ends; wider ones are typed. */
    private static final double WIDE = 40;

    Chalk get() {
        return session.shot().chalk(session.selection().chalkProperty().get());
    }

    void change(Chalk changed) {
        session.document().preview(null);
        session.document().apply(ChalkEdits.change(changed));
    }

    ColorPicker color() {
        ColorPicker color = new ColorPicker();
        color.setMaxWidth(Double.MAX_VALUE);
        color.setOnAction(event -> change(get().withColor(Colors.rgb(color.getValue()))));
        color.setFocusTraversable(false);
        return color;
    }

    ValueSlider width() {
        return slider(Words.TRACE.of("width-px"), 1, WIDE, 1, Chalk::withWidth).typedUpTo(LineShape.WIDEST);
    }

    ValueSlider strength() {
        return slider(Words.TRACE.of("opacity"), 5, 100, 0, (chalk, percent) -> chalk.withOpacity(percent / 100));
    }

    ValueSlider slider(String label, double low, double high, int decimals, BiFunction<Chalk, Double, Chalk> change) {
        return new ValueSlider(label, low, high, decimals, value -> change(change.apply(get(), value)))
                .previewing(value -> session.document().preview(ChalkEdits.change(change.apply(get(), value))));
    }
}
