package chalktrace.app.ledge;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.session.Landings;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.core.edit.StrokeLanding;
import chalktrace.core.shot.Chalk;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The strip of drawing tools under the board: chalks, duster, how long a new drawing shows, where the next stroke lands. */
public final class Ledge extends HBox {

    private static final String[] HOLDS = {"ones", "twos", "threes", "fours"};

    private final Session session;
    private final HBox sticks = new HBox();
    private final List<ChalkStick> shown = new ArrayList<>();
    private final Label landing = new Label();

    public Ledge(Session session) {
        this.session = session;
        getStyleClass().add("ledge");
        sticks.getStyleClass().add("sticks");
        landing.getStyleClass().add("landing");
        landing.setId("landing");
        landing.setMinWidth(0);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Label next = new Label("next stroke");
        next.getStyleClass().add("quiet");
        next.setMinWidth(Region.USE_PREF_SIZE);
        getChildren().addAll(sticks, duster(), holds(), space, next, landing);
        Refresh.on(
                this,
                this::showSticks,
                session.document().shotProperty(),
                session.selection().chalkProperty(),
                session.view().toolProperty());
        Refresh.on(
                this,
                this::showLanding,
                session.document().shownProperty(),
                session.transport().frameProperty(),
                session.selection().levelProperty(),
                session.view().holdFramesProperty());
    }

    private ToggleButton duster() {
        ToggleButton duster = Buttons.toggle(Icons.DUSTER, "duster: takes strokes off (R)");
        duster.setText("duster");
        duster.setId("duster");
        duster.setMinWidth(Region.USE_PREF_SIZE);
        duster.setOnAction(event -> session.view().toolProperty().set(duster.isSelected() ? Tool.DUSTER : Tool.CHALK));
        session.view().toolProperty().addListener((property, before, tool) -> duster.setSelected(tool == Tool.DUSTER));
        return duster;
    }

    private HBox holds() {
        Label word = new Label("new drawings on");
        word.getStyleClass().add("quiet");
        word.setMinWidth(Region.USE_PREF_SIZE);
        HBox box = new HBox();
        box.getStyleClass().add("edged-box");
        box.setMaxHeight(26);
        box.setAlignment(Pos.CENTER);
        ToggleGroup group = new ToggleGroup();
        for (int i = 0; i < HOLDS.length; i++) {
            int frames = i + 1;
            ToggleButton one = Buttons.toggle(
                    HOLDS[i], "a new drawing shows for " + frames + (frames == 1 ? " frame" : " frames"));
            one.setToggleGroup(group);
            one.setMinWidth(Region.USE_PREF_SIZE);
            one.setOnAction(event -> session.view().holdFramesProperty().set(frames));
            session.view()
                    .holdFramesProperty()
                    .addListener((property, before, now) -> one.setSelected(now.intValue() == frames));
            one.setSelected(session.view().holdFramesProperty().get() == frames);
            box.getChildren().add(one);
        }
        HBox all = new HBox(8, word, box);
        all.setAlignment(Pos.CENTER_LEFT);
        return all;
    }

    private void showSticks() {
        List<Chalk> chalks = session.shot().chalks();
        while (shown.size() > chalks.size()) {
            shown.remove(shown.size() - 1);
        }
        while (shown.size() < chalks.size()) {
            int index = shown.size();
            shown.add(new ChalkStick(() -> take(index)));
        }
        if (sticks.getChildren().size() != shown.size()) {
            sticks.getChildren().setAll(shown);
        }
        boolean drawing = session.view().toolProperty().get() == Tool.CHALK;
        for (int i = 0; i < chalks.size(); i++) {
            boolean inHand = drawing
                    && chalks.get(i)
                            .id()
                            .equals(session.selection().chalkProperty().get());
            shown.get(i).show(chalks.get(i), i + 1, inHand);
        }
    }

    private void showLanding() {
        landing.getStyleClass().remove("refused");
        if (session.document().isLooking()) {
            landing.setText("none while footage is looked at");
            return;
        }
        StrokeLanding next = StrokeLanding.of(
                session.shot(),
                String.valueOf(session.selection().level()),
                session.transport().frame(),
                session.view().holdFramesProperty().get());
        landing.setText(Landings.words(session.shot(), next));
        if (!next.canDraw()) {
            landing.getStyleClass().add("refused");
        }
    }

    private void take(int index) {
        session.selection()
                .chalkProperty()
                .set(session.shot().chalks().get(index).id());
        session.view().toolProperty().set(Tool.CHALK);
    }
}
