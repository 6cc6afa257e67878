package chalktrace.app.tray.trace;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.between.TimingChart;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Drafts of the drawings between the one at the gate and the next. */
final class BetweenRows extends VBox {

    private static final double CHART_WIDTH = 200;
    private static final double CHART_HEIGHT = 22;

    private final Session session;
    private final Label keys = Rows.hint("");
    private final ComboBox<TimingChart.Spacing> spacing = new ComboBox<>();
    private final NumberField every = new NumberField("between-every", 2, this::showChart);
    private final Canvas chart = new Canvas(CHART_WIDTH, CHART_HEIGHT);
    private final Label pairWords = Rows.hint("");
    private final ValueSlider share;

    BetweenRows(Session session) {
        super(6);
        this.session = session;
        spacing.getItems().setAll(TimingChart.Spacing.values());
        spacing.setValue(TimingChart.Spacing.EVEN);
        spacing.setId("between-spacing");
        spacing.setFocusTraversable(false);
        spacing.setConverter(new StringConverter<>() {
            @Override
            public String toString(TimingChart.Spacing value) {
                return value.name().toLowerCase(Locale.ROOT).replace('_', ' ');
            }

            @Override
            public TimingChart.Spacing fromString(String text) {
                return spacing.getValue();
            }
        });
        spacing.setOnAction(event -> showChart());
        every.setPrefWidth(48);
        every.setMinWidth(48);
        share = new ValueSlider(
                "draft at %", 0, 100, 0, v -> session.inBetweening().showDraft(v / 100));
        share.show(50);
        Node make = Buttons.words("make them", "drawings on these frames, to be corrected", () -> session.inBetweening()
                .makeInBetweens(spacing.getValue(), (int) every.value()));
        make.setId("between-make");
        Node show = Buttons.words("show", "a draft at this share of the way, to draw over", () -> session.inBetweening()
                .showDraft(share.value() / 100));
        show.setId("between-show");
        Node accept =
                Buttons.words("accept", "the draft becomes strokes at the gate", session.inBetweening()::acceptDraft);
        accept.setId("between-accept");
        CheckBox arc = new CheckBox("along the arc of the neighbours");
        arc.setTooltip(new Tooltip("Through the drawing before and the one after as well; else as the two suggest."));
        arc.setFocusTraversable(false);
        arc.selectedProperty().bindBidirectional(session.inBetweening().alongArcProperty());
        HBox chartRow = new HBox(6, spacing, Rows.quiet("on every"), every);
        chartRow.setAlignment(Pos.CENTER_LEFT);
        HBox buttons = new HBox(
                6, show, Buttons.words("hide", "take the draft away", session.inBetweening()::hideDraft), accept);
        getChildren()
                .addAll(
                        keys,
                        chartRow,
                        chart,
                        arc,
                        make,
                        share,
                        buttons,
                        Buttons.words(
                                "smear",
                                "stretched along the way, as much of it as the draft's percent say",
                                () -> session.inBetweening().showSmear(share.value() / 100)),
                        Buttons.words(
                                "pair by hand",
                                "the picked stroke, then its partner on the other drawing",
                                () -> pairWords.setText(session.inBetweening().touchForPair())),
                        pairWords,
                        Rows.hint(
                                "Strokes are paired by shape, place and part. What turns stays on its arc; lengths stay."));
        Refresh.on(
                this,
                this::show,
                session.transport().frameProperty(),
                session.selection().levelProperty(),
                session.document().shotProperty(),
                Theme.lookProperty());
    }

    private void show() {
        keys.setText(session.inBetweening().keyWords());
        showChart();
    }

    /** The ladder: the keys at its ends, a tick for each in-between. */
    private void showChart() {
        GraphicsContext g = chart.getGraphicsContext2D();
        g.clearRect(0, 0, CHART_WIDTH, CHART_HEIGHT);
        g.setStroke(Theme.tones().quiet());
        g.setLineWidth(1);
        double left = 8;
        double right = CHART_WIDTH - 8;
        double middle = CHART_HEIGHT / 2;
        g.strokeLine(left, middle, right, middle);
        g.strokeOval(left - 4, middle - 4, 8, 8);
        g.strokeOval(right - 4, middle - 4, 8, 8);
        g.setStroke(Theme.tones().accent());
        for (double tick : session.inBetweening()
                .chart(spacing.getValue(), (int) every.value())
                .ticks()) {
            double x = left + tick * (right - left);
            g.strokeLine(x, middle - 7, x, middle + 7);
        }
    }
}
