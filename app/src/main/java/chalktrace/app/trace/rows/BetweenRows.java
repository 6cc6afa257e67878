package chalktrace.app.trace.rows;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.NumberField;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ShownAs;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.trace.work.InBetweening;
import chalktrace.app.trace.work.TraceWork;
import chalktrace.app.words.Words;
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

    private final TraceWork work;
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

    BetweenRows(TraceWork work) {
        super(6);
        this.work = work;
        this.session = work.session();
        spacing.getItems().setAll(TimingChart.Spacing.values());
        spacing.setValue(TimingChart.Spacing.EVEN);
        spacing.setId("between-spacing");
        spacing.setFocusTraversable(false);
        spacing.setConverter(ShownAs.words(Map.of(
                TimingChart.Spacing.EVEN, Words.TRACE.of("even"),
                TimingChart.Spacing.SLOW_OUT, Words.TRACE.of("slow-out"),
                TimingChart.Spacing.SLOW_IN, Words.TRACE.of("slow-in"),
                TimingChart.Spacing.SLOW_OUT_AND_IN, Words.TRACE.of("slow-out-and-in"))::get));
        spacing.setOnAction(event -> {
            work.inBetweening().ownChartProperty().set(null);
            showChart();
        });
        every.setPrefWidth(48);
        every.setMinWidth(48);
        share = new ValueSlider(
                Words.TRACE.of("draft-at"), 0, 100, 0, v -> work.inBetweening().showDraft(v / 100));
        share.show(50);
        Node make = Buttons.words(
                Words.TRACE.of("create-in-betweens"),
                Words.TRACE.of("drawings-on-these-frames-to"),
                () -> work.inBetweening().makeInBetweens(spacing.getValue(), (int) every.value()));
        make.setId("between-make");
        Node show =
                Buttons.words(Words.TRACE.of("show"), Words.TRACE.of("a-draft-at-this-share"), () -> work.inBetweening()
                        .showDraft(share.value() / 100));
        show.setId("between-show");
        Node accept = Buttons.words(
                Words.TRACE.of("accept"),
                Words.TRACE.of("the-draft-becomes-strokes-at"),
                work.inBetweening()::acceptDraft);
        accept.setId("between-accept");
        ComboBox<InBetweening.Way> way = new ComboBox<>();
        way.getItems().setAll(InBetweening.Way.values());
        way.setId("between-way");
        way.setFocusTraversable(false);
        way.setConverter(ShownAs.words(Map.of(
                InBetweening.Way.OWN, Words.TRACE.of("automatic"),
                InBetweening.Way.NEIGHBOURS, Words.TRACE.of("arc-of-the-neighbours"),
                InBetweening.Way.DRAWN, Words.TRACE.of("along-the-line-that-was"))::get));
        way.valueProperty().bindBidirectional(work.inBetweening().wayProperty());
        ticks.setId("between-ticks");
        ticks.getStyleClass().add("part-field");
        ticks.setTooltip(new Tooltip(Words.TRACE.of("shares-between-the-keys-such")));
        ticks.setOnAction(event -> typeTicks());
        chart.setId("between-chart");
        chart.setCursor(Cursor.H_RESIZE);
        chart.setOnMousePressed(event -> dragged = nearest(event.getX()));
        chart.setOnMouseDragged(event -> dragTick(event.getX()));
        features.getItems().setAll(Smear.Features.values());
        features.setValue(Smear.Features.STRETCHED);
        features.setId("smear-features");
        features.setFocusTraversable(false);
        features.setTooltip(new Tooltip(Words.TRACE.of("what-becomes-of-the-selected")));
        features.setConverter(ShownAs.words(Map.of(
                Smear.Features.STRETCHED, Words.TRACE.of("smear-selection-stretched"),
                Smear.Features.DOUBLED, Words.TRACE.of("smear-selection-early-and-late"),
                Smear.Features.MERGED, Words.TRACE.of("smear-selection-as-one-mass"))::get));
        HBox chartRow = new HBox(6, spacing, Rows.quiet(Words.TRACE.of("on-every")), every);
        chartRow.setAlignment(Pos.CENTER_LEFT);
        HBox buttons = new HBox(
                6,
                show,
                Buttons.words(
                        Words.TRACE.of("hide"), Words.TRACE.of("take-the-draft-away"), work.inBetweening()::hideDraft),
                accept);
        getChildren()
                .addAll(
                        keys,
                        chartRow,
                        chart,
                        ticks,
                        way,
                        Buttons.words(
                                Words.TRACE.of("arc-and-chart-from-footage"),
                                Words.TRACE.of("what-lies-under-is-followed"),
                                () -> work.inBetweening().takeFromFootage((int) every.value())),
                        Buttons.words(
                                Words.TRACE.of("use-selected-line-as-arc"),
                                Words.TRACE.of("in-betweens-go-along-it"),
                                () -> pairWords.setText(work.inBetweening().takeDrawnWay())),
                        make,
                        share,
                        buttons,
                        Buttons.words(
                                Words.TRACE.of("smear"),
                                Words.TRACE.of("stretched-along-the-arc-as"),
                                () -> work.inBetweening().showSmear(share.value() / 100, features.getValue())),
                        features,
                        Buttons.words(
                                Words.TRACE.of("pair-by-hand"),
                                Words.TRACE.of("the-selected-stroke-then-its"),
                                () -> pairWords.setText(work.inBetweening().touchForPair())),
                        pairWords,
                        Rows.hint(Words.TRACE.of("strokes-are-paired-by-shape")));
        Refresh.on(
                this,
                this::show,
                session.transport().frameProperty(),
                session.selection().levelProperty(),
                session.document().shotProperty(),
                work.inBetweening().ownChartProperty(),
                Theme.lookProperty());
    }

    private void show() {
        keys.setText(work.inBetweening().keyWords());
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
        return work.inBetweening().chart(spacing.getValue(), (int) every.value());
    }

    private void typeTicks() {
        try {
            TimingChart typed = TimingChart.parse(ticks.getText());
            if (typed.ticks().size() == shown().ticks().size()) {
                work.inBetweening().ownChartProperty().set(typed);
            } else {
                session.notices()
                        .problem(Words.TRACE.of(
                                "there-is-room-for-in",
                                shown().ticks().size(),
                                typed.ticks().size()));
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
            work.inBetweening()
                    .ownChartProperty()
                    .set(shown().moved(dragged, (x - MARGIN) / (CHART_WIDTH - 2 * MARGIN)));
            showChart();
        }
    }
}
