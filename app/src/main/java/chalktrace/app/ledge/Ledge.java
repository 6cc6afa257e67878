package chalktrace.app.ledge;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Landings;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Duster;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.core.edit.StrokeLanding;
import chalktrace.core.shot.Chalk;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import javafx.beans.property.Property;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.Ikon;

/** The strip of drawing tools under the board: chalks, duster, how long a new drawing shows, where the next stroke lands. */
public final class Ledge extends HBox {

    private static final String[] HOLDS = {"ones", "twos", "threes", "fours"};

    private final Session session;
    private final HBox sticks = new HBox();
    private final List<ChalkStick> shown = new ArrayList<>();
    private final HBox modes = new HBox(8);
    private final ToggleButton snap = Buttons.toggle(Icons.SNAP, "follow the edges of the picture (Shift+B)");
    private final Label landing = new Label();

    public Ledge(Session session) {
        this.session = session;
        getStyleClass().add("ledge");
        sticks.getStyleClass().add("sticks");
        landing.getStyleClass().add("landing");
        landing.setId("landing");
        landing.setMinWidth(0);
        modes.setAlignment(Pos.CENTER_LEFT);
        snap.setId("snap");
        snap.selectedProperty().bindBidirectional(session.snapping().onProperty());
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Label next = new Label("next stroke");
        next.getStyleClass().add("quiet");
        next.setMinWidth(Region.USE_PREF_SIZE);
        getChildren().addAll(sticks, tools(), modes, space, next, landing);
        HBox holds = holds();
        session.view().toolProperty().addListener((property, before, tool) -> showModes(tool, holds));
        showModes(session.view().toolProperty().get(), holds);
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

    private HBox tools() {
        HBox box = new HBox(
                2,
                tool(Tool.DUSTER, Icons.DUSTER, "duster", "duster: takes off what was drawn (R)"),
                tool(Tool.PICK, Icons.PICK, "pick", "pick strokes to move, bend, copy (T)"),
                tool(Tool.FILL, Icons.FILL, "fill", "fill between lines (Shift+T)"));
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private ToggleButton tool(Tool tool, Ikon icon, String name, String use) {
        ToggleButton toggle = Buttons.toggle(icon, use);
        toggle.setId(name);
        toggle.setMinWidth(Region.USE_PREF_SIZE);
        toggle.setOnAction(event -> session.view().toolProperty().set(toggle.isSelected() ? tool : Tool.CHALK));
        session.view().toolProperty().addListener((property, before, now) -> toggle.setSelected(now == tool));
        return toggle;
    }

    /** What the tool in hand can be set to; for the chalk, how long a new drawing shows. */
    private void showModes(Tool tool, HBox holds) {
        if (tool == Tool.CHALK) {
            modes.getChildren().setAll(snap, holds);
            return;
        }
        modes.getChildren()
                .setAll(
                        Rows.quiet(tool.name().toLowerCase(Locale.ROOT)),
                        switch (tool) {
                            case CHALK -> holds;
                            case DUSTER ->
                                choice(
                                        session.view().dusterProperty(),
                                        Map.of(
                                                Duster.STROKE, "whole strokes",
                                                Duster.TOUCH, "what it touches",
                                                Duster.CROSSING, "to the next crossing"));
                            case PICK ->
                                choice(
                                        session.view().pickByBoxProperty().asObject(),
                                        Map.of(false, "by a loop", true, "by a box"));
                            case FILL -> Rows.quiet("touch between lines of this level");
                        });
    }

    private static <T extends Comparable<T>> HBox choice(Property<T> property, Map<T, String> words) {
        HBox box = new HBox();
        box.getStyleClass().add("edged-box");
        box.setMaxHeight(26);
        ToggleGroup group = new ToggleGroup();
        new TreeMap<>(words).forEach((value, word) -> {
            ToggleButton one = Buttons.toggle(word, word);
            one.setToggleGroup(group);
            one.setMinWidth(Region.USE_PREF_SIZE);
            one.setSelected(value.equals(property.getValue()));
            one.setOnAction(event -> {
                one.setSelected(true);
                property.setValue(value);
            });
            box.getChildren().add(one);
        });
        return box;
    }

    private HBox holds() {
        Label word = new Label("drawings on");
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
