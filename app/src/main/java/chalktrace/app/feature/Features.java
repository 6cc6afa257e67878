package chalktrace.app.feature;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.board.BoardTool;
import chalktrace.app.board.BoardView;
import chalktrace.app.board.SceneLook;
import chalktrace.app.cards.CardRows;
import chalktrace.app.keys.Keys;
import chalktrace.app.tray.TrayRows;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Region;

/** What all features add, each kind in the order of the features. */
public record Features(List<Feature> all) {

    public Features {
        all = List.copyOf(all);
    }

    public List<BoardTool> tools() {
        return all.stream().flatMap(feature -> feature.tools().stream()).toList();
    }

    public List<SceneLook> looks() {
        return all.stream().flatMap(feature -> feature.looks().stream()).toList();
    }

    /** Lets the first whose files they are take them. @return whether any did */
    public boolean takes(List<Path> dropped) {
        return all.stream().anyMatch(feature -> feature.takes(dropped));
    }

    public List<CardRows> cardRows() {
        return all.stream().flatMap(feature -> feature.cardRows().stream()).toList();
    }

    public List<Region> beside() {
        return all.stream().flatMap(feature -> feature.beside().stream()).toList();
    }

    public List<Node> overlays(BoardView board) {
        return all.stream().flatMap(feature -> feature.overlays(board).stream()).toList();
    }

    public List<TrayRows> trayRows() {
        return all.stream().flatMap(feature -> feature.trayRows().stream()).toList();
    }

    public List<Node> narrowRows() {
        return all.stream().flatMap(feature -> feature.narrowRows().stream()).toList();
    }

    public void actions(Keys keys) {
        all.forEach(feature -> feature.actions(keys));
    }

    /** The one of a kind. */
    public <F extends Feature> F of(Class<F> kind) {
        return all.stream().filter(kind::isInstance).map(kind::cast).findFirst().orElseThrow();
    }

    public void close() {
        all.forEach(Feature::close);
    }

    public List<LaneKind> overBoard() {
        return all.stream().flatMap(feature -> feature.overBoard().stream()).toList();
    }

    public List<LaneKind> lanes() {
        return all.stream().flatMap(feature -> feature.lanes().stream()).toList();
    }
}
