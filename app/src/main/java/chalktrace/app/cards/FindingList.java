package chalktrace.app.cards;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.FindingWords;
import chalktrace.app.words.Words;
import chalktrace.core.check.Checks;
import chalktrace.core.check.Finding;
import chalktrace.core.check.FindingEdits;
import chalktrace.core.shot.SetAsidePart;
import java.util.List;
import javafx.event.Event;
import javafx.geometry.Orientation;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The possible mistakes in the exposure of the shot, with their count: a click goes to the place and makes its level the current one. */
public final class FindingList extends VBox {

    private static final double MOST_HEIGHT = 200;

    /** Of what it is scrolled in: a list that fits has no bar. */
    private static final double EDGES = 4;

    private final Session session;
    private final int most;
    private final boolean saysNone;
    private final Label title = Rows.section("");
    private final VBox list = new VBox(2);
    private final ScrollPane scrolled = new Scrolled(list);
    private final Label more = Rows.hint("");
    private final Button aside = Buttons.words("", Words.FINISH.of("list-what-was-set-aside"), this::listAll);

    private FindingList(Session session, int most, boolean saysNone) {
        super(4);
        this.session = session;
        this.most = most;
        this.saysNone = saysNone;
        title.setId("findings-title");
        list.setId("findings");
        aside.setId("findings-aside");
        getChildren().addAll(title, scrolled, more, aside);
        Refresh.on(this, this::show, session.timing().findingsProperty());
        Rows.show(aside, false);
        if (saysNone) {
            // A shot may be opened in which all that is found is meant.
            Refresh.on(this, this::showAside, session.document().shotProperty());
        }
    }

    /** All of them, in Finish; says so when there are none. */
    public static FindingList whole(Session session) {
        return new FindingList(session, 100, true);
    }

    /** The first few, beside other work; takes no room when there are none. */
    public static FindingList brief(Session session) {
        return new FindingList(session, 3, false);
    }

    private void show() {
        List<Finding> all = session.timing().findingsProperty().get();
        title.setText(
                all.isEmpty()
                        ? Words.FINISH.of("no-possible-mistakes")
                        : Words.FINISH.of("possible-mistakes", all.size()));
        list.getChildren().setAll(all.stream().limit(most).map(this::row).toList());
        Rows.show(scrolled, !all.isEmpty());
        more.setText(Words.FINISH.count("more-mistakes", all.size() - most));
        Rows.show(more, all.size() > most);
        Rows.show(this, saysNone || !all.isEmpty());
    }

    private void showAside() {
        int meant = session.shot().get(SetAsidePart.SET_ASIDE).size();
        aside.setText(Words.FINISH.count("mistakes-set-aside", meant));
        Rows.show(aside, meant > 0);
    }

    private Node row(Finding finding) {
        String said = FindingWords.onScreen(session.shot(), finding);
        Label words = new Label(said);
        words.setWrapText(true);
        HBox row = Rows.row(() -> go(finding), words, Rows.space());
        if (saysNone) {
            Checks.mend(finding)
                    .map(mend ->
                            Buttons.icon(Icons.MEND, Words.FINISH.of("mend-it", mend.name()), () -> session.document()
                                    .apply(mend)))
                    .ifPresent(mend -> add(row, mend));
            Button meant = Buttons.icon(Icons.CLOSE, Words.FINISH.of("this-is-meant"), () -> session.document()
                    .apply(FindingEdits.setAside(finding)));
            add(row, meant);
        }
        row.setAccessibleRole(AccessibleRole.BUTTON);
        row.setAccessibleText(said);
        Tooltip.install(row, new Tooltip(Words.FINISH.of("go-to-this-place")));
        return row;
    }

    /** The gate stays where it is. */
    private static void add(HBox row, Button button) {
        button.setOnMouseClicked(Event::consume);
        row.getChildren().add(button);
    }

    private void listAll() {
        session.document().apply(FindingEdits.listAll());
    }

    private void go(Finding finding) {
        session.transport().go(Math.min(finding.frame(), session.shot().setup().length() - 1));
        if (session.shot().level(finding.level()).isPresent()) {
            session.selection().levelProperty().set(finding.level());
        }
    }

    /** As high as what it holds, up to a limit: what is to be done with the shot stays in sight below many findings. */
    private static final class Scrolled extends ScrollPane {

        private final VBox list;

        Scrolled(VBox list) {
            super(list);
            this.list = list;
            setFitToWidth(true);
            setFocusTraversable(false);
            getStyleClass().add("finding-scroll");
        }

        /** Words are as high as they have room to be wide. */
        @Override
        public Orientation getContentBias() {
            return Orientation.HORIZONTAL;
        }

        @Override
        protected double computeMinHeight(double width) {
            return computePrefHeight(width);
        }

        @Override
        protected double computePrefHeight(double width) {
            return Math.min(MOST_HEIGHT, list.prefHeight(width - EDGES) + EDGES);
        }

        @Override
        protected double computeMaxHeight(double width) {
            return computePrefHeight(width);
        }
    }
}
