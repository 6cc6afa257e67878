package chalktrace.core.edit.selection;

/** How a move between two keys goes. */
public enum Ease {
    EVEN,
    SLOW_OUT,
    SLOW_IN,
    SLOW_OUT_AND_IN;

    /** The share of the move that is done at a share of the time, both 0 to 1; quadratic at each slow end. */
    public double at(double time) {
        return switch (this) {
            case EVEN -> time;
            case SLOW_OUT -> time * time;
            case SLOW_IN -> 1 - (1 - time) * (1 - time);
            case SLOW_OUT_AND_IN -> time < 0.5 ? 2 * time * time : 1 - 2 * (1 - time) * (1 - time);
        };
    }
}
