package chalktrace.app.ledge;

import chalktrace.app.board.BoardTool;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.session.Landings;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Tool;
import chalktrace.app.words.Words;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import chalktrace.core.speech.MouthDrawings;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.Ikon;

/** The strip of drawing tools under the board: chalks, duster, how long a new drawing shows, where the next stroke lands. */
public final class Ledge extends HBox {

    /** WCAG 2.2, 1.4.11: what a graphic needs to be seen. */
    private static final double LEAST_CONTRAST = 3;

    private final Session session;
    private final HBox sticks = new HBox();
    private final List<ChalkStick> shown = new ArrayList<>();
    private final HBox modes = new HBox(6);
    private final List<BoardTool> tools;
    private final Map<Tool, List<Node>> options = new HashMap<>();
    private final Label landing = new Label();
    private final Tooltip landingWhole = new Tooltip();
    private final ToggleButton greyPaper =
            Buttons.toggle(Words.TRACE.of("grey-paper"), Words.TRACE.of("shows-the-paper-grey-while"));

    /** @param tools in the order of their buttons */
    public Ledge(Session session, List<BoardTool> tools) {
        this.tools = List.copyOf(tools);
        this.session = session;
        getStyleClass().add("ledge");
        sticks.getStyleClass().add("sticks");
        landing.getStyleClass().add("landing");
        landing.setId("landing");
        landing.setMinWidth(0);
        modes.setAlignment(Pos.CENTER_LEFT);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        landing.setTooltip(landingWhole);
        greyPaper.setId("grey-paper");
        greyPaper.setMinWidth(Region.USE_PREF_SIZE);
        greyPaper.selectedProperty().bindBidirectional(session.view().greyPaperProperty());
        getChildren().addAll(sticks, tools(), modes, space, greyPaper, landing);
        session.view().toolProperty().addListener((property, before, tool) -> showModes(tool));
        showModes(session.view().toolProperty().get());
        Refresh.on(
                this,
                this::showSticks,
                session.document().shotProperty(),
                session.selection().chalkProperty(),
                session.view().toolProperty());
        Refresh.on(
                this,
                this::offerGreyPaper,
                session.document().shotProperty(),
                session.selection().chalkProperty(),
                session.view().footageHiddenProperty(),
                session.view().footageOffProperty(),
                session.view().greyPaperProperty());
        Refresh.on(
                this,
                this::showLanding,
                session.document().shownProperty(),
                session.transport().frameProperty(),
                session.selection().levelProperty(),
                session.view().eachStepProperty(),
                session.view().awaitedProperty());
    }

    private HBox tools() {
        HBox box = new HBox(2);
        tools.forEach(tool -> tool.icon().ifPresent(icon -> box.getChildren().add(button(tool, icon))));
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private ToggleButton button(BoardTool tool, Ikon icon) {
        ToggleButton toggle = Buttons.toggle(icon, "");
        tool.key()
                .ifPresentOrElse(
                        key -> session.keys().named(toggle, tool.use(), key), () -> Buttons.named(toggle, tool.use()));
        return chooses(tool.tool(), toggle);
    }

    private ToggleButton chooses(Tool tool, ToggleButton toggle) {
        toggle.setId(tool.id());
        toggle.setMinWidth(Region.USE_PREF_SIZE);
        toggle.setOnAction(event -> session.view().toolProperty().set(toggle.isSelected() ? tool : Tool.CHALK));
        session.view().toolProperty().addListener((property, before, now) -> toggle.setSelected(now.equals(tool)));
        return toggle;
    }

    /** What the tool in hand is, but for the chalk that its stick shows, and what it can be set to. */
    private void showModes(Tool inHand) {
        modes.getChildren().clear();
        if (!inHand.equals(Tool.CHALK)) {
            modes.getChildren()
                    .add(Rows.quiet(Words.TRACE.ifAny("tool." + inHand.id()).orElse(inHand.id())));
        }
        tools.stream().filter(tool -> tool.tool().equals(inHand)).forEach(tool -> modes.getChildren()
                .addAll(options.computeIfAbsent(inHand, any -> tool.options())));
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
        boolean drawing = session.view().toolProperty().get().equals(Tool.CHALK);
        // The chalks of mouths are wanted where mouths are drawn.
        boolean mouths = session.shot()
                .level(String.valueOf(session.selection().level()))
                .filter(level -> level.style().role() == LevelStyle.Role.MOUTH)
                .isPresent();
        for (int i = 0; i < chalks.size(); i++) {
            boolean inHand = drawing
                    && chalks.get(i)
                            .id()
                            .equals(session.selection().chalkProperty().get());
            shown.get(i).show(chalks.get(i), i + 1, inHand);
            boolean wanted = inHand || mouths || !MouthDrawings.isMouthChalk(chalks.get(i));
            Rows.show(shown.get(i), wanted);
        }
    }

    /** Where the current chalk hardly shows on the paper and no footage lies over it. */
    private void offerGreyPaper() {
        Shot shot = session.shot();
        boolean bare =
                !session.view().footageIsSeen() || shot.footage().stream().noneMatch(Footage::visible);
        double contrast = shot.chalk(session.selection().chalkProperty().get())
                .color()
                .contrast(shot.setup().paper());
        boolean offered = greyPaper.isSelected() || bare && contrast < LEAST_CONTRAST;
        Rows.show(greyPaper, offered);
        showLanding();
    }

    private void showLanding() {
        landing.getStyleClass().remove("refused");
        if (session.document().isLooking()) {
            say(Words.TRACE.of("no-drawing-while-previewing"), "");
            return;
        }
        StrokeLanding next = session.landing();
        String whole = Landings.words(session.shot(), next);
        // Where room is scarce the bench says which level it is.
        say(greyPaper.isVisible() && next.canDraw() ? Landings.withoutLevel(session.shot(), next) : whole, whole);
        if (!next.canDraw()) {
            landing.getStyleClass().add("refused");
        }
    }

    private void say(String words, String whole) {
        landing.setText(words);
        landingWhole.setText((whole.isEmpty() ? "" : whole + "\n") + Words.TRACE.of("where-the-next-stroke-lands"));
    }

    private void take(int index) {
        session.selection()
                .chalkProperty()
                .set(session.shot().chalks().get(index).id());
        session.view().toolProperty().set(Tool.CHALK);
    }
}
