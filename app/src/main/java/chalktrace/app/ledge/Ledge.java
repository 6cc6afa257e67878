package chalktrace.app.ledge;

import chalktrace.app.board.BoardTool;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Landings;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Duster;
import chalktrace.app.session.View.LineKind;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.GuideEdits;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.guide.Guide;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.LevelStyle;
import chalktrace.core.shot.Shot;
import chalktrace.core.speech.MouthDrawings;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import javafx.beans.property.Property;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.Ikon;

/** The strip of drawing tools under the board: chalks, duster, how long a new drawing shows, where the next stroke lands. */
public final class Ledge extends HBox {

    /** WCAG 2.2, 1.4.11: what a graphic needs to be seen. */
    private static final double LEAST_CONTRAST = 3;

    private static final String[] HOLDS = {
        Words.TRACE.of("ones"), Words.TRACE.of("twos"), Words.TRACE.of("threes"), Words.TRACE.of("fours")
    };

    private final Session session;
    private final HBox sticks = new HBox();
    private final List<ChalkStick> shown = new ArrayList<>();
    private final HBox modes = new HBox(8);
    private final ToggleButton snap = Buttons.toggle(Icons.SNAP, "");
    private final ToggleButton along = Buttons.toggle(Icons.ALONG_GUIDES, Words.TRACE.of("lines-that-start-near-a"));
    private final ToggleButton within = Buttons.toggle(Icons.WITHIN_PAINT, Words.TRACE.of("paint-only-on-what-is"));
    private final HBox kinds = new HBox();
    private final HBox ways = new HBox(2, snap, along, within);
    private final List<BoardTool> more;
    private final Label landing = new Label();
    private final ToggleButton greyPaper =
            Buttons.toggle(Words.TRACE.of("grey-paper"), Words.TRACE.of("shows-the-paper-grey-while"));

    /** @param more tools beside those of the ground */
    public Ledge(Session session, List<BoardTool> more) {
        this.more = List.copyOf(more);
        this.session = session;
        getStyleClass().add("ledge");
        sticks.getStyleClass().add("sticks");
        landing.getStyleClass().add("landing");
        landing.setId("landing");
        // Two lines where it is long: which drawing, and on which frames.
        landing.setWrapText(true);
        landing.setMinWidth(0);
        landing.setMaxHeight(Double.MAX_VALUE);
        modes.setAlignment(Pos.CENTER_LEFT);
        session.keys().named(snap, Words.TRACE.of("follow-the-edges-of-the"), Action.SNAP);
        snap.setId("snap");
        snap.selectedProperty().bindBidirectional(session.snapping().onProperty());
        along.setId("along-guides");
        along.selectedProperty().bindBidirectional(session.view().snapToGuidesProperty());
        within.setId("within-paint");
        within.selectedProperty().bindBidirectional(session.view().withinPaintProperty());
        ways.setAlignment(Pos.CENTER_LEFT);
        prepareKinds();
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        landing.setTooltip(new Tooltip(Words.TRACE.of("where-the-next-stroke-lands")));
        greyPaper.setId("grey-paper");
        greyPaper.setMinWidth(Region.USE_PREF_SIZE);
        greyPaper.selectedProperty().bindBidirectional(session.view().greyPaperProperty());
        getChildren().addAll(sticks, tools(), modes, space, greyPaper, landing);
        MenuButton holds = holds();
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
                this::offerGreyPaper,
                session.document().shotProperty(),
                session.selection().chalkProperty(),
                session.view().footageHiddenProperty(),
                session.view().greyPaperProperty());
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
                tool(Tool.DUSTER, Icons.DUSTER, Words.TRACE.of("duster-takes-off-what-was"), Action.CHALK_OR_DUSTER),
                tool(Tool.PICK, Icons.PICK, Words.TRACE.of("select-strokes-to-move-bend"), Action.PICK),
                tool(Tool.FILL, Icons.FILL, Words.TRACE.of("fill-between-lines"), Action.FILL),
                tool(Tool.GUIDES, Icons.GUIDES, Words.TRACE.of("set-guides-floor-height-ellipse"), Action.GUIDES));
        more.forEach(tool -> box.getChildren().add(tool(tool)));
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private ToggleButton tool(BoardTool tool) {
        return chooses(tool.tool(), Buttons.named(Buttons.toggle(tool.icon(), ""), tool.use()));
    }

    private ToggleButton tool(Tool tool, Ikon icon, String use, Action key) {
        return chooses(tool, session.keys().named(Buttons.toggle(icon, ""), use, key));
    }

    private ToggleButton chooses(Tool tool, ToggleButton toggle) {
        toggle.setId(tool.id());
        toggle.setMinWidth(Region.USE_PREF_SIZE);
        toggle.setOnAction(event -> session.view().toolProperty().set(toggle.isSelected() ? tool : Tool.CHALK));
        session.view().toolProperty().addListener((property, before, now) -> toggle.setSelected(now.equals(tool)));
        return toggle;
    }

    /** What the tool in hand can be set to; for the chalk, how long a new drawing shows. */
    private void showModes(Tool tool, Node holds) {
        if (tool.equals(Tool.CHALK)) {
            modes.getChildren().setAll(kinds, ways, holds);
            return;
        }
        modes.getChildren()
                .setAll(Rows.quiet(Words.TRACE.ifAny("tool." + tool.id()).orElse(tool.id())));
        modes.getChildren().addAll(options(tool));
    }

    private List<Node> options(Tool tool) {
        if (tool.equals(Tool.DUSTER)) {
            return List.of(choice(
                    session.view().dusterProperty(),
                    Map.of(
                            Duster.STROKE, Words.TRACE.of("whole-strokes"),
                            Duster.TOUCH, Words.TRACE.of("what-it-touches"),
                            Duster.CROSSING, Words.TRACE.of("to-the-next-crossing"))));
        }
        if (tool.equals(Tool.PICK)) {
            return List.of(middled(
                    choice(
                            session.view().pickByBoxProperty().asObject(),
                            Map.of(false, Words.TRACE.of("by-a-loop"), true, Words.TRACE.of("by-a-box"))),
                    choice(
                            session.view().pickAcrossProperty().asObject(),
                            Map.of(false, Words.TRACE.of("on-this-level"), true, Words.TRACE.of("on-all-levels")))));
        }
        if (tool.equals(Tool.FILL)) {
            return List.of(fillWords());
        }
        return tool.equals(Tool.GUIDES)
                ? List.of(guideKinds())
                : more.stream()
                        .filter(one -> one.tool().equals(tool))
                        .flatMap(one -> one.options().stream())
                        .toList();
    }

    /** What bounds a region that would be painted. */
    private Node fillWords() {
        Label words = Rows.quiet("");
        words.textProperty()
                .bind(session.painting()
                        .paintBoundsProperty()
                        .map(paint -> paint
                                ? Words.TRACE.of("touch-between-lines-or-dark")
                                : Words.TRACE.of("touch-between-lines-of-this")));
        return words;
    }

    private static HBox middled(Node... parts) {
        HBox box = new HBox(8, parts);
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private static <T extends Comparable<T>> HBox choice(Property<T> property, Map<T, String> words) {
        HBox box = new HBox();
        box.getStyleClass().add("edged-box");
        box.setMaxHeight(26);
        box.setMinWidth(Region.USE_PREF_SIZE);
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

    private void prepareKinds() {
        kinds.getStyleClass().add("edged-box");
        kinds.setMaxHeight(26);
        ToggleGroup group = new ToggleGroup();
        kind(LineKind.FREE, Icons.FREE_LINE, Words.TRACE.of("free-line-with-shift-straight"), group);
        kind(LineKind.STRAIGHT, Icons.STRAIGHT_LINE, Words.TRACE.of("straight-line"), group);
        kind(LineKind.ELLIPSE, Icons.ELLIPSE, Words.TRACE.of("ellipse-with-shift-circle"), group);
        kind(LineKind.CLOSED, Icons.CLOSED_SHAPE, Words.TRACE.of("closed-shape-ends-where-it"), group);
    }

    private void kind(LineKind kind, Ikon icon, String use, ToggleGroup group) {
        ToggleButton one = Buttons.toggle(icon, use);
        one.setId("line-" + kind.name().toLowerCase(Locale.ROOT));
        one.setToggleGroup(group);
        one.setSelected(session.view().lineKindProperty().get() == kind);
        one.setOnAction(event -> {
            one.setSelected(true);
            session.view().lineKindProperty().set(kind);
        });
        kinds.getChildren().add(one);
    }

    /** What guides can be added. */
    private MenuButton guideKinds() {
        MenuButton add = new MenuButton(Words.TRACE.of("add-a-guide"));
        add.setId("add-guide");
        add.getStyleClass().add("small-menu");
        add.setFocusTraversable(false);
        new TreeMap<>(Map.of(
                        Guide.Kind.LINE, Words.TRACE.of("line"),
                        Guide.Kind.ELLIPSE, Words.TRACE.of("ellipse"),
                        Guide.Kind.FLOOR, Words.TRACE.of("floor"),
                        Guide.Kind.HEIGHT, Words.TRACE.of("height"),
                        Guide.Kind.ONE_POINT, Words.TRACE.of("perspective-to-one-point"),
                        Guide.Kind.TWO_POINTS, Words.TRACE.of("perspective-to-two-points")))
                .forEach((kind, word) -> {
                    MenuItem item = new MenuItem(word);
                    item.setOnAction(event -> addGuide(kind));
                    add.getItems().add(item);
                });
        return add;
    }

    private void addGuide(Guide.Kind kind) {
        PictureSize size = session.shot().setup().size();
        session.document()
                .apply(GuideEdits.add(Guide.usual(session.shot().newId("guide"), kind, size.width(), size.height())));
    }

    /** For how many frames a new drawing shows. */
    private MenuButton holds() {
        MenuButton choice = new MenuButton();
        choice.setId("holds");
        choice.getStyleClass().add("small-menu");
        choice.setFocusTraversable(false);
        choice.setTooltip(new Tooltip(Words.TRACE.of("for-how-many-frames-a")));
        choice.setMinWidth(Region.USE_PREF_SIZE);
        for (int i = 0; i < HOLDS.length; i++) {
            int frames = i + 1;
            MenuItem item = new MenuItem(Words.TRACE.count("on-hold", frames, HOLDS[i]));
            item.setOnAction(event -> session.view().holdFramesProperty().set(frames));
            choice.getItems().add(item);
        }
        choice.textProperty()
                .bind(session.view()
                        .holdFramesProperty()
                        .map(frames -> frames.intValue() <= HOLDS.length
                                ? Words.TRACE.of("on-hold-name", HOLDS[frames.intValue() - 1])
                                : Words.TRACE.of("on-frames", frames)));
        return choice;
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
        boolean bare = session.view().footageHiddenProperty().get()
                || shot.footage().stream().noneMatch(Footage::visible);
        double contrast = shot.chalk(session.selection().chalkProperty().get())
                .color()
                .contrast(shot.setup().paper());
        boolean offered = greyPaper.isSelected() || bare && contrast < LEAST_CONTRAST;
        Rows.show(greyPaper, offered);
    }

    private void showLanding() {
        landing.getStyleClass().remove("refused");
        if (session.document().isLooking()) {
            landing.setText(Words.TRACE.of("no-drawing-while-previewing"));
            return;
        }
        StrokeLanding next = session.landing();
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
