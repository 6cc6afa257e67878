package chalktrace.app.ruler;

import chalktrace.app.board.BoardTool;
import chalktrace.app.feature.Feature;
import chalktrace.app.session.Session;
import java.util.List;

/** Measures on the picture. */
public final class RulerFeature implements Feature {

    private final RulerTool ruler;

    public RulerFeature(Session session) {
        ruler = new RulerTool(session);
    }

    @Override
    public List<BoardTool> tools() {
        return List.of(ruler);
    }
}
