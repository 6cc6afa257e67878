/**
 * The document. {@code Shot} is an immutable value of parts ({@code ShotPart}), each of which says all that others ask of it: how it is written, read, moved and
 * cleaned up. Frames count from 0, times are seconds from the first frame, places px of the shot. What is written and read again is equal; what names something that
 * has gone lets go of it.
 */
package chalktrace.core.shot;
