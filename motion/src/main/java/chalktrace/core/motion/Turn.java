package chalktrace.core.motion;

/**
 * A frame on which a point starts, stops, turns or bends.
 *
 * @param degrees by which its direction changes; 0 for starts and stops
 * @param sizePx how far it goes to the nearer of its neighbours among the turns
 */
record Turn(int frame, Kind kind, double degrees, double sizePx) {

    enum Kind {
        FIRST,
        START,
        STOP,
        TURN,
        LAST
    }

    Turn withSize(double px) {
        return new Turn(frame, kind, degrees, px);
    }
}
