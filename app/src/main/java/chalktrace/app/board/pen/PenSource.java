package chalktrace.app.board.pen;

import java.util.function.Consumer;

/** A device that one draws with. Events come on the FX thread. */
public interface PenSource {

    void start(Consumer<PenEvent> listener);

    void stop();
}
