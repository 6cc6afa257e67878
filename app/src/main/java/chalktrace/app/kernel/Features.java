package chalktrace.app.kernel;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.board.BoardTool;
import java.util.List;

/** What all features add, each kind in the order of the features. */
public record Features(List<Feature> all) {

    public Features {
        all = List.copyOf(all);
    }

    public List<BoardTool> tools() {
        return all.stream().flatMap(feature -> feature.tools().stream()).toList();
    }

    public List<LaneKind> lanes() {
        return all.stream().flatMap(feature -> feature.lanes().stream()).toList();
    }
}
