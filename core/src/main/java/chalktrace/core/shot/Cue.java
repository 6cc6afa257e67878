package chalktrace.core.shot;

/** A moment in the sound that the picture must meet, in seconds from the shot's first frame. */
public record Cue(String id, String name, double seconds) {

    public Cue {
        if (!(seconds >= 0) || Double.isInfinite(seconds)) {
            throw new IllegalArgumentException("The cue \"" + name + "\" must lie at 0 seconds or later.");
        }
    }
}
