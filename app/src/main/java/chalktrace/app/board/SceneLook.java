package chalktrace.app.board;

import chalktrace.core.render.Scene;
import chalktrace.core.shot.Shot;
import java.util.List;
import javafx.beans.Observable;

/** Something that is composed with the frame on the board, such as a draft; it is no part of the shot. */
public interface SceneLook {

    /** The scene of a frame of the shot with it. */
    Scene over(Scene scene, Shot shot);

    /** After which of these change the board is to be composed anew. */
    List<Observable> changes();
}
