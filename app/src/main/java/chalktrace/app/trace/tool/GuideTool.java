package chalktrace.app.trace.tool;

import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.Hand;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Tool;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.edit.GuideEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.picture.PictureSize;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javafx.scene.Node;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import org.kordamp.ikonli.Ikon;

/** Adds guides and moves them. */
public final class GuideTool implements BoardTool {

    private final Session session;

    public GuideTool(Session session) {
        this.session = session;
    }

    @Override
    public Tool tool() {
        return Tool.GUIDES;
    }

    @Override
    public Optional<Ikon> icon() {
        return Optional.of(Icons.GUIDES);
    }

    @Override
    public String use() {
        return Words.TRACE.of("set-guides-floor-height-ellipse");
    }

    @Override
    public Optional<Action> key() {
        return Optional.of(Action.GUIDES);
    }

    @Override
    public Hand hand(BoardView board) {
        return new GuideHand(session, board);
    }

    @Override
    public boolean draws() {
        return false;
    }

    @Override
    public List<Node> overlay(BoardView board) {
        return List.of(new GuideLook(session, board));
    }

    /** What guides can be added. */
    @Override
    public List<Node> options() {
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
        return List.of(add);
    }

    private void addGuide(Guide.Kind kind) {
        PictureSize size = session.shot().setup().size();
        session.document()
                .apply(GuideEdits.add(Guide.usual(session.shot().newId("guide"), kind, size.width(), size.height())));
    }
}
