package chalktrace.core.motion;

/**
 * Something that moves in a source, found without a touch. Both paths are in px of the source as seen, and begin on the same picture at the same place.
 *
 * @param seen where it is in the pictures
 * @param steady where it would be had the camera stood still
 */
public record MovingPart(TrackPath seen, TrackPath steady) {}
