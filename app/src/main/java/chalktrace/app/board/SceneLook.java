package chalktrace.app.board;

import chalktrace.core.render.Scene;
import chalktrace.core.shot.Shot;
import java.util.List;
import javafx.beans.Observable;

/** Something that is composed with the frame on the board, such as a draft; it is no part of the shot. */
public interface SceneLook {

    /** What a scene was made of. @param deviceScale device pixels for one of the board */
    record Moment(Shot shot, int frame, double deviceScale) {}

    /** The scene with it. */
    Scene over(Scene scene, Moment moment);

    /** After which of these change the board is to be composed anew. */
    List<Observable> changes();
}
