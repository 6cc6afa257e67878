package chalktrace.core.shot;

/** Names what a shot's document does not hold itself, since it stands in files of its own. */
public interface Writing {

    /** The name under which a drawing stands. */
    String drawing(Level level, Drawing drawing);

    /** How the path of a medium is written. */
    String path(String path);
}
