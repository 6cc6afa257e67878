package chalktrace.app.study;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.controls.ValueSlider;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.motion.MotionProposal;
import chalktrace.core.motion.SpanAdvice;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What the points propose, each with its reason, taken or refused one by one or all; and on how many frames each drawing may stay. */
final class ProposalRows extends VBox {

    /** More than this is no list that a person reads. */
    private static final int MOST_ROWS = 60;

    private final StudyWork work;
    private final StudyProposals proposals;
    private final VBox list = new VBox(2);
    private final VBox spans = new VBox(2);
    private final Label found = Rows.quiet("");
    private final HBox all = new HBox(8);
    private final MovingWork moving;
    private final Button find;
    private final HBox parts;

    ProposalRows(StudyWork work, StudyProposals proposals) {
        super(8);
        this.work = work;
        this.proposals = proposals;
        this.moving = new MovingWork(work);
        this.find = Buttons.words(
                Words.STUDY.of("find-what-moves"), Words.STUDY.of("propose-from-what-moves"), moving::find);
        find.setId("find-what-moves");
        find.getStyleClass().add("edged");
        Button forget =
                Buttons.icon(Icons.CLOSE, Words.STUDY.of("forget-what-moves"), () -> work.showParts(Optional.empty()));
        forget.setId("forget-what-moves");
        this.parts = new HBox(8, found, Rows.space(), forget);
        parts.setAlignment(Pos.CENTER_LEFT);
        ValueSlider coarse = new ValueSlider(Words.STUDY.of("coarse"), 0, 1, 2, proposals.coarseProperty()::set);
        coarse.show(proposals.coarseProperty().get());
        ValueSlider limit = new ValueSlider(Words.STUDY.of("strobe-at"), 1, 25, 1, proposals.limitProperty()::set);
        limit.show(proposals.limitProperty().get());
        Button takeAll = Buttons.words(
                Words.STUDY.of("take-all"),
                Words.STUDY.of("mark-all-proposed-frames"),
                () -> proposals.take(proposals.studyProperty().get().proposals()));
        takeAll.setId("take-all-proposals");
        Button refuseAll = Buttons.words(
                Words.STUDY.of("refuse-all"),
                Words.STUDY.of("refuse-all-proposals"),
                () -> proposals.refuse(proposals.studyProperty().get().proposals()));
        all.getChildren().setAll(takeAll, refuseAll);
        Button onKeys = Buttons.words(
                Words.STUDY.of("drawings-on-keys"),
                Words.STUDY.of("make-empty-drawings-on-the"),
                proposals::makeDrawingsOnKeys);
        onKeys.setId("drawings-on-keys");
        Button asAdvised = Buttons.words(
                Words.STUDY.of("drawings-as-advised"),
                Words.STUDY.of("make-empty-drawings-as-advised"),
                proposals::makeDrawingsAsAdvised);
        asAdvised.setId("drawings-as-advised");
        getChildren()
                .addAll(
                        Rows.section(Words.STUDY.of("graph")),
                        measures(),
                        Rows.section(Words.STUDY.of("proposals")),
                        find,
                        parts,
                        coarse,
                        list,
                        all,
                        Rows.section(Words.STUDY.of("ones-twos-threes")),
                        limit,
                        spans,
                        new FlowPane(8, 2, onKeys, asAdvised));
        Refresh.on(this, this::show, proposals.studyProperty(), work.movingProperty());
        Refresh.on(
                find,
                this::showFind,
                work.movingProperty(),
                work.session().document().shotProperty(),
                work.session().footages().opened());
    }

    private FlowPane measures() {
        ToggleGroup group = new ToggleGroup();
        FlowPane row = new FlowPane();
        for (StudyMeasure measure : StudyMeasure.values()) {
            ToggleButton button = Buttons.toggle(measure.title(), Words.STUDY.of("show-in-the-graph", measure.unit()));
            button.setId("graph-" + measure.name().toLowerCase(Locale.ROOT));
            button.setToggleGroup(group);
            button.setSelected(measure == work.measureProperty().get());
            button.setOnAction(event -> {
                button.setSelected(true);
                work.measureProperty().set(measure);
            });
            row.getChildren().add(button);
        }
        ToggleButton large = Buttons.toggle(Words.STUDY.of("large"), Words.STUDY.of("show-the-graph-large-over"));
        large.setId("graph-large");
        large.getStyleClass().add("edged");
        large.selectedProperty().bindBidirectional(work.largeGraphProperty());
        row.getChildren().add(large);
        return row;
    }

    /** Where there is something to look at, and no point. */
    private void showFind() {
        Rows.show(find, work.filmed().isEmpty() && moving.clip().isPresent());
    }

    private void show() {
        long untouched = work.filmed().stream()
                .filter(track -> track.steady().isPresent())
                .count();
        Rows.show(parts, untouched > 0);
        found.setText(Words.STUDY.count("from-what-moves", (int) untouched));
        List<MotionProposal> open = proposals.studyProperty().get().proposals();
        list.getChildren().setAll(open.stream().limit(MOST_ROWS).map(this::row).toList());
        if (open.isEmpty()) {
            list.getChildren()
                    .add(Rows.hint(
                            work.movingProperty().get().isEmpty()
                                    ? Words.STUDY.of("keys-breakdowns-and-contacts-are")
                                    : Words.STUDY.of("nothing-more-is-proposed")));
        }
        Rows.show(all, !open.isEmpty());
        List<Label> rows = new ArrayList<>();
        for (SpanAdvice span : proposals.studyProperty().get().spans()) {
            rows.add(Rows.hint(words(span)));
        }
        spans.getChildren().setAll(rows);
        if (rows.isEmpty()) {
            spans.getChildren().add(Rows.hint(Words.STUDY.of("advised-between-keys-that-are")));
        }
    }

    private String words(SpanAdvice span) {
        int from = work.session().shot().setup().number(span.from());
        int to = work.session().shot().setup().number(span.to());
        String rhythm =
                switch (span.every()) {
                    case 1 -> Words.STUDY.of("on-ones");
                    case 2 -> Words.STUDY.of("on-twos");
                    case 3 -> Words.STUDY.of("on-threes");
                    default -> Words.STUDY.of("a-hold");
                };
        return Words.STUDY.of(
                "span-advice",
                from,
                to,
                rhythm,
                span.reason().substring(0, 1).toUpperCase(Locale.ROOT),
                span.reason().substring(1));
    }

    private VBox row(MotionProposal proposal) {
        Label frame = Rows.number(
                String.format(Locale.ROOT, "%4d", work.session().shot().setup().number(proposal.frame())));
        Label kind = new Label(Words.STUDY.name(proposal.kind()));
        Button take =
                Buttons.icon(Icons.DONE, Words.STUDY.of("take-this-proposal"), () -> proposals.take(List.of(proposal)));
        take.setId("take-" + proposal.kind().name().toLowerCase(Locale.ROOT) + "-" + proposal.frame());
        Button refuse = Buttons.icon(
                Icons.CLOSE, Words.STUDY.of("refuse-this-proposal"), () -> proposals.refuse(List.of(proposal)));
        refuse.setId("refuse-" + proposal.kind().name().toLowerCase(Locale.ROOT) + "-" + proposal.frame());
        HBox row = Rows.row(
                () -> work.session().transport().go(proposal.frame()), frame, kind, Rows.space(), take, refuse);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setSpacing(8);
        Label reason = Rows.hint(proposal.reason() + " (" + String.join(", ", proposal.points()) + ")");
        return new VBox(row, reason);
    }
}
