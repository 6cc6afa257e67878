package chalktrace.app.board;

import chalktrace.core.stroke.PenSample;

/** What the pen does with one tool, from down to up. Places are shot pixels. */
public interface Hand {

    void down(PenSample sample);

    void move(PenSample sample);

    void up(PenSample sample);

    /** Ends what goes on without keeping it. */
    void giveUp();

    /** Ends what goes on, as the pen is gone and won't be lifted. */
    default void lost() {
        giveUp();
    }

    boolean isBusy();
}
