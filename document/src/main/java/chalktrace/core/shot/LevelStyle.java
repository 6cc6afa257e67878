package chalktrace.core.shot;

import chalktrace.core.picture.Rgb;
import java.util.Optional;

/**
 * What a level is for and how it is laid over what lies under it.
 *
 * @param paints the level whose lines it is the paint of, by its id; none for any other level
 * @param tint one colour in which all of it shows; none for its chalks' own
 * @param multiply whether it darkens what lies under it, as a shadow does, instead of covering it
 * @param clipped whether it shows only where the level under it has something
 * @param held whether it shows one drawing over the whole shot, as a background does
 */
public record LevelStyle(
        Role role, Optional<String> paints, Optional<Rgb> tint, boolean multiply, boolean clipped, boolean held) {

    public static final LevelStyle ROUGH =
            new LevelStyle(Role.ROUGH, Optional.empty(), Optional.empty(), false, false, false);

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
        return new LevelStyle(newRole, paints, tint, multiply, clipped, held);
    }

    public LevelStyle painting(String lineLevel) {
        return new LevelStyle(Role.COLOUR, Optional.of(lineLevel), tint, multiply, clipped, held);
    }

    LevelStyle paintingNothing() {
        return new LevelStyle(role, Optional.empty(), tint, multiply, clipped, held);
    }

    public LevelStyle withTint(Optional<Rgb> newTint) {
        return new LevelStyle(role, paints, newTint, multiply, clipped, held);
    }

    public LevelStyle withMultiply(boolean darken) {
        return new LevelStyle(role, paints, tint, darken, clipped, held);
    }

    public LevelStyle withClipped(boolean clip) {
        return new LevelStyle(role, paints, tint, multiply, clip, held);
    }

    public LevelStyle withHeld(boolean hold) {
        return new LevelStyle(role, paints, tint, multiply, clipped, hold);
    }
}
