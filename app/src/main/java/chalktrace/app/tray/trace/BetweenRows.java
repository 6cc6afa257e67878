package chalktrace.app.tray.trace;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.InBetweening;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.between.Smear;
import chalktrace.core.between.TimingChart;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Drafts of the drawings between the one at the gate and the next. */
final class BetweenRows extends VBox {

    private static final double CHART_WIDTH = 200;
    private static final double CHART_HEIGHT = 22;
    private static final double MARGIN = 8;
    private static final double NEAR_PX = 8;

    private final Session session;
    private final Label keys = Rows.hint("");
    private final ComboBox<TimingChart.Spacing> spacing = new ComboBox<>();
    private final NumberField every = new NumberField("between-every", 2, this::showChart);
    private final Canvas chart = new Canvas(CHART_WIDTH, CHART_HEIGHT);
    private final TextField ticks = new TextField();
    private int dragged = -1;
    private final ComboBox<Smear.Features> features = new ComboBox<>();
    private final Label pairWords = Rows.hint("");
    private final ValueSlider share;

    BetweenRows(Session session) {
        super(6);
        this.session = session;
        spacing.getItems().setAll(TimingChart.Spacing.values());
        spacing.setValue(TimingChart.Spacing.EVEN);
        spacing.setId("between-spacing");
        spacing.setFocusTraversable(false);
        spacing.setConverter(ShownAs.words(Map.of(
                TimingChart.Spacing.EVEN, "even",
                TimingChart.Spacing.SLOW_OUT, "slow out",
                TimingChart.Spacing.SLOW_IN, "slow in",
                TimingChart.Spacing.SLOW_OUT_AND_IN, "slow out and in")::get));
        spacing.setOnAction(event -> {
            session.inBetweening().ownChartProperty().set(null);
            showChart();
        });
        every.setPrefWidth(48);
        every.setMinWidth(48);
        share = new ValueSlider(
                "Draft at %", 0, 100, 0, v -> session.inBetweening().showDraft(v / 100));
        share.show(50);
        Node make = Buttons.words(
                "Create in-betweens", "drawings on these frames, to be corrected", () -> session.inBetweening()
                        .makeInBetweens(spacing.getValue(), (int) every.value()));
        make.setId("between-make");
        Node show = Buttons.words(
                "Show", "a draft at this share between the keys, to draw over", () -> session.inBetweening()
                        .showDraft(share.value() / 100));
        show.setId("between-show");
        Node accept =
                Buttons.words("Accept", "the draft becomes strokes at the gate", session.inBetweening()::acceptDraft);
        accept.setId("between-accept");
        ComboBox<InBetweening.Way> way = new ComboBox<>();
        way.getItems().setAll(InBetweening.Way.values());
        way.setId("between-way");
        way.setFocusTraversable(false);
        way.setConverter(ShownAs.words(Map.of(
                InBetweening.Way.OWN, "automatic",
                InBetweening.Way.NEIGHBOURS, "arc of the neighbours",
                InBetweening.Way.DRAWN, "along the line that was taken")::get));
        way.valueProperty().bindBidirectional(session.inBetweening().wayProperty());
        ticks.setId("between-ticks");
        ticks.getStyleClass().add("part-field");
        ticks.setTooltip(
                new Tooltip("Shares between the keys, such as 1/4 1/2 80%. The ticks above can be dragged, too."));
        ticks.setOnAction(event -> typeTicks());
        chart.setId("between-chart");
        chart.setCursor(Cursor.H_RESIZE);
        chart.setOnMousePressed(event -> dragged = nearest(event.getX()));
        chart.setOnMouseDragged(event -> dragTick(event.getX()));
        features.getItems().setAll(Smear.Features.values());
        features.setValue(Smear.Features.STRETCHED);
        features.setId("smear-features");
        features.setFocusTraversable(false);
        features.setTooltip(new Tooltip("What becomes of the selected strokes of the first drawing in a smear."));
        features.setConverter(ShownAs.words(Map.of(
                Smear.Features.STRETCHED, "Smear: selection stretched",
                Smear.Features.DOUBLED, "Smear: selection early and late",
                Smear.Features.MERGED, "Smear: selection as one mass")::get));
        HBox chartRow = new HBox(6, spacing, Rows.quiet("On every"), every);
        chartRow.setAlignment(Pos.CENTER_LEFT);
        HBox buttons = new HBox(
                6, show, Buttons.words("Hide", "take the draft away", session.inBetweening()::hideDraft), accept);
        getChildren()
                .addAll(
                        keys,
                        chartRow,
                        chart,
                        ticks,
                        way,
                        Buttons.words(
                                "Arc and chart from footage",
                                "what lies under the first drawing is followed to the second",
                                () -> session.inBetweening().takeFromFootage((int) every.value())),
                        Buttons.words(
                                "Use selected line as arc",
                                "in-betweens go along it",
                                () -> pairWords.setText(session.inBetweening().takeDrawnWay())),
                        make,
                        share,
                        buttons,
                        Buttons.words(
                                "Smear",
                                "stretched along the arc, as far as the draft's percentage",
                                () -> session.inBetweening().showSmear(share.value() / 100, features.getValue())),
                        features,
                        Buttons.words(
                                "Pair by hand",
                                "the selected stroke, then its partner on the other drawing",
                                () -> pairWords.setText(session.inBetweening().touchForPair())),
                        pairWords,
                        Rows.hint(
                                "Strokes are paired by shape and by what they are attached to. Limbs turn about their joints; lengths stay."));
        Refresh.on(
                this,
                this::show,
                session.transport().frameProperty(),
                session.selection().levelProperty(),
                session.document().shotProperty(),
                session.inBetweening().ownChartProperty(),
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
        double left = MARGIN;
        double right = CHART_WIDTH - MARGIN;
        double middle = CHART_HEIGHT / 2;
        g.strokeLine(left, middle, right, middle);
        g.strokeOval(left - 4, middle - 4, 8, 8);
        g.strokeOval(right - 4, middle - 4, 8, 8);
        g.setStroke(Theme.tones().accent());
        for (double tick : shown().ticks()) {
            double x = left + tick * (right - left);
            g.strokeLine(x, middle - 7, x, middle + 7);
        }
        if (!ticks.isFocused()) {
            ticks.setText(shown().words());
        }
    }

    private TimingChart shown() {
        return session.inBetweening().chart(spacing.getValue(), (int) every.value());
    }

    private void typeTicks() {
        try {
            TimingChart typed = TimingChart.parse(ticks.getText());
            if (typed.ticks().size() == shown().ticks().size()) {
                session.inBetweening().ownChartProperty().set(typed);
            } else {
                session.notices()
                        .problem("There is room for " + shown().ticks().size()
                                + " in-betweens here, and the ladder has "
                                + typed.ticks().size() + " ticks.");
            }
        } catch (IllegalArgumentException e) {
            session.notices().problem(e.getMessage());
        }
        getParent().requestFocus();
        showChart();
    }

    private int nearest(double x) {
        int best = -1;
        double least = NEAR_PX;
        for (int i = 0; i < shown().ticks().size(); i++) {
            double away = Math.abs(MARGIN + shown().ticks().get(i) * (CHART_WIDTH - 2 * MARGIN) - x);
            if (away < least) {
                least = away;
                best = i;
            }
        }
        return best;
    }

    private void dragTick(double x) {
        if (dragged >= 0 && dragged < shown().ticks().size()) {
            session.inBetweening()
                    .ownChartProperty()
                    .set(shown().moved(dragged, (x - MARGIN) / (CHART_WIDTH - 2 * MARGIN)));
            showChart();
        }
    }
}
