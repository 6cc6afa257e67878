/**
 * What is probably not meant in a shot. In goes a shot; out come findings with their place, check by check, and for some the edit that mends them. What was
 * set aside is not found. A mend takes its own finding away and brings no other. The sync of drawn frames with the sound is reported here too.
 */
package chalktrace.core.check;
