/**
 * Edits of footage, sounds and tracked points, and of what goes along with points. In go values of {@code core.shot} and {@code core.motion}; out come edits.
 * What rides on a point stays where it is on the frame on which it was put by hand.
 */
package chalktrace.core.edit.reference;
