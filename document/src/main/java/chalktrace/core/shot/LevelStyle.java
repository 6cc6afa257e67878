package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import java.util.Optional;

/**
 * What a level is for, for how long its drawings show, and how it is laid over what lies under it.
 *
 * @param paints the level whose lines it is the paint of, by its id; none for any other level
 * @param tint one colour in which all of it shows; none for its chalks' own
 * @param multiply whether it darkens what lies under it, as a shadow does, instead of covering it
 * @param clipped whether it shows only where the level under it has something
 * @param held whether it shows one drawing over the whole shot, as a background does
 * @param drawnOn for how many frames its new drawings show; none for what is usual at the shot's rate
 */
public record LevelStyle(
        Role role,
        Optional<String> paints,
        Optional<Rgb> tint,
        boolean multiply,
        boolean clipped,
        boolean held,
        Optional<DrawnOn> drawnOn) {

    public static final LevelStyle ROUGH =
            new LevelStyle(Role.ROUGH, Optional.empty(), Optional.empty(), false, false, false, Optional.empty());

    /** What a level is for. */
    public enum Role {
        ROUGH,
        LINE,
        COLOUR,
        SHADOW,
        MOUTH,
        NOTE
    }

    public LevelStyle withRole(Role newRole) {
        return new LevelStyle(newRole, paints, tint, multiply, clipped, held, drawnOn);
    }

    public LevelStyle painting(String lineLevel) {
        return new LevelStyle(Role.COLOUR, Optional.of(lineLevel), tint, multiply, clipped, held, drawnOn);
    }

    LevelStyle paintingNothing() {
        return new LevelStyle(role, Optional.empty(), tint, multiply, clipped, held, drawnOn);
    }

    public LevelStyle withTint(Optional<Rgb> newTint) {
        return new LevelStyle(role, paints, newTint, multiply, clipped, held, drawnOn);
    }

    public LevelStyle withMultiply(boolean darken) {
        return new LevelStyle(role, paints, tint, darken, clipped, held, drawnOn);
    }

    public LevelStyle withClipped(boolean clip) {
        return new LevelStyle(role, paints, tint, multiply, clip, held, drawnOn);
    }

    public LevelStyle withHeld(boolean hold) {
        return new LevelStyle(role, paints, tint, multiply, clipped, hold, drawnOn);
    }

    public LevelStyle withDrawnOn(Optional<DrawnOn> newDrawnOn) {
        return new LevelStyle(role, paints, tint, multiply, clipped, held, newDrawnOn);
    }
}
