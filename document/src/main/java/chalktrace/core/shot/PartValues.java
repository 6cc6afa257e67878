package chalktrace.core.shot;

/** The values of all parts of a shot. */
public interface PartValues {

    <T> T get(ShotPart<T> part);

    /** Whether something of an id is in a part. */
    boolean has(ShotPart<?> part, String id);
}
