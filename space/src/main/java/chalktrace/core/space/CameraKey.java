package chalktrace.core.space;

/** Where the camera stands on a frame of the shot. @param move how it goes from here to the next key */
public record CameraKey(int frame, Orbit orbit, Move move) {

    /** How a camera goes on. */
    public enum Move {
        /** Slow out of this key and slow into the next. */
        EASED,
        /** At one speed. */
        EVEN,
        /** It stays until the next key, which is a cut. */
        CUT
    }

    public CameraKey withFrame(int other) {
        return new CameraKey(other, orbit, move);
    }

    public CameraKey withOrbit(Orbit other) {
        return new CameraKey(frame, other, move);
    }

    public CameraKey withMove(Move other) {
        return new CameraKey(frame, orbit, other);
    }
}
